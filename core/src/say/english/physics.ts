/** Words about sums of formulas. */
import type { PhysicsAnalogChainSays } from '../../physics/analog-chain.ts';
import type { PhysicsAtBootSays } from '../../physics/at-boot.ts';
import type { PhysicsGustSays } from '../../physics/gust.ts';
import type { PhysicsHeatSays } from '../../physics/heat.ts';
import type { PhysicsNodeSays } from '../../physics/node.ts';
import type { PhysicsPinCurrentsSays } from '../../physics/pin-currents.ts';
import type { PhysicsRuntimeSays } from '../../physics/runtime.ts';
import type { PhysicsSinkSays } from '../../physics/sink.ts';
import type { PhysicsSunSays } from '../../physics/sun.ts';
import { topic } from '../language.ts';
import { commas } from './grammar.ts';

export const physics = {
  'physics/analog-chain': topic<PhysicsAnalogChainSays>({
    says: {
      halfStep: 'half a step',
      converter: 'converter',
      reference: 'reference',
      supplySensor: 'supply of the sensor',
      output: 'output',
      divider: 'divider',
      fixedResistor: 'fixed resistor',
      resistanceC: 'resistance at 0 °C',
      resistanceLx: 'resistance at 10 lx',
      slopeGamma: 'its slope gamma',
      thermistorC: 'thermistor at 25 °C',
      constantB: 'its constant B',
      bAwayFromC: ({ share }) => `${share} × B away from 25 °C`,
      formulaItself: 'the formula itself',
      outside: ({ beyond, from, to, error }) => `${beyond} K outside ${from} to ${to} °C × ${error}`,
    },
  }),
  'physics/at-boot': topic<PhysicsAtBootSays>({
    says: {
      pinsOwnPull: ({ up }) => (up ? 'the pin’s own pull-up' : 'the pin’s own pull-down'),
      nothingPulls: 'nothing pulls it',
      pulled: ({ pulls, sum }) => `${commas(pulls)}: ${sum}`,
    },
  }),
  'physics/gust': topic<PhysicsGustSays>({
    says: {
      card: 'of its card',
      source: 'a source',
      regulator: ({ by }) => `a ${by} regulator`,
      usual: ({ by }) => `usual for ${by}`,
      partsPlan: ({ own, reserve, onParts, fitted }) =>
        `${own} ${reserve} + ${onParts} on parts + ${fitted} of the plan`,
    },
  }),
  'physics/heat': topic<PhysicsHeatSays>({
    says: {
      ownCurrent: 'its own current',
      whatTakesAway: ({ offer }) => `${offer}, what it takes away`,
      lostSwitching: ({ offer }) => `${offer}, lost in switching`,
      board: ({ offer }) => `the board on ${offer}`,
    },
  }),
  'physics/node': topic<PhysicsNodeSays>({
    says: {
      supplyHighest: ({ end }) => `the supply of ${end} at its highest`,
    },
  }),
  'physics/pin-currents': topic<PhysicsPinCurrentsSays>({
    says: {
      peakReturned: 'peak, returned',
    },
  }),
  'physics/runtime': topic<PhysicsRuntimeSays>({
    says: {
      resistorsLights: ({ rail }) => `resistors and lights on ${rail}`,
      cellsThemselves: 'the cells by themselves',
    },
  }),
  'physics/sink': topic<PhysicsSinkSays>({
    says: {
      leastStandardAsks: 'the least that the standard asks',
    },
  }),
  'physics/sun': topic<PhysicsSunSays>({
    says: {
      shade: 'in the shade',
      indoors: 'indoors',
      underShield: 'under a shield',
    },
  }),
};
