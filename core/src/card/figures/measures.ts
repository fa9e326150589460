/** Figures of what a card measures. */
import { type FigureTable, OF_MEASURE, OHM, LEVEL, SECOND } from './kind.ts';

const ofQuantity = (_card: unknown, quantity: string | undefined): readonly string[] =>
  quantity === undefined ? [] : [quantity];
const WATT_PER_KELVIN = ['W/K'];

export const MEASURES = {
  'measures/*/range': {
    units: OF_MEASURE,
    keep: 'range',
    slot: { id: 'measure.range', from: -1e9, to: 1e9, into: ofQuantity },
    asks: ['body/heat', 'need/range'],
  },
  'measures/*/accuracy/*/error': {
    units: OF_MEASURE,
    keep: 'max',
    slot: { id: 'measure.accuracy', from: 0, to: 1e9, into: ofQuantity },
    asks: ['need/accuracy'],
  },
  'measures/*/resolution/value': {
    units: OF_MEASURE,
    keep: 'typ',
    slot: { id: 'measure.resolution', from: 0, to: 1e9, into: ofQuantity },
    asks: ['need/trigger'],
  },
  'measures/*/driftPerYear/value': {
    units: OF_MEASURE,
    keep: 'max',
    slot: { id: 'measure.drift', from: 0, to: 1e9, into: ofQuantity },
    missed: ({ measures }) => measures.map(({ quantity }) => quantity),
    asks: ['need/accuracy'],
  },
  'measures/*/interval': {
    units: SECOND,
    slot: { id: 'measure.interval', from: 1e-6, to: 1e5, into: ofQuantity },
    missed: ({ measures }) => measures.filter(({ conversion }) => !conversion).map(({ quantity }) => quantity),
    asks: ['need/interval'],
  },
  'measures/*/conversion': {
    units: SECOND,
    slot: { id: 'measure.conversion', from: 1e-7, to: 1e3, into: ofQuantity },
    asks: ['bus/time', 'need/interval', 'wire/budget'],
  },
  'measures/*/coarser/*/conversion': { units: SECOND, asks: ['bus/time', 'need/interval', 'wire/budget'] },
  'measures/*/warmUp': {
    units: SECOND,
    slot: { id: 'measure.warmUp', from: 1e-6, to: 1e6, into: ofQuantity },
    asks: ['need/warm-up'],
  },
  'measures/*/burnIn': { units: SECOND, asks: ['need/burn-in'] },
  'measures/*/holds': { units: SECOND, asks: ['need/short-events'] },
  'measures/*/analog/low': { units: LEVEL, asks: ['analog/range', 'need/accuracy'] },
  'measures/*/analog/high': { units: LEVEL, asks: ['analog/range'] },
  'measures/*/analog/r25': { units: OHM, asks: ['analog/divider', 'need/accuracy'] },
  'measures/*/analog/beta': { units: ['K'], asks: ['analog/divider'] },
  'measures/*/analog/r10': { units: OHM, asks: ['analog/divider', 'need/accuracy'] },
  'measures/*/analog/gamma': { units: ['1'], asks: ['analog/divider'] },
  'measures/*/analog/r0': { units: OHM, asks: ['analog/divider'] },
  'measures/*/analog/dissipation': { units: WATT_PER_KELVIN, asks: ['analog/divider'] },
} as const satisfies FigureTable;
