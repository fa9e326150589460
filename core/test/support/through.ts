/** The whole way of a plan through the program, step by step, with what is thrown or is no number on it. */
import { bringUpSheet } from '../../src/deliver/bring-up.ts';
import { buildOf, type Build } from '../../src/deliver/build.ts';
import { planned } from '../../src/bench/virtual-build.ts';
import { standingOf } from '../../src/check/standing.ts';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { layNarrow } from '../../src/drawing/lay-narrow.ts';
import { layOut } from '../../src/drawing/lay-out.ts';
import { overviewTable } from '../../src/drawing/table.ts';
import { buildSvg } from '../../src/format/build-svg.ts';
import { sheetMarkdown } from '../../src/format/bring-up-markdown.ts';
import { buildSheet } from '../../src/format/build-sheet.ts';
import { partsCsv, wiringCsv } from '../../src/format/csv.ts';
import { overviewSvg } from '../../src/format/overview-svg.ts';
import { settingsC } from '../../src/format/settings/c.ts';
import { settingsJson } from '../../src/format/settings/json.ts';
import { settingsOverlay } from '../../src/format/settings/overlay.ts';
import { settingsPython } from '../../src/format/settings/python.ts';
import { readPlan, writePlan } from '../../src/format/plan-file.ts';
import { overviewOf } from '../../src/overview/overview-of.ts';
import { fingerprint } from '../../src/plan/fingerprint.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { say, sayProblems, sayResult } from '../../src/say/say.ts';
import { library } from './demo.ts';

export interface Fall {
  readonly step: string;
  readonly says: string;
}

export interface Passage {
  readonly taken: boolean;
  readonly falls: readonly Fall[];
  /** The step that took longest. */
  readonly slowest: { readonly step: string; readonly ms: number };
}

/** Words that only a figure that is none leaves in a sentence. */
const NO_FIGURE = /\bNaN\b|\bundefined\b|\[object/;

/** @param deep also remedies, layout, wiring and the bring-up sheet, which take longer */
export function through(text: string, deep: boolean): Passage {
  const falls: Fall[] = [];
  let slowest = { step: '', ms: 0 };
  const step = <T>(name: string, run: () => T): T | undefined => {
    const began = performance.now();
    try {
      return run();
    } catch (error) {
      const at = error instanceof Error ? (error.stack ?? '').split('\n').find((line) => line.includes('/src/')) : '';
      const where = at?.replace(/^.*\/src\//, '').replace(/:\d+\)?$/, '') ?? '';
      falls.push({ step: name, says: `${error instanceof Error ? error.message : String(error)} (${where})` });
      return undefined;
    } finally {
      const ms = performance.now() - began;
      if (ms > slowest.ms) slowest = { step: name, ms };
    }
  };
  const written = (name: string, run: () => string): void => {
    const said = step(name, run);
    const found = said && NO_FIGURE.exec(said);
    if (found)
      falls.push({ step: name, says: `writes "${said.slice(Math.max(0, found.index - 40), found.index + 20)}"` });
  };
  const done = (taken: boolean): Passage => ({ taken, falls, slowest });

  const read = step('read', () => readPlan(text));
  if (!read) return done(false);
  if (!read.ok) {
    if (read.problems.length > 101) falls.push({ step: 'read', says: `${read.problems.length} problems listed` });
    step('refuse', () => sayProblems(read.problems));
    return done(false);
  }
  const document = read.value;
  const print = step('fingerprint', () => fingerprint(document)) ?? '';
  step('write', () => {
    const again = readPlan(writePlan(document));
    if (!again.ok) throw new Error(`what was written is not read: ${again.problems[0]?.path}`);
  });
  const circuit = step('derive', () => deriveCircuit(document));
  const verdict = circuit && step('verify', () => verify(circuit));
  if (!circuit || !verdict) return done(true);
  for (const result of [...verdict.findings, ...verdict.passes]) {
    const { measured, limit, margin, severity, check } = result;
    if (result.message.topic === 'check/unworkable' && result.message.id === 'failed')
      falls.push({ step: `check ${check}`, says: say(result.message) });
    const figures = { measured, limit, margin };
    for (const [name, figure] of Object.entries(figures))
      if (figure !== null && !Number.isFinite(figure))
        falls.push({ step: `${severity ?? 'passes'} ${check}`, says: `${name} is ${figure}` });
    written(`say ${check}`, () => JSON.stringify(sayResult(result)));
  }
  step('standing', () => standingOf(verdict));
  const overview = step('overview', () => overviewOf(circuit, verdict));
  if (overview) {
    written('overview', () => overviewSvg(layOut(overview), 'plan'));
    written('overview, narrow', () => overviewSvg(layNarrow(overview), 'plan'));
    written('overview as a table', () => JSON.stringify(overviewTable(overview)));
  }
  written('settings in C', () => settingsC(circuit, print));
  written('settings in Python', () => settingsPython(circuit, print));
  written('settings as JSON', () => settingsJson(circuit, print));
  written('settings as an overlay', () => settingsOverlay(circuit, print));
  if (!deep) return done(true);
  const all = new Map([...library, ...circuit.cards]);
  for (const finding of verdict.findings.slice(0, 2))
    step(`remedies ${finding.check}`, () => proposeRemedies(circuit, verdict, finding, all));
  const build = step('lay out', () => buildOf(circuit));
  if (build) writeBuild(build);
  return done(true);

  function writeBuild(of: Build): void {
    if (!circuit || !verdict) return;
    written('parts.csv', () => partsCsv(of.parts));
    written('wiring.csv', () => wiringCsv(of.wiring));
    written('sheet', () => buildSheet(circuit, verdict, of, print));
    const { layout } = of;
    if (!layout) return;
    written('boards', () => buildSvg(circuit, of));
    written('bring-up', () => sheetMarkdown('plan', print, bringUpSheet(planned(circuit, layout))));
  }
}
