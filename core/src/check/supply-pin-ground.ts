import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/model.ts';
import { lowOhms, pinGrounds, type PinGround } from '../circuit/pin-ground.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { multiply } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface SupplyPinGroundSays {
  readonly danger: { names: readonly Text[]; amps: Quantity; first: Text; absolute: Quantity };
  readonly never: { names: readonly Text[]; first: Text; amps: Quantity; recommended: Quantity };
  readonly returnsThroughMayFlow: { names: readonly Text[]; amps: Quantity; first: Text; limit: Quantity };
  readonly hasGroundCardDoes: { names: readonly Text[]; first: Text };
  readonly holds: { names: readonly Text[]; amps: Quantity; limit: Quantity; first: Text; ohms: Quantity };
  readonly meaning: null;
  readonly neverHouseRule: null;
  readonly ground: null;
}

const tell = tells<SupplyPinGroundSays>('supply/pin-ground');

const meta = {
  id: 'supply/pin-ground',
  station: 'power',
  breaks: 'fault',
  scope: 'part',
  reads: ['controller/io/outputLoad', 'controller/io/outputLow', 'controller/pinCurrent/recommended'],
} as const satisfies CheckMeta;

const A = (x: number) => quantityOf(x, 'A');

function judge(circuit: Circuit, on: readonly PinGround[]): Result[] {
  const { controller } = circuit;
  const chip = controller?.card.controller;
  const [first] = on;
  if (!controller || !chip || !first) return [];
  const feeds = on.flatMap(({ part }) =>
    part.card.supplies.flatMap(({ id }) => {
      const feed = circuit.feeds.get(keyOf(part.id, id));
      return feed ? [{ label: part.label, peak: feed.peak }] : [];
    }),
  );
  const amps = feeds.reduce((sum, { peak }) => sum + peak, 0);
  const limits = chip.pinCurrent;
  const recommended = limits ? toInterval(limits.recommended).min : 0;
  const absolute = limits ? toInterval(limits.absolute).min : 0;
  const { pinPower } = circuit.plan.rules;
  const never = pinPower === 0;
  const ohms = lowOhms(controller);
  const danger = amps > absolute;
  const limit = danger ? absolute : never ? 0 : recommended * pinPower;
  const names = on.map(({ part }) => part.label);
  const severity = danger ? 'danger' : never || amps > limit || ohms === null ? 'fault' : null;
  return [
    result(circuit, meta, {
      subjects: [keyOf(controller.id, first.pin), ...on.map(({ part }) => part.id)],
      severity,
      measured: amps,
      limit,
      unit: 'A',
      margin: limit - amps,
      message: danger
        ? tell('danger', { names, amps: A(amps), first: first.label, absolute: A(absolute) })
        : never
          ? tell('never', { names, first: first.label, amps: A(amps), recommended: A(recommended) })
          : amps > limit
            ? tell('returnsThroughMayFlow', { names, amps: A(amps), first: first.label, limit: A(limit) })
            : ohms === null
              ? tell('hasGroundCardDoes', { names, first: first.label })
              : tell('holds', {
                  names,
                  amps: A(amps),
                  limit: A(limit),
                  first: first.label,
                  ohms: quantityOf(ohms * amps, 'V'),
                }),
      meaning: tell('meaning'),
      workings: [
        ...feeds.map(({ label, peak }) => ({ name: label, sum: term('peak'), value: peak, unit: 'A' })),
        {
          name: term('mayFlow'),
          sum: never ? tell('neverHouseRule') : multiply(A(recommended), pinPower),
          value: limit,
          unit: 'A',
        },
        ...(ohms === null
          ? []
          : [{ name: tell('ground'), sum: multiply(A(amps), quantityOf(ohms, 'Ω')), value: ohms * amps, unit: 'V' }]),
      ],
      rests: [
        [controller.card.id, limits?.recommended.source],
        [controller.card.id, chip.io.outputLow?.source],
      ],
    }),
  ];
}

export const supplyPinGround = {
  meta,
  run: (circuit) => {
    const all = pinGrounds(circuit.parts, circuit.controller);
    return [...new Set(all.map(({ pin }) => pin))].flatMap((pin) =>
      judge(
        circuit,
        all.filter((on) => on.pin === pin),
      ),
    );
  },
} satisfies Check;
