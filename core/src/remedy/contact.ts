/** Something on a contact that switches nothing, a contact or driver for a load that nothing switches. */
import { buyingOf } from '../buy/currency.ts';
import { switchesElse } from '../check/drive-contact.ts';
import { takesLeads } from '../circuit/cable.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { onContact } from '../circuit/contact.ts';
import { freePinsFor } from '../circuit/free-pins.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import { cheapestFirst } from '../buy/cost.ts';
import { addHelper, changePort, freeId, newPart, setPin } from '../plan/edits.ts';
import { removePart } from '../plan/remove.ts';
import type { PartChoice, Plan } from '../plan/plan.ts';
import { within } from '../quantity/interval.ts';
import type { Candidate, Context, Proposer } from './remedy.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyContactSays {
  readonly putDiodeAcross: { part: Text };
  readonly switchContact: { load: Text; part: Text };
  readonly leaveOut: { part: Text };
  readonly words: { load: Text; node: Text };
  readonly switchWith: { load: Text; card: Text };
}

const tell = tells<RemedyContactSays>('remedy/contact');

interface Coil {
  readonly load: PartNode;
  readonly port: string;
}

/** Loads that a driver or contact might switch. */
const coils = (circuit: Circuit): Coil[] =>
  [...circuit.parts.values()].flatMap((load) =>
    load.card.ports.flatMap((port) => (port.protocol === 'coil' ? [{ load, port: port.id }] : [])),
  );

const unswitched = (circuit: Circuit): Coil[] =>
  coils(circuit).filter(({ load, port }) => !circuit.parts.has(load.choice?.ports[port]?.driver ?? ''));

const on = (plan: Plan, { load, port }: Coil, driver: string): Plan =>
  changePort(plan, load.id, port, (choice) => ({ ...choice, driver }));

/** The cheapest diode across a load, where it is a coil and has none. */
function withDiode({ circuit, library }: Context, plan: Plan, { load, port }: Coil): Plan {
  const [diode] = cheapestFirst(
    [...library.values()].filter(({ kind }) => kind === 'diode'),
    buyingOf(plan),
  );
  const coil = load.card.ports.find(({ id }) => id === port)?.inductance;
  const has = circuit.plan.helpers.some((h) => h.kind === 'diode' && h.part === load.id);
  if (!diode || !coil || has) return plan;
  return addHelper(plan, { id: freeId(plan, `diode-${load.id}`), kind: 'diode', part: load.id, card: diode.id });
}

/** A load for an idle contact, or the relay out. */
export const contactRemedies: Proposer = (context): Candidate[] => {
  const { circuit, finding } = context;
  const [first = '', what] = finding.subjects;
  const part = circuit.parts.get(first);
  if (!part) return [];
  if (what === 'diode') {
    const coil = coils(circuit).find(({ load }) => load.id === first);
    const plan = coil && withDiode(context, circuit.plan, coil);
    return plan ? [{ id: `diode:${first}`, title: tell('putDiodeAcross', { part: part.label }), plan }] : [];
  }
  if (what !== 'contact') return [];
  return [
    ...unswitched(circuit).map((coil) => ({
      id: `contact:${part.id}:${coil.load.id}`,
      title: tell('switchContact', { load: coil.load.label, part: part.label }),
      plan: withDiode(context, on(circuit.plan, coil, part.id), coil),
    })),
    { id: `out:${part.id}`, title: tell('leaveOut', { part: part.label }), plan: removePart(circuit.plan, part.id) },
  ];
};

/** What switches a load that nothing switches: a relay or driver of the plan, else one more, on a free pin and a rail that suits. */
export const switchRemedies: Proposer = (context): Candidate[] => {
  const { circuit, finding, library } = context;
  const { part: id, own: port = '' } = parseRef(finding.subjects[0]);
  const coil = unswitched(circuit).find((c) => c.load.id === id && c.port === port);
  if (!coil) return [];
  const busy = new Set(
    circuit.plan.parts.flatMap(({ ports }) => Object.values(ports).flatMap(({ driver }) => driver ?? [])),
  );
  const idle = [...circuit.parts.values()].filter(
    ({ id: own, card, choice }) =>
      !busy.has(own) &&
      (card.driver !== undefined ||
        (card.contact !== undefined &&
          onContact(circuit, own).length === 0 &&
          !switchesElse(circuit, choice?.needs ?? []))),
  );
  const cards = cheapestFirst([...library.values()], buyingOf(circuit.plan)).filter(
    ({ driver, contact }) => driver !== undefined || contact !== undefined,
  );
  return [
    ...idle.map((node) => ({
      id: `driver:${id}:${node.id}`,
      title: tell('words', { load: coil.load.label, node: node.label }),
      plan: withDiode(context, on(circuit.plan, coil, node.id), coil),
    })),
    ...cards.flatMap((card) => oneMore(context, coil, card)),
  ];
};

function oneMore(context: Context, coil: Coil, card: Card): Candidate[] {
  const { circuit } = context;
  const { plan } = circuit;
  const id = freeId(plan, `driver-${coil.load.id}`);
  const [port] = card.ports;
  const line = Object.keys(port?.lines ?? {})[0];
  const [pin] = freePinsFor(circuit, { ask: 'out' });
  if (!port || line === undefined || pin === undefined) return [];
  const feeds = card.supplies.map((supply) => {
    const rail = [...circuit.rails.values()].find(
      (r) =>
        r.voltage &&
        !r.pin &&
        r.switches.length === 0 &&
        takesLeads(circuit, r) &&
        within(r.voltage, toInterval(supply.range)),
    );
    return rail ? ([supply.id, rail.ref] as const) : null;
  });
  if (feeds.some((feed) => feed === null)) return [];
  const fed = Object.fromEntries(feeds.flatMap((feed) => (feed ? [feed] : [])));
  const part: PartChoice = {
    ...newPart(plan, card, id, card.name, fed),
    ports: { [port.id]: { lines: { [line]: { pin: null, locked: false } } } },
  };
  const added = setPin({ ...plan, parts: [...plan.parts, part] }, keyOf(id, port.id), line, { pin, locked: false });
  const driven = on(added, coil, id);
  return [
    {
      id: `driver:${coil.load.id}:${card.id}`,
      title: tell('switchWith', { load: coil.load.label, card: card.name }),
      plan: card.driver?.diodeFitted ? driven : withDiode(context, driven, coil),
    },
  ];
}
