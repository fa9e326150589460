/** Words about what voltage arrives. */
import type { SupplyContactsSays } from '../../check/supply-contacts.ts';
import type { SupplyDipSays } from '../../check/supply-dip.ts';
import type { SupplyDropoutSays } from '../../check/supply-dropout.ts';
import type { SupplyInrushSays } from '../../check/supply-inrush.ts';
import type { SupplyLeadDropSays } from '../../check/supply-lead-drop.ts';
import type { SupplyNoiseSays } from '../../check/supply-noise.ts';
import type { SupplyPlugSays } from '../../check/supply-plug.ts';
import type { SupplyRangeSays } from '../../check/supply-range.ts';
import type { SupplyStepUpSays } from '../../check/supply-step-up.ts';
import { check } from '../language.ts';
import { commas, list } from './grammar.ts';

export const supplyVoltage = {
  'supply/contacts': check<SupplyContactsSays>({
    rule: {
      short: 'contacts',
      title: 'Springs and leads carry what flows',
      rule: 'The peak of a source goes through one spring of the board, 1 A each; the peak of a feed through its leads, by their gauge. Four contacts of 20 to 50 mΩ on the way there and back are part of what a feed loses.',
      source: 'handbook table of chassis wiring (from memory); 1 A and 20 to 50 mΩ a spring are common practice',
    },
    says: {
      broken: ({ rail, amps, springcurrent }) =>
        `${rail} gives up to ${amps} through springs of the board; one carries ${springcurrent}. Let the heavy part have thicker leads that are screwed or clamped to the source.`,
      holds: ({ rail, amps, springcurrent }) =>
        `${rail} gives up to ${amps} of the ${springcurrent} that a spring carries.`,
      meaning: 'A spring that carries too much gets hot, loses its tension, and then every start looks like a fault.',
      pastBoard: 'past the board',
      thickLeads: 'on thick leads',
      lostContacts: 'lost in contacts',
      leadsCarryGaugeTakes: ({ label, peak, gauge, limit }) =>
        `The leads to ${label} carry ${peak}; gauge ${gauge} takes ${limit}. They get hot.`,
      leadsOfGauge: ({ label, peak, limit, gauge }) =>
        `The leads to ${label} carry ${peak} of the ${limit} that gauge ${gauge} takes.`,
      leadCarriesTooMuch: 'A lead that carries too much softens its cover and its neighbours’.',
      gauge: 'gauge',
      freeAir: ({ gauge }) => `${gauge}, in free air`,
    },
  }),
  'supply/dip': check<SupplyDipSays>({
    rule: {
      short: 'dip',
      title: 'A gust of current does not start the controller anew',
      rule: 'V_min = V − ΔI × Δt ÷ C, V being the rail at its peak with what leads and contacts lose, ΔI from the average to the peak of all that hangs on it, C what is across it and Δt until it answers, stays above the controller’s brown-out.',
      source: 'the cards; where they are silent what holds a rail and the brown-out are common practice',
    },
    says: {
      acrossWouldHold: ({ wanted }) => `${wanted} across it would hold.`,
      leadsLoseTooMuch: 'Its leads lose too much already.',
      broken: ({ by, gust, rail, lowest, controller, limit, wanted }) =>
        `${by} takes a gust of ${gust}, and ${rail} sinks to ${lowest}; ${controller} starts anew below ${limit}. ${wanted}`,
      holds: ({ gust, lowest, rail, controller, limit }) =>
        `A gust of ${gust} leaves ${lowest} on ${rail}; ${controller} runs down to ${limit}.`,
      meaning: 'It starts anew each time it sends, and looks as if the program were wrong.',
      gust: 'gust',
      acrossRail: 'across the rail',
      sinks: 'sinks by',
      lowest: 'lowest',
      startsAnewBelow: 'starts anew below',
      assumed: ({ voltage, brownout }) => `${voltage} × ${brownout}, assumed`,
    },
  }),
  'supply/dropout': check<SupplyDropoutSays>({
    rule: {
      short: 'dropout',
      title: 'Regulators get enough to give their output',
      rule: 'Worst input at the peak load (source, leads and diodes included) − dropout ≥ lowest output. On cells, which sink, a fresh pack must do it; where they sink below it before they are empty is a caution.',
      source: 'the cards',
    },
    says: {
      hasInputOrMore: ({ rail, voltage, margin }) =>
        `${rail} has ${voltage} at its input or more, ${margin} more than it needs.`,
      own: ({ rail, limit, voltage, measured }) =>
        `${rail} needs ${limit} at its input and gets ${voltage}; the part and its levels run on ${measured} then.`,
      needsCellsSinkFrom: ({ rail, limit, voltage }) =>
        `${rail} needs ${limit}; the cells sink to ${voltage}. From there its output sinks with them.`,
      holds: ({ rail, limit, voltage, measured }) =>
        `${rail} needs ${limit} at its input and gets ${voltage} at the worst; its output sinks to ${measured}.`,
      meaning: 'A regulator that gets too little passes every dip on to the parts behind it.',
      inputLowest: 'input at its lowest',
      less: ({ upper, drop }) => `${upper}, less ${drop}`,
      dropoutMost: 'dropout at its most',
      outputCanGive: 'output it can give',
      lowestOutputPromised: 'lowest output promised',
    },
  }),
  'supply/inrush': check<SupplyInrushSays>({
    rule: {
      short: 'inrush',
      title: 'Plugging in does not trip the port',
      rule: 'What stands across a port of a computer when it is plugged in, straight or through what only passes it on, is 10 µF at most. A ceramic capacitor at the end of 1 m of lead and more swings to twice the voltage, which its part has to stand.',
      source: 'USB 2.0 §7.2.4.1 (from memory); twice: an undamped circuit of lead and capacitor (common practice)',
    },
    says: {
      capacitor: ({ label }) => `capacitor at ${label}`,
      broken: ({ farads, rail, portcapacitance }) =>
        `${farads} stand across ${rail} when it is plugged in; ${portcapacitance} are allowed. A strict port or hub switches off, and other devices on it with it.`,
      holds: ({ farads, rail, portcapacitance }) =>
        `${farads} stand across ${rail} when it is plugged in, of ${portcapacitance}.`,
      meaning: 'An empty capacitor is a short for as long as it fills.',
      acrossSupply: 'across the supply',
      pluggedLeadSmallCapacitor: ({ count, label, peak, stands }) =>
        `Plugged in on ${count} of lead, the small capacitor of ${label} rings up to ${peak}; it stands ${stands}. An electrolytic capacitor beside it damps that.`,
      pluggedSeesMostStands: ({ label, damped, stands }) =>
        `Plugged in, ${label} sees ${damped} at the most; it stands ${stands}.`,
      leadCapacitorSwingLike: 'Lead and capacitor swing like a weight on a spring: the first swing goes to twice.',
      firstSwing: 'first swing',
    },
  }),
  'supply/lead-drop': check<SupplyLeadDropSays>({
    rule: {
      short: 'leads',
      title: 'Leads lose little',
      rule: 'Peak current × 2 × length × resistance per metre of the gauge, against 3 % of the rail.',
      source: 'ASTM B258 and IEC 60028 (from memory); 3 % is common practice',
    },
    says: {
      leadsLosePeakMore: ({ label, drop, leadshare }) =>
        `The leads to ${label} lose ${drop} at its peak, more than ${leadshare} % of the rail. Shorter or thicker ones lose less.`,
      holds: ({ label, drop }) => `The leads to ${label} lose ${drop} at its peak.`,
      meaning:
        'What is lost in the leads comes and goes with the current: readings move when something else switches on.',
      peakThroughLeads: 'peak through the leads',
      whatTakesWhatHangs: 'what it takes, and what hangs on it',
      resistancePerMetre: 'resistance per metre',
      gauge: ({ gauge }) => `gauge ${gauge}`,
      lost: 'lost',
      mM: ({ peak, length, isLeadAssumed, ohms }) => `${peak} × 2 × ${length} m${isLeadAssumed} × ${ohms}/m`,
      mayBeLost: 'may be lost',
    },
  }),
  'supply/noise': check<SupplyNoiseSays>({
    rule: {
      short: 'motor noise',
      title: 'Motors and coils keep off the rail of what is read by its voltage',
      rule: 'A motor or coil and a part whose reading is a voltage do not share a rail, unless 100 µF stand across the motor.',
      source: 'common practice',
    },
    says: {
      broken: ({ motor, rail, read, motorcapacitor }) =>
        `${motor} hangs on ${rail} beside ${commas(read)}, whose reading is a voltage: it jumps whenever the motor starts. Put ${motorcapacitor} across it, or feed it from another rail.`,
      holds: ({ farads, motor, rail }) => `${farads} across ${motor} keep its gusts off ${rail}.`,
      meaning: 'A motor takes its current in gusts, and the rail with it.',
      across: 'across it',
      capacitorsPlan: 'capacitors of the plan',
    },
  }),
  'supply/plug': check<SupplyPlugSays>({
    rule: {
      short: 'plug',
      title: 'Plugs go into sockets, and wires into holes',
      rule: 'What goes into a board’s socket has a plug or an outlet for a cable, of that shape; a source with a plug feeds nothing by loose leads.',
      source: 'the cards',
    },
    says: {
      endsPlugOrOutlet: ({ source, board }) =>
        `${source} ends in a plug or an outlet; ${board} is to be fed by loose leads, and there is nothing to put them into.`,
      meaning: 'A cable that is cut open has no strain relief and no sure polarity.',
      plugSocket: ({ source, plug, board, socket }) =>
        `The plug of ${source} is ${plug}; the socket of ${board} is ${socket}.`,
      hasNoPlugNo: ({ source, board }) => `${source} has no plug and no outlet for the socket of ${board}.`,
      withoutPlugFitsThere: 'Without a plug that fits there is no supply.',
      plug: ({ plug }) => ` (plug ${plug})`,
      missing: ({ source, board, plug, count }) =>
        `The cable from ${source} to ${board}${plug} is not among the leads of the plan; one of ${count} m is assumed.`,
      cable: ({ source }) => `The cable of ${source}`,
      holds: ({ card, board }) => `${card} fits the socket of ${board}.`,
      cableWithoutDataWires: 'A cable without data wires feeds the board and cannot program it.',
    },
  }),
  'supply/range': check<SupplyRangeSays>({
    rule: {
      short: 'supply',
      title: 'Every part is fed inside its range',
      rule: 'Rail(min) − peak current × 2 × lead × Ω/m, to rail(max), lies inside the supply range; beyond the absolute maximum is danger. Cells, which sink, must reach it fresh and at their usual voltage; where they leave it before they are empty is a caution, and supply/runtime counts down to there. Under the rule “working” a supply that is usually inside and at the worst short of it by 5 % is a caution.',
      source: 'the cards; lead resistance ASTM B258 and IEC 60028 (from memory)',
    },
    says: {
      hangsRailNothingFeeds: ({ terminal, label }) => `${terminal} of ${label} hangs on a rail that nothing feeds.`,
      circle: ({ terminal, label, way }) =>
        `${terminal} of ${label} is fed by what it feeds itself: ${list(way)}. Nothing in this circle has a voltage.`,
      nothingFeedsWants: ({ terminal, label, range, upTo }) =>
        `Nothing feeds ${terminal} of ${label}; it wants ${range} to ${upTo}.`,
      meaning: 'A part without supply is fed backwards through its signal pins, or not at all.',
      danger: ({ label, max, terminal, absolute }) =>
        `${label} gets up to ${max} at ${terminal}; ${absolute} is the most it stands. It can be destroyed.`,
      sinks: ({ label, max, min, terminal, range }) =>
        `The cells feed ${label} with ${max} when fresh and sink to ${min} at ${terminal}; it works down to ${range}. It stops there, with charge left in them: how long that takes is counted.`,
      nearly: ({ label, voltage, terminal, min, max, range, upTo }) =>
        `${label} gets ${voltage} at ${terminal} usually and ${min} to ${max} at the worst; it works from ${range} to ${upTo}. It is accepted by the rule for supplies.`,
      broken: ({ label, min, max, terminal, range, upTo }) =>
        `${label} gets ${min} to ${max} at ${terminal}; it works from ${range} to ${upTo}.`,
      holds: ({ label, min, max, range, upTo }) => `${label} gets ${min} to ${max}, inside ${range} to ${upTo}.`,
      outsideRangePartReads: 'Outside its range a part reads wrongly, resets, or breaks.',
      rail: 'rail',
      to: ({ voltage, otherVoltage }) => `${voltage} to ${otherVoltage}`,
      lostLeads: 'lost in the leads',
      lowestPart: 'lowest at the part',
      distanceBelow: 'distance below',
      distanceAbove: 'distance above',
    },
  }),
  'supply/step-up': check<SupplyStepUpSays>({
    rule: {
      short: 'step-up',
      title: 'A step-up still gives enough from its lowest input',
      rule: 'Peak ≤ I_switch × efficiency × Vin at its lowest ÷ Vout, the switch’s current with the share that my rules allow.',
      source: 'power balance of a step-up; the current of its switch from the card',
    },
    says: {
      broken: ({ rail, peak, input, limit }) =>
        `${rail} has to give ${peak}; from ${input} it makes ${limit} at most. It collapses as the cells sink.`,
      holds: ({ rail, peak, limit, input }) => `${rail} gives ${peak} of the ${limit} that it makes of ${input}.`,
      meaning: 'A step-up draws the more the lower its input is, until its switch can no more.',
      fromLowestInput: 'from the lowest input',
    },
  }),
};
