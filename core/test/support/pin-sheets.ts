/**
 * Ten tables of pins of invented boards, five as they are pasted and five as they are printed, in forms that differ from those in
 * `pin-tables.ts`. They were written before they were first read. Common practice, without a source.
 */
import type { PinTableCase } from './pin-tables.ts';

/** A table as it is set on paper. */
export interface PrintedTable extends Omit<PinTableCase, 'text'> {
  readonly print: {
    readonly title: string;
    /** What stands above and below it. */
    readonly above: readonly string[];
    readonly below: readonly string[];
    readonly heads: readonly string[];
    /** Points. */
    readonly widths: readonly number[];
    readonly rows: readonly (readonly string[])[];
    readonly ruled: boolean;
    /** Rows on a page before it goes on with its head on the next. */
    readonly perPage?: number;
    /** Half of the rows stand beside the other half. */
    readonly beside?: boolean;
    /** Where a name stands in a row of several lines. */
    readonly middle?: boolean;
  };
}

export const PASTED_SHEETS: readonly PinTableCase[] = [
  {
    name: 'the pin last, the state at reset between',
    text: `
| Alternate functions | State at reset | Pin |
|---|---|---|
| AIN0, SPI1 SCK | input, pull-up | P1 |
| AIN1, SPI1 MOSI | input, pull-up | P2 |
| SPI1 MISO | input | P3 |
| UART1 TX | output, high | P4 |
| UART1 RX | input | P5 |
| I2C1 SDA | input, pull-up | P6 |
| I2C1 SCL | input, pull-up | P7 |
| PWM4, DAC1 | input, pull-down | P8 |
`,
    pins: {
      P1: 'in out adc0.0 spi1.clk',
      P2: 'in out adc0.1 spi1.out',
      P3: 'in out spi1.in',
      P4: 'in out uart1.tx',
      P5: 'in out uart1.rx',
      P6: 'in out i2c1.sda',
      P7: 'in out i2c1.scl',
      P8: 'in out pwm4 dac1',
    },
    marks: { P1: 'boot up', P2: 'boot up', P4: 'boot high', P6: 'boot up', P7: 'boot up', P8: 'boot down' },
  },
  {
    name: 'a shop page with a bullet for each pin',
    text: `
Pinout:
• IO0 – boot button. Must be high at boot. PWM
• IO1 – TX0, serial console
• IO3 – RX0, serial console
• IO2 – on-board LED, PWM, must be low at boot
• IO4 – ADC2_CH0, TOUCH0, PWM
• IO5 – SPI0 CS, PWM, pulled up at boot
• IO18 – SPI0 SCK, PWM
• IO19 – SPI0 MISO, PWM
• IO23 – SPI0 MOSI, PWM
• IO21 – I2C0 SDA, PWM
• IO22 – I2C0 SCL, PWM
• IO36, IO39 – input only, no pull-ups, ADC1_CH0 and ADC1_CH3
• EN – reset
`,
    pins: {
      IO0: 'in out pwm',
      IO1: 'in out uart0.tx',
      IO3: 'in out uart0.rx',
      IO2: 'in out pwm',
      IO4: 'in out adc2.0 touch pwm',
      IO5: 'in out spi0.select pwm',
      IO18: 'in out spi0.clk pwm',
      IO19: 'in out spi0.in pwm',
      IO23: 'in out spi0.out pwm',
      IO21: 'in out i2c0.sda pwm',
      IO22: 'in out i2c0.scl pwm',
      IO36: 'in adc1.0',
      IO39: 'in adc1.3',
    },
    marks: {
      IO0: 'strap high',
      IO1: 'reserved console',
      IO3: 'reserved console',
      IO2: 'strap low',
      IO5: 'boot up',
      IO36: 'nopull',
      IO39: 'nopull',
    },
  },
  {
    name: 'semicolons, a column a bus, crosses for what is there',
    text: `
Pin;I2C;SPI;UART;ADC;PWM;Notes
D0;;;RX0;;;console
D1;;;TX0;;;console
D3;;;;;PWM3;
D5;;;;;PWM5;
D10;;CS0;;;PWM10;
D11;;MOSI0;;;PWM11;
D12;;MISO0;;;;
D13;;SCK0;;;;LED on the board
A0;;;;ADC0_CH0;;
A4;SDA0;;;ADC0_CH4;;
A5;SCL0;;;ADC0_CH5;;
`,
    pins: {
      D0: 'in out uart0.rx',
      D1: 'in out uart0.tx',
      D3: 'in out pwm3',
      D5: 'in out pwm5',
      D10: 'in out spi0.select pwm10',
      D11: 'in out spi0.out pwm11',
      D12: 'in out spi0.in',
      D13: 'in out spi0.clk',
      A0: 'in out adc0.0',
      A4: 'in out i2c0.sda adc0.4',
      A5: 'in out i2c0.scl adc0.5',
    },
    marks: { D0: 'reserved console', D1: 'reserved console' },
  },
  {
    name: 'lines of words, two pins to a line of text',
    text: `
GP0 and GP1: UART0 TX and UART0 RX
GP4: I2C0 SDA, PWM2 A
GP5: I2C0 SCL, PWM2 B
GP16: SPI0 RX
GP17: SPI0 CSn
GP18: SPI0 SCK
GP19: SPI0 TX
GP26: ADC0_CH0
GP27: ADC0_CH1
GP28: ADC0_CH2
All GPIO pins can raise an interrupt.
`,
    pins: {
      GP0: 'in out irq uart0.tx',
      GP1: 'in out irq uart0.rx',
      GP4: 'in out irq i2c0.sda pwm4',
      GP5: 'in out irq i2c0.scl pwm5',
      GP16: 'in out irq spi0.in',
      GP17: 'in out irq spi0.select',
      GP18: 'in out irq spi0.clk',
      GP19: 'in out irq spi0.out',
      GP26: 'in out irq adc0.0',
      GP27: 'in out irq adc0.1',
      GP28: 'in out irq adc0.2',
    },
  },
  {
    name: 'ports with letters, reserved pins, what a timer gives',
    text: `
Name\tType\tAlternate functions\tRemarks
PA0\tI/O\tADC1_IN0, TIM2_CH1, WKUP\t
PA1\tI/O\tADC1_IN1, TIM2_CH2\t
PA9\tI/O\tUSART1_TX, TIM1_CH2\tconsole at start
PA10\tI/O\tUSART1_RX, TIM1_CH3\tconsole at start
PA13\tI/O\tSWDIO\treserved for debugging
PB3\tI/O\tSPI1_SCK, TIM2_CH2\t
PB4\tI/O\tSPI1_MISO\tpull-up at reset
PB5\tI/O\tSPI1_MOSI\t
PB6\tI/O\tI2C1_SCL, TIM4_CH1\t
PB7\tI/O\tI2C1_SDA, TIM4_CH2\t
PC13\tI\tTAMPER\tinput only
VDD\tS\t\tsupply
`,
    pins: {
      PA0: 'in out adc1.0 pwm',
      PA1: 'in out adc1.1 pwm',
      PA9: 'in out uart1.tx pwm',
      PA10: 'in out uart1.rx pwm',
      PA13: 'in out',
      PB3: 'in out spi1.clk pwm',
      PB4: 'in out spi1.in',
      PB5: 'in out spi1.out',
      PB6: 'in out i2c1.scl pwm',
      PB7: 'in out i2c1.sda pwm',
      PC13: 'in',
    },
    marks: { PA9: 'reserved console', PA10: 'reserved console', PB4: 'boot up' },
  },
];

