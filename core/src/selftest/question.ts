/** What the program does while a person looks on or moves something: outputs that it drives for a moment, lines that it watches. */
import type { Circuit, PartNode } from '../circuit/model.ts';
import type { Port } from '../card/port.ts';
import { keyOf } from '../plan/ref.ts';
import type { Job } from './job.ts';
import type { Line } from './line.ts';

export type Question =
  | {
      readonly is: 'drive';
      /** Number of the pin in the list of the job. */
      readonly pin: number;
      /** Parts that may move, heat, light or sound with it. */
      readonly moves: readonly string[];
    }
  | {
      readonly is: 'watch';
      /** The lines of one part, each with or without the pull-up of the pin. */
      readonly pins: readonly { readonly pin: number; readonly pulledUp: boolean }[];
    };

/** ms that lines are watched, long enough to walk past a sensor. */
export const WATCHED = 8000;
/** ms that an output is driven. */
export const DRIVEN = 1000;
/** No program watches more lines at once. */
export const MOST_WATCHED = 4;

const isOutput = ({ protocol, chain }: Port): boolean =>
  (protocol === 'digital-in' && chain === undefined) || protocol === 'led';

/** Fed by what a part switches, or driven by it. */
const behind = (circuit: Circuit, part: string): string[] => [
  ...[...circuit.feeds.values()].flatMap((feed) =>
    circuit.rails.get(feed.rail ?? '')?.part === part ? [feed.part] : [],
  ),
  ...[...circuit.parts.values()].flatMap(({ id, choice }) =>
    Object.values(choice?.ports ?? {}).some(({ driver }) => driver === part) ? [id] : [],
  ),
];

function allMoved(circuit: Circuit, part: string): string[] {
  const all = new Set([part]);
  for (const one of all) for (const next of behind(circuit, one)) all.add(next);
  return [...all];
}

/** Lines of a port with the pins that they are on; null where one has none of which the program may do this. */
function pinsOf(circuit: Circuit, job: Job, key: string, acts: boolean): { pin: number; pulledUp: boolean }[] | null {
  const wishes = circuit.wishes.filter(({ of }) => of === key);
  const pins = wishes.map(({ pin, weakPull }) => ({
    pin: job.pins.findIndex(({ terminal, analog, rests }) => terminal === pin && !analog && (rests !== null) === acts),
    pulledUp: weakPull,
  }));
  return pins.length === 0 || pins.some(({ pin }) => pin < 0) ? null : pins;
}

function driven(circuit: Circuit, job: Job, part: PartNode, port: Port): Question | null {
  const driver = circuit.parts.get(part.choice?.ports[port.id]?.driver ?? '');
  const input = port.protocol === 'coil' ? driver?.card.ports.find(isOutput) : port;
  const of = port.protocol === 'coil' ? driver?.id : part.id;
  const [first] = (input && of !== undefined && pinsOf(circuit, job, keyOf(of, input.id), true)) || [];
  return first && of !== undefined ? { is: 'drive', pin: first.pin, moves: allMoved(circuit, of) } : null;
}

function question(circuit: Circuit, job: Job, part: PartNode, port: Port): Question | null {
  const { protocol } = port;
  // What an echo or a value waits for is a pulse that its own program gives.
  const isAsked = part.card.measures.length > 0 && part.card.ports.some(isOutput);
  if (protocol === 'coil' || (isOutput(port) && !isAsked)) return driven(circuit, job, part, port);
  if (isAsked || (protocol !== 'switch' && protocol !== 'digital-out')) return null;
  const pins = pinsOf(circuit, job, keyOf(part.id, port.id), false);
  return pins && pins.length <= MOST_WATCHED ? { is: 'watch', pins } : null;
}

/** @returns by the key of the row that the answer belongs to */
export const questionsOf = (circuit: Circuit, job: Job): ReadonlyMap<string, Question> =>
  new Map(
    [...circuit.parts.values()].flatMap((part) =>
      part.card.ports.flatMap((port): [string, Question][] => {
        const asked = question(circuit, job, part, port);
        return asked ? [[`works:${keyOf(part.id, port.id)}`, asked]] : [];
      }),
    ),
  );

/** @param seq number that the answer carries as well */
export const askedBy = (asked: Question, seq: number): Line =>
  asked.is === 'drive'
    ? { seq, word: 'drive', fields: [String(asked.pin)] }
    : {
        seq,
        word: 'watch',
        fields: [WATCHED, ...asked.pins.flatMap(({ pin, pulledUp }) => [pin, Number(pulledUp)])].map(String),
      };

/** @returns how often each line changed; none where the output was driven; null where the line is no answer to this */
export function answerTo(asked: Question, seq: number, line: Line): readonly number[] | null {
  if (line.seq !== seq || line.word !== (asked.is === 'drive' ? 'driven' : 'watched')) return null;
  const numbers = line.fields.map(Number);
  if (asked.is === 'drive') return numbers[0] === asked.pin ? [] : null;
  return numbers.length === asked.pins.length && numbers.every(Number.isFinite) ? numbers : null;
}
