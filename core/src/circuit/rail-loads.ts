/** The draws on a rail one by one. */
import type { Interval } from '../quantity/interval.ts';
import { quantityOf, tells, type Quantity, type Sum, type Text } from '../quantity/message.ts';
import { highest, mean, type Steps } from '../quantity/steps.ts';
import { divide, multiply } from '../quantity/sum.ts';
import type { Currents } from './currents.ts';
import { drawOf } from './draw.ts';
import type { Flow } from './flow.ts';
import type { Load, PartNode } from './model.ts';
import type { Supply } from '../card/card-shape.ts';
import { fewOfOwner } from '../quantity/memo.ts';
import type { Offered, PowerTree } from './power-tree.ts';
import { efficiencyAt } from './regulator.ts';
import type { Topology } from './topology.ts';

/** What is said here, by the data that it takes. */
export interface RailLoadsSays {
  readonly made: { part: Text; offer: Text };
  readonly itself: { maker: Text };
  readonly passed: { peak: Quantity };
}
const tell = tells<RailLoadsSays>('circuit/rail-loads');

const AMPS = (value: number) => quantityOf(value, 'A');
const VOLTS = (value: number) => quantityOf(value, 'V');

const FACES = ['usual', 'most', 'lasting', 'surge'] as const satisfies readonly (keyof Currents)[];

/** What a part draws at one supply is the same load while it draws the same. */
const partLoad = fewOfOwner(
  (part: PartNode, [, sum, usual, most, lasting, surge]: readonly [Supply, Sum, ...Steps[]]): Load => ({
    kind: 'part',
    subject: part.id,
    label: part.label,
    typical: usual ? mean(usual) : 0,
    most: most ? mean(most) : 0,
    lasting: lasting ? mean(lasting) : 0,
    peak: surge ? highest(surge) : 0,
    sum,
  }),
);

/** @param volts of the rails with nothing lost */
export function loadsOf(
  { tree, rhythms: beats }: Topology,
  flows: Currents,
  { ref, part: maker, offer }: Offered,
  volts: (ref: string) => Interval | null,
): Load[] {
  const loads: Load[] = (flows.small.get(ref) ?? []).map(({ rail: _on, ...load }) => ({
    ...load,
    kind: 'small',
    lasting: load.most,
  }));
  if (offer.ownLoad) {
    const draw = drawOf(offer.ownLoad, beats.get(maker.id), maker.choice?.run?.clock);
    loads.push({
      kind: 'board',
      subject: maker.id,
      label: tell('itself', { maker: maker.label }),
      typical: mean(draw.usual),
      most: mean(draw.most),
      lasting: draw.lasting,
      peak: highest(draw.surge),
      sum: draw.sum,
    });
  }
  const of = (pick: (flow: Flow) => ReturnType<Flow['own']>) => ({
    typical: mean(pick(flows.usual)),
    most: mean(pick(flows.most)),
    lasting: mean(pick(flows.lasting)),
    peak: highest(pick(flows.surge)),
  });
  for (const fed of tree.fedBy.get(ref) ?? []) {
    const { part, supply, makes } = fed;
    const draws = FACES.map((face) => flows[face].own(fed));
    const { sum } = drawOf(supply.current, beats.get(part.id), part.choice?.run?.clock);
    const load = partLoad(part, [supply, sum, ...draws]);
    if (load.peak > 0) loads.push(load);
    for (const below of makes) {
      const made = tree.offers.get(below);
      if (!made || !tree.ways.get(below)) continue;
      const through = of((flow) => flow.into(below));
      if (through.peak > 0)
        loads.push({
          kind: 'rail',
          subject: below,
          label: tell('made', { part: part.label, offer: made.offer.name }),
          ...through,
          sum: throughSum(tree, below, highest(flows.surge.rail(below)), volts),
        });
    }
  }
  for (const pin of tree.pinsOn.get(ref) ?? []) {
    const through = of((flow) => flow.rail(pin.ref));
    if (through.peak > 0)
      loads.push({
        kind: 'rail',
        subject: pin.ref,
        label: pin.offer.name,
        ...through,
        sum: tell('passed', { peak: AMPS(through.peak) }),
      });
  }
  return loads;
}

function throughSum(tree: PowerTree, ref: string, peak: number, volts: (ref: string) => Interval | null): Sum {
  const offered = tree.offers.get(ref);
  const from = offered?.offer.from;
  const above = offered?.up ? volts(offered.up) : null;
  const own = volts(ref);
  if (from?.by !== 'switching' || !above || !own) return tell('passed', { peak: AMPS(peak) });
  const share = Number(efficiencyAt(from, peak).toFixed(3));
  return divide(multiply(AMPS(peak), VOLTS(own.typ)), multiply(share, VOLTS(above.min)));
}
