/** Figures of what a controller does, and of what reads voltages for one. */
import { A, FARAD, type FigureTable, HERTZ, LEVEL, OHM, once, SECOND, SHARE, V } from './kind.ts';

export const CONTROLLER = {
  'controller/io/outputHigh': {
    units: LEVEL,
  },
  'controller/io/outputLow': { units: LEVEL },
  'controller/io/outputLoad': { units: A },
  'controller/io/sinkCurrent': { units: A },
  'controller/io/inputHigh': { units: LEVEL },
  'controller/io/inputLow': { units: LEVEL },
  'controller/io/absoluteMax': {
    units: LEVEL,
  },
  'controller/io/leakage': { units: A },
  'controller/io/capacitance': { units: FARAD },
  'controller/io/unpoweredMax': { units: V },
  'controller/io/outputResistance': { units: OHM },
  'controller/io/weakPull': { units: OHM, slot: { id: 'controller.weakPull', from: 1000, to: 1e6, into: once } },
  'controller/pins/*/fittedPullUp/value': {
    units: OHM,
  },
  'controller/pinCurrent/recommended': {
    units: A,
  },
  'controller/pinCurrent/absolute': {
    units: A,
    slot: { id: 'controller.pinCurrent', from: 1e-4, to: 1, into: once },
  },
  'controller/currentGroups/*/limit': { units: A },
  'controller/pwmGroups/*/fixed': { units: HERTZ },
  'controller/brownOut': { units: V, slot: { id: 'controller.brownOut', from: 0.5, to: 10, into: once } },
  'controller/wakeTime': { units: SECOND },
  'controller/spiSetup': { units: SECOND },
  'controller/serial/clock': { units: HERTZ },
  'controller/adc/straight': { units: V },
  'controller/adc/reference': { units: V },
  'controller/adc/error': { units: SHARE },
  'controller/adc/sourceResistance': { units: OHM },
  'converter/straight': { units: V },
  'converter/reference': { units: V },
  'converter/error': { units: SHARE },
  'converter/sourceResistance': { units: OHM },
  'controller/usb/voltage': { units: V },
  'controller/usb/drop': { units: V },
  'controller/usb/limit': { units: A },
} as const satisfies FigureTable;
