/** Words about what is switched. */
import type { DriveGainSays } from '../../check/drive-gain.ts';
import type { DriveChainSays } from '../../check/drive-chain.ts';
import type { DriveContactSays } from '../../check/drive-contact.ts';
import type { DriveDiodeSays } from '../../check/drive-diode.ts';
import type { DriveFlybackSays } from '../../check/drive-flyback.ts';
import type { DriveGateSays } from '../../check/drive-gate.ts';
import type { DriveLedSays } from '../../check/drive-led.ts';
import type { DriveTransistorSays } from '../../check/drive-transistor.ts';
import { check } from '../language.ts';
import { list } from './grammar.ts';

export const drive = {
  'drive/gain': check<DriveGainSays>({
    rule: {
      short: 'gain',
      title: 'A bare transistor amplifies more than it is driven for',
      rule: 'The least gain of a bipolar transistor > the gain that its base resistor is worked out for (10). At or below it the collector is not saturated: more is dropped, and it heats.',
      source: 'common practice',
    },
    says: {
      holds: ({ driver, gain, forced }) => `${driver} amplifies ${gain} times at least; it is driven for ${forced}.`,
      broken: ({ driver, gain, forced }) =>
        `${driver} amplifies ${gain} times at least, and is driven as if it were more than ${forced}: it may not be fully on.`,
      meaning:
        'A transistor that is not saturated drops more voltage than its sheet says for full on, and turns that into heat.',
      ofItself: 'by itself',
      drivenFor: 'driven for',
    },
  }),
  'drive/chain': check<DriveChainSays>({
    rule: {
      short: 'chain of lights',
      title: 'A chain of lights has its resistor and its capacitor',
      rule: '220 Ω to 1 kΩ (330 to 470 Ω are usual) in the data line, 470 µF and more across the supply, and a feed at both ends from 1.5 A on.',
      source: 'common practice',
    },
    says: {
      right: ({ ohms, part }) => `${ohms} in the data line of ${part}.`,
      tooMuch: ({ ohms }) => `${ohms} are too much for`,
      nothingStands: 'Nothing stands in',
      dataLineBesideFirst: ({ ohms, part }) =>
        `${ohms} the data line of ${part}: 330 to 470 Ω beside its first light keep it from ringing.`,
      meaning: 'The first light of the chain is what dies, and all behind it go dark.',
      acrossSupplyLightsSwitch: ({ farads, part, lights, wanted, enough }) =>
        `${farads ?? 'Nothing'} across the supply of ${part}; its ${lights} lights switch all at once and want ${wanted}${enough ? ', and have it' : ''}.`,
      whenAllTurnWhite: 'When all turn white in one moment the supply sinks, and some of them lose their count.',
      takesUpFeedBoth: ({ part, peak }) =>
        `${part} takes up to ${peak}: feed it at both of its ends, or its last lights turn red.`,
      stripsOwnCopperThin: 'The strip’s own copper is thin; what is lost along it is missing at the end.',
    },
  }),
  'drive/contact': check<DriveContactSays>({
    rule: {
      short: 'contact',
      title: 'Contacts switch what they may, and every contact switches something',
      rule: 'Voltage of the load’s rail ≤ the contact’s for direct current; its current ≤ the contact’s × the derating; its highest for a moment ≤ the inrush that the contact carries. A coil on a contact has a diode. A contact of the plan switches a load of it, or serves a need for switching, whose load the plan does not know.',
      source: 'the cards; the diode is common practice',
    },
    says: {
      currentMoment: 'current for a moment',
      voltageIs: 'voltage',
      currentIs: 'current',
      broken: ({ load, relay, what, at, most }) =>
        `${load} asks the contact of ${relay} for a ${what} of ${at}; ${most} is the most. It welds or burns.`,
      whileRelayOff: 'on while the relay is off',
      whileRelay: 'on while the relay is on',
      holds: ({ relay, load, closed, volts, mostVolts, amps, mostAmps }) =>
        `The contact of ${relay} switches ${load}, ${closed}: ${volts} of ${mostVolts}, ${amps} of ${mostAmps} direct.`,
      meaning: 'A contact may carry far less direct current than alternating: its arc does not go out by itself.',
      voltage: 'voltage',
      direct: ({ volts, mostVolts }) => `${volts} of ${mostVolts} direct`,
      current: 'current',
      words: ({ amps, rated, derating }) => `${amps} of ${rated} × ${derating}`,
      moment: 'for a moment',
      surgeOf: ({ surge, mostSurge }) => `${surge} of ${mostSurge}`,
      diode: ({ load }) => `The diode takes over what the coil of ${load} drives on when the contact opens.`,
      coilOrMotorContact: ({ load }) =>
        `${load} is a coil or motor on a contact and has no diode; each opening draws an arc that wears the contact.`,
      contactsDieArcsSome: 'Contacts die of arcs, some hundred thousand switchings early.',
      elsewhere: ({ relay, names }) =>
        `What hangs on the contact of ${relay} (${list(names)}) is not part of the plan: its rating is yours to hold, and mains is for a licensed electrician.`,
      nothingHangsContactClicks: ({ relay }) =>
        `Nothing hangs on the contact of ${relay}: it clicks and switches nothing.`,
      relayBoughtContact: 'A relay is bought for its contact.',
      oneContactGoOff: ({ loads, relay }) =>
        `${list(loads)} are on one contact of ${relay} and go on and off together.`,
      oneRelayOneSwitch: 'One relay is one switch.',
    },
  }),
  'drive/diode': check<DriveDiodeSays>({
    rule: {
      short: 'diode’s rating',
      title: 'Every diode carries and blocks what it has to',
      rule: 'In a feed: the peak of what is fed ≤ the diode’s current × the share that my rules allow, and the rail that it keeps apart ≤ what it blocks. Across a coil: the coil’s current, for a moment, ≤ the diode’s current, and its supply ≤ what the diode blocks.',
      source: 'the cards; a diode of which nothing is said counts as one of 1 A and 50 V (common practice)',
    },
    says: {
      feed: ({ part }) => `in the feed of ${part}`,
      across: ({ load }) => `across ${load}`,
      holds: ({ card, where, amps, limit }) =>
        `The ${card} ${where} has to carry ${amps}; ${limit} may flow. It overheats.`,
      broken: ({ card, where, volts, blocks }) =>
        `The ${card} ${where} has to keep ${volts} back; it blocks ${blocks}. It breaks through.`,
      carriesKeepsBack: ({ card, where, amps, limit, volts, blocks }) =>
        `The ${card} ${where} carries ${amps} of ${limit} and keeps back ${volts} of ${blocks}.`,
      meaning: 'A diode beyond its rating fails as a short: what it kept apart is then joined.',
      flowsMost: 'flows at the most',
      carries: ({ carries, moment, usual }) =>
        `${carries}${moment ? ', for a moment' : ''}${usual ? ', usual where nothing is said' : ''}`,
      keepsBack: 'keeps back',
      words: ({ blocks }) => `of ${blocks}`,
    },
  }),
  'drive/flyback': check<DriveFlybackSays>({
    rule: {
      short: 'diode',
      title: 'Every coil has its diode',
      rule: 'A diode stands across every switched coil: the switch then sees supply + 1 V. Without one it sees L × I ÷ t at switch-off, against what it stands.',
      source: 'V = L × dI/dt; the diode’s drop is common practice',
    },
    says: {
      nothingSwitchesNeedsDriver: ({ part }) =>
        `Nothing switches ${part}; it needs a driver or the contact of a relay, no pin can carry it.`,
      meaning: 'A pin gives a few milliamperes; a fan or relay takes ten times that.',
      diodeKeeps: 'The diode keeps',
      smallCoilKeeps: 'The small coil keeps',
      whenSwitchedOffStands: ({ diode, driverNode, measured, part, limit }) =>
        `${diode} ${driverNode} at ${measured} when ${part} is switched off; it stands ${limit}.`,
      hasNoDiodeWhen: ({ part, driverNode, measured, limit }) =>
        `${part} has no diode; when it is switched off, its coil drives ${driverNode} towards ${measured}. It stands ${limit} and can be destroyed.`,
      coilKeepsCurrentFlowing:
        'A coil keeps its current flowing. Without a diode as a way round, the voltage rises until something gives.',
      supplyHighest: 'supply, at its highest',
      diode: 'with the diode',
      stands: ({ driverNode }) => `${driverNode} stands`,
    },
  }),
  'drive/gate': check<DriveGateSays>({
    rule: {
      short: 'gate',
      title: 'The gate is driven as its resistance is stated',
      rule: 'VOH of the pin at its lowest is at least the gate voltage at which the transistor’s resistance is stated.',
      source: 'the cards',
    },
    says: {
      broken: ({ driver, part, given, limit }) =>
        `${driver} gives the gate of ${part} ${given}; its resistance is stated at ${limit}. It is half on and gets hot.`,
      holds: ({ driver, part, given, limit }) =>
        `${driver} gives the gate of ${part} ${given}; its resistance is stated at ${limit}.`,
      meaning: 'A transistor for 10 V at the gate switches a light on the table and burns under the real load.',
      gate: 'at the gate',
      lowest: ({ driver }) => `of ${driver}, at its lowest`,
      stated: 'stated at',
    },
  }),
  'drive/led': check<DriveLedSays>({
    rule: {
      short: 'resistor',
      title: 'A light has its resistor',
      rule: 'R(min) ≥ (VOH(max) − Vf(min)) ÷ I, I being the smaller of the light’s limit and the pin’s recommended current, each × derating. Between that and what light and pin stand at most is a caution, and so is too large a resistor.',
      source: 'Ohm’s law; 5 to 20 mA for one light and the pin’s recommended current are common practice',
    },
    says: {
      hangsStraightPinWithout: ({ label, least }) =>
        `${label} hangs straight on its pin, without a resistor; at least ${least} are needed. The light or the pin will be damaged.`,
      hurts: ({ label, nominal, current, most, least }) =>
        `${label} has ${nominal}, so that ${current} may flow; light and pin stand ${most} at most, which takes ${least} with what my rules leave. The light or the pin will be damaged.`,
      holds: ({ label, nominal, current, sum, most }) =>
        `${label} has ${nominal}, so that ${current} may flow; ${sum} is what my rules leave of it, and ${most} the most. It works, and wears.`,
      faint: ({ label, ledcurrentfaint, nominal }) =>
        `${label} gets less than ${ledcurrentfaint} through ${nominal}; it will be hard to see.`,
      keepOrLess: ({ nominal, label, current }) => `${nominal} keep ${label} at ${current} or less.`,
      meaning:
        'A light has almost no resistance of its own above its forward voltage; only the resistor limits the current.',
      pinHighest: 'pin, at its highest',
      supplyHighest: 'its supply at its highest',
      forwardVoltageLowest: 'forward voltage, at its lowest',
      currentAllowed: 'current allowed',
      smallerLightPin: ({ derating }) => `the smaller of light and pin × ${derating}`,
      smallestResistor: 'smallest resistor',
      fittedSmallest: 'fitted, at its smallest',
    },
  }),
  'drive/transistor': check<DriveTransistorSays>({
    rule: {
      short: 'driver',
      title: 'Drivers carry their load, and are fully on',
      rule: 'Load ≤ the driver’s current × derating. A bare bipolar transistor saturates with a tenth of the load in its base: (VOH(min) − VBE(max)) ÷ R(max) ≥ I ÷ 10, and (VOH(max) − VBE(min)) ÷ R(min) ≤ what the pin gives. It turns VCE(sat) × I to heat, a field-effect one I² × R.',
      source: 'Ohm’s law; saturation at a forced gain of 10, as transistor sheets state VCE(sat), is common practice',
    },
    says: {
      takesMayCarry: ({ load, amps, driver, limit, most, derating }) =>
        `${load} takes ${amps}; ${driver} may carry ${limit} (${most} × ${derating}).`,
      tooHot: ({ driver, watts, junction, limit }) =>
        `${driver} turns ${watts} to heat and reaches ${junction} inside; ${limit} is allowed.`,
      getsWarmOutsideDo: ({ driver, surface }) => `${driver} gets ${surface} warm outside. Do not touch it.`,
      holds: ({ driver, amps, limit }) => `${driver} carries ${amps} of ${limit}.`,
      meaning: 'A switch that is not fully on, or carries too much, turns the difference to heat.',
      loadPeak: 'load at its peak',
      words: ({ load }) => `of ${load}`,
      mayCarry: 'may carry',
      turnedHeat: 'turned to heat',
      hot: ({ amps, hotOhms }) => `(${amps})² × ${hotOhms}, hot`,
      airHeatResistanceAir: 'air + heat × resistance to the air',
      baseHangsStraightPin: ({ driver }) =>
        `The base of ${driver} hangs straight on its pin; nothing limits the current. Pin or transistor burns.`,
      letIntoBasePin: ({ ohms, strongest, driver, allowed }) =>
        `${ohms} let ${strongest} into the base of ${driver}; its pin gives ${allowed}.`,
      letIntoBaseNeeded: ({ ohms, weakest, driver, needed, amps }) =>
        `${ohms} let ${weakest} into the base of ${driver}; ${needed} are needed for its ${amps}. It is not fully on and gets hot.`,
      letOrMoreInto: ({ ohms, weakest, driver, needed }) =>
        `${ohms} let ${weakest} or more into the base of ${driver}; ${needed} are needed.`,
      baseDiodeGroundOnly:
        'A base is a diode to ground: only the resistor sets its current, and only enough of it switches fully on.',
      least: 'at the least',
      most: 'at the most',
      pinGives: 'the pin gives',
      recommended: ({ derating }) => `recommended × ${derating}`,
      resistorFits: 'resistor that fits',
      to: ({ least, most }) => `${least} to ${most}`,
    },
  }),
};
