import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { contactLoads, onContact, type ContactLoad } from '../circuit/contact.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'drive/contact',
  title: 'Contacts switch what they may, and every contact switches something',
  station: 'pins',
  rule: 'Voltage of the load’s rail ≤ the contact’s for direct current; its current ≤ the contact’s × the derating; its highest for a moment ≤ the inrush that the contact carries. A coil on a contact has a diode. A contact of the plan switches a load of it, or serves a need for switching, whose load the plan does not know.',
  source: 'the cards; the diode is common practice',
  breaks: 'fault',
};

const V = (x: number) => formatQuantity(x, 'V');
const A = (x: number) => formatQuantity(x, 'A');

/** True for a part that serves a need for switching: what hangs on its contact is the maker's word. */
export const switchesElse = (circuit: Circuit, needs: readonly string[]): boolean =>
  circuit.plan.needs.some(
    (need) =>
      needs.includes(need.id) && need.kind !== 'sense' && need.kind !== 'trigger' && need.service === 'switching',
  );

function rated(circuit: Circuit, found: ContactLoad): Result[] {
  const { load, relay, contact, supply, port, closed } = found;
  const feed = circuit.feeds.get(`${load.id}.${supply}`);
  const own = load.card.supplies.find(({ id }) => id === supply);
  if (!own) return [];
  const { derating } = circuit.plan.rules;
  const volts = feed?.voltage?.max ?? toInterval(own.range).max;
  const amps = toInterval(own.current.active).max;
  const surge = Math.max(amps, own.current.peak ? toInterval(own.current.peak).max : 0);
  const [mostVolts, rated] = [toInterval(contact.direct.voltage).max, toInterval(contact.direct.current).min];
  const mostAmps = rated * derating;
  const mostSurge = contact.inrush ? toInterval(contact.inrush).min : rated;
  const lines = [
    { what: 'voltage', at: volts, most: mostVolts, unit: 'V' },
    { what: 'current', at: amps, most: mostAmps, unit: 'A' },
    { what: 'current for a moment', at: surge, most: mostSurge, unit: 'A' },
  ] as const;
  const [tightest] = lines.toSorted((a, b) => (a.most - a.at) / a.most - (b.most - b.at) / b.most);
  if (!tightest) return [];
  const broken = tightest.at > tightest.most;
  const say = (x: number) => formatQuantity(x, tightest.unit);
  const rests = [
    [relay.card.id, contact.direct.current.source],
    [load.card.id, own.current.active.source],
  ] as const;
  const inductance = load.card.ports.find(({ id }) => id === port)?.inductance;
  const diode = circuit.plan.helpers.some((h) => h.kind === 'diode' && h.part === load.id);
  return [
    result(circuit, meta, {
      subjects: [relay.id, load.id],
      severity: broken ? (tightest.what === 'voltage' ? 'danger' : 'fault') : null,
      measured: tightest.at,
      limit: tightest.most,
      unit: tightest.unit,
      margin: tightest.most - tightest.at,
      message: broken
        ? `${load.label} asks the contact of ${relay.label} for a ${tightest.what} of ${say(tightest.at)}; ${say(tightest.most)} is the most. It welds or burns.`
        : `The contact of ${relay.label} switches ${load.label}, ${closed ? 'on while the relay is off' : 'on while the relay is on'}: ${V(volts)} of ${V(mostVolts)}, ${A(amps)} of ${A(mostAmps)} direct.`,
      meaning: 'A contact may carry far less direct current than alternating: its arc does not go out by itself.',
      workings: [
        { name: 'voltage', sum: `${V(volts)} of ${V(mostVolts)} direct`, value: volts, unit: 'V' },
        { name: 'current', sum: `${A(amps)} of ${A(rated)} × ${derating}`, value: amps, unit: 'A' },
        { name: 'for a moment', sum: `${A(surge)} of ${A(mostSurge)}`, value: surge, unit: 'A' },
      ],
      rests,
    }),
    ...(inductance
      ? [
          result(circuit, meta, {
            subjects: [load.id, 'diode'],
            severity: diode ? null : 'caution',
            message: diode
              ? `The diode takes over what the coil of ${load.label} drives on when the contact opens.`
              : `${load.label} is a coil or motor on a contact and has no diode; each opening draws an arc that wears the contact.`,
            meaning: 'Contacts die of arcs, some hundred thousand switchings early.',
            rests: [[load.card.id, inductance.source]],
          }),
        ]
      : []),
  ];
}

function idle(circuit: Circuit, relay: PartNode): Result[] {
  if (onContact(circuit, relay.id).length > 0) return [];
  const elsewhere = switchesElse(circuit, relay.choice?.needs ?? []);
  const names = circuit.plan.needs
    .flatMap((need) => (relay.choice?.needs.includes(need.id) && 'what' in need ? [need.what] : []))
    .join(' and ');
  return [
    result(circuit, meta, {
      subjects: [relay.id, 'contact'],
      severity: elsewhere ? 'note' : 'fault',
      measured: 0,
      limit: 1,
      unit: 'loads',
      margin: -1,
      ranked: false,
      message: elsewhere
        ? `What hangs on the contact of ${relay.label} (${names}) is not part of the plan: its rating is yours to hold, and mains is for a licensed electrician.`
        : `Nothing hangs on the contact of ${relay.label}: it clicks and switches nothing.`,
      meaning: 'A relay is bought for its contact.',
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
      subjects: [relay.id, 'together'],
      severity: 'caution',
      message: `${loads.map(({ load }) => load.label).join(' and ')} are on one contact of ${relay.label} and go on and off together.`,
      meaning: 'One relay is one switch.',
    }),
  ];
};

export const driveContact: Check = {
  meta,
  run: (circuit) => [
    ...contactLoads(circuit.parts.values()).flatMap((found) => rated(circuit, found)),
    ...[...circuit.parts.values()].flatMap((part) =>
      part.card.contact && part.choice ? [...idle(circuit, part), ...doubled(circuit, part)] : [],
    ),
  ],
};
