/** Words about what the plan does by itself. */
import type { SolveAnyChangeSays } from '../../solve/any-change.ts';
import type { SolvePinsSays } from '../../solve/pins.ts';
import type { SolveCompleteDescribeSays } from '../../solve/complete/describe.ts';
import type { SolveCompleteEncodeLinesSays } from '../../solve/complete/encode-lines.ts';
import type { SolveCompleteWhyNotSays } from '../../solve/complete/why-says.ts';
import type { SolveSetsExcludeSays } from '../../solve/sets/exclude.ts';
import type { SolveCompleteEncodePartsSays } from '../../solve/complete/encode-parts.ts';
import { topic } from '../language.ts';
import { commas, list, plural } from './grammar.ts';

export const solve = {
  'solve/any-change': topic<SolveAnyChangeSays>({
    says: {
      letLevelsWorkUsually: 'Let levels that work usually pass, flagged',
      letSuppliesInsideUsually: 'Let supplies that are inside usually pass, flagged',
      feedPartsFromV: 'Feed parts from 5 V where they may be',
      keepEveryPullUp: 'Keep every pull-up',
      letPinsFeedParts: 'Let pins feed parts, up to what they are meant for',
      useRailsRegulatorsContacts: 'Use rails, regulators and contacts up to all that they are rated for',
      feedFrom: ({ label, rail }) => `Feed ${label} from the ${rail}`,
      takeLeadsGauge: ({ gauge, label }) => `Take leads of gauge ${gauge} to ${label}`,
      bringWithin: ({ label, short }) => `Bring ${label} within ${short}`,
      solder: 'Solder in',
      pullUp: ({ open, label, toUpperCase }) => `${open} the pull-up of ${label} on ${toUpperCase}`,
      takeAs: ({ other, label }) => `Take ${other} as ${label}`,
      readCommandsDoNot: ({ label }) => `Read ${label} with the commands that do not hold the clock`,
      set: ({ label, value }) => `Set ${label} to ${value}`,
      putBeforeFrom: ({ card, label, near, far }) => `Put ${card} before ${label}, from the ${near} to the ${far}`,
      move: ({ wish, find }) => `Move ${wish} to ${find}`,
      putSeries: ({ said, label }) => `Put ${said} in series with ${label}`,
      putFromLineGround: ({ said, label }) => `Put ${said} from the line of ${label} to ground`,
      pullLineUp: ({ label, name, said }) => `Pull the line of ${label} up to the ${name} with ${said}`,
      divideFrom: ({ said, name, label }) => `Divide with ${said} from the ${name} at ${label}`,
      run: ({ bus, clock }) => `Run ${bus} at ${clock}`,
      leaveOut: ({ kind, id }) => `Leave out the ${kind} ${id}`,
      startAllConversionsTogether: 'Start all conversions together',
      add: ({ card }) => `Add ${card}`,
    },
  }),
  'solve/pins': topic<SolvePinsSays>({
    says: {
      leftCanCarry: ({ names, pins }) => {
        const lines = plural(names.length, 'line has', 'lines have');
        const left = pins.length === 0 ? 'no pin' : `only ${commas(pins)}`;
        return `${commas(names)}: ${names.length} ${lines} ${left} left that can carry ${plural(names.length, 'it', 'them')}.`;
      },
      noPeripheralControllerLeft: ({ noInstance }) =>
        `No peripheral of the controller is left whose pins serve every line of ${noInstance}.`,
      busesAskMorePeripherals: 'The buses ask for more peripherals of one kind than the controller has free.',
    },
  }),
  'solve/complete-describe': topic<SolveCompleteDescribeSays>({
    says: {
      noPin: 'no pin',
      plugIntoSocket: ({ part, otherPart }) => `Plug ${part} into the socket of ${otherPart}`,
      feedFrom: ({ part, rails }) => `Feed ${part} from the ${rails.join(' and the ')}`,
      takeOffSupply: ({ part }) => `Take ${part} off its supply`,
      at: ({ address }) => ` at ${address}`,
      put: ({ name, bus, at }) => `Put ${name} on ${bus}${at}`,
      set: ({ name, address }) => `Set ${name} to ${address}`,
      tellSpeakBitsSecond: ({ name, rate }) => `Tell ${name} to speak at ${rate} bits a second`,
      readCommandsDoNot: ({ name }) => `Read ${name} with the commands that do not hold the clock`,
      words: ({ name, part }) => `Switch ${name} with ${part}`,
      connectOtherwise: ({ name }) => `Connect ${name} otherwise`,
      fedFrom: ({ rail }) => `, fed from the ${rail}`,
      add: ({ card, from }) => `Add a ${card}${from}`,
      takeOut: ({ part }) => `Take ${part} out`,
      takeAs: ({ card, part }) => `Take ${card} as ${part}`,
      openPullUpJumpers: ({ part }) => `Open the pull-up jumpers of ${part}`,
      closePullUpJumpers: ({ part }) => `Close the pull-up jumpers of ${part}`,
      putGroundWhereAll: ({ part }) => `Put the ground of ${part} where all have it`,
      putAwayFromLead: ({ part, otherPart }) => `Put ${part} away from ${otherPart}, on a lead`,
      changeHowStandsOr: ({ part }) => `Change how ${part} stands or runs`,
      read: ({ name, part }) => `Read ${name} with ${part}`,
      takeOffPin: ({ name }) => `Take ${name} off its pin`,
      putOnPin: ({ name, pin }) => `Put ${name} on ${pin}`,
      moveFrom: ({ name, pin, toPin }) => `Move ${name} from ${pin} to ${toPin}`,
      on: ({ pins }) => ` on ${list(pins)}`,
      beginBus: ({ bus, count }) => `Begin a bus “${bus}”${count}`,
      takeBusOut: ({ bus }) => `Take the bus “${bus}” out`,
      changeBus: ({ to }) => `Change the bus “${to}”`,
      run: ({ to, clock }) => `Run ${to} at ${clock}`,
      putHelper: ({ helper }) => `Put ${helper}`,
      make: ({ helper }) => `Make it ${helper}`,
      leaveOut: ({ helper }) => `Leave out ${helper}`,
      leaveFeaturesControllerOff: 'Leave features of the controller off',
      take: ({ more }) => `Take a ${more.join(' and a ')}`,
      changeMyRules: 'Change my rules',
      startAllConversionsTogether: 'Start all conversions together',
      placePartsBoardsAnew: 'Place parts on the boards anew',
      takeAsBoards: ({ boards }) => `Take ${list(boards)} as boards`,
      takeAnotherController: 'Take another controller',
    },
  }),
  'solve/complete-encode-lines': topic<SolveCompleteEncodeLinesSays>({
    says: {
      lock: ({ wish, label }) => `the lock of ${wish} on ${label}`,
    },
  }),
  'solve/complete-encode-parts': topic<SolveCompleteEncodePartsSays>({
    says: { lock: ({ part }) => `the lock on ${part}` },
  }),
  'solve/complete-why-not': topic<SolveCompleteWhyNotSays>({
    says: {
      controllerHasTooFew: 'the controller has too few pins that can carry their lines',
      tooFewPeripherals: 'the controller has too few peripherals for their buses and serial pairs',
      tooFewPwmChannels: 'the controller has too few PWM channels',
      theirAddressesCannotBe: 'their addresses cannot be kept apart',
      railsCannotGiveCurrent: 'the rails cannot give the current',
      pinsCannotCarryCurrent: 'the pins cannot carry the current together',
      busCannotLiftCapacitance: 'the bus cannot lift the capacitance in time',
      translatorsHaveTooFew: 'the translators have too few channels',
      controller: 'the controller',
      nearest: ({ wrong }) => ` The nearest: ${wrong}`,
      noWayWiringWas: ({ name, on, wrong }) =>
        `No way of wiring ${name} on ${on} was found, on the rails there are and those that could be added.${wrong}`,
      cannotBeHadNo: ({ name, on, askname }) =>
        `${name} cannot be had on ${on}: no pin is left that can be ${askname}.`,
      cannotBeHad: ({ name, on, reason }) => `${name} cannot be had on ${on}${reason ? `: ${reason}` : ''}.`,
      cannotAllBeHad: ({ names, on, reason }) =>
        `${list(names)} cannot all be had on ${on}${reason ? `: ${reason}` : ''}. Without any one of them the rest can.`,
      open: ({ member }) => `Open ${member}`,
      leaveOut: ({ member }) => `Leave ${member} out`,
      takeAs: ({ card, choice }) => `Take ${card} as ${choice}`,
      hasNoPlaceWithout: ({ label, card }) =>
        `${label} has no place for ${card}. Without it, or on a board that it fits, the plan can be completed.`,
      planHasNoController: 'The plan has no controller, so nothing can be wired to one.',
      nothingHereFeedsAsks: ({ controller, min, max }) =>
        `Nothing here feeds ${controller}: it asks for ${min} to ${max}.`,
      noPinServes: ({ label, on, askname }) =>
        `${label} cannot be had on ${on}: no pin is left that can be ${askname}.`,
      leavePartOut: ({ label }) => `Leave ${label} out`,
    },
  }),
  'solve/sets-exclude': topic<SolveSetsExcludeSays>({
    says: {
      by: ({ count, reason }) => `${count} by ${reason}`,
      noRailBuildCan: ({ name }) => `No rail of the build can feed a card that meets: ${name}.`,
      noCardCatalogueMeets: ({ name, counted }) =>
        `No card of the catalogue meets: ${name}${counted.length > 0 ? `; those that do it are ruled out, ${commas(counted)}` : ''}.`,
      togetherTheseCostMore: ({ names }) => `Together these cost more than the budget allows: ${names.join('; ')}.`,
      theseCannotBeMet: ({ names }) =>
        `These cannot be met together, because no controller has the addresses and pins for them: ${names.join('; ')}.`,
    },
  }),
};
