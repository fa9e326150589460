/** Figures of what a controller does, and of what reads voltages for one. */
import { A, FARAD, type FigureTable, HERTZ, LEVEL, OHM, SECOND, SHARE, V } from './kind.ts';

export const CONTROLLER = {
  'controller/io/outputHigh': {
    units: LEVEL,
    asks: ['drive/gate', 'level/high', 'level/over-voltage', 'supply/programming', 'supply/range'],
  },
  'controller/io/outputLow': { units: LEVEL, asks: ['level/low', 'supply/pin-ground', 'supply/programming'] },
  'controller/io/outputLoad': { units: A, asks: ['level/high', 'level/low', 'supply/pin-ground'] },
  'controller/io/sinkCurrent': { units: A, asks: ['bus/pull-up-strong'] },
  'controller/io/inputHigh': { units: LEVEL, asks: ['level/high', 'pin/strap', 'supply/programming', 'wire/budget'] },
  'controller/io/inputLow': { units: LEVEL, asks: ['level/low', 'pin/strap', 'supply/programming'] },
  'controller/io/absoluteMax': {
    units: LEVEL,
    asks: ['level/mixed-pull-ups', 'level/over-voltage', 'level/unpowered', 'supply/programming'],
  },
  'controller/io/leakage': { units: A, asks: ['bus/pull-up-weak', 'level/high', 'pin/boot-state'] },
  'controller/io/capacitance': { units: FARAD, asks: ['bus/capacitance', 'bus/pull-up-weak', 'wire/budget'] },
  'controller/io/unpoweredMax': { units: V, asks: [] },
  'controller/io/outputResistance': { units: OHM, asks: [] },
  'controller/io/weakPull': { units: OHM, asks: ['bus/pull-up-strong', 'bus/pull-up-weak', 'level/no-pull-up'] },
  'controller/pins/*/fittedPullUp/value': {
    units: OHM,
    asks: ['bus/pull-up-pairs', 'bus/pull-up-strong', 'bus/pull-up-weak', 'level/high', 'level/over-voltage'],
  },
  'controller/pinCurrent/recommended': {
    units: A,
    asks: ['drive/led', 'drive/transistor', 'pin/current', 'supply/pin-fed', 'supply/pin-ground'],
  },
  'controller/pinCurrent/absolute': { units: A, asks: ['pin/current', 'supply/pin-fed'] },
  'controller/currentGroups/*/limit': { units: A, asks: ['pin/current'] },
  'controller/pwmGroups/*/fixed': { units: HERTZ, asks: ['pin/unit-conflict'] },
  'controller/brownOut': { units: V, asks: ['supply/dip'] },
  'controller/spiSetup': { units: SECOND, asks: ['bus/spi-speed'] },
  'controller/serial/clock': { units: HERTZ, asks: ['bus/serial-rate'] },
  'controller/adc/straight': { units: V, asks: ['analog/dead-ends'] },
  'controller/adc/reference': { units: V, asks: ['analog/range'] },
  'controller/adc/error': { units: SHARE, asks: ['analog/resolution', 'need/trigger'] },
  'controller/adc/sourceResistance': { units: OHM, asks: ['analog/source'] },
  'converter/straight': { units: V, asks: ['analog/dead-ends'] },
  'converter/reference': { units: V, asks: ['analog/range'] },
  'converter/error': { units: SHARE, asks: ['analog/resolution'] },
  'converter/sourceResistance': { units: OHM, asks: ['analog/source'] },
  'controller/usb/voltage': { units: V, asks: ['supply/range'] },
  'controller/usb/drop': { units: V, asks: ['supply/range'] },
  'controller/usb/limit': { units: A, asks: ['supply/rail-current'] },
} as const satisfies FigureTable;
