/** Ways out of what pins do at the start, and of converters and counters that are asked twice. */
import { switchedInputs } from '../check/pin-boot-state.ts';
import { featuresInUse } from '../circuit/pin-function.ts';
import { addHelper, changeHelperOf, freeId, setUsed } from '../plan/edits.ts';
import { seriesBetween } from '../standard/e-series.ts';
import { HOLDING_RESISTOR } from '../standard/common-practice.ts';
import { pinCurrents } from '../physics/pin-currents.ts';
import { pinRemedies } from './pin.ts';
import { addPullUp } from './pull-up.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyBootSays {
  readonly holdOffStartGround: { part: Text; value: Quantity };
  readonly holdOffStartSupply: { part: Text; value: Quantity };
  readonly leaveOff: { name: Text };
  readonly resistor: null;
  readonly resistors: { changed: number };
  readonly makeLargerOrLittle: { changed: Text; factor: Quantity };
}

const tell = tells<RemedyBootSays>('remedy/boot');

/** A resistor that holds the input where it is off, or a pin that is quiet at the start. */
export const bootRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const load = switchedInputs(circuit).find(({ part, port }) => keyOf(part.id, port.id) === finding.subjects[0]);
  if (!load) return [];
  const { part, port, trunk, on } = load;
  const { series } = circuit.plan.rules;
  const line = trunk.line;
  const candidates: Candidate[] = [];
  // Against what lifts the line, each of half the value has twice the say.
  for (const [step, most] of [HOLDING_RESISTOR, HOLDING_RESISTOR / 4, HOLDING_RESISTOR / 10].entries()) {
    const ohms = seriesBetween(series, most * 0.5, most).at(-1);
    if (ohms === undefined) continue;
    const value = quantityOf(ohms, 'Ω');
    if (on === 'high') {
      const id = freeId(circuit.plan, `hold-${part.id}`);
      candidates.push({
        id: `pull-down:${keyOf(part.id, port.id)}:${step}`,
        title: tell('holdOffStartGround', { part: part.label, value }),
        plan: addHelper(circuit.plan, { id, kind: 'pull-down', part: part.id, port: port.id, line, ohms }),
      });
    } else {
      const plan = addPullUp(circuit, circuit.plan, trunk, ohms);
      const title = tell('holdOffStartSupply', { part: part.label, value });
      if (plan) candidates.push({ id: `pull-up:${keyOf(part.id, port.id)}:${step}`, title, plan });
    }
  }
  return [...candidates, ...pinRemedies(context)];
};

/** Another pin, or a feature that the build can do without. */
export const unitRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const off =
    finding.aspect === 'converter'
      ? featuresInUse(circuit).map(({ id, name }) => ({
          id: `unused:${id}`,
          title: tell('leaveOff', { name }),
          plan: setUsed(circuit.plan, id, false),
        }))
      : [];
  return [...pinRemedies(context), ...off];
};

/** Larger resistors, all by the same share, until the pins keep to their limit. */
export const currentRemedies: Proposer = ({ circuit, finding }) => {
  const { limit, measured } = finding;
  if (limit === null || measured === null) return [];
  const group = circuit.controller?.card.controller?.currentGroups?.find(
    ({ id }) => keyOf(circuit.controller?.id, id) === finding.subjects[0],
  );
  const pins = pinCurrents(circuit).filter(({ pin }) =>
    group ? !group.pins || group.pins.includes(pin) : keyOf(circuit.controller?.id, pin) === finding.subjects[0],
  );
  const nets = circuit.nets.filter((net) =>
    net.ends.some((e) => e.controller && pins.some(({ pin }) => pin === e.terminal)),
  );
  const helpers = new Set(
    nets.flatMap((net) => [...net.series, ...net.pullDowns].flatMap(({ helper }) => helper ?? [])),
  );
  const factor = measured / limit;
  let changed = 0;
  const larger = <H extends { readonly ohms: number }>(h: H): H => {
    const ohms = seriesBetween(circuit.plan.rules.series, h.ohms * factor, h.ohms * factor * 3)[0];
    if (ohms === undefined) return h;
    changed += 1;
    return { ...h, ohms };
  };
  const plan = [...helpers].reduce(
    (p, id) => changeHelperOf(changeHelperOf(p, id, 'series', larger), id, 'pull-down', larger),
    circuit.plan,
  );
  if (changed === 0) return [];
  const title = tell('makeLargerOrLittle', {
    changed: changed === 1 ? tell('resistor') : tell('resistors', { changed }),
    factor: quantityOf((factor - 1) * 100, '%', 2),
  });
  return [{ id: `larger:${finding.subjects[0]}`, title, plan }];
};
