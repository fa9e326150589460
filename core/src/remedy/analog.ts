/** Dividers and fixed resistors that are worked out, not asked for. */
import { analogLinks, fullScale, type AnalogLink } from '../check/analog-links.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { toInterval } from '../card/to-interval.ts';
import { driverPeak } from '../physics/node.ts';
import { dividers } from '../physics/divider.ts';
import { fixedResistors } from '../physics/resistive.ts';
import { addHelper, changeHelper, freeId } from '../plan/edits.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { divide, feedFromLogic } from './level.ts';
import { pullRail } from './pull-up.ts';
import type { Candidate, Proposer } from './remedy.ts';

const linkOf = (circuit: Circuit, net: string | undefined): AnalogLink | undefined =>
  analogLinks(circuit).find((link) => link.net.id === net);

/** A divider into the converter's range; one that is there is worked out anew. */
export const analogRangeRemedies: Proposer = (context) => {
  const { circuit, finding } = context;
  const link = linkOf(circuit, finding.subjects[0]);
  if (!link) return [];
  const there = circuit.plan.helpers.find(({ id }) => id === link.end.part);
  const above = circuit.nets.find(({ beyond }) => beyond !== null && beyond === there?.id)?.ends[0];
  const peak = above && driverPeak(above);
  if (there?.kind === 'divider' && peak) return resized(circuit, link, there.id, peak.volts);
  return [...divide(context, link.net, fullScale(link)), ...feedFromLogic(context, link.end)];
};

function resized(circuit: Circuit, link: AnalogLink, id: string, volts: number): Candidate[] {
  const most = link.adc.sourceResistance ? toInterval(link.adc.sourceResistance).min : undefined;
  const [best] = dividers(volts, fullScale(link), circuit.plan.rules.series, most);
  if (!best) return [];
  const { upper, lower } = best;
  return [
    {
      id: `divider:${id}:${upper}:${lower}`,
      title: `Make the divider ${formatQuantity(upper, 'Ω')} and ${formatQuantity(lower, 'Ω')}`,
      plan: changeHelper(circuit.plan, id, (h) => (h.kind === 'divider' ? { ...h, upper, lower } : h)),
    },
  ];
}

/** A divider whose two resistors side by side the converter takes. */
export const analogSourceRemedies: Proposer = ({ circuit, finding }) => {
  const link = linkOf(circuit, finding.subjects[0]);
  const there = circuit.plan.helpers.find(({ id }) => id === link?.end.part);
  const above = circuit.nets.find(({ beyond }) => beyond !== null && beyond === there?.id)?.ends[0];
  const peak = above && driverPeak(above);
  return link && there && peak ? resized(circuit, link, there.id, peak.volts) : [];
};

/** The fixed resistor with the most even slope over the wanted range, and the two next to it. */
export const fixedResistorRemedies: Proposer = ({ circuit, finding }) => {
  const link = analogLinks(circuit).find(
    ({ net, need }) => net.id === finding.subjects[0] && need?.id === finding.subjects[1],
  );
  const transfer = link?.measure?.analog;
  if (!link?.need || !transfer || transfer.kind === 'linear') return [];
  const adc = circuit.controller?.card.controller?.adc;
  const follows = circuit.controller && `${circuit.controller.id}.${adc?.follows}`;
  const rail = follows && circuit.rails.has(follows) ? follows : pullRail(circuit, { ...link.net, beyond: null });
  const [, port = ''] = link.net.of.split('.');
  if (!rail) return [];
  return fixedResistors(transfer, link.need, circuit.plan.rules.series)
    .slice(0, 3)
    .map(({ ohms, evenness }) => ({
      id: `fixed:${link.net.id}:${ohms}`,
      title: `Put ${formatQuantity(ohms, 'Ω')} from the ${circuit.rails.get(rail)?.label ?? rail} to ${link.part.label} (evenness ${formatQuantity(evenness * 100, '%', 2)})`,
      plan: link.net.fixed
        ? changeHelper(circuit.plan, link.net.fixed.helper, (h) => (h.kind === 'fixed' ? { ...h, ohms } : h))
        : addHelper(circuit.plan, {
            id: freeId(circuit.plan, `fixed-${link.part.id}`),
            kind: 'fixed',
            part: link.part.id,
            port,
            line: link.net.line,
            to: rail,
            ohms,
          }),
    }));
};
