/** Words about buses and one-wire lines. */
import type { BusAddressSays } from '../../check/bus-address.ts';
import type { BusCapacitanceSays } from '../../check/bus-capacitance.ts';
import type { BusClockSays } from '../../check/bus-clock.ts';
import type { BusCrossedSays } from '../../check/bus-crossed.ts';
import type { BusLongLeadsSays } from '../../check/bus-long-leads.ts';
import type { BusPullUpPairsSays } from '../../check/bus-pull-up-pairs.ts';
import type { BusPullUpSays } from '../../check/bus-pull-up.ts';
import type { BusReleaseSays } from '../../check/bus-release.ts';
import type { BusSerialRateSays } from '../../check/bus-serial-rate.ts';
import type { BusSpiSays } from '../../check/bus-spi.ts';
import type { BusStretchingSays } from '../../check/bus-stretching.ts';
import type { BusTimeSays } from '../../check/bus-time.ts';
import { topic, check, ruleOnly } from '../language.ts';
import { commas, list } from './grammar.ts';

const BUS_TIMING_SOURCE = 'UM10204 §7.1, table 10 (from memory)';
const BUS_ADDRESS_SOURCE = 'UM10204 §3.1.12 (from memory)';

export const bus = {
  'bus/address': topic<BusAddressSays>({
    says: {
      both: 'both',
      all: 'all',
      clash: ({ names, count, at, bus }) =>
        `${list(names)} ${count} answer at ${at} on ${bus}. Their bits mix; neither can be read.`,
      shareTakeTurnsOnly: ({ names, at, bus }) =>
        `${list(names)} share ${at} on ${bus} and take turns: only one of them is on the bus at a time.`,
      holds: ({ names, at, bus }) => `${list(names)} alone answers at ${at} on ${bus}.`,
      meaning:
        'Two parts that answer together pull the data line for each other’s bits: readings are garbage or the same twice.',
      oneSettings: ({ count }) => `, one of ${count} settings`,
      fixed: ', fixed',
      switched: ({ selectors }) => `, switched by ${list(selectors)}`,
      words: ({ at, address, count, wanted }) => `${at} (${address})${count}${wanted}`,
      eightBit: ({ at, m, seven }) =>
        `${at} of ${m} is above 0x7F; it looks like the 8-bit form that holds the read/write bit. Is ${seven} meant?`,
      bad: ({ at, m }) => `${at} of ${m} is reserved; a part may sit from 0x08 to 0x77.`,
      cannotBeSetBit: ({ m, at, half }) =>
        `${m} cannot be set to ${at}; that is the 8-bit form of ${half}, which it can have. Is ${half} meant?`,
      unsure: ({ at, m, half }) =>
        `${at} of ${m} is taken as it stands; its card has no list of addresses. If the sheet gives the 8-bit form, ${half} is meant.`,
      strange: ({ m, at, options }) => `${m} cannot be set to ${at}; its card knows ${commas(options)}.`,
      freeUse: ({ at, m }) => `${at} of ${m} is free for use.`,
      reservedAddressesStartSpecial:
        'Reserved addresses start special sequences; a part there is not reached by ordinary software.',
      address: 'address',
      halved: ({ seven, inHex }) => `; halved ${seven} = ${inHex}`,
      eightBitForm: ({ at, address, eightBit }) => `${at} = ${address}${eightBit}`,
      isFree: 'free for use',
      xXAddresses: ({ count }) => `0x08 to 0x77, ${count} addresses`,
    },
  }),
  'bus/address-collision': ruleOnly({
    short: 'address',
    title: 'One part answers at one address',
    rule: 'No two parts of one bus answer at one address at the same time, their settings considered. Parts that a bus switch, a gated translator or a switched supply takes off the bus in turn may share one.',
    source: BUS_ADDRESS_SOURCE,
  }),
  'bus/address-reserved': ruleOnly({
    short: 'reserved',
    title: 'No part sits on a reserved address',
    rule: 'Addresses run from 0x08 to 0x77; 0x00–0x07 and 0x78–0x7F are reserved. A value above 0x7F is taken for the 8-bit form and halved.',
    source: BUS_ADDRESS_SOURCE,
  }),
  'bus/capacitance': check<BusCapacitanceSays>({
    rule: {
      short: 'capacity',
      title: 'The bus carries no more capacitance than its mode allows',
      rule: 'Pins (10 pF each where a card says nothing), leads, board rows and translators of a segment add up to 400 pF at most, 550 pF in fast-plus mode. A channel of a bus switch adds its segment while it is on. More is a note where the line rises in time all the same, and nothing here where bus/pull-up-weak says that it does not.',
      source: BUS_TIMING_SOURCE,
    },
    says: {
      shorterLeadsOrSegment: ' Shorter leads, or a segment more, bring it down.',
      risesTimeAllSame: ' It rises in time all the same.',
      broken: ({ net, farads, capacitance, mode, rises }) =>
        `${net} carries ${farads}; ${capacitance} are allowed in ${mode} mode.${rises}`,
      holds: ({ net, farads, capacitance }) => `${net} carries ${farads} of ${capacitance} allowed.`,
      meaning:
        'There are 112 addresses, but no bus carries 112 parts: each pin and each lead is a little capacitor that the pull-up has to fill at every bit.',
      spare: ({ capacitance, farads }) => `${capacitance} − ${farads} to spare`,
    },
  }),
  'bus/clock': check<BusClockSays>({
    rule: {
      short: 'clock',
      title: 'The bus is not faster than its slowest part',
      rule: 'The clock of a bus is at most the fastest clock of every part on it.',
      source: 'the cards',
    },
    says: {
      broken: ({ bus, clock, slowest, hertz }) =>
        `${bus} runs at ${clock}; ${slowest} follows ${hertz} at most. It misses bits or does not answer.`,
      holds: ({ bus, clock, slowest, hertz }) =>
        `${bus} runs at ${clock}; its slowest part, ${slowest}, follows ${hertz}.`,
      meaning:
        'The clock is common to all parts of a bus: one slow part slows the whole bus, or wants a bus of its own.',
      fastestClock: 'fastest clock',
    },
  }),
  'bus/crossed': check<BusCrossedSays>({
    rule: {
      short: 'crossed',
      title: 'Serial lines meet their counterparts',
      rule: 'What one end transmits the other receives: UART lines are crossed, SPI and I²C lines meet their namesakes.',
      source: 'the controller’s card; common practice',
    },
    says: {
      transmitsSoDoesPin: 'transmits, and so does the pin',
      receivesSoDoesPin: 'receives, and so does the pin',
      dataPinClock: 'is data, and the pin is the clock',
      clockPinData: 'is the clock, and the pin is data',
      whatPartSendsPin: 'is what the part sends, and the pin sends too',
      whatPartReadsPin: 'is what the part reads, and the pin reads too',
      crossed: 'is crossed',
      isOnIt: ({ line, label, meet }) => `${line} is on ${label}: it ${meet}`,
      neitherEndHearsOther: ({ crossed }) => `${crossed.join('; ')}. Neither end hears the other.`,
      on: ({ line, label }) => `${line} on ${label}`,
      eachMeetsCounterpart: ({ placed }) => `${commas(placed)}: each meets its counterpart.`,
      meaning:
        'Two outputs that meet fight each other; two inputs that meet wait for ever. Nothing breaks at once, and nothing works.',
      asks: ({ ask, label }) => `asks for ${ask}, on ${label}`,
    },
  }),
  'bus/long-leads': check<BusLongLeadsSays>({
    rule: {
      short: 'long leads',
      title: 'Long leads of a bus are twisted, and a star is damped',
      rule: 'I²C leads longer than 1 m want SDA and SCL each twisted with ground or screened, even where the rise holds. A one-wire line that goes to two or more places by stubs longer than 3 m wants 100 to 120 Ω in each stub.',
      source: 'common practice',
    },
    says: {
      loose: ({ length, label, longbus }) =>
        `The bus goes ${length} to ${label} in loose leads. From ${longbus} on SDA and SCL are each twisted with ground, never with one another.`,
      busGoesEachLine: ({ length, label }) => `The bus goes ${length} to ${label}, each line with its ground.`,
      meaning: 'Side by side the clock couples into the data: a bus that works on the table fails on the wall.',
      planOwn: 'of the plan, and its own',
      damped: ({ net, count }) => `${net} is a star of ${count} long stubs, with resistors in it.`,
      starRunOneLead: ({ net, long }) =>
        `${net} is a star: ${commas(long)}. Run one lead from place to place, or put 100 to 120 Ω into each stub.`,
      lead: ({ part, length }) => `${part} ${length}`,
      whatComesBackFrom: 'What comes back from the end of one stub is read as a bit at the other.',
      allLeadsTogether: 'all leads together',
      themLongerThan: ({ count, longstub }) => `${count} of them longer than ${longstub}`,
    },
  }),
  'bus/pull-up-pairs': check<BusPullUpPairsSays>({
    rule: {
      short: 'pairs',
      title: 'One pair of pull-ups for a bus',
      rule: 'Where my rules say “one pair per bus” a line has no more pull-ups than it needs: at most one that can be taken away, and none where those that cannot be taken away suffice.',
      source: 'rule of the plan',
    },
    says: {
      broken: ({ net, count, rp }) =>
        `${net} has ${count} pull-ups that make ${rp} together; my rules want one pair for the bus.`,
      holds: ({ net, count, rp }) => `${net} has ${count} pull-ups that make ${rp}, and none too many.`,
      meaning: 'Pull-ups on every module add up in parallel: with each further module the sinks have to work harder.',
      pullUp: ({ p }) => `pull-up ${p}`,
      canBeTakenAway: 'can be taken away',
      stays: 'stays',
    },
  }),
  'bus/pull-up': topic<BusPullUpSays>({
    says: {
      mayComeNoHigher: ({ net, rest, high }) =>
        `${net} may come no higher than ${rest}; it has no rise time, since ${high} are never passed.`,
      meaning: 'What holds the line down while nobody talks is stronger than what pulls it up.',
      resistorsAlone: 'by its resistors alone',
      whatLeaksDiodesPins: 'with what leaks, and the diodes of its pins',
      wholeNetwork: 'on the whole network',
      busOrWhatReceiver: '70 % of the bus, or what a receiver asks for',
      allowedMode: ({ rise, riseTime, mode }) => `${rise} of ${riseTime} allowed in ${mode} mode`,
      broken: ({ net, text, rpText, most }) =>
        `${net} takes ${text} to rise with ${rpText}. The pull-up may be ${most} at most.`,
      holds: ({ net, text }) => `${net} rises within ${text}.`,
      lineRisesTooSlowly:
        'A line that rises too slowly is still low when the clock samples it: bits are lost, first on a warm day or with one more part.',
      riseTimeThisSide: 'rise time of this side alone',
      riseTime: 'rise time',
      riseTimeOtherSide: 'rise time with the other side',
      riseTimeWholeNetwork: 'rise time on the whole network',
      throughTransistorBetweenSides: ', through the transistor between the sides',
      fromSupplyEveryPin: ({ joined }) =>
        `from 30 to 70 % of its supply${joined}, every pin leaking its most, the slowest of all ends of the figures`,
      largestPullUp: 'largest pull-up',
      pullUpsMakeCan: ({ net, rpText, sink, limitText }) =>
        `The pull-ups on ${net} make ${rpText}; ${sink} can hold low no less than ${limitText}. The low level is not guaranteed.`,
      pullUpsMakeWould: ({ net, rpText, limitText }) =>
        `The pull-ups on ${net} make ${rpText}; ${limitText} would be the strongest.`,
      tooStrongPullUp:
        'With too strong a pull-up the low level stays too high to be read, and the part works above its rating.',
      openVoltage: 'open voltage',
      weakestSink: 'weakest sink',
    },
  }),
  'bus/pull-up-weak': ruleOnly({
    short: 'rise',
    title: 'The pull-up lifts the line in time',
    rule: 'tr = 0.8473 × Rp × Cb ≤ 1000 ns (standard), 300 ns (fast), 120 ns (fast-plus), every figure at its worst. Where pins leak, pull-ups go to several rails, or a translator or bus switch joins two sides, the rise is worked out on the whole network.',
    source: BUS_TIMING_SOURCE,
  }),
  'bus/pull-up-strong': ruleOnly({
    short: 'sink',
    title: 'Every sink can hold the line low',
    rule: 'Rp ≥ (VDD − VOL) ÷ IOL of the weakest sink: 0.4 V at what the cards say, 3 mA where one is silent at any clock; on a bus of 2 V or less 0.2 × VDD at 2 mA. Rp is the parallel value of every pull-up, those behind channels of a bus switch that are on included; with several rails VDD is their common open voltage.',
    source: BUS_TIMING_SOURCE,
  }),
  'bus/release': check<BusReleaseSays>({
    rule: {
      short: 'release',
      title: 'On SPI only who is selected speaks',
      rule: 'A part that goes on driving its output while it is not selected shares no bus; where several share one, each select line is held high while the controller starts.',
      source: 'the cards; common practice',
    },
    says: {
      goesDrivingOutputWhile: ({ label, others }) =>
        `${label} goes on driving its output while it is not selected; ${commas(others)} on the same bus cannot be read. Give it a bus of its own.`,
      letsOutputGoWhile: ({ label }) => `${label} lets its output go while it is not selected.`,
      meaning: 'Two outputs against one another: a voltage in the middle, and heat.',
      held: ({ label }) => `The select line of ${label} is high until the program takes it.`,
      nothingHoldsSelectLine: ({ label, others }) =>
        `Nothing holds the select line of ${label} high while the controller starts; it may answer to what is meant for ${commas(others)}. 10 kΩ to its supply hold it.`,
      partSelectedChanceTakes: 'A part that is selected by chance takes part in its neighbour’s start.',
    },
  }),
  'bus/serial-rate': check<BusSerialRateSays>({
    rule: {
      short: 'serial rate',
      title: 'Both ends of a serial line count alike',
      rule: 'Error of the controller’s rate, clock ÷ (samples × the nearest whole divisor) against the rate, and that of the part, together 2 % at most.',
      source: 'ten bits, sampled in the middle, stand about 4 % in all; half of it is common practice',
    },
    says: {
      broken: ({ rate, controller, own, part, theirs, serialerror }) =>
        `At ${rate} bits a second ${controller} is ${own} off and ${part} up to ${theirs}; together ${serialerror} may be. Letters come out wrong: take a slower rate that divides evenly.`,
      holds: ({ rate, together, serialerror }) =>
        `At ${rate} bits a second both ends are ${together} apart at most; ${serialerror} may be.`,
      meaning:
        'Each letter is timed from its first edge; at its last bit the errors of both clocks have added up tenfold.',
      off: ({ controller }) => `off at ${controller}`,
      against: ({ toInterval, samples, value, rate }) => `${toInterval} ÷ (${samples} × ${value}) against ${rate}`,
      offAt: ({ part }) => `off at ${part}`,
    },
  }),
  'bus/spi': topic<BusSpiSays>({
    says: {
      broken: ({ bus, clock, member, length, limit }) =>
        `${bus} runs at ${clock}; the answer of ${member} over ${length} is sure to be there up to ${limit}. The last bits come out shifted.`,
      holds: ({ bus, clock, member, limit }) =>
        `${bus} runs at ${clock}; the answer of ${member} is there up to ${limit}.`,
      meaning: 'What is written arrives and what is read is shifted by a bit: the part looks broken.',
      rightAfterClock: 'right after the clock',
      rightBeforeClock: 'right before the clock',
      fastest: 'fastest',
      hasPartsSeveralModes: ({ bus, parts }) =>
        `${bus} has parts of several modes: ${commas(parts)}. The program sets the mode before it speaks to each.`,
      partMode: ({ part, mode }) => `${part} ${mode}`,
      allPartsSpokenMode: ({ bus, mode }) => `All parts of ${bus} are spoken to in mode ${mode}.`,
      wrongModeEachBit: 'In the wrong mode each bit is taken on the wrong edge.',
    },
  }),
  'bus/spi-speed': ruleOnly({
    short: 'SPI speed',
    title: 'On SPI the answer is there before the next edge',
    rule: 'Clock ≤ 1 ÷ (2 × (t_valid of the part + t_setup of the controller + 10 ns a metre of lead)): half a period has to hold the way there and back.',
    source: 'the cards; 50 ns, 10 ns and 10 ns/m where nothing is said are common practice',
  }),
  'bus/spi-mode': ruleOnly({
    short: 'SPI mode',
    title: 'Parts of one SPI bus are spoken to in one mode',
    rule: 'All parts of a bus have one mode of clock and phase; where they have several the program sets it before each.',
    source: 'the cards',
  }),
  'bus/stretching': check<BusStretchingSays>({
    rule: {
      short: 'stretch',
      title: 'A part that stretches the clock is waited for',
      rule: 'A target that holds the clock low while it is busy stands on a controller that waits for it, or is read with commands that do not hold the clock.',
      source: 'UM10204 §3.1.9 (from memory); the cards',
    },
    says: {
      noHold: ({ member }) => `${member} is read with the commands that do not hold the clock.`,
      waits: ({ member, held, label }) => `${member} holds the clock for up to ${held}; ${label} waits.`,
      holds: ({ member, held, label }) =>
        `${member} holds the clock for up to ${held}; ${label} does not wait. It reads a wrong byte, or nothing.`,
      meaning:
        'A controller that does not wait goes on clocking while the part is still working: the first reading after a pause is nonsense.',
      longestHold: 'longest hold',
      controller: 'the controller',
      waitsWord: 'waits',
      doesNotWait: 'does not wait',
      commandsWithoutHold: 'commands without hold',
      used: 'used',
      thereSome: 'there are some',
      none: 'none',
    },
  }),
  'bus/time': check<BusTimeSays>({
    rule: {
      short: 'time',
      title: 'All readings of a bus fit into the interval',
      rule: 'Σ (bytes × 9 + start and stop) ÷ clock on I²C, bytes × 8 ÷ clock on SPI, plus every conversion one after the other, each over its own interval, is at most 1: Σ time ÷ interval. Said for the shortest interval on the bus.',
      source: 'UM10204 §3.1 (from memory): nine clocks a byte; the cards',
    },
    says: {
      broken: ({ bus, total, interval }) =>
        `Reading all of ${bus} takes ${total}; a reading every ${interval} is wanted.`,
      holds: ({ bus, total, interval }) => `Reading all of ${bus} takes ${total} of the ${interval} between readings.`,
      meaning:
        'When one round takes longer than the time between two, readings are late, and each later than the one before.',
      bytesNotStated: 'bytes not stated',
      conversion: 'conversion',
      seldom: ({ s }) => `${s}, seldom`,
      words: ({ interval, between }) => `× ${interval} ÷ ${between}`,
      oneRound: 'one round',
      conversionsSameTimeAll: 'conversions at the same time: all transfers, and the longest of them',
      oneAfterOther: 'one after the other',
    },
  }),
};
