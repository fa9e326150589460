/**
 * Single edits of a plan, one after another, without asking what is wrong with it: what somebody would try who knows nothing. Parts and
 * needs stay, and so does the board. Written apart from the remedies and the solver, to hold them to their word.
 */
import type { Circuit } from '../../src/circuit/model.ts';
import type { Library } from '../../src/card/library.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { documentOf } from '../../src/plan/document.ts';
import {
  addHelper,
  changeBus,
  changePart,
  changePort,
  freeId,
  setFeed,
  setOpened,
  setRules,
} from '../../src/plan/edits.ts';
import type { HouseRules } from '../../src/plan/house-rules.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { swapCard } from '../../src/plan/swap.ts';
import { addPart } from '../../src/solve/add-part.ts';

export interface Edit {
  readonly says: string;
  readonly plan: Plan;
}

const RULES: readonly Partial<HouseRules>[] = [
  { marginalLevels: 'working' },
  { marginalSupplies: 'working' },
  { feed: 'five-volts' },
  { pullUps: 'keep' },
  { pinPower: 1 },
  { derating: 1 },
  { soldering: 'cheapest' },
];
const OHMS = [100, 220, 470, 1e3, 2.2e3, 4.7e3, 10e3, 22e3, 47e3];

export function* everyEdit(circuit: Circuit, library: Library): Generator<Edit> {
  const { plan } = circuit;
  for (const rules of RULES) yield { says: `rule ${JSON.stringify(rules)}`, plan: setRules(plan, rules) };
  yield { says: 'overlap', plan: { ...plan, overlap: true } };
  for (const part of circuit.parts.values()) {
    if (!part.choice || part.helper) continue;
    const { id, card, choice } = part;
    for (const supply of card.supplies)
      for (const rail of circuit.rails.keys())
        if (!rail.startsWith(`${id}.`))
          yield { says: `feed ${id} from ${rail}`, plan: setFeed(plan, id, supply.id, rail) };
    for (const gauge of [26, 22, 18])
      yield { says: `gauge ${gauge} to ${id}`, plan: changePart(plan, id, (p) => ({ ...p, gauge })) };
    for (const lead of [0.05, 0.5])
      yield { says: `lead ${lead} to ${id}`, plan: changePart(plan, id, (p) => ({ ...p, lead })) };
    for (const signal of card.signals)
      if (signal.fittedPullUp && signal.fittedPullUp.removable !== 'no')
        yield { says: `jumper of ${id}`, plan: setOpened(plan, id, signal.id, !choice.opened.includes(signal.id)) };
    if (card.kind !== 'controller')
      for (const other of library.values())
        if (other.id !== card.id && other.kind === card.kind && card.kind !== 'module')
          yield { says: `${other.id} as ${id}`, plan: swapCard(plan, id, card, other) };
    for (const port of card.ports) {
      yield { says: `no hold ${id}`, plan: changePort(plan, id, port.id, (c) => ({ ...c, noHold: true })) };
      for (const { value } of port.addresses ?? [])
        yield {
          says: `address ${value} of ${id}`,
          plan: changePort(plan, id, port.id, (c) => ({ ...c, address: value })),
        };
      for (const translator of library.values())
        if (translator.translator)
          for (const near of circuit.rails.keys())
            for (const far of circuit.rails.keys())
              if (near !== far)
                yield {
                  says: `${translator.id} before ${id}, ${near} to ${far}`,
                  plan: addHelper(plan, {
                    id: freeId(plan, 'tried'),
                    kind: 'translator',
                    card: translator.id,
                    near,
                    far,
                    ports: [{ part: id, port: port.id }],
                  }),
                };
      for (const line of Object.keys(port.lines))
        for (const ohms of OHMS) {
          const own = { id: freeId(plan, 'tried'), part: id, port: port.id, line, ohms };
          const helpers: Helper[] = [
            { ...own, kind: 'series' },
            { ...own, kind: 'pull-down' },
            ...[...circuit.rails.keys()].map((to) => ({ ...own, kind: 'fixed' as const, to })),
          ];
          for (const helper of helpers)
            yield { says: `${helper.kind} ${ohms} at ${id}`, plan: addHelper(plan, helper) };
        }
    }
  }
  for (const bus of plan.buses)
    for (const clock of [10e3, 50e3, 100e3, 400e3])
      yield { says: `${bus.id} at ${clock}`, plan: changeBus(plan, bus.id, (b) => ({ ...b, clock })) };
  for (const card of library.values())
    if (['source', 'regulator', 'driver', 'module'].includes(card.kind))
      yield { says: `add ${card.id}`, plan: addPart(circuit, library, card).plan };
}

/** The circuit of an edited plan. */
export const afterEdit = (circuit: Circuit, library: Library, { plan }: Edit): Circuit =>
  deriveCircuit(documentOf(plan, circuit.cards.values(), library));
