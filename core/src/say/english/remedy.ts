/** Words about remedies. */
import type { RemedyAddSupplySays } from '../../remedy/add-supply.ts';
import type { RemedyAddressSwitchSays } from '../../remedy/address-switch.ts';
import type { RemedyAddressSays } from '../../remedy/address.ts';
import type { RemedyAnalogSays } from '../../remedy/analog.ts';
import type { RemedyBitsSays } from '../../remedy/bits.ts';
import type { RemedyBodySays } from '../../remedy/body.ts';
import type { RemedyBootSays } from '../../remedy/boot.ts';
import type { RemedyBusSays } from '../../remedy/bus.ts';
import type { RemedyCapacitorSays } from '../../remedy/capacitor.ts';
import type { RemedyContactSays } from '../../remedy/contact.ts';
import type { RemedyConverterSays } from '../../remedy/converter.ts';
import type { RemedyDriveSays } from '../../remedy/drive.ts';
import type { RemedyFeedSays } from '../../remedy/feed.ts';
import { topic } from '../language.ts';
import { list } from './grammar.ts';

export const remedy = {
  'remedy/add-supply': topic<RemedyAddSupplySays>({
    says: {
      takeLeadsGauge: ({ gauge, label }) => `Take leads of gauge ${gauge} to ${label}`,
      takeLeadsCm: ({ short, label }) => `Take leads of ${short} cm to ${label}`,
      addFedFrom: ({ card, rail, name }) => `Add a ${card}, fed from the ${rail}, for ${name}`,
      add: ({ card, name }) => `Add a ${card} for ${name}`,
      acceptSuppliesUsuallyInside: ({ nearlyfed }) =>
        `Accept supplies that are usually inside and at the worst ${nearlyfed} % short`,
    },
  }),
  'remedy/address-switch': topic<RemedyAddressSwitchSays>({
    says: {
      putEachChannel: ({ names, card }) => `Put ${list(names)} each on a channel of a ${card}`,
      putEachBehindSwitched: ({ names, card }) => `Put ${list(names)} each behind a ${card}, switched in turn`,
      switchSuppliesTurnEach: ({ names, card }) => `Switch the supplies of ${list(names)} in turn with a ${card} each`,
    },
  }),
  'remedy/address': topic<RemedyAddressSays>({
    says: {
      set: ({ member, option, setting }) => `Set ${member} to ${option} (${setting})`,
      takeAs: ({ card, member, option }) => `Take ${card} as ${member}, at ${option}`,
      putSecondIC: ({ member }) => `Put ${member} on a second I²C bus`,
      setTo: ({ member, value, why }) => `Set ${member} to ${value}${why}`,
      bitForm: ', the 7-bit form',
    },
  }),
  'remedy/analog': topic<RemedyAnalogSays>({
    says: {
      makeDivider: ({ upper, lower }) => `Make the divider ${upper} and ${lower}`,
      putFromPinGround: ({ farads, part }) => `Put ${farads} from the pin of ${part} to ground`,
      giveFixedResistorEvenness: ({ part, ohms, evenness }) =>
        `Give ${part} a fixed resistor of ${ohms} (evenness ${evenness})`,
    },
  }),
  'remedy/bits': topic<RemedyBitsSays>({
    says: {
      readThemBitsEach: ({ bits, longest }) => `Read them with ${bits} bits: ${longest} each`,
    },
  }),
  'remedy/body': topic<RemedyBodySays>({
    says: {
      putLeadCmAway: ({ part, away, otherPart }) => `Put ${part} on a lead of ${away} cm, away from ${otherPart}`,
      putUnderShieldAir: ({ place }) => `Put “${place}” under a shield that air blows through`,
      putWhereSunNever: ({ place }) => `Put “${place}” where the sun never comes`,
      takeAs: ({ card, part }) => `Take ${card} as ${part}`,
      takeLeadsM: ({ lead, part }) => `Take leads of ${lead} m to ${part}`,
      haveTime: ({ part, share }) => `Have ${part} on for ${share} % of the time`,
    },
  }),
  'remedy/boot': topic<RemedyBootSays>({
    says: {
      holdOffStartGround: ({ part, value }) => `Hold ${part} off at the start with ${value} to ground`,
      holdOffStartSupply: ({ part, value }) => `Hold ${part} off at the start with ${value} to the supply`,
      leaveOff: ({ name }) => `Leave the ${name} off`,
      resistor: 'its resistor',
      resistors: ({ changed }) => `the ${changed} resistors`,
      makeLargerOrLittle: ({ changed, factor }) => `Make ${changed} larger, by ${factor} or a little more`,
    },
  }),
  'remedy/bus': topic<RemedyBusSays>({
    says: {
      readCommandsDoNot: ({ node }) => `Read ${node} with the commands that do not hold the clock`,
      takeAs: ({ card, node }) => `Take ${card} as ${node}`,
      swap: ({ a, b }) => `Swap ${a} and ${b}`,
      startAllConversionsTogether: 'Start all conversions together and read the parts afterwards',
      run: ({ bus, clock }) => `Run ${bus} at ${clock}`,
      set: ({ parameter, label }) => `Set ${parameter} to ${label}`,
      moveWhereSystemLooks: ({ bus, label }) => `Move ${bus} to ${label}, where the system looks`,
    },
  }),
  'remedy/capacitor': topic<RemedyCapacitorSays>({
    says: {
      putAcrossSupply: ({ card, label }) => `Put a ${card} across the supply of ${label}`,
    },
  }),
  'remedy/contact': topic<RemedyContactSays>({
    says: {
      putDiodeAcross: ({ part }) => `Put a diode across ${part}`,
      switchContact: ({ load, part }) => `Switch ${load} with the contact of ${part}`,
      leaveOut: ({ part }) => `Leave ${part} out`,
      words: ({ load, node }) => `Switch ${load} with ${node}`,
      switchWith: ({ load, card }) => `Switch ${load} with a ${card}`,
    },
  }),
  'remedy/converter': topic<RemedyConverterSays>({
    says: {
      a: ({ library }) => `a ${library}`,
      theConverter: 'the converter',
      read: ({ lines, by }) => `Read ${list(lines)} with ${by}`,
    },
  }),
  'remedy/drive': topic<RemedyDriveSays>({
    says: {
      putSeries: ({ ohms, net }) => `Put ${ohms} in series with ${net}`,
      putAcross: ({ card, label }) => `Put a ${card} across ${label}`,
      takeAs: ({ card, driver }) => `Take ${card} as ${driver}`,
      putBeforeBase: ({ base, driver }) => `Put ${base} before the base of ${driver}`,
    },
  }),
  'remedy/feed': topic<RemedyFeedSays>({
    says: {
      feedFrom: ({ part, other }) => `Feed ${part} from the ${other}`,
      takeOutFromBehind: ({ node }) => `Take ${node} out from behind the translator`,
      takeOutAndFeed: ({ node, rail }) => `Take ${node} out from behind the translator and feed it from the ${rail}`,
      putSeries: ({ ohms, net }) => `Put ${ohms} in series with ${net}`,
      openPullUpsSwitched: 'Open the pull-ups on switched supplies',
      feedFromSoOthers: ({ part, rail }) => `Feed ${part} from the ${rail}, so that it is on with the others`,
      openPullUpJumpers: ({ part }) => `Open the pull-up jumpers of ${part}`,
    },
  }),
};
