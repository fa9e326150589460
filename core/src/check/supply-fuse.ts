import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Rail } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { JUMPER_GAUGE } from '../standard/practice.ts';
import { fusingCurrent } from '../standard/wire-gauge.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/fuse',
  title: 'A short at the cells melts no lead',
  station: 'power',
  rule: 'Open voltage ÷ inner resistance of the cells at its least is below the current that melts the thinnest lead on them, 80 × d^1.5 (A, mm, copper); else a fuse or a protection that opens stands at the cells.',
  source: 'Preece’s formula (from memory)',
  breaks: 'caution',
};

function judge(circuit: Circuit, rail: Rail): Result[] {
  const { cells } = rail.offer;
  const fed = [...circuit.feeds.values()].filter((feed) => feed.rail === rail.ref);
  const volts = rail.voltage?.max;
  if (!cells || fed.length === 0 || volts === undefined) return [];
  const ohms = toInterval(cells.resistance).min;
  const amps = volts / ohms;
  const gauge = Math.max(JUMPER_GAUGE, ...fed.map(({ lead }) => lead.gauge));
  const limit = fusingCurrent(gauge);
  const fuse = cells.fuse && toInterval(cells.fuse).max;
  const label = circuit.parts.get(rail.part)?.label ?? rail.part;
  const A = (x: number) => formatQuantity(x, 'A', 3);
  const open = fuse === undefined ? amps : Math.min(amps, fuse);
  const margin = limit - open;
  return [
    result(circuit, meta, {
      subjects: [rail.ref, 'short'],
      severity: margin < 0 ? 'caution' : null,
      measured: open,
      limit,
      unit: 'A',
      margin,
      ranked: false,
      message:
        margin < 0
          ? `Shorted, ${label} gives ${A(amps)}; a lead of gauge ${gauge} melts at ${A(limit)}. A fuse belongs right at the cells.`
          : fuse === undefined
            ? `Shorted, ${label} gives ${A(amps)}; a lead of gauge ${gauge} melts at ${A(limit)}.`
            : `Shorted, ${label} opens at ${A(fuse)}; a lead of gauge ${gauge} melts at ${A(limit)}.`,
      meaning: 'A lead that melts sets fire to what lies beside it; it glows before.',
      workings: [
        {
          name: 'short circuit',
          sum: `${formatQuantity(volts, 'V', 3)} ÷ ${formatQuantity(ohms, 'Ω', 3)}`,
          value: amps,
          unit: 'A',
        },
        ...(fuse === undefined ? [] : [{ name: 'opens at', sum: 'from the card', value: fuse, unit: 'A' }]),
        { name: 'melts at', sum: `80 × d^1.5 of gauge ${gauge}`, value: limit, unit: 'A' },
      ],
      rests: [[circuit.parts.get(rail.part)?.card.id ?? '', cells.resistance.source]],
    }),
  ];
}

export const supplyFuse: Check = {
  meta,
  run: (circuit) => [...circuit.rails.values()].flatMap((rail) => judge(circuit, rail)),
};
