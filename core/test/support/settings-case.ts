/** Plans with everything set that a program must be told, drawn at random, and what they say, read off the plan itself. */
import type { Card } from '../../src/card/card.ts';
import type { Correction } from '../../src/deliver/settings/parts.ts';
import { documentOf, type PlanDocument } from '../../src/plan/document.ts';
import type { Need, PartChoice, Plan, PortChoice } from '../../src/plan/plan.ts';
import { randomFrom } from '../../src/quantity/random.ts';
import { crc8 } from '../../src/standard/crc8.ts';
import { library } from './demo.ts';
import { drawnBase } from './drawn-edits.ts';

const LABELS = [
  'x */ int y; /* "quoted"\\ ünicode 7',
  '7 up',
  'null',
  'NaN',
  'High',
  '??/ trigraph',
  '% s #define',
  '°C ²³',
  "it's",
  'Display',
];

export interface SettingsCase {
  readonly document: PlanDocument;
  readonly corrections: readonly Correction[];
}

const wireNumber = (random: () => number): string => {
  const bytes = [0x28, ...Array.from({ length: 6 }, () => Math.floor(random() * 256))];
  return [...bytes, crc8(bytes)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
};

export function settingsCase(seed: number): SettingsCase {
  const random = randomFrom(seed * 7919 + 3);
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const base = drawnBase(seed);
  const cardOf = (part: PartChoice): Card | undefined =>
    base.cards.find(({ id }) => id === part.card) ?? library.get(part.card);
  const needs: Need[] = [...base.plan.needs];
  const corrections: Correction[] = [];
  const port = (own: Card['ports'][number], choice: PortChoice): PortChoice => ({
    ...choice,
    ...(own.words
      ? {
          words: Object.fromEntries(
            own.words.flatMap(({ id, bits }) => (random() < 0.7 ? [[id, Math.floor(random() * 2 ** bits)]] : [])),
          ),
        }
      : {}),
    ...(own.stretches?.noHold && random() < 0.5 ? { noHold: random() < 0.5 } : {}),
    ...(own.rates && random() < 0.7 ? { rate: pick(own.rates) } : {}),
    ...(own.protocol === 'onewire' && random() < 0.7 ? { number: wireNumber(random) } : {}),
    ...(choice.lines
      ? {
          lines: Object.fromEntries(
            Object.entries(choice.lines).map(([line, pin]) => [
              line,
              random() < 0.2 ? { ...pin, weakPull: random() < 0.7 } : pin,
            ]),
          ),
        }
      : {}),
  });
  const parts = base.plan.parts.map((part): PartChoice => {
    const card = cardOf(part);
    const [measure] = card?.measures ?? [];
    if (!card || part.id === base.plan.controller) return part;
    const own: string[] = [...part.needs];
    if (measure && own.length === 0 && random() < 0.7) {
      const id = `want-${part.id}`.slice(0, 48);
      const { from, to } = measure.range;
      needs.push({
        id,
        kind: 'sense',
        quantity: measure.quantity,
        unit: measure.unit,
        from,
        to,
        accuracy: (to - from) / 10,
        interval: pick([1, 2.5, 60, 3600]),
        place: 'here',
      });
      own.push(id);
    }
    const watched = own.find((id) => needs.some((need) => need.id === id && need.kind === 'sense'));
    if (watched !== undefined && random() < 0.4)
      needs.push({
        id: `alarm-${part.id}`.slice(0, 48),
        kind: 'trigger',
        of: watched,
        when: pick(['above', 'below']),
        level: Math.round(random() * 1000) / 10,
        hysteresis: Math.round(random() * 20) / 10,
        release: pick(['clears', 'sticky']),
        sets: [],
      });
    for (const { quantity } of card.measures)
      if (random() < 0.3)
        corrections.push({ part: part.id, quantity, gain: pick([1, 0.98, 1.0125]), offset: random() - 0.5 });
    const bits = card.measures.flatMap(({ coarser }) => coarser ?? []).map((c) => c.bits);
    return {
      ...part,
      label: random() < 0.2 ? pick(LABELS) : part.label,
      needs: own,
      ...(bits.length > 0 && random() < 0.7 ? { bits: pick(bits) } : {}),
      ports: Object.fromEntries(
        card.ports.flatMap((p) => {
          const choice = part.ports[p.id];
          return choice ? [[p.id, port(p, choice)]] : [];
        }),
      ),
    };
  });
  const buses = base.plan.buses.map((bus) => ({
    ...bus,
    ...(bus.protocol === 'i2c' && random() < 0.5 ? { clock: pick([10e3, 100e3, 400e3]) } : {}),
  }));
  const plan: Plan = { ...base.plan, name: pick([base.plan.name, 'a */ b \\ c']), parts, buses, needs };
  return { document: documentOf(plan, base.cards, library), corrections };
}

interface Bounds {
  readonly min?: number | undefined;
  readonly typ?: number | undefined;
  readonly max?: number | undefined;
}

const most = (figure: Bounds | undefined): number | undefined => figure && (figure.max ?? figure.typ ?? figure.min);

/** What the plan says of each thing, by "kind id setting of". Of those in `READ_OFF` it says all there is. */
export function readOff({
  document: { plan, cards },
  corrections,
}: SettingsCase): Map<string, number | string | boolean> {
  const said = new Map<string, number | string | boolean>();
  const say = (kind: string, id: string, what: string, value: number | string | boolean | undefined, of = '') => {
    if (value !== undefined) said.set(`${kind} ${id} ${what} ${of}`.trim(), value);
  };
  const card = (id: string): Card | undefined => cards.find((c) => c.id === id);
  const board = card(plan.parts.find(({ id }) => id === plan.controller)?.card ?? '');
  const pin = (id: string, choice: { pin: string | null; weakPull?: boolean | undefined }): void => {
    const label = board?.terminals.find((t) => t.id === choice.pin)?.label;
    say('pin', id, 'pin', label);
    if (label !== undefined && choice.weakPull) say('pin', id, 'pullUp', true);
  };
  const onBus = (id: string) =>
    plan.parts.flatMap((part) => Object.values(part.ports).filter(({ bus }) => bus === id)).length > 0;
  const clock = (id: string): number | undefined => {
    const bus = plan.buses.find((b) => b.id === id);
    if (bus?.clock !== undefined || !bus?.behind) return bus?.clock;
    const gate = plan.parts.find((part) => part.id === bus.behind?.part);
    const above = Object.values(gate?.ports ?? {}).find((choice) => choice.bus !== undefined)?.bus;
    return above === undefined ? undefined : clock(above);
  };
  for (const [n, bus] of plan.buses.entries()) {
    if (bus.behind === undefined)
      for (const [line, choice] of Object.entries(bus.lines)) pin(`${bus.id}.${line}`, choice);
    if (!onBus(bus.id)) continue;
    say('bus', bus.id, 'bus', n);
    say('bus', bus.id, 'clock', clock(bus.id));
    if (bus.behind) {
      const gate = plan.parts.find(({ id }) => id === bus.behind?.part);
      const port = card(gate?.card ?? '')?.busSwitch?.port ?? '';
      const own = card(gate?.card ?? '')?.ports.find(({ id }) => id === port);
      say('bus', bus.id, 'channel', bus.behind.channel);
      say('bus', bus.id, 'channelByte', 2 ** bus.behind.channel);
      if (gate?.ports[port]?.bus !== undefined)
        say('bus', bus.id, 'behind', gate.ports[port]?.address ?? own?.addresses?.[0]?.value);
    } else if (bus.protocol !== 'spi')
      say(
        'bus',
        bus.id,
        'ownPulls',
        Object.values(bus.lines).some(({ weakPull }) => weakPull === true),
      );
    const overlay = board?.controller?.overlays?.find(({ protocol }) => protocol === bus.protocol);
    const data = bus.lines.data?.pin ?? null;
    if (overlay && data !== null && data !== overlay.pin)
      say('bus', bus.id, 'driver', board?.terminals.find(({ id }) => id === data)?.label, overlay.parameter);
  }
  for (const part of plan.parts) {
    const own = card(part.card);
    // A programmer is no part of the build at work.
    if (!own || part.id === plan.controller || part.only || own.ports.length === 0) continue;
    const several = (list: readonly unknown[], name: string) => (list.length > 1 ? name : '');
    say('part', part.id, 'type', own.class);
    const used = own.modes
      ? own.ports.filter(
          ({ id }) =>
            own.modes?.[Math.min(part.mode ?? 0, own.modes.length - 1)]?.includes(id) ||
            !own.modes?.some((ports) => ports.includes(id)),
        )
      : own.ports;
    for (const port of used) {
      const choice = part.ports[port.id];
      const of = several(used, port.id);
      if (choice?.bus !== undefined) {
        say(
          'part',
          part.id,
          'on',
          plan.buses.findIndex(({ id }) => id === choice.bus),
          of,
        );
        if (port.protocol === 'i2c') say('part', part.id, 'address', choice.address ?? port.addresses?.[0]?.value, of);
      }
      // As fast as the part takes it, and no faster than the bus is meant to go.
      if ((port.protocol === 'spi' || port.protocol === 'clocked') && port.clock)
        say('part', part.id, 'clock', Math.min(most(port.clock) ?? 0, clock(choice?.bus ?? '') ?? Infinity), of);
      say('part', part.id, 'mode', port.spiMode, of);
      say('part', part.id, 'lights', port.chain?.lights, of);
      for (const line of port.interrupts?.lines ?? []) {
        const to = choice?.lines?.[line];
        if (to && to.pin !== null && to.on === undefined && to.tied === undefined)
          say('pin', `${part.id}.${port.id}.${line}`, 'everyEdge', true);
      }
      say('part', part.id, 'number', choice?.number, of);
      if (port.stretches?.noHold) say('part', part.id, 'noHold', choice?.noHold ?? false, of);
      if (port.protocol === 'uart' && port.rate)
        say('part', part.id, 'rate', choice?.rate ?? port.rate.typ ?? most(port.rate), of);
      for (const word of port.words ?? []) {
        say('part', part.id, 'word', choice?.words?.[word.id], word.name);
        if (choice?.words?.[word.id] !== undefined) say('part', part.id, 'register', word.register, word.name);
      }
      for (const [line, to] of Object.entries(choice?.lines ?? {}))
        if (to.on === undefined && to.tied === undefined) pin(`${part.id}.${port.id}.${line}`, to);
    }
    const intervals = plan.needs.flatMap((need) =>
      need.kind === 'sense' && part.needs.includes(need.id) ? [need.interval] : [],
    );
    say('part', part.id, 'every', part.run?.every ?? (intervals.length > 0 ? Math.min(...intervals) : undefined));
    for (const measure of own.measures) {
      const of = several(own.measures, measure.quantity);
      const fewer = measure.coarser?.find(({ bits }) => bits === part.bits);
      say('part', part.id, 'step', fewer?.resolution ?? measure.resolution?.value, of);
      say('part', part.id, 'conversion', most(fewer?.conversion ?? measure.conversion), of);
      say('part', part.id, 'shortest', most(fewer?.conversion ?? measure.interval), of);
      say('part', part.id, 'warmUp', most(measure.warmUp), of);
      say('part', part.id, 'burnIn', most(measure.burnIn), of);
      const right = corrections.find((c) => c.part === part.id && c.quantity === measure.quantity);
      say('part', part.id, 'offset', right?.offset, of);
      if (right && right.gain !== 1) say('part', part.id, 'gain', right.gain, of);
    }
    // Thermometers on one wire come set to twelve bits; of any other part only what was chosen is known.
    if (own.measures.some(({ coarser }) => coarser))
      say(
        'part',
        part.id,
        'bits',
        part.bits ?? (own.ports.some(({ protocol }) => protocol === 'onewire') ? 12 : undefined),
      );
    say('part', part.id, 'columns', own.display?.columns);
    say('part', part.id, 'rows', own.display?.rows);
  }
  for (const need of plan.needs) {
    if (need.kind !== 'trigger') continue;
    const back = need.when === 'above' ? need.level - need.hysteresis : need.level + need.hysteresis;
    say('trigger', need.id, 'above', need.when === 'above');
    say('trigger', need.id, 'level', need.level);
    say('trigger', need.id, 'sticky', need.release === 'sticky');
    if (need.release !== 'sticky') say('trigger', need.id, 'endsAt', back);
  }
  return said;
}

/** Settings of which `readOff` says all that there are. */
export const READ_OFF: readonly string[] = [
  'pin',
  'pullUp',
  'bus',
  'clock',
  'channel',
  'type',
  'on',
  'address',
  'number',
  'noHold',
  'rate',
  'word',
  'every',
  'step',
  'conversion',
  'shortest',
  'warmUp',
  'offset',
  'gain',
  'columns',
  'rows',
  'above',
  'level',
  'sticky',
  'endsAt',
  'channelByte',
  'behind',
  'ownPulls',
  'driver',
  'mode',
  'lights',
  'everyEdge',
  'register',
  'burnIn',
  'bits',
];
