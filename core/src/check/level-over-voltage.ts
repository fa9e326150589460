import type { LevelFigure } from '../card/figure.ts';
import type { Interval } from '../quantity/interval.ts';
import type { Circuit, Net, NetEnd } from '../circuit/circuit.ts';
import { levelAt } from '../circuit/level.ts';
import { allPullUps, driverPeak, highestRest, pullsToSeveralRails } from '../physics/node.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { capital } from './words.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'level/over-voltage',
  title: 'No terminal sees more than it stands',
  station: 'levels',
  rule: 'The highest voltage on a net - of every driver, of its pull-ups, and of a fixed resistor whose part is unplugged - is at most the absolute maximum of each terminal on it, its own supply at its lowest. Beyond that by less than its protection diode conducts at (0.4 V above its supply) is a caution. Pull-ups to several rails are judged by level/mixed-pull-ups, supplies that are off by level/unpowered.',
  source: 'absolute maximum ratings of the cards',
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

/** Everything that can lift this net, seen from one of its ends. */
function peaks(net: Net, at: NetEnd): Peak[] {
  const found: Peak[] = net.ends.flatMap((end) => {
    const peak = end === at ? null : driverPeak(end);
    return peak ? [{ ...peak, by: end.label, end }] : [];
  });
  const rest = pullsToSeveralRails(net) ? null : highestRest(net);
  const top = allPullUps(net)[0];
  if (rest && top)
    found.push({ volts: rest.volts, sum: rest.sum, by: `the pull-up ${top.label}`, end: null, rail: top.root });
  const { fixed } = net;
  // With the bare part unplugged nothing flows, and the pin is at the resistor's rail.
  if (fixed?.voltage)
    found.push({
      volts: fixed.voltage.max,
      sum: 'its rail at its highest, the part unplugged',
      by: `the fixed ${fixed.label}`,
      end: null,
      rail: fixed.root,
    });
  return found;
}

/** V above its supply: below it a protection diode carries less than a microampere (common practice, a silicon diode at room temperature). */
const NO_CURRENT = 0.4;

/** What follows the terminal's own rail moves with it; anything else meets that rail at its lowest. */
function against(peak: Peak, end: NetEnd, level: LevelFigure, own: Interval | null) {
  const low = own?.min ?? 0;
  const high = own?.max ?? 0;
  const together = peak.rail !== null && peak.rail === end.power.rail;
  const tries: [number, number][] = together
    ? [
        [low, low],
        [high, high],
      ]
    : [[peak.volts, low]];
  const cases = tries.map(([volts, supply]) => {
    const limit = levelAt(level, 'max', supply - end.power.drop);
    const flows = level.unit !== 'offset' || volts - (supply - end.power.drop) > NO_CURRENT;
    return { peak: { ...peak, volts }, limit, margin: limit.volts - volts, flows };
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
  const { peak, limit, margin, flows } = worst;
  const broken = margin < -1e-9;
  const measuredText = formatQuantity(peak.volts, 'V');
  const limitText = formatQuantity(limit.volts, 'V');
  const fitted = net.pullUps.flatMap(({ figure }) => (figure ? [[figure.card, figure.source] as const] : []));
  const high = peak.end?.levels.outputHigh;
  return [
    result(circuit, meta, {
      subjects: [`${end.part}.${end.signal}`, net.id],
      severity: broken ? (flows ? 'danger' : 'caution') : null,
      measured: peak.volts,
      limit: limit.volts,
      unit: 'V',
      margin,
      message: broken
        ? `${capital(peak.by)} can lift ${net.label} to ${measuredText}; ${end.label} stands ${limitText} at most. ${flows ? 'It can be damaged.' : 'That is past its sheet by less than its protection diode conducts at: nothing flows yet.'}`
        : `${net.label} never passes ${measuredText}; ${end.label} stands ${limitText}.`,
      meaning:
        'More than a pin stands flows through its protection diode into the supply and can destroy it, at once or over weeks.',
      workings: [
        { name: `highest on ${net.label}`, sum: peak.sum, value: peak.volts, unit: 'V' },
        {
          name: `${end.label} stands`,
          sum: limit.sum,
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
