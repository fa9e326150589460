/** The class of a part, from how its sheet opens. The openings were written from the trade, before the words that the proposal goes by. */
import { expect } from 'chai';
import { classToldBy } from '../../../src/card/reader/class-told.ts';
import type { ClassId } from '../../../src/card/part-class.ts';

const OPENINGS: Readonly<Partial<Record<ClassId, readonly string[]>>> = {
  'bus-sensor': [
    'Tarn RH3 Digital Humidity Sensor\nFully calibrated relative humidity and temperature sensor with I2C output. 7-bit address 0x44. The sensor can be reset by a command; a heater can be switched on.',
    'BM barometric pressure breakout\nAbsolute pressure 300 to 1100 hPa. Interface: I²C and SPI. LGA package on a small board with level shifting and a 3.3 V regulator.',
    'Ambient light sensor with two-wire interface, 16 bit, SMBus compatible. Includes photodiode, ADC and I2C slave logic.',
    'Six-axis motion sensor. Accelerometer and gyroscope with digital output over SPI or I2C, FIFO, two interrupt pins.',
    'Time-of-flight ranging module, up to 2 m, laser class 1, I²C up to 400 kHz, XSHUT and GPIO1 pins',
  ],
  'one-wire-probe': [
    'Waterproof temperature probe\nDigital thermometer in a steel tube on a 1 m cable. 1-Wire bus, 64-bit ROM code, 9 to 12 bit resolution, parasite power.',
    'Single-wire digital thermometer, each device has a unique serial number, several on one data line DQ, 4.7 kΩ pull-up.',
  ],
  'analog-sensor': [
    'Combustible gas sensor module MG-2\nDetects LPG, smoke. Analog output AO 0 to 5 V and a comparator output DO. Heater current 160 mA.',
    'Soil moisture sensor, capacitive, analog voltage output 1.2 to 2.5 V, 3.3 to 5.5 V supply, three-pin cable.',
    'Hall effect linear current sensor, 66 mV per ampere ratiometric output, isolated conductor, VCC 5 V.',
    'Ultraviolet sensor board: output voltage in proportion to UV intensity. Pins: 3V3, GND, OUT, EN.',
  ],
  'resistive-element': [
    'NTC thermistor 10 kΩ 1 %, B25/85 3950 K, bead on leads, dissipation constant 2 mW/K',
    'CdS photoresistor GL series, light resistance 10 to 20 kΩ at 10 lux, dark resistance 1 MΩ, gamma 0.6',
    'Platinum resistance element Pt1000 class B, R0 1000 Ω at 0 °C, two leads',
  ],
  'pulse-sensor': [
    'Infrared carbon dioxide module\nNDIR CO2 sensor with UART 9600 baud and PWM output, range 400 to 5000 ppm.',
    'Ultrasonic ranging module: a 10 µs trigger pulse starts a measurement, the ECHO pin is high for the time of flight.',
    'Passive infrared motion detector. Output goes high for 3 s when movement is seen. Delay and sensitivity trimmers.',
    'Water flow sensor, G1/2, Hall sensor gives 450 pulses per litre, 1 to 30 L/min.',
    'Laser dust sensor PM2.5, serial port, frames every second, fan inside.',
    'Humidity and temperature module with single-bus pulse output, 40 bit, sampling period 2 s.',
    'Satellite positioning receiver, 1 Hz, sentences at 9600 baud, antenna, cold start 27 s',
    'Load cell amplifier, 24-bit converter for bridge sensors, clock and data lines DT and SCK.',
  ],
  contact: [
    'Tactile push button on a board, active low, mechanical life 100 000 operations, contact bounce 5 ms.',
    'Reed switch, normally open, closes near a magnet, contact rating 10 W.',
    'Rotary encoder with push switch, 20 detents, quadrature output A and B, common C.',
    'Float switch for water level, side mounted, max 0.5 A.',
  ],
  light: [
    '5 mm LED, red diffused, forward voltage 2.0 V at 20 mA, luminous intensity 200 mcd',
    'RGB LED strip, addressable, 5 V, one data line in, data out to the next, 60 lights per metre.',
    'Traffic light module with three LEDs and series resistors.',
  ],
  sounder: [
    'Piezo buzzer, passive, resonant frequency 4 kHz, sound pressure 85 dB at 10 cm',
    'Active buzzer module with transistor, low level triggers, 3.3 to 5 V, 2300 Hz tone.',
  ],
  load: [
    'Axial fan 40 x 40 x 10 mm, 5 V DC, 0.12 A, brushless, 6000 rpm, air flow 7 CFM, two wires',
    'Solenoid valve, normally closed, 12 V DC, 400 mA, G1/2, 0.02 to 0.8 MPa',
    'Submersible mini pump 3 to 6 V, 130 to 220 mA, 100 L/h, DC motor.',
    'DC geared motor, 6 V, no-load current 120 mA, stall current 800 mA, 100 rpm',
  ],
  relay: [
    'One channel relay board with optocoupler, 5 V coil, contacts 10 A 250 VAC, 10 A 30 VDC. Screw terminals NO COM NC. High or low trigger jumper.',
    'Relay module\nControl 3.3 V logic, coil current 72 mA, switching capacity 7 A at 240 VAC, opto isolated input IN.',
    'Solid-state switch? No: electromechanical relay, SPDT, operate time 10 ms, release time 5 ms.',
  ],
  driver: [
    'N-channel logic-level MOSFET module, 30 V, low side switch for LED strips and pumps, PWM input, load terminals.',
    'NPN transistor, hFE 100 to 300, collector current 600 mA, VCE(sat) 0.3 V',
    'Low-side driver board with flyback diode for solenoids, 24 V, 2 A continuous, gate drive 3.3 V',
    'Motor driver, dual H-bridge, 1.2 A per channel, standby pin, TTL inputs.',
  ],
  display: [
    '0.96 inch OLED display, 128 x 64, white, I2C address 0x3C, driver with charge pump',
    'Character LCD 16x2 with I2C backpack, blue backlight, contrast trimmer',
    'E-paper display 2.9", 296 x 128 pixels, SPI, full refresh 2 s, BUSY pin.',
    'Four-digit seven-segment display with serial driver, CLK and DIO.',
  ],
  controller: [
    'Microcontroller board with 32-bit dual core at 240 MHz, 520 kB SRAM, 4 MB flash, Wi-Fi. 30 pins, USB connector. GPIO matrix, ADC, three UART.',
    'Development board based on an 8-bit microcontroller, 14 digital I/O pins of which 6 give PWM, 6 analog inputs, 16 MHz crystal, bootloader.',
    'Single-board computer, quad core, 40-pin GPIO header, 1 GB RAM, HDMI, micro SD.',
  ],
  carrier: [
    'Sensor shield with screw terminals for the controller board: plugs onto its headers; every pin is led out with supply and ground.',
    'Expansion carrier board: sockets for a 30-pin controller, four bus connectors, buttons fitted.',
  ],
  'terminal-adapter': [
    'Terminal breakout: screw terminals to 2.54 mm header, eight ways, no electronics',
    'Adapter from a four-pin bus connector to breadboard pins, straight through.',
  ],
  translator: [
    'Bi-directional level shifter, four channels, 3.3 V to 5 V, with MOSFETs and 10 kΩ pull-ups. LV and HV sides.',
    'Octal bus transceiver with voltage translation, VCCA 1.2 to 3.6 V, VCCB 1.65 to 5.5 V, direction control DIR.',
  ],
  'bus-switch': [
    'I2C multiplexer, 1 to 8 channels, address 0x70 to 0x77, reset input. Lets sensors with the same address share one controller.',
    'Four-channel I2C bus switch, downstream pairs SD0/SC0 to SD3/SC3',
  ],
  regulator: [
    'Low-dropout linear regulator, 3.3 V fixed, 800 mA, dropout 1.1 V at full load, thermal shutdown, SOT-223',
    'Step-down converter module, input 4.5 to 28 V, output adjustable 0.8 to 20 V, 3 A, efficiency 96 %.',
    'Boost converter, 0.9 to 5 V in, 5 V out, USB socket.',
    'Single-cell lithium charger with micro-USB input, 4.2 V, charge current 1 A set by a resistor',
  ],
  cells: [
    'Lithium-ion cell 18650, nominal 3.6 V, capacity 2600 mAh, discharge cut-off 2.75 V, internal resistance 60 mΩ',
    'Battery holder for three AA cells, with switch and leads. Alkaline cells 1.5 V each.',
    'Coin cell, lithium manganese dioxide, 3 V, 220 mAh, self-discharge 1 % per year',
    'Rechargeable NiMH pack 4.8 V 2000 mAh with plug',
  ],
  adapter: [
    'Switching power supply, wall plug, input 100 to 240 VAC 50/60 Hz, output 5 V DC 2.5 A, barrel plug 5.5 x 2.1 mm',
    'AC adaptor 12 V 1 A, class II, ripple 120 mV, overload protection.',
  ],
  cable: [
    'USB cable A to micro-B, 1 m, 28 AWG data, 24 AWG power',
    'Charging and data cable, type C to type A, 2 m, shielded.',
  ],
  radio: [
    'Long-range radio module, 868 MHz, SPI, +20 dBm, receive sensitivity -148 dBm, antenna connector.',
    '2.4 GHz transceiver module, 2 Mbps, 126 channels, CE and CSN pins, transmit current 11 mA',
    'GSM/GPRS modem module, UART AT commands, SIM socket, peaks of 2 A while transmitting',
  ],
  clock: [
    'Real-time clock module with temperature-compensated crystal, ±2 ppm, I2C, backup battery CR coin cell, alarm output SQW',
    'Serial real-time clock/calendar, 56 bytes of NV RAM, 32.768 kHz crystal',
  ],
  board: ['Solderless breadboard, 830 tie points, two power rails per side, 2.54 mm pitch'],
  leads: ['Jumper wires, male to female, 20 cm, 40 pieces, assorted colours'],
  assortment: ['Resistor kit 600 pieces, 30 values from 10 Ω to 1 MΩ, 1 %, metal film, 1/4 W'],
};

describe('the class of a part from its sheet', () => {
  for (const [cls, openings] of Object.entries(OPENINGS))
    for (const opening of openings)
      it(`${cls}: ${opening.split('\n')[0]?.slice(0, 60)}`, () => {
        expect(classToldBy(opening)[0]).to.equal(cls);
      });

  it('says nothing of a text that names no part', () => {
    expect(classToldBy('The quick brown fox jumps over the lazy dog, twice on Sundays.')).to.deep.equal([]);
  });
});
