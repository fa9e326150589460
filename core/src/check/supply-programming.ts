import { legsIn } from '../plan/helpers.ts';
import type { Circuit } from '../circuit/model.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import { reliefs, visits, whileProgramming, type Relief } from '../circuit/programming.ts';
import { busCrossed } from './bus-crossed.ts';
import { levelHigh } from './level-high.ts';
import { levelLow } from './level-low.ts';
import { levelOverVoltage } from './level-over-voltage.ts';
import { pinCapability } from './pin-capability.ts';
import { pinDouble } from './pin-double.ts';
import { isBlocking, result, type Check, type CheckMeta, type Result } from './result.ts';
import { supplyCommonGround } from './supply-common-ground.ts';
import { supplyRailCurrent } from './supply-rail-current.ts';
import { supplyRange } from './supply-range.ts';
import { supplySourceCurrent } from './supply-source-current.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface SupplyProgrammingSays {
  readonly takeOffBeforeGoes: { off: Text; on: Text; printed: Text; label: Text };
  readonly meaning: null;
  readonly board: null;
  readonly whileProgramLoaded: { message: Text };
  readonly feedsTalks: { board: Text };
  readonly talks: null;
  readonly it: null;
  readonly whileProgramLoadedRules: { names: readonly Text[]; feeds: Text; fed: Text; count: number };
}

const tell = tells<SupplyProgrammingSays>('supply/programming');

const meta = {
  id: 'supply/programming',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: [
    'controller/io/absoluteMax',
    'controller/io/inputHigh',
    'controller/io/inputLow',
    'controller/io/outputHigh',
    'controller/io/outputLow',
    'rails/*/limit',
    'rails/*/voltage',
    'signals/*/absoluteMax',
    'signals/*/inputHigh',
    'signals/*/inputLow',
    'signals/*/outputHigh',
    'signals/*/outputLow',
    'supplies/*/current/active',
    'supplies/*/range',
  ],
} as const satisfies CheckMeta;

/** What has to hold in that state as well. */
const HOLDS: readonly Check[] = [
  supplyRange,
  supplyRailCurrent,
  supplySourceCurrent,
  supplyCommonGround,
  levelOverVoltage,
  levelHigh,
  levelLow,
  busCrossed,
  pinDouble,
  pinCapability,
];

const runAll = (circuit: Circuit): Result[] => HOLDS.flatMap((check) => check.run(circuit));

function relieved(circuit: Circuit, { part, supply, rail, other }: Relief): Result[] {
  const guarded = legsIn(circuit.plan, 'in-feed').some(
    (leg) => leg.part === part && leg.supply === supply && (leg.rail === rail || leg.rail === other),
  );
  if (guarded) return [];
  const label = (id: string) => circuit.plan.parts.find((p) => p.id === id)?.label ?? id;
  const node = circuit.parts.get(part);
  const terminal = node?.card.supplies.find(({ id }) => id === supply)?.terminal;
  const printed = node?.card.terminals.find(({ id }) => id === terminal)?.label ?? supply;
  const nameOf = (ref: string) => label(ownerOf(ref));
  return [
    result(circuit, meta, {
      subjects: [keyOf(part, supply), rail, other],
      severity: 'caution',
      message: tell('takeOffBeforeGoes', { off: nameOf(other), on: nameOf(rail), printed, label: label(part) }),
      meaning: tell('meaning'),
    }),
  ];
}

export const supplyProgramming = {
  meta,
  run: (circuit) => {
    const state = whileProgramming({ plan: circuit.plan, cards: [...circuit.cards.values()] });
    if (!state) return [];
    const then = deriveCircuit(state);
    const known = new Set(runAll(circuit).flatMap(({ key, severity }) => (severity === null ? [] : [key])));
    const all = runAll(then);
    const held = all.filter(({ severity }) => severity === null);
    const grave = all.filter((r) => isBlocking(r) && !known.has(r.key));
    const visitors = circuit.plan.parts.filter(visits);
    const names = visitors.map(({ label }) => label);
    const fed = new Set(visitors.map(({ id }) => id));
    const feeds = [...then.feeds.values()].some(({ rail }) => rail !== null && fed.has(ownerOf(rail)));
    const board = circuit.controller?.label ?? tell('board');
    const found = grave.map((r): Result => ({
      ...r,
      key: `${meta.id}|${r.key}`,
      check: meta.id,
      station: meta.station,
      message: tell('whileProgramLoaded', { message: r.message }),
    }));
    const pass = result(circuit, meta, {
      subjects: visitors.map(({ id }) => id),
      severity: null,
      measured: held.length,
      unit: 'rules',
      ranked: false,
      message: tell('whileProgramLoadedRules', {
        names,
        feeds: feeds ? tell('feedsTalks', { board }) : tell('talks'),
        fed: feeds ? tell('it') : board,
        count: held.length,
      }),
      workings: held.slice(0, 12).map(({ check, message }) => ({ name: check, sum: message })),
      rests: all.flatMap(({ rests }) =>
        rests.map(({ card, source }) => [card, keyOfSource(circuit, card, source)] as const),
      ),
    });
    return [...(found.length > 0 ? found : [pass]), ...reliefs(circuit.plan).flatMap((r) => relieved(circuit, r))];
  },
} satisfies Check;

/** The name by which a card has a source. */
const keyOfSource = (circuit: Circuit, card: string, source: Result['rests'][number]['source']): string | undefined =>
  Object.entries(circuit.cards.get(card)?.sources ?? {}).find(([, known]) => known === source)?.[0];
