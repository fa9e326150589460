/** What is put on while a program is loaded and taken off again: a step of its own, after everything else. */
import { cautionsOf } from '../circuit/cautions.ts';
import type { Circuit } from '../circuit/model.ts';
import { meetings } from '../check/supply-back-feed.ts';
import { reliefs, visits } from '../circuit/programming.ts';
import type { Card } from '../card/card.ts';
import type { PartChoice } from '../plan/plan.ts';
import { look } from './expect.ts';
import type { WiringStep } from './step.ts';
import { tells, type Text, type Message } from '../quantity/message.ts';
import { keyOf, ownerOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface DeliverProgrammingStepSays {
  readonly to: { printed: Text; farTerminal: Text };
  readonly board: null;
  readonly lines: { lines: readonly Text[] };
  readonly programmer: { ground: Text; boardGround: Text; board: Text };
  readonly whichFeedsMeanwhile: { printed: Text; farTerminal: Text; fed: Text };
  readonly wheneverCableGoesInto: { part: Text; hand: Text };
  readonly switchBeforeOff: { hand: Text };
  readonly onlyThenCableGoes: null;
  readonly onlyWhileProgramLoaded: { part: Text };
  readonly off: { label: Text };
  readonly whenProgramLoadedTake: null;
}

const tell = tells<DeliverProgrammingStepSays>('deliver/programming-step');

const printed = (card: Card | undefined, terminal: string | undefined): string =>
  card?.terminals.find(({ id }) => id === terminal)?.label ?? terminal ?? '?';

const groundOf = (card: Card | undefined): string =>
  printed(card, card?.terminals.find(({ role }) => role === 'ground')?.id);

/** "GND of the programmer to GND of the board, TXD to RX, RXD to TX." */
function linesSaid(circuit: Circuit, part: PartChoice, card: Card | undefined): Message {
  const board = circuit.controller;
  const lines = Object.entries(part.ports).flatMap(([id, { lines: own }]) => {
    const port = card?.ports.find((p) => p.id === id);
    return Object.entries(own ?? {}).flatMap(([line, { pin }]) => {
      const signal = card?.signals.find((s) => s.id === port?.lines[line]);
      return pin === null
        ? []
        : [tell('to', { printed: printed(card, signal?.terminal), farTerminal: printed(board?.card, pin) })];
    });
  });
  const ground = tell('programmer', {
    ground: groundOf(card),
    boardGround: groundOf(board?.card),
    board: board?.label ?? tell('board'),
  });
  return tell('lines', { lines: [ground, ...lines] });
}

function feedsSaid(circuit: Circuit, part: PartChoice, card: Card | undefined): Message[] {
  return circuit.plan.parts.flatMap((fed) =>
    Object.entries(fed.also ?? {}).flatMap(([supply, rail]) => {
      const { part: owner, own: id } = parseRef(rail);
      if (owner !== part.id) return [];
      const from = card?.rails?.find((r) => r.id === id)?.terminal;
      const own = circuit.parts.get(fed.id)?.card;
      return [
        tell('whichFeedsMeanwhile', {
          printed: printed(card, from),
          farTerminal: printed(own, own?.supplies.find((s) => s.id === supply)?.terminal),
          fed: fed.label,
        }),
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
          key: `hand:${keyOf(part.id, id)}`,
          phase: 'programming',
          title: tell('wheneverCableGoesInto', { part: part.label, hand: hand.name }),
          put: [],
          leads: [],
          checks: [look(tell('switchBeforeOff', { hand: hand.name })), look(tell('onlyThenCableGoes'))],
          cautions: [],
          subjects: [part.id, keyOf(part.id, id)],
        },
      ];
    }),
  );
}

/** One step for each part that visits. */
export function programmingSteps(circuit: Circuit): WiringStep[] {
  const label = (ref: string) => circuit.plan.parts.find(({ id }) => id === ownerOf(ref))?.label ?? ref;
  return circuit.plan.parts.filter(visits).map((part): WiringStep => {
    const card = circuit.cards.get(part.card);
    const off = reliefs(circuit.plan).filter(({ rail }) => ownerOf(rail) === part.id);
    return {
      key: `programming:${part.id}`,
      phase: 'programming',
      title: tell('onlyWhileProgramLoaded', { part: part.label }),
      put: [],
      leads: [],
      checks: [
        ...off.map(({ other }) => look(tell('off', { label: label(other) }))),
        look(linesSaid(circuit, part, card)),
        ...feedsSaid(circuit, part, card).map(look),
        look(tell('whenProgramLoadedTake')),
      ],
      cautions: cautionsOf(circuit, (id) => id === part.id),
      subjects: [part.id],
    };
  });
}
