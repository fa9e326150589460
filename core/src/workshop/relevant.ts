/** Whether a thing can be asked of an entry at all: of an output what it gives, of an address who has one. */
import { DRIVING, DRIVING_HIGH, ELECTRIC, LISTENING } from '../card/kinds.ts';
import type { Json } from './form.ts';
import { placesOf, type Tree, valueAt, wordAt } from './tree.ts';

/** The entry of a list that a place leads through first. */
function entryOf(tree: Tree, place: string): Json | undefined {
  const [list, id] = place.split('/');
  return placesOf(tree, `${list}/*`).find((one) => one.place === `${list}/${id}`)?.value;
}

type Test = (entry: Json | undefined, tree: Tree, place: string) => boolean;

const kinds =
  (...of: readonly string[]): Test =>
  (entry) =>
    of.includes(wordAt(entry, 'kind'));
const protocols =
  (...of: readonly string[]): Test =>
  (entry) =>
    of.includes(wordAt(entry, 'protocol'));
const transfer =
  (...of: readonly string[]): Test =>
  (entry) =>
    of.includes(wordAt(entry, 'analog/kind'));

/** Of a line that several parts share, which is where parts carry pull-ups. */
const isShared: Test = (entry, tree) => {
  const id = valueAt(entry, 'id');
  return placesOf(tree, 'ports/*').some(({ value }) => {
    const lines = valueAt(value, 'lines');
    const on = typeof lines === 'object' && lines !== null && Object.values(lines).includes(id as Json);
    return on && ['i2c', 'onewire'].includes(wordAt(value, 'protocol'));
  });
};

/** Fed at one pin, it has another that carries power: what it makes of it, or another way in. */
const mayGive = (tree: Tree): boolean =>
  placesOf(tree, 'rails/*').length > 0 ||
  placesOf(tree, 'terminals/*').filter(({ value }) => wordAt(value, 'role') === 'supply').length > 1;

const hasPullUp: Test = (entry) => valueAt(entry, 'fittedPullUp/value') !== undefined;
const electric = kinds(...ELECTRIC);
const listening = kinds(...LISTENING);

const TESTS: Readonly<Record<string, Test>> = {
  // A part that is fed at one pin gives nothing on.
  rails: (_, tree) => wordAt(tree, 'kind') !== 'module' || mayGive(tree),
  // Of a part that speaks in one way there is nothing to choose.
  modes: (_, tree) => placesOf(tree, 'ports/*').length > 1 && valueAt(tree, 'modes') !== undefined,
  'signals/*/outputHigh': kinds(...DRIVING_HIGH),
  'signals/*/outputLow': kinds(...DRIVING),
  'signals/*/sinkCurrent': kinds('open-drain'),
  'signals/*/inputHigh': listening,
  'signals/*/inputLow': listening,
  'signals/*/absoluteMax': electric,
  'signals/*/leakage': electric,
  'signals/*/capacitance': electric,
  'signals/*/outputResistance': kinds('analog-out'),
  'signals/*/fittedPullUp/value': isShared,
  'signals/*/fittedPullUp/to': hasPullUp,
  'signals/*/fittedPullUp/removable': hasPullUp,
  // Where the part makes no rail there is nothing to translate to.
  'ports/*/ownTranslator': (entry, tree) => wordAt(entry, 'protocol') === 'i2c' && mayGive(tree),
  'ports/*/addresses': protocols('i2c'),
  'ports/*/clock': protocols('i2c', 'spi'),
  'ports/*/reading/bytes': protocols('i2c', 'spi'),
  'ports/*/spiMode': protocols('spi'),
  'ports/*/rate': protocols('uart'),
  'ports/*/frequency': protocols('pwm'),
  'ports/*/forward/voltage': protocols('led'),
  'ports/*/forward/current': protocols('led'),
  'ports/*/inductance': protocols('coil'),
  'ports/*/active/level': protocols('digital-in', 'coil'),
  'ports/*/interrupts/lines': protocols('digital-out'),
  'ports/*/parasite/current': protocols('onewire'),
  'ports/*/parasite/least': protocols('onewire'),
  'measures/*/analog/low': transfer('linear'),
  'measures/*/analog/high': transfer('linear'),
  'measures/*/analog/r25': transfer('beta'),
  'measures/*/analog/beta': transfer('beta'),
  'measures/*/analog/r10': transfer('light'),
  'measures/*/analog/gamma': transfer('light'),
  'measures/*/analog/r0': transfer('platinum'),
  'measures/*/analog/dissipation': transfer('beta', 'platinum'),
};

/** What cards of one kind alone have. */
const KINDS: Readonly<Record<string, string>> = {
  board: 'board',
  cable: 'cable',
  capacitor: 'capacitor',
  carrier: 'carrier',
  controller: 'controller',
  diode: 'diode',
  driver: 'driver',
  lead: 'leads',
  translator: 'translator',
};

const isOfKind = (tree: Tree, pattern: string): boolean => {
  const [first = ''] = pattern.split('/');
  const [kind, own] = [wordAt(tree, 'kind'), KINDS[first]];
  return own === undefined || kind === '' || own === kind;
};

export const isRelevant = (tree: Tree, pattern: string, place: string): boolean =>
  isOfKind(tree, pattern) && (TESTS[pattern]?.(entryOf(tree, place), tree, place) ?? true);
