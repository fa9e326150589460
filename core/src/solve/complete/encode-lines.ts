/** Lines as choices: each takes a pin, and the lines of one group take them on one peripheral. */
import { peripheralOf } from '../../card/protocol.ts';
import { toInterval } from '../../card/to-interval.ts';
import { pinBootState } from '../../check/pin-boot-state.ts';
import { pinStrap } from '../../check/pin-strap.ts';
import { deriveCircuit } from '../../circuit/derive.ts';
import { pinPreciousness } from '../../circuit/free-pins.ts';
import type { Circuit, PinWish } from '../../circuit/model.ts';
import { type PinUse, featuresInUse, instancesFor, pinUses } from '../../circuit/pin-function.ts';
import { pwmChannel } from '../../circuit/pin-units.ts';
import { pinCurrents } from '../../physics/pin-currents.ts';
import { setPin } from '../../plan/edits.ts';
import { keyOf, ownerOf, parseRef } from '../../plan/ref.ts';
import { type Text, tells } from '../../quantity/message.ts';
import type { Draft, DraftChoice, DraftUse, Piece } from '../joint/draft.ts';
import type { Member, Resource } from '../joint/problem.ts';
import { type EncodingContext } from './encoding-context.ts';
import { ABSENT, CHOICE, LEFT_OUT, RESOURCE } from './names.ts';
import type { PartOptions } from './ways.ts';

/** What is said here, by the data that it takes. */
export interface SolveCompleteEncodeLinesSays {
  readonly lock: { wish: Text; label: Text };
}

const tell = tells<SolveCompleteEncodeLinesSays>('solve/complete-encode-lines');

/** A line off its place in the order of the pins costs up to this. */
const FARTHEST = 20;

/** Pins in the order in which they stand on the board. */
function physicalOrder(circuit: Circuit): Map<string, number> {
  const card = circuit.controller?.card;
  const headers = new Map(card?.headers.map(({ id }, i) => [id, i]));
  const at = (terminal: string) => {
    const t = card?.terminals.find(({ id }) => id === terminal);
    return (headers.get(t?.header ?? '') ?? 0) * 1000 + (t?.position ?? 0);
  };
  const pins = [...(card?.controller?.pins ?? [])].map(({ terminal }) => terminal);
  return new Map(pins.toSorted((a, b) => at(a) - at(b)).map((terminal, i) => [terminal, i]));
}

/** The circuit of a trial that has this line, and what the line is called there. */
function trialOf(parts: readonly PartOptions[], wish: PinWish): { circuit: Circuit; of: string } | null {
  const { part: owner } = parseRef(wish.of);
  for (const part of parts) {
    const circuit = part.ways[0]?.wired.circuit;
    if (part.choice.id === owner && circuit) return { circuit, of: wish.of };
    const bus = circuit?.plan.buses.find(({ id }) => part.node.choice?.ports && id === busIn(part, wish.of));
    if (circuit && bus) return { circuit, of: bus.id };
  }
  return null;
}

/** The trial's own name for a bus that a part is on. */
function busIn(part: PartOptions, bus: string): string | undefined {
  const ports = Object.entries(part.choice.ports).filter(([, choice]) => choice.bus === bus);
  const [port] = ports[0] ?? [];
  return port === undefined ? undefined : part.ways[0]?.wired.part.ports[port]?.bus;
}

/** True where the line may be on a pin that boots or starts in its own way. Pins of one manner are asked once. */
class BootManners {
  private readonly known = new Map<string, boolean>();

  constructor(private readonly making: EncodingContext) {}

  allows(wish: PinWish, use: PinUse): boolean {
    const { strap, boot } = use.pin;
    if (!strap && !boot) return true;
    const key = JSON.stringify([wish.id, strap?.level, boot?.drives, boot?.pull]);
    const known = this.known.get(key);
    if (known !== undefined) return known;
    const trial = trialOf(this.making.parts, wish);
    // A line that no trial has: pins that the start asks something of are left alone.
    const answer = trial ? this.ask(trial.circuit, trial.of, wish, use) : !strap;
    this.known.set(key, answer);
    return answer;
  }

