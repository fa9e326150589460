/** Plan files as a hand, another program or a bad disk might leave them: drawn from a sound one by a few changes. */
import { randomFrom } from '../../src/quantity/random.ts';

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
type Holder = Json[] | { [key: string]: Json };

/** A value and where it hangs. */
interface Place {
  readonly holder: Holder;
  readonly key: string | number;
  /** The key that says what kind of value it is: that of the object that holds it, through lists. */
  readonly name: string;
}

const isHolder = (value: Json): value is Holder => value !== null && typeof value === 'object';
const at = ({ holder, key }: Place): Json => Reflect.get(holder, key) as Json;
const put = ({ holder, key }: Place, value: Json): void => void Reflect.set(holder, key, value);

function placesIn(root: Json): Place[] {
  const places: Place[] = [];
  const walk = (value: Json, name: string) => {
    if (!isHolder(value)) return;
    for (const [key, inner] of Array.isArray(value) ? [...value.entries()] : Object.entries(value)) {
      const own = typeof key === 'number' ? name : key;
      places.push({ holder: value, key, name: own });
      walk(inner, own);
    }
  };
  walk(root, '');
  return places;
}

/** What numbers become that are no longer what was meant. */
const NUMBERS: readonly ((n: number) => number)[] = [
  () => 0,
  (n) => -n,
  (n) => n * 10,
  (n) => n / 10,
  (n) => n * 1e3,
  (n) => n / 1e3,
  (n) => n * 1e6,
  (n) => n + 1,
  (n) => n - 1,
  () => 1e307,
  () => -1e307,
  () => 1e-307,
  () => 2 ** 53,
  () => 0.5,
];
const STRINGS: readonly string[] = [
  '',
  'constructor',
  '__proto__',
  'toString',
  '‮reversed',
  'a\u0000b',
  'line\nline',
  'x'.repeat(3000),
  'ground',
  '0',
];

type Pick = <T>(list: readonly T[]) => T;

/** One change somewhere in the file. */
function change(root: Json, random: () => number, pick: Pick): void {
  // How the parts hang together is changed as often as what their cards say.
  const places = placesIn(random() < 0.5 ? root : ((root as { plan: Json }).plan ?? root));
  // What holds others is changed less often than what holds a value: there is less left to compute.
  const place = random() < 0.75 ? pick(places.filter((p) => !isHolder(at(p)))) : pick(places);
  const value = at(place);
  const draw = random();
  // Most changes keep to what may stand there: only these get past the schema and into the sums.
  if (typeof value === 'number' && draw < 0.3) put(place, value * (0.5 + random()));
  else if (draw < 0.6) put(place, structuredClone(at(pick(places.filter(({ name }) => name === place.name)))));
  else if (typeof value === 'number') put(place, pick(NUMBERS)(value));
  else if (typeof value === 'boolean') put(place, !value);
  else if (typeof value === 'string')
    put(place, random() < 0.5 ? pick(STRINGS) : String(at(pick(places.filter((p) => typeof at(p) === 'string')))));
  else if (Array.isArray(value)) changeList(value, random());
  else if (Array.isArray(place.holder)) place.holder.splice(Number(place.key), 1);
  else Reflect.deleteProperty(place.holder, place.key);
}

const drawing = (seed: number): { random: () => number; pick: Pick } => {
  const random = randomFrom(seed);
  return { random, pick: (list) => list[Math.floor(random() * list.length)] as never };
};

/** @returns the text of the file with one to four changes, whatever they lead to */
export function mutated(text: string, seed: number): string {
  const { random, pick } = drawing(seed);
  // A disk knows no JSON.
  if (random() < 0.05) return broken(text, random);
  const root = JSON.parse(text) as Json;
  const changes = 1 + Math.floor(random() * 4);
  for (let i = 0; i < changes; i++) change(root, random, pick);
  return JSON.stringify(root);
}

/**
 * @param isTaken whether a file is read
 * @returns the text of the file with up to forty changes, each of which left it a file that is read: what is odd in it is for the
 * sums to meet
 */
export function bent(text: string, seed: number, isTaken: (text: string) => boolean): string {
  const { random, pick } = drawing(seed);
  let now = text;
  for (let i = 1 + Math.floor(random() * 40); i > 0; i--) {
    const root = JSON.parse(now) as Json;
    change(root, random, pick);
    const next = JSON.stringify(root);
    if (isTaken(next)) now = next;
  }
  return now;
}

function changeList(list: Json[], draw: number): void {
  if (draw < 0.3) list.pop();
  else if (draw < 0.5) list.reverse();
  else if (draw < 0.6) list.length = 0;
  else if (draw < 0.9 && list[0] !== undefined) list.push(structuredClone(list[0]));
  else if (list[0] !== undefined) for (let i = 0; i < 40; i++) list.push(structuredClone(list[0]));
}

function broken(text: string, random: () => number): string {
  const where = Math.floor(random() * text.length);
  const draw = random();
  if (draw < 0.3) return text.slice(0, where);
  if (draw < 0.6)
    return `${text.slice(0, where)}${String.fromCharCode(Math.floor(random() * 0x2100))}${text.slice(where + 1)}`;
  if (draw < 0.8) return `${text.slice(0, where)}${'['.repeat(20_000)}${text.slice(where)}`;
  return `${text.slice(0, where)}\ud800${text.slice(where)}`;
}
