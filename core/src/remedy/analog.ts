/** Dividers and fixed resistors that are worked out, not asked for. */
import type { Library } from '../card/library.ts';
import { analogLinks, fullScale, type AnalogLink } from '../check/analog-links.ts';
import { sampleFarads } from '../check/analog-source.ts';
import type { Circuit } from '../circuit/model.ts';
import { toInterval } from '../card/to-interval.ts';
import { driverPeak } from '../physics/node.ts';
import { dividers } from '../physics/divider.ts';
import { fixedResistors } from '../physics/resistive.ts';
import { addHelper, changeHelperOf, freeId } from '../plan/edits.ts';
import type { Plan } from '../plan/plan.ts';
import { divide, feedFromLogic } from './level.ts';
import { logicRail } from './pull-up.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyAnalogSays {
  readonly makeDivider: { upper: Quantity; lower: Quantity };
  readonly putFromPinGround: { farads: Quantity; part: Text };
  readonly giveFixedResistorEvenness: { part: Text; ohms: Quantity; evenness: Quantity };
}

const tell = tells<RemedyAnalogSays>('remedy/analog');

const linkOf = (circuit: Circuit, net: string | undefined): AnalogLink | undefined =>
  analogLinks(circuit).find((link) => link.net.id === net);

/** A divider into the converter's range; one that is there is worked out anew. */
export const analogRangeRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const link = linkOf(circuit, finding.subjects[0]);
  if (!link) return [];
  if (link.divider) return resized(circuit, link);
  return [...divide(context, link.net, fullScale(link)), ...feedFromLogic(context, link.end)];
};

/** The divider of a link, worked out anew for what drives it. */
function resized(circuit: Circuit, link: AnalogLink): Candidate[] {
  const id = link.divider?.helper;
  const above = circuit.nets.find(({ beyond }) => beyond !== null && beyond === id)?.ends[0];
  const volts = above && driverPeak(above)?.volts;
  if (!id || volts === undefined) return [];
  const most = link.adc.sourceResistance ? toInterval(link.adc.sourceResistance).min : undefined;
  const [best] = dividers(volts, fullScale(link), circuit.plan.rules.series, circuit.tolerance, most);
  if (!best) return [];
  const { upper, lower } = best;
  return [
    {
      id: `divider:${id}:${upper}:${lower}`,
      title: tell('makeDivider', { upper: quantityOf(upper, 'Ω'), lower: quantityOf(lower, 'Ω') }),
      plan: changeHelperOf(circuit.plan, id, 'divider', (h) => ({ ...h, upper, lower })),
    },
  ];
}

/** A divider whose two resistors side by side the converter takes. */
export const analogSourceRemedies: Proposer = ({ circuit, finding, library }) => {
  const link = linkOf(circuit, finding.subjects[0]);
  return link ? [...resized(circuit, link), ...filtered(circuit, link, library)] : [];
};

/** The smallest capacitor that gives the converter its sample, from the pin to ground. */
function filtered(circuit: Circuit, { net, adc, part }: AnalogLink, library: Library): Candidate[] {
  const { part: own, own: port = '' } = parseRef(net.of);
  const wanted = sampleFarads(adc.bits);
  const [card] = [...library.values()]
    .filter(({ capacitor }) => capacitor && !capacitor.polar && capacitor.farads >= wanted)
    .toSorted((a, b) => (a.capacitor?.farads ?? 0) - (b.capacitor?.farads ?? 0));
  const farads = card?.capacitor?.farads;
  if (!card || farads === undefined) return [];
  const id = freeId(circuit.plan, `filter-${own}`);
  return [
    {
      id: `filter:${net.id}`,
      title: tell('putFromPinGround', { farads: quantityOf(farads, 'F'), part: part.label }),
      plan: addHelper(circuit.plan, { id, kind: 'filter', part: own, port, line: net.line, farads, card: card.id }),
    },
  ];
}

/**
 * The plan with a fixed resistor of so many ohms for a bare part: the one that is there changed, or a new one from the rail
 * that the converter follows, else from the controller's own.
 */
export function withFixedResistor(circuit: Circuit, plan: Plan, link: AnalogLink, ohms: number): Plan | null {
  const { fixed, of, line } = link.net;
  if (fixed) return changeHelperOf(plan, fixed.helper, 'fixed', (h) => ({ ...h, ohms }));
  const follows = keyOf(link.reader.id, link.adc.follows);
  const to = circuit.rails.has(follows) ? follows : logicRail(circuit);
  const { part, own: port = '' } = parseRef(of);
  if (!to) return null;
  return addHelper(plan, { id: freeId(plan, `fixed-${part}`), kind: 'fixed', part, port, line, to, ohms });
}

/** The fixed resistor with the most even slope over the wanted range, and the two next to it. */
export const fixedResistorRemedies: Proposer = ({ circuit, finding }) => {
  const link = analogLinks(circuit).find(
    ({ net, need }) => net.id === finding.subjects[0] && need?.id === finding.subjects[1],
  );
  const transfer = link?.measure?.analog;
  if (!link?.need || !transfer || transfer.kind === 'linear') return [];
  return fixedResistors(transfer, link.need, circuit.plan.rules.series)
    .slice(0, 3)
    .flatMap(({ ohms, evenness }) => {
      const plan = withFixedResistor(circuit, circuit.plan, link, ohms);
      const title = tell('giveFixedResistorEvenness', {
        part: link.part.label,
        ohms: quantityOf(ohms, 'Ω'),
        evenness: quantityOf(evenness * 100, '%', 2),
      });
      return plan ? [{ id: `fixed:${link.net.id}:${ohms}`, title, plan }] : [];
    });
};