  private ask(circuit: Circuit, of: string, wish: PinWish, use: PinUse): boolean {
    const choice = { pin: use.pin.terminal, locked: false, ...(wish.weakPull ? { weakPull: true } : {}) };
    const plan = setPin(circuit.plan, of, wish.line, choice);
    const tried = deriveCircuit({ plan, cards: [...circuit.cards.values()] });
    return [...pinStrap.run(tried), ...pinBootState.run(tried)].every(
      ({ severity, subjects }) =>
        (severity !== 'fault' && severity !== 'danger') || !subjects.includes(keyOf(of, wish.line)),
    );
  }
}

/** Lines of the plan, and those of buses that may be added. Lines of what sits on a carrier are where it leads them. */
export function encodeLines(making: EncodingContext): Piece[] {
  const { bench } = making;
  const circuit = bench.standing.circuit;
  const fitted = new Set(bench.circuit.plan.parts.flatMap(({ id, fittedOn }) => (fittedOn === undefined ? [] : [id])));
  const isFitted = (wish: PinWish) => fitted.has(ownerOf(wish.of));
  const taken = new Set(making.wishes.flatMap((wish) => (isFitted(wish) && wish.pin ? [wish.pin] : [])));
  const uses = pinUses(circuit).filter(
    ({ pin, led }) => pin.reserved?.by !== 'flash' && led && !taken.has(pin.terminal),
  );
  const wishes = making.wishes.filter((wish) => !isFitted(wish));
  const counters = countersFor(bench.standing.circuit, wishes);
  const groups = currentGroups(circuit);
  const optionsFor = lineOptions(making, wishes, uses, counters, groups);
  const lines = wishes.map((wish, i) => {
    const lock = lockOf(circuit, wish);
    return { lock, options: [...optionsFor(wish, i, lock), ...absentFor(making, wish)], id: CHOICE.line(wish.id) };
  });
  return [
    { resources: uses.map(({ pin }) => RESOURCE.pin(pin.terminal)), choices: unitChoices(making, wishes, uses) },
    { choices: [...counters.values()].map(({ choice }) => choice) },
    {
      resources: groups.map(({ resource }) => resource),
      members: lines.flatMap(({ lock }) => lock ?? []),
      choices: lines.map(({ id, options }) => ({ id, options })),
    },
  ];
}

function lockOf(circuit: Circuit, wish: PinWish): Member | null {
  if (!wish.locked || !wish.pin) return null;
  const label = circuit.controller?.card.terminals.find(({ id }) => id === wish.pin)?.label ?? '';
  return { id: `lock:${wish.id}`, kind: 'lock', of: wish.id, label: tell('lock', { wish: wish.label, label }) };
}

interface CurrentGroup {
  /** Null: all pins. */
  readonly pins: readonly string[] | null;
  /** mA */
  readonly resource: Resource;
}

const currentGroups = ({ controller, plan }: Circuit): CurrentGroup[] =>
  (controller?.card.controller?.currentGroups ?? []).map(({ id, pins, limit }) => ({
    pins: pins ?? null,
    resource: RESOURCE.group(id, toInterval(limit).min * plan.rules.derating * 1e3),
  }));

/** @returns the pins that a line can have, as options */
function lineOptions(
  making: EncodingContext,
  wishes: readonly PinWish[],
  pins: readonly PinUse[],
  counters: Counters,
  groups: readonly CurrentGroup[],
) {
  const { bench } = making;
  const manners = new BootManners(making);
  const order = physicalOrder(bench.standing.circuit);
  const amps = new Map(pinCurrents(bench.circuit).map(({ pin, amps: a }) => [pin, a]));
  return (wish: PinWish, i: number, lock: Member | null): Draft[] => {
    const draws = wish.pin === null ? 0 : (amps.get(wish.pin) ?? 0) * 1e3;
    return pins.flatMap((use): Draft[] => {
      const { terminal, reserved, noPull } = use.pin;
      const instances = instancesFor(use.functions, wish.ask);
      if (instances.length === 0 || (wish.weakPull && noPull) || !manners.allows(wish, use)) return [];
      const channel = wish.ask === 'pwm' ? pwmChannel(use.functions) : null;
      const off = Math.abs((i + 0.5) / wishes.length - ((order.get(terminal) ?? 0) + 0.5) / order.size);
      const shared = groups.filter((group) => draws > 0 && (!group.pins || group.pins.includes(terminal)));
      const uses: DraftUse[] = [
        { resource: RESOURCE.pin(terminal), amount: 1 },
        ...(channel === null ? [] : [{ resource: RESOURCE.channel(channel), amount: 1 }]),
        ...shared.map(({ resource }) => ({ resource, amount: draws })),
      ];
      return [
        {
          id: terminal,
          goals: {
            cautions: Number(reserved !== undefined),
            changes: Number(wish.pin !== null && wish.pin !== terminal),
            untidiness: pinPreciousness(use) + Math.round(FARTHEST * off),
          },
          uses,
          requires: {
            ...thereFor(making, wish),
            ...(wish.group === null ? {} : { [CHOICE.unit(wish.group)]: instances }),
            ...(channel === null ? {} : counterFor(counters, wish, channel)),
          },
          ...(lock !== null && terminal !== wish.pin ? { freedBy: lock.id } : {}),
        },
      ];
    });
  };
}

