import type { Circuit, PinWish } from '../circuit/circuit.ts';
import { featuresInUse, functionsOf, pinByTerminal } from '../circuit/pin-function.ts';
import { commonFrequency, converterTakenBy, pwmLines, spreadInstances } from '../circuit/pin-units.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'pin/unit-conflict',
  title: 'Units of the controller are not asked twice',
  station: 'pins',
  rule: 'No analog line on a converter that a feature in use takes; PWM lines on one counter agree on a frequency, and no two are on one channel; every bus and serial pair has a peripheral of its own.',
  source: 'the controller’s card',
  breaks: 'fault',
};

const Hz = (x: number) => formatQuantity(x, 'Hz');

function converters(circuit: Circuit): Result[] {
  const controller = circuit.controller;
  const features = featuresInUse(circuit);
  if (!controller || features.length === 0) return [];
  return circuit.wishes.flatMap((wish) => {
    const pin = wish.ask === 'adc' && wish.pin ? pinByTerminal(controller.card, wish.pin) : undefined;
    const functions = pin ? functionsOf(controller.card, pin).filter((f) => f.startsWith('adc')) : [];
    if (functions.length === 0) return [];
    const taker = converterTakenBy(functions, features);
    const label = controller.card.terminals.find(({ id }) => id === wish.pin)?.label ?? '';
    return [
      result(circuit, meta, {
        subjects: [wish.id, 'converter'],
        severity: taker ? 'fault' : null,
        measured: taker ? 0 : 1,
        limit: 1,
        unit: 'converters',
        margin: taker ? -1 : 0,
        message: taker
          ? `${wish.label} is on ${label}, whose converter the ${taker.name} takes. ${taker.meaning}`
          : `The converter of ${label} is free for ${wish.label}.`,
        meaning: 'It reads well on the desk and stops as soon as the other half of the chip is switched on.',
        workings: [
          { name: `converters of ${label}`, sum: functions.join(', ') },
          ...features.map(({ name, takes }) => ({ name: `${name}, in use`, sum: takes.join(', ') })),
        ],
        rests: features.map(({ source }) => [controller.card.id, source] as const),
      }),
    ];
  });
}

function channels(circuit: Circuit): Result[] {
  const controller = circuit.controller;
  if (!controller) return [];
  return pwmLines(circuit).flatMap(({ group, lines }) => {
    const found: Result[] = [];
    const names = (wishes: readonly PinWish[]) => wishes.map(({ label }) => label).join(' and ');
    for (const channel of new Set(lines.map((line) => line.channel))) {
      const same = lines.filter((line) => line.channel === channel).map(({ wish }) => wish);
      if (same.length < 2) continue;
      found.push(
        result(circuit, meta, {
          subjects: [...same.map(({ id }) => id), 'channel'],
          severity: 'fault',
          measured: same.length,
          limit: 1,
          unit: 'lines',
          margin: 1 - same.length,
          message: `${names(same)} are on pins of one PWM channel (${channel}); both would always do the same.`,
          meaning: 'The board leads one channel to several pins; the second line follows the first.',
        }),
      );
    }
    const wishes = lines.map(({ wish }) => wish);
    const common = commonFrequency(group, wishes);
    if (!group || !common) return found;
    const stated = wishes.filter(({ frequency }) => frequency);
    const margin = common.max - common.min;
    if (stated.length + (group.fixed ? 1 : 0) < 2 || stated.length === 0) return found;
    found.push(
      result(circuit, meta, {
        subjects: [...wishes.map(({ id }) => id), 'frequency'],
        severity: margin < 0 ? 'fault' : null,
        measured: common.max,
        limit: common.min,
        unit: 'Hz',
        margin,
        ranked: false,
        message:
          margin < 0
            ? `${names(wishes)} run from ${group.name}, which has one frequency; no frequency suits ${stated.length > 1 ? 'all of them' : 'both it and the system'}.`
            : `${names(wishes)} share ${group.name} at ${Hz(common.min)}.`,
        meaning: 'Setting the frequency for the one changes it for the other: a motor whines, a servo twitches.',
        workings: [
          ...(group.fixed ? [{ name: `${group.name}, for the system`, sum: Hz(group.fixed.typ ?? common.min) }] : []),
          ...stated.map(({ label, frequency }) => ({
            name: label,
            sum: `${Hz(frequency?.min ?? 0)} to ${Hz(frequency?.max ?? 0)}`,
          })),
        ],
        rests: [[controller.card.id, group.source]],
      }),
    );
    return found;
  });
}

function peripherals(circuit: Circuit): Result[] {
  const controller = circuit.controller;
  const { left, given } = spreadInstances(circuit);
  if (!controller || left.length + given.size === 0) return [];
  const labelOf = (group: string) =>
    circuit.buses.find(({ id }) => id === group)?.name ?? circuit.parts.get(group.split('.')[0] ?? '')?.label ?? group;
  const broken = left.map((group) =>
    result(circuit, meta, {
      subjects: [...circuit.wishes.filter((wish) => wish.group === group).map(({ id }) => id), 'peripheral'],
      severity: 'fault',
      measured: 0,
      limit: 1,
      unit: 'peripherals',
      margin: -1,
      message: `${labelOf(group)} has no peripheral of its own: those of its pins serve ${
        [...given.keys()]
          .filter((other) => kindOf(circuit, other) === kindOf(circuit, group))
          .map(labelOf)
          .join(' and ') || 'something else'
      }.`,
      meaning: 'One peripheral has one clock and one pair of pins at a time; the second bus stays silent.',
      workings: [...given].map(([other, unit]) => ({ name: labelOf(other), sum: unit })),
    }),
  );
  const held = [...given].map(([group, unit]) =>
    result(circuit, meta, {
      subjects: [...circuit.wishes.filter((wish) => wish.group === group).map(({ id }) => id), 'peripheral'],
      severity: null,
      measured: 1,
      limit: 1,
      unit: 'peripherals',
      margin: 0,
      message: `${labelOf(group)} has ${unit} to itself.`,
      workings: [{ name: labelOf(group), sum: unit }],
      rests: [[controller.card.id, Object.keys(controller.card.sources)[0]]],
    }),
  );
  return [...broken, ...held];
}

const kindOf = (circuit: Circuit, group: string): string =>
  circuit.wishes.find((wish) => wish.group === group)?.ask.split('.')[0] ?? '';

export const pinUnitConflict: Check = {
  meta,
  run: (circuit) => [...converters(circuit), ...channels(circuit), ...peripherals(circuit)],
};
