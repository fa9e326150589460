/** A drawing for each class of part: what one sees on the table, in strokes on a field of 48 by 32. */
import type { ClassId } from '@idle-breadboard/core/workshop';

/** Pins along the lower edge of a breakout. */
const PINS = (...at: readonly number[]) => at.map((x) => `M${x} 26v4`).join('');
const BREAKOUT = 'M10 6h28v20H10z';

export const CLASS_DRAWINGS: Readonly<Record<ClassId, string>> = {
  'bus-sensor': `${BREAKOUT}${PINS(15, 21, 27, 33)}M20 10h8v8h-8zM22 12h4v4h-4z`,
  'one-wire-probe': 'M4 16h10v-3h14v6H14v-3M28 14q8-6 16-6M28 16h16M28 18q8 6 16 6',
  'analog-sensor': `${BREAKOUT}${PINS(18, 24, 30)}M14 19q4-12 8 0t8 0`,
  'resistive-element': 'M4 28v-8q0-4 4-4h6M44 28v-8q0-4-4-4h-6M14 12h20v8H14zM17 23l14-14',
  'pulse-sensor': `${BREAKOUT}${PINS(18, 24, 30)}M13 18h4v-7h5v7h5v-7h5v7h3`,
  contact: 'M6 20h10M32 20h10M16 20l15-9M16 18v4M32 18v4M24 3v7',
  light: 'M16 16a8 8 0 0 1 16 0v6H16zM20 22v8M28 22v6M34 8l4-4M36 13h6M14 8l-4-4',
  sounder:
    'M24 16m-9 0a9 9 0 1 0 18 0a9 9 0 1 0-18 0M24 16m-2 0a2 2 0 1 0 4 0a2 2 0 1 0-4 0M37 10q3 6 0 12M41 7q5 9 0 18',
  load: 'M24 16m-11 0a11 11 0 1 0 22 0a11 11 0 1 0-22 0M24 16q-2-9 4-8t-4 8q9-2 8 4t-8-4q2 9-4 8t4-8q-9 2-8-4t8 4',
  relay: 'M6 5h20v22H6zM9 9h14M9 13h14M9 17h14M9 21h14M30 22h6M36 22l6-9M30 9h12',
  driver: 'M24 16m-11 0a11 11 0 1 0 22 0a11 11 0 1 0-22 0M8 16h11M19 9v14M19 13l8-6v-5M19 19l8 6v5',
  display: 'M5 5h38v20H5zM9 9h30v12H9zM12 13h10M12 17h16M15 25v5M21 25v5M27 25v5M33 25v5',
  controller:
    'M4 7h40v18H4zM18 11h12v10H18zM7 7V3M12 7V3M17 7V3M22 7V3M27 7V3M32 7V3M37 7V3M7 25v4M12 25v4M17 25v4M22 25v4M27 25v4M32 25v4M37 25v4M44 12h-4v8h4',
  carrier: 'M3 4h42v24H3zM9 9h30v3H9zM9 20h30v3H9zM6 16h2M40 16h2',
  'terminal-adapter':
    'M12 4h24v14H12zM18 11m-3 0a3 3 0 1 0 6 0a3 3 0 1 0-6 0M30 11m-3 0a3 3 0 1 0 6 0a3 3 0 1 0-6 0M16 9l4 4M28 9l4 4M18 18v11M30 18v11',
  translator: 'M10 4h28v24H10zM4 10h12M4 22h12M32 10h12M32 22h12M18 10h12M27 7l3 3-3 3M30 22H18M21 19l-3 3 3 3',
  'bus-switch': 'M14 4h20v24H14zM4 16h14M18 16l12-8h14M30 16h14M30 24h14',
  regulator: 'M12 5h24v13H12zM10 18h28M17 18v11M24 18v11M31 18v11M24 11m-3 0a3 3 0 1 0 6 0a3 3 0 1 0-6 0',
  cells: 'M5 9h36v14H5zM41 13h3v6h-3M17 9v14M29 9v14M9 16h4M11 14v4M21 16h4M23 14v4M33 16h4M35 14v4',
  adapter: 'M6 6h16v20H6zM2 11h4M2 21h4M22 16q10 0 10-6t8-6M40 2h4v4h-4z',
  cable: 'M3 12h9v8H3zM12 14h4v4h-4M16 16q8-12 16 0M32 14h4v4h-4M36 11h9v10h-9z',
  radio:
    'M14 14h20v14H14zM24 14V6M24 6m-2 0a2 2 0 1 0 4 0a2 2 0 1 0-4 0M17 9q-3-3 0-7M31 9q3-3 0-7M13 11q-5-6 0-11M35 11q5-6 0-11',
  clock: 'M24 16m-12 0a12 12 0 1 0 24 0a12 12 0 1 0-24 0M24 8v8l6 4',
  board:
    'M3 3h42v26H3zM3 16h42M7 7h.1M12 7h.1M17 7h.1M22 7h.1M27 7h.1M32 7h.1M37 7h.1M41 7h.1M7 11h.1M12 11h.1M17 11h.1M22 11h.1M27 11h.1M32 11h.1M37 11h.1M41 11h.1M7 21h.1M12 21h.1M17 21h.1M22 21h.1M27 21h.1M32 21h.1M37 21h.1M41 21h.1M7 25h.1M12 25h.1M17 25h.1M22 25h.1M27 25h.1M32 25h.1M37 25h.1M41 25h.1',
  leads: 'M4 8h6M10 8q14-6 28 0M38 8h6M4 16h6M10 16q14-6 28 0M38 16h6M4 24h6M10 24q14-6 28 0M38 24h6',
  assortment: 'M3 4h42v24H3zM17 4v24M31 4v24M3 16h42M7 10h6M21 10h6M35 10h6M7 22h6M21 22h6M35 22h6',
};
