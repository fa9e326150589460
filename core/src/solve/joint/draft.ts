/** A problem by names, in pieces; put together, the names become indexes. */
import type { Choice, Goals, Member, Problem, Requirement, Resource } from './problem.ts';

export interface DraftUse {
  readonly resource: Resource;
  readonly amount: number;
}

export interface Draft {
  readonly id: string;
  readonly goals?: Partial<Goals>;
  readonly uses?: readonly DraftUse[];
  /** Choice -> the options of it that suit. */
  readonly requires?: Readonly<Record<string, readonly string[]>>;
  /** Choice -> options, of which at least one in all must be taken. */
  readonly needsAny?: Readonly<Record<string, readonly string[]>>;
  /** The member that has to be given up first. */
  readonly freedBy?: string;
}

export interface DraftChoice {
  readonly id: string;
  readonly options: readonly Draft[];
}

/** A part of a problem. Of solutions that cost the same the order of what is in it decides. */
export interface Piece {
  /** Those that come before the ones that the options name themselves. */
  readonly resources?: readonly Resource[];
  readonly members?: readonly Member[];
  readonly choices?: readonly DraftChoice[];
}

const indexOf = <T extends { readonly id: string }>(list: readonly T[]): Map<string, number> =>
  new Map(list.map(({ id }, i) => [id, i]));

/** What is named twice is there once, as it was first named. */
const once = <T extends { readonly id: string }>(list: readonly T[]): T[] => {
  const first = new Map<string, T>();
  for (const item of list) if (!first.has(item.id)) first.set(item.id, item);
  return [...first.values()];
};

/** @throws RangeError when a choice is there twice, or an option names a choice or a member that is not there */
export function problemOf(pieces: readonly Piece[]): Problem {
  const drafts = pieces.flatMap(({ choices = [] }) => choices);
  const members = once(pieces.flatMap((piece) => piece.members ?? []));
  const resources = once(
    pieces.flatMap(({ resources: ahead = [], choices = [] }) => [
      ...ahead,
      ...choices.flatMap(({ options }) => options.flatMap(({ uses = [] }) => uses.map(({ resource }) => resource))),
    ]),
  );
  const known = (index: number | undefined, what: string): number => {
    if (index === undefined) throw new RangeError(`no ${what} in the problem`);
    return index;
  };
  const resourceAt = indexOf(resources);
  const memberAt = indexOf(members);
  const choiceAt = indexOf(drafts);
  if (choiceAt.size < drafts.length) throw new RangeError('a choice is there twice in the problem');
  const optionAt = new Map(drafts.map(({ id, options }) => [id, indexOf(options)]));
  const toRequirements = (wanted: Readonly<Record<string, readonly string[]>>): Requirement[] =>
    Object.entries(wanted).map(([choice, options]) => ({
      choice: known(choiceAt.get(choice), `choice ${choice}`),
      options: options.flatMap((name) => optionAt.get(choice)?.get(name) ?? []),
    }));
  const choices = drafts.map(({ id, options }): Choice => ({
    id,
    options: options.map(({ id: option, goals = {}, uses = [], requires = {}, needsAny, freedBy }) => ({
      id: option,
      goals,
      uses: uses.map(({ resource, amount }) => ({ resource: known(resourceAt.get(resource.id), resource.id), amount })),
      requires: toRequirements(requires),
      ...(needsAny === undefined ? {} : { needsAny: [toRequirements(needsAny)] }),
      ...(freedBy === undefined ? {} : { freedBy: known(memberAt.get(freedBy), `member ${freedBy}`) }),
    })),
  }));
  return { choices, resources, members };
}
