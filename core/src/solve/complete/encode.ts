/** A plan as a joint problem: what may be decided otherwise, what it costs, and what excludes what. */
import type { Library } from '../../card/library.ts';
import { type SharedProtocol, isShared } from '../../card/protocol.ts';
import { toInterval } from '../../card/to-interval.ts';
import type { Circuit, PartNode } from '../../circuit/model.ts';
import { logicRail } from '../../remedy/pull-up.ts';
import { problemOf } from '../joint/draft.ts';
import type { Problem } from '../joint/problem.ts';
import type { Bench, Wired } from './alone.ts';
import { encodeAdditions } from './encode-additions.ts';
import { encodeBuses, encodeHeld } from './encode-buses.ts';
import { encodePulls } from './encode-pulls.ts';
import { encodeLines } from './encode-lines.ts';
import { encodePart } from './encode-parts.ts';
import { type EncodingContext } from './encoding-context.ts';
import { RESOURCE, isThere } from './names.ts';
import { placesOf, sidesOf } from './places.ts';
import { linesOfNew, segmentsOf } from './segments.ts';
import { slotsOf } from './slots.ts';
import { standingOf } from './standing.ts';
import { type Memory, type PartOptions, isDecided, waysOf } from './ways.ts';

export interface Encoding extends EncodingContext {
  readonly problem: Problem;
}

/** What is to be encoded, and what is known of it from before. */
export interface EncodeOptions {
  /** Ways that break a house rule are options, too: only worth while nothing else holds. */
  readonly againstRules?: boolean;
  /** Trials of the parts alone on the same circuit. */
  readonly memory?: Memory;
}

/**
 * Makes the problem of a plan. Every part is first tried alone in every way of wiring it (see `alone.ts`); what holds
 * there is an option.
 * @returns null when the plan has no controller or nothing feeds it
 */
export function encode(circuit: Circuit, library: Library, options: EncodeOptions = {}): Encoding | null {
  const bench = benchFor(circuit, library, options);
  if (!bench) return null;
  const memory = options.memory ?? new Map<string, Wired | null>();
  return encodeParts(
    bench,
    decidedOf(bench).flatMap((node) => waysOf(bench, node, memory) ?? []),
  );
}

/**
 * The same, given up at the first part that no way of wiring holds for: nothing is settled beside one.
 * @param likely part that is tried first
 * @returns the id of that part where there is one
 */
export function encodeUnlessStuck(
  circuit: Circuit,
  library: Library,
  likely: string | null,
  options: EncodeOptions = {},
): Encoding | { readonly stuck: string } | null {
  const bench = benchFor(circuit, library, options);
  if (!bench) return null;
  const memory = options.memory ?? new Map<string, Wired | null>();
  const nodes = decidedOf(bench);
  const found = new Map<PartNode, PartOptions>();
  for (const node of [...nodes].sort((a, b) => Number(b.id === likely) - Number(a.id === likely))) {
    const part = waysOf(bench, node, memory);
    if (part?.ways.length === 0) return { stuck: node.id };
    if (part) found.set(node, part);
  }
  return encodeParts(
    bench,
    nodes.flatMap((node) => found.get(node) ?? []),
  );
}

function benchFor(circuit: Circuit, library: Library, { againstRules = false }: EncodeOptions): Bench | null {
  if (!circuit.controller) return null;
  const standing = standingOf(circuit, library);
  const logic = standing.wide.rails.get(logicRail(standing.wide) ?? '');
  return logic?.voltage ? { circuit, library, standing, againstRules, pins: new Map() } : null;
}

const decidedOf = (bench: Bench): PartNode[] =>
  [...bench.circuit.parts.values()].filter((node) => isDecided(bench, node));

function encodeParts(bench: Bench, parts: readonly PartOptions[]): Encoding {
  const { circuit, standing } = bench;
  const shared = new Set<SharedProtocol>();
  for (const { card } of circuit.parts.values())
    for (const { protocol } of card.ports) if (isShared(protocol)) shared.add(protocol);
  const { segments, newSwitch } = segmentsOf(bench, shared);
  const wishes = [...circuit.wishes, ...linesOfNew(circuit, segments)];
  const slots = slotsOf(bench, parts);
  const places = placesOf(bench, parts, segments);
  const sides = sidesOf(places, segments, slots);
  const rails = new Map(
    [...standing.wide.rails].map(([ref, { offer, peak }]) => {
      const left = toInterval(offer.limit).min * circuit.plan.rules.derating - peak;
      return [ref, RESOURCE.current(ref, Math.max(0, left) * 1e3)];
    }),
  );
  const making: EncodingContext = { bench, parts, segments, newSwitch, slots, wishes, places, sides, rails };
  const pulls = encodePulls(making);
  const pulling = new Map(pulls.map(({ id, options }) => [id, options.map((o) => o.id).filter(isThere)]));
  const pieces = [
    { resources: [...rails.values()] },
    encodeAdditions(making),
    { choices: [...encodeBuses(making), ...pulls, ...encodeHeld(making)] },
    ...parts.map((part) => encodePart(making, pulling, part)),
    ...encodeLines(making),
  ];
  return { ...making, problem: problemOf(pieces) };
}
