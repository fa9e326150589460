import type { Card } from '../card/card.ts';
import type { Port } from '../card/port.ts';
import { openable } from '../card/openable.ts';
import { changePart } from './edits.ts';
import { renamed } from './helpers.ts';
import type { Plan, PortChoice } from './plan.ts';
import { isOf, keyOf, parseRef } from './ref.ts';

/**
 * Puts another card in a part's place. Ports keep their bus and pins where the new card has one of the same
 * protocol; supplies keep their rails in order; addresses and opened pull-ups start afresh.
 */
export function swapCard(plan: Plan, part: string, from: Card, to: Card): Plan {
  const portMap = new Map<string, string>();
  const left = [...to.ports];
  for (const port of from.ports) {
    const i = left.findIndex(({ protocol }) => protocol === port.protocol);
    const match = left[i];
    if (match) {
      portMap.set(port.id, match.id);
      left.splice(i, 1);
    }
  }
  const changed = changePart(plan, part, ({ ties: _ties, ...p }) => ({
    ...p,
    card: to.id,
    feeds: Object.fromEntries(
      to.supplies.flatMap(({ id }, i) => {
        const rail = p.feeds[id] ?? p.feeds[from.supplies[i]?.id ?? ''];
        return rail ? [[id, rail]] : [];
      }),
    ),
    ports: Object.fromEntries(
      from.ports.flatMap((port) => {
        const target = to.ports.find(({ id }) => id === portMap.get(port.id));
        const choice = p.ports[port.id];
        return target && choice ? [[target.id, carried(choice, target)]] : [];
      }),
    ),
    opened: p.opened.filter((id) => openable(to).includes(id)),
  }));
  const inNew = (port: string | undefined): string | null => portMap.get(port ?? '') ?? null;
  return {
    ...changed,
    helpers: changed.helpers.flatMap(
      (helper) =>
        renamed(helper, {
          port: (name) => {
            const port = name.part === part ? inNew(name.port) : name.port;
            return port === null ? null : { ...name, port };
          },
          net: (of) => {
            if (of === part || !isOf(of, part)) return of;
            const port = inNew(parseRef(of).own);
            return port === null ? null : keyOf(part, port);
          },
        }) ?? [],
    ),
  };
}

function carried({ address: _address, number: _number, lines, ...rest }: PortChoice, target: Port): PortChoice {
  if (!lines) return rest;
  return {
    ...rest,
    lines: Object.fromEntries(Object.entries(lines).filter(([line]) => Object.hasOwn(target.lines, line))),
  };
}
