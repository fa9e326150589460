/** From runs to leads: colours, ends, lengths, what of the kit they are made of, and the joints of own wires. */
import type { LeadEnd } from '../card/kinds.ts';
import type { Circuit } from '../circuit/model.ts';
import { parseHole, PITCH, pointOfHole } from '../board/grid.ts';
import { JUMPER_LENGTH, LEAD_BENDS, LEAD_SLACK } from '../standard/common-practice.ts';
import { colours } from './colour.ts';
import { crossings } from './crossings.ts';
import { fromKit } from './kit.ts';
import type { Docked, Layout, Lead, LeadPoint, Seated } from '../circuit/laid.ts';
import type { LayoutProblem, Stand } from './problem.ts';
import { lengthOf, type Routed, type Run } from './route.ts';
import { keyOf } from '../plan/ref.ts';

export const pointKey = (point: LeadPoint): string =>
  point.kind === 'hole'
    ? point.hole
    : point.kind === 'joint'
      ? `joint ${point.joint}`
      : keyOf(point.part, point.terminal);

/** The point of a key; null for a text that is none. Whether a build has it is not asked. */
export function pointOf(key: string): LeadPoint | null {
  if (parseHole(key)) return { kind: 'hole', hole: key };
  const joint = /^joint (\S+)$/.exec(key)?.[1];
  if (joint) return { kind: 'joint', joint };
  const [, part, terminal] = /^([a-z0-9-]+)\.([a-z0-9-]+)$/.exec(key) ?? [];
  return part && terminal ? { kind: 'terminal', part, terminal } : null;
}

const terminalOf = (circuit: Circuit, point: LeadPoint) =>
  point.kind === 'terminal'
    ? circuit.parts.get(point.part)?.card.terminals.find(({ id }) => id === point.terminal)
    : undefined;

/** What must be on a lead to go there: common practice. */
function endAt(circuit: Circuit, point: LeadPoint): LeadEnd {
  if (point.kind === 'hole') return 'male';
  if (point.kind === 'joint') return 'bare';
  const header = circuit.parts
    .get(point.part)
    ?.card.headers.find(({ id }) => id === terminalOf(circuit, point)?.header)?.kind;
  // A screw terminal clamps the pin of a jumper.
  return header === 'male' ? 'female' : header === 'female' || header === 'screw' ? 'male' : 'bare';
}

/** m from a point, as far as the plan says where its part is. */
const reachOf = (circuit: Circuit, point: LeadPoint): number =>
  point.kind === 'terminal' ? (circuit.parts.get(point.part)?.choice?.lead ?? JUMPER_LENGTH) : 0;

class Finisher {
  readonly leads: Lead[] = [];
  readonly joints: { id: string; node: string }[];
  private readonly colours: ReadonlyMap<string, string>;
  private readonly kit;

  constructor(
    readonly problem: LayoutProblem,
    routed: Routed,
  ) {
    const { circuit, netlist } = problem;
    this.joints = [...routed.joints];
    this.colours = colours(circuit, netlist.nodes);
    this.kit = circuit.plan.leads.flatMap((id) => circuit.cards.get(id) ?? []);
    for (const run of routed.runs) this.add(run);
  }

  private push(lead: Omit<Lead, 'key' | 'kit'>): void {
    const key = `${pointKey(lead.from)}>${pointKey(lead.to)}${lead.kind === 'lead' || lead.kind === 'own' ? '' : ` ${lead.of}`}`;
    const kit = lead.kind === 'lead' ? fromKit(this.kit, lead.ends, lead.length) : [];
    this.leads.push({ ...lead, key, kit });
  }

  private newJoint(node: string): LeadPoint {
    const id = `${this.joints.length + 1}`;
    this.joints.push({ id, node });
    return { kind: 'joint', joint: id };
  }

