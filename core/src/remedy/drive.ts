/** The small parts that loads need: a resistor for a light, a diode for a coil. */
import { lightSum } from '../check/drive-led.ts';
import { baseSum, drivenLoads, type BaseSum } from '../check/drive-transistor.ts';
import type { Circuit, Net } from '../circuit/model.ts';
import { addHelper, freeId } from '../plan/edits.ts';
import { removeHelper } from '../plan/remove.ts';
import type { Plan } from '../plan/plan.ts';
import { seriesAtLeast, seriesAtMost } from '../standard/e-series.ts';
import { LED_CURRENT } from '../standard/common-practice.ts';
import { swapCard } from '../plan/swap.ts';
import type { Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { keyOf, ownerOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyDriveSays {
  readonly putSeries: { ohms: Quantity; net: Text };
  readonly putAcross: { card: Text; label: Text };
  readonly takeAs: { card: Text; driver: Text };
  readonly putBeforeBase: { base: Quantity; driver: Text };
}

const tell = tells<RemedyDriveSays>('remedy/drive');

export interface LightResistor {
  readonly ohms: number;
  readonly plan: Plan;
}

/**
 * The plan with one series resistor for a light, in place of those it has: the smallest of the house rule's series
 * that is safe at its lowest tolerance and keeps the light at a comfortable current.
 * @returns null when the net has no light or no pin
 */
export function withLightResistor(circuit: Circuit, net: Net): LightResistor | null {
  const sum = lightSum(circuit, net);
  const { part, own: port = '' } = parseRef(net.of);
  if (!sum) return null;
  const comfortable = (sum.volts - sum.forward) / LED_CURRENT;
  const ohms = seriesAtLeast(circuit.plan.rules.series, Math.max(sum.least / (1 - circuit.tolerance), comfortable));
  const bare = net.series.reduce((plan, { helper }) => removeHelper(plan, helper), circuit.plan);
  const id = freeId(bare, `series-${part}`);
  return { ohms, plan: addHelper(bare, { id, kind: 'series', part, port, line: net.line, ohms }) };
}

export const lightRemedies: Proposer = ({ circuit, finding }) => {
  const net = circuit.nets.find(({ ends }) => ends.some((end) => keyOf(end.part, end.signal) === finding.subjects[0]));
  const made = net && withLightResistor(circuit, net);
  if (!net || !made) return [];
  const { ohms, plan } = made;
  return [
    { id: `series:${net.id}:${ohms}`, title: tell('putSeries', { ohms: quantityOf(ohms, 'Ω'), net: net.label }), plan },
  ];
};

export const coilRemedies: Proposer = ({ circuit, finding, library }) => {
  const part = ownerOf(finding.subjects[0]);
  const label = circuit.parts.get(part)?.label ?? part;
  return [...library.values()]
    .filter(({ kind }) => kind === 'diode')
    .map((card) => ({
      id: `diode:${part}:${card.id}`,
      title: tell('putAcross', { card: card.name, label }),
      plan: addHelper(circuit.plan, { id: freeId(circuit.plan, `diode-${part}`), kind: 'diode', part, card: card.id }),
    }));
};

/** The resistor before a base, or another driver. */
export const transistorRemedies: Proposer = ({ circuit, finding, library }) => {
  const driver = circuit.parts.get(finding.subjects[0] ?? '');
  const driven = drivenLoads(circuit).find((found) => found.driver === driver);
  if (!driver || !driven) return [];
  const sum = baseSum(circuit, driver, driven.amps);
  const base = baseResistor(circuit, driver.id);
  const others = rivals(circuit, library, driver)
    .slice(0, 4)
    .map((card) => ({
      id: `card:${driver.id}:${card.id}`,
      title: tell('takeAs', { card: card.name, driver: driver.label }),
      plan: swapCard(circuit.plan, driver.id, driver.card, card),
    }));
  return [
    ...(base && sum
      ? [
          {
            id: `series:${sum.net.id}:${base.ohms}`,
            title: tell('putBeforeBase', { base: quantityOf(base.ohms, 'Ω'), driver: driver.label }),
            plan: base.plan,
          },
        ]
      : []),
    ...others,
  ];
};

/** The plan with the resistor that the base of a bare transistor wants. @returns null for other drivers, and where none will do */
export function baseResistor(circuit: Circuit, driver: string): LightResistor | null {
  const driven = drivenLoads(circuit).find((found) => found.driver.id === driver);
  const sum = driven && baseSum(circuit, driven.driver, driven.amps);
  return sum ? withBaseResistor(circuit, sum) : null;
}

/**
 * The plan with one resistor before a base, in place of those it has: the largest of the house rule's series that still
 * saturates the transistor, so that the pin gives no more than it must.
 * @returns null where the pin cannot give what the base needs
 */
function withBaseResistor(circuit: Circuit, sum: BaseSum): LightResistor | null {
  const ohms = seriesAtMost(circuit.plan.rules.series, sum.most);
  const { part, own: port = '' } = parseRef(sum.net.of);
  if (!(ohms >= sum.least)) return null;
  const bare = sum.net.series.reduce((plan, { helper }) => removeHelper(plan, helper), circuit.plan);
  const id = freeId(bare, `series-${part}`);
  return { ohms, plan: addHelper(bare, { id, kind: 'series', part, port, line: sum.net.line, ohms }) };
}
