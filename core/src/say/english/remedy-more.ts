/** Words about more remedies. */
import type { RemedyLeadSays } from '../../remedy/lead.ts';
import type { RemedyLevelSays } from '../../remedy/level.ts';
import type { RemedyNeedSays } from '../../remedy/need.ts';
import type { RemedyPinSays } from '../../remedy/pin.ts';
import type { RemedyPlugSays } from '../../remedy/plug.ts';
import type { RemedyPowerSays } from '../../remedy/power.ts';
import type { RemedyPullUpSays } from '../../remedy/pull-up.ts';
import type { RemedyRoomSays } from '../../remedy/room.ts';
import type { RemedySaveChargeSays } from '../../remedy/save-charge.ts';
import type { RemedySupplySays } from '../../remedy/supply.ts';
import { topic } from '../language.ts';
import { commas, list } from './grammar.ts';

export const remedyMore = {
  'remedy/lead': topic<RemedyLeadSays>({
    says: {
      leadsEachTwistedGround: 'leads that are each twisted with ground',
      screenedCable: 'a screened cable',
      take: ({ cable, part }) => `Take ${cable} to ${part}`,
      putSeries: ({ ohms, net }) => `Put ${ohms} in series with ${net}`,
      tellSpeakBitsSecond: ({ part, rate }) => `Tell ${part} to speak at ${rate} bits a second`,
    },
  }),
  'remedy/level': topic<RemedyLevelSays>({
    says: {
      putBetweenController: ({ card, names }) => `Put a ${card} between the controller and ${list(names)}`,
      feedFrom: ({ part, rail }) => `Feed ${part} from the ${rail}`,
      openPullUpJumpers: ({ jumpers }) => `Open the pull-up jumpers of ${list(jumpers)}`,
      movePullUp: ({ rail }) => `Move the pull-up to the ${rail}`,
      putDividerBeforePin: ({ upper, lower }) => `Put a divider of ${upper} and ${lower} before the pin`,
      takeResistor: ({ net, rail }) => `Take the resistor of ${net} to the ${rail}`,
      pullUp: ({ lines, rail }) => `Pull ${list(lines)} up to the ${rail}`,
      takeAs: ({ card, part }) => `Take ${card} as ${part}`,
      takeDividerOut: 'Take the divider out',
      takeTranslatorOut: 'Take the translator out',
      takeAsTranslator: ({ card }) => `Take ${card} as translator`,
    },
  }),
  'remedy/need': topic<RemedyNeedSays>({
    says: {
      takeAs: ({ card, part }) => `Take ${card} as ${part}`,
      letEndFurtherBack: ({ value }) => `Let it end ${value} further back`,
      readFrom: ({ from, to }) => `Read from ${from} to ${to}`,
      leaveBetweenReadings: ({ part }) => `Leave ${part} on between readings`,
    },
  }),
  'remedy/pin': topic<RemedyPinSays>({
    says: {
      to: ({ old, label }) => `${old} to ${label}`,
      move: ({ where }) => `Move ${commas(where)}`,
      moveTo: ({ wish, label }) => `Move ${wish} to ${label}`,
      ground: 'ground',
      tie: ({ terminal, part, says }) => `Tie ${terminal} of ${part} to ${says}`,
    },
  }),
  'remedy/plug': topic<RemedyPlugSays>({
    says: {
      plugIntoSocket: ({ source, board }) => `Plug ${source} into the socket of ${board}`,
      take: ({ cable }) => `Take a ${cable}`,
    },
  }),
  'remedy/power': topic<RemedyPowerSays>({
    says: {
      putGroundWhereAll: ({ parts }) => `Put the ground of ${commas(parts)} where all have it`,
      feedFrom: ({ label, rail }) => `Feed ${label} from the ${rail}`,
      feedSeveral: ({ names, other }) => `Feed ${commas(names)} from the ${other}`,
      addFedFrom: ({ card, input, names }) => `Add a ${card}, fed from the ${input}, for ${commas(names)}`,
    },
  }),
  'remedy/pull-up': topic<RemedyPullUpSays>({
    says: {
      addPullUp: ({ value, bare }) => `Add a pull-up of ${value} to ${list(bare)}`,
      run: ({ bus, limit }) => `Run ${bus} at ${limit}`,
      pullUp: ({ lines, value }) => `Pull ${list(lines)} up with ${value}`,
      runBusKhz: 'Run the bus at 100 kHz',
      leaveExtraPullUp: 'Leave the extra pull-up resistors out',
      replaceThemOne: ({ target }) => `Replace them by one of ${target}`,
      openPullUpJumpers: ({ opened }) => `Open the pull-up jumpers of ${list(opened)}`,
      onePullUpWhole: ({ value }) => `One pull-up of ${value} for the whole line`,
      keepOnlyFirstPull: 'Keep only the first of the pull-ups',
      openJumpersOf: ({ named }) => `Open the pull-up jumpers of ${list(named)}`,
      openJumpersPutOne: ({ named }) => `Open the pull-up jumpers of ${list(named)}, and put one resistor on the line`,
      keepPullUpsAlone: ({ label }) => `Keep the pull-ups of ${label} alone`,
      openAllPullUp: 'Open all pull-up jumpers',
      openAllPutPair: ({ value }) => `Open all pull-up jumpers and put one pair of ${value} on the bus`,
      giveEachWireSupply: 'Give each a wire to the supply',
      pullNetUp: ({ net, ohms }) => `Pull ${net} up with ${ohms}`,
    },
  }),
  'remedy/room': topic<RemedyRoomSays>({
    says: {
      takeOutSocketWire: ({ label }) => `Take ${label} out of the socket and wire it`,
      letBePlacedAnew: ({ label }) => `Let ${label} be placed anew`,
      take: ({ name }) => `Take a ${name}`,
      takeAs: ({ card, part }) => `Take ${card} as ${part}`,
      takeSolderingWhereCheaper: 'Take soldering where it is cheaper',
    },
  }),
  'remedy/save-charge': topic<RemedySaveChargeSays>({
    says: {
      letSleepBetweenReadings: ({ part }) => `Let ${part} sleep between readings`,
      switchOffBetweenReadings: ({ part, card }) => `Switch ${part} off between readings with a ${card}`,
      feedFromPinSwitch: ({ part }) => `Feed ${part} from a pin, and switch it off between readings`,
      readEveryInsteadEvery: ({ shortest, shortest2 }) => `Read every ${shortest} instead of every ${shortest2}`,
      run: ({ controller, lowest }) => `Run ${controller} at ${lowest}`,
      takeRegulatorAs: ({ by, card, part }) => `Take a ${by} regulator, ${card}, as ${part}`,
      take: ({ card }) => `Take ${card}`,
    },
  }),
  'remedy/supply': topic<RemedySupplySays>({
    says: {
      letPartsWorkOne: ({ count, after }) => `Let ${count} parts work one after the other: ${after} at the peak`,
      takeAs: ({ card, part }) => `Take ${card} as ${part}`,
      feedFrom: ({ fed, other }) => `Feed ${commas(fed)} from the ${other}`,
      letPinsFeedParts: ({ share }) => `Let pins feed parts, up to ${share} % of what they are meant for`,
      putBetween: ({ diode, label, otherLabel }) => `Put a ${diode} between ${label} and ${otherLabel}`,
      letFeedNothingStay: ({ label, otherLabel }) => `Let ${label} feed nothing, and ${otherLabel} stay on`,
      joinGrounds: ({ subjects }) => `Join the grounds of ${list(subjects)}`,
      putBefore: ({ card, rail, node }) => `Put a ${card} between the ${rail} and ${node}`,
      takeLeadsGauge: ({ gauge, label }) => `Take leads of gauge ${gauge} to ${label}`,
    },
  }),
};
