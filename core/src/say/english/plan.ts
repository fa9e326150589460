/** What helpers of a plan are called. */
import type { Protocol } from '../../card/protocol.ts';
import type { Helper, HelperSays } from '../../plan/helpers.ts';
import type { HouseRules } from '../../plan/house-rules.ts';
import { topic } from '../language.ts';
import { list } from './grammar.ts';

export const plan = {
  /** What kinds of helpers are called. */
  'word/helper': topic<{ readonly [Kind in Helper['kind']]: null }>({
    says: {
      'pull-up': 'pull-up',
      'pull-down': 'pull-down',
      series: 'series',
      fixed: 'fixed',
      divider: 'divider',
      filter: 'filter',
      capacitor: 'capacitor',
      diode: 'diode',
      guard: 'guard',
      translator: 'translator',
      debounce: 'debounce',
    },
  }),
  'plan/helper': topic<HelperSays>({
    says: {
      'pull-up': ({ ohms, line, rail }) => `a pull-up of ${ohms} on ${line} to the ${rail}`,
      'pull-down': ({ ohms, part }) => `${ohms} to ground, so that ${part} stays off at the start`,
      series: ({ ohms, part }) => `${ohms} in series with ${part}`,
      diode: ({ card, part }) => `a ${card} across ${part}`,
      capacitor: ({ card, part }) => `a ${card} across the supply of ${part}`,
      filter: ({ card, part }) => `a ${card} from the pin of ${part} to ground`,
      guard: ({ card, part }) => `a ${card} in the feed of ${part}`,
      debounce: ({ ohms, card, part }) => `${ohms} and a ${card}, so that ${part} is counted once`,
      translator: ({ card, parts }) => `a ${card} between the controller and ${list(parts)}`,
      divider: ({ upper, lower, part }) => `a divider of ${upper} and ${lower} before the pin of ${part}`,
      fixed: ({ ohms, part }) => `a fixed resistor of ${ohms} for ${part}`,
    },
  }),
  /** Why a rule may be one way or the other. */
  'word/rule': topic<{ readonly [Rule in keyof HouseRules]: null }>({
    says: {
      marginalLevels:
        'Guaranteed thresholds hold for every part in the bag and at every temperature; typical ones hold for the part on the bench. A level that could damage a part is accepted by neither.',
      marginalSupplies:
        'Inside the range at every tolerance it works with every adapter and every cable; a nominal supply that falls a little short at the worst works on most benches, and is flagged with the figure.',
      feed: 'A wide-range part fed from the controller’s logic rail speaks its levels and needs no translator.',
      pullUps:
        'One pair per bus has one value that you know; pull-ups kept on every module add up in parallel and change with each module.',
      pullUpValue: 'The middle of the window leaves room for a longer lead on one side and a weak sink on the other.',
      series: 'The series of the resistors in the drawer; a value outside it has to be bought.',
      derating: 'A regulator run at its printed limit is hot and has nothing left for the next part.',
      pinPower:
        'A pin that feeds a small part switches it off as well, and frees the rails; it sags under the load, and more than it is meant for wears the chip.',
      buying: 'Fast parcels cost more; slow ones want a spare for every part that may arrive dead.',
      soldering:
        'A breakout plugs in as it comes; a bare part or a loose header is cheaper and wants a soldering iron, and time.',
      sharedRow:
        'A row of its own for each shared line is tidy and easy to measure at; it takes a row and a lead more.',
      sure: 'A share of cheap pieces arrives dead; the surer one wants to be that enough of them work, the more spares.',
      colours: 'One colour for one role, kept through every joint, finds a crossed pair at a glance.',
    },
  }),
  'word/protocol': topic<{ readonly [Each in Protocol]: null }>({
    says: {
      i2c: 'I²C',
      onewire: 'one-wire',
      spi: 'SPI',
      pulse: 'pulse wire',
      uart: 'UART',
      'digital-out': 'digital out',
      'digital-in': 'digital in',
      clocked: 'clocked data',
      switch: 'switch',
      led: 'light',
      pwm: 'PWM',
      analog: 'analog',
      coil: 'coil',
    },
  }),
};
