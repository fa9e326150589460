import type { Circuit, Net, NetEnd } from '../circuit/circuit.ts';
import { levelAt } from '../circuit/level.ts';
import { corner, lineNetwork } from '../physics/line.ts';
import { allPullUps, highestRest, pullsToSeveralRails, type Fed } from '../physics/node.ts';
import { operatingPoint } from '../physics/operating-point.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';

const meta: CheckMeta = {
  id: 'level/mixed-pull-ups',
  title: 'Pull-ups to several rails lift nothing too high',
  station: 'levels',
  rule: 'Pull-ups to different rails lift a net to Σ(Vi/Ri) ÷ Σ(1/Ri), rails and tolerances at their worst; that is at most what every terminal on it stands. Rails of clearly different voltage are a caution even where all stand it: current flows from one into the other.',
  source: 'Kirchhoff’s current law; absolute maximum ratings of the cards',
  breaks: 'danger',
};

const V = (x: number) => formatQuantity(x, 'V', 3);
/** Rails further apart than this share of the higher one are two voltages, not two regulators of one. */
const APART = 0.08;

interface Victim {
  readonly end: NetEnd;
  readonly stands: number;
  readonly sum: string;
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
  const others =
    hurt.length > 1 ? ` So ${hurt.length === 2 ? 'is one other part' : `are ${hurt.length - 1} others`}.` : '';
  const flows = `${formatQuantity(amps, 'A', 2)} flows from the ${V(top.voltage.typ)} rail into the ${V(bottom.voltage.typ)} one.`;
  const workings: Step[] = [
    ...pulls.map((p) => ({ name: `pull-up ${p.label}`, sum: `to ${V(p.voltage.max)}`, value: p.ohms.typ, unit: 'Ω' })),
    { name: `highest on ${net.label}`, sum: rest.sum, value: rest.volts, unit: 'V' },
  ];
  if (worst) workings.push({ name: `${worst.end.label} stands`, sum: worst.sum, value: worst.stands, unit: 'V' });
  if (apart)
    workings.push({
      name: 'into the lower rail',
      sum: 'through its pull-ups and the protection diodes of its parts',
      value: amps,
      unit: 'A',
    });
  const margin = worst ? worst.stands - rest.volts : null;
  return [
    result(circuit, meta, {
      subjects: [net.id, ...hurt.map(({ end }) => `${end.part}.${end.signal}`)],
      keyed: [net.id],
      severity: hurt.length > 0 ? 'danger' : apart ? 'caution' : null,
      measured: rest.volts,
      limit: worst?.stands ?? null,
      unit: 'V',
      margin,
      message:
        hurt.length > 0 && worst
          ? `The pull-up ${top.label} lifts ${net.label} to ${V(rest.volts)}; ${worst.end.label} stands ${V(worst.stands)} at most. It can be damaged.${others}`
          : apart
            ? `${net.label} is pulled to two voltages and rests at ${V(rest.volts)}; ${flows}`
            : `${net.label} is pulled to rails of one voltage and never passes ${V(rest.volts)}.`,
      meaning:
        'Two pull-ups to two voltages meet somewhere between. What is on the lower rail is held above it, and with that rail off the higher one feeds it backwards.',
      workings,
      rests: [
        worst ? [worst.end.card, worst.end.levels.absoluteMax?.source] : null,
        ...pulls.map(({ figure }) => (figure ? ([figure.card, figure.source] as const) : null)),
      ],
    }),
  ];
}

export const levelMixedPullUps: Check = { meta, run: (circuit) => circuit.nets.flatMap((net) => judge(circuit, net)) };
