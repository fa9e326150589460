/** Words about levels. */
import type { LevelFeedRuleSays } from '../../check/level-feed-rule.ts';
import type { LevelHighSays } from '../../check/level-high.ts';
import type { LevelLowSays } from '../../check/level-low.ts';
import type { LevelMixedPullUpsSays } from '../../check/level-mixed-pull-ups.ts';
import type { LevelNoPullUpSays } from '../../check/level-no-pull-up.ts';
import type { LevelOverVoltageSays } from '../../check/level-over-voltage.ts';
import type { LevelTranslatedTwiceSays } from '../../check/level-translated-twice.ts';
import type { LevelTranslatorSays } from '../../check/level-translator.ts';
import type { LevelUnpoweredSays } from '../../check/level-unpowered.ts';
import { check } from '../language.ts';
import { counted, list, plural, start } from './grammar.ts';

export const levels = {
  'level/feed-rule': check<LevelFeedRuleSays>({
    rule: {
      short: 'feed',
      title: 'A wide-range part is fed as my rules say',
      rule: 'A part with signals that works from the controller’s logic voltage and from 5 V alike is fed from the one that my rules name.',
      source: 'rule of the plan',
    },
    says: {
      worksFromFedFrom: ({ part, range, upTo, rail, other }) =>
        `${part} works from ${range} to ${upTo} and is fed from ${rail}; my rules would feed it from ${other}.`,
      meaning: 'On the controller’s own voltage it speaks the controller’s levels.',
      vHasMoreHeadroom: 'On 5 V it has more headroom, and its signals need translation.',
      range: 'its range',
      to: ({ range, upTo }) => `${range} to ${upTo}`,
    },
  }),
  'level/high': check<LevelHighSays>({
    rule: {
      short: 'high',
      title: 'A high is read as high',
      rule: 'What is guaranteed high on the net - VOH(min) of a driver, or the resting level of an open-drain net less leakage × pull-up - is at least VIH of every receiver, worst case. Every broken pair is reported, and the tightest that holds.',
      source: 'the cards’ VOH and VIH; for families JESD8C.01, JESD8-5A, JESD8-7A (from memory)',
    },
    says: {
      whereInputSwitchesNot: 'where the input switches is not said',
      inputSwitches: ({ switchesAt }) => `the input switches at ${switchesAt}`,
      usually: ({ usually, where }) => `Usually it is ${usually}, and ${where}`,
      holds: ({ from, given, receiver, needed }) =>
        `${start(from)} gives at least ${given} high; ${receiver} needs ${needed}.`,
      works: ({ from, given, receiver, needed, usual }) =>
        `${start(from)} guarantees ${given} high; ${receiver} asks for ${needed}. ${usual}, so it works.`,
      guaranteesOnlyHighNeeds: ({ from, given, receiver, needed, usual }) =>
        `${start(from)} guarantees only ${given} high; ${receiver} needs ${needed}. ${usual}. It may not be read.`,
      meaning:
        'Between the two levels the receiver may take a one for a nought: readings fail now and then, or with the next part from the bag.',
      highGuarantees: ({ from }) => `high that ${from} guarantees`,
      highNeeds: ({ receiver }) => `high that ${receiver} needs`,
      rest: ({ net }) => `${net} at rest`,
    },
  }),
  'level/low': check<LevelLowSays>({
    rule: {
      short: 'low',
      title: 'A low is read as low',
      rule: 'VOL(max) of every driver is at most VIL of every receiver on the net, worst case; on I²C where a card is silent the standard’s 0.4 V, 0.2 × VDD at 2 V and below. Every broken pair is reported, and the tightest that holds.',
      source: 'the cards’ VOL and VIL; for families JESD8C.01, JESD8-5A, JESD8-7A; UM10204 table 10 (from memory)',
    },
    says: {
      contactClosedGround: 'contact closed to ground',
      broken: ({ driver, given, receiver, needed }) =>
        `${driver} pulls low to ${given} only; ${receiver} takes no more than ${needed} for a low. It may not be read.`,
      holds: ({ driver, given, receiver, needed }) =>
        `${driver} pulls low to ${given} at most; ${receiver} takes up to ${needed} for a low.`,
      meaning:
        'A low that stays above the threshold is read as high now and then: acknowledgements and start conditions get lost.',
      lowGuarantees: ({ driver }) => `low that ${driver} guarantees`,
      lowAccepts: ({ receiver }) => `low that ${receiver} accepts`,
    },
  }),
  'level/mixed-pull-ups': check<LevelMixedPullUpsSays>({
    rule: {
      short: 'two rails',
      title: 'Pull-ups to several rails lift nothing too high',
      rule: 'Pull-ups to different rails lift a net to Σ(Vi/Ri) ÷ Σ(1/Ri), rails and tolerances at their worst; that is at most what every terminal on it stands. Rails of clearly different voltage are a caution even where all stand it: current flows from one into the other.',
      source: 'Kirchhoff’s current law; absolute maximum ratings of the cards',
    },
    says: {
      flowsFromRailInto: ({ amps, voltage, otherVoltage }) =>
        `${amps} flows from the ${voltage} rail into the ${otherVoltage} one.`,
      pullUp: ({ p }) => `pull-up ${p}`,
      to: ({ voltage }) => `to ${voltage}`,
      highest: ({ net }) => `highest on ${net}`,
      stands: ({ end }) => `${end} stands`,
      intoLowerRail: 'into the lower rail',
      throughPullUpsProtection: 'through its pull-ups and the protection diodes of its parts',
      pullUpLiftsStands: ({ top, net, rest, end, stands, others }) =>
        `The pull-up ${top} lifts ${net} to ${rest}; ${end} stands ${stands} at most. It can be damaged.${others > 0 ? ` So ${plural(others, 'is one other part', `are ${others} others`)}.` : ''}`,
      apart: ({ net, rest, flows }) => `${net} is pulled to two voltages and rests at ${rest}; ${flows}`,
      holds: ({ net, rest }) => `${net} is pulled to rails of one voltage and never passes ${rest}.`,
      meaning:
        'Two pull-ups to two voltages meet somewhere between. What is on the lower rail is held above it, and with that rail off the higher one feeds it backwards.',
    },
  }),
  'level/no-pull-up': check<LevelNoPullUpSays>({
    rule: {
      short: 'pull-up',
      title: 'An open-drain net has a pull-up',
      rule: 'A net that nobody drives high carries at least one pull-up. The controller’s weak internal one alone is a caution.',
      source: 'UM10204 §3.1.1 (from memory); for switches common practice',
    },
    says: {
      pullUp: 'a pull-up',
      pullUps: ({ count }) => `${count} pull-ups`,
      has: ({ net, count }) => `${net} has ${count}.`,
      hasOnlyControllersOwn: ({ net, ohms, mostOhms }) =>
        `${net} has only the controller’s own pull-up of ${ohms} to ${mostOhms}. Fine for a switch nearby, slow and easily disturbed on a longer lead.`,
      hasNoPullUp: ({ net }) => `${net} has no pull-up; nothing ever makes it high. It will not be read.`,
      meaning:
        'An open drain or a switch only pulls down. Without a resistor to the rail the line floats and picks up whatever is near.',
      pullUpOf: ({ p }) => `pull-up ${p}`,
      to: ({ rail }) => `to ${rail}`,
      controllersOwn: 'the controller’s own',
      ohmsRange: ({ ohms, mostOhms }) => `${ohms} to ${mostOhms}`,
    },
  }),
  'level/over-voltage': check<LevelOverVoltageSays>({
    rule: {
      short: 'absolute maximum',
      title: 'No terminal sees more than it stands',
      rule: 'The highest voltage on a net - of every driver, of its pull-ups, and of a fixed resistor whose part is unplugged - is at most the absolute maximum of each terminal on it, its own supply at its lowest. Beyond that by less than its protection diode conducts at (0.4 V above its supply) is a caution. Pull-ups to several rails are judged by level/mixed-pull-ups, supplies that are off by level/unpowered.',
      source: 'absolute maximum ratings of the cards',
    },
    says: {
      pullUp: ({ top }) => `the pull-up ${top}`,
      railHighestPartUnplugged: 'its rail at its highest, the part unplugged',
      railPartUnplugged: 'its rail, the part unplugged',
      fixed: ({ fixed }) => `the fixed ${fixed}`,
      canBeDamaged: 'It can be damaged.',
      pastSheetLessThan: 'That is past its sheet by less than its protection diode conducts at: nothing flows yet.',
      broken: ({ by, net, measuredText, end, limitText, flows }) =>
        `${start(by)} can lift ${net} to ${measuredText}; ${end} stands ${limitText} at most. ${flows}`,
      holds: ({ net, measuredText, end, limitText }) =>
        `${net} never passes ${measuredText}; ${end} stands ${limitText}.`,
      meaning:
        'More than a pin stands flows through its protection diode into the supply and can destroy it, at once or over weeks.',
      highest: ({ net }) => `highest on ${net}`,
      stands: ({ end }) => `${end} stands`,
    },
  }),
  'level/translated-twice': check<LevelTranslatedTwiceSays>({
    rule: {
      short: 'twice',
      title: 'No two translators in series',
      rule: 'A port whose breakout carries a translator of its own does not stand behind another one.',
      source: 'common practice: each translator adds its capacitance, its pull-ups and a low level of its own',
    },
    says: {
      carriesTranslatorOwnStands: ({ node, label }) =>
        `${node} carries a translator of its own and stands behind the ${label}. Two in series are one too many.`,
      meaning:
        'A low comes out of the first translator a little too high for the second, and the edges are rounded twice: the bus hangs now and then.',
      breakout: 'on the breakout',
      ownTranslator: 'its own translator',
      before: 'before it',
    },
  }),
  'level/translator': check<LevelTranslatorSays>({
    rule: {
      short: 'translator',
      title: 'A translator fits its two sides',
      rule: 'Both sides fed from two different voltages, the lower on the low side; enough channels; an open-drain style for lines that both sides pull low, one direction for all lines of the other kind; a clock that it follows (what its own pull-ups and both sides’ capacitance make of the edge is judged by bus/pull-up-weak). No line that is read by its voltage goes through one. A divider lets signals through to the controller only.',
      source: 'the translator’s card',
    },
    says: {
      hasChannelsLines: ({ node, count, wanted }) =>
        `${node} has ${counted(count, 'channel')} for ${counted(wanted, 'line')}.`,
      passesLines: ({ node, count, wanted }) => `${node} passes ${count} of ${counted(wanted, 'line')}.`,
      meaning: 'A line without a channel is not connected to the other side.',
      channel: ({ i }) => `channel ${i}`,
      hasNoSupplySide: ({ node, low }) => `${node} has no supply on its ${low} side; it passes nothing.`,
      alike: ({ node, low, high }) => `${node} stands between ${low} and ${high}: there is nothing to translate.`,
      holds: ({ node, low, high }) => `${node} stands between ${low} and ${high}, each on its side.`,
      bothSidesTakeTheir: 'Both sides take their level from a supply of their own, the lower voltage on the low side.',
      lowSide: 'low side',
      supply: 'its supply',
      highSide: 'high side',
      readVoltageGoesThrough: ({ names, node }) =>
        `${list(names)} ${plural(names.length, 'is read by its voltage and goes', 'are read by their voltage and go')} through ${node}, which passes ones and noughts. What lies between is bent or clipped.`,
      voltageBroughtDownDivider: 'A voltage is brought down by a divider, or read by a converter on the same supply.',
      follows: ({ node, names }) => `${node} lets either side pull ${list(names)} low.`,
      drivesOneDirectionTime: ({ node, names }) =>
        `${node} drives in one direction at a time; ${list(names)} ${plural(names.length, 'is', 'are')} pulled low from both sides.`,
      suchLinePartsAnswer:
        'On such a line parts answer where the controller spoke a moment ago; a translator with a direction blocks them.',
      passesAllLinesOne: ({ node, names, names2 }) =>
        `${node} passes all its lines one way; ${list(names)} ${plural(names.length, 'goes', 'go')} to the parts and ${list(names2)} ${plural(names2.length, 'comes', 'come')} from them.`,
      allLinesGoOne: ({ node }) => `All lines of ${node} go one way.`,
      oneDirectionHoldsAll: 'One direction holds for all channels: lines against it are driven from both ends.',
      followsBusRuns: ({ node, fastest, wanted }) => `${node} follows ${fastest}; the bus runs at ${wanted}.`,
      translatorTooSlowRounds: 'A translator that is too slow rounds the edges until bits are missed.',
      dividerBringsDownWhat: ({ net }) => `The divider on ${net} brings down what the controller reads.`,
      dividerLetsSignalThrough: ({ net, way }) =>
        `A divider lets a signal through one way, to the controller; ${net} goes ${way}.`,
      seenFromOtherSide: 'Seen from the other side a divider takes away from a level that is too low already.',
    },
  }),
  'level/unpowered': check<LevelUnpoweredSays>({
    rule: {
      short: 'while off',
      title: 'A part without supply is not fed through its signals',
      rule: 'While the supply of a part can be off and something on the net stays on - another source, or a supply that is not switched with it - the net is at most what the part stands without supply. Beyond that current flows through its protection diode: driven it is a danger, through a pull-up it holds the line down; through a resistor in the line that keeps it at 1 mA or less it does nothing. Its own pull-ups leave a high for the others while its rail is off.',
      source:
        'absolute maximum ratings of the cards; where a card says nothing for that case, its absolute maximum at no supply',
    },
    says: {
      fixed: ({ pull }) => `the fixed ${pull}`,
      pullUp: ({ pull }) => `the pull-up ${pull}`,
      railHighest: 'its rail at its highest',
      nothingLimitsCurrentCan: 'Nothing limits the current. It can be damaged.',
      resistorLetsThroughMost: ({ amps, clampcurrent }) =>
        `Its resistor lets ${amps} through at most; ${clampcurrent} may flow.`,
      flowsIntoLineHeld: ({ amps }) => `${amps} flows into it, and the line is held down for all others.`,
      broken: ({ end, by, worst, stands, follows }) =>
        `While ${end} has no supply, ${by} puts ${worst} on it; it stands ${stands} then. ${follows}`,
      holds: ({ by, worst, end, stands }) =>
        `${start(by)} puts ${worst} on ${end} while that has no supply; it stands ${stands} then.`,
      meaning:
        'A part that is off takes current through its signal pins: it is half on, heats its protection diodes, and holds the bus down for everyone else.',
      on: ({ net }) => `on ${net}`,
      standsWhileOff: ({ end }) => `${end} stands while off`,
      currentThroughDiode: 'current through its diode',
      v: ({ worst, diode, over }) => `(${worst} − ${diode} V) ÷ ${over}`,
      switchedSuppliesOffPull: ({ off, net, volts, hardest, needs }) =>
        `With the switched supplies off, the pull-ups ${list(off)} drag ${net} to ${volts}; ${hardest} needs ${needs}.`,
      switchedSuppliesOffLeft: ({ volts, net }) => `With the switched supplies off ${volts} is left on ${net}.`,
      railPartOffLies:
        'The rail of a part that is off lies near ground, and its pull-ups pull there: the bus is dead for the others.',
      left: ({ net }) => `left on ${net}`,
      upDown: ({ on, off }) => `${on} up, ${off} down`,
      needs: ({ hardest }) => `${hardest} needs`,
      high: 'for a high',
    },
  }),
};