const WIDE = [60, 250, 170] as const;

export const PRINTED_SHEETS: readonly PrintedTable[] = [
  {
    name: 'a ruled table with cells of several lines',
    print: {
      title: 'Tarn W4 board, data sheet',
      above: ['The board carries a radio module and a regulator. Its pins stand 2.54 mm apart.'],
      below: ['Every GPIO pin can raise an interrupt.'],
      heads: ['Pin', 'Functions', 'Remarks'],
      widths: [60, 150, 140],
      ruled: true,
      rows: [
        ['GPIO0', 'PWM, TOUCH1, ADC2_CH1', 'must be high at boot, or the loader begins'],
        ['GPIO2', 'PWM, TOUCH2, ADC2_CH2', 'must be low at boot'],
        ['GPIO4', 'PWM, TOUCH0, ADC2_CH0', ''],
        ['GPIO5', 'SPI0_CS, PWM', 'pulses at boot'],
        ['GPIO12', 'PWM, TOUCH5, ADC2_CH5, SPI1_MISO', 'strapping pin, must be low at boot'],
        ['GPIO13', 'PWM, TOUCH4, ADC2_CH4, SPI1_MOSI', ''],
        ['GPIO21', 'I2C0_SDA, PWM', ''],
        ['GPIO22', 'I2C0_SCL, PWM', ''],
        ['GPIO34', 'ADC1_CH6', 'input only, no internal pull-up'],
      ],
    },
    pins: {
      GPIO0: 'in out irq pwm touch adc2.1',
      GPIO2: 'in out irq pwm touch adc2.2',
      GPIO4: 'in out irq pwm touch adc2.0',
      GPIO5: 'in out irq spi0.select pwm',
      GPIO12: 'in out irq pwm touch adc2.5 spi1.in',
      GPIO13: 'in out irq pwm touch adc2.4 spi1.out',
      GPIO21: 'in out irq i2c0.sda pwm',
      GPIO22: 'in out irq i2c0.scl pwm',
      GPIO34: 'in irq adc1.6',
    },
    marks: { GPIO0: 'strap high', GPIO2: 'strap low', GPIO5: 'boot pulses', GPIO12: 'strap low', GPIO34: 'nopull' },
  },
  {
    name: 'no rulings, what does not fit goes on below',
    print: {
      title: 'Cairn U8 board',
      above: ['A 5 V board with an eight-bit controller.', 'Pin functions'],
      below: ['No pin gives more than 20 mA.'],
      heads: ['Pin', 'Type', 'Function', 'Notes'],
      widths: [50, 45, 160, 130],
      ruled: false,
      rows: [
        ['D0', 'I/O', 'UART0 RX', 'console'],
        ['D1', 'I/O', 'UART0 TX', 'console'],
        ['D2', 'I/O', 'INT0', ''],
        ['D3', 'I/O', 'INT1, PWM3', ''],
        ['D10', 'I/O', 'SPI0 CS, PWM10', ''],
        ['D11', 'I/O', 'SPI0 MOSI, PWM11', ''],
        ['D12', 'I/O', 'SPI0 MISO', ''],
        ['D13', 'I/O', 'SPI0 SCK', 'the light on the board hangs on it, so it is pulled down at reset'],
        ['A0', 'I/O', 'ADC0_CH0', ''],
        ['A4', 'I/O', 'ADC0_CH4, I2C0 SDA', ''],
        ['A5', 'I/O', 'ADC0_CH5, I2C0 SCL', ''],
        ['A6', 'I', 'ADC0_CH6', 'analog input only'],
        ['5V', 'P', 'supply', ''],
        ['GND', 'P', 'ground', ''],
      ],
    },
    pins: {
      D0: 'in out uart0.rx',
      D1: 'in out uart0.tx',
      D2: 'in out irq',
      D3: 'in out irq pwm3',
      D10: 'in out spi0.select pwm10',
      D11: 'in out spi0.out pwm11',
      D12: 'in out spi0.in',
      D13: 'in out spi0.clk',
      A0: 'in out adc0.0',
      A4: 'in out adc0.4 i2c0.sda',
      A5: 'in out adc0.5 i2c0.scl',
      A6: 'in adc0.6',
    },
    marks: { D0: 'reserved console', D1: 'reserved console', D13: 'boot down' },
  },
  {
    name: 'over two pages, with its head again',
    print: {
      title: 'Moraine C2, pins',
      above: [],
      below: [],
      heads: ['No.', 'Name', 'Alternate functions', 'Remarks'],
      widths: [35, 60, 190, 120],
      ruled: true,
      perPage: 8,
      rows: [
        ['1', 'P0.02', 'AIN0', ''],
        ['2', 'P0.03', 'AIN1', ''],
        ['3', 'P0.04', 'AIN2', ''],
        ['4', 'P0.05', 'AIN3', ''],
        ['5', 'P0.06', 'UART0 TX', ''],
        ['6', 'P0.08', 'UART0 RX', ''],
        ['7', 'P0.11', 'I2C0 SCL', ''],
        ['8', 'P0.12', 'I2C0 SDA', ''],
        ['9', 'P0.13', 'SPI1 SCK', ''],
        ['10', 'P0.14', 'SPI1 MOSI', ''],
        ['11', 'P0.15', 'SPI1 MISO', ''],
        ['12', 'P0.16', 'SPI1 CS', 'pull-up at reset'],
        ['13', 'P0.18', 'RESET', 'do not use'],
      ],
    },
    pins: {
      'P0.02': 'in out adc0.0',
      'P0.03': 'in out adc0.1',
      'P0.04': 'in out adc0.2',
      'P0.05': 'in out adc0.3',
      'P0.06': 'in out uart0.tx',
      'P0.08': 'in out uart0.rx',
      'P0.11': 'in out i2c0.scl',
      'P0.12': 'in out i2c0.sda',
      'P0.13': 'in out spi1.clk',
      'P0.14': 'in out spi1.out',
      'P0.15': 'in out spi1.in',
      'P0.16': 'in out spi1.select',
    },
    marks: { 'P0.16': 'boot up' },
  },
  {
    name: 'two halves side by side, as the board lies',
    print: {
      title: 'Skerry S3 stick',
      above: ['The stick stands in a breadboard; seen from above, the socket to the left.'],
      below: ['PWM, I2C1 and SPI1 can be routed to any GPIO pin.'],
      heads: ['Pin', 'Functions'],
      widths: [45, 150],
      ruled: false,
      beside: true,
      rows: [
        ['IO1', 'ADC1_CH0, TOUCH1'],
        ['IO2', 'ADC1_CH1, TOUCH2'],
        ['IO3', 'ADC1_CH2, TOUCH3, strapping: must be low at boot'],
        ['IO4', 'ADC1_CH3, TOUCH4'],
        ['IO5', 'ADC1_CH4, TOUCH5'],
        ['IO6', 'ADC1_CH5, TOUCH6'],
        ['IO43', 'UART0 TX, console'],
        ['IO44', 'UART0 RX, console'],
        ['IO8', 'I2C0 SDA'],
        ['IO9', 'I2C0 SCL'],
        ['IO10', 'SPI0 CS'],
        ['IO11', 'SPI0 MOSI'],
      ],
    },
    pins: {
      IO1: 'in out adc1.0 touch',
      IO2: 'in out adc1.1 touch',
      IO3: 'in out adc1.2 touch',
      IO4: 'in out adc1.3 touch',
      IO5: 'in out adc1.4 touch',
      IO6: 'in out adc1.5 touch',
      IO43: 'in out uart0.tx',
      IO44: 'in out uart0.rx',
      IO8: 'in out i2c0.sda',
      IO9: 'in out i2c0.scl',
      IO10: 'in out spi0.select',
      IO11: 'in out spi0.out',
    },
    marks: { IO3: 'strap low', IO43: 'reserved console', IO44: 'reserved console' },
    matrix: 'pwm i2c1.sda i2c1.scl spi1.clk spi1.in spi1.out spi1.select',
  },
  {
    name: 'names in the middle of their rows, a second table below',
    print: {
      title: 'Fen K1 controller board',
      above: ['1.3 Pin description'],
      below: ['Revision 1.1: a mistake in the table was mended.'],
      heads: ['Pin name', 'Description', 'State during boot'],
      widths: [...WIDE],
      ruled: true,
      middle: true,
      rows: [
        [
          'GPIO6',
          'General purpose input and output. Channel of a converter: ADC1_CH5. Line of a bus: I2C0_SDA. It has a weak pull of its own.',
          'input, pull-up',
        ],
        ['GPIO7', 'General purpose input and output. ADC1_CH6, I2C0_SCL', 'input, pull-up'],
        ['GPIO8', 'SPI2_SCK, PWM', 'must be high at boot'],
        ['GPIO9', 'SPI2_MOSI, PWM. Connected to the button that begins the loader.', 'must be high at boot'],
        ['GPIO10', 'SPI2_MISO, PWM', ''],
        ['GPIO20', 'UART0_RXD', ''],
        ['GPIO21', 'UART0_TXD', 'output, high'],
      ],
    },
    pins: {
      GPIO6: 'in out adc1.5 i2c0.sda',
      GPIO7: 'in out adc1.6 i2c0.scl',
      GPIO8: 'in out spi2.clk pwm',
      GPIO9: 'in out spi2.out pwm',
      GPIO10: 'in out spi2.in pwm',
      GPIO20: 'in out uart0.rx',
      GPIO21: 'in out uart0.tx',
    },
    marks: { GPIO6: 'boot up', GPIO7: 'boot up', GPIO8: 'strap high', GPIO9: 'strap high', GPIO21: 'boot high' },
  },
];
