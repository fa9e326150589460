/** Words about what is in a circuit. */
import type { CircuitDeriveSays } from '../../circuit/derive.ts';
import type { CircuitEndsSays } from '../../circuit/ends.ts';
import type { CircuitGoodsSays } from '../../buy/goods.ts';
import type { CircuitLabelSays } from '../../circuit/label.ts';
import type { CircuitLedgerSays } from '../../circuit/ledger.ts';
import type { CircuitNetlistSays } from '../../circuit/netlist-builder.ts';
import type { CircuitNetsSays } from '../../circuit/nets.ts';
import type { CircuitPowerTreeSays } from '../../circuit/power-tree.ts';
import type { CircuitPowerSays } from '../../circuit/power.ts';
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
  'circuit/derive': topic<CircuitDeriveSays>({
    says: {
      supply: ({ part }) => `supply of ${part}`,
      ground: ({ part }) => `ground of ${part}`,
      translator: ({ parts }) => `translator for ${commas(parts)}`,
    },
  }),
  'circuit/ends': topic<CircuitEndsSays>({
    says: {
      ground: 'ground',
      insideController: 'inside the controller',
      divider: ({ above }) => `divider of ${above}`,
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
      resistor: ({ id }) => `resistor ${id}`,
      resistor2: ({ helper }) => `resistor ${helper}`,
      on: ({ part }) => `on ${part}`,
      capacitor: ({ helper }) => `capacitor ${helper}`,
      aboveDivider: ({ trunk }) => `${trunk} above its divider`,
      beyond: ({ trunk, part }) => `${trunk} beyond ${part}`,
      pin: ({ end }) => `${end} pin`,
      lead: ({ end, length, cable }) => `${end} lead, ${length}${cable ? ` ${cable}` : ''}`,
      boardRows: ({ count }) => `${count} board rows`,
    },
  }),
  'circuit/power-tree': topic<CircuitPowerTreeSays>({
    says: {
      pin: ({ pin }) => `pin ${pin}`,
      fromSocket: '5 V from the socket',
    },
  }),
  'circuit/power': topic<CircuitPowerSays>({
    says: {
      rail: ({ offer, part }) => `${offer} of ${part}`,
      nothingBoard: 'nothing, it is on the board',
      nothingFiguresHoldPlug: 'nothing, its figures hold at the plug',
      ofCable: ({ drop, length }) => `${drop} of ${length} of cable and its contacts`,
      contacts: 'of contacts',
      diode: 'in the diode',
      pinGround: 'of the pin that is its ground',
      made: ({ part, offer }) => `${part}: ${offer}`,
      itself: ({ maker }) => `${maker} itself`,
      passed: ({ peak }) => `${peak} passed on`,
    },
  }),
};
