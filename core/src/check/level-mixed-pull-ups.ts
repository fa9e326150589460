import type { Circuit, Net, NetEnd } from '../circuit/model.ts';
import { levelAt } from '../circuit/level.ts';
import { corner, lineNetwork } from '../physics/line.ts';
import { allPullUps, highestRest, pullsToSeveralRails, type Fed } from '../physics/node.ts';
import { operatingPoint } from '../physics/operating-point.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';
import { quantityOf, tells, type Quantity, type Text, type Sum } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface LevelMixedPullUpsSays {
  readonly flowsFromRailInto: { amps: Quantity; voltage: Quantity; otherVoltage: Quantity };
  readonly pullUp: { p: Text };
  readonly to: { voltage: Quantity };
  readonly highest: { net: Text };
  readonly stands: { end: Text };
  readonly intoLowerRail: null;
  readonly throughPullUpsProtection: null;
  readonly pullUpLiftsStands: { top: Text; net: Text; rest: Quantity; end: Text; stands: Quantity; others: number };
  readonly apart: { net: Text; rest: Quantity; flows: Text };
  readonly holds: { net: Text; rest: Quantity };
  readonly meaning: null;
}

const tell = tells<LevelMixedPullUpsSays>('level/mixed-pull-ups');

const meta = {
  id: 'level/mixed-pull-ups',
  station: 'levels',
  breaks: 'danger',
  scope: 'part',
  answeredBy: 'rest',
  reads: ['controller/io/absoluteMax', 'signals/*/absoluteMax', 'signals/*/fittedPullUp/value'],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V', 3);
/** Rails further apart than this share of the higher one are two voltages, not two regulators of one. */
const APART = 0.08;

interface Victim {
  readonly end: NetEnd;
  readonly stands: number;
  readonly sum: Sum;
}

/** What each terminal stands, its supply at its lowest, the least first. */
function victims(net: Net): Victim[] {
  return net.ends
    .flatMap((end): Victim[] => {
      const level = end.levels.absoluteMax;
      const supply = end.power.voltage;
      if (!level || !supply) return [];
      const { volts, sum } = levelAt(level, 'max', supply.min - end.power.drop);
      return [{ end, stands: volts, sum }];
    })
    .sort((a, b) => a.stands - b.stands);
}

/** Current into the lower rails, through their pull-ups and the protection diodes of parts on them, A. */
function intoLower(net: Net, top: Fed): number {
  const line = { nets: [net], junctions: [] };
  const { network, node, rail } = lineNetwork(line, corner('max', 'min', 'typ', 1, 0));
  const volts = operatingPoint(network);
  const from = rail.get(top.root);
  const at = volts[node.get(net.id) ?? 0] ?? 0;
  // What comes down from the highest rail leaves into the others.
  return network.resistors
    .filter(({ a }) => a === from)
    .reduce((sum, { a, ohms }) => sum + ((volts[a] ?? 0) - at) / ohms, 0);
}

function judge(circuit: Circuit, net: Net): Result[] {
  const rest = pullsToSeveralRails(net) ? highestRest(net) : null;
  if (!rest) return [];
  const pulls = allPullUps(net).toSorted((a, b) => b.voltage.typ - a.voltage.typ);
  const [top, bottom] = [pulls[0], pulls.at(-1)];
  if (!top || !bottom) return [];
  const all = victims(net);
  const [worst] = all;
  const hurt = all.filter(({ stands }) => rest.volts > stands + 1e-9);
  const apart = (top.voltage.typ - bottom.voltage.typ) / top.voltage.typ > APART;
  const amps = apart ? intoLower(net, top) : 0;
  const flows = tell('flowsFromRailInto', {
    amps: quantityOf(amps, 'A', 2),
    voltage: V(top.voltage.typ),
    otherVoltage: V(bottom.voltage.typ),
  });
  const workings: Step[] = [
    ...pulls.map((p) => ({
      name: tell('pullUp', { p: p.label }),
      sum: tell('to', { voltage: V(p.voltage.max) }),
      value: p.ohms.typ,
      unit: 'Ω',
    })),
    { name: tell('highest', { net: net.label }), sum: rest.sum, value: rest.volts, unit: 'V' },
  ];
  if (worst)
    workings.push({ name: tell('stands', { end: worst.end.label }), sum: worst.sum, value: worst.stands, unit: 'V' });
  if (apart)
    workings.push({
      name: tell('intoLowerRail'),
      sum: tell('throughPullUpsProtection'),
      value: amps,
      unit: 'A',
    });
  const margin = worst ? worst.stands - rest.volts : null;
  return [
    result(circuit, meta, {
      subjects: [net.id, ...hurt.map(({ end }) => keyOf(end.part, end.signal))],
      keyed: [net.id],
      severity: hurt.length > 0 ? 'danger' : apart ? 'caution' : null,
      measured: rest.volts,
      limit: worst?.stands ?? null,
      unit: 'V',
      margin,
      message:
        hurt.length > 0 && worst
          ? tell('pullUpLiftsStands', {
              top: top.label,
              net: net.label,
              rest: V(rest.volts),
              end: worst.end.label,
              stands: V(worst.stands),
              others: hurt.length - 1,
            })
          : apart
            ? tell('apart', { net: net.label, rest: V(rest.volts), flows })
            : tell('holds', { net: net.label, rest: V(rest.volts) }),
      meaning: tell('meaning'),
      workings,
      rests: [
        worst ? [worst.end.card, worst.end.levels.absoluteMax?.source] : null,
        ...pulls.map(({ figure }) => (figure ? ([figure.card, figure.source] as const) : null)),
      ],
    }),
  ];
}

export const levelMixedPullUps = {
  meta,
  ...overNets(judge),
} satisfies Check;
