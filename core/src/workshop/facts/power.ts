/** What feeds the part, what it gives on, and what it switches. */
import { STAGES } from '../../card/power.ts';
import { FLAG, type FactTable, ID, MARK, choice, figure, number, whole, words } from './kind.ts';

const A = figure('A');
const STAGE_ROWS = { name: choice(STAGES), current: A, time: figure('s') } as const;
const CLOCK_ROWS = { frequency: number('Hz'), idle: A, active: A } as const;
const PLUG = choice(['B', 'C', 'micro-B', 'mini-B']);

export const POWER = {
  supplies: { rows: { id: ID, terminal: ID } },
  'supplies/*/current/duty': { form: number('share') },
  'supplies/*/current/stages': { rows: STAGE_ROWS },
  'supplies/*/current/clocks': { rows: CLOCK_ROWS },
  rails: { rows: { id: ID, name: words(40), terminal: ID } },
  'rails/*/from/supply': { form: ID },
  'rails/*/from/by': { form: choice(['pass', 'linear', 'switching']) },
  'rails/*/from/efficiency': { form: number('share') },
  'rails/*/from/curve': { rows: { current: number('A'), share: number('share') } },
  'rails/*/switch/port': { form: ID },
  'rails/*/ownLoad/duty': { form: number('share') },
  'rails/*/ownLoad/stages': { rows: STAGE_ROWS },
  'rails/*/ownLoad/clocks': { rows: CLOCK_ROWS },
  'rails/*/cells/chemistry': { form: choice(['primary', 'rechargeable', 'lithium']) },
  'rails/*/cells/count': { form: whole(1, 100) },
  'rails/*/cells/curve': { rows: { used: number('share'), volts: number('V') } },
  'rails/*/cells/cold/at': { form: number('°C') },
  'rails/*/cells/cold/share': { form: number('share') },
  'driver/terminal': { form: ID },
  'driver/diodeFitted': { form: FLAG },
  'contact/common': { form: ID },
  'contact/open': { form: ID },
  'contact/closed': { form: ID },
  outlet: { form: MARK },
  'outlet/plug': { form: PLUG },
  'charger/from': { form: ID },
  'charger/into': { form: ID },
  'charger/shares': { form: FLAG },
  'charger/feelsCold': { form: FLAG },
  'backup/cell': { form: choice(['primary', 'rechargeable']) },
  'backup/charges': { form: FLAG },
} as const satisfies FactTable;
