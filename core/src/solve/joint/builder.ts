/** Puts a problem together by names; they become indexes at the end. */
import type { Choice, Goals, Member, Problem, Requirement, Resource } from './problem.ts';

export interface Draft {
  readonly id: string;
  readonly goals?: Partial<Goals>;
  /** Resource -> amount. */
  readonly uses?: Readonly<Record<string, number>>;
  /** Choice -> the options of it that suit. */
  readonly requires?: Readonly<Record<string, readonly string[]>>;
  /** Choice -> options, of which at least one in all must be taken. */
  readonly needsAny?: Readonly<Record<string, readonly string[]>>;
  /** The member that has to be given up first. */
  readonly freedBy?: string;
}

export class ProblemBuilder {
  private readonly drafts = new Map<string, Draft[]>();
  private readonly resources = new Map<string, Resource>();
  private readonly members = new Map<string, Member>();

  resource(id: string, capacity: number, kind?: string): string {
    if (!this.resources.has(id)) this.resources.set(id, { id, capacity, ...(kind === undefined ? {} : { kind }) });
    return id;
  }

  member(member: Member): string {
    this.members.set(member.id, member);
    return member.id;
  }

  choice(id: string, options: readonly Draft[]): string {
    this.drafts.set(id, [...options]);
    return id;
  }

  /** @returns the ids of a choice's options that are so */
  optionsOf(choice: string, wanted: (id: string) => boolean): string[] {
    return (this.drafts.get(choice) ?? []).flatMap(({ id }) => (wanted(id) ? [id] : []));
  }

  /** @throws RangeError when an option names a resource, a choice or a member that is not there */
  build(): Problem {
    const known = (index: number | undefined, what: string): number => {
      if (index === undefined) throw new RangeError(`no ${what} in the problem`);
      return index;
    };
    const resourceAt = new Map([...this.resources.keys()].map((id, i) => [id, i]));
    const memberAt = new Map([...this.members.keys()].map((id, i) => [id, i]));
    const choiceAt = new Map([...this.drafts.keys()].map((id, i) => [id, i]));
    const optionAt = new Map([...this.drafts].map(([id, list]) => [id, new Map(list.map((o, i) => [o.id, i]))]));
    const toRequirements = (wanted: Readonly<Record<string, readonly string[]>>): Requirement[] =>
      Object.entries(wanted).map(([choice, options]) => ({
        choice: known(choiceAt.get(choice), `choice ${choice}`),
        options: options.flatMap((name) => optionAt.get(choice)?.get(name) ?? []),
      }));
    const choices = [...this.drafts].map(([id, list]): Choice => ({
      id,
      options: list.map(({ id: option, goals = {}, uses = {}, requires = {}, needsAny, freedBy }) => ({
        id: option,
        goals,
        uses: Object.entries(uses).map(([resource, amount]) => ({
          resource: known(resourceAt.get(resource), `resource ${resource}`),
          amount,
        })),
        requires: toRequirements(requires),
        ...(needsAny === undefined ? {} : { needsAny: [toRequirements(needsAny)] }),
        ...(freedBy === undefined ? {} : { freedBy: known(memberAt.get(freedBy), `member ${freedBy}`) }),
      })),
    }));
    return { choices, resources: [...this.resources.values()], members: [...this.members.values()] };
  }
}
