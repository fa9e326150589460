import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net } from '../circuit/model.ts';
import { levelAt } from '../circuit/level.ts';
import { pinUses } from '../circuit/pin-function.ts';
import { bootRest } from '../physics/at-boot.ts';
import type { RailAt } from '../physics/node.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { netOf } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface PinStrapSays {
  readonly mayDriveLowOr: { end: Text; high: Quantity };
  readonly closedPullsV: { sinker: Text };
  readonly nothingLiftsHoldsDown: { light: Text };
  readonly holdsOrLess: { light: Text; high: Quantity };
  readonly broken: { label: Text; level: Text; wish: Text; measured: Quantity; meaning: Text };
  readonly meant: { wish: Text; label: Text; level: Text; meaning: Text };
  readonly holds: { wish: Text; label: Text; level: Text };
  readonly meaning: null;
  readonly askedBoot: null;
  readonly heldCircuit: null;
  readonly nothingChipsOwnPull: null;
  readonly limit: { level: Text };
  readonly belongs: { label: Text; by: Text; wishes: readonly Text[]; meaning: Text };
  readonly controllerCannotRunProgram: null;
  readonly programmingMessagesFromBoard: null;
}

const tell = tells<PinStrapSays>('pin/strap');

const meta = {
  id: 'pin/strap',
  station: 'pins',
  breaks: 'fault',
  scope: 'plan',
  reads: ['controller/io/inputHigh', 'controller/io/inputLow'],
} as const satisfies CheckMeta;

interface Boot {
  readonly low: number;
  readonly high: number;
  readonly sum: Sum;
}

/** The levels that a net can have while the controller's pin is still an input; null when nothing drives it. */
function bootLevels(circuit: Circuit, net: Net, meant: boolean, at: RailAt | null): Boot | null {
  const others = net.ends.filter((end) => !end.controller);
  for (const end of others) {
    if (end.kind === 'push-pull' || end.kind === 'bidirectional') {
      const high = end.power.voltage?.max ?? 0;
      return { low: 0, high, sum: tell('mayDriveLowOr', { end: end.label, high: quantityOf(high, 'V') }) };
    }
  }
  const rest = bootRest(circuit, net, at);
  const sinker = meant ? undefined : others.find(({ kind }) => kind === 'switch');
  if (sinker) return { low: 0, high: rest.high ?? Infinity, sum: tell('closedPullsV', { sinker: sinker.label }) };
  const light = others.find(({ kind }) => kind === 'led');
  const forward =
    light && circuit.parts.get(light.part)?.card.ports.find(({ protocol }) => protocol === 'led')?.forward;
  if (light && forward) {
    const clamp = toInterval(forward.voltage).min;
    // A light makes no voltage: where nothing lifts the line it is at ground.
    if (rest.high === null) return { low: 0, high: 0, sum: tell('nothingLiftsHoldsDown', { light: light.label }) };
    const high = Math.min(clamp, rest.high);
    return { low: 0, high, sum: tell('holdsOrLess', { light: light.label, high: quantityOf(high, 'V') }) };
  }
  if (rest.low !== null && rest.high !== null) return { low: rest.low, high: rest.high, sum: rest.sum };
  return null;
}

function judgeStrap(circuit: Circuit, use: ReturnType<typeof pinUses>[number]): Result[] {
  const { pin, label, wishes } = use;
  const controller = circuit.controller;
  const io = controller?.card.controller?.io;
  const strap = pin.strap;
  if (!strap || !io || !controller) return [];
  return wishes.flatMap((wish) => {
    const net = netOf(circuit, wish.net);
    const end = net?.ends.find((e) => e.controller);
    const level = strap.level === 'high' ? io.inputHigh : io.inputLow;
    const supply = end?.power.voltage;
    if (!net || !end || !level || !supply) return [];
    // What a button does on purpose is no level that the line rests at.
    const meant = wish.meant && net.ends.some(({ kind }) => kind === 'switch');
    // What pulls the pin to the controller's own rail moves with what it asks for: both ends of that rail are tried.
    const rail = end.power.rail;
    const corners = [supply.min, supply.max].map((volts) => {
      const boot = bootLevels(circuit, net, meant, rail === null ? null : { rail, volts });
      const needed = levelAt(level, strap.level === 'high' ? 'max' : 'min', volts - end.power.drop);
      const measured = boot && (strap.level === 'high' ? boot.low : Math.min(boot.high, volts));
      const margin =
        measured === null ? null : strap.level === 'high' ? measured - needed.volts : needed.volts - measured;
      return { boot, needed, measured, margin };
    });
    const [worst] = corners.toSorted((a, b) => (a.margin ?? Infinity) - (b.margin ?? Infinity));
    if (!worst) return [];
    const { boot, needed, measured, margin } = worst;
    const broken = margin !== null && margin < 0;
    return [
      result(circuit, meta, {
        subjects: [keyOf(controller.id, pin.terminal), wish.id],
        severity: broken ? 'fault' : null,
        measured,
        limit: needed.volts,
        unit: 'V',
        margin,
        message: broken
          ? tell('broken', {
              label,
              level: strap.level,
              wish: wish.label,
              measured: quantityOf(measured ?? 0, 'V'),
              meaning: strap.meaning,
            })
          : meant
            ? tell('meant', { wish: wish.label, label, level: strap.level, meaning: strap.meaning })
            : tell('holds', { wish: wish.label, label, level: strap.level }),
        meaning: tell('meaning'),
        workings: [
          { name: tell('askedBoot'), sum: strap.level },
          {
            name: tell('heldCircuit'),
            sum: boot?.sum ?? tell('nothingChipsOwnPull'),
            ...(measured === null ? {} : { value: measured, unit: 'V' }),
          },
          { name: tell('limit', { level: strap.level }), sum: needed.sum, value: needed.volts, unit: 'V' },
        ],
        rests: [
          [controller.card.id, strap.source],
          [controller.card.id, level.source],
        ],
      }),
    ];
  });
}

function judgeReserved(circuit: Circuit, use: ReturnType<typeof pinUses>[number]): Result[] {
  const { pin, label, wishes } = use;
  const { reserved } = pin;
  const controller = circuit.controller;
  if (!reserved || !controller || wishes.length === 0) return [];
  const flash = reserved.by === 'flash';
  return [
    result(circuit, meta, {
      subjects: [keyOf(controller.id, pin.terminal), ...wishes.map(({ id }) => id)],
      aspect: 'reserved',
      severity: flash ? 'fault' : 'caution',
      measured: wishes.length,
      limit: 0,
      unit: 'signals',
      margin: -wishes.length,
      message: tell('belongs', {
        label,
        by: reserved.by === 'usb' ? term('usb') : reserved.by,
        wishes: wishes.map((w) => w.label),
        meaning: reserved.meaning,
      }),
      meaning: flash ? tell('controllerCannotRunProgram') : tell('programmingMessagesFromBoard'),
      rests: [[controller.card.id, reserved.source]],
    }),
  ];
}

export const pinStrap = {
  meta,
  run: (circuit) => pinUses(circuit).flatMap((use) => [...judgeStrap(circuit, use), ...judgeReserved(circuit, use)]),
} satisfies Check;