  private add(run: Run): void {
    const { twoTerminal } = run;
    if (twoTerminal) {
      this.push({
        from: run.from,
        to: run.to,
        kind: twoTerminal.kind,
        colour: '',
        ends: ['bare', 'bare'],
        value: twoTerminal.value,
        of: twoTerminal.id,
        length: 0,
      });
      return;
    }
    const from = this.extended(run, run.from, run.to);
    const to = this.extended(run, run.to, run.from);
    if (from !== run.from && to === from) return;
    this.lead(run.node, from, to, run.steps);
  }

  /**
   * A part that ends in wires of its own reaches as far as they do. With a lead on top of them, or towards pins that a stripped
   * wire cannot be put on, the wire meets the lead in a joint.
   */
  private extended(run: Run, point: LeadPoint, other: LeadPoint): LeadPoint {
    const { circuit } = this.problem;
    const own = terminalOf(circuit, point)?.lead;
    if (point.kind !== 'terminal' || !own) return point;
    const longer = circuit.parts.get(point.part)?.choice?.lead !== undefined;
    const pin = other.kind === 'terminal' && endAt(circuit, other) === 'female';
    const twoWires = other.kind === 'terminal' && terminalOf(circuit, other)?.lead !== undefined;
    if (!longer && !pin && !(twoWires && point === run.from)) return point;
    const joint = this.newJoint(run.node);
    this.own(run.node, point, joint);
    return joint;
  }

  private own(node: string, at: LeadPoint, to: LeadPoint): void {
    const wire = terminalOf(this.problem.circuit, at)?.lead;
    this.push({
      from: to,
      to: at,
      kind: 'own',
      colour: wire?.colour ?? '',
      ends: ['bare', 'bare'],
      value: '',
      of: node,
      length: wire?.length ?? 0,
    });
  }

  private lead(node: string, from: LeadPoint, to: LeadPoint, steps: number): void {
    const { circuit } = this.problem;
    for (const [own, other] of [
      [from, to],
      [to, from],
    ] as const)
      if (terminalOf(circuit, own)?.lead) {
        this.own(node, own, other);
        return;
      }
    const length =
      steps > 0
        ? steps * PITCH * LEAD_SLACK + LEAD_BENDS
        : Math.max(reachOf(circuit, from), reachOf(circuit, to), this.reachOfJoint(from, to));
    this.push({
      from,
      to,
      kind: 'lead',
      colour: this.colours.get(node) ?? '',
      ends: [endAt(circuit, from), endAt(circuit, to)],
      value: '',
      of: node,
      length,
    });
  }

  /** The lead on top of an own wire is as long as the plan says. */
  private reachOfJoint(...points: readonly LeadPoint[]): number {
    return Math.max(
      0,
      ...points.flatMap((point) =>
        point.kind === 'joint'
          ? this.leads
              .filter(({ kind, from }) => kind === 'own' && from.kind === 'joint' && from.joint === point.joint)
              .map(({ to }) => reachOf(this.problem.circuit, to))
          : [],
      ),
    );
  }
}

export function finish(
  problem: LayoutProblem,
  stands: readonly (Stand | null)[],
  docked: readonly Docked[],
  routed: Routed,
): Layout {
  const finisher = new Finisher(problem, routed);
  const seats = problem.items.flatMap(({ part, pinned }, i): Seated[] => {
    const stand = stands[i];
    return stand ? [{ part, hole: stand.hole, turned: stand.turned, pinned }] : [];
  });
  return {
    boards: problem.boards,
    seats,
    docked,
    mated: problem.mated,
    joints: finisher.joints,
    leads: finisher.leads,
    strips: problem.stripNodes,
    length: lengthOf(routed.runs),
    crossings: crossings(finisher.leads.flatMap((lead) => segmentOf(lead) ?? [])),
  };
}

/** The straight line of a lead between two holes; null for one that leaves the board. */
function segmentOf({ from, to }: Lead) {
  const [a, b] = [from, to].map((point) => (point.kind === 'hole' ? parseHole(point.hole) : null));
  return a && b ? { a: pointOfHole(a), b: pointOfHole(b) } : null;
}
