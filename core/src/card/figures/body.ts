/** Figures of what a card is as a thing. */
import { CELSIUS, type FigureTable, once, SECOND } from './kind.ts';

export const BODY = {
  'body/ambient': {
    units: CELSIUS,
    slot: { id: 'body.ambient', from: -100, to: 300, into: once },
    missed: once,
    asks: ['body/ambient'],
  },
  'body/wear/life': { units: SECOND, asks: ['body/wear'] },
  'body/size/length': { units: ['m'], keep: 'typ', slot: { id: 'body.size', from: 1e-4, to: 2, into: once }, asks: [] },
  'body/size/width': { units: ['m'], keep: 'typ', asks: ['body/clearance'] },
  'body/size/height': { units: ['m'], keep: 'typ', asks: ['body/clearance'] },
} as const satisfies FigureTable;
