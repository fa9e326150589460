/** The wiring plan: what goes from which hole to which, in an order that works, with a check after each step. */
import { type Phase, type PutDown, type WiringLead, type WiringStep } from './step.ts';
import { carrierOf } from '../circuit/carrier.ts';
import { cautionsOf, type Caution } from '../circuit/cautions.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { pluggedSources } from '../circuit/mated.ts';
import { lineOf, type NetNode, type Netlist } from '../circuit/netlist-model.ts';
import { netlistOf } from '../circuit/netlist.ts';
import type { Layout, Lead, LeadPoint, Seated } from '../circuit/laid.ts';
import { checklistOf } from './checklist.ts';
import { expectations, type StepCheck } from './expect.ts';
import { harnessOf, type ColourChange } from './harness.ts';
import { handSteps, programmingSteps } from './programming-step.ts';
import { Places } from './places.ts';
import { tells, type Text, type Message } from '../quantity/message.ts';
import { keyOf, ownerOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface DeliverWiringSays {
  readonly powerOffBeforeAny: null;
  readonly powerOffBoardsLeads: null;
  readonly powerOffLayParts: null;
  readonly resistorsOtherHelpersWhile: null;
  readonly inHole: { first: string; hole: Text; turned: boolean };
  readonly intoSocket: { card: Text; host: Text };
  readonly cableIntoSocket: { host: Text };
  readonly inOf: { label: Text; otherLabel: Text; host: Text };
  readonly line: { node: Text };
  readonly lastLookPowerStill: null;
  readonly plugCableIntoLast: { from: Text; to: Text };
  readonly supplyLast: { wired: readonly Text[] };
  readonly lastStep: null;
  readonly supplies: { title: readonly Text[] };
}

const tell = tells<DeliverWiringSays>('deliver/wiring');

/** What holds for every build, and stands on everything that is taken to the bench. */
export const BENCH_RULE = tell('powerOffBeforeAny');

export interface WiringPlan {
  readonly steps: readonly WiringStep[];
  readonly cautions: readonly Caution[];
  /** What no sum can prove, to be looked at and ticked on paper. */
  readonly checklist: readonly Message[];
  readonly harness: readonly ColourChange[];
}

/** The step that a lead belongs to. */
interface Home {
  readonly phase: Phase;
  readonly key: string;
}

/**
 * Boards and strips first, helpers while the rows are still empty, then each part with its ground and supply, signals bus by bus,
 * a last look, and the supply at the very end. Every lead of the layout is in exactly one step.
 */
export function wiringPlan(circuit: Circuit, layout: Layout): WiringPlan {
  const netlist = netlistOf(circuit);
  const places = new Places(circuit, layout);
  const w = new Work(circuit, layout, netlist, places);
  return {
    steps: w.steps(),
    cautions: cautionsOf(circuit),
    checklist: checklistOf(circuit),
    harness: harnessOf(layout, netlist, places),
  };
}

/** Whose line it is, and the line of a bus or the port of a part. */
function ownersOf({ of, bus }: NetNode): string[] {
  if (of.is === 'load') return [of.part, keyOf(of.part, of.port)];
  if (of.is !== 'line') return [];
  return [ownerOf(of.of), bus === null ? of.of : keyOf(of.of, of.line)];
}

class Work {
  private readonly nodes: ReadonlyMap<string, NetNode>;
  private readonly byHome = new Map<string, WiringLead[]>();

  constructor(
    readonly circuit: Circuit,
    readonly layout: Layout,
    readonly netlist: Netlist,
    readonly places: Places,
  ) {
    this.nodes = new Map(netlist.nodes.map((node) => [node.id, node]));
    for (const lead of layout.leads) {
      const { key } = this.homeOf(lead);
      this.byHome.set(key, [
        ...(this.byHome.get(key) ?? []),
        { ...lead, number: 0, fromSays: places.say(lead.from), toSays: places.say(lead.to) },
      ]);
    }
  }

  private isSource(part: string | null): boolean {
    return part !== null && this.circuit.parts.get(part)?.card.kind === 'source';
  }

  private homeOf(lead: Lead): Home {
    if (lead.kind !== 'lead' && lead.kind !== 'own') return { phase: 'helpers', key: 'helpers' };
    const node = this.nodes.get(lead.of);
    const parts = [lead.to, lead.from].map((point) => this.partOf(point));
    if (parts.some((part) => this.isSource(part))) return { phase: 'supply', key: 'supply' };
    if (node?.role === 'signal') {
      return { phase: node.bus === null ? 'signal' : 'bus', key: `net:${lineOf(node)}` };
    }
    const part = parts.find((p) => p !== null);
    return part === undefined || part === null
      ? { phase: 'board', key: 'board' }
      : { phase: 'part', key: `part:${part}` };
  }

  /** The part at an end; of a joint the one whose wire ends there. */
  private partOf(point: LeadPoint): string | null {
    if (point.kind !== 'joint') return this.places.partAt(point);
    const own = this.layout.leads.find(
      ({ kind, from }) => kind === 'own' && from.kind === 'joint' && from.joint === point.joint,
    );
    return own ? this.places.partAt(own.to) : null;
  }

  private leads(key: string): WiringLead[] {
    return this.byHome.get(key) ?? [];
  }

  steps(): WiringStep[] {
    const steps = [
      this.boardStep(),
      this.helperStep(),
      ...this.partSteps(),
      ...this.lineSteps(),
      this.look(),
      this.supply(),
      ...handSteps(this.circuit),
      ...programmingSteps(this.circuit),
    ];
    let number = 0;
    return steps
      .filter(
        ({ leads, put, phase }) =>
          leads.length > 0 || put.length > 0 || ['look', 'board', 'programming'].includes(phase),
      )
      .map((step) => ({ ...step, leads: step.leads.map((lead) => ({ ...lead, number: (number += 1) })) }));
  }

  private step(
    home: Home,
    title: Text,
    put: readonly PutDown[],
    subjects: readonly string[],
    more: readonly StepCheck[] = [],
  ): WiringStep {
    const leads = this.leads(home.key);
    return {
      ...home,
      title,
      put,
      leads,
      checks: [...more],
      cautions: cautionsOf(this.circuit, (part) => put.some((p) => p.part === part)),
      subjects: [...new Set([...subjects, ...put.map(({ part }) => part)])],
    };
  }

  private boardStep(): WiringStep {
    const boards = this.layout.boards.map(({ card }) => this.circuit.cards.get(card)?.name ?? card);
    const step = this.step(
      { phase: 'board', key: 'board' },
      boards.length > 0 ? tell('powerOffBoardsLeads') : tell('powerOffLayParts'),
      [],
      [],
    );
    return { ...step, checks: expectations.board(this.circuit, this.layout, step.leads, this.places, boards) };
  }

  private helperStep(): WiringStep {
    const put = [...this.circuit.parts.values()]
      .filter(({ helper }) => helper !== null)
      .map(({ id }) => this.putDown(id));
    const step = this.step(
      { phase: 'helpers', key: 'helpers' },
      tell('resistorsOtherHelpersWhile'),
      put,
      this.netlist.twoTerminals.map(({ id }) => id.split('/')[0] ?? id),
    );
    return { ...step, checks: expectations.helpers(this.netlist, step.leads, this.places, this.circuit.tolerance) };
  }

  private putDown(part: string): PutDown {
    const seat = this.layout.seats.find((s) => s.part === part);
    const label = this.circuit.parts.get(part)?.label ?? part;
    const ports = Object.values(this.circuit.parts.get(part)?.choice?.ports ?? {});
    const number = ports.find((port) => port.number !== undefined)?.number;
    return {
      part,
      label,
      says: seat ? this.saySeat(seat) : this.sayMated(part),
      ...(number === undefined ? {} : { number }),
    };
  }

  private saySeat({ part, hole, turned }: Seated): Message {
    const card = this.circuit.parts.get(part)?.card;
    const first = card?.terminals[0]?.label ?? '';
    return tell('inHole', { first, hole: this.places.hole(hole), turned });
  }

  private sayMated(part: string): Message | null {
    const mated = this.layout.mated.find((m) => m.part === part);
    const host = mated && this.circuit.parts.get(mated.host);
    const cable = this.circuit.cables.get(mated?.host ?? '');
    if (mated && host && pluggedSources(this.circuit).some((plug) => plug.part === part))
      return cable?.card
        ? tell('intoSocket', { card: cable.card.name, host: host.label })
        : tell('cableIntoSocket', { host: host.label });
    const [pair] = mated?.pairs ?? [];
    const label = (id: string, terminal?: string) =>
      this.circuit.parts.get(id)?.card.terminals.find((t) => t.id === terminal)?.label ?? terminal ?? '';
    return mated && host
      ? tell('inOf', { label: label(part, pair?.[0]), otherLabel: label(mated.host, pair?.[1]), host: host.label })
      : null;
  }

  private partSteps(): WiringStep[] {
    const controller = this.circuit.controller?.id;
    const carrier = carrierOf(this.circuit)?.part;
    const rank = (id: string) => {
      const kind = this.circuit.parts.get(id)?.card.kind;
      return id === controller || id === carrier ? 0 : kind === 'regulator' ? 1 : 2;
    };
    const wired = [...this.circuit.parts.values()]
      .filter(
        ({ id, choice, helper }) =>
          choice?.fittedOn === undefined && (helper === null || this.leads(`part:${id}`).length > 0),
      )
      .filter(({ id }) => !this.isSource(id))
      .toSorted((a, b) => rank(a.id) - rank(b.id));
    return wired.map(({ id, label, helper }) => {
      const put = helper ? [] : [this.putDown(id)];
      const step = this.step({ phase: 'part', key: `part:${id}` }, label, put, [id]);
      return { ...step, checks: expectations.part(this.circuit, this.netlist, this.layout, id, this.places) };
    });
  }

  private lineSteps(): WiringStep[] {
    const done = new Set<string>();
    const partNames = new Set<Text>([...this.circuit.parts.values()].map(({ label }) => label));
    return this.netlist.nodes
      .filter(({ role }) => role === 'signal')
      .toSorted((a, b) => Number(a.bus === null) - Number(b.bus === null))
      .flatMap((node): WiringStep[] => {
        const id = lineOf(node);
        const key = `net:${id}`;
        if (done.has(key)) return [];
        done.add(key);
        const subjects = [id, ...ownersOf(node), ...node.pins.map(({ part }) => part)];
        const step = this.step(
          { phase: node.bus === null ? 'signal' : 'bus', key },
          // The one line of a part goes by the name of the part, whose own step is another.
          partNames.has(node.label) ? tell('line', { node: node.label }) : node.label,
          [],
          [...new Set(subjects)],
        );
        return [
          {
            ...step,
            checks: expectations.line(this.circuit, this.layout, this.netlist, node, step.leads, this.places),
          },
        ];
      });
  }

  private look(): WiringStep {
    const step = this.step({ phase: 'look', key: 'look' }, tell('lastLookPowerStill'), [], []);
    return { ...step, checks: expectations.look(this.layout, this.netlist, this.places) };
  }

  /** Cables go in when everything else is joined. */
  private supplyTitle(sources: readonly PartNode[]): Message {
    const plugs = pluggedSources(this.circuit);
    const wired = sources.filter(({ id }) => !plugs.some(({ part }) => part === id)).map(({ label }) => label);
    const plugged = plugs.map(({ part, host }) => {
      const label = (id: string): Text => this.circuit.parts.get(id)?.label ?? id;
      return tell('plugCableIntoLast', { from: label(part), to: label(host) });
    });
    const title = wired.length > 0 ? [tell('supplyLast', { wired }), ...plugged] : plugged;
    return title.length > 0 ? tell('supplies', { title }) : tell('lastStep');
  }

  private supply(): WiringStep {
    const sources = [...this.circuit.parts.values()].filter(({ id }) => this.isSource(id));
    const step = this.step(
      { phase: 'supply', key: 'supply' },
      this.supplyTitle(sources),
      sources.map(({ id }) => this.putDown(id)),
      sources.map(({ id }) => id),
    );
    return { ...step, checks: expectations.supply(this.circuit, this.layout, this.netlist, this.places) };
  }
}
