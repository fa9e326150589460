import { legsIn } from '../plan/helpers.ts';
import type { Supply } from '../card/card-shape.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { contactLoads, onContact, type ContactLoad } from '../circuit/contact.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';
import { both, overAll, overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface DriveContactSays {
  readonly currentMoment: null;
  readonly voltageIs: null;
  readonly currentIs: null;
  readonly broken: { load: Text; relay: Text; what: Text; at: Quantity; most: Quantity };
  readonly whileRelayOff: null;
  readonly whileRelay: null;
  readonly holds: {
    relay: Text;
    load: Text;
    closed: Text;
    volts: Quantity;
    mostVolts: Quantity;
    amps: Quantity;
    mostAmps: Quantity;
  };
  readonly meaning: null;
  readonly voltage: null;
  readonly direct: { volts: Quantity; mostVolts: Quantity };
  readonly current: null;
  readonly words: { amps: Quantity; rated: Quantity; derating: number };
  readonly moment: null;
  readonly surgeOf: { surge: Quantity; mostSurge: Quantity };
  readonly diode: { load: Text };
  readonly coilOrMotorContact: { load: Text };
  readonly contactsDieArcsSome: null;
  readonly elsewhere: { relay: Text; names: readonly Text[] };
  readonly nothingHangsContactClicks: { relay: Text };
  readonly relayBoughtContact: null;
  readonly oneContactGoOff: { loads: readonly Text[]; relay: Text };
  readonly oneRelayOneSwitch: null;
}

const tell = tells<DriveContactSays>('drive/contact');

const meta = {
  id: 'drive/contact',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: [
    'contact/alternating/current',
    'contact/alternating/voltage',
    'contact/direct/current',
    'contact/direct/voltage',
    'contact/inrush',
    'ports/*/inductance',
    'supplies/*/current/active',
  ],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V');
const A = (x: number) => quantityOf(x, 'A');

/** True for a part that serves a need for switching: what hangs on its contact is the maker's word. */
export const switchesElse = (circuit: Circuit, needs: readonly string[]): boolean =>
  circuit.plan.needs.some(
    (need) =>
      needs.includes(need.id) && need.kind !== 'sense' && need.kind !== 'trigger' && need.service === 'switching',
  );

/** What a contact is asked for, and what it may switch. */
interface Rated {
  readonly volts: number;
  readonly mostVolts: number;
  readonly amps: number;
  /** Of its card. */
  readonly rated: number;
  readonly mostAmps: number;
  readonly surge: number;
  readonly mostSurge: number;
}

function ratingOf(circuit: Circuit, { load, contact, supply }: ContactLoad, own: Supply): Rated {
  const feed = circuit.feeds.get(keyOf(load.id, supply));
  const amps = toInterval(own.current.active).max;
  const rated = toInterval(contact.direct.current).min;
  return {
    volts: feed?.voltage?.max ?? toInterval(own.range).max,
    mostVolts: toInterval(contact.direct.voltage).max,
    amps,
    rated,
    mostAmps: rated * circuit.plan.rules.derating,
    surge: Math.max(amps, own.current.peak ? toInterval(own.current.peak).max : 0),
    mostSurge: contact.inrush ? toInterval(contact.inrush).min : rated,
  };
}

function rated(circuit: Circuit, found: ContactLoad): Result[] {
  const { load, relay, contact, supply, closed } = found;
  const own = load.card.supplies.find(({ id }) => id === supply);
  if (!own) return [];
  const { derating } = circuit.plan.rules;
  const of = ratingOf(circuit, found, own);
  const { volts, mostVolts, amps, mostAmps, surge, mostSurge } = of;
  const lines = [
    { harms: true, what: tell('voltageIs'), at: volts, most: mostVolts, unit: 'V' },
    { harms: false, what: tell('currentIs'), at: amps, most: mostAmps, unit: 'A' },
    { harms: false, what: tell('currentMoment'), at: surge, most: mostSurge, unit: 'A' },
  ] as const;
  const [tightest] = lines.toSorted((a, b) => (a.most - a.at) / a.most - (b.most - b.at) / b.most);
  if (!tightest) return [];
  const { at, most, unit } = tightest;
  const names = { load: load.label, relay: relay.label };
  return [
    result(circuit, meta, {
      subjects: [relay.id, load.id],
      severity: at > most ? (tightest.harms ? 'danger' : 'fault') : null,
      measured: at,
      limit: most,
      unit,
      margin: most - at,
      message:
        at > most
          ? tell('broken', { ...names, what: tightest.what, at: quantityOf(at, unit), most: quantityOf(most, unit) })
          : tell('holds', {
              ...names,
              closed: closed ? tell('whileRelayOff') : tell('whileRelay'),
              volts: V(volts),
              mostVolts: V(mostVolts),
              amps: A(amps),
              mostAmps: A(mostAmps),
            }),
      meaning: tell('meaning'),
      workings: ratingWorkings(of, derating),
      rests: [
        [relay.card.id, contact.direct.current.source],
        [load.card.id, own.current.active.source],
      ],
    }),
    ...arc(circuit, found),
  ];
}

const ratingWorkings = (
  { volts, mostVolts, amps, rated: plain, surge, mostSurge }: Rated,
  derating: number,
): Result['workings'] => [
  { name: tell('voltage'), sum: tell('direct', { volts: V(volts), mostVolts: V(mostVolts) }), value: volts, unit: 'V' },
  { name: tell('current'), sum: tell('words', { amps: A(amps), rated: A(plain), derating }), value: amps, unit: 'A' },
  { name: tell('moment'), sum: tell('surgeOf', { surge: A(surge), mostSurge: A(mostSurge) }), value: surge, unit: 'A' },
];

/** A coil or motor on a contact draws an arc when it opens, unless a diode takes the current over. */
function arc(circuit: Circuit, { load, port }: ContactLoad): Result[] {
  const inductance = load.card.ports.find(({ id }) => id === port)?.inductance;
  if (!inductance) return [];
  const diode = legsIn(circuit.plan, 'coil-diode').some((leg) => leg.part === load.id);
  return [
    result(circuit, meta, {
      subjects: [load.id],
      aspect: 'diode',
      severity: diode ? null : 'caution',
      message: diode ? tell('diode', { load: load.label }) : tell('coilOrMotorContact', { load: load.label }),
      meaning: tell('contactsDieArcsSome'),
      rests: [[load.card.id, inductance.source]],
    }),
  ];
}

function idle(circuit: Circuit, relay: PartNode): Result[] {
  if (onContact(circuit, relay.id).length > 0) return [];
  const elsewhere = switchesElse(circuit, relay.choice?.needs ?? []);
  const names = circuit.plan.needs.flatMap((need) =>
    relay.choice?.needs.includes(need.id) && 'what' in need ? [need.what] : [],
  );
  return [
    result(circuit, meta, {
      subjects: [relay.id],
      aspect: 'contact',
      severity: elsewhere ? 'note' : 'fault',
      measured: 0,
      limit: 1,
      unit: 'loads',
      margin: -1,
      ranked: false,
      message: elsewhere
        ? tell('elsewhere', { relay: relay.label, names })
        : tell('nothingHangsContactClicks', { relay: relay.label }),
      meaning: tell('relayBoughtContact'),
      rests: [[relay.card.id, relay.card.contact?.source]],
    }),
  ];
}

/** Two loads on one contact go on and off together. */
const doubled = (circuit: Circuit, relay: PartNode): Result[] => {
  const loads = onContact(circuit, relay.id);
  if (loads.length < 2) return [];
  return [
    result(circuit, meta, {
      subjects: [relay.id],
      aspect: 'together',
      severity: 'caution',
      message: tell('oneContactGoOff', { loads: loads.map(({ load }) => load.label), relay: relay.label }),
      meaning: tell('oneRelayOneSwitch'),
    }),
  ];
};

export const driveContact = {
  meta,
  ...both(
    overAll((circuit) => contactLoads(circuit.parts.values()).flatMap((found) => rated(circuit, found))),
    overParts((circuit, part) =>
      part.card.contact && part.choice ? [...idle(circuit, part), ...doubled(circuit, part)] : [],
    ),
  ),
} satisfies Check;
