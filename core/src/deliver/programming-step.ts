/** What is put on while a program is loaded and taken off again: a step of its own, after everything else. */
import { cautionsOf } from '../circuit/cautions.ts';
import type { Circuit } from '../circuit/circuit.ts';
import { meetings } from '../check/supply-back-feed.ts';
import { reliefs, visits } from '../circuit/programming.ts';
import type { Card } from '../card/card.ts';
import type { PartChoice } from '../plan/plan.ts';
import { look } from './expect.ts';
import type { WiringStep } from './wiring.ts';

const printed = (card: Card | undefined, terminal: string | undefined): string =>
  card?.terminals.find(({ id }) => id === terminal)?.label ?? terminal ?? '?';

const groundOf = (card: Card | undefined): string =>
  printed(card, card?.terminals.find(({ role }) => role === 'ground')?.id);

/** "GND of the programmer to GND of the board, TXD to RX, RXD to TX." */
function linesSaid(circuit: Circuit, part: PartChoice, card: Card | undefined): string {
  const board = circuit.controller;
  const lines = Object.entries(part.ports).flatMap(([id, { lines: own }]) => {
    const port = card?.ports.find((p) => p.id === id);
    return Object.entries(own ?? {}).flatMap(([line, { pin }]) => {
      const signal = card?.signals.find((s) => s.id === port?.lines[line]);
      return pin === null ? [] : [`${printed(card, signal?.terminal)} to ${printed(board?.card, pin)}`];
    });
  });
  const ground = `${groundOf(card)} of the programmer to ${groundOf(board?.card)} of ${board?.label ?? 'the board'}`;
  return `${[ground, ...lines].join(', ')}.`;
}

function feedsSaid(circuit: Circuit, part: PartChoice, card: Card | undefined): string[] {
  return circuit.plan.parts.flatMap((fed) =>
    Object.entries(fed.also ?? {}).flatMap(([supply, rail]) => {
      const [owner, id] = rail.split('.');
      if (owner !== part.id) return [];
      const from = card?.rails?.find((r) => r.id === id)?.terminal;
      const own = circuit.parts.get(fed.id)?.card;
      return [
        `${printed(card, from)} to ${printed(own, own?.supplies.find((s) => s.id === supply)?.terminal)} of ${fed.label}, which it feeds meanwhile.`,
      ];
    }),
  );
}

/** Where a switch that a hand turns stands between a source and a socket: what has to be done each time. */
export function handSteps(circuit: Circuit): WiringStep[] {
  return [...circuit.parts.values()].flatMap((part) =>
    part.card.supplies.flatMap(({ id }): WiringStep[] => {
      const all = meetings(circuit, part, id);
      const hand = all.find((meeting) => meeting.hand);
      if (!hand || !all.some(({ socket }) => socket)) return [];
      return [
        {
          key: `hand:${part.id}.${id}`,
          phase: 'programming',
          title: `Whenever a cable goes into ${part.label}: the ${hand.name} off first`,
          put: [],
          leads: [],
          checks: [
            look(`The switch before the ${hand.name} is off.`),
            look('Only then the cable goes in; out again before the switch goes on.'),
          ],
          cautions: [],
          subjects: [part.id, `${part.id}.${id}`],
        },
      ];
    }),
  );
}

/** One step for each part that visits. */
export function programmingSteps(circuit: Circuit): WiringStep[] {
  const label = (ref: string) => circuit.plan.parts.find(({ id }) => id === ref.split('.')[0])?.label ?? ref;
  return circuit.plan.parts.filter(visits).map((part): WiringStep => {
    const card = circuit.cards.get(part.card);
    const off = reliefs(circuit.plan).filter(({ rail }) => rail.split('.')[0] === part.id);
    return {
      key: `programming:${part.id}`,
      phase: 'programming',
      title: `Only while a program is loaded: ${part.label}`,
      put: [],
      leads: [],
      checks: [
        ...off.map(({ other }) => look(`${label(other)} is off.`)),
        look(linesSaid(circuit, part, card)),
        ...feedsSaid(circuit, part, card).map(look),
        look('When the program is loaded, take it off again.'),
      ],
      cautions: cautionsOf(circuit, (id) => id === part.id),
      subjects: [part.id],
    };
  });
}
