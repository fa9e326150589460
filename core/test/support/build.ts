/** Small cards and plans made for one question each. Their figures are invented; what they are compared with is not. */
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { Card } from '../../src/card/card.ts';
import { libraryOf } from '../../src/card/library.ts';
import { CARD_VERSION } from '../../src/card/version.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import type { Verdict } from '../../src/check/standing.ts';
import { verify } from '../../src/check/verify.ts';
import { sayResult, type SaidResult } from '../../src/say/say.ts';
import type { Result } from '../../src/check/result.ts';
import { emptyPlan } from '../../src/plan/edits.ts';
import type { PlanDocument } from '../../src/plan/document.ts';
import type { Bus, PartChoice, Plan } from '../../src/plan/plan.ts';
import type { Helper } from '../../src/plan/helpers.ts';

export type Json = Record<string, unknown>;

const source = 'sheet';
export const figure = (unit: string, bounds: { min?: number; typ?: number; max?: number }): Json => ({
  ...bounds,
  unit,
  source,
});
export const exactly = (unit: string, value: number): Json => figure(unit, { min: value, max: value });

export function card(id: string, rest: Json): Card {
  return Card.parse({
    format: 'idle-breadboard/card',
    version: CARD_VERSION,
    id,
    revision: 1,
    name: `card ${id}`,
    class: 'made for a test',
    kind: 'module',
    sources: { sheet: { kind: 'datasheet', title: 'a sheet', page: 7 } },
    headers: [{ id: 'main', kind: 'male', rows: 1, pitch: 0.00254 }],
    terminals: [],
    supplies: [],
    signals: [],
    ports: [],
    measures: [],
    mount: 'breadboard',
    offers: [],
    ...rest,
  });
}

/** The same card with other things in it, read anew. */
export const revised = (card: Card, changes: object): Card => Card.parse({ ...card, ...changes });
/** The same controller with other things about its chip. */
export const withChip = (card: Card, changes: object): Card =>
  revised(card, { controller: { ...card.controller, ...changes } });

export const terminals = (...ids: string[]): Json[] =>
  ids.map((id, i) => ({
    id,
    label: id.toUpperCase(),
    role: id === 'gnd' ? 'ground' : ['vcc', 'out'].includes(id) ? 'supply' : 'signal',
    header: 'main',
    position: i + 1,
  }));

/** A source of exactly (or about) so many volts. */
export const source5 = (id: string, min: number, max = min, limit = 10): Card =>
  card(id, {
    kind: 'source',
    terminals: terminals('out', 'gnd'),
    rails: [
      { id: 'out', name: `${max} V`, terminal: 'out', voltage: figure('V', { min, max }), limit: exactly('A', limit) },
    ],
  });

/** 5 V CMOS: 0.7 and 0.3 × VDD. */
export const CMOS: Json = {
  outputHigh: figure('offset', { min: -0.5 }),
  outputLow: figure('V', { max: 0.4 }),
  inputHigh: figure('share', { min: 0.7 }),
  inputLow: figure('share', { max: 0.3 }),
  absoluteMax: figure('offset', { max: 0.3 }),
};

/** A controller whose pins p0… are all in and out, fed on "vcc" and speaking on it. */
export function controller(io: Json = CMOS, pins = 12, extra: (n: number) => Json = () => ({})): Card {
  const ids = Array.from({ length: pins }, (_, n) => `p${n}`);
  return card('mcu', {
    kind: 'controller',
    terminals: terminals('vcc', 'gnd', ...ids),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', 0) } },
    ],
    controller: {
      pins: ids.map((terminal, n) => ({ terminal, functions: ['in', 'out'], ...extra(n) })),
      matrix: [
        'pwm',
        'i2c0.sda',
        'i2c0.scl',
        'i2c1.sda',
        'i2c1.scl',
        'uart1.tx',
        'uart1.rx',
        'spi1.clk',
        'spi1.in',
        'spi1.out',
      ],
      io: { reference: 'vcc', sinkCurrent: figure('A', { min: 0.003 }), ...io },
      pinCurrent: { recommended: exactly('A', 0.02), absolute: exactly('A', 0.04) },
    },
  });
}

