import type { Circuit, Net } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'level/no-pull-up',
  title: 'An open-drain net has a pull-up',
  station: 'levels',
  rule: 'A net that nobody drives high carries at least one pull-up. The controller’s weak internal one alone is a caution.',
  source: 'UM10204 §3.1.1 (from memory); for switches common practice',
  breaks: 'fault',
};

function judge(circuit: Circuit, net: Net): Result[] {
  if (!net.openDrain || net.ends.length === 0) return [];
  const count = net.pullUps.filter(({ voltage }) => voltage !== null).length;
  const { weak } = net;
  const ohms = weak?.ohms;
  const message =
    count > 0
      ? `${net.label} has ${count === 1 ? 'a pull-up' : `${count} pull-ups`}.`
      : ohms
        ? `${net.label} has only the controller’s own pull-up of ${formatQuantity(ohms.min, 'Ω')} to ${formatQuantity(ohms.max, 'Ω')}. Fine for a switch nearby, slow and easily disturbed on a longer lead.`
        : `${net.label} has no pull-up; nothing ever makes it high. It will not be read.`;
  return [
    result(circuit, meta, {
      subjects: [net.id],
      severity: count > 0 ? null : ohms ? 'caution' : 'fault',
      measured: count,
      limit: 1,
      unit: 'pull-ups',
      margin: count - 1,
      message,
      meaning:
        'An open drain or a switch only pulls down. Without a resistor to the rail the line floats and picks up whatever is near.',
      workings: [
        ...net.pullUps.map((p) => ({ name: `pull-up ${p.label}`, sum: `to ${p.rail}`, value: p.ohms.typ, unit: 'Ω' })),
        ...(ohms
          ? [
              {
                name: 'the controller’s own',
                sum: `${formatQuantity(ohms.min, 'Ω')} to ${formatQuantity(ohms.max, 'Ω')}`,
                value: ohms.typ,
                unit: 'Ω',
              },
            ]
          : []),
      ],
      rests: weak?.figure ? [[weak.figure.card, weak.figure.source]] : [],
    }),
  ];
}

export const levelNoPullUp: Check = { meta, run: (circuit) => circuit.nets.flatMap((net) => judge(circuit, net)) };
