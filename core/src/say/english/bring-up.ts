/** Words about what is measured. */
import type { DeliverValueTextSays } from '../../deliver/value-text.ts';
import type { CurrentTableSays } from '../../capture/current-table.ts';
import type { DeliverRestExpectedSays } from '../../deliver/rest-expected.ts';
import type { DeliverBringUpSays } from '../../deliver/bring-up.ts';
import type { DeliverExpectSays } from '../../deliver/expect.ts';
import type { DeliverExpectedSays } from '../../deliver/expected.ts';
import type { DeliverFirstReadingSays } from '../../deliver/first-reading.ts';
import type { DeliverHeldAgainstSays } from '../../deliver/held-against.ts';
import type { DeliverProgramRowSays } from '../../deliver/program-row.ts';
import type { DeliverTouchedSays } from '../../deliver/touched.ts';
import { topic } from '../language.ts';
import { commas, counted, list } from './grammar.ts';

export const bringUp = {
  'deliver/program-row': topic<DeliverProgramRowSays>({
    says: {
      heard: 'The self-test is heard',
      startSelfTest: 'Load the self-test, start it, and listen: any line of it will do.',
      ownPulls: ({ pin }) => `${pin} against its own pulls`,
      pinHeldLow: ({ pin }) => `Every pin while ${pin} is held low`,
      readOwnPulls: 'The self-test reads it pulled up, then pulled down: 11 is held high, 00 low, 10 follows.',
      readHeldLow: 'The self-test reads all pins, pulled up: what falls with it is joined to it.',
    },
  }),
  'capture/current-table': topic<CurrentTableSays>({
    says: {
      twoNumbers: ({ line, found }) => `line ${line}: expected a time and a current, found “${found}”`,
      rising: ({ line }) => `line ${line}: expected a time after that of the line before`,
      empty: 'expected rows of a time and a current, found none',
      long: ({ most }) => `expected at most ${counted(most, 'row')}`,
    },
  }),
  'deliver/rest-expected': topic<DeliverRestExpectedSays>({
    says: {
      heldPullUps: ({ low, high }) => `held at ${low} to ${high} by its pull-ups`,
      heldLow: 'held low',
      about: ({ volts }) => `about ${volts}`,
    },
  }),
  'deliver/bring-up': topic<DeliverBringUpSays>({
    says: {
      addresses: ({ busName }) => `Addresses on ${busName}`,
      parts: ({ busName }) => `Parts on ${busName}`,
      runAddressScannerPaste: 'Run an address scanner; paste what it prints.',
      runSearchLinePaste: 'Run a search of the line; paste the list or its count.',
      word: ({ portTitle }) => `Word of ${portTitle}`,
      readRegister: ({ word, wordSays }) => `Read register ${word}.${wordSays ? ` ${wordSays}` : ''}`,
      converter: ({ portTitle }) => `${portTitle}, at the converter`,
      aboutWhatUsuallySees: ({ volts }) => `about ${volts} at what it usually sees`,
      noShortGround: ({ node }) => `No short: ${node} to ground`,
      lead: 'Lead',
      ground: 'ground',
      port: ({ part, port }) => `${part}, ${port}`,
      to: ({ isWire, from, to }) => `${isWire} ${from} to ${to}`,
      fromTo: ({ from, to }) => `${from} to ${to}`,
      ohmsFrom: ({ from, to }) => `Ohms from ${from} to ${to}.`,
      voltsRedBlack: ({ from, to }) => `Volts: red in ${from}, black in ${to}.`,
      rest: ({ node, from }) => `${node} at rest, ${from}`,
      betweenPlaces: ({ at, until }) => `${at} to ${until}`,
      supply: ({ part }) => `Supply of ${part}`,
      offUntilSwitched: 'off until it is switched on',
      behindLeads: ({ min, max }) => `${min} to ${max} behind its leads`,
      currentFrom: ({ label }) => `Current from ${label}`,
      firstPowerLimitWhere: ({ most }) =>
        `First power with the limit at ${most}, where the supply has one; a hand at the plug. Off at once if anything gets hot or smells.`,
      fromEverythingWaitingEverything: ({ most }) => `from everything waiting to everything at its most, ${most}`,
      rise: ({ net }) => `Rise of ${net}, 30 to 70 %`,
      oscilloscopeProbeClipWhile: ({ at, zero }) =>
        `An oscilloscope with a 10:1 probe at ${at}, its clip on ${zero}, while the bus talks.`,
      usuallyNeverAboveEvery: ({ usual, slowest }) =>
        `usually ${usual}, never above ${slowest} with every figure at its worst`,
    },
  }),
  'deliver/expect': topic<DeliverExpectSays>({
    says: {
      continuityBeepsFrom: ({ from, to }) => `Continuity: beeps from ${from} to ${to}.`,
      to: ({ min, max }) => `${min} to ${max}`,
      from: ({ what, span, from, to }) => `${what}: ${span} from ${from} to ${to}.`,
      tableSupplyStaysUnplugged: ({ boards }) =>
        `On the table: ${commas(boards)}. The supply stays unplugged until the last step.`,
      noBoardEveryLead:
        'No board: every lead goes from part to part or into a joint. The supply stays unplugged until the last step.',
      noBeepBetweenStrips: ({ strips }) => `No beep between strips that carry different things: ${commas(strips)}.`,
      lowVoltageOnlyWhere:
        'Low voltage only where it is wet, a drip loop in every lead, and mains supplies out of reach of water.',
      otherWayRoundShort: ({ twoTerminal, polar, from, otherLeg, to }) =>
        `${twoTerminal}: ${polar} in ${from}, ${otherLeg} in ${to}. The other way round it is a short or bursts.`,
      plainWay: ({ twoTerminal, from, to }) => `${twoTerminal} from ${from} to ${to}.`,
      readLabelsOnceMore: ({ cover }) => `Read the labels once more: ${cover.join(' ')}.`,
      whileSwitchOpen: ' while the switch is open',
      noBeepFrom: ({ say, toGround, open }) => `No beep from ${say} to ${toGround}${open}.`,
      plusLoadSupplyMinus: 'Plus of the load on its supply, minus on the driver.',
      leadsAsPartsList: ({ count }) =>
        `${counted(count, 'lead is', 'leads are')} in, as the parts list counts them; none is loose.`,
      moreThanFromLess: ({ rail, limit, at, zero }) =>
        `${rail}: more than ${limit} from ${at} to ${zero}. Less is a short: find it before power.`,
      cableGoesLastHand: 'The cable goes in last, a hand at its plug: out at once if anything gets hot or smells.',
      polarityOnceMorePlus:
        'Polarity once more, plus on plus. Then power on, a hand at the plug: off at once if anything gets hot or smells.',
      railSpan: ({ rail, span, at, zero }) => `${rail}: ${span} from ${at} to ${zero}.`,
    },
  }),
  'deliver/expected': topic<DeliverExpectedSays>({
    says: {
      meter: ({ sum, share, fixed }) => `${sum}, ± ${share} ± ${fixed} of the meter`,
      tolerance: ({ ohms, tolerance }) => `${ohms} ± ${tolerance}`,
      onePieceCopperLess: ({ beep }) => `one piece of copper: less than ${beep} Ω, it beeps`,
      noShortMoreThan: ({ limit }) => `no short: more than ${limit}`,
    },
  }),
  'deliver/first-reading': topic<DeliverFirstReadingSays>({
    says: {
      cleanAirOnceWarm:
        'Clean air, once it is warm, reads at the lower end. No lighter and no smoke at it: it warns a hobbyist and is no certified alarm.',
      warmHandNearRaises: 'A warm hand near it raises the reading within a minute.',
      breathRaisesReadingOnce: 'A breath at it raises the reading at once.',
      outdoorAirReadsAbout: 'Outdoor air reads about 420 ppm; a breath raises it far above.',
      zeroWithoutLoadThen: 'Zero without a load; then a litre of water is one kilogram.',
      handOverLowersReading: 'A hand over it lowers the reading.',
      airShowsLowerEnd: 'In air it shows the lower end; in a bucket, its depth.',
      weatherReportPlaceLess: 'The weather report of the place, less 12 Pa for each metre above the sea.',
      walkPastThenStand: 'Walk past; then stand still and wait.',
      crushedIceWaterC: ({ error }) => `Crushed ice in water is 0 °C: it reads within ±${error} °C.`,
      warmHandRoundRaises: 'A warm hand round it raises the reading.',
      workHandReadingFollows: 'Work it by hand: the reading follows.',
      programSwitchesLightsGoes: 'The program switches it on: it lights, and goes dark again.',
      programSwitchesRunsStops: 'The program switches it on: it runs, and stops again.',
      programSwitchesOffAgain: 'The program switches it on, and off again.',
      setOffHandReading: 'Set it off by hand: the reading follows.',
      programAsksNameAnswers: 'The program asks it for its name: it answers.',
      printWhatConverterReads: 'Print what the converter reads.',
      mains: ({ how }) => `Nothing is connected on its mains side. ${how}`,
      programReadsValueComes: 'The program reads it: a value comes, and no nan.',
    },
  }),
  'deliver/held-against': topic<DeliverHeldAgainstSays>({
    says: {
      answers: ({ address, labels }) => `${address} answers: ${list(labels)}.`,
      doesNotAnswer: ({ address, labels }) => `${address} does not answer: ${list(labels)}.`,
      wasReadMayBe: ({ address, half, membersAt }) =>
        `${address} was read; it may be the 8-bit form of ${half}, ${list(membersAt)}. Does the scanner print 8-bit addresses?`,
      answersWhichNothingSet: ({ address, could }) =>
        `${address} answers, which nothing is set to: ${could.join(' or ')} can be, by its setting.`,
      answersWhichNoCard: ({ address }) =>
        `${address} answers, which no card of the plan names: another part, or a clone.`,
      twoScansSameNothing: 'The two scans are the same: nothing that has an address of its own left the bus.',
      left: ({ address, parts }) => `${address} left: ${parts.join(' or ')}.`,
      leftPartPlanHas: ({ address }) =>
        `${address} left: a part that the plan has at no such address. That is its address.`,
      camePlacePartChanged: ({ address }) =>
        `${address} came in its place: a part changed its address, or was kept off the bus by the one that left.`,
      risesWithinOneStep: ({ label, usual }) => `${label} rises within one step of the capture, ${usual}`,
      rises: ({ label, usual }) => `${label} rises in ${usual}`,
      captureTooCoarseTell: ': the capture is too coarse to tell; take it with a shorter step',
      pullUpMissingOr: ': a pull-up is missing or too large, or the lead is longer than planned',
      mostPlanAllows: ({ seen, longest, limit, why }) => `${seen}, ${longest} at most; the plan allows ${limit}${why}.`,
      neverRisesAbove: ({ net, supply }) => `${net} never rises above 70 % of ${supply}.`,
      neverFallsBelow: ({ net, supply }) => `${net} never falls below 30 % of ${supply}.`,
      clockRunsPlanned: ({ runs, clock }) => `The clock runs at ${runs}; ${clock} are planned.`,
      calledNeverAnswers: ({ address, membersAt }) => `${address} is called and never answers: ${list(membersAt)}.`,
      calledAnswered: ({ listed }) => `Called and answered: ${commas(listed)}.`,
      answersPlanDoesNot: ({ listed }) => `Answers that the plan does not know: ${commas(listed)}.`,
      clockHeldLowTimes: ({ stretches, longestLow }) =>
        `The clock is held low ${stretches} times, ${longestLow} at most.`,
      at: ({ at, says }) => `At ${at}: ${says}.`,
    },
  }),
  'deliver/touched': topic<DeliverTouchedSays>({
    says: {
      to: ({ from, to }) => `${from} to ${to}`,
      ohmsPowerOff: 'Ohms, power off.',
      buildOrder: ({ shows, off }) => `${shows} in a build in order, ± ${off}`,
      voltsRedFirstBlack: 'Volts: red in the first, black in the second.',
    },
  }),
  'deliver/value-text': topic<DeliverValueTextSays>({
    says: {
      noEdge: 'no edge',
      open: 'open',
      does: 'it does',
      below: ({ high }) => `below ${high ?? '?'}`,
      above: ({ low }) => `above ${low}`,
      to: ({ low, high }) => `${low} to ${high}`,
    },
  }),
};
