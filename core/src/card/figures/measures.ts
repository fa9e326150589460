/** Figures of what a card measures. */
import { type FigureTable, OF_MEASURE, OHM, LEVEL, SECOND, type Things } from './kind.ts';

const ofQuantity = (_things: unknown, quantity: string | undefined): readonly string[] =>
  quantity === undefined ? [] : [quantity];
/** What a sheet says of no quantity by name it says of the part: of all that it measures. */
const ofAll = ({ measures }: Things, quantity: string | undefined): readonly string[] =>
  quantity === undefined ? measures.map((measure) => measure.quantity) : [quantity];
const WATT_PER_KELVIN = ['W/K'];

export const MEASURES = {
  'measures/*/range': {
    units: OF_MEASURE,
    keep: 'range',
    slot: { id: 'measure.range', from: -1e9, to: 1e9, into: ofQuantity },
  },
  'measures/*/accuracy/*/error': {
    units: OF_MEASURE,
    keep: 'max',
    slot: { id: 'measure.accuracy', from: 0, to: 1e9, into: ofQuantity },
  },
  'measures/*/resolution/value': {
    units: OF_MEASURE,
    keep: 'typ',
    slot: { id: 'measure.resolution', from: 0, to: 1e9, into: ofQuantity },
  },
  'measures/*/driftPerYear/value': {
    units: OF_MEASURE,
    keep: 'max',
    slot: { id: 'measure.drift', from: 0, to: 1e9, into: ofQuantity },
    missed: ({ measures }) => measures.map(({ quantity }) => quantity),
  },
  'measures/*/interval': {
    units: SECOND,
    slot: { id: 'measure.interval', from: 1e-6, to: 1e5, into: ofAll },
    missed: ({ measures }) => measures.filter(({ conversion }) => !conversion).map(({ quantity }) => quantity),
  },
  'measures/*/conversion': {
    units: SECOND,
    slot: { id: 'measure.conversion', from: 1e-7, to: 1e3, into: ofAll },
  },
  'measures/*/coarser/*/conversion': { units: SECOND },
  'measures/*/warmUp': {
    units: SECOND,
    slot: { id: 'measure.warmUp', from: 1e-6, to: 1e6, into: ofAll },
  },
  'measures/*/burnIn': { units: SECOND, slot: { id: 'measure.burnIn', from: 60, to: 1e8, into: ofAll } },
  'measures/*/holds': { units: SECOND },
  // One stretch fills both ends.
  'measures/*/analog/low': { units: LEVEL, slot: { id: 'logic.analog', from: -1, to: 60, into: ofAll } },
  'measures/*/analog/high': { units: LEVEL },
  'measures/*/analog/r25': { units: OHM, slot: { id: 'measure.r25', from: 1, to: 1e8, into: ofAll } },
  'measures/*/analog/beta': { units: ['K'], slot: { id: 'measure.beta', from: 500, to: 1e4, into: ofAll } },
  'measures/*/analog/r10': { units: OHM, slot: { id: 'measure.r10', from: 10, to: 1e8, into: ofAll } },
  'measures/*/analog/gamma': { units: ['1'], slot: { id: 'measure.gamma', from: 0.1, to: 2, into: ofAll } },
  'measures/*/analog/r0': { units: OHM, slot: { id: 'measure.r0', from: 1, to: 1e5, into: ofAll } },
  'measures/*/analog/dissipation': {
    units: WATT_PER_KELVIN,
    slot: { id: 'measure.dissipation', from: 1e-5, to: 1, into: ofAll },
  },
} as const satisfies FigureTable;
