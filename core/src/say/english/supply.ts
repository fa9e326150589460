/** Words about sources. */
import type { RailLoadSays } from '../../check/rail-load.ts';
import type { SupplyBackFeedSays } from '../../check/supply-back-feed.ts';
import type { SupplyBackupSays } from '../../check/supply-backup.ts';
import type { SupplyChargingSays } from '../../check/supply-charging.ts';
import type { SupplyCommonGroundSays } from '../../check/supply-common-ground.ts';
import type { SupplyProgrammingSays } from '../../check/supply-programming.ts';
import type { SupplyRuntimeSays } from '../../check/supply-runtime.ts';
import { topic, check, ruleOnly } from '../language.ts';
import { commas, list, plural } from './grammar.ts';

export const supply = {
  'rail/load': topic<RailLoadSays>({
    says: {
      broken: ({ rail, peak, limit, most, derating, follows }) =>
        `${rail} has to give ${peak} at its peak; ${limit} may be drawn (${most} × ${derating}). ${follows}`,
      holds: ({ rail, peak, limit, most, derating }) =>
        `${rail} gives ${peak} at its peak of ${limit} (${most} × ${derating}).`,
      peakUsually: ({ typical, sum }) => `peak; usually ${typical} = ${sum}`,
      sumPeaks: 'sum of peaks',
      mostComesTogether: 'the most that comes together',
      orderPlanSetsOver: 'in the order that the plan sets, over one round',
      usually: 'usually',
      sumUsualCurrents: 'sum of the usual currents',
    },
  }),
  'supply/back-feed': check<SupplyBackFeedSays>({
    rule: {
      short: 'back-feed',
      title: 'No source feeds another',
      rule: 'Of the sources that meet at one supply none that stands there straight is pushed into. Straight beside straight always is; through a diode one is by the other’s voltage − 0.2 V: above the lowest of cells, above 0 V of a computer’s port or socket (it may be off), usually above the highest of any other source. A switch that a hand turns guards nothing: it is a caution. The socket of a controller counts as a source.',
      source: 'common practice; diode drop at its least 0.2 V',
    },
    says: {
      socket: ({ part }) => `socket of ${part}`,
      turnSwitchBeforeOff: ({ hand, other, part }) =>
        `Turn the switch before the ${hand} off before the ${other} comes on: they meet at ${part}, and nothing else keeps the one from feeding the other.`,
      pushesUpIntoWhich: ({ from, volts, into, limit }) =>
        `The ${from} pushes up to ${volts} into the ${into}, which sinks to ${limit}. Cells that are charged so leak or burst.`,
      throughDiodeDoesNot: 'through a diode that does not guard it',
      whileCableMeetsTake: ({ socket, other, by }) =>
        `While a cable is in the ${socket}, it meets the ${other} ${by}. Take one out before the other goes in.`,
      pushesInto: ({ from, volts, into }) =>
        `The ${from} pushes up to ${volts} into the ${into}, which is at 0 V while the computer is off. The port, or what it feeds there, can be destroyed.`,
      pushesThroughDiodeInto: ({ from, volts, into, limit }) =>
        `The ${from} pushes ${volts} through its diode into the ${into}, which stands beside it straight and gives ${limit} at most.`,
      meetWithoutDiodeOr: ({ names, part }) =>
        `The ${names.join(' and the ')} meet at ${part} without a diode or a switch; the higher one feeds the other.`,
      nonePushesIntoCells: ', and none pushes into cells or a port',
      meetUsuallyNonePushes: ({ names, part, kept, from, most, into }) =>
        `The ${names.join(' and the ')} meet at ${part}; usually none pushes another above what it gives itself${kept}. At its highest the ${from} is ${most} above the ${into}.`,
      meetNoneCanPush: ({ names, part, kept }) =>
        `The ${names.join(' and the ')} meet at ${part}; none can push another above what it gives itself${kept}.`,
      meaning:
        'A source that is fed from outside regulates against it, overheats, or (cells) is charged without anyone watching.',
      orV: ', or 0 V',
      turnedHand: ' that is turned by hand',
      behind: ({ by, hand }) => `behind a ${by}${hand}`,
      to: ({ low, high, port, by }) => `${low} to ${high}${port}, ${by}`,
    },
  }),
  'supply/backup': check<SupplyBackupSays>({
    rule: {
      short: 'clock’s cell',
      title: 'Nothing charges a primary cell',
      rule: 'A clock that charges its holder from the supply carries a rechargeable cell; one that takes a primary cell does not charge it.',
      source: 'the cards; common practice',
    },
    says: {
      wrong: ({ part }) =>
        `${part} charges the cell in its holder from its supply, and a primary cell is what fits. A primary cell that is charged can burst: take the charging resistor off, put a rechargeable cell in, or take another clock.`,
      chargesCellRechargeableOne: ({ part }) => `${part} charges its cell: a rechargeable one only.`,
      holds: ({ part }) => `${part} does not charge its cell: a primary one is right.`,
      meaning: 'A coin cell that swells leaks over the board first; some burn.',
      cell: 'cell',
      chargedFromSupply: 'charged from the supply',
      yes: 'yes',
      no: 'no',
    },
  }),
  'supply/charging': check<SupplyChargingSays>({
    rule: {
      short: 'charging',
      title: 'Cells are charged as they may be',
      rule: 'A charger charges rechargeable cells only, with no more than their card allows, never lithium below 0 °C, and the load beside it stays under the tenth of its current at which it ends.',
      source:
        'the cards; half the capacity an hour, no charging below freezing and the end at a tenth are common practice',
    },
    says: {
      cells: ({ part, label }) => `${part} charges ${label}, which is of primary cells. Charged, they burst.`,
      chargesIntoBehindWhich: ({ part, rail }) =>
        `${part} charges into ${rail}, behind which there is no cell: its voltage is pushed up.`,
      meaning: 'Only what says that it is rechargeable is charged.',
      chargesMostStandsGets: ({ part, label, amps, most }) =>
        `${part} charges ${label} with ${amps}; ${most} is the most it stands. It gets hot and can burn.`,
      holds: ({ part, label, amps, most }) => `${part} charges ${label} with ${amps} of the ${most} that it stands.`,
      cellChargedTooFast: 'A cell that is charged too fast grows needles inside.',
      charges: 'charges with',
      mayBe: 'may be',
      fromCardCells: 'from the card of the cells',
      halfCapacityHourUsual: 'half the capacity an hour, usual',
      frozen: ({ air, part, label }) =>
        `It gets ${air} cold at ${part}, and nothing keeps it from charging ${label} then. Lithium that is charged below freezing shorts itself later: take a charger that feels the cell, or keep both warm.`,
      onlyWhileNotFrozen: 'only while it is not frozen',
      above: ({ air }) => `at ${air} and above`,
      chargesWhile: ({ part, label, feelsCold }) => `${part} charges ${label} ${feelsCold}.`,
      belowFreezingLithiumSettles: 'Below freezing lithium settles on the plate as metal.',
      buildTakesWhileCharges: ({ load, part, ends }) =>
        `The build takes ${load} while ${part} charges; it ends at ${ends} and never gets there. The cell is kept full for ever and ages: take a charger that shares the load.`,
      takesLittle: ({ load, part, ends }) =>
        `The build takes ${load} while ${part} charges, less than the ${ends} at which it ends.`,
      chargerThisKindTakes: 'A charger of this kind takes the load for a cell that is not full yet.',
      broken: ({ from, given, taken }) =>
        `In the worst month ${from} brings ${given} a day; the build takes ${taken}. The cells run down day by day.`,
      worstMonthBringsDay: ({ from, given, taken }) =>
        `In the worst month ${from} brings ${given} a day; the build takes ${taken}.`,
      panelCarriesBuildSummer: 'A panel that carries a build in summer gives a tenth of it in December.',
      comesDay: 'comes in a day',
      goesOutDay: 'goes out a day',
    },
  }),
  'supply/solar': ruleOnly({
    short: 'worst month',
    title: 'The panel carries the worst month',
    rule: 'Power in full sun × hours of it a day in the worst month × 0.7 is at least what the build takes a day ÷ 0.85.',
    source: 'energy balance; hours where none are said, 0.7 and 0.85 are common practice',
  }),
  'supply/common-ground': check<SupplyCommonGroundSays>({
    rule: {
      short: 'ground',
      title: 'Sources that share a signal share ground',
      rule: 'Two sources that a signal joins - a line between parts that they feed, a load that the one feeds and the other’s driver switches - have their grounds joined.',
      source: 'common practice',
    },
    says: {
      driver: ({ part }) => `${part} and its driver`,
      runsBetweenWhatFeed: ({ ties, a, b }) =>
        `${commas(ties)} ${plural(ties.length, 'runs', 'run')} between what ${a} and ${b} feed, and their grounds are not joined. No level means anything there.`,
      groundsJoinedNeeds: ({ a, b, ties }) =>
        `The grounds of ${a} and ${b} are joined; ${commas(ties)} ${plural(ties.length, 'needs', 'need')} it.`,
      meaning: 'A voltage is a difference to ground: without a common one the current of a signal has no way back.',
      whatJoinsThem: 'what joins them',
      list: ({ ties }) => commas(ties),
    },
  }),
  'supply/programming': check<SupplyProgrammingSays>({
    rule: {
      short: 'programmer',
      title: 'The programmer can feed the board and talk to it',
      rule: 'With the programmer on, and the supplies that it feeds on it alone: every supply in its range, every source and rail within its current, every level guaranteed, every line on a pin of its own that can be it. What also feeds such a supply is taken off before, unless a diode or switch stands between.',
      source: 'the same as for the build at work; common practice',
    },
    says: {
      takeOffBeforeGoes: ({ off, on, printed, label }) =>
        `Take ${off} off before ${on} goes on: both would feed ${printed} of ${label}, and the higher one feeds the other.`,
      meaning: 'What a hand has to remember is forgotten one day: a diode in the lead of the programmer remembers it.',
      board: 'the board',
      whileProgramLoaded: ({ message }) => `While a program is loaded: ${message}`,
      feedsTalks: ({ board }) => `feeds ${board} and talks`,
      talks: 'talks',
      it: 'it',
      whileProgramLoadedRules: ({ names, feeds, fed, count }) =>
        `${list(names)} ${feeds} to ${fed} while a program is loaded: ${count} rules hold then, too.`,
    },
  }),
  'supply/runtime': check<SupplyRuntimeSays>({
    rule: {
      short: 'runtime',
      title: 'The cells last as long as they must',
      rule: 'Capacity × usable share ÷ average current, followed along the discharge curve: through a linear regulator the current is the load’s, through a switching one the power is. Usable is what comes before the cut-off or before the build stops at its worst moment. Too short even with usual figures is a fault, with the worst ones a caution.',
      source: 'the cards',
    },
    says: {
      charge: ({ as }) => `charge, ${as}`,
      at: ({ charge, air }) => `${charge} at ${air}`,
      usable: ({ as }) => `usable, ${as}`,
      eater: ({ label, doing }) => `${label}, ${doing}`,
      part: ({ share }) => share,
      nothingLeft: 'nothing is left',
      cutOff: ({ cutOff }) => `the cut-off at ${cutOff}`,
      buildStops: ({ least }) => `the build stops at ${least}`,
      until: ({ ends, used }) => `until ${ends}: ${used}`,
      average: ({ as }) => `average, ${as}`,
      halfWay: ({ middle }) => `at ${middle}, half way`,
      lasts: ({ as }) => `lasts, ${as}`,
      alongCurve: ({ charge, used, average }) => `${charge} × ${used} ÷ ${average}, along the curve`,
      cellsLoseThemselves: ({ share }) => ` The cells lose ${share} of it by themselves.`,
      whatTheyLoseShelf: ' What they lose on the shelf is not on their card.',
      goes: ({ share, eaterName }) => ` ${share} of it goes to ${eaterName}.`,
      usuallyWorst: ({ seconds, seconds2 }) => `${seconds} usually, ${seconds2} at the worst`,
      cannotCarryBuildSinks: ({ rail }) =>
        `${rail} cannot carry the build: it sinks too far at the worst moment, even fresh.`,
      lastsBand: ({ rail, band, doing, unsaid }) => `${rail} lasts ${band}.${doing}${unsaid}`,
      lastsWanted: ({ rail, band, runFor, eats, lost, unsaid }) =>
        `${rail} lasts ${band}; ${runFor} are wanted.${eats}${lost}${unsaid}`,
      holds: ({ rail, band, runFor, doing, unsaid }) =>
        `${rail} lasts ${band}, longer than the ${runFor} that are wanted.${doing}${unsaid}`,
      meaning:
        'What a build draws while it waits counts for more than what it draws while it works: it waits nearly all the time.',
      needsThere: ({ stops, limit }) => `${stops} needs ${limit} there`,
      countsAsEmpty: ({ limit }) => `${limit} counts as empty`,
      broken: ({ rail, measured, stops }) =>
        `Even fresh, ${rail} sinks to ${measured} at the worst moment; ${stops}. The build restarts again and again.`,
      freshStillHasWorst: ({ rail, measured, limit }) =>
        `Fresh, ${rail} still has ${measured} at the worst moment; ${limit} are needed.`,
      packMeasuresFullMeter:
        'A pack that measures full on a meter can still give in for the millisecond in which the radio sends.',
      freshWithoutLoad: 'fresh, without load',
      insidePack: 'inside the pack',
      resistanceMost: 'resistance at its most',
      worstMoment: 'at the worst moment',
      moreThanCanGive: 'more than it can give',
      soWorks: ({ stops }) => `so that ${stops} works`,
      cutOffCells: 'the cut-off of the cells',
    },
  }),
  'supply/sag': ruleOnly({
    short: 'sag',
    title: 'A fresh pack carries the worst moment',
    rule: 'Fresh voltage − peak current × internal resistance ≥ the least that every part below still works at, leads, diodes and dropout included.',
    source: 'the cards',
  }),
};
