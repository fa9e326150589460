import { USUAL_SURENESS } from '../standard/common-practice.ts';
import type { HouseRules } from './house-rules.ts';

export const DEFAULT_RULES: HouseRules = {
  marginalLevels: 'guaranteed',
  marginalSupplies: 'guaranteed',
  feed: 'logic-rail',
  pullUps: 'one-pair',
  pullUpValue: 'middle',
  series: 'E12',
  derating: 0.8,
  pinPower: 0,
  buying: 'fast',
  soldering: 'none',
  sharedRow: 'needed',
  sure: USUAL_SURENESS,
  colours: {
    supply: 'red',
    logic: 'orange',
    ground: 'black',
    data: 'green',
    clock: 'yellow',
    others: ['blue', 'violet', 'white', 'grey', 'brown'],
  },
};

export const RULE_REASONS: Readonly<Record<keyof HouseRules, string>> = {
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
  sharedRow: 'A row of its own for each shared line is tidy and easy to measure at; it takes a row and a lead more.',
  sure: 'A share of cheap pieces arrives dead; the surer one wants to be that enough of them work, the more spares.',
  colours: 'One colour for one role, kept through every joint, finds a crossed pair at a glance.',
};
