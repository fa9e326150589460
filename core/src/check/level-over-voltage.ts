import type { LevelFigure } from '../card/figure.ts';
import type { Interval } from '../quantity/interval.ts';
import type { Circuit, Net, NetEnd } from '../circuit/circuit.ts';
import { levelAt, levelVolts } from '../circuit/level.ts';
import { highestRest } from '../physics/node.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { capital } from './words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'level/over-voltage',
  title: 'No terminal sees more than it stands',
  station: 'levels',
  rule: 'The highest voltage on a net - of every driver, and Σ(Vi/Ri) ÷ Σ(1/Ri) of its pull-ups - is at most the absolute maximum of each terminal on it, its own supply at its lowest; with a supply of its own, also while that is off.',
  source: 'absolute maximum ratings of the cards; the node sum is Kirchhoff’s current law',
  breaks: 'danger',
};

interface Peak {
  readonly volts: number;
  readonly sum: string;
  readonly by: string;
  readonly end: NetEnd | null;
  /** The one rail that it follows; null where several meet. */
  readonly rail: string | null;
}

const DRIVES_HIGH: ReadonlySet<string> = new Set(['push-pull', 'bidirectional', 'analog-out']);

/** Everything that can lift this net, seen from one of its ends. */
function peaks(net: Net, at: NetEnd): Peak[] {
  const found: Peak[] = [];
  for (const end of net.ends) {
    if (end === at || !DRIVES_HIGH.has(end.kind) || !end.power.voltage) continue;
    const supply = end.power.voltage.max;
    const stated = end.levels.outputHigh;
    // A part that drives from a regulator of its own states how high it goes.
    if (stated?.max !== undefined && levelVolts(stated, 'max', supply) < supply) {
      const { volts, sum } = levelAt(stated, 'max', supply);
      found.push({ volts, sum, by: end.label, end, rail: stated.unit === 'V' ? null : end.power.rail });
      continue;
    }
    // Any other output reaches its supply rail when hardly loaded.
    found.push({
      volts: supply,
      sum: `the supply of ${end.label} at its highest`,
      by: end.label,
      end,
      rail: end.power.rail,
    });
  }
  const rest = highestRest(net);
  if (rest) {
    const top = net.pullUps.reduce((a, b) => ((b.voltage?.max ?? 0) > (a.voltage?.max ?? 0) ? b : a));
    const rail = net.pullUps.every(({ root }) => root === top.root) ? top.root : null;
    found.push({ volts: rest.volts, sum: rest.sum, by: `the pull-up ${top.label}`, end: null, rail });
  }
  return found;
}

/** What follows the terminal's own rail moves with it; anything else meets that rail at its lowest. */
function against(peak: Peak, end: NetEnd, level: LevelFigure, own: Interval | null) {
  const alone = peak.end !== null && peak.end.power.source !== end.power.source;
  const low = own?.min ?? 0;
  const high = own?.max ?? 0;
  const together = peak.rail !== null && peak.rail === end.power.rail;
  const tries: [number, number][] = together
    ? [
        [low, low],
        [high, high],
      ]
    : [[peak.volts, alone ? 0 : low]];
  const cases = tries.map(([volts, supply]) => {
    const limit = levelAt(level, 'max', alone ? 0 : supply - end.power.drop);
    return { peak: { ...peak, volts }, limit, margin: limit.volts - volts, alone };
  });
  return cases.reduce((a, b) => (b.margin < a.margin ? b : a));
}

function judge(circuit: Circuit, net: Net, end: NetEnd): Result[] {
  const level = end.levels.absoluteMax;
  if (!level || !end.power.voltage) return [];
  const worst = peaks(net, end)
    .map((peak) => against(peak, end, level, end.power.voltage)) // the worst is not always the highest
    .sort((a, b) => a.margin - b.margin)[0];
  if (!worst) return [];
  const { peak, limit, margin, alone } = worst;
  const measuredText = formatQuantity(peak.volts, 'V');
  const limitText = formatQuantity(limit.volts, 'V');
  const fitted = net.pullUps.flatMap(({ source }) => (source ? [[source.card, source.source] as const] : []));
  const high = peak.end?.levels.outputHigh;
  return [
    result(circuit, meta, {
      subjects: [`${end.part}.${end.signal}`, net.id],
      severity: margin < -1e-9 ? 'danger' : null,
      measured: peak.volts,
      limit: limit.volts,
      unit: 'V',
      margin,
      message:
        margin < -1e-9
          ? `${capital(peak.by)} can lift ${net.label} to ${measuredText}; ${end.label} stands ${limitText} at most. It can be damaged.`
          : `${net.label} never passes ${measuredText}; ${end.label} stands ${limitText}.`,
      meaning:
        'More than a pin stands flows through its protection diode into the supply and can destroy it, at once or over weeks.',
      workings: [
        { name: `highest on ${net.label}`, sum: peak.sum, value: peak.volts, unit: 'V' },
        {
          name: `${end.label} stands`,
          sum: alone ? `${limit.sum}, while its own supply is off` : limit.sum,
          value: limit.volts,
          unit: 'V',
        },
        { name: 'margin', sum: `${limitText} − ${measuredText}`, value: margin, unit: 'V' },
      ],
      rests: [[end.card, level.source], ...fitted, high ? [peak.end?.card ?? '', high.source] : null],
    }),
  ];
}

export const levelOverVoltage: Check = {
  meta,
  run: (circuit) => circuit.nets.flatMap((net) => net.ends.flatMap((end) => judge(circuit, net, end))),
};
