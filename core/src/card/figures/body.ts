/** Figures of what a card is as a thing. */
import { CELSIUS, type FigureTable, once, SECOND } from './kind.ts';

export const BODY = {
  'body/ambient': {
    units: CELSIUS,
    slot: { id: 'body.ambient', from: -100, to: 300, into: once },
    missed: once,
  },
  'body/wear/life': { units: SECOND },
  'body/size/length': { units: ['m'], keep: 'typ', slot: { id: 'body.size', from: 1e-4, to: 2, into: once } },
  'body/size/width': { units: ['m'], keep: 'typ' },
  'body/size/height': { units: ['m'], keep: 'typ' },
} as const satisfies FigureTable;
