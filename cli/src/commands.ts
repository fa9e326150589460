import { libraryOf } from '@idle-breadboard/core/card';
import { deriveCircuit, type Circuit } from '@idle-breadboard/core/circuit';
import { buildOf, type Build } from '@idle-breadboard/core/deliver';
import {
  buildSheet,
  buildSvg,
  jsonSchema,
  partsCsv,
  readPlan,
  refused,
  reportOf,
  selfTestC,
  selfTestPython,
  settingsC,
  settingsJson,
  settingsOverlay,
  settingsPython,
  wiringCsv,
  writePlan,
  type Read,
} from '@idle-breadboard/core/files';
import { layOut, overviewOf, overviewTable, overviewSvg } from '@idle-breadboard/core/overview';
import { documentOf, expected, fingerprint, type PlanDocument } from '@idle-breadboard/core/plan';
import { complete } from '@idle-breadboard/core/solve';
import { CHECKS, verify } from '@idle-breadboard/core/verify';
import { ruleOf, say, sayDeep } from '@idle-breadboard/core/words';
import { cardCommand } from './card.ts';
import { checksText, completionText, drawingText, partsText, problemsText, verdictText, wiringText } from './text.ts';
import type { As, Output, World } from './world.ts';

export const COMMANDS: readonly string[] = [
  'verify',
  'mend',
  'wiring',
  'parts',
  'sheet',
  'drawing',
  'selftest',
  'settings',
  'schema',
  'checks',
  'card',
];

/** Messages among the data are said: what reads this knows no words of ours. */
const json = (value: unknown): string => `${JSON.stringify(sayDeep(value), null, 2)}\n`;
const done = (text: string): Output => ({ text, complaint: '', code: 0 });

function load(path: string | undefined, world: World): Read<PlanDocument> {
  if (path === undefined) return { ok: false, problems: [{ path: '', message: expected('noPath') }] };
  try {
    return readPlan(world.readFile(path));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, problems: [{ path: '', message: expected('unreadable', { path, why }) }] };
  }
}

function schema(of: string | undefined): Output {
  if (of === 'card' || of === 'plan') return done(json(jsonSchema(of)));
  return { text: '', complaint: `expected card or plan, found ${of ?? 'nothing'}`, code: 2 };
}

function checks(as: As): Output {
  const metas = CHECKS.map(({ meta: { id } }) => ({ id, ...ruleOf(id) }));
  return done(as === 'json' ? json(metas) : checksText(metas));
}

/** Code 1 where the parts cannot be laid out, or the wiring read back is not the circuit. */
function wiring(circuit: Circuit, build: Build, as: As): Output {
  const wrong = build.why ? [build.why.says] : (build.proof?.mismatches ?? []).map(({ says }) => says);
  const text =
    as === 'json'
      ? json(build.wiring)
      : as === 'csv'
        ? wiringCsv(build.wiring)
        : as === 'svg' && build.layout
          ? buildSvg(circuit, build)
          : wiringText(build.wiring);
  return { text, complaint: wrong.map(say).join('\n'), code: wrong.length > 0 ? 1 : 0 };
}

/** The whole build as one picture, or as the table that says the same. */
function drawing(circuit: Circuit, as: As): Output {
  const overview = overviewOf(circuit, verify(circuit));
  if (as === 'svg') return done(`${overviewSvg(layOut(overview), circuit.plan.name)}\n`);
  const lines = overviewTable(overview);
  return done(as === 'json' ? json(lines) : drawingText(lines));
}

/** The program that brings a build up by itself. */
function selfTest(circuit: Circuit, plan: string, language = 'c'): Output {
  if (language === 'c') return done(selfTestC(circuit, plan));
  if (language === 'python') return done(selfTestPython(circuit, plan));
  return { text: '', complaint: `expected c or python, found ${language}`, code: 2 };
}

/** What the software of the build must be told. */
function settings(circuit: Circuit, plan: string, language = 'c'): Output {
  if (language === 'c') return done(settingsC(circuit, plan));
  if (language === 'python') return done(settingsPython(circuit, plan));
  if (language === 'overlay') return done(settingsOverlay(circuit, plan));
  if (language === 'json') return done(settingsJson(circuit, plan));
  return { text: '', complaint: `expected c, python, overlay or json, found ${language}`, code: 2 };
}

/** Runs one command. Everything it needs of the world is handed in. */
export function run(command: string, words: readonly string[], as: As, world: World): Output {
  const [argument] = words;
  if (command === 'card') return cardCommand(words, as === 'json', world);
  if (command === 'schema') return schema(argument);
  if (command === 'checks') return checks(as);
  const read = load(argument, world);
  if (!read.ok) {
    if (as === 'json') return { text: json(refused(read.problems)), complaint: '', code: 2 };
    return { text: '', complaint: problemsText(read.problems), code: 2 };
  }
  if (command === 'verify') {
    const report = reportOf(read.value, world.catalogue());
    return {
      text: as === 'json' ? json(report) : verdictText(report),
      complaint: '',
      code: report.status === 'verified' ? 0 : 1,
    };
  }
  const circuit = deriveCircuit(read.value);
  if (command === 'mend') {
    const catalogue = world.catalogue();
    const completion = complete(circuit, libraryOf([...catalogue.values(), ...read.value.cards]));
    const plan = documentOf(completion.plan, read.value.cards, catalogue);
    return {
      text: as === 'json' ? writePlan(plan) : completionText(completion),
      complaint: '',
      code: completion.verdict.status === 'verified' ? 0 : 1,
    };
  }
  if (command === 'drawing') return drawing(circuit, as);
  if (command === 'selftest') return selfTest(circuit, fingerprint(read.value), words[1]);
  if (command === 'settings') return settings(circuit, fingerprint(read.value), as === 'json' ? 'json' : words[1]);
  const build = buildOf(circuit);
  if (command === 'sheet') return done(buildSheet(circuit, verify(circuit), build, fingerprint(read.value)));
  if (command === 'wiring') return wiring(circuit, build, as);
  return done(as === 'json' ? json(build.parts) : as === 'csv' ? partsCsv(build.parts) : partsText(build.parts));
}
