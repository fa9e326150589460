/** Words about places and bodies. */
import type { BodyClearanceSays } from '../../check/body-clearance.ts';
import type { BodyCondensationSays } from '../../check/body-condensation.ts';
import type { BodyHeatSays } from '../../check/body-heat.ts';
import type { BodyPlaceSays } from '../../check/body-place.ts';
import type { BodySunSays } from '../../check/body-sun.ts';
import type { BodySurgeSays } from '../../check/body-surge.ts';
import { check, ruleOnly } from '../language.ts';
import { commas, counted, list } from './grammar.ts';

export const body = {
  'body/clearance': check<BodyClearanceSays>({
    rule: {
      short: 'room',
      title: 'Parts have room on the board, and nothing over them',
      rule: 'The footprint meets holes of a board and leaves one beside each pin; of parts that were put down by hand no two stand in one place, and nothing lies over what needs air, view or light; pins of a part in a socket meet their own lines, one by one.',
      source: 'the cards; the grid of solderless breadboards, common practice',
    },
    says: {
      holds: ({ part, rows, longest }) =>
        `${part} does not fit into the board: its pins take ${rows === null ? 'more than the rows' : counted(rows, 'row')}, and the longest board has ${longest}.`,
      coversEveryHoleBeside: ({ part }) => `${part} covers every hole beside its pins; no lead can be put there.`,
      oneHole: 'one hole',
      holes: ({ free }) => counted(free, 'hole'),
      leavesBesideEachPins: ({ part, free }) => `${part} leaves ${free} beside each of its pins.`,
      meaning: 'What does not fit is wired on leads beside the board, or wants another board.',
      needsFree: ({ label, needs }) => `${label} needs free ${list(needs)}`,
      putDownOnePlace: ({ part, otherPart, needs }) =>
        `${part} and ${otherPart} are put down in one place.${needs.length > 0 ? ` ${needs.join(', and ')}.` : ''}`,
      oneThemHasGo: 'One of them has to go elsewhere, or on leads.',
      first: ({ own, label, otherLabel, other, theirs }) =>
        `${own} does not belong into that socket: its ${label} meets ${otherLabel} of ${other}, which is ${theirs}.`,
      sticksOutSocketMeets: ({ own, missing }) => `${own} sticks out of the socket: ${commas(missing)} meets nothing.`,
      sitsSocketEveryPin: ({ own }) => `${own} sits in its socket with every pin on its own line.`,
      headersTwoMakersLook: 'Headers of two makers look alike and have their pins in another order.',
      words: ({ label, own }) => `${label} of ${own}`,
      nothing: 'nothing',
      terminalIs: ({ label, other, theirs }) => `${label} of ${other}: ${theirs}`,
    },
  }),
  'body/condensation': check<BodyCondensationSays>({
    rule: {
      short: 'dew',
      title: 'Dew does not fall on a bare board',
      rule: 'A board that stands no splash is not at a place where dew falls: outdoors, in a closed box there as well, or where the air is wanted to be read at 95 %RH and above - unless its card says that it may be splashed.',
      source: 'common practice',
    },
    says: {
      boxAsWellAir: ', in the box as well: air comes in with every cold night',
      dewFallsCoatBoards: ({ place, bare, closed }) =>
        `Dew falls at “${place}” on ${commas(bare)}${closed}. Coat the boards but not what feels the air, let the box drain at its lowest place, and dry a humidity part that sticks at 100 % by warming it.`,
      meaning: 'Water between two pins is a resistor that comes and goes.',
      cardPromisesNoSplash: 'its card promises no splash',
    },
  }),
  'body/heat': check<BodyHeatSays>({
    rule: {
      short: 'warmed',
      title: 'Nothing warms a part that feels the air',
      rule: 'Estimated rise at the part, from what it stands beside, by the maker’s word or by the holes that they were put into (P ÷ (2π·k·t) × K0(r·√(2h ÷ (k·t)))) and from all that is in one closed box (P ÷ (U × A)), against the accuracy that the part itself leaves over. A warm humidity part reads low by the Magnus formula, at the end of the air’s range where that is most.',
      source:
        'point source on a thin plate: Carslaw and Jaeger; Magnus constants: WMO Guide annex 4.B (both from memory); k·t, h, U and A are estimates of common practice',
    },
    says: {
      feltAway: ({ metres }) => `felt ${metres} away`,
      of: ({ part, term }) => `${part}, ${term}`,
      board: ({ watts }) => `of ${watts}, on the board`,
      box: ({ place }) => `the box at “${place}”`,
      allBox: 'all that is in the box',
      wMKM: ({ watts, boxloss, boxsurface }) => `${watts} ÷ (${boxloss} W/(m²·K) × ${boxsurface} m²)`,
      too: ({ measured, quantity }) => `${measured} too ${quantity}`,
      wrong: ({ part, kelvin, from, offsets, left }) =>
        `${part} is about ${kelvin} warmer than the air, from ${list(from)}; it reads about ${list(offsets)}. ${left} is left of the accuracy wanted.`,
      holds: ({ part, kelvin, from, said, left }) =>
        `${part} is about ${kelvin} warmer than the air, from ${list(from)}: ${said}, of ${left} that are left.`,
      meaning: 'No calibration helps: the offset comes and goes with the load of the neighbour.',
      humidityReadsTooLow: 'humidity reads too low by',
      rhEsCEs: ({ to, at, until }) => `${to} %RH × (1 − es(${at} °C) ÷ es(${until}))`,
      left: ({ quantity }) => `left of ${quantity}`,
      wantedOwn: ({ accuracy, own }) => `${accuracy} wanted − ${own} of its own`,
    },
  }),
  'body/place': check<BodyPlaceSays>({
    rule: {
      short: 'place',
      title: 'What a place is has been said',
      rule: 'Of every place where a part is the plan says whether it is wet, indoors or out, a closed box, and how long the leads to it are. Until it does, jumpers are assumed, and what is proved by their length counts as assumed.',
      source: 'common practice',
    },
    says: {
      broken: ({ place, measured, part, min, max }) =>
        `At “${place}” it gets ${measured}; ${part} works from ${min} to ${max}.`,
      holds: ({ part, min, max, place, from, hottest }) =>
        `${part} works from ${min} to ${max}; “${place}” has ${from} to ${hottest}.`,
      meaning: 'Outside its range a part reads wrongly or stops, often only on the first cold night.',
      distanceColdEnd: 'distance to the cold end',
      distanceWarmEnd: 'distance to the warm end',
      sunBox: ({ kelvin }) => ` − ${kelvin} of sun on the box`,
      words: ({ max, to, sun }) => `${max} − ${to}${sun}`,
      splashed: 'splashed',
      underWater: 'under water',
      noWater: 'no water',
      splashesOnly: 'splashes only',
      fails: ({ place, water, part, stands }) => `“${place}” is ${water}; ${part} stands ${stands}.`,
      suits: ({ part, stands, place, water }) => `${part} (${stands}) suits “${place}” (${water}).`,
      waterBetweenPinsReads: 'Water between pins reads like a pull-up at first, and corrodes them later.',
      rating: 'rating',
      needed: ({ stands, water }) => `${stands}, needed ${water}`,
      awayLeadsReach: ({ place, lead, part, reach }) =>
        `“${place}” is ${lead} away; the leads of ${part} reach ${reach}.`,
      leadsReachAway: ({ part, reach, place, lead }) =>
        `The leads of ${part} reach ${reach}; “${place}” is ${lead} away.`,
      leadLengthenedBenchHas:
        'A lead that is lengthened at the bench has another capacitance and another drop than the one that was planned.',
      reach: 'reach',
      ownPlanned: ({ own, planned }) => `${own} of its own + ${planned} planned`,
      wouldBeWorkGood: ({ part, wanted, life, says }) =>
        `${part} would be at work for ${wanted}; it is good for ${life}. ${says}`,
      workGood: ({ part, wanted, life }) => `${part} is at work for ${wanted} of the ${life} that it is good for.`,
      whatWearsOutReplaced: 'What wears out is replaced, or switched on only while someone looks.',
      years: ({ lifeYears, used }) => `${counted(lifeYears, 'year')} × ${used}`,
      good: 'good for',
      nothingSaidYet: ({ places, assumed }) => {
        const one = places.length === 1;
        const asks = one
          ? 'is it wet, what is its air, is it a closed box, how long are the leads to it?'
          : 'are they wet, what is their air, are they closed boxes, how long are the leads to them?';
        const taken = assumed === null ? '' : ` ${one ? 'Its' : 'Their'} leads count as ${assumed} meanwhile, assumed.`;
        return `Nothing is said of ${list(places.map((place) => `“${place}”`))} yet: ${asks}${taken}`;
      },
      nothingProvedWaterAir:
        'Nothing is proved of water and air there, and a longer lead has another drop and another capacitance.',
      at: ({ name }) => `at “${name}”`,
      howLongLeadsThey: ({ place, taken }) =>
        `How long are the leads to “${place}”? They count as ${taken} meanwhile, assumed.`,
      dry: 'dry',
      outdoors: 'outdoors',
      indoors: 'indoors',
      closedBox: 'a closed box',
      open: 'open',
      leadsAway: ({ lead }) => `, ${lead} of leads away`,
      is: ({ place, water, outdoors, closed, lead }) => `“${place}” is ${water}, ${outdoors}, ${closed}${lead}.`,
      longerLeadHasAnother: 'A longer lead has another drop and another capacitance than the one that was assumed.',
      leadsAssumedBeLong: ({ taken }) => `its leads are assumed to be ${taken} long`,
    },
  }),
  'body/ambient': ruleOnly({
    short: 'air',
    title: 'Parts stand the air where they are',
    rule: 'The air of the place lies inside what the card allows.',
    source: 'the cards',
  }),
  'body/water': ruleOnly({
    short: 'water',
    title: 'Parts stand the water where they are',
    rule: 'The card’s rating (dry, splash, immersion) is at least that of the place.',
    source: 'the cards',
  }),
  'body/lead': ruleOnly({
    short: 'reach',
    title: 'Leads reach their place',
    rule: 'The leads planned for a part and its own wires together are at least as long as the way to its place.',
    source: 'the plan and the cards',
  }),
  'body/wear': ruleOnly({
    short: 'wear',
    title: 'Parts outlast the build',
    rule: 'Planned life × share of the time at work ≤ the life in use of the card.',
    source: 'the cards',
  }),
  'body/sun': check<BodySunSays>({
    rule: {
      short: 'sun',
      title: 'The sun does not read the air',
      rule: 'What the sun adds to a part that feels the air - in a closed box α·G·A ÷ (U·A), bare α·G ÷ (4·h) - is at most the accuracy wanted; in the shade nothing, under a ventilated shield a tenth.',
      source: 'heat balance; α, G, U, A and h are estimates of common practice',
    },
    says: {
      asLongAsNobody: ', as long as nobody says that it stands in the shade',
      broken: ({ place, part, kelvin, assumed }) =>
        `At “${place}” the sun makes ${part} about ${kelvin} warmer than the air${assumed}. A shield that air blows through takes most of it.`,
      holds: ({ place, kelvin, part }) => `At “${place}” the sun adds ${kelvin} to ${part}.`,
      meaning: 'A box in the sun reads the box. Weather stations stand in white shields for this.',
      sunAdds: 'the sun adds',
    },
  }),
  'body/surge': check<BodySurgeSays>({
    rule: {
      short: 'surge',
      title: 'Long leads outdoors end in something that takes a surge',
      rule: 'A line of its own that comes 3 m or more from outdoors has a resistor in it at the pin (100 Ω to 1 kΩ); clamps and an earthed screen are for the hand to add.',
      source: 'common practice',
    },
    says: {
      standBetweenLeadOutdoors: ({ ohms, pin, count, part }) =>
        `${ohms} stand between ${pin} and the ${count} of lead outdoors to ${part}.`,
      leadOutdoorsGoStraight: ({ count, part, pin }) =>
        `The ${count} of lead outdoors to ${part} go straight into ${pin}; a storm far away is enough to break it. A resistor of 100 Ω to 1 kΩ at the pin, and clamps where it comes in, take most of it.`,
      meaning: 'A long lead is an antenna for lightning; the pin is what it finds at the end.',
      line: 'in the line',
      resistorsPlan: 'resistors of the plan',
    },
  }),
};
