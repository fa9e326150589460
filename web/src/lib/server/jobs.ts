/** What the routes for programs answer, made of the text of a plan file alone. It takes its time: see `pool.ts`. */
import { libraryOf } from '@idle-breadboard/core/card';
import { deriveCircuit, type Circuit } from '@idle-breadboard/core/circuit';
import { buildOf } from '@idle-breadboard/core/deliver';
import {
  buildSvg,
  partsCsv,
  readPlan,
  reportOf,
  settingsC,
  settingsJson,
  settingsOverlay,
  settingsPython,
  wiringCsv,
  writePlan,
} from '@idle-breadboard/core/files';
import { layOut, overviewOf, overviewSvg, overviewTable } from '@idle-breadboard/core/overview';
import { documentOf, fingerprint, problemCount, type PlanDocument } from '@idle-breadboard/core/plan';
import { complete } from '@idle-breadboard/core/solve';
import { standingOf, verify } from '@idle-breadboard/core/verify';
import { counted, say, sayDeep } from '@idle-breadboard/core/words';
import { problemText } from '../problem-json';
import { catalogue } from './catalogue';

export const JOBS = ['verify', 'mend', 'wiring', 'parts', 'drawing', 'settings'] as const;
export type JobName = (typeof JOBS)[number];

export interface Job {
  readonly job: JobName;
  /** The text of a plan file. */
  readonly text: string;
  readonly as: 'json' | 'csv' | 'svg' | 'c' | 'python' | 'overlay';
}

export interface Answer {
  readonly status: number;
  readonly type: string;
  readonly text: string;
}

const json = (value: unknown): Answer => ({
  status: 200,
  type: 'application/json',
  // Messages among the data are said: what reads this knows no words of ours.
  text: JSON.stringify(sayDeep(value)),
});
const csv = (text: string): Answer => ({ status: 200, type: 'text/csv; charset=utf-8', text });
const svg = (text: string): Answer => ({ status: 200, type: 'image/svg+xml', text });
const refuse = (status: number, title: string, detail: string): Answer => ({
  status,
  type: 'application/problem+json',
  text: problemText(status, title, detail),
});

/** What completes the plan; where nothing was found, the plan as far as it came, and what is left. */
function mend(circuit: Circuit, { cards }: PlanDocument): Answer {
  const completion = complete(circuit, libraryOf([...catalogue.values(), ...cards]));
  const { changes, verdict } = completion;
  return json({
    status: standingOf(verdict),
    changes,
    left: verdict.findings
      .filter(({ severity }) => severity !== 'note')
      .map(({ check, message }) => ({ check, message })),
    file: JSON.parse(writePlan(documentOf(completion.plan, cards, catalogue))) as unknown,
  });
}

function wiring(circuit: Circuit, as: Job['as']): Answer {
  const build = buildOf(circuit);
  if (!build.layout)
    return refuse(422, 'Unprocessable Content', build.why ? say(build.why.says) : 'nothing is laid out');
  if (as === 'csv') return csv(wiringCsv(build.wiring));
  if (as === 'svg') return svg(buildSvg(circuit, build));
  return json({ agrees: build.proof?.agrees === true, mismatches: build.proof?.mismatches ?? [], ...build.wiring });
}

/** Written to the words of the plan, so that nothing in it is to be said any more. */
function settings(circuit: Circuit, plan: string, as: Job['as']): Answer {
  const text = (type: string, written: string) => ({ status: 200, type: `${type}; charset=utf-8`, text: written });
  if (as === 'c') return text('text/x-c', settingsC(circuit, plan));
  if (as === 'python') return text('text/x-python', settingsPython(circuit, plan));
  if (as === 'overlay') return text('text/x-devicetree-source', settingsOverlay(circuit, plan));
  return { status: 200, type: 'application/json', text: settingsJson(circuit, plan) };
}

export function doJob({ job, text, as }: Job): Answer {
  const read = readPlan(text);
  if (!read.ok) {
    const detail = `the plan has ${counted(problemCount(read.problems), 'problem')}`;
    const problems = problemText(400, 'Bad Request', detail, read.problems);
    return { status: 400, type: 'application/problem+json', text: problems };
  }
  if (job === 'verify') return json(reportOf(read.value, catalogue));
  const circuit = deriveCircuit(read.value);
  if (job === 'mend') return mend(circuit, read.value);
  if (job === 'wiring') return wiring(circuit, as);
  if (job === 'drawing') {
    const overview = overviewOf(circuit, verify(circuit));
    return as === 'svg' ? svg(overviewSvg(layOut(overview), circuit.plan.name)) : json(overviewTable(overview));
  }
  if (job === 'settings') return settings(circuit, fingerprint(read.value), as);
  const { parts } = buildOf(circuit);
  return as === 'csv' ? csv(partsCsv(parts)) : json(parts);
}
