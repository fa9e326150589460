import type { Circuit } from '../circuit/circuit.ts';
import { deriveCircuit } from '../circuit/derive.ts';
import { reliefs, visits, whileProgramming, type Relief } from '../circuit/programming.ts';
import { busCrossed } from './bus-crossed.ts';
import { levelHigh } from './level-high.ts';
import { levelLow } from './level-low.ts';
import { levelOverVoltage } from './level-over-voltage.ts';
import { pinCapability } from './pin-capability.ts';
import { pinDouble } from './pin-double.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { supplyCommonGround } from './supply-common-ground.ts';
import { supplyRailCurrent } from './supply-rail-current.ts';
import { supplyRange } from './supply-range.ts';
import { supplySourceCurrent } from './supply-source-current.ts';

const meta: CheckMeta = {
  id: 'supply/programming',
  title: 'The programmer can feed the board and talk to it',
  station: 'power',
  rule: 'With the programmer on, and the supplies that it feeds on it alone: every supply in its range, every source and rail within its current, every level guaranteed, every line on a pin of its own that can be it. What also feeds such a supply is taken off before, unless a diode or switch stands between.',
  source: 'the same as for the build at work; common practice',
  breaks: 'fault',
};

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
  const guarded = circuit.plan.helpers.some(
    (h) => h.kind === 'guard' && h.part === part && h.supply === supply && (h.rail === rail || h.rail === other),
  );
  if (guarded) return [];
  const label = (id: string) => circuit.plan.parts.find((p) => p.id === id)?.label ?? id;
  const node = circuit.parts.get(part);
  const terminal = node?.card.supplies.find(({ id }) => id === supply)?.terminal;
  const printed = node?.card.terminals.find(({ id }) => id === terminal)?.label ?? supply;
  const [on, off] = [rail, other].map((ref) => label(ref.split('.')[0] ?? ''));
  return [
    result(circuit, meta, {
      subjects: [`${part}.${supply}`, rail, other],
      severity: 'caution',
      message: `Take ${off} off before ${on} goes on: both would feed ${printed} of ${label(part)}, and the higher one feeds the other.`,
      meaning: 'What a hand has to remember is forgotten one day: a diode in the lead of the programmer remembers it.',
    }),
  ];
}

export const supplyProgramming: Check = {
  meta,
  run: (circuit) => {
    const state = whileProgramming({ plan: circuit.plan, cards: [...circuit.cards.values()] });
    if (!state) return [];
    const then = deriveCircuit(state);
    const known = new Set(runAll(circuit).flatMap(({ key, severity }) => (severity === null ? [] : [key])));
    const all = runAll(then);
    const held = all.filter(({ severity }) => severity === null);
    const grave = all.filter((r) => (r.severity === 'danger' || r.severity === 'fault') && !known.has(r.key));
    const visitors = circuit.plan.parts.filter(visits);
    const names = visitors.map(({ label }) => label).join(' and ');
    const fed = new Set(visitors.map(({ id }) => id));
    const feeds = [...then.feeds.values()].some(({ rail }) => rail !== null && fed.has(rail.split('.')[0] ?? ''));
    const board = circuit.controller?.label ?? 'the board';
    const found = grave.map((r): Result => ({
      ...r,
      key: `${meta.id}|${r.key}`,
      check: meta.id,
      station: meta.station,
      message: `While a program is loaded: ${r.message}`,
    }));
    const pass = result(circuit, meta, {
      subjects: visitors.map(({ id }) => id),
      severity: null,
      measured: held.length,
      unit: 'rules',
      ranked: false,
      message: `${names} ${feeds ? `feeds ${board} and talks` : `talks`} to ${feeds ? 'it' : board} while a program is loaded: ${held.length} rules hold then, too.`,
      workings: held.slice(0, 12).map(({ check, message }) => ({ name: check, sum: message })),
      rests: all.flatMap(({ rests }) =>
        rests.map(({ card, source }) => [card, keyOfSource(circuit, card, source)] as const),
      ),
    });
    return [...(found.length > 0 ? found : [pass]), ...reliefs(circuit.plan).flatMap((r) => relieved(circuit, r))];
  },
};

/** The name by which a card has a source. */
const keyOfSource = (circuit: Circuit, card: string, source: Result['rests'][number]['source']): string | undefined =>
  Object.entries(circuit.cards.get(card)?.sources ?? {}).find(([, known]) => known === source)?.[0];
