/** Words about the wiring plan. */
import type { DeliverBoardDrawingSays } from '../../deliver/board-drawing.ts';
import type { DeliverChecklistSays } from '../../deliver/checklist.ts';
import type { DeliverPartsListSays } from '../../deliver/parts-list.ts';
import type { DeliverPlacesSays } from '../../deliver/places.ts';
import type { DeliverProgrammingStepSays } from '../../deliver/programming-step.ts';
import type { DeliverReadBackSays } from '../../deliver/read-back.ts';
import type { DeliverDoubtsSays } from '../../deliver/readings/doubts.ts';
import type { DeliverSeenOtherwiseSays } from '../../deliver/seen-otherwise.ts';
import type { DeliverSettingsSays } from '../../deliver/settings/parts.ts';
import type { DeliverWiringSays } from '../../deliver/wiring.ts';
import { topic, ruleOnly } from '../language.ts';
import { commas, counted, list, start } from './grammar.ts';

export const deliver = {
  'deliver/board-drawing': topic<DeliverBoardDrawingSays>({
    says: {
      cable: ({ node }) => `cable: ${node}`,
    },
  }),
  'deliver/checklist': topic<DeliverChecklistSays>({
    says: {
      line: ({ parts, says }) => `${list(parts)}: ${says}.`,
      capacitorStandsWithinMm: 'its capacitor stands within 20 mm of the pin that it is for',
      leadHeldWhereComes: 'its lead is held where it comes in, so that a pull never reaches its ends',
      supplyLeadsTooThick:
        'its supply leads are too thick for a spring: they are screwed or clamped to the source itself, where the plan shows a hole of its strip',
      betweenWhatContactSwitches:
        'between what its contact switches and everything else is a way of 6 mm and more; mains is left to a licensed electrician',
      programSwitchesOffWhen:
        'the program switches it off when a reading is missing or stands still, after a longest time on, and when it starts anew',
      leadHangsDripLoop: 'its lead hangs in a drip loop below where it goes in, and the entry is sealed',
      antennaFreeCopperMetal: 'its antenna is free of copper, metal and leads for 15 mm around',
      endsCoveredUntilLast: 'its ends are covered until the last step, and it goes in the right way round',
      nothingMeltsOrBurns: 'nothing that melts or burns touches it, and nobody can',
    },
  }),
  'deliver/parts-list': topic<DeliverPartsListSays>({
    says: {
      jointsBareWires: 'joints of bare wires',
      colours: ({ colours }) => commas(colours),
      colour: ({ colour, count }) => `${count} × ${colour}`,
    },
  }),
  'deliver/seen-otherwise': topic<DeliverSeenOtherwiseSays>({
    says: {
      answers: ({ part }) => `not measured: ${part} answers`,
      behindAnswer: ({ part }) => `not measured: what ${part} feeds answers`,
      doesWhatItShould: ({ part }) => `not measured: ${part} does what it should`,
      readAsItShould: 'not measured: the program reads the pin as it should',
    },
  }),
  'deliver/places': topic<DeliverPlacesSays>({
    says: {
      joint: ({ joint }) => `joint ${joint}`,
      terminal: ({ part, terminal }) => `${part}, ${terminal}`,
      holding: ({ hole, holds }) => `${hole} (${holds})`,
    },
  }),
  'deliver/programming-step': topic<DeliverProgrammingStepSays>({
    says: {
      to: ({ printed, farTerminal }) => `${printed} to ${farTerminal}`,
      board: 'the board',
      lines: ({ lines }) => `${commas(lines)}.`,
      programmer: ({ ground, boardGround, board }) => `${ground} of the programmer to ${boardGround} of ${board}`,
      whichFeedsMeanwhile: ({ printed, farTerminal, fed }) =>
        `${printed} to ${farTerminal} of ${fed}, which it feeds meanwhile.`,
      wheneverCableGoesInto: ({ part, hand }) => `Whenever a cable goes into ${part}: the ${hand} off first`,
      switchBeforeOff: ({ hand }) => `The switch before the ${hand} is off.`,
      onlyThenCableGoes: 'Only then the cable goes in; out again before the switch goes on.',
      onlyWhileProgramLoaded: ({ part }) => `Only while a program is loaded: ${part}`,
      off: ({ label }) => `${label} is off.`,
      whenProgramLoadedTake: 'When the program is loaded, take it off again.',
    },
  }),
  'deliver/read-back': topic<DeliverReadBackSays>({
    says: {
      thereNoLayout: ({ says }) => `There is no layout: ${says}`,
      meaning: 'Without one there is nothing to wire by.',
      readBackFromHoles: ({ contacts, nodes }) =>
        `Read back from holes, strips and leads: ${counted(contacts, 'end')} on ${counted(nodes, 'node')}, all as the circuit wants them.`,
      whoeverFollowsTheseSteps: 'Whoever follows these steps builds something else than what was proved.',
    },
  }),
  'wiring/read-back': ruleOnly({
    short: 'read back',
    title: 'The wiring is the circuit',
    rule: 'What is read back from the holes, strips, sockets, legs and leads of the steps joins the same ends as the circuit, and nothing else. A second program reads it, which knows neither the circuit nor how the layout was made.',
    source: 'the plan itself',
  }),
  'deliver/doubts': topic<DeliverDoubtsSays>({
    says: {
      noNumber: ({ count, of }) => (of === 1 ? 'no number came' : `${count} of ${of} are no number`),
      noNumberCause: 'A loose lead, a missing pull-up, or it is read before it is ready.',
      reads: ({ value }) => `it reads ${value}`,
      atStartCause:
        'That stands there before the first conversion: it is read too soon after it is told to convert, or its supply dips and it begins anew.',
      errorCodeCause:
        'Programs print that when nothing answered: the lead, the pin or the address is not what they were told.',
      allOnesCause:
        'All bits are one: nobody pulls the line low. It is not connected there, has no supply, or another type is meant.',
      allZerosCause: 'All bits are zero: the line is held low, or the register was never filled.',
      converterLowCause:
        'The converter reads nothing: the pin is at ground, or the lead is out and the pin is pulled down.',
      converterHighCause: 'The converter is at its top: the pin is at the rail, or the part is not there.',
      fahrenheitCause: ({ value }) => `As degrees Fahrenheit that is ${value}: the program prints the other unit.`,
      factorCause: ({ value }) => `Moved by powers of ten it would be ${value}: the program uses another unit.`,
      beyond: ({ value, from, to }) => `it reads ${value}, and can read ${from} to ${to}`,
      beyondCause: 'Another type of part was told to the program, or bytes are taken in another order.',
      outside: ({ value, from, to }) => `it reads ${value}, and ${from} to ${to} is wanted`,
      outsideCause: 'The place is not as the plan has it, or it is wired as another part of its kind.',
      warmCause: 'It sits beside something warm or in a closed box, or the place is not as the plan has it.',
      stuck: ({ value, count }) => `${value} to the last digit, ${counted(count, 'reading')} long`,
      stuckCause: 'The program prints an old value, or nothing is converted: breathe on it, or take it in the hand.',
      tooFast: ({ seconds, shortest }) => `it is read every ${seconds}, and wants ${shortest}`,
      tooFastCause: 'Readings repeat, warm the part, or are taken half done.',
      spikes: ({ count, value }) => `${counted(count, 'reading')} far off the others, ${value} among them`,
      settling: ({ limit, seconds }) =>
        `it is still on its way, to ${limit} or beyond, for another ${seconds} at least`,
      settlingCause:
        'The part follows something that changed, slowly: itself just put there or held in a hand, or its place. Compare and calibrate once it lies still.',
      settlingWarmCause: ({ seconds }) =>
        `It warms up, for up to ${seconds} after it gets its supply. What it reads before that is nothing to go by.`,
      spikesCause: 'A loose lead, or a load that switches beside it. The median of five leaves such readings out.',
    },
  }),
  'deliver/settings': topic<DeliverSettingsSays>({
    says: {
      eightBit: ({ write, read }) => `${write} to write and ${read} to read in the 8-bit form`,
      composed: ({ choices }) => choices.join('; '),
    },
  }),
  'deliver/wiring': topic<DeliverWiringSays>({
    says: {
      powerOffBeforeAny:
        'Power off before any wire is moved; check polarity before power on. This plan covers the low-voltage side only and is no substitute for local codes and licensed practice.',
      powerOffBoardsLeads: 'Power off. The boards, and leads that join their strips.',
      powerOffLayParts: 'Power off. Lay the parts out.',
      resistorsOtherHelpersWhile: 'Resistors and other helpers, while the rows are empty',
      inHole: ({ first, hole, turned }) => `${first} in ${hole}${turned ? ', turned half round' : ''}`,
      intoSocket: ({ card, host }) => `${card} into the socket of ${host}`,
      cableIntoSocket: ({ host }) => `its cable into the socket of ${host}`,
      inOf: ({ label, otherLabel, host }) => `${label} in ${otherLabel} of ${host}`,
      line: ({ node }) => `The line of ${node}`,
      lastLookPowerStill: 'Last look, power still off',
      plugCableIntoLast: ({ from, to }) => `plug the cable of ${from} into ${to}, last`,
      supplyLast: ({ wired }) => `Supply last: ${commas(wired)}`,
      lastStep: 'Supply last',
      supplies: ({ title }) => start(title.join('; ')),
    },
  }),
};
