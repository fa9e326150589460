/** A plan as a joint problem: what may be decided otherwise, what it costs, and what excludes what. */
import type { Library } from '../../card/library.ts';
import { type SharedProtocol, isShared } from '../../card/protocol.ts';
import type { Circuit } from '../../circuit/model.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { ProblemBuilder } from '../joint/builder.ts';
import type { Problem } from '../joint/problem.ts';
import type { Bench } from './alone.ts';
import { encodeAdditions, encodeRails } from './encode-additions.ts';
import { encodeBuses } from './encode-buses.ts';
import { encodeLines } from './encode-lines.ts';
import { encodePart } from './encode-parts.ts';
import type { EncodingContext } from './making.ts';
import { linesOfNew, segmentsOf } from './segments.ts';
import { slotsOf } from './slots.ts';
import { standingOf } from './standing.ts';
import { type Memory, isDecided, waysOf } from './ways.ts';

export interface Encoding extends EncodingContext {
  readonly problem: Problem;
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
  const wishes = [...circuit.wishes, ...linesOfNew(circuit, segments)];
  const slots = slotsOf(bench, parts);
  const making: EncodingContext = {
    bench,
    builder: new ProblemBuilder(),
    parts,
    segments,
    newSwitch,
    slots,
    wishes,
  };
  encodeRails(making);
  encodeAdditions(making);
  encodeBuses(making);
  for (const part of parts) encodePart(making, part);
  encodeLines(making);
  return { ...making, problem: making.builder.build() };
}
