/** The command line: the same core, with files in and text or JSON out. */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { readCatalogue } from '@idle-breadboard/catalogue';
import { COMMANDS, run } from './commands.ts';
import type { Output } from './world.ts';

const USAGE = `usage: npm run -s cli -- COMMAND [FILE] [--json | --csv | --svg]

  verify PLAN.json     verdict with findings, passes and remedies
  mend PLAN.json       what completes it, or why not; --json gives the plan
  wiring PLAN.json     wiring plan, hole by hole; --svg gives the board map
  parts PLAN.json      parts list with packs and prices
  sheet PLAN.json      the whole build as Markdown, with boxes to tick
  drawing PLAN.json    the whole build, line by line; --svg gives it as one picture
  selftest PLAN.json [python]  a program that brings the build up by itself, in C or Python
  settings PLAN.json [python|overlay]  what its software must be told, in C, Python, a device tree, or --json
  schema card|plan     JSON Schema of a file
  checks               every check with its rule and source
  card new CLASS [PRINT]  a skeleton of a part to fill in, from what is printed along its header
  card check FILE      what is wrong with a card or a part file, and what is doubted

exit 0 verified or done, 1 open, 2 refused
`;

function main(): Output {
  let parsed;
  try {
    parsed = parseArgs({
      allowPositionals: true,
      options: {
        json: { type: 'boolean' },
        csv: { type: 'boolean' },
        svg: { type: 'boolean' },
        help: { type: 'boolean' },
      },
    });
  } catch (error) {
    return { text: '', complaint: `${error instanceof Error ? error.message : String(error)}\n\n${USAGE}`, code: 2 };
  }
  const [command, ...words] = parsed.positionals;
  if (parsed.values.help) return { text: USAGE, complaint: '', code: 0 };
  if (command === undefined || !COMMANDS.includes(command)) return { text: '', complaint: USAGE, code: 2 };
  const as = parsed.values.json ? 'json' : parsed.values.csv ? 'csv' : parsed.values.svg ? 'svg' : 'text';
  return run(command, words, as, { readFile: (path) => readFileSync(path, 'utf8'), catalogue: readCatalogue });
}

const { text, complaint, code } = main();
if (complaint) process.stderr.write(complaint.endsWith('\n') ? complaint : `${complaint}\n`);
// A pipe may take the text in pieces: the exit code is set, and the process ends when all is written.
process.exitCode = code;
process.stdout.write(text);
