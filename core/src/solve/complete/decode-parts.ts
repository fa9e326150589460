/** Parts and buses as they were decided, put into the plan. */
import { changeBus, changePart } from '../../plan/edits.ts';
import type { Plan } from '../../plan/plan.ts';
import type { Decided } from './decided.ts';
import type { Encoding } from './encode.ts';
import { CHOICE } from './names.ts';

/** Sources, regulators and the controller are fed as they were found to be. */
export function fedStanding({ bench }: Encoding): Plan {
  return bench.standing.plan.parts.reduce((plan, part) => {
    const old = plan.parts.find(({ id }) => id === part.id);
    if (!old) return { ...plan, parts: [...plan.parts, part] };
    return JSON.stringify(old.feeds) !== JSON.stringify(part.feeds)
      ? changePart(plan, part.id, (p) => ({ ...p, feeds: part.feeds }))
      : plan;
  }, bench.circuit.plan);
}

export function addParts({ bench, newSwitch }: Encoding, { of }: Decided, plan: Plan): Plan {
  const extras = bench.standing.extras.filter(({ part }) => of(CHOICE.extra(part.id)) === 'there');
  const parts = extras.map(({ part }) => part);
  const address = newSwitch && of(CHOICE.newSwitch);
  if (newSwitch && address) {
    const { card, id, rail, upstream } = newSwitch;
    const [supply] = card.supplies;
    parts.push({
      id,
      card: card.id,
      label: card.name,
      needs: [],
      feeds: supply ? { [supply.id]: rail } : {},
      ports: { [card.busSwitch?.port ?? '']: { bus: upstream, address: Number(address) } },
      opened: card.signals.flatMap((s) => (s.fittedPullUp?.removable === 'jumper' ? [s.id] : [])),
    });
  }
  return { ...plan, parts: [...plan.parts, ...parts] };
}

export function addSegments({ segments }: Encoding, { of }: Decided, plan: Plan): Plan {
  return segments.reduce((p, { bus, isNew }) => {
    const option = of(CHOICE.bus(bus.id));
    if (option === null) return p;
    const clock = Number(option);
    if (isNew) return { ...p, buses: [...p.buses, bus.clock === undefined ? bus : { ...bus, clock }] };
    return Number.isFinite(clock) && clock !== bus.clock ? changeBus(p, bus.id, (b) => ({ ...b, clock })) : p;
  }, plan);
}
