/** Words about hazards and buying, and terms of several checks. */
import type { PartsBuyingSays } from '../../check/parts-buying.ts';
import type { SafetyHazardSays } from '../../check/safety-hazard.ts';
import type { Terms } from '../../check/terms.ts';
import type { CheckUnworkableSays } from '../../check/unworkable.ts';
import { topic, check, ruleOnly } from '../language.ts';
import { commas, counted, list } from './grammar.ts';

export const terms = {
  'check/unworkable': topic<CheckUnworkableSays>({
    says: {
      noNumber: ({ things }) =>
        `Whether ${list(things)} meets it could not be worked out: its figures give no number. So it is not met.`,
      noVoltages: ({ nodes }) =>
        `No voltages were found at which the currents of ${counted(nodes, 'node')} balance. So it is not met.`,
      failed: ({ why }) => `This could not be worked out, so it is not met. The program says: ${why}.`,
    },
  }),
  'parts/buying': topic<PartsBuyingSays>({
    says: {
      days: ({ supplier, leadDays }) => `${supplier}, ${counted(leadDays, 'day')}`,
      goodsShipping: ({ goods, shipping }) => `${goods} of goods + ${shipping} of shipping`,
      time: 'in time ',
      holds: ({ late, total, most }) => `An order ${late}costs ${total} of ${most}.`,
      goodsAloneCostMore: ({ least, over, most }) =>
        `The goods alone cost ${least}, ${over} more than the budget of ${most}.`,
      orderCostsMoreThan: ({ late, total, overTotal, most }) =>
        `An order ${late}costs ${total}, ${overTotal} more than the budget of ${most}. The parts list looks for a cheaper one.`,
      meaning: 'The build works all the same; something has to be cheaper, or the budget larger.',
      nobodyOffers: ({ name }) => `Nobody offers ${name}.`,
      late: ({ name, soonest, readyInDays }) =>
        `${name} takes ${counted(soonest, 'day')} at the soonest; the build is to be ready in ${readyInDays}.`,
      canBeHereDays: ({ name, soonest, readyInDays }) =>
        `${name} can be here in ${counted(soonest, 'day')} of ${readyInDays}.`,
      whatComesLateHolds: 'What comes late holds up the whole build.',
      plain: ({ card }) => `${card} comes without soldering.`,
      hasBeSolderedHouse: ({ card }) => `${card} has to be soldered, and my rules say no soldering.`,
      solderingIronHotFumes:
        'A soldering iron is hot and its fumes are not to be breathed; a breakout of the same class plugs in as it comes.',
    },
  }),
  'parts/budget': ruleOnly({
    short: 'budget',
    title: 'The parts cost no more than they may',
    rule: 'An order that arrives in time (packs, spares for duds, shipping once for each supplier, the drawer considered) ≤ the budget. Leads count a pack of each kind that the drawer does not hold; the parts list counts them one by one.',
    source: 'the cards; binomial distribution for the spares',
  }),
  'parts/arrival': ruleOnly({
    short: 'arrival',
    title: 'The parts arrive in time',
    rule: 'For each card that is to be bought somebody delivers within the days that the plan names.',
    source: 'the cards',
  }),
  'parts/solder': ruleOnly({
    short: 'soldering',
    title: 'Soldering is as my rules want it',
    rule: 'Where my rules say no soldering, each card is offered by somebody without it.',
    source: 'the cards',
  }),
  'safety/hazard': check<SafetyHazardSays>({
    rule: {
      short: 'safety',
      title: 'What can hurt someone is said and read',
      rule: 'Every hazard on a card is carried onto plan, wiring and bring-up. The sentence of what can kill or burn - mains, lithium, gas, heat - is ticked off as read before the plan is called verified.',
      source: 'the cards; common practice',
    },
    says: {
      meaning:
        'The planner covers the low-voltage side only and is no substitute for local codes and licensed practice.',
      says: ({ parts, says }) => `${commas(parts)}: ${says}`,
      read: 'read',
      tickedOffPlan: 'ticked off in the plan',
      notYet: 'not yet',
      saidNoTickAsked: 'said; no tick is asked for it',
    },
  }),
  'check/terms': topic<Terms>({
    says: {
      pin: 'at the pin',
      straight: 'straight',
      margin: 'margin',
      togetherTheirWorst: 'together, at their worst',
      asIndependentErrors: 'as independent errors',
      rootSumSquares: 'root of the sum of the squares',
      nothing: 'on nothing',
      low: 'low',
      high: 'high',
      work: 'at work',
      fromCard: 'from the card',
      together: 'together',
      spi: 'spi.in',
      lead: 'lead',
      needed: 'needed',
      pullUpLargest: 'pull-up, at its largest',
      capacitance: 'capacitance',
      pullUpSmallest: 'pull-up, at its smallest',
      strongestPullUp: 'strongest pull-up',
      usual: 'usual',
      mayFlow: 'may flow',
      withoutDiode: 'without a diode',
      ofItsCard: 'from its card',
      junction: 'junction',
      below: 'below',
      above: 'above',
      ground: 'ground',
      usb: 'USB',
      mayBeDrawn: 'may be drawn',
      assumed: ' (assumed)',
      peak: 'peak',
      allHangs: 'all that hangs on it',
      active: 'active',
    },
  }),
};
