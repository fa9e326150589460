import { type CheckId } from '../check/registry.ts';
import type { Library } from '../card/library.ts';
import type { Circuit } from '../circuit/model.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import { isBlocking, type Result } from '../check/result.ts';
import { tryingOf } from '../check/trying.ts';
import type { NotMet, Verdict } from '../check/standing.ts';
import { perOwner } from '../quantity/memo.ts';
import { atOnce } from '../quantity/at-once.ts';
import { piecesCost } from '../buy/cost.ts';
import { documentOf } from '../plan/document.ts';
import { isSame } from '../plan/same.ts';
import { addressRemedies, reservedRemedies } from './address.ts';
import { analogRangeRemedies, analogSourceRemedies, fixedResistorRemedies } from './analog.ts';
import { bootRemedies, currentRemedies, unitRemedies } from './boot.ts';
import { capacitanceRemedies, crossedRemedies, overlayRemedies, stretchingRemedies, timeRemedies } from './bus.ts';
import { roomRemedies, solderRemedies } from './room.ts';
import { placeRemedies, reachRemedies, sunRemedies, warmRemedies, wearRemedies } from './body.ts';
import { capacitorRemedies } from './capacitor.ts';
import { converterRemedies } from './converter.ts';
import { contactRemedies, switchRemedies } from './contact.ts';
import { coilRemedies, lightRemedies, transistorRemedies } from './drive.ts';
import { feedRuleRemedies, translatedTwiceRemedies, unpoweredRemedies } from './feed.ts';
import { channelRemedies, mixedRemedies, overVoltageRemedies, thresholdRemedies } from './level.ts';
import { cableRemedies, inLineRemedies, rateRemedies } from './lead.ts';
import { needRemedies, triggerRemedies, warmUpRemedies } from './need.ts';
import { pinRemedies, tieRemedies } from './pin.ts';
import { plugRemedies } from './plug.ts';
import { rangeRemedies } from './power.ts';
import {
  backFeedRemedies,
  dropoutRemedies,
  groundRemedies,
  heatRemedies,
  leadRemedies,
  pinFedRemedies,
  pinGroundRemedies,
  programmingRemedies,
  railCurrentRemedies,
  runtimeRemedies,
  sagRemedies,
  sourceCurrentRemedies,
} from './supply.ts';
import {
  clockRemedies,
  noPullUpRemedies,
  pairRemedies,
  strongRemedies,
  weakRemedies,
  wireBudgetRemedies,
  wireRemedies,
} from './pull-up.ts';
import type { Plan } from '../plan/plan.ts';
import type { Candidate, Context, Proposer, Remedy } from './remedy.ts';

const both =
  (...proposers: readonly Proposer[]): Proposer =>
  (context) =>
    proposers.flatMap((propose) => propose(context));

/** Who proposes what for which check. A check that is not here has no remedy. */
const PROPOSERS = {
  'need/range': needRemedies,
  'need/accuracy': both(needRemedies, converterRemedies),
  'need/interval': needRemedies,
  'need/warm-up': warmUpRemedies,
  'need/selectivity': needRemedies,
  'need/trigger': triggerRemedies,
  'level/over-voltage': overVoltageRemedies,
  'level/high': thresholdRemedies,
  'level/low': thresholdRemedies,
  'level/no-pull-up': noPullUpRemedies,
  'level/mixed-pull-ups': mixedRemedies,
  'level/unpowered': unpoweredRemedies,
  'level/translator': channelRemedies,
  'level/translated-twice': translatedTwiceRemedies,
  'level/feed-rule': feedRuleRemedies,
  'analog/range': both(analogRangeRemedies, converterRemedies),
  'analog/source': analogSourceRemedies,
  'analog/dead-ends': both(analogRangeRemedies, converterRemedies),
  'analog/ground-shift': leadRemedies,
  'analog/resolution': both(needRemedies, converterRemedies),
  'analog/divider': fixedResistorRemedies,
  'bus/address-collision': addressRemedies,
  'bus/address-reserved': reservedRemedies,
  'bus/clock': clockRemedies,
  'bus/stretching': stretchingRemedies,
  'bus/crossed': crossedRemedies,
  'bus/time': timeRemedies,
  'bus/capacitance': capacitanceRemedies,
  'bus/long-leads': cableRemedies,
  'bus/serial-rate': rateRemedies,
  'bus/spi-speed': clockRemedies,
  'bus/pull-up-pairs': pairRemedies,
  'bus/pull-up-weak': weakRemedies,
  'bus/pull-up-strong': strongRemedies,
  'wire/pull-up': wireRemedies,
  'wire/budget': wireBudgetRemedies,
  'wire/overlay': overlayRemedies,
  'pin/double': pinRemedies,
  'pin/capability': both(pinRemedies, converterRemedies),
  'pin/strap': pinRemedies,
  'pin/floating': tieRemedies,
  'pin/unit-conflict': unitRemedies,
  'pin/current': currentRemedies,
  'pin/boot-state': bootRemedies,
  'pin/wake': pinRemedies,
  'drive/led': lightRemedies,
  'drive/flyback': both(coilRemedies, switchRemedies),
  'drive/contact': contactRemedies,
  'drive/chain': both(inLineRemedies, capacitorRemedies),
  'drive/gate': transistorRemedies,
  'drive/diode': backFeedRemedies,
  'supply/dip': capacitorRemedies,
  'supply/noise': capacitorRemedies,
  'supply/contacts': leadRemedies,
  'supply/stays-on': sourceCurrentRemedies,
  'supply/step-up': sourceCurrentRemedies,
  'supply/backup': placeRemedies,
  'supply/range': rangeRemedies,
  'supply/plug': plugRemedies,
  'supply/rail-current': railCurrentRemedies,
  'supply/source-current': sourceCurrentRemedies,
  'supply/dropout': dropoutRemedies,
  'supply/heat': heatRemedies,
  'supply/pin-fed': pinFedRemedies,
  'supply/pin-ground': pinGroundRemedies,
  'supply/programming': programmingRemedies,
  'supply/cut-off': sagRemedies,
  'supply/common-ground': groundRemedies,
  'supply/back-feed': backFeedRemedies,
  'supply/lead-drop': leadRemedies,
  'supply/runtime': runtimeRemedies,
  'supply/sag': sagRemedies,
  'drive/transistor': transistorRemedies,
  'body/heat': warmRemedies,
  'body/ambient': placeRemedies,
  'body/water': placeRemedies,
  'body/lead': reachRemedies,
  'body/wear': wearRemedies,
  'body/sun': sunRemedies,
  'body/surge': inLineRemedies,
  'body/clearance': roomRemedies,
  'parts/budget': solderRemedies,
  'parts/solder': solderRemedies,
} satisfies Partial<Record<CheckId, Proposer>>;

