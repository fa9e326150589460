/** Invented parts as a maker has them before the eyes: what is printed on them, and what their sheet, a meter or a seller says. */
import type { Entered } from './desk';

const BOUGHT = [{ 'from whom': 'the market', price: '6.5' }] as const;

export const SENSOR: Entered = {
  name: 'Gorse H3 humidity board',
  cls: 'bus-sensor',
  headers: [{ text: 'VIN=VCC GND SCL SDA ADDR' }],
  answers: {
    class: 'humidity breakout',
    'supplies/*/range': '2.4 to 5.5 V',
    'supplies/*/absoluteMax': '≤ 6 V',
    'supplies/*/current/idle': '2 µA',
    'supplies/*/current/active': '600 µA',
    'signals/*/fittedPullUp/value': '10 kΩ',
    'signals/*/fittedPullUp/to': 'vin',
    'signals/*/fittedPullUp/removable': 'jumper',
    'ports/*/addresses': [
      { value: '0x44', 'how it is set': 'ADDR open' },
      { value: '0x45', 'how it is set': 'ADDR to VIN' },
    ],
    'ports/*/clock': '≤ 400 kHz',
    'ports/*/reading/bytes': '6',
    measures: [{ quantity: 'air humidity' }, { quantity: 'air temperature' }],
    'measures/air humidity/range': '0 to 100',
    'measures/air humidity/accuracy': [{ from: '0', to: '100', '±': '3' }],
    'measures/air temperature/range': '-40 to 125',
    'measures/air temperature/accuracy': [{ from: '-40', to: '125', '±': '0.4' }],
    'measures/*/interval': '1 s',
    'body/ambient': '-40 to 125 °C',
    'body/size/length': '18 mm',
    'body/size/width': '12 mm',
    offers: BOUGHT,
  },
};

export const CONTROLLER_TABLE = `
GPIO36 | ADC1_CH0 | input only, no pull-up
GPIO39 | ADC1_CH3 | input only, no pull-up
GPIO34 | ADC1_CH6 | input only, no pull-up
GPIO35 | ADC1_CH7 | input only, no pull-up
GPIO32 | ADC1_CH4, PWM |
GPIO33 | ADC1_CH5, PWM |
GPIO25 | DAC1, ADC2_CH8, PWM |
GPIO26 | DAC2, ADC2_CH9, PWM |
GPIO27 | ADC2_CH7, PWM |
GPIO14 | ADC2_CH6, PWM |
GPIO12 | ADC2_CH5, PWM | must be low at boot
GPIO13 | ADC2_CH4, PWM |
GPIO9 | SPI flash | do not use
GPIO10 | SPI flash | do not use
GPIO23 | SPI0_MOSI, PWM |
GPIO22 | I2C0_SCL, PWM |
GPIO1 | U0TXD | console
GPIO3 | U0RXD | console
GPIO21 | I2C0_SDA, PWM |
GPIO19 | SPI0_MISO, PWM |
GPIO18 | SPI0_SCK, PWM |
GPIO5 | SPI0_CS, PWM |
GPIO17 | U1TXD, PWM |
GPIO16 | U1RXD, PWM |
GPIO4 | ADC2_CH0, PWM |
GPIO2 | ADC2_CH2, PWM | must be low at boot
GPIO0 | PWM | must be high at boot
All GPIO pins can raise an interrupt.
`;

export const CONTROLLER: Entered = {
  name: 'Brae R2 radio board',
  cls: 'controller',
  headers: [
    {
      text: '3V3 EN GPIO36 GPIO39 GPIO34 GPIO35 GPIO32 GPIO33 GPIO25 GPIO26 GPIO27 GPIO14 GPIO12 GPIO13 GPIO9 GPIO10 GND VIN',
    },
    {
      text: 'GND GPIO23 GPIO22 GPIO1 GPIO3 GPIO21 GPIO19 GPIO18 GPIO5 GPIO17 GPIO16 GPIO4 GPIO2 GPIO0',
      across: '22.86 mm',
    },
  ],
  answers: {
    class: '3.3 V controller board with a radio',
    'supplies/*/range': '4.5 to 5.5 V',
    'supplies/*/absoluteMax': '≤ 6 V',
    'supplies/*/current/active': '5 mA',
    'rails/*/voltage': '3.2 / 3.3 / 3.4 V',
    'rails/*/limit': '≥ 500 mA',
    'rails/*/from/by': 'linear',
    'rails/*/from/dropout': '≤ 1.1 V',
    'rails/*/ownLoad/idle': '30 mA',
    'rails/*/ownLoad/active': '80 mA',
    'rails/*/ownLoad/peak': '340 mA',
    'controller/adc/bits': '12',
    'controller/adc/reference': '3.2 to 3.4 V',
    'controller/adc/error': '≤ 2 %',
    'controller/usb/supply': 'vin',
    'controller/usb/by': 'diode',
    'controller/usb/plug': 'micro-B',
    'controller/usb/voltage': '4.75 to 5.5 V',
    'controller/usb/drop': '≤ 0.4 V',
    'controller/usb/limit': '500 mA',
    'body/size/length': '52 mm',
    'body/size/width': '28 mm',
    'body/ambient': '-40 to 85 °C',
    offers: BOUGHT,
  },
};

