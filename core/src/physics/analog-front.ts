/** How the analog readings of a plan reach its controller: rail, divider, fixed resistor, converter. */
import { legsIn } from '../plan/helpers.ts';
import type { Card } from '../card/card.ts';
import type { Measure } from '../card/measure.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, PartNode } from '../circuit/model.ts';
import { readerOf } from '../circuit/converter.ts';
import { dividerShare, outputOhms } from '../circuit/divider.ts';
import type { Interval } from '../quantity/interval.ts';
import type { SeriesName } from '../standard/e-series.ts';
import type { Front } from './analog-chain.ts';
import { keyOf } from '../plan/ref.ts';
import { netOf } from '../circuit/watched.ts';

const halfShare = ({ min, typ, max }: Interval): number => (typ === 0 ? 0 : (max - min) / 2 / typ);

/** The front of a controller that no part is on yet: the sensor fed from its logic rail, as the comparison assumes. */
export const boardFront = (card: Card, logic: Interval, series: SeriesName): Front => ({
  adc: card.controller?.adc,
  supply: logic.typ,
  supplyTolerance: halfShare(logic),
  ratiometric: card.controller?.adc?.follows !== undefined,
  series,
});

/** The net on which the voltage of a measure arrives at the controller. */
export function analogNet(circuit: Circuit, part: PartNode, measure: Measure): Net | undefined {
  const port = part.card.ports.find(
    ({ protocol, lines }) => protocol === 'analog' && lines.out === measure.analog?.signal,
  );
  return port && netOf(circuit, keyOf(part.id, port.id, 'out'));
}

/** How this part's voltage reaches the controller of the plan. */
export function frontOf(circuit: Circuit, part: PartNode, measure: Measure): Front {
  const net = analogNet(circuit, part, measure);
  const reader = net ? readerOf(circuit, net) : null;
  const adc = reader?.adc ?? circuit.controller?.card.controller?.adc;
  const divider = legsIn(circuit.plan, 'divider').find(
    (leg) => leg.part === part.id && net?.of === keyOf(leg.part, leg.port),
  );
  const feed = part.card.supplies[0] && circuit.feeds.get(keyOf(part.id, part.card.supplies[0].id));
  const ref = net?.fixed?.rail ?? feed?.rail ?? null;
  const rail = ref === null ? undefined : circuit.rails.get(ref);
  const logic = circuit.rails.get(keyOf(reader?.part.id ?? circuit.controller?.id, adc?.follows));
  // A bare part without its resistor yet is seen as it would be: from the controller's own rail.
  const supply = rail?.voltage ?? (feed ? null : (logic?.voltage ?? (adc ? toInterval(adc.reference) : null)));
  return {
    adc,
    supply: supply?.typ ?? 0,
    supplyTolerance: supply ? halfShare(supply) : 0,
    ratiometric: logic !== undefined && (rail?.root ?? logic.root) === logic.root,
    series: circuit.plan.rules.series,
    divider: divider && dividerShare(divider, outputOhms(part.card, divider), circuit.tolerance),
    fixed: net?.fixed?.ohms.typ,
    tolerance: circuit.tolerance,
  };
}
