/** Everything that names a rail, led to another at once. */
import { renamed } from './helpers.ts';
import type { PartChoice, Plan, PortChoice } from './plan.ts';

/** Another rail in place of one; null where there is none any more. */
export type Successor = (rail: string) => string | null;

function led(feeds: Readonly<Record<string, string>>, at: Successor): Record<string, string> {
  return Object.fromEntries(
    Object.entries(feeds).flatMap(([supply, ref]) => {
      const to = at(ref);
      return to === null ? [] : [[supply, to]];
    }),
  );
}

/** A line that was tied to a rail that is gone wants a pin again. */
function retied(choice: PortChoice, at: Successor): PortChoice {
  if (!choice.lines) return choice;
  const lines = Object.fromEntries(
    Object.entries(choice.lines).map(([line, { tied, ...rest }]) => {
      const to = tied === undefined || tied === 'ground' ? tied : at(tied);
      return [line, to === undefined || to === null ? rest : { ...rest, tied: to }];
    }),
  );
  return { ...choice, lines };
}

function ofPart({ also, ...part }: PartChoice, at: Successor): PartChoice {
  const left = led(also ?? {}, at);
  return {
    ...part,
    feeds: led(part.feeds, at),
    ...(Object.keys(left).length > 0 ? { also: left } : {}),
    ports: Object.fromEntries(Object.entries(part.ports).map(([port, choice]) => [port, retied(choice, at)])),
  };
}

/** The plan with every rail that something names led on: feeds, what meets them, lines that are tied, resistors, guards, translators. */
export const leadRails = (plan: Plan, at: Successor): Plan => ({
  ...plan,
  parts: plan.parts.map((part) => ofPart(part, at)),
  helpers: plan.helpers.flatMap((helper) => renamed(helper, { rail: at }) ?? []),
});
