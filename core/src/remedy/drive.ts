/** The small parts that loads need: a resistor for a light, a diode for a coil. */
import { lightSum } from '../check/drive-led.ts';
import { addHelper, freeId, removeHelper } from '../plan/edits.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { seriesAtLeast } from '../standard/e-series.ts';
import { LED_CURRENT, RESISTOR_TOLERANCE } from '../standard/practice.ts';
import type { Proposer } from './remedy.ts';

export const lightRemedies: Proposer = ({ circuit, finding }) => {
  const net = circuit.nets.find(({ ends }) => ends.some((end) => `${end.part}.${end.signal}` === finding.subjects[0]));
  const sum = net && lightSum(circuit, net);
  const [part = '', port = ''] = net?.of.split('.') ?? [];
  if (!net || !sum) return [];
  const comfortable = (sum.volts - sum.forward) / LED_CURRENT;
  const ohms = seriesAtLeast(circuit.plan.rules.series, Math.max(sum.least / (1 - RESISTOR_TOLERANCE), comfortable));
  const bare = net.series.reduce((plan, { helper }) => removeHelper(plan, helper), circuit.plan);
  const plan = addHelper(bare, {
    id: freeId(bare, `series-${part}`),
    kind: 'series',
    part,
    port,
    line: net.line,
    ohms,
  });
  const label = circuit.parts.get(part)?.label ?? part;
  return [{ id: `series:${net.id}:${ohms}`, title: `Put ${formatQuantity(ohms, 'Ω')} in series with ${label}`, plan }];
};

export const coilRemedies: Proposer = ({ circuit, finding, library }) => {
  const part = (finding.subjects[0] ?? '').split('.')[0] ?? '';
  const label = circuit.parts.get(part)?.label ?? part;
  return [...library.values()]
    .filter(({ kind }) => kind === 'diode')
    .map((card) => ({
      id: `diode:${part}:${card.id}`,
      title: `Put a ${card.name} across ${label}`,
      plan: addHelper(circuit.plan, { id: freeId(circuit.plan, `diode-${part}`), kind: 'diode', part, card: card.id }),
    }));
};