/** A module with one supply "vcc" and one signal on one port. */
export function module(id: string, port: Json, signals: Json[], amps = 0): Card {
  return card(id, {
    terminals: terminals('vcc', 'gnd', ...signals.map((s) => String(s.id))),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', amps) } },
    ],
    signals: signals.map((s) => ({ terminal: s.id, reference: 'vcc', ...s })),
    ports: [{ id: 'port', ...port }],
  });
}

export const i2cSignals = (more: Json = {}): Json[] =>
  ['sda', 'scl'].map((id) => ({
    id,
    kind: 'open-drain',
    sinkCurrent: figure('A', { min: 0.003 }),
    capacitance: exactly('F', 10e-12),
    ...CMOS,
    ...more,
  }));

export const i2cModule = (id: string, addresses: number[] = [0x40], more: Json = {}): Card =>
  module(
    id,
    {
      protocol: 'i2c',
      lines: { sda: 'sda', scl: 'scl' },
      addresses: addresses.map((value) => ({ value, setting: `to ${value}` })),
    },
    i2cSignals(more),
  );

export const part = (id: string, cardId: string, rest: Partial<PartChoice> = {}): PartChoice => ({
  id,
  card: cardId,
  label: id,
  needs: [],
  feeds: {},
  ports: {},
  opened: [],
  ...rest,
});

export const i2cBus = (clock = 100e3): Bus => ({
  id: 'bus',
  name: 'bus',
  protocol: 'i2c',
  clock,
  lines: { sda: { pin: 'p0', locked: false }, scl: { pin: 'p1', locked: false } },
});

export interface Build {
  readonly cards: readonly Card[];
  readonly parts: readonly PartChoice[];
  readonly buses?: readonly Bus[];
  readonly helpers?: readonly Helper[];
  readonly plan?: Partial<Plan>;
}

/** A document with a 3.3 V source "v3", a 5 V source "v5" and the controller "mcu" on v3, if they are among the cards. */
export function document({ cards, parts, buses = [], helpers = [], plan = {} }: Build): PlanDocument {
  const named = new Set(cards.map(({ id }) => id));
  const standing = [
    ...(named.has('v3') ? [part('v3', 'v3')] : []),
    ...(named.has('v5') ? [part('v5', 'v5')] : []),
    ...(named.has('mcu') ? [part('mcu', 'mcu', { feeds: { vcc: 'v3.out' } })] : []),
  ];
  return {
    plan: {
      ...emptyPlan('test', 'test'),
      parts: [...standing, ...parts],
      controller: named.has('mcu') ? 'mcu' : null,
      buses: [...buses],
      helpers: [...helpers],
      ...plan,
    },
    cards: [...libraryOf(cards).values()],
  };
}

/** A result with its sentences. */
type Spoken = Omit<Result, keyof SaidResult> & SaidResult & { readonly result: Result };

const spoken = (result: Result): Spoken => ({ ...result, ...sayResult(result), result });

export interface Judged {
  readonly circuit: Circuit;
  readonly verdict: Verdict;
  of(check: string): Spoken[];
  broken(check: string): Spoken[];
}

export function judge(build: Build | PlanDocument): Judged {
  const doc = 'parts' in build ? document(build) : build;
  const circuit = deriveCircuit(doc);
  const verdict = verify(circuit);
  const all = [...verdict.findings, ...verdict.echoes, ...verdict.passes];
  const of = (check: string) => all.filter((r) => r.check === check).map(spoken);
  return { circuit, verdict, of, broken: (check) => of(check).filter(({ severity }) => severity !== null) };
}

/** The two sources that most questions need. */
export const V3 = source5('v3', 3.3);
export const V5 = source5('v5', 5);
