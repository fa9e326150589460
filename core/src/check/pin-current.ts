import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { pinCurrents, type PinCurrent } from '../physics/pin-currents.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { multiply, add } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface PinCurrentSays {
  readonly carriesMost: { label: Text; amps: Quantity };
  readonly carriesDestroys: { label: Text; amps: Quantity; absolute: Quantity };
  readonly holds: { label: Text; amps: Quantity; recommended: Quantity };
  readonly meaning: null;
  readonly recommended: null;
  readonly absolute: null;
  readonly carryTogetherMost: { group: Text; controller: Text; amps: Quantity };
  readonly carryTogetherMayBe: {
    group: Text;
    controller: Text;
    amps: Quantity;
    limit: Quantity;
    most: Quantity;
    derating: number;
  };
  readonly eachPinMayBe: null;
  readonly worst: null;
  readonly mayBeUsed: null;
}

const tell = tells<PinCurrentSays>('pin/current');

const meta = {
  id: 'pin/current',
  station: 'pins',
  breaks: 'fault',
  scope: 'part',
  reads: [
    'controller/currentGroups/*/limit',
    'controller/pinCurrent/absolute',
    'controller/pinCurrent/recommended',
    'signals/*/fittedPullDown',
  ],
} as const satisfies CheckMeta;

const A = (x: number) => quantityOf(x, 'A');

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
      subjects: [keyOf(controller.id, pin)],
      severity,
      measured: amps,
      limit,
      unit: 'A',
      margin: limit - amps,
      message:
        severity === null
          ? tell('carriesMost', { label, amps: A(amps) })
          : severity === 'danger'
            ? tell('carriesDestroys', { label, amps: A(amps), absolute: A(absolute) })
            : tell('holds', { label, amps: A(amps), recommended: A(recommended) }),
      meaning: tell('meaning'),
      workings: [
        ...current.terms.map(({ label: name, sum, amps: value }) => ({ name, sum, value, unit: 'A' })),
        { name: tell('recommended'), sum: term('fromCard'), value: recommended, unit: 'A' },
        { name: tell('absolute'), sum: term('fromCard'), value: absolute, unit: 'A' },
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
        subjects: [keyOf(controller.id, group.id)],
        severity,
        measured: amps,
        limit,
        unit: 'A',
        margin: limit - amps,
        message:
          severity === null
            ? tell('carryTogetherMost', { group: group.name, controller: controller.label, amps: A(amps) })
            : tell('carryTogetherMayBe', {
                group: group.name,
                controller: controller.label,
                amps: A(amps),
                limit: A(limit),
                most: A(most),
                derating,
              }),
        meaning: tell('eachPinMayBe'),
        workings: [
          ...members.map(({ label, amps: value }) => ({ name: label, sum: tell('worst'), value, unit: 'A' })),
          { name: term('together'), sum: add(...members.map((m) => A(m.amps))), value: amps, unit: 'A' },
          { name: tell('mayBeUsed'), sum: multiply(A(most), derating), value: limit, unit: 'A' },
        ],
        rests: [[controller.card.id, group.limit.source]],
      }),
    ];
  });
}

export const pinCurrent = {
  meta,
  run: (circuit) => {
    const currents = pinCurrents(circuit);
    return [...currents.flatMap((current) => judgePin(circuit, current)), ...judgeGroups(circuit, currents)];
  },
} satisfies Check;
