/** What the part is, what is printed on it, and how it stands. */
import { EVIDENCE } from '../../card/evidence.ts';
import { FREE_NEEDS, DISPLAYS, HAZARDS, HEADER_KINDS, LEAD_ENDS, SERVICES, WATER } from '../../card/kinds.ts';
import { FLAG, type FactTable, ID, LIST, MANY, choice, count, number, several, whole, words } from './kind.ts';

/** All pins of all headers, in their order. */
const TERMINAL_ROWS = {
  label: words(24),
  names: LIST,
  header: ID,
  position: whole(1, 200),
  role: choice(['supply', 'ground', 'signal', 'contact', 'unused']),
  id: ID,
  'lead/colour': words(24),
  'lead/length': number('m'),
  'open/rests': choice(['low', 'high', 'nowhere']),
} as const;

export const SHAPE = {
  name: { form: words(80) },
  class: { form: words(120) },
  kind: {
    form: choice([
      'module',
      'source',
      'regulator',
      'resistor',
      'switch',
      'joint',
      'controller',
      'carrier',
      'driver',
      'diode',
      'translator',
      'board',
      'capacitor',
      'leads',
      'cable',
    ]),
  },
  headers: {
    rows: {
      id: ID,
      kind: choice(HEADER_KINDS),
      rows: whole(1, 4),
      pitch: number('m'),
      across: number('m'),
    },
  },
  terminals: { rows: TERMINAL_ROWS },
  mount: { form: choice(['breadboard', 'loose', 'leads']) },
  serves: { form: several(SERVICES) },
  'display/columns': { form: whole(1, 4096) },
  'display/rows': { form: whole(1, 4096) },
  'display/of': { form: choice(DISPLAYS) },
  'body/water/rating': { form: choice(WATER) },
  'body/socket/end': { form: choice(['first', 'last']) },
  'body/free/needs': { form: several(FREE_NEEDS) },
  'body/wear/says': { form: words(160) },
  cautions: { rows: { hazard: choice(HAZARDS), says: words(400) } },
  offers: {
    rows: {
      supplier: words(60),
      price: number('1'),
      currency: words(3),
      pack: MANY,
      shipping: number('1'),
      freeFrom: number('1'),
      leadDays: number('1'),
      duds: number('share'),
      soldering: FLAG,
    },
  },
  besides: { rows: { place: words(160), says: words(80), kind: choice(EVIDENCE), from: words(200) } },
  'board/rows': { form: whole(5, 200) },
  'board/pairs': { form: count(0, 1, 2) },
  'board/split': { form: FLAG },
  'capacitor/farads': { form: number('F') },
  'capacitor/polar': { form: FLAG },
  'lead/ends': { form: several(LEAD_ENDS) },
  'lead/length': { form: number('m') },
  'lead/colours': { form: LIST },
  'cable/plug': { form: choice(['B', 'C', 'micro-B', 'mini-B']) },
  'cable/length': { form: number('m') },
  'cable/gauge': { form: whole(18, 32) },
  'assortment/series': { form: choice(['E6', 'E12', 'E24', 'E96']) },
  'assortment/each': { form: MANY },
  'assortment/from': { form: number('Ω') },
  'assortment/to': { form: number('Ω') },
  'assortment/tolerance': { form: number('share') },
} as const satisfies FactTable;

/** Closed lists behind answers that take several. */
