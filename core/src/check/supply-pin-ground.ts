import { toInterval } from '../card/to-interval.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { lowOhms, pinGrounds, type PinGround } from '../circuit/pin-ground.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/pin-ground',
  title: 'A pin that is a ground can take it',
  station: 'power',
  rule: 'Peak of what stands on the pin ≤ its recommended current × the share of the house rule for pins; beyond the absolute one is danger. I × VOL ÷ IOL of it is lost from the part’s supply (supply/range) and added to the levels that the part gives and takes.',
  source: 'the cards; how far a pin may feed is a house rule',
  breaks: 'fault',
};

const A = (x: number) => formatQuantity(x, 'A');

function judge(circuit: Circuit, on: readonly PinGround[]): Result[] {
  const { controller } = circuit;
  const chip = controller?.card.controller;
  const [first] = on;
  if (!controller || !chip || !first) return [];
  const feeds = on.flatMap(({ part }) =>
    part.card.supplies.flatMap(({ id }) => {
      const feed = circuit.feeds.get(`${part.id}.${id}`);
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
  const names = on.map(({ part }) => part.label).join(', ');
  const severity = danger ? 'danger' : never || amps > limit || ohms === null ? 'fault' : null;
  return [
    result(circuit, meta, {
      subjects: [`${controller.id}.${first.pin}`, ...on.map(({ part }) => part.id)],
      severity,
      measured: amps,
      limit,
      unit: 'A',
      margin: limit - amps,
      message: danger
        ? `${names} returns ${A(amps)} through ${first.label}; ${A(absolute)} is the most it stands. It can be destroyed.`
        : never
          ? `${names} has its ground on ${first.label}; the house rule is never to. ${A(amps)} of ${A(recommended)} would be within its rating.`
          : amps > limit
            ? `${names} returns ${A(amps)} through ${first.label}; ${A(limit)} may flow there.`
            : ohms === null
              ? `${names} has its ground on ${first.label}, and the card does not say how far from ground a low of it is, and at which current.`
              : `${names} returns ${A(amps)} of the ${A(limit)} that ${first.label} may take as a ground; its ground is up to ${formatQuantity(ohms * amps, 'V')} high.`,
      meaning:
        'A pin that is held low is a resistance to ground: what flows through it lifts the part. Until the program holds it low the part has no ground at all.',
      workings: [
        ...feeds.map(({ label, peak }) => ({ name: label, sum: 'peak', value: peak, unit: 'A' })),
        {
          name: 'may flow',
          sum: never ? 'never, by the house rule' : `${A(recommended)} × ${pinPower}`,
          value: limit,
          unit: 'A',
        },
        ...(ohms === null
          ? []
          : [{ name: 'its ground', sum: `${A(amps)} × ${formatQuantity(ohms, 'Ω')}`, value: ohms * amps, unit: 'V' }]),
      ],
      rests: [
        [controller.card.id, limits?.recommended.source],
        [controller.card.id, chip.io.outputLow?.source],
      ],
    }),
  ];
}

export const supplyPinGround: Check = {
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
};
