/** A plan as a joint problem: what may be decided otherwise, what it costs, and what excludes what. */
import { helpersOf } from '../../plan/helpers.ts';
import type { Library } from '../../card/library.ts';
import { isShared, type SharedProtocol } from '../../card/protocol.ts';
import type { Circuit, PinWish } from '../../circuit/model.ts';
import { freeId } from '../../plan/edits.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { toInterval } from '../../card/to-interval.ts';
import { ProblemBuilder } from '../joint/builder.ts';
import type { Problem } from '../joint/problem.ts';
import type { Bench } from './alone.ts';
import { encodeBuses } from './encode-buses.ts';
import { encodeLines } from './encode-lines.ts';
import { encodeAdditions, encodePart } from './encode-parts.ts';
import type { EncodingContext, Slot } from './making.ts';
import { busLines, segmentsOf, type Segment } from './segments.ts';
import { standingOf } from './standing.ts';
import { isDecided, waysOf, type Memory, type PartOptions } from './ways.ts';
import { keyOf } from '../../plan/ref.ts';

export interface Encoding extends EncodingContext {
  readonly problem: Problem;
}

/** New translators of one kind that are thought of. */
const MAX_SLOTS = 2;

function slotsOf(bench: Bench, parts: readonly PartOptions[]): Slot[] {
  const slots: Slot[] = [];
  const cards = new Map(bench.library);
  for (const helper of helpersOf(bench.circuit.plan, 'translator')) {
    const card = bench.circuit.cards.get(helper.card);
    if (!helper.gate && card)
      slots.push({ id: helper.id, card, near: helper.near, far: helper.far, helper, after: null });
  }
  const wanted = new Map<string, { card: string; near: string; far: string; users: number }>();
  for (const { ways } of parts) {
    const mine = new Set<string>();
    for (const { wired } of ways) {
      if (!wired.through) continue;
      const key = `${wired.through.card} ${wired.through.near} ${wired.through.far}`;
      wanted.set(key, { ...wired.through, users: (wanted.get(key)?.users ?? 0) + Number(!mine.has(key)) });
      mine.add(key);
    }
  }
  let plan = bench.circuit.plan;
  for (const { card: id, near, far, users } of wanted.values()) {
    const card = bench.circuit.cards.get(id) ?? cards.get(id);
    let after: string | null = null;
    for (let k = 0; card && k < Math.min(MAX_SLOTS, users); k++) {
      const name = freeId(plan, 'translator');
      plan = { ...plan, helpers: [...plan.helpers, { id: name, kind: 'translator', card: id, near, far, ports: [] }] };
      slots.push({ id: name, card, near, far, helper: null, after });
      after = name;
    }
  }
  return slots;
}

/** Lines of buses that are not in the plan, or are there without parts. */
function linesOfNew(circuit: Circuit, segments: readonly Segment[]): PinWish[] {
  return segments.flatMap(({ bus, protocol, behind }) => {
    if (behind || circuit.wishes.some(({ of }) => of === bus.id)) return [];
    return busLines(protocol).map(([line, ask]): PinWish => ({
      id: keyOf(bus.id, line),
      of: bus.id,
      line,
      label: `${bus.name} ${line.toUpperCase()}`,
      ask,
      pin: bus.lines[line]?.pin ?? null,
      locked: bus.lines[line]?.locked ?? false,
      weakPull: false,
      meant: false,
      frequency: null,
      group: protocol === 'onewire' ? null : bus.id,
      net: keyOf(bus.id, line),
    }));
  });
}

/**
 * Makes the problem of a plan. Every part is first tried alone in every way of wiring it (see `alone.ts`); what holds
 * there is an option.
 * @param againstRules ways that break a house rule are options, too: only worth while nothing else holds
 * @returns null when the plan has no controller or nothing feeds it
 */
export function encode(circuit: Circuit, library: Library, againstRules = false): Encoding | null {
  if (!circuit.controller) return null;
  const standing = standingOf(circuit, library);
  const bench: Bench = { circuit, library, standing, againstRules, pins: new Map() };
  const logic = standing.wide.rails.get(logicRail(standing.wide) ?? '');
  if (!logic?.voltage) return null;
  const memory: Memory = new Map();
  const parts = [...circuit.parts.values()].flatMap((node) => {
    const part = isDecided(bench, node) ? waysOf(bench, node, memory) : null;
    return part ?? [];
  });
  const shared = new Set<SharedProtocol>();
  for (const { card } of circuit.parts.values())
    for (const { protocol } of card.ports) if (isShared(protocol)) shared.add(protocol);
  const { segments, newSwitch } = segmentsOf(bench, shared);
  const making: EncodingContext = {
    bench,
    builder: new ProblemBuilder(),
    parts,
    segments,
    newSwitch,
    slots: slotsOf(bench, parts),
    wishes: [...circuit.wishes, ...linesOfNew(circuit, segments)],
  };
  encodeRails(making);
  encodeAdditions(making);
  encodeBuses(making);
  for (const part of parts) encodePart(making, part);
  encodeLines(making);
  return { ...making, problem: making.builder.build() };
}

/** What each rail has left for the parts, mA. Regulators that are not there take nothing. */
function encodeRails({ bench, builder }: EncodingContext): void {
  const { derating } = bench.circuit.plan.rules;
  for (const [ref, rail] of bench.standing.wide.rails) {
    const most = toInterval(rail.offer.limit).min * derating;
    builder.resource(`current:${ref}`, Math.max(0, most - rail.peak) * 1e3);
  }
}
