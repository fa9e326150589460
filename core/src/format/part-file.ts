/** A part as answers in a text file: a line for each thing that it says, with comments; tables as rows below it. */
import { Source } from '../card/figure.ts';
import { tells } from '../quantity/message.ts';
import { ruleOf, say } from '../say/say.ts';
import type { Answer, Answers } from '../workshop/answers.ts';
import { treeOf } from '../workshop/build.ts';
import { type ClassId, CLASS_IDS } from '../card/part-class.ts';
import { bare, cellsIn, quoted } from '../workshop/parts.ts';
import { questionsOf } from '../workshop/questions.ts';
import { type PartFileSays, titleOf } from '../workshop/titles.ts';

const HEAD = 'idle-breadboard/part';
const tell = tells<PartFileSays>('workshop/part-file');

const NOBODY = { kind: 'memory', title: '-' } as const;

export interface PartFile {
  readonly id: string;
  readonly revision: number;
  readonly cls: ClassId | null;
  readonly answers: Answers;
}

/** Line ends and bars in a cell must not end it. */
const cell = (text: string): string => (text === '' ? '' : quoted(text, '|').replaceAll('\n', '\\n'));
const uncell = (text: string): string => bare(text.replaceAll('\\n', '\n'));

function sourceLine({ kind, title, revision = '', page }: Source): string {
  return `  ~ ${[kind, title, revision, page === undefined ? '' : String(page)]
    .map(cell)
    .join(' | ')
    .replace(/(?: \| )+$/, '')}`;
}

/** A quantity may have a colon in its name, which would end the place. */
const escaped = (place: string): string => place.replaceAll('%', '%25').replaceAll(':', '%3A');
const unescaped = (place: string): string => place.replaceAll('%3A', ':').replaceAll('%25', '%');

function answerLines(at: string, { said, source }: Answer): string[] {
  const place = escaped(at);
  const head = typeof said === 'string' ? `${place}: ${said.replaceAll('\n', '\\n')}` : `${place}:`;
  const rows = typeof said === 'string' ? [] : said.map((cells) => `  - ${cells.map(cell).join(' | ')}`);
  return [head, ...rows, ...(source ? [sourceLine(source)] : [])];
}

/** @returns the text of a part file: what was answered, and with a class also what is still asked, as comments say who for */
export function writePart({ id, revision, cls, answers }: PartFile): string {
  const lines = [`${HEAD}: ${id}, ${revision}${cls ? `, ${cls}` : ''}`];
  const left = new Map(answers);
  if (cls) {
    const { tree } = treeOf(answers, NOBODY);
    for (const question of questionsOf(cls, answers)) {
      const asked = question.asks.map((check) => ruleOf(check).short).join(', ');
      const title = titleOf(question, tree);
      lines.push('', `# ${say(asked ? tell('askedBy', { title, checks: asked }) : title)}`);
      if (question.assumed !== null) lines.push(`# ${say(tell('assumed', { said: question.assumed }))}`);
      if ('rows' in question.how) lines.push(`# ${Object.keys(question.how.rows).join(' | ')}`);
      for (const place of question.places) {
        const answer = left.get(place);
        lines.push(...(answer ? answerLines(place, answer) : [`# ${escaped(place)}:`]));
        left.delete(place);
      }
    }
    lines.push('');
  }
  for (const [place, answer] of left) lines.push(...answerLines(place, answer));
  return `${lines.join('\n')}\n`;
}

const cellsOf = (line: string): string[] => cellsIn(line, '|').map(uncell);

/** @returns null for a text that is no part file; lines that say nothing are left out */
export function readPart(text: string): PartFile | null {
  const [first = '', ...lines] = text.split(/\r?\n/);
  const [, id = '', revision = '1', cls] =
    /^idle-breadboard\/part:\s*([a-z0-9-]+)(?:,\s*(\d+))?(?:,\s*([a-z-]+))?\s*$/.exec(first) ?? [];
  if (id === '') return null;
  const answers = new Map<string, Answer>();
  let place = '';
  for (const line of lines) {
    if (/^\s*(?:#|$)/.test(line)) continue;
    const row = /^\s+-\s?(.*)$/.exec(line);
    const from = /^\s+~\s?(.*)$/.exec(line);
    const known = answers.get(place);
    if (row && known) {
      const rows = typeof known.said === 'string' ? [] : known.said;
      answers.set(place, { ...known, said: [...rows, cellsOf(row[1] ?? '')] });
    } else if (from && known) {
      const [kind, title, version, page] = cellsOf(from[1] ?? '');
      const source = Source.safeParse({
        kind,
        title,
        ...(version ? { revision: version } : {}),
        ...(page ? { page: Number(page) } : {}),
      });
      if (source.success) answers.set(place, { ...known, source: source.data });
    } else {
      const [, name = '', said = ''] = /^([^:]+):\s?(.*)$/.exec(line) ?? [];
      place = unescaped(name.trim());
      if (place !== '') answers.set(place, { said: said.trim() === '' ? [] : said.replaceAll('\\n', '\n') });
    }
  }
  return { id, revision: Number(revision), cls: CLASS_IDS.find((one) => one === cls) ?? null, answers };
}
