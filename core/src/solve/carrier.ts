/** Putting a carrier on the controller: its fitted parts come into the plan, on the pins that it leads them to. */
import type { Card } from '../card/card.ts';
import type { Library } from '../card/library.ts';
import { carrierOf } from '../circuit/carrier.ts';
import type { Circuit } from '../circuit/model.ts';
import { freeId, newPart } from '../plan/edits.ts';
import { removePart } from '../plan/remove.ts';
import type { PartChoice, Plan, PortChoice } from '../plan/plan.ts';
import { keyOf } from '../plan/ref.ts';

/** @returns null when the card is no carrier or does not fit the controller */
export function addCarrier(circuit: Circuit, library: Library, card: Card): Plan | null {
  const controller = circuit.controller;
  const names = controller && card.carrier?.fits[controller.card.id];
  if (!card.carrier || !controller || !names) return null;
  const old = carrierOf(circuit);
  let plan = old ? removeCarrier(circuit.plan, old.part) : circuit.plan;
  const id = freeId(plan, card.name);
  const logic = keyOf(controller.id, controller.card.controller?.io.reference ?? '');
  plan = {
    ...plan,
    parts: [...plan.parts, newPart(plan, card, card.name, card.name)],
  };
  for (const fitted of card.carrier.fitted) {
    const its = library.get(fitted.card);
    if (!its) continue;
    const ports = Object.fromEntries(
      Object.entries(fitted.lines).map(([port, lines]): [string, PortChoice] => [
        port,
        {
          lines: Object.fromEntries(
            Object.entries(lines).map(([line, name]) => [line, { pin: names[name] ?? null, locked: true }]),
          ),
        },
      ]),
    );
    // What sits on the carrier is fed from the levels that the controller speaks.
    const feeds = Object.fromEntries(its.supplies.map((supply) => [supply.id, logic]));
    const part: PartChoice = {
      ...newPart(plan, its, fitted.label, fitted.label, feeds),
      ports,
      fittedOn: id,
    };
    plan = { ...plan, parts: [...plan.parts, part] };
  }
  return plan;
}

/** Takes a carrier off, with everything that is fitted on it. */
export const removeCarrier = (plan: Plan, carrier: string): Plan =>
  removePart(
    plan.parts.filter(({ fittedOn }) => fittedOn === carrier).reduce((p, part) => removePart(p, part.id), plan),
    carrier,
  );