/** Its table of pins is in a PDF: the second of the printed sheets of the core's tests. */
export const BOARD_5V: Entered = {
  name: 'Cairn U8 board',
  cls: 'controller',
  headers: [
    { kind: 'female', text: 'D0 D1 D2 D3 D10 D11 D12 D13' },
    { kind: 'female', text: 'VIN GND 5V A0 A4 A5 A6 RST', across: '48.26 mm' },
  ],
  answers: {
    class: '5 V eight-bit controller board',
    'supplies/*/range': '7 to 12 V',
    'supplies/*/absoluteMax': '≤ 20 V',
    'supplies/*/current/active': '5 mA',
    'rails/*/voltage': '4.8 / 5 / 5.2 V',
    'rails/*/limit': '≥ 500 mA',
    'rails/*/from/by': 'linear',
    'rails/*/from/dropout': '≤ 1.2 V',
    'rails/*/ownLoad/idle': '15 mA',
    'rails/*/ownLoad/active': '30 mA',
    'rails/*/ownLoad/peak': '40 mA',
    'controller/adc/bits': '10',
    'controller/adc/reference': '4.8 to 5.2 V',
    'controller/adc/error': '≤ 0.5 %',
    'controller/io/sinkCurrent': '≥ 10 mA',
    'controller/pinCurrent/recommended': '≤ 20 mA',
    'controller/pinCurrent/absolute': '≤ 40 mA',
    'controller/usb/supply': 'vin',
    'controller/usb/by': 'straight',
    'controller/usb/makes': '5v',
    'controller/usb/plug': 'B',
    'controller/usb/voltage': '4.75 to 5.25 V',
    'controller/usb/limit': '500 mA',
    'body/size/length': '69 mm',
    'body/size/width': '53 mm',
  },
};

export const CARRIER: Entered = {
  name: 'Larder carrier',
  cls: 'carrier',
  headers: [{ kind: 'female', text: 'S1 L1 F1 F2 SDA SCL VIN GND' }],
  answers: {
    class: 'carrier with a button and a light',
    'carrier/fitted': [
      { 'name here': 'button', card: 'button', printed: 'button on the carrier', lines: 'contact/contact=S1' },
      { 'name here': 'light', card: 'light-fitted', printed: 'light on the carrier', lines: 'light/in=L1' },
    ],
    'carrier/free': 'F1, F2, SDA, SCL',
  },
};
export const CARRIER_NAMES = 'S1 = D12, L1 = D6, F1 = D4, F2 = D7, SDA = A4, SCL = A5';

export const ADAPTER: Entered = {
  name: 'Wicket probe adapter',
  cls: 'terminal-adapter',
  headers: [
    { kind: 'male', text: 'VCC DQ GND' },
    { kind: 'screw', text: '+ D −', across: '12.7 mm' },
  ],
  answers: {
    class: 'screws for a probe, with its pull-up',
    'signals/*/fittedPullUp/value': '4.7 kΩ',
    'signals/*/fittedPullUp/to': 'vcc',
    'signals/*/fittedPullUp/removable': 'no',
  },
};

export const BREAKOUT: Entered = {
  name: 'Heath H5 humidity board',
  cls: 'bus-sensor',
  headers: [{ text: 'VIN 3VO GND SCL SDA' }],
  answers: {
    class: 'humidity board with a regulator and a translator',
    'supplies/*/range': '3 to 5.5 V',
    'supplies/*/absoluteMax': '≤ 6 V',
    'supplies/*/current/active': '1.8 mA',
    'rails/*/limit': '≥ 100 mA',
    'rails/*/from/dropout': '≤ 250 mV',
    'signals/*/fittedPullUp/removable': 'solder',
    'ports/*/addresses': [{ value: '0x40', 'how it is set': 'fixed' }],
    'ports/*/clock': '≤ 400 kHz',
    'ports/*/reading/bytes': '8',
    measures: [{ quantity: 'air humidity' }],
    'measures/*/range': '0 to 100',
    'measures/*/accuracy': [{ from: '0', to: '100', '±': '2' }],
  },
};

export const THERMISTOR: Entered = {
  name: 'Bramble 10 k bead',
  cls: 'resistive-element',
  headers: [{ kind: 'male', text: '1 2' }],
  answers: {
    class: 'bare 10 kΩ thermistor',
    measures: [{ quantity: 'air temperature' }],
    'measures/*/range': '-40 to 125',
    'measures/*/accuracy': [{ from: '-40', to: '125', '±': '0.05' }],
    'measures/*/analog/kind': 'beta',
    'measures/*/analog/signal': '1',
    'measures/*/analog/r25': '9.9 / 10 / 10.1 kΩ',
    'measures/*/analog/beta': '3910 / 3950 / 3990 K',
    'measures/*/analog/dissipation': '≥ 1.5 mW/K',
  },
};

