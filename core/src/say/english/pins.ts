/** Words about pins. */
import type { PinBootStateSays } from '../../check/pin-boot-state.ts';
import type { PinCapabilitySays } from '../../check/pin-capability.ts';
import type { PinCurrentSays } from '../../check/pin-current.ts';
import type { PinDoubleSays } from '../../check/pin-double.ts';
import type { PinFloatingSays } from '../../check/pin-floating.ts';
import type { PinStrapSays } from '../../check/pin-strap.ts';
import type { PinUnitConflictSays } from '../../check/pin-unit-conflict.ts';
import type { PinWakeSays } from '../../check/pin-wake.ts';
import { check } from '../language.ts';
import { list } from './grammar.ts';

export const pins = {
  'pin/boot-state': check<PinBootStateSays>({
    rule: {
      short: 'start',
      title: 'What a pin switches is off while the controller starts',
      rule: 'From power-on until the program sets the pin, the line of a load stays below VIL of its input (above VIH where low switches on): held by a resistor or the pin’s own pull, and not driven by the pin.',
      source: 'the cards; node voltage by Kirchhoff’s current law',
    },
    says: {
      givesPulses: 'gives pulses',
      goes: ({ drives }) => `goes ${drives}`,
      itselfWhileControllerStarts: ({ label, drives, part }) =>
        `${label} ${drives} by itself while the controller starts; ${part} switches on.`,
      nothingHoldsWhileController: ({ label, part }) =>
        `Nothing holds ${label} while the controller starts; ${part} may switch on by itself.`,
      restsWhileControllerStarts: ({ label, measured, part, on, limit }) =>
        `${label} rests at ${measured} while the controller starts; ${part} is sure to be off only ${on} ${limit}.`,
      switches: 'switches on',
      when: ({ on }) => `when ${on}`,
      words: ({ label }) => `${label} at the start`,
      drivesNothing: 'drives nothing',
      held: 'held by',
      sureBeOff: 'sure to be off',
      vilInput: 'VIL of the input',
      vihInput: 'VIH of the input',
      holds: ({ part }) => `${part} stays off while the controller starts.`,
      meaning: 'A lamp or a heater comes on with nobody there, at every start and after every cut of the supply.',
      everyStartEveryCut:
        'Every start and every cut of the supply gives the load a kick; half on, its transistor gets hot.',
    },
  }),
  'pin/capability': check<PinCapabilitySays>({
    rule: {
      short: 'can',
      title: 'The pin can do what the signal asks',
      rule: 'Every line has a pin, the pin has the function that the line asks for, the lines of one bus are on one instance of the peripheral, and a carrier that sits on the controller leads the pin out.',
      source: 'the controller’s card',
    },
    says: {
      meaning: 'The signal has nowhere to go: the software finds nothing there.',
      needsPlanHasNo: ({ wish, asks }) => `${wish} needs ${asks}, and the plan has no controller.`,
      needsHasNoPin: ({ wish, asks }) => `${wish} needs ${asks} and has no pin yet.`,
      asked: 'asked',
      can: ({ label }) => `${label} can`,
      needsCannotBeOne: ({ wish, asks, label }) => `${wish} needs ${asks}; ${label} cannot be one.`,
      whichCarrierCoversDoes: ({ wish, label }) =>
        `${wish} is on ${label}, which the carrier covers and does not lead out.`,
      instancePartnerLineAnother: ({ wish, label, instances }) =>
        `${wish} is on ${label} (instance ${instances.join(' or ')}), its partner line on another instance. Both must be on one.`,
      reliesPullWhichHas: ({ wish, label }) =>
        `${wish} relies on the pull of ${label}, which has none; a resistor or another pin is needed.`,
      noPullOwn: 'no pull of its own',
      canBe: ({ label, asks, wish }) => `${label} can be ${asks} for ${wish}.`,
      hasNoPlaceWhat: ({ label, card }) =>
        `${label} has no place for ${card}; what is fitted on it is joined to nothing.`,
      carrierMadePinsCertain:
        'A carrier is made for the pins of certain boards. On another one its names mean nothing.',
    },
  }),
  'pin/current': check<PinCurrentSays>({
    rule: {
      short: 'current',
      title: 'Pins carry what hangs on them, alone and together',
      rule: 'What a pin gives or takes at its worst is at most its recommended current (above it a caution, above the absolute one a danger); what the pins of a group give or take together is at most the limit of the group × the derating of my ruless.',
      source: 'the controller’s card; derating is common practice',
    },
    says: {
      carriesMost: ({ label, amps }) => `${label} carries ${amps} at most.`,
      carriesDestroys: ({ label, amps, absolute }) => `${label} carries ${amps}; ${absolute} destroys it.`,
      holds: ({ label, amps, recommended }) =>
        `${label} carries ${amps}, above the ${recommended} that are recommended; its levels are no longer guaranteed.`,
      meaning: 'A pin is a small transistor; above its rating it gets hot and its levels fade.',
      recommended: 'recommended',
      absolute: 'absolute',
      carryTogetherMost: ({ group, controller, amps }) => `${group} of ${controller} carry ${amps} together at most.`,
      carryTogetherMayBe: ({ group, controller, amps, limit, most, derating }) =>
        `${group} of ${controller} carry ${amps} together; ${limit} may be used (${most} × ${derating}).`,
      eachPinMayBe: 'Each pin may be within its rating and the chip still be too hot: its supply lines are shared.',
      worst: 'at its worst',
      mayBeUsed: 'may be used',
    },
  }),
  'pin/double': check<PinDoubleSays>({
    rule: {
      short: 'alone',
      title: 'One pin, one signal',
      rule: 'At most one line on each pin of the controller and each input of a converter; a shared bus line counts once.',
      source: 'common practice',
    },
    says: {
      togetherOnlyOneCan: ({ names, label, part }) =>
        `${list(names)} are on ${label} of ${part} together; only one can be.`,
      readsAlone: ({ label, part, names }) => `${label} of ${part} reads ${list(names)} alone.`,
      meaning: 'Two outputs on one input give a voltage that is neither.',
      areTogether: ({ names, label }) => `${list(names)} are on ${label} together; only one can be.`,
      carriesAlone: ({ label, names }) => `${label} carries ${list(names)} alone.`,
      secondPartShowsMistake:
        'The second part shows the mistake only when it is plugged in: one signal drowns the other.',
    },
  }),
  'pin/floating': check<PinFloatingSays>({
    rule: {
      short: 'tied',
      title: 'No input is left in the air',
      rule: 'A terminal that rests nowhere by itself - an enable, a reset, a direction, an address, an input that is not used - is tied to ground or to the supply of its part.',
      source: 'the cards; common practice',
    },
    says: {
      nothingRestsNowhereItself: ({ label, part }) =>
        `${label} of ${part} is on nothing and rests nowhere by itself: what it does changes with a hand nearby. Tie it to ground or to its supply.`,
      tied: ({ label, part, to }) => `${label} of ${part} is tied to ${to}.`,
      meaning: 'An input in the air follows every mains lamp; the part works on the table and not on the wall.',
      tiedTo: ({ to }) => `tied to ${to}`,
    },
  }),
  'pin/strap': check<PinStrapSays>({
    rule: {
      short: 'at boot',
      title: 'Boot pins are left in peace',
      rule: 'While the controller starts, what hangs on a strapping pin cannot hold it at the wrong level: above VIL where low is asked, below VIH where high is. Pins of flash, USB and console are not used.',
      source: 'the controller’s card',
    },
    says: {
      mayDriveLowOr: ({ end, high }) => `${end} may drive it low or to ${high}`,
      closedPullsV: ({ sinker }) => `${sinker} closed pulls it to 0 V`,
      nothingLiftsHoldsDown: ({ light }) => `nothing lifts it, and ${light} holds it down`,
      holdsOrLess: ({ light, high }) => `${light} holds it at ${high} or less`,
      broken: ({ label, level, wish, measured, meaning }) =>
        `${label} must be ${level} while the controller starts; ${wish} can hold it at ${measured}. ${meaning}`,
      meant: ({ wish, label, level, meaning }) =>
        `${wish} leaves ${label} ${level} while nobody is at it; pressed as the controller starts it is low, which is meant. ${meaning}`,
      holds: ({ wish, label, level }) => `${wish} leaves ${label} ${level} while the controller starts.`,
      meaning:
        'It starts on the desk and not in its place: whether the board boots depends on what the part happens to be doing.',
      askedBoot: 'asked at boot',
      heldCircuit: 'held by the circuit',
      nothingChipsOwnPull: 'nothing; the chip’s own pull decides',
      limit: ({ level }) => `limit for ${level}`,
      belongs: ({ label, by, wishes, meaning }) =>
        `${label} belongs to the ${by}; ${list(wishes)} is on it. ${meaning}`,
      controllerCannotRunProgram: 'The controller cannot run its program.',
      programmingMessagesFromBoard: 'Programming and messages from the board are disturbed.',
    },
  }),
  'pin/unit-conflict': check<PinUnitConflictSays>({
    rule: {
      short: 'unit',
      title: 'Units of the controller are not asked twice',
      rule: 'No analog line on a converter that a feature in use takes; PWM lines on one counter agree on a frequency, and no two are on one channel; every bus and serial pair has a peripheral of its own.',
      source: 'the controller’s card',
    },
    says: {
      taker: ({ wish, label, taker, meaning }) =>
        `${wish} is on ${label}, whose converter the ${taker} takes. ${meaning}`,
      converterFree: ({ label, wish }) => `The converter of ${label} is free for ${wish}.`,
      meaning: 'It reads well on the desk and stops as soon as the other half of the chip is switched on.',
      converters: ({ label }) => `converters of ${label}`,
      use: ({ name }) => `${name}, in use`,
      pinsOnePwmChannel: ({ names, channel }) =>
        `${list(names)} are on pins of one PWM channel (${channel}); both would always do the same.`,
      boardLeadsOneChannel: 'The board leads one channel to several pins; the second line follows the first.',
      allThem: 'all of them',
      bothSystem: 'both it and the system',
      broken: ({ names, group, count }) =>
        `${list(names)} run from ${group}, which has one frequency; no frequency suits ${count}.`,
      holds: ({ names, group, common }) => `${list(names)} share ${group} at ${common}.`,
      settingFrequencyOneChanges:
        'Setting the frequency for the one changes it for the other: a motor whines, a servo twitches.',
      system: ({ group }) => `${group}, for the system`,
      to: ({ frequency, highest }) => `${frequency} to ${highest}`,
      hasNoPeripheralOwn: ({ label, others }) =>
        `${label} has no peripheral of its own: those of its pins serve ${list(others) || 'something else'}.`,
      onePeripheralHasOne: 'One peripheral has one clock and one pair of pins at a time; the second bus stays silent.',
      hasItself: ({ label, unit }) => `${label} has ${unit} to itself.`,
    },
  }),
  'pin/wake': check<PinWakeSays>({
    rule: {
      short: 'wakes',
      title: 'What happens while the controller sleeps wakes it',
      rule: 'While the controller sleeps between readings, every line on which each edge counts is on a pin that wakes it.',
      source: 'the controller’s card',
    },
    says: {
      wakes: ({ label, controller, wish }) => `${label} wakes ${controller} for every edge of ${wish}.`,
      sleepsBetweenReadingsCard: ({ controller, wish, label }) =>
        `${controller} sleeps between readings, and its card does not say which pins wake it; ${wish} is counted on ${label}.`,
      holds: ({ controller, label, wish }) =>
        `${controller} sleeps between readings, and ${label} does not wake it: what ${wish} tells meanwhile is lost.`,
      meaning: 'A tip of the rain gauge, a turn of the meter, a door: each is a moment, and nobody is awake for it.',
      betweenReadings: 'between readings',
      asleep: 'asleep',
      pinsWake: 'pins that wake it',
      notSaid: 'not said',
    },
  }),
};
