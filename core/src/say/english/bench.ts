/** Words about faults and probes. */
import type { BenchFaultsOfSays } from '../../bench/faults-of.ts';
import type { BenchTouchSays } from '../../bench/touch.ts';
import { topic } from '../language.ts';
import { list, plural, start } from './grammar.ts';

export const bench = {
  'bench/faults-of': topic<BenchFaultsOfSays>({
    says: {
      pin: ({ pin, part }) => `${pin} of ${part}`,
      joint: ({ joint }) => `joint ${joint}`,
      lead: ({ colour }) => `${colour} lead`,
      hole: ({ hole, pin }) => `${hole} (${pin})`,
      from: ({ what, says, farSays }) => `the ${what} from ${says} to ${farSays}`,
      jointColdHasResistance: ({ leadSays }) => `A joint of ${leadSays} is cold: it has resistance.`,
      solderJointAnewOr: 'Solder that joint anew, or take another lead.',
      twoStripsNotJoined: ({ leadSays }) => `Two strips are not joined: ${leadSays} is out.`,
      hasLostGroundOut: ({ parts, leadSays }) =>
        `${parts.length > 0 ? list(parts) : 'Part of the build'} ${plural(Math.max(1, parts.length), 'has lost its', 'have lost their')} ground: ${leadSays} is out or broken.`,
      outOrBrokenInside: ({ leadSays }) => `${start(leadSays)} is out, or broken inside.`,
      putOrTakeAnother: ({ leadSays }) => `Put ${leadSays} in, or take another.`,
      missing: ({ leadSays }) => `${start(leadSays)} is missing.`,
      put: ({ leadSays }) => `Put ${leadSays} in.`,
      hasTenTimesValue: ({ leadSays }) => `${start(leadSays)} has ten times its value: one band was misread.`,
      measureResistorBeforeGoes: ({ value }) => `Measure a ${value} resistor before it goes in.`,
      wrongWayRound: ({ leadSays }) => `${start(leadSays)} is in the wrong way round.`,
      turnFirst: ({ polar }) => `Turn it: ${polar} first.`,
      oneOff: ({ leadSays, there }) => `${start(leadSays)} is one off: it is in ${there}.`,
      putEndWhereBelongs: ({ says }) => `Put that end where it belongs: ${says}.`,
      swapped: ({ pinSays, otherPin }) => `${pinSays} and ${otherPin} are swapped.`,
      changeLead: ({ colour, otherColour, node }) => `Change the ${colour} and the ${otherColour} lead at ${node}.`,
      fedFromInstead: ({ label, other, node }) => `${label} is fed from ${other} instead of ${node}.`,
      moveStripWhereBelongs: ({ leadSays }) => `Move ${leadSays} to the strip where it belongs.`,
      deadHasWhatNeeds: ({ label }) => `${label} is dead: it has what it needs and does nothing.`,
      takeAnother: ({ card }) => `Take another ${card}.`,
      pullUpStillJoined: ({ label, signal }) =>
        `The pull-up on ${label} is still joined to its ${signal}, beside the one that is meant.`,
      openJumperPullUps: ({ label }) => `Open the jumper of the pull-ups on ${label}.`,
      addressSettingAnotherPosition: ({ label, setting, value }) =>
        `The address setting of ${label} is in another position (${setting}): it answers at ${value}.`,
      set: ({ label, now }) => `Set ${label} to ${now}.`,
      cloneAnswersButAddress: ({ label }) =>
        `${label} is a clone: it answers, but at an address that its card does not name.`,
      useAddressScanShows: 'Use the address that the scan shows, or take another part.',
    },
  }),
  'bench/touch': topic<BenchTouchSays>({
    says: {
      buildHasNoJoint: ({ joint }) => `The build has no joint ${joint}.`,
      noBoardBuildHas: ({ hole }) => `No board of the build has a hole ${hole}.`,
      noPartBuildHas: ({ pointKey }) => `No part of the build has a terminal ${pointKey}.`,
      nothingMeasuredTerminalsLithium: ({ node }) =>
        `${node}: nothing is measured at the terminals of lithium cells, where a slipped probe is a short.`,
      contactInsidePlugWhich: ({ node, terminal }) =>
        `${node}, ${terminal}: a contact inside a plug, which no probe reaches.`,
      whatContactsMayCarry: ({ node, terminal }) =>
        `${node}, ${terminal}: what is on contacts that may carry mains is for a licensed electrician.`,
      noMeasurementTwoProbes: ({ key }) => `"${key}" is no measurement with two probes.`,
      bothProbesOnePlace: 'Both probes are in one place.',
      staysLiveWhileCells: ({ live }) => `${live} stays live while its cells are in: no resistance is measured there.`,
    },
  }),
};
