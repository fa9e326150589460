/** Cards on the command line: a skeleton to fill in, and what is wrong with one. */
import type { Card } from '@idle-breadboard/core/card';
import { readCard, readPart, writePart } from '@idle-breadboard/core/files';
import { say, sayProblems } from '@idle-breadboard/core/words';
import { CLASS_IDS, cardOf, classTitle, judge, lackingIn, proposeParts } from '@idle-breadboard/core/workshop';
import type { Output, World } from './world.ts';

const MEMORY = { kind: 'memory', title: 'entered by hand' } as const;

const refused = (complaint: string): Output => ({ text: '', complaint, code: 2 });

/** @param printed the names along its header, where they are known */
function skeleton(name: string | undefined, printed: string | undefined): Output {
  const cls = CLASS_IDS.find((one) => one === name);
  if (!cls) {
    const classes = CLASS_IDS.map((one) => `  ${one.padEnd(20)} ${say(classTitle(one))}`).join('\n');
    return refused(`expected a class, found ${name ?? 'nothing'}; there are\n${classes}`);
  }
  const answers = printed === undefined ? new Map() : proposeParts(cls, [{ kind: 'male', text: printed }]);
  return { text: writePart({ id: `my-${cls}`, revision: 1, cls, answers }), complaint: '', code: 0 };
}

interface Found {
  readonly place: string;
  readonly says: string;
}

/** What is wrong with the text of a card or of a part file. */
function problemsIn(text: string): { problems: Found[]; card: Card | null } {
  const part = readPart(text);
  if (!part) {
    const read = readCard(text);
    return read.ok
      ? { problems: [], card: read.value }
      : {
          problems: sayProblems(read.problems).map(({ path, message }) => ({ place: path, says: message })),
          card: null,
        };
  }
  const built = cardOf(part.answers, part.id, part.revision, MEMORY);
  if (built.ok) return { problems: [], card: built.card };
  const { lacks, others } = lackingIn({ cls: part.cls ?? 'bus-sensor', answers: part.answers }, built);
  return {
    problems: [
      ...[...built.problems, ...others].map(({ place, says }) => ({ place, says: say(says) })),
      ...lacks.map(({ place, title }) => ({ place, says: `a card cannot be without: ${say(title)}` })),
    ],
    card: null,
  };
}

/** Code 1 where the judge doubts something, 2 where it is no card. */
function check(path: string | undefined, asJson: boolean, world: World): Output {
  if (path === undefined) return refused('expected the path of a card or of a part file, found none');
  let text: string;
  try {
    text = world.readFile(path);
  } catch (error) {
    return refused(`${path}: ${error instanceof Error ? error.message : String(error)}`);
  }
  const { problems, card } = problemsIn(text);
  const doubts = card ? judge(card).map(({ place, says }) => ({ place, says: say(says) })) : [];
  const lines = (all: readonly Found[]) => all.map(({ place, says }) => `${place}: ${says}\n`).join('');
  if (asJson) {
    const said = `${JSON.stringify({ problems, doubts }, null, 2)}\n`;
    return { text: said, complaint: '', code: problems.length > 0 ? 2 : doubts.length > 0 ? 1 : 0 };
  }
  if (problems.length > 0) return refused(lines(problems));
  return {
    text: doubts.length > 0 ? lines(doubts) : 'Nothing is doubted.\n',
    complaint: '',
    code: doubts.length > 0 ? 1 : 0,
  };
}

export function cardCommand(words: readonly string[], asJson: boolean, world: World): Output {
  const [what, first, second] = words;
  if (what === 'new') return skeleton(first, second);
  if (what === 'check') return check(first, asJson, world);
  return refused(`expected new or check, found ${what ?? 'nothing'}`);
}
