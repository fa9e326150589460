/** Analog lines on a converter of their own, where the controller has none that will do. */
import { buyingOf } from '../buy/currency.ts';
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import type { Circuit, PinWish } from '../circuit/model.ts';
import { readBy } from '../circuit/converter.ts';
import { freeGroupPins } from '../circuit/free-pins.ts';
import { PORT_LINES } from '../card/protocol.ts';
import { cheapestFirst } from '../buy/cost.ts';
import { addEmptyBus, changePort, newPart, setPin } from '../plan/edits.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { addPullUps, logicRail } from './pull-up.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';
import { ownerOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyConverterSays {
  readonly a: { library: Text };
  readonly theConverter: null;
  readonly read: { lines: readonly Text[]; by: Text };
}

const tell = tells<RemedyConverterSays>('remedy/converter');

/** Input terminals of a converter in their order. */
const inputsOf = (card: Card): string[] =>
  (card.converter?.inputs ?? []).flatMap((id) => card.signals.find((s) => s.id === id)?.terminal ?? []);

/** The plan with a line on the input of a converter. */
function readOn(plan: Plan, of: string, line: string, on: string, input: string): Plan {
  const { part, own: port = '' } = parseRef(of);
  return changePort(plan, part, port, (choice) => ({
    ...choice,
    lines: { ...choice.lines, [line]: { pin: input, locked: false, on } },
  }));
}

/** A converter as it is bought: nothing is wired yet. */
const bareConverter = (plan: Plan, card: Card): PartChoice => newPart(plan, card, 'converter', card.name);

/**
 * The plan with each of the lines on an input of a converter: of those of the plan first, then of new ones.
 * @returns null where the library has no converter
 */
export function onConverters(
  circuit: Circuit,
  library: Library,
  lines: readonly Pick<PinWish, 'of' | 'line'>[],
): { plan: Plan; added: PartChoice[] } | null {
  const free: { on: string; input: string }[] = [...circuit.parts.values()].flatMap((part) => {
    const taken = readBy(circuit, part);
    return inputsOf(part.card).flatMap((input) => (taken.has(input) ? [] : [{ on: part.id, input }]));
  });
  const [card] = cheapestFirst(
    [...library.values()].filter(({ converter }) => converter),
    buyingOf(circuit.plan),
  );
  const added: PartChoice[] = [];
  let plan = circuit.plan;
  for (const { of, line } of lines) {
    if (free.length === 0 && card) {
      const part = bareConverter(plan, card);
      plan = { ...plan, parts: [...plan.parts, part] };
      added.push(part);
      free.push(...inputsOf(card).map((input) => ({ on: part.id, input })));
    }
    const at = free.shift();
    if (!at) return null;
    plan = readOn(plan, of, line, at.on, at.input);
  }
  return { plan, added };
}

/** A new converter on the first bus of its kind, at a free address, fed from the logic rail. */
function wired(circuit: Circuit, library: Library, plan: Plan, part: PartChoice): Plan {
  const card = library.get(part.card);
  const port = card?.ports.find(({ protocol }) => protocol === 'i2c');
  const [supply] = card?.supplies ?? [];
  const rail = logicRail(circuit);
  if (!card || !port || !supply || !rail) return plan;
  const own = circuit.buses.find(({ protocol, behind }) => protocol === 'i2c' && !behind);
  let next = plan;
  let bus = own?.id;
  if (bus === undefined) {
    const made = addEmptyBus(next, 'i2c');
    next = made.plan;
    bus = made.bus;
    const lines = Object.entries(PORT_LINES.i2c).map(([line, ask]) => ({ line, ask }));
    for (const [line, pin] of Object.entries(freeGroupPins(circuit, lines, null) ?? {}))
      next = setPin(next, made.bus, line, { pin, locked: false });
  }
  const busy = new Set(own?.members.flatMap(({ address }) => address ?? []));
  const address = port.addresses?.find(({ value }) => !busy.has(value))?.value;
  const jumpers = card.signals.flatMap(({ id, fittedPullUp }) => (fittedPullUp?.removable === 'jumper' ? [id] : []));
  const choice: PartChoice = {
    ...part,
    feeds: { [supply.id]: rail },
    ports: { [port.id]: { bus, ...(address === undefined ? {} : { address }) } },
    opened: jumpers,
  };
  next = { ...next, parts: next.parts.map((p) => (p.id === part.id ? choice : p)) };
  return addPullUps({ ...circuit, cards: new Map([...circuit.cards, [card.id, card]]) }, next, bus);
}

/** The analog lines that a finding is about. */
function linesOf(circuit: Circuit, subjects: readonly string[]): PinWish[] {
  return circuit.wishes.filter(
    ({ id, of, ask }) => ask === 'adc' && (subjects.includes(id) || subjects.includes(ownerOf(of))),
  );
}

/** Read by a converter of the plan, or by one more. */
export const converterRemedies: Proposer = ({ circuit, finding, library }): Candidate[] => {
  const lines = linesOf(circuit, finding.subjects);
  if (lines.length === 0) return [];
  const made = onConverters(circuit, library, lines);
  if (!made) return [];
  const plan = made.added.reduce((p, part) => wired(circuit, library, p, part), made.plan);
  const by = made.added[0] ? tell('a', { library: library.get(made.added[0].card)?.name ?? '' }) : tell('theConverter');
  return [
    {
      id: `converter:${lines.map(({ id }) => id).join('+')}`,
      title: tell('read', { lines: lines.map(({ label }) => label), by }),
      plan,
    },
  ];
};
