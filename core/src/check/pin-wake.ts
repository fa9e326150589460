import type { Circuit, PinWish } from '../circuit/circuit.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'pin/wake',
  title: 'What happens while the controller sleeps wakes it',
  station: 'pins',
  rule: 'While the controller sleeps between readings, every line on which each edge counts is on a pin that wakes it.',
  source: 'the controller’s card',
  breaks: 'fault',
};

/** Lines on which every edge counts. */
function edgeLines(circuit: Circuit): PinWish[] {
  return circuit.wishes.filter(({ of, line, pin }) => {
    const [part = '', port] = of.split('.');
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
  const [part = ''] = wish.of.split('.');
  return [
    result(circuit, meta, {
      subjects: [`${controller.id}.${wish.pin}`, wish.id],
      severity: wakes ? null : wakes === undefined ? 'caution' : 'fault',
      assumed: wakes === undefined,
      message: wakes
        ? `${label} wakes ${controller.label} for every edge of ${wish.label}.`
        : wakes === undefined
          ? `${controller.label} sleeps between readings, and its card does not say which pins wake it; ${wish.label} is counted on ${label}.`
          : `${controller.label} sleeps between readings, and ${label} does not wake it: what ${wish.label} tells meanwhile is lost.`,
      meaning: 'A tip of the rain gauge, a turn of the meter, a door: each is a moment, and nobody is awake for it.',
      workings: [
        { name: 'between readings', sum: 'asleep' },
        { name: 'pins that wake it', sum: chip.wake ? chip.wake.pins.join(', ') || 'none' : 'not said' },
      ],
      rests: [
        [controller.card.id, chip.wake?.source],
        [circuit.parts.get(part)?.card.id ?? '', circuit.parts.get(part)?.card.ports[0]?.interrupts?.source],
      ],
    }),
  ];
}

export const pinWake: Check = { meta, run: (circuit) => edgeLines(circuit).flatMap((wish) => judge(circuit, wish)) };
