import type { Circuit, PinWish } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface PinWakeSays {
  readonly wakes: { label: Text; controller: Text; wish: Text };
  readonly sleepsBetweenReadingsCard: { controller: Text; wish: Text; label: Text };
  readonly holds: { controller: Text; label: Text; wish: Text };
  readonly meaning: null;
  readonly betweenReadings: null;
  readonly asleep: null;
  readonly pinsWake: null;
  readonly notSaid: null;
}

const tell = tells<PinWakeSays>('pin/wake');

const meta = {
  id: 'pin/wake',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

/** Lines on which every edge counts. */
function edgeLines(circuit: Circuit): PinWish[] {
  return circuit.wishes.filter(({ of, line, pin }) => {
    const { part, own: port } = parseRef(of);
    const own = circuit.parts.get(part)?.card.ports.find(({ id }) => id === port);
    return pin !== null && own?.interrupts?.lines.includes(line);
  });
}

function judge(circuit: Circuit, wish: PinWish): Result[] {
  const { controller } = circuit;
  const chip = controller?.card.controller;
  const rest = controller && circuit.rhythms.get(controller.id)?.rest;
  if (!controller || !chip || rest !== 'sleep') return [];
  const label = controller.card.terminals.find(({ id }) => id === wish.pin)?.label ?? wish.pin ?? '';
  const wakes = chip.wake?.pins.includes(wish.pin ?? '');
  const { part } = parseRef(wish.of);
  return [
    result(circuit, meta, {
      subjects: [keyOf(controller.id, wish.pin), wish.id],
      severity: wakes ? null : wakes === undefined ? 'caution' : 'fault',
      assumed: wakes === undefined,
      message: wakes
        ? tell('wakes', { label, controller: controller.label, wish: wish.label })
        : wakes === undefined
          ? tell('sleepsBetweenReadingsCard', { controller: controller.label, wish: wish.label, label })
          : tell('holds', { controller: controller.label, label, wish: wish.label }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('betweenReadings'), sum: tell('asleep') },
        { name: tell('pinsWake'), sum: chip.wake ? chip.wake.pins.join(', ') || 'none' : tell('notSaid') },
      ],
      rests: [
        [controller.card.id, chip.wake?.source],
        [circuit.parts.get(part)?.card.id ?? '', circuit.parts.get(part)?.card.ports[0]?.interrupts?.source],
      ],
    }),
  ];
}

export const pinWake = {
  meta,
  run: (circuit) => edgeLines(circuit).flatMap((wish) => judge(circuit, wish)),
} satisfies Check;
