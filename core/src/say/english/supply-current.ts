/** Words about how much current flows. */
import type { SupplyCutOffSays } from '../../check/supply-cut-off.ts';
import type { SupplyFuseSays } from '../../check/supply-fuse.ts';
import type { SupplyHeatSays } from '../../check/supply-heat.ts';
import type { SupplyPinFedSays } from '../../check/supply-pin-fed.ts';
import type { SupplyPinGroundSays } from '../../check/supply-pin-ground.ts';
import type { SupplyRailCurrentSays } from '../../check/supply-rail-current.ts';
import type { SupplySleepSays } from '../../check/supply-sleep.ts';
import type { SupplySourceCurrentSays } from '../../check/supply-source-current.ts';
import type { SupplyStaysOnSays } from '../../check/supply-stays-on.ts';
import { check } from '../language.ts';
import { commas, plural } from './grammar.ts';

export const supplyCurrent = {
  'supply/cut-off': check<SupplyCutOffSays>({
    rule: {
      short: 'cut-off',
      title: 'Something stops before the cells are harmed',
      rule: 'Lithium and rechargeable cells: the pack cuts itself off (its card says at what), or the least input of everything that hangs on it is at or above the voltage at which they are empty.',
      source: 'common practice',
    },
    says: {
      cutsItselfOffOr: ({ label, cuts }) => `${label} cuts itself off at ${cuts} or above.`,
      lithiumCellDrainedSo: ' A lithium cell that is drained so can burn when it is charged again.',
      cellsDrainedSoReversed: ' Cells that are drained so are reversed by the stronger ones, and leak.',
      broken: ({ label, name, least, empty, lithium }) =>
        `Nothing cuts ${label} off: ${name} works on down to ${least}, and the cells are empty at ${empty}.${lithium}`,
      holds: ({ name, label, least, empty }) =>
        `${name}, the last on ${label}, stops at ${least}; the cells are empty at ${empty}.`,
      meaning:
        'A pack with a protection of its own, or a regulator that stops in time, ends the draw before the cells do.',
      worksDown: 'works down to',
    },
  }),
  'supply/fuse': check<SupplyFuseSays>({
    rule: {
      short: 'short circuit',
      title: 'A short at the cells melts no lead',
      rule: 'Open voltage ÷ inner resistance of the cells at its least is below the current that melts the thinnest lead on them, 80 × d^1.5 (A, mm, copper); else a fuse or a protection that opens stands at the cells.',
      source: 'Preece’s formula (from memory)',
    },
    says: {
      broken: ({ label, amps, gauge, limit }) =>
        `Shorted, ${label} gives ${amps}; a lead of gauge ${gauge} melts at ${limit}. A fuse belongs right at the cells.`,
      shortedGivesLeadGauge: ({ label, amps, gauge, limit }) =>
        `Shorted, ${label} gives ${amps}; a lead of gauge ${gauge} melts at ${limit}.`,
      holds: ({ label, fuse, gauge, limit }) =>
        `Shorted, ${label} opens at ${fuse}; a lead of gauge ${gauge} melts at ${limit}.`,
      meaning: 'A lead that melts sets fire to what lies beside it; it glows before.',
      shortCircuit: 'short circuit',
      opens: 'opens at',
      melts: 'melts at',
      dGauge: ({ gauge }) => `80 × d^1.5 of gauge ${gauge}`,
    },
  }),
  'supply/heat': check<SupplyHeatSays>({
    rule: {
      short: 'heat',
      title: 'Regulators stay cool enough',
      rule: 'P = (Vin − Vout) × I + Vin × Iq; junction = air + P × thermal resistance, against its limit with the power derated. I is what flows long enough to heat: an average, or a current that lasts 30 s. A surface over 60 °C is a caution.',
      source:
        'the cards; junction from thermal resistance as JESD51 defines it (from memory); 60 °C is common practice',
    },
    says: {
      broken: ({ rail, watts, junction, limit }) =>
        `${rail} turns ${watts} to heat and reaches ${junction} inside; ${limit} is allowed. It switches off or ages, and burns fingers.`,
      hot: ({ rail, watts, surface }) =>
        `${rail} turns ${watts} to heat; its surface reaches ${surface}. Do not touch it, and keep sensors away.`,
      holds: ({ rail, watts, junction, surface, limit }) =>
        `${rail} turns ${watts} to heat: ${junction} inside, ${surface} outside, ${limit} allowed.`,
      meaning:
        'What a regulator takes away becomes heat; a hot one cuts out for seconds at a time, which looks like a loose lead.',
      airAroundWarmest: 'air around it, at its warmest',
      placeOrWarmRoom: 'of its place, or a warm room, and what is in its box',
      surface: 'surface',
      takenAsJunction: 'taken as the junction',
      allowed: 'allowed',
    },
  }),
  'supply/pin-fed': check<SupplyPinFedSays>({
    rule: {
      short: 'from pin',
      title: 'A pin that feeds a part can carry it',
      rule: 'Peak of what hangs on the pin ≤ its recommended current × the share that my rules allow; beyond the absolute one is danger. Its high level under that load is the rail of the part (supply/range), and its group limit counts it (pin/current).',
      source: 'the cards; how far a pin may feed is one of my rules',
    },
    says: {
      danger: ({ names, peak, rail, absolute }) =>
        `${commas(names) || 'Nothing'} ${plural(names.length, 'takes', 'take')} ${peak} from the ${rail}; ${absolute} is the most it stands. It can be destroyed.`,
      broken: ({ names, peak, rail, limit }) =>
        `${commas(names) || 'Nothing'} ${plural(names.length, 'takes', 'take')} ${peak} from the ${rail}; ${limit} may be drawn.`,
      never: ({ names, rail, peak, recommended }) =>
        `${commas(names) || 'Nothing'} ${plural(names.length, 'is', 'are')} fed by the ${rail}; my rules say never. ${peak} of ${recommended} would be within its rating.`,
      holds: ({ names, peak, limit, rail }) =>
        `${commas(names) || 'Nothing'} ${plural(names.length, 'takes', 'take')} ${peak} of the ${limit} that the ${rail} may feed with.`,
      meaning:
        'A pin is a switch with a resistance: the more flows, the lower the part’s supply, and the warmer the chip.',
      peakUsually: ({ sum }) => `peak; usually ${sum}`,
      recommendedPin: 'recommended for a pin',
      voltageUnderLoad: 'voltage under that load',
      highLevelAsResistance: 'its high level, as a resistance',
    },
  }),
  'supply/pin-ground': check<SupplyPinGroundSays>({
    rule: {
      short: 'onto pin',
      title: 'A pin that is a ground can take it',
      rule: 'Peak of what stands on the pin ≤ its recommended current × the share that my rules allow for pins; beyond the absolute one is danger. I × VOL ÷ IOL of it is lost from the part’s supply (supply/range) and added to the levels that the part gives and takes.',
      source: 'the cards; how far a pin may feed is one of my rules',
    },
    says: {
      danger: ({ names, amps, first, absolute }) =>
        `${commas(names)} ${plural(names.length, 'returns', 'return')} ${amps} through ${first}; ${absolute} is the most it stands. It can be destroyed.`,
      never: ({ names, first, amps, recommended }) =>
        `${commas(names)} ${plural(names.length, 'has its', 'have their')} ground on ${first}; my rules say never. ${amps} of ${recommended} would be within its rating.`,
      returnsThroughMayFlow: ({ names, amps, first, limit }) =>
        `${commas(names)} ${plural(names.length, 'returns', 'return')} ${amps} through ${first}; ${limit} may flow there.`,
      hasGroundCardDoes: ({ names, first }) =>
        `${commas(names)} ${plural(names.length, 'has its', 'have their')} ground on ${first}, and the card does not say how far from ground a low of it is, and at which current.`,
      holds: ({ names, amps, limit, first, ohms }) =>
        `${commas(names)} ${plural(names.length, 'returns', 'return')} ${amps} of the ${limit} that ${first} may take as a ground; ${plural(names.length, 'its', 'their')} ground is up to ${ohms} high.`,
      meaning:
        'A pin that is held low is a resistance to ground: what flows through it lifts the part. Until the program holds it low the part has no ground at all.',
      neverHouseRule: 'never, by my rules',
      ground: 'its ground',
    },
  }),
  'supply/rail-current': check<SupplyRailCurrentSays>({
    rule: {
      short: 'current',
      title: 'Every rail carries its loads',
      rule: 'The sum of all peaks on the rail that can come together - parts, regulators below, pull-ups held low, lights - is at most its limit × the share that my rules allow. Parts that the plan puts in an order do not peak together.',
      source: 'the cards; derating is common practice',
    },
    says: {
      canDropOutOr: 'It can drop out or overheat.',
      whenRailSagsRadio:
        'When the rail sags, the radio resets the board in the middle of sending and sensors read rubbish.',
    },
  }),
  'supply/sleep': check<SupplySleepSays>({
    rule: {
      short: 'asleep',
      title: 'Asleep, no resistor takes more than the parts',
      rule: 'On cells, while the controller sleeps: what flows in resistors and dividers all the time is at most half of what the build takes at rest.',
      source: 'Ohm’s law; half of it is common practice',
    },
    says: {
      whileEverythingSleepsFlow: ({ amps, rest, largest }) =>
        `While everything sleeps ${amps} of ${rest} flow in resistors, most of it in ${largest}. Feed it from a pin or a switch that is on only while it is read, or take larger ones.`,
      holds: ({ amps, rest }) => `While everything sleeps ${amps} of ${rest} flow in resistors.`,
      meaning: 'A chip that sleeps at microamperes beside a resistor that never does.',
    },
  }),
  'supply/source-current': check<SupplySourceCurrentSays>({
    rule: {
      short: 'current',
      title: 'The source carries the whole build',
      rule: 'All rails referred to the source - linear regulators pass the current on, switching ones the power - are at most its limit × the derating. A port of a computer gives 100 mA until it is asked for more.',
      source: 'the cards; USB 2.0 §7.2.1: 100 mA before configuration, 500 mA after (from memory)',
    },
    says: {
      broken: ({ most, rail, limit }) =>
        `The build takes ${most} on the average; ${rail} gives ${limit} until it was asked for more. A strict port switches off.`,
      holds: ({ most, rail, limit }) =>
        `The build takes ${most} on the average, which ${rail} gives unasked (${limit}).`,
      meaning: 'A board asks the port when it starts; a cable without data lines, or a hub, may never be asked.',
      averageMost: 'average at its most',
      beforeWasAsked: 'before it was asked',
      switchesOffOrVoltage: 'It switches off, or its voltage sinks.',
      everythingHangsSourceWhen: 'Everything hangs on the source: when it gives in, the whole build restarts.',
    },
  }),
  'supply/stays-on': check<SupplyStaysOnSays>({
    rule: {
      short: 'stays on',
      title: 'A power bank stays on',
      rule: 'What the build usually takes between two pieces of work is at least the current below which the power bank switches itself off.',
      source: 'the card; 50 to 100 mA is common practice',
    },
    says: {
      broken: ({ least, rail, limit }) =>
        `At rest the build takes ${least} of ${rail}; below ${limit} it switches itself off after some seconds. Take a source that stays on, or keep something lit.`,
      holds: ({ least, rail, limit }) => `At rest the build takes ${least}, enough to keep ${rail} on (${limit}).`,
      meaning: 'A power bank is made to charge a telephone: when little flows it takes the telephone for full.',
      rest: 'at rest',
      everythingBetweenTwoPieces: 'everything between two pieces of work',
      staysFrom: 'stays on from',
    },
  }),
};
