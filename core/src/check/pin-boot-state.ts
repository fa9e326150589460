import type { Port } from '../card/port.ts';
import type { LevelFigure } from '../card/figure.ts';
import type { Circuit, Net, NetEnd, PartNode } from '../circuit/model.ts';
import { levelAt } from '../circuit/level.ts';
import { pinByTerminal } from '../circuit/pin-function.ts';
import { bootRest, type BootRest } from '../physics/at-boot.ts';
import { highestRest } from '../physics/node.ts';
import { result, type Check, type CheckMeta, type Result, type Step } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overNets } from './over.ts';
import { netOf } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface PinBootStateSays {
  readonly givesPulses: null;
  readonly goes: { drives: Text };
  readonly itselfWhileControllerStarts: { label: Text; drives: Text; part: Text };
  readonly nothingHoldsWhileController: { label: Text; part: Text };
  readonly restsWhileControllerStarts: { label: Text; measured: Quantity; part: Text; on: Text; limit: Quantity };
  readonly switches: null;
  readonly when: { on: Text };
  readonly words: { label: Text };
  readonly drivesNothing: null;
  readonly held: null;
  readonly sureBeOff: null;
  readonly vilInput: null;
  readonly vihInput: null;
  readonly holds: { part: Text };
  readonly meaning: null;
  readonly everyStartEveryCut: null;
}

const tell = tells<PinBootStateSays>('pin/boot-state');

const meta = {
  id: 'pin/boot-state',
  station: 'pins',
  breaks: 'fault',
  scope: 'part',
  reads: [
    'controller/io/leakage',
    'signals/*/fittedPullDown',
    'signals/*/inputHigh',
    'signals/*/inputLow',
    'signals/*/leakage',
  ],
} as const satisfies CheckMeta;

const V = (x: number) => quantityOf(x, 'V');

export interface Switched {
  readonly part: PartNode;
  readonly port: Port;
  readonly end: NetEnd;
  /** The net that the part's input is on, and the one with the pin. */
  readonly net: Net;
  readonly trunk: Net;
  readonly on: 'low' | 'high';
}

/** Inputs of parts that switch something on at a level. */
export const switchedInputs = (circuit: Circuit): Switched[] => circuit.nets.flatMap((net) => switchedOn(circuit, net));

function switchedOn(circuit: Circuit, net: Net): Switched[] {
  return net.ends.flatMap((end) => {
    const part = end.controller ? undefined : circuit.parts.get(end.part);
    const port = part?.card.ports.find(({ lines, active }) => active && Object.values(lines).includes(end.signal));
    const trunk = net.beyond === null ? net : netOf(circuit, net.trunk);
    if (!part || !port?.active || !trunk?.ends.some((e) => e.controller)) return [];
    return [{ part, port, end, net, trunk, on: port.active.level }];
  });
}

/** What the input sees: the line itself, or what a translator makes of it. */
function seen({ net, trunk }: Switched, rest: BootRest): { low: number; high: number } | null {
  if (rest.low === null || rest.high === null) return null;
  if (net === trunk) return { low: rest.low, high: rest.high };
  const translator = trunk.ends.find((end) => end.part === net.beyond);
  const level = translator?.levels.inputLow;
  const supply = translator?.power.voltage;
  const held =
    level && supply ? rest.high <= levelAt(level, 'min', supply.min - translator.power.drop).volts : rest.high === 0;
  const lifted = highestRest(net)?.volts ?? net.ends.find((end) => end.part === net.beyond)?.power.voltage?.max ?? 0;
  return held ? { low: 0, high: rest.high } : { low: rest.low, high: lifted };
}

interface AtStart {
  readonly rest: BootRest;
  /** V, below (above, where low switches on) which the load is sure to be off. */
  readonly limit: number;
  /** V at the input; null where the pin drives it, or nothing does. */
  readonly measured: number | null;
  readonly margin: number | null;
  /** The pin itself switches it on. */
  readonly driven: boolean;
  /** The pin itself keeps it off. */
  readonly quiet: boolean;
}

/** At either end of the input's own supply: a resistor to that rail moves with what the input asks for. */
function restsOf(circuit: Circuit, load: Switched, level: LevelFigure): AtStart[] {
  const { end, trunk, on } = load;
  const { rail, voltage, drop } = end.power;
  return [voltage?.min ?? 0, voltage?.max ?? 0].map((volts) => {
    const rest = bootRest(circuit, trunk, rail === null ? null : { rail, volts });
    const at = seen(load, rest);
    const limit = levelAt(level, on === 'high' ? 'min' : 'max', volts - drop).volts;
    const driven = rest.drives === 'pulses' || rest.drives === on;
    const quiet = rest.drives !== 'nothing' && !driven;
    const measured = driven || quiet ? null : on === 'high' ? (at?.high ?? null) : (at?.low ?? null);
    const margin = measured === null ? null : on === 'high' ? limit - measured : measured - limit;
    return { rest, limit, measured, margin, driven, quiet };
  });
}

function judge(circuit: Circuit, load: Switched): Result[] {
  const { part, port, end, trunk, on } = load;
  const pinEnd = trunk.ends.find((e) => e.controller);
  const pin = pinEnd && circuit.controller && pinByTerminal(circuit.controller.card, pinEnd.terminal);
  const level = on === 'high' ? end.levels.inputLow : end.levels.inputHigh;
  if (!pinEnd || !pin || !circuit.controller || !level) return [];
  const [worst] = restsOf(circuit, load, level).toSorted((a, b) => (a.margin ?? Infinity) - (b.margin ?? Infinity));
  if (!worst) return [];
  const { rest, limit, measured, margin, driven, quiet } = worst;
  const floats = !driven && !quiet && measured === null;
  const broken = driven || floats || (margin !== null && margin < 0);
  const mains = part.card.cautions?.some(({ hazard }) => hazard === 'mains') ?? false;
  const label = pinEnd.label;
  const what = driven
    ? tell('itselfWhileControllerStarts', {
        label,
        drives: rest.drives === 'pulses' ? tell('givesPulses') : tell('goes', { drives: rest.drives }),
        part: part.label,
      })
    : floats
      ? tell('nothingHoldsWhileController', { label, part: part.label })
      : tell('restsWhileControllerStarts', {
          label,
          measured: V(measured ?? 0),
          part: part.label,
          on: on === 'high' ? term('below') : term('above'),
          limit: V(limit),
        });
  const workings: Step[] = [
    { name: tell('switches'), sum: tell('when', { on }) },
    { name: tell('words', { label }), sum: rest.drives === 'nothing' ? tell('drivesNothing') : rest.drives },
    { name: tell('held'), sum: rest.sum, ...(measured === null ? {} : { value: measured, unit: 'V' }) },
    { name: tell('sureBeOff'), sum: on === 'high' ? tell('vilInput') : tell('vihInput'), value: limit, unit: 'V' },
  ];
  return [
    result(circuit, meta, {
      subjects: [keyOf(part.id, port.id), trunk.id],
      severity: broken ? (mains ? 'danger' : 'fault') : null,
      measured,
      limit,
      unit: 'V',
      margin,
      message: broken ? what : tell('holds', { part: part.label }),
      meaning: mains ? tell('meaning') : tell('everyStartEveryCut'),
      workings,
      rests: [
        [part.card.id, port.active?.source],
        [part.card.id, level.source],
        [circuit.controller.card.id, pin.boot?.source],
      ],
    }),
  ];
}

export const pinBootState = {
  meta,
  ...overNets((circuit, net) => switchedOn(circuit, net).flatMap((load) => judge(circuit, load))),
} satisfies Check;
