/**
 * Everything that ships, used as a maker would begin: a need, a card that serves it, a board, something that feeds it, and
 * nothing wired. The needs are drawn from the cards alone and were written before the solver was asked.
 */
import type { Card } from '../../src/card/card.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { errorOver, shortestInterval } from '../../src/check/sense-error.ts';
import type { Front } from '../../src/physics/analog-chain.ts';
import { documentOf } from '../../src/plan/document.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import type { Need, PartChoice, Plan } from '../../src/plan/plan.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { complete } from '../../src/solve/complete/complete.ts';
import { cards, library } from './demo.ts';

/** A need asks for the middle of a card's range: nobody buys a part for its very ends. */
const MIDDLE = 0.5;
/** An accuracy that the part alone keeps twice over, on a converter without faults, and no finer than this share of the wanted span. */
const EASE = 2;
const COARSE = 0.15;
/** How long the build is meant to serve, as a new plan says. */
const YEARS = 2;
/** A converter that adds nothing, on the rail that feeds the part: what is left is the part, and its resistor. */
const IDEAL: Front = {
  adc: {
    bits: 24,
    reference: { typ: 3.3, unit: 'V', source: 'ideal' },
    error: { max: 0, unit: 'share', source: 'ideal' },
  },
  supply: 3.3,
  ratiometric: true,
  series: 'E12',
};
/** s: a reading a minute, or half as often as the part can. */
const EVERY = 60;

/** What a maker would want of a card: its first measure or service. Null for what serves no need. */
function needOf(card: Card): Need | null {
  const [measure] = card.measures;
  if (measure) {
    const { from, to } = measure.range;
    const margin = ((to - from) * (1 - MIDDLE)) / 2;
    const wanted = { from: from + margin, to: to - margin };
    const own = errorOver(card, measure, wanted, YEARS, IDEAL)?.total ?? 0;
    const slowest = Math.max(shortestInterval(measure).seconds, measure.warmUp?.max ?? measure.warmUp?.typ ?? 0);
    return {
      id: 'need',
      kind: 'sense',
      quantity: measure.quantity,
      unit: measure.unit,
      from: from + margin,
      to: to - margin,
      accuracy: Math.max(EASE * own, COARSE * (to - from) * MIDDLE),
      interval: Math.max(EVERY, 2 * slowest),
      place: 'bench',
    };
  }
  const [service] = card.serves ?? [];
  return service === undefined ? null : { id: 'need', kind: 'drive', what: service, place: 'bench', service };
}

const servingCards: readonly Card[] = cards.filter((card) => card.kind === 'module' && needOf(card) !== null);
export const controllerCards: readonly Card[] = cards.filter(({ kind }) => kind === 'controller');

type FeedKind = 'socket' | 'adapter' | 'cells';

const bare = (id: string, card: Card, label: string): PartChoice => ({
  id,
  card: card.id,
  label,
  needs: [],
  feeds: {},
  ports: {},
  opened: [],
});

export interface Cell {
  readonly name: string;
  readonly card: Card;
  readonly controller: Card;
  readonly source: Card;
  readonly by: FeedKind;
}

/** The plan of a cell: parts that lie on the table, and no wire. */
export function planOf({ card, controller, source }: Cell): Plan {
  const need = needOf(card);
  return {
    ...emptyPlan('matrix', 'matrix'),
    needs: need ? [need] : [],
    parts: [
      bare('source', source, source.name),
      bare('board', controller, controller.name),
      { ...bare('part', card, card.name), needs: ['need'] },
    ],
    controller: 'board',
    boards: ['board-full'],
    leads: ['leads-mm', 'leads-mf'],
    resistors: 'resistors-e12',
    joint: 'joint-lever',
  };
}

export const circuitOf = (cell: Cell): Circuit => deriveCircuit(documentOf(planOf(cell), [], library));

/** Which source each kind of feed is, by what the board asks for: chosen by hand, as at a counter. */
const ADAPTERS: Readonly<Record<string, string>> = {
  'board-8bit': 'adapter-9v',
  'linux-board': 'adapter-5v',
  'stick-board': 'adapter-5v',
  'stick-mini': 'adapter-5v',
  'wifi-board': 'adapter-5v',
};
/** Cells whose fresh voltage the board takes and whose usual one still feeds it. */
const CELLS: Readonly<Record<string, string>> = {
  'board-8bit': 'block-9v',
  'stick-board': 'cells-three',
  'stick-mini': 'cells-three',
};

/** A charger with an outlet; a board that draws amperes has one made for it. */
const CHARGERS: Readonly<Record<string, string>> = {
  'board-8bit': 'usb-adapter',
  'linux-board': 'adapter-5v1',
  'stick-board': 'usb-adapter',
  'stick-mini': 'usb-adapter',
  'wifi-board': 'usb-adapter',
};

const BY: Readonly<Record<FeedKind, Readonly<Record<string, string>>>> = {
  socket: CHARGERS,
  adapter: ADAPTERS,
  cells: CELLS,
};

const sourceOf = (controller: Card, by: FeedKind): Card | undefined => library.get(BY[by][controller.id] ?? '');

/** Every card that serves a need, on every board, fed in every way that fits. */
export const MATRIX: readonly Cell[] = servingCards.flatMap((card) =>
  controllerCards.flatMap((controller) =>
    (['socket', 'adapter', 'cells'] as const).flatMap((by): Cell[] => {
      const source = sourceOf(controller, by);
      return source ? [{ name: `${card.id} on ${controller.id} by ${by}`, card, controller, source, by }] : [];
    }),
  ),
);

/** A cell wired as far as it goes without the solver of parts: the board fed, the part put beside it by the house rules. */
export function wiredPlan(cell: Cell): Plan {
  const bare = planOf(cell);
  const derive = (plan: Plan) => deriveCircuit(documentOf(plan, [], library));
  const board: Plan = { ...bare, needs: [], parts: bare.parts.filter(({ id }) => id !== 'part') };
  const { plan } = complete(derive(board), library);
  return addPart(derive({ ...plan, needs: bare.needs }), library, cell.card, cell.card.name, ['need']).plan;
}