export const RELAY: Entered = {
  name: 'Gate R1 relay board',
  cls: 'relay',
  headers: [
    { kind: 'male', text: 'VCC GND IN' },
    { kind: 'screw', text: 'NO COM NC', across: '40 mm' },
  ],
  answers: {
    class: 'relay board with its transistor and diode',
    'supplies/*/range': '4.5 to 5.5 V',
    'supplies/*/absoluteMax': '≤ 6 V',
    'supplies/*/current/idle': '1 mA',
    'supplies/*/current/active': '– / 72 / 90 mA',
    'signals/*/inputHigh': '≥ 2.4 V',
    'signals/*/inputLow': '≤ 0.8 V',
    'signals/*/absoluteMax': '≤ 6 V',
    'ports/*/active/level': 'high',
    'contact/direct/voltage': '≤ 30 V',
    'contact/direct/current': '≥ 5 A',
    'contact/alternating/voltage': '≤ 250 V',
    'contact/alternating/current': '≥ 7 A',
    serves: 'switching',
  },
};

export const TWO_MODES: Entered = {
  name: 'Scarp P4 pressure board',
  cls: 'bus-sensor',
  headers: [{ text: 'VIN GND SCK=SCL SDO SDI=SDA CS AD0 AD1' }],
  answers: {
    class: 'pressure board for I²C or SPI, four addresses',
    'supplies/*/range': '1.8 to 3.6 V',
    'supplies/*/absoluteMax': '≤ 4 V',
    'supplies/*/current/active': '700 µA',
    'ports/*/addresses': [
      { value: '0x58', 'how it is set': 'AD0 and AD1 to ground' },
      { value: '0x59', 'how it is set': 'AD0 to VIN' },
      { value: '0x5A', 'how it is set': 'AD1 to VIN' },
      { value: '0x5B', 'how it is set': 'AD0 and AD1 to VIN' },
    ],
    'ports/i2c/clock': '≤ 400 kHz',
    'ports/spi/clock': '≤ 8 MHz',
    'ports/*/reading/bytes': '6',
    measures: [{ quantity: 'air pressure' }],
    'measures/*/range': '30000 to 110000',
    'measures/*/accuracy': [{ from: '30000', to: '110000', '±': '100' }],
  },
};

export const DISPLAY: Entered = {
  name: 'Pane D2 display',
  cls: 'display',
  headers: [{ text: 'SDA SCL VCC GND' }],
  answers: {
    class: 'small dot display',
    'supplies/*/range': '3 to 5 V',
    'supplies/*/absoluteMax': '≤ 5.5 V',
    'supplies/*/current/active': '– / 12 / 25 mA',
    'signals/*/fittedPullUp/value': '4.7 kΩ',
    'signals/*/fittedPullUp/to': 'vcc',
    'signals/*/fittedPullUp/removable': 'no',
    'ports/*/addresses': [
      { value: '0x3C', 'how it is set': 'as it comes' },
      { value: '0x3D', 'how it is set': 'resistor moved' },
    ],
    'ports/*/clock': '≤ 400 kHz',
    serves: 'text, pictures',
  },
};

export const PROBE: Entered = {
  name: 'Burn probe on a cable',
  cls: 'one-wire-probe',
  headers: [{ kind: 'leads', text: 'orange:VDD blue:GND white:DATA' }],
  answers: {
    class: 'one-wire probe in a sleeve',
    'supplies/*/range': '3 to 5.5 V',
    'supplies/*/absoluteMax': '≤ 6 V',
    'supplies/*/current/active': '– / 1 / 1.5 mA',
    measures: [{ quantity: 'core temperature' }],
    'measures/*/range': '-55 to 125',
    'measures/*/accuracy': [{ from: '-10', to: '85', '±': '0.5' }],
    'measures/*/conversion': '750 ms',
    'body/water/rating': 'immersion',
  },
};

export const BATTERY: Entered = {
  name: 'Tray of three cells',
  cls: 'cells',
  headers: [{ kind: 'leads', text: 'red:+ black:−' }],
  answers: {
    class: 'tray for three primary cells',
    'rails/*/voltage': '3 / 4.5 / 4.8 V',
    'rails/*/limit': '≥ 1 A',
    'rails/*/cells/chemistry': 'primary',
    'rails/*/cells/count': '3',
    'rails/*/cells/capacity': '≥ 2200 mAh',
    'rails/*/cells/curve': [
      { 'share used': '0 %', voltage: '4.8 V' },
      { 'share used': '50 %', voltage: '3.8 V' },
      { 'share used': '100 %', voltage: '2.9 V' },
    ],
    'rails/*/cells/resistance': '0.5 Ω',
    'rails/*/cells/cutOff': '3 V',
    'rails/*/cells/selfDischarge': '3 %',
  },
};
