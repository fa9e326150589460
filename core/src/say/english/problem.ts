/** What is wrong with what was read: files, cards, plans. */
import type { CardForm, CardProblemSays } from '../../card/problem.ts';
import type { PlanForm, PlanProblemSays } from '../../plan/problem.ts';
import type { ProblemSays } from '../../quantity/problem.ts';
import { topic } from '../language.ts';
import { commas, counted } from './grammar.ts';

export const problem = {
  problem: topic<ProblemSays>({
    says: {
      kind: ({ expected, found }) => `expected ${expected}, found ${found}`,
      oneOf: ({ values, found }) => `expected ${values.join(' or ')}, found ${found}`,
      noOthers: ({ found }) => `expected no other entries, found ${commas(found)}`,
      atMost: ({ limit, found }) => `expected at most ${limit}, found ${found}`,
      atLeast: ({ limit, found }) => `expected at least ${limit}, found ${found}`,
      form: ({ form, found }) => `expected ${form}, found ${found}`,
      otherForm: ({ found }) => `expected another form, found ${found}`,
      knownKind: ({ found }) => `expected one of the known kinds, found ${found}`,
      object: ({ found }) => `expected an object, found ${found}`,
      exactly: ({ expected, found }) => `expected “${expected}”, found ${found}`,
      version: ({ version, found }) => `expected version ${version}, found ${found}`,
      newer: ({ version, found }) =>
        `expected version ${version} or older, found ${found}: the file comes from a newer Idle Breadboard`,
      entries: ({ most, found }) => `expected at most ${most} entries, found ${found}`,
      idOnce: ({ found }) => `expected an id used once, found “${found}” again`,
      characters: ({ most, found }) => `expected at most ${most} characters, found ${found}`,
      noPath: 'expected the path of a plan file, found none',
      unreadable: ({ path, why }) => `${path} could not be read: ${why}`,
      depth: ({ most }) => `expected at most ${most} levels of brackets, found more`,
      more: ({ count }) => `and ${counted(count, 'more problem')}`,
      noFile: 'expected a file of this name in the archive, found none',
      steps: ({ most, found }) => `expected the number of one of ${counted(most, 'step')}, found ${found}`,
      emptyFile: 'expected JSON, found an empty file',
      json: ({ line, column, cut }) =>
        `expected JSON, found something else at line ${line}, column ${column}${cut ? '; the file seems to be cut off' : ''}`,
      closingMark: 'expected a closing quotation mark, found none',
      heads: 'expected a line of heads and at least one line below it',
      lines: ({ most, found }) => `expected at most ${most} lines, found ${found}`,
      cells: ({ heads, found }) => `expected ${counted(heads, 'cell')} as in the line of heads, found ${found}`,
      column: ({ found }) =>
        `expected a column “part” or “parameter”, found ${found.map((cell) => `“${cell}”`).join(', ')}`,
      nothing: 'nothing',
      null: 'null',
      list: ({ count }) => `a list of ${count}`,
      anObject: 'an object',
      text: ({ text }) => `“${text}”`,
    },
  }),
  'plan/problem': topic<PlanProblemSays>({
    says: {
      card: ({ found }) => `expected a card of this file, found “${found}”`,
      part: ({ found }) => `expected a part of this plan, found “${found}”`,
      otherPart: ({ found }) => `expected another part, found “${found}” itself`,
      need: ({ found }) => `expected a need of this plan, found “${found}”`,
      sensingNeed: ({ found }) => `expected a sensing need of this plan, found “${found}”`,
      controller: ({ found }) => `expected a controller, found “${found}”`,
      pin: ({ found }) => `expected a pin of the controller, found “${found}”`,
      converter: ({ found }) => `expected a converter of this plan, found “${found}”`,
      input: ({ card, found }) => `expected an input of card “${card}”, found “${found}”`,
      supply: ({ card, found }) => `expected a supply of card “${card}”, found “${found}”`,
      rail: ({ found }) => `expected a rail of this plan, found “${found}”`,
      freeTerminal: ({ card }) => `expected a terminal of card “${card}” that is free`,
      groundOrSupply: ({ card, found }) => `expected ground or a supply of card “${card}”, found “${found}”`,
      port: ({ card, found }) => `expected a port of card “${card}”, found “${found}”`,
      bus: ({ found }) => `expected a bus of this plan, found “${found}”`,
      busOfProtocol: ({ protocol, found, its }) => `expected a ${protocol} bus, found “${found}” which is ${its}`,
      ownLine: ({ port, found }) => `expected a line of its own of port “${port}”, found “${found}”`,
      openSignal: ({ card, found }) => `expected a signal of card “${card}” with a fitted pull-up, found “${found}”`,
      circle: ({ way }) =>
        `expected a beginning, found a circle: ${[...way, way[0] ?? ''].map((at) => `“${at}”`).join(' hangs on ')}`,
      busSwitch: ({ found }) => `expected a bus switch of this plan, found “${found}”`,
      channel: ({ last, found }) => `expected a channel from 0 to ${last}, found ${found}`,
      translator: ({ found }) => `expected a translator of this plan, found “${found}”`,
      translatorCard: ({ found }) => `expected the card of a translator, found “${found}”`,
      partOrHelper: 'expected a part or helper of this plan',
      upperEnd: 'expected an upper end above the lower one',
      idOnce: ({ found, first }) => `expected an id used once, found “${found}” which ${first} has`,
      wireNumber: ({ found }) => `expected a number whose last byte checks the others, found ${found}`,
      numberOnce: ({ found, first }) =>
        `expected each part on one wire with a number of its own, found ${found} which ${first} has`,
    },
  }),
  'card/problem': topic<CardProblemSays>({
    says: {
      idOnce: ({ found }) => `expected an id used once, found “${found}” again`,
      header: ({ found }) => `expected a header of this card, found “${found}”`,
      terminal: ({ found }) => `expected a terminal of this card, found “${found}”`,
      supply: ({ found }) => `expected a supply of this card, found “${found}”`,
      power: ({ found }) => `expected a supply or rail of this card, found “${found}”`,
      rail: ({ found }) => `expected a rail of this card, found “${found}”`,
      port: ({ found }) => `expected a port of this card, found “${found}”`,
      signal: ({ found }) => `expected a signal of this card, found “${found}”`,
      pin: ({ found }) => `expected a pin of this card, found “${found}”`,
      source: ({ found }) => `expected a source of this card, found “${found}”`,
      lineOfPort: ({ found }) => `expected a line of this port, found “${found}”`,
      lineOfProtocol: ({ protocol, lines, found }) =>
        `expected a line of ${protocol} (${commas(lines)}), found “${found}”`,
      voltage: 'expected a voltage, found none',
      noSocketSupply: ({ name }) => `expected no supply named “${name}” beside the socket`,
      printedName: ({ controller, found }) =>
        `expected a printed name of the carrier on “${controller}”, found “${found}”`,
      anyBound: 'expected at least one of min, typ, max',
      boundsInOrder: ({ found }) => `expected min ≤ typ ≤ max, found ${found.join(' > ')}`,
      notNegative: ({ unit, found }) => `expected no negative value in ${unit}, found ${found}`,
      beyond: ({ unit, least, most, found }) =>
        `expected nothing or from ${least} to ${most} ${unit} in size, found ${found}`,
      nothingAtAll: ({ unit }) => `expected more than 0 ${unit}`,
      upwards: ({ from, found }) => `expected an upper end of at least ${from}, found ${found}`,
      guaranteed: 'expected a guaranteed min or max besides what is typical',
      curveFalls: 'expected more used and no more volts than in the point before',
      curveEnds: 'expected a curve from 0 to 1',
    },
  }),
  'word/form': topic<{ readonly [Form in CardForm | PlanForm]: null }>({
    says: {
      plainText: 'plain text, without control characters or marks that turn its order',
      id: 'an id of lower-case letters, digits and hyphens',
      currency: 'a currency code of three capitals',
      pinFunction: 'a pin function such as in, out, pwm, adc1.6 or i2c0.sda',
      unit: 'a unit such as adc2',
      pwmChannel: 'a PWM channel such as pwm4',
      rail: 'a rail as part.rail',
      net: 'a bus or part.port',
      hole: 'a hole such as 1:a12 or 1:u+3',
      wireNumber: 'the number of a part on one wire: sixteen hexadecimal digits',
    },
  }),
};