const isBus = ({ segments }: EncodingContext, of: string): boolean => segments.some(({ bus }) => bus.id === of);

/** What must be there for a line to want a pin. */
function thereFor({ segments }: EncodingContext, { of }: PinWish): Record<string, readonly string[]> {
  const segment = segments.find(({ bus }) => bus.id === of);
  return segment ? { [CHOICE.bus(of)]: segment.there } : {};
}

/** The option of a line that is not there: its bus is not, or its part is left out. */
function absentFor(making: EncodingContext, { of }: PinWish): Draft[] {
  if (isBus(making, of)) return [{ id: ABSENT, requires: { [CHOICE.bus(of)]: [ABSENT] } }];
  const { part } = parseRef(of);
  if (!making.parts.some(({ choice }) => choice.id === part)) return [];
  return [{ id: ABSENT, requires: { [CHOICE.part(part)]: [LEFT_OUT] }, freedBy: `part:${part}` }];
}

function unitChoices(making: EncodingContext, wishes: readonly PinWish[], uses: readonly PinUse[]): DraftChoice[] {
  const taken = new Set(featuresInUse(making.bench.standing.circuit).flatMap(({ takes }) => takes));
  return [...new Set(wishes.flatMap((wish) => wish.group ?? []))].map((group): DraftChoice => {
    const lines = wishes.filter((wish) => wish.group === group);
    const kind = peripheralOf(lines[0]?.ask);
    const all = lines.map(({ ask }) => new Set(uses.flatMap(({ functions }) => instancesFor(functions, ask))));
    const instances = [...(all[0] ?? [])].filter(
      (instance) => all.every((set) => set.has(instance)) && !taken.has(`${kind}${instance}`),
    );
    const options = instances.sort().map((id) => ({
      id,
      uses: [{ resource: RESOURCE.unit(`${kind}${id}`), amount: 1 }],
    }));
    return {
      id: CHOICE.unit(group),
      options: [...options, ...lines.slice(0, 1).flatMap((wish) => absentFor(making, wish))],
    };
  });
}

/** Choices of a frequency, by the channels that share a counter. */
type Counters = ReadonlyMap<
  readonly string[],
  { readonly choice: DraftChoice; readonly frequencies: readonly number[] }
>;

/** Counters that PWM channels share: one frequency each, of those that the lines can agree on. */
function countersFor({ controller }: Circuit, wishes: readonly PinWish[]): Counters {
  const stated = wishes.flatMap(({ ask, frequency }) => (ask === 'pwm' && frequency ? [frequency] : []));
  if (stated.length === 0) return new Map();
  // Ranges that overlap all hold the highest of their lower ends, so no other frequency has to be thought of.
  const lows = [...new Set(stated.map(({ min }) => min))].sort((a, b) => a - b);
  return new Map(
    (controller?.card.controller?.pwmGroups ?? []).map(({ id, channels, fixed }) => {
      const frequencies = fixed ? [toInterval(fixed).typ] : lows;
      const options = frequencies.map((hz) => ({ id: String(hz) }));
      return [channels, { choice: { id: CHOICE.counter(id), options }, frequencies }];
    }),
  );
}

function counterFor(counters: Counters, { frequency }: PinWish, channel: string): Record<string, readonly string[]> {
  const found = [...counters].find(([channels]) => channels.includes(channel));
  if (!found || !frequency) return {};
  const [, { choice, frequencies }] = found;
  return { [choice.id]: frequencies.filter((hz) => hz >= frequency.min && hz <= frequency.max).map(String) };
}
