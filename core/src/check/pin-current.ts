import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { pinCurrents, type PinCurrent } from '../physics/pin-currents.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'pin/current',
  title: 'Pins carry what hangs on them, alone and together',
  station: 'pins',
  rule: 'What a pin gives or takes at its worst is at most its recommended current (above it a caution, above the absolute one a danger); what the pins of a group give or take together is at most the limit of the group × the derating of the house rules.',
  source: 'the controller’s card; derating is common practice',
  breaks: 'fault',
};

const A = (x: number) => formatQuantity(x, 'A');

function judgePin(circuit: Circuit, current: PinCurrent): Result[] {
  const controller = circuit.controller;
  const figures = controller?.card.controller?.pinCurrent;
  // What a light takes is proved with its resistor.
  if (!controller || !figures || current.light) return [];
  const recommended = toInterval(figures.recommended).min;
  const absolute = toInterval(figures.absolute).min;
  const { amps, label, pin } = current;
  const severity = amps > absolute ? 'danger' : amps > recommended ? 'caution' : null;
  const limit = severity === 'danger' ? absolute : recommended;
  return [
    result(circuit, meta, {
      subjects: [`${controller.id}.${pin}`],
      severity,
      measured: amps,
      limit,
      unit: 'A',
      margin: limit - amps,
      message:
        severity === null
          ? `${label} carries ${A(amps)} at most.`
          : severity === 'danger'
            ? `${label} carries ${A(amps)}; ${A(absolute)} destroys it.`
            : `${label} carries ${A(amps)}, above the ${A(recommended)} that are recommended; its levels are no longer guaranteed.`,
      meaning: 'A pin is a small transistor; above its rating it gets hot and its levels fade.',
      workings: [
        ...current.terms.map(({ label: name, sum, amps: value }) => ({ name, sum, value, unit: 'A' })),
        { name: 'recommended', sum: 'from the card', value: recommended, unit: 'A' },
        { name: 'absolute', sum: 'from the card', value: absolute, unit: 'A' },
      ],
      rests: [[controller.card.id, severity === 'danger' ? figures.absolute.source : figures.recommended.source]],
    }),
  ];
}

function judgeGroups(circuit: Circuit, currents: readonly PinCurrent[]): Result[] {
  const controller = circuit.controller;
  if (!controller) return [];
  const { derating } = circuit.plan.rules;
  return (controller.card.controller?.currentGroups ?? []).flatMap((group) => {
    const members = currents.filter(({ pin }) => !group.pins || group.pins.includes(pin));
    if (members.length === 0) return [];
    const amps = members.reduce((sum, member) => sum + member.amps, 0);
    const most = toInterval(group.limit).min;
    const limit = most * derating;
    const severity = amps > most ? 'danger' : amps > limit ? 'fault' : null;
    return [
      result(circuit, meta, {
        subjects: [`${controller.id}.${group.id}`],
        severity,
        measured: amps,
        limit,
        unit: 'A',
        margin: limit - amps,
        message:
          severity === null
            ? `${group.name} of ${controller.label} carry ${A(amps)} together at most.`
            : `${group.name} of ${controller.label} carry ${A(amps)} together; ${A(limit)} may be used (${A(most)} × ${derating}).`,
        meaning: 'Each pin may be within its rating and the chip still be too hot: its supply lines are shared.',
        workings: [
          ...members.map(({ label, amps: value }) => ({ name: label, sum: 'at its worst', value, unit: 'A' })),
          { name: 'together', sum: members.map((m) => A(m.amps)).join(' + '), value: amps, unit: 'A' },
          { name: 'may be used', sum: `${A(most)} × ${derating}`, value: limit, unit: 'A' },
        ],
        rests: [[controller.card.id, group.limit.source]],
      }),
    ];
  });
}

export const pinCurrent: Check = {
  meta,
  run: (circuit) => {
    const currents = pinCurrents(circuit);
    return [...currents.flatMap((current) => judgePin(circuit, current)), ...judgeGroups(circuit, currents)];
  },
};
