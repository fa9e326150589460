import type { Circuit, PinWish } from '../circuit/model.ts';
import { featuresInUse, functionsOf, pinByTerminal } from '../circuit/pin-function.ts';
import { commonFrequency, converterTakenBy, pwmLines, spreadInstances } from '../circuit/pin-units.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { ownerOf } from '../plan/ref.ts';
import { peripheralOf } from '../card/protocol.ts';

/** What is said here, by the data that it takes. */
export interface PinUnitConflictSays {
  readonly taker: { wish: Text; label: Text; taker: Text; meaning: Text };
  readonly converterFree: { label: Text; wish: Text };
  readonly meaning: null;
  readonly converters: { label: Text };
  readonly use: { name: Text };
  readonly pinsOnePwmChannel: { names: readonly Text[]; channel: Text };
  readonly boardLeadsOneChannel: null;
  readonly allThem: null;
  readonly bothSystem: null;
  readonly broken: { names: readonly Text[]; group: Text; count: Text };
  readonly holds: { names: readonly Text[]; group: Text; common: Quantity };
  readonly settingFrequencyOneChanges: null;
  readonly system: { group: Text };
  readonly to: { frequency: Quantity; highest: Quantity };
  readonly hasNoPeripheralOwn: { label: Text; others: readonly Text[] };
  readonly onePeripheralHasOne: null;
  readonly hasItself: { label: Text; unit: Text };
}

const tell = tells<PinUnitConflictSays>('pin/unit-conflict');

const meta = {
  id: 'pin/unit-conflict',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: ['controller/pwmGroups/*/fixed', 'ports/*/frequency'],
} as const satisfies CheckMeta;

const Hz = (x: number) => quantityOf(x, 'Hz');

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
        subjects: [wish.id],
        aspect: 'converter',
        severity: taker ? 'fault' : null,
        measured: taker ? 0 : 1,
        limit: 1,
        unit: 'converters',
        margin: taker ? -1 : 0,
        message: taker
          ? tell('taker', { wish: wish.label, label, taker: taker.name, meaning: taker.meaning })
          : tell('converterFree', { label, wish: wish.label }),
        meaning: tell('meaning'),
        workings: [
          { name: tell('converters', { label }), sum: functions.join(', ') },
          ...features.map(({ name, takes }) => ({ name: tell('use', { name }), sum: takes.join(', ') })),
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
    const names = (wishes: readonly PinWish[]) => wishes.map(({ label }) => label);
    for (const channel of new Set(lines.map((line) => line.channel))) {
      const same = lines.filter((line) => line.channel === channel).map(({ wish }) => wish);
      if (same.length < 2) continue;
      found.push(
        result(circuit, meta, {
          subjects: [...same.map(({ id }) => id)],
          aspect: 'channel',
          severity: 'fault',
          measured: same.length,
          limit: 1,
          unit: 'lines',
          margin: 1 - same.length,
          message: tell('pinsOnePwmChannel', { names: names(same), channel }),
          meaning: tell('boardLeadsOneChannel'),
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
        subjects: [...wishes.map(({ id }) => id)],
        aspect: 'frequency',
        severity: margin < 0 ? 'fault' : null,
        measured: common.max,
        limit: common.min,
        unit: 'Hz',
        margin,
        ranked: false,
        message:
          margin < 0
            ? tell('broken', {
                names: names(wishes),
                group: group.name,
                count: stated.length > 1 ? tell('allThem') : tell('bothSystem'),
              })
            : tell('holds', { names: names(wishes), group: group.name, common: Hz(common.min) }),
        meaning: tell('settingFrequencyOneChanges'),
        workings: [
          ...(group.fixed
            ? [{ name: tell('system', { group: group.name }), sum: Hz(group.fixed.typ ?? common.min) }]
            : []),
          ...stated.map(({ label, frequency }) => ({
            name: label,
            sum: tell('to', { frequency: Hz(frequency?.min ?? 0), highest: Hz(frequency?.max ?? 0) }),
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
  const nameOf = (group: string) =>
    circuit.buses.find(({ id }) => id === group)?.name ?? circuit.parts.get(ownerOf(group))?.label ?? group;
  const broken = left.map((group) =>
    result(circuit, meta, {
      subjects: [...circuit.wishes.filter((wish) => wish.group === group).map(({ id }) => id)],
      aspect: 'peripheral',
      severity: 'fault',
      measured: 0,
      limit: 1,
      unit: 'peripherals',
      margin: -1,
      message: tell('hasNoPeripheralOwn', {
        label: nameOf(group),
        others: [...given.keys()].filter((other) => kindOf(circuit, other) === kindOf(circuit, group)).map(nameOf),
      }),
      meaning: tell('onePeripheralHasOne'),
      workings: [...given].map(([other, unit]) => ({ name: nameOf(other), sum: unit })),
    }),
  );
  const held = [...given].map(([group, unit]) =>
    result(circuit, meta, {
      subjects: [...circuit.wishes.filter((wish) => wish.group === group).map(({ id }) => id)],
      aspect: 'peripheral',
      severity: null,
      measured: 1,
      limit: 1,
      unit: 'peripherals',
      margin: 0,
      message: tell('hasItself', { label: nameOf(group), unit }),
      workings: [{ name: nameOf(group), sum: unit }],
      rests: [[controller.card.id, Object.keys(controller.card.sources)[0]]],
    }),
  );
  return [...broken, ...held];
}

const kindOf = (circuit: Circuit, group: string): string =>
  peripheralOf(circuit.wishes.find((wish) => wish.group === group)?.ask);

export const pinUnitConflict = {
  meta,
  run: (circuit) => [...converters(circuit), ...channels(circuit), ...peripherals(circuit)],
} satisfies Check;
