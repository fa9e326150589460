/** Words about what is in a circuit. */
import type { DividerSays } from '../../circuit/divider.ts';
import type { CircuitEndsSays } from '../../circuit/ends.ts';
import type { CircuitGoodsSays } from '../../buy/goods.ts';
import type { CircuitLabelSays } from '../../circuit/label.ts';
import type { CircuitLedgerSays } from '../../circuit/ledger.ts';
import type { CircuitNetlistSays } from '../../circuit/netlist-builder.ts';
import type { HelperLegsSays } from '../../circuit/helper-legs.ts';
import type { LeadLossSays } from '../../circuit/lead-loss.ts';
import type { NetLoadSays } from '../../circuit/net-load.ts';
import type { CircuitNetsSays } from '../../circuit/nets.ts';
import type { PinWishesSays } from '../../circuit/pin-wishes.ts';
import type { CircuitPowerTreeSays } from '../../circuit/power-tree.ts';
import type { PullsSays } from '../../circuit/pulls.ts';
import type { RailLoadsSays } from '../../circuit/rail-loads.ts';
import type { TranslatorNodeSays } from '../../circuit/translator-node.ts';
import type { PlanNeedNameSays } from '../../plan/need-name.ts';
import { topic } from '../language.ts';
import { commas } from './grammar.ts';

export const circuit = {
  'plan/need-name': topic<PlanNeedNameSays>({
    says: {
      sense: ({ quantity, place }) => `${quantity} at ${place}`,
      above: ({ quantity, level }) => `${quantity} above ${level}`,
      below: ({ quantity, level }) => `${quantity} below ${level}`,
      reading: 'a reading',
    },
  }),
  'circuit/translator-node': topic<TranslatorNodeSays>({
    says: { translator: ({ parts }) => `translator for ${commas(parts)}` },
  }),
  'circuit/pin-wishes': topic<PinWishesSays>({
    says: { supply: ({ part }) => `supply of ${part}`, ground: ({ part }) => `ground of ${part}` },
  }),
  'circuit/ends': topic<CircuitEndsSays>({ says: { ground: 'ground' } }),
  'circuit/divider': topic<DividerSays>({ says: { divider: ({ above }) => `divider of ${above}` } }),
  'circuit/helper-legs': topic<HelperLegsSays>({ says: { resistor: ({ id }) => `resistor ${id}` } }),
  'circuit/pulls': topic<PullsSays>({
    says: {
      on: ({ part }) => `on ${part}`,
      insideController: 'inside the controller',
    },
  }),
  'circuit/net-load': topic<NetLoadSays>({
    says: {
      pin: ({ end }) => `${end} pin`,
      lead: ({ end, length, cable }) => `${end} lead, ${length}${cable ? ` ${cable}` : ''}`,
      boardRows: ({ count }) => `${count} board rows`,
      capacitor: ({ helper }) => `capacitor ${helper}`,
    },
  }),
  'circuit/goods': topic<CircuitGoodsSays>({
    says: {
      cable: ({ part }) => `cable to ${part}`,
      resistors: ({ pieces }) => commas(pieces.map(String)),
      board: 'board',
    },
  }),
  'circuit/label': topic<CircuitLabelSays>({
    says: {
      of: ({ part, name }) => `${part} ${name}`,
    },
  }),
  'circuit/ledger': topic<CircuitLedgerSays>({
    says: {
      pullUp: ({ net, pullUp }) => `pull-up of ${net} (${pullUp})`,
      heldLow: 'held low',
      base: ({ part }) => `base of ${part}`,
      divider: ({ net }) => `divider of ${net}`,
      partLeast: 'with the part at its least',
      resistorGround: ({ net, label }) => `resistor to ground on ${net} (${label})`,
      whileHigh: 'while it is high',
      dividerAfter: ({ end }) => `divider after ${end}`,
    },
  }),
  'circuit/netlist': topic<CircuitNetlistSays>({
    says: {
      commonGround: 'ground',
      groundFrom: ({ pin }) => `ground from ${pin}`,
      ground: ({ source }) => `ground of ${source}`,
      behindContact: ({ offer, relay }) => `${offer} behind the contact of ${relay}`,
      behind: ({ offer, by, label }) => `${offer} behind the ${by} of ${label}`,
      plainEnd: 'plain end',
      ringEnd: 'ring end',
      behindResistor: ({ net }) => `${net} behind its resistor`,
      to: ({ part, driver }) => `${part} to ${driver}`,
      longLeg: 'long leg',
      shortLeg: 'short leg',
    },
  }),
  'circuit/nets': topic<CircuitNetsSays>({
    says: {
      aboveDivider: ({ trunk }) => `${trunk} above its divider`,
      beyond: ({ trunk, part }) => `${trunk} beyond ${part}`,
    },
  }),
  'circuit/power-tree': topic<CircuitPowerTreeSays>({
    says: {
      pin: ({ pin }) => `pin ${pin}`,
      fromSocket: '5 V from the socket',
      rail: ({ offer, part }) => `${offer} of ${part}`,
    },
  }),
  'circuit/lead-loss': topic<LeadLossSays>({
    says: {
      nothingBoard: 'nothing, it is on the board',
      nothingFiguresHoldPlug: 'nothing, its figures hold at the plug',
      ofCable: ({ drop, length }) => `${drop} of ${length} of cable and its contacts`,
      contacts: 'of contacts',
      diode: 'in the diode',
      pinGround: 'of the pin that is its ground',
    },
  }),
  'circuit/rail-loads': topic<RailLoadsSays>({
    says: {
      made: ({ part, offer }) => `${part}: ${offer}`,
      itself: ({ maker }) => `${maker} itself`,
      passed: ({ peak }) => `${peak} passed on`,
    },
  }),
};
