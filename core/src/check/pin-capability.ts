import { carrierOf, isFitted, printedNames } from '../circuit/carrier.ts';
import type { Circuit, PinWish } from '../circuit/model.ts';
import { functionsOf, groupInstances, instancesFor, isCrossed, pinByTerminal } from '../circuit/pin-function.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text, type Message, wordOf } from '../quantity/message.ts';
import { ownerOf } from '../plan/ref.ts';
import { both, overAll, overWishes } from './over.ts';

/** What is said here, by the data that it takes. */
export interface PinCapabilitySays {
  readonly meaning: null;
  readonly needsPlanHasNo: { wish: Text; asks: Text };
  readonly needsHasNoPin: { wish: Text; asks: Text };
  readonly asked: null;
  readonly can: { label: Text };
  readonly needsCannotBeOne: { wish: Text; asks: Text; label: Text };
  readonly whichCarrierCoversDoes: { wish: Text; label: Text };
  readonly instancePartnerLineAnother: { wish: Text; label: Text; instances: readonly Text[] };
  readonly reliesPullWhichHas: { wish: Text; label: Text };
  readonly noPullOwn: null;
  readonly canBe: { label: Text; asks: Text; wish: Text };
  readonly hasNoPlaceWhat: { label: Text; card: Text };
  readonly carrierMadePinsCertain: null;
}

const tell = tells<PinCapabilitySays>('pin/capability');

const meta = {
  id: 'pin/capability',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, wish: PinWish): Result[] {
  const card = circuit.controller?.card;
  const asks = wordOf('ask', wish.ask);
  const base = { subjects: [wish.id], limit: 1, unit: 'functions' };
  const broken = (message: Message, workings: Result['workings'] = []) => [
    result(circuit, meta, {
      ...base,
      severity: 'fault',
      measured: 0,
      margin: -1,
      message,
      workings,
      meaning: tell('meaning'),
    }),
  ];
  if (!card || !circuit.controller) return broken(tell('needsPlanHasNo', { wish: wish.label, asks }));
  if (!wish.pin) return broken(tell('needsHasNoPin', { wish: wish.label, asks }));
  const pin = pinByTerminal(card, wish.pin);
  const label = card.terminals.find(({ id }) => id === wish.pin)?.label ?? wish.pin;
  const can = pin ? functionsOf(card, pin) : [];
  const instances = instancesFor(can, wish.ask);
  const fitting = can.filter((f) => f === wish.ask || f.replace(/\d+(?=\.)/, '') === wish.ask);
  const workings = [
    { name: tell('asked'), sum: wish.ask },
    {
      name: tell('can', { label }),
      sum: (instances.length > 0 && fitting.length > 0 ? fitting : can).join(', ') || 'nothing',
    },
  ];
  // Said by bus/crossed, with what it is.
  if (isCrossed(circuit, wish)) return [];
  if (instances.length === 0) return broken(tell('needsCannotBeOne', { wish: wish.label, asks, label }), workings);
  const printed = printedNames(circuit);
  if (printed && printed.get(wish.pin)?.free !== true && !isFitted(circuit, ownerOf(wish.of))) {
    return broken(tell('whichCarrierCoversDoes', { wish: wish.label, label }), workings);
  }
  if (wish.group && groupInstances(circuit, wish.group).length === 0) {
    return broken(tell('instancePartnerLineAnother', { wish: wish.label, label, instances }), workings);
  }
  if (wish.weakPull && pin?.noPull) {
    return broken(tell('reliesPullWhichHas', { wish: wish.label, label }), [{ name: label, sum: tell('noPullOwn') }]);
  }
  return [
    result(circuit, meta, {
      ...base,
      severity: null,
      measured: 1,
      margin: 0,
      message: tell('canBe', { label, asks, wish: wish.label }),
      workings,
      rests: [[card.id, Object.keys(card.sources)[0]]],
    }),
  ];
}

/** A carrier that has no place for the controller. */
function carrier(circuit: Circuit): Result[] {
  const on = carrierOf(circuit);
  if (!on || !circuit.controller || printedNames(circuit)) return [];
  const label = circuit.parts.get(on.part)?.label ?? on.card.name;
  return [
    result(circuit, meta, {
      subjects: [on.part],
      severity: 'fault',
      measured: 0,
      limit: 1,
      unit: 'functions',
      margin: -1,
      message: tell('hasNoPlaceWhat', { label, card: circuit.controller.card.name }),
      meaning: tell('carrierMadePinsCertain'),
    }),
  ];
}

export const pinCapability = {
  meta,
  ...both(overAll(carrier), overWishes(judge)),
} satisfies Check;
