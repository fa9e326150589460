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
import type { Draft } from '../joint/builder.ts';
import { ABSENT, CHOICE, type EncodingContext, LEFT_OUT, isThere } from './making.ts';
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
export function encodeLines(making: EncodingContext): void {
  const { bench, builder } = making;
  const circuit = bench.standing.circuit;
  const fitted = new Set(bench.circuit.plan.parts.flatMap(({ id, fittedOn }) => (fittedOn === undefined ? [] : [id])));
  const isFitted = (wish: PinWish) => fitted.has(ownerOf(wish.of));
  const taken = new Set(making.wishes.flatMap((wish) => (isFitted(wish) && wish.pin ? [wish.pin] : [])));
  const uses = pinUses(circuit).filter(
    ({ pin, led }) => pin.reserved?.by !== 'flash' && led && !taken.has(pin.terminal),
  );
  for (const { pin } of uses) builder.resource(`pin:${pin.terminal}`, 1, 'pin');
  const wishes = making.wishes.filter((wish) => !isFitted(wish));
  encodeUnits(making, wishes, uses);
  const counters = encodeCounters(making, wishes);
  const manners = new BootManners(making);
  const order = physicalOrder(circuit);
  const amps = new Map(pinCurrents(bench.circuit).map(({ pin, amps: a }) => [pin, a]));
  const groups = circuit.controller?.card.controller?.currentGroups ?? [];
  for (const group of groups)
    builder.resource(`group:${group.id}`, toInterval(group.limit).min * bench.circuit.plan.rules.derating * 1e3);
  wishes.forEach((wish, i) => {
    const label = circuit.controller?.card.terminals.find(({ id }) => id === wish.pin)?.label ?? '';
    const lock =
      wish.locked && wish.pin
        ? builder.member({
            id: `lock:${wish.id}`,
            kind: 'lock',
            of: wish.id,
            label: tell('lock', { wish: wish.label, label }),
          })
        : null;
    const options = uses.flatMap((use): Draft[] => {
      const { terminal, reserved, noPull } = use.pin;
      const instances = instancesFor(use.functions, wish.ask);
      if (instances.length === 0 || (wish.weakPull && noPull) || !manners.allows(wish, use)) return [];
      const channel = wish.ask === 'pwm' ? pwmChannel(use.functions) : null;
      const draws = wish.pin === null ? 0 : (amps.get(wish.pin) ?? 0) * 1e3;
      const off = Math.abs((i + 0.5) / wishes.length - ((order.get(terminal) ?? 0) + 0.5) / order.size);
      return [
        {
          id: terminal,
          goals: {
            cautions: Number(reserved !== undefined),
            changes: Number(wish.pin !== null && wish.pin !== terminal),
            untidiness: pinPreciousness(use) + Math.round(FARTHEST * off),
          },
          uses: {
            [`pin:${terminal}`]: 1,
            ...(channel === null ? {} : { [builder.resource(`channel:${channel}`, 1, 'channel')]: 1 }),
            ...Object.fromEntries(
              groups.flatMap(({ id, pins }) =>
                draws > 0 && (!pins || pins.includes(terminal)) ? [[`group:${id}`, draws]] : [],
              ),
            ),
          },
          requires: {
            ...thereFor(making, wish),
            ...(wish.group === null ? {} : { [CHOICE.unit(wish.group)]: instances }),
            ...(channel === null ? {} : (counters(wish, channel) ?? {})),
          },
          ...(lock !== null && terminal !== wish.pin ? { freedBy: lock } : {}),
        },
      ];
    });
    builder.choice(CHOICE.line(wish.id), [...options, ...absentFor(making, wish)]);
  });
}

const isBus = ({ segments }: EncodingContext, of: string): boolean => segments.some(({ bus }) => bus.id === of);

/** What must be there for a line to want a pin. */
function thereFor(making: EncodingContext, { of }: PinWish): Record<string, readonly string[]> {
  return isBus(making, of) ? { [CHOICE.bus(of)]: making.builder.optionsOf(CHOICE.bus(of), isThere) } : {};
}

/** The option of a line that is not there: its bus is not, or its part is left out. */
function absentFor(making: EncodingContext, { of }: PinWish): Draft[] {
  if (isBus(making, of)) return [{ id: ABSENT, requires: { [CHOICE.bus(of)]: [ABSENT] } }];
  const { part } = parseRef(of);
  if (!making.parts.some(({ choice }) => choice.id === part)) return [];
  return [{ id: ABSENT, requires: { [CHOICE.part(part)]: [LEFT_OUT] }, freedBy: `part:${part}` }];
}

function encodeUnits(making: EncodingContext, wishes: readonly PinWish[], uses: readonly PinUse[]): void {
  const { builder, bench } = making;
  const taken = new Set(featuresInUse(bench.standing.circuit).flatMap(({ takes }) => takes));
  for (const group of new Set(wishes.flatMap((wish) => wish.group ?? []))) {
    const lines = wishes.filter((wish) => wish.group === group);
    const kind = peripheralOf(lines[0]?.ask);
    const all = lines.map(({ ask }) => new Set(uses.flatMap(({ functions }) => instancesFor(functions, ask))));
    const instances = [...(all[0] ?? [])].filter(
      (instance) => all.every((set) => set.has(instance)) && !taken.has(`${kind}${instance}`),
    );
    builder.choice(CHOICE.unit(group), [
      ...instances.sort().map((instance) => ({
        id: instance,
        uses: { [builder.resource(`unit:${kind}${instance}`, 1, 'unit')]: 1 },
      })),
      ...lines.slice(0, 1).flatMap((wish) => absentFor(making, wish)),
    ]);
  }
}

/** Counters that PWM channels share: one frequency each, of those that the lines can agree on. */
function encodeCounters(making: EncodingContext, wishes: readonly PinWish[]) {
  const { builder, bench } = making;
  const groups = bench.standing.circuit.controller?.card.controller?.pwmGroups ?? [];
  const stated = wishes.flatMap(({ ask, frequency }) => (ask === 'pwm' && frequency ? [frequency] : []));
  const lows = [...new Set(stated.map(({ min }) => min))].sort((a, b) => a - b);
  // Ranges that overlap all hold the highest of their lower ends, so no other frequency has to be thought of.
  const frequencies = (fixed: number | null) => (fixed === null ? lows : [fixed]);
  for (const group of groups) {
    const fixed = group.fixed ? toInterval(group.fixed).typ : null;
    const options = frequencies(fixed).map((hz) => ({ id: String(hz) }));
    if (stated.length > 0) builder.choice(CHOICE.counter(group.id), options);
  }
  return (wish: PinWish, channel: string): Record<string, readonly string[]> | null => {
    const group = groups.find(({ channels }) => channels.includes(channel));
    const { frequency } = wish;
    if (!group || !frequency) return null;
    const id = CHOICE.counter(group.id);
    return { [id]: builder.optionsOf(id, (hz) => Number(hz) >= frequency.min && Number(hz) <= frequency.max) };
  };
}