const proposerOf = (check: string): Proposer | undefined =>
  (PROPOSERS as Readonly<Record<string, Proposer | undefined>>)[check];

/** More choices than this help nobody. */
const MAX_REMEDIES = 10;

/**
 * Every change that ends the finding and brings neither danger nor fault, proved by verifying the changed plan.
 * What ends most comes first, then what costs least. It stops after each trial, so that whoever waits for something else can be served.
 * @param library the plan's own cards and the catalogue's
 * @param wanted candidates that are worth trying
 */
export function* proposing(
  circuit: Circuit,
  verdict: Verdict,
  finding: Result,
  library: Library,
  wanted: (candidate: Candidate) => boolean = () => true,
): Generator<undefined, Remedy[]> {
  const context = { circuit, finding, library };
  const proved: Remedy[] = [];
  for (const candidate of candidatesFor(context)) {
    if (!wanted(candidate)) continue;
    yield;
    const proof = proofOf(context, verdict, candidate);
    if (proof) proved.push(proof);
  }
  proved.sort(
    (a, b) =>
      Number(a.deepens.length > 0) - Number(b.deepens.length > 0) ||
      b.ends.length - a.ends.length ||
      a.cost - b.cost ||
      a.pieces - b.pieces ||
      (a.id < b.id ? -1 : 1),
  );
  return proved.slice(0, MAX_REMEDIES);
}

/** The same at one go. */
export const proposeRemedies = (...of: Parameters<typeof proposing>): Remedy[] => atOnce(proposing(...of));

/** What several findings propose alike is tried once. */
const triedOf = perOwner((_circuit: Circuit) => new Map<string, { readonly plan: Plan; readonly after: NotMet }>());

function afterOf(circuit: Circuit, { id, plan }: Candidate, library: Library): NotMet {
  const known = triedOf(circuit);
  const before = known.get(id);
  if (before && isSame(before.plan, plan)) return before.after;
  const after = tryingOf(circuit).after(deriveCircuit(documentOf(plan, circuit.cards.values(), library)));
  known.set(id, { plan, after });
  return after;
}

/** What a change does; null where it leaves the finding, or brings a danger or fault. */
export function proofOf({ circuit, finding, library }: Context, verdict: Verdict, candidate: Candidate): Remedy | null {
  const before = new Set([...verdict.findings, ...verdict.echoes].map(({ key }) => key));
  const after = afterOf(circuit, candidate, library);
  const keys = new Set([...after.findings, ...after.echoes].map(({ key }) => key));
  const brings = after.findings.filter(({ key }) => !before.has(key));
  if (keys.has(finding.key) || brings.some(isBlocking) || escalates(verdict, after)) return null;
  const pieces = ({ parts, helpers }: Plan) => parts.length + helpers.length;
  return {
    ...candidate,
    deepens: deepened(verdict, after),
    ends: [...before].filter((key) => !keys.has(key)),
    brings,
    cost: piecesCost(candidate.plan, library) - piecesCost(circuit.plan, library),
    pieces: pieces(candidate.plan) - pieces(circuit.plan),
  };
}

/** What might end a finding, not yet tried. */
export const candidatesFor = (context: Context): readonly Candidate[] =>
  unique(proposerOf(context.finding.check)?.(context) ?? []);

/** True when a finding that stays has become a danger, or a fault where it was none. */
function escalates(before: Verdict, after: NotMet): boolean {
  const was = new Map(before.findings.map((r) => [r.key, r.severity]));
  return after.findings.some((r) => {
    const old = was.get(r.key);
    if (old === undefined || old === null || !isBlocking(r)) return false;
    return r.severity === 'danger' ? old !== 'danger' : old !== 'danger' && old !== 'fault';
  });
}

/** A share of the figures: rails move by millivolts when a lead's drop changes, and that is no worsening. */
const SLACK = 0.02;

/** Grave findings that stay, with a clearly worse figure. */
function deepened(before: Verdict, after: NotMet): string[] {
  const was = new Map(before.findings.map((r) => [r.key, r]));
  return after.findings.flatMap((r) => {
    const old = was.get(r.key);
    if (!old || !isBlocking(r) || r.margin === null || old.margin === null) return [];
    const size = Math.max(Math.abs(old.limit ?? 0), Math.abs(old.measured ?? 0));
    return r.margin < old.margin - SLACK * size ? [r.key] : [];
  });
}

function unique(candidates: readonly Candidate[]): Candidate[] {
  // Of two that do the same the one said first is the better said.
  return [...new Map(candidates.toReversed().map((candidate) => [candidate.id, candidate])).values()].toReversed();
}
