/** Every single thing that can be wrong with this very build. */
import { colourText } from '../circuit/label.ts';
import { holeText } from '../board/hole-text.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import type { NetNode } from '../circuit/netlist-model.ts';
import type { Lead, LeadPoint } from '../circuit/laid.ts';
import { FAULT_PRIORS } from '../standard/fault-priors.ts';
import { LeadEnds, type PinRef } from './ends.ts';
import type { EndIndex, Fault, FaultKind } from './fault.ts';
import type { Planned } from './virtual-build.ts';
import { addressOf, tells, type Text, type BusAddress, type Message, type Quantity } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface BenchFaultsOfSays {
  readonly pin: { pin: Text; part: Text };
  readonly joint: { joint: Text };
  readonly lead: { colour: Text };
  readonly hole: { hole: Text; pin: Text };
  readonly from: { what: Text | Quantity; says: Text; farSays: Text };
  readonly jointColdHasResistance: { leadSays: Text };
  readonly solderJointAnewOr: null;
  readonly twoStripsNotJoined: { leadSays: Text };
  readonly hasLostGroundOut: { parts: readonly Text[]; leadSays: Text };
  readonly outOrBrokenInside: { leadSays: Text };
  readonly putOrTakeAnother: { leadSays: Text };
  readonly missing: { leadSays: Text };
  readonly put: { leadSays: Text };
  readonly hasTenTimesValue: { leadSays: Text };
  readonly measureResistorBeforeGoes: { value: Text | Quantity };
  readonly wrongWayRound: { leadSays: Text };
  readonly turnFirst: { polar: Text };
  readonly oneOff: { leadSays: Text; there: Text };
  readonly putEndWhereBelongs: { says: Text };
  readonly swapped: { pinSays: Text; otherPin: Text };
  readonly changeLead: { colour: Text; otherColour: Text; node: Text };
  readonly fedFromInstead: { label: Text; other: Text; node: Text };
  readonly moveStripWhereBelongs: { leadSays: Text };
  readonly deadHasWhatNeeds: { label: Text };
  readonly takeAnother: { card: Text };
  readonly pullUpStillJoined: { label: Text; signal: Text };
  readonly openJumperPullUps: { label: Text };
  readonly addressSettingAnotherPosition: { label: Text; setting: Text; value: BusAddress };
  readonly set: { label: Text; now: BusAddress };
  readonly cloneAnswersButAddress: { label: Text };
  readonly useAddressScanShows: null;
}

const tell = tells<BenchFaultsOfSays>('bench/faults-of');

/** What a cold joint adds in a lead, Ω: enough to be felt, not enough to be open. */
const COLD = 220;

const ENDS: readonly EndIndex[] = [0, 1];
const pointAt = (lead: Lead, i: EndIndex): LeadPoint => (i === 0 ? lead.from : lead.to);

class Listing {
  readonly found: Fault[] = [];
  private readonly ends: LeadEnds;
  private readonly nodes: ReadonlyMap<string, NetNode>;
  private readonly circuit: Circuit;

  constructor(private readonly plan: Planned) {
    this.circuit = plan.circuit;
    this.ends = new LeadEnds(plan.circuit, plan.layout);
    this.nodes = new Map(plan.netlist.nodes.map((node) => [node.id, node]));
  }

  private add(kind: FaultKind, fault: Omit<Fault, 'kind' | 'prior'> & { readonly share?: number }): void {
    const { share = 1, ...rest } = fault;
    this.found.push({ kind, ...rest, prior: FAULT_PRIORS[kind] * share });
  }

  private label(part: string): Text {
    return this.circuit.parts.get(part)?.label ?? part;
  }
  private pinSays({ part, terminal }: PinRef): Message {
    const label = this.circuit.parts.get(part)?.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal;
    return tell('pin', { pin: label, part: this.label(part) });
  }
  /** "a12 (SDA of controller)". */
  private says(point: LeadPoint): Text {
    const pin = this.ends.pinAt(point);
    if (point.kind === 'joint') return tell('joint', { joint: point.joint });
    if (point.kind === 'terminal') return pin ? this.pinSays(pin) : point.terminal;
    const hole = holeText(point.hole, this.plan.layout.boards.length);
    return pin ? tell('hole', { hole, pin: this.pinSays(pin) }) : hole;
  }
  private leadSays(lead: Lead): Message {
    const what =
      lead.kind === 'lead' || lead.kind === 'own' ? tell('lead', { colour: colourText(lead.colour) }) : lead.value;
    return tell('from', { what, says: this.says(lead.from), farSays: this.says(lead.to) });
  }

  leads(): void {
    for (const lead of this.plan.layout.leads) {
      const wire = lead.kind === 'lead' || lead.kind === 'own';
      if (wire) {
        this.out(lead);
        this.add('cold', {
          key: `cold:${lead.key}`,
          changes: [{ kind: 'resist', lead: lead.key, ohms: COLD }],
          subjects: [lead.of, ...this.partsOf(lead)],
          says: tell('jointColdHasResistance', { leadSays: this.leadSays(lead) }),
          mend: tell('solderJointAnewOr'),
        });
      } else this.legs(lead);
      // A wire that is soldered to its part is not taken for another hole there.
      for (const i of ENDS) this.besides(lead, i, wire);
    }
  }

  private partsOf(lead: Lead): string[] {
    return [lead.from, lead.to].flatMap((point) => this.ends.pinAt(point)?.part ?? []);
  }

  private out(lead: Lead): void {
    const node = this.nodes.get(lead.of);
    const both = this.ends.isStrip(lead.from) && this.ends.isStrip(lead.to);
    const kind: FaultKind = both ? 'unbridged' : node?.role === 'ground' ? 'no-ground' : 'open';
    const parts = this.partsOf(lead);
    this.add(kind, {
      key: `open:${lead.key}`,
      changes: [{ kind: 'take-out', lead: lead.key }],
      subjects: [lead.of, ...parts],
      says:
        kind === 'unbridged'
          ? tell('twoStripsNotJoined', { leadSays: this.leadSays(lead) })
          : kind === 'no-ground'
            ? tell('hasLostGroundOut', {
                parts: parts.map((p) => this.label(p)),
                leadSays: this.leadSays(lead),
              })
            : tell('outOrBrokenInside', { leadSays: this.leadSays(lead) }),
      mend: tell('putOrTakeAnother', { leadSays: this.leadSays(lead) }),
    });
  }

  private legs(lead: Lead): void {
    const subjects = [lead.of, ...this.partsOf(lead)];
    const helper = this.plan.netlist.twoTerminals.find(({ id }) => id === lead.of);
    this.add('missing', {
      key: `missing:${lead.key}`,
      changes: [{ kind: 'take-out', lead: lead.key }],
      subjects,
      says: tell('missing', { leadSays: this.leadSays(lead) }),
      mend: tell('put', { leadSays: this.leadSays(lead) }),
    });
    if (helper?.ohms)
      this.add('tenfold', {
        key: `tenfold:${lead.key}`,
        changes: [{ kind: 'resist', lead: lead.of, ohms: helper.ohms * 10 }],
        subjects,
        says: tell('hasTenTimesValue', { leadSays: this.leadSays(lead) }),
        mend: tell('measureResistorBeforeGoes', { value: lead.value }),
      });
    if (helper?.polar)
      this.add('turned', {
        key: `turned:${lead.key}`,
        changes: [{ kind: 'turn', lead: lead.key }],
        subjects,
        says: tell('wrongWayRound', { leadSays: this.leadSays(lead) }),
        mend: tell('turnFirst', { polar: helper.polar[0] }),
      });
  }

  private besides(lead: Lead, i: EndIndex, wire: boolean): void {
    const point = pointAt(lead, i);
    if (lead.kind === 'own' && point.kind === 'terminal') return;
    for (const to of this.ends.beside(point)) {
      const there = to.kind === 'hole' ? holeText(to.hole, this.plan.layout.boards.length) : this.pinSays(to);
      this.add('off-row', {
        key: `off:${lead.key}:${i}:${to.kind === 'hole' ? to.hole : to.terminal}`,
        changes: [{ kind: 'move-end', lead: lead.key, end: i, to }],
        subjects: [lead.of, ...this.partsOf(lead)],
        says: tell('oneOff', { leadSays: this.leadSays(lead), there }),
        mend: tell('putEndWhereBelongs', { says: this.says(point) }),
        share: wire ? 0.5 : 0.25,
      });
    }
  }

  /** Two leads at one part that have changed places there. */
  crossed(): void {
    const at = new Map<string, { lead: Lead; end: EndIndex; pin: PinRef }[]>();
    for (const lead of this.plan.layout.leads)
      for (const end of ENDS) {
        const point = pointAt(lead, end);
        const pin = this.ends.pinAt(point);
        if (!pin || (lead.kind !== 'lead' && lead.kind !== 'own')) continue;
        // A wire of the part's own is taken for another at its far end.
        const held = lead.kind === 'own' && point.kind === 'terminal';
        const entry = { lead, end: held ? ((1 - end) as EndIndex) : end, pin };
        at.set(pin.part, [...(at.get(pin.part) ?? []), entry]);
      }
    for (const [part, entries] of at) {
      const node = this.circuit.parts.get(part);
      if (!node) continue;
      entries.forEach((a, i) =>
        entries.slice(i + 1).forEach((b) => {
          const kind = this.crossing(node, a.pin.terminal, b.pin.terminal);
          if (!kind || a.lead.key === b.lead.key || a.lead.of === b.lead.of) return;
          this.add(kind, {
            key: `crossed:${part}:${a.pin.terminal}:${b.pin.terminal}:${a.lead.key}:${b.lead.key}`,
            changes: [{ kind: 'swap-ends', leads: [a.lead.key, b.lead.key], ends: [a.end, b.end] }],
            subjects: [part, a.lead.of, b.lead.of],
            says: tell('swapped', { pinSays: this.pinSays(a.pin), otherPin: this.pinSays(b.pin) }),
            mend: tell('changeLead', {
              colour: colourText(a.lead.colour),
              otherColour: colourText(b.lead.colour),
              node: node.label,
            }),
          });
        }),
      );
    }
  }

  /** Signals are taken for one another; supply and ground as well; any other pair only where the pins are neighbours. */
  private crossing({ card }: PartNode, a: string, b: string): FaultKind | null {
    const [one, other] = [a, b].map((id) => card.terminals.find((t) => t.id === id));
    if (!one || !other) return null;
    const roles = [one.role, other.role];
    if (roles.includes('supply') && roles.includes('ground')) return 'reversed';
    const near = one.header === other.header && Math.abs(one.position - other.position) === 1;
    if (card.controller) return near && roles.every((r) => r === 'signal') ? 'crossed' : null;
    return near || roles.every((r) => r === 'signal') ? 'crossed' : null;
  }

  wrongRails(): void {
    const rails = this.plan.netlist.nodes.filter(({ of }) => of.is === 'rail');
    for (const lead of this.plan.layout.leads) {
      if (lead.kind !== 'lead' && lead.kind !== 'own') continue;
      for (const end of ENDS) {
        const point = pointAt(lead, end);
        const fed = this.ends.pinAt(pointAt(lead, (1 - end) as EndIndex));
        if (!this.ends.isStrip(point) || !fed || !rails.some(({ id }) => id === lead.of)) continue;
        for (const other of rails) {
          const to = other.id === lead.of ? null : this.ends.freeOn(other.id, point);
          if (!to) continue;
          this.add('wrong-rail', {
            key: `rail:${lead.key}:${other.id}`,
            changes: [{ kind: 'move-end', lead: lead.key, end, to }],
            subjects: [fed.part, lead.of, other.id],
            says: tell('fedFromInstead', {
              label: this.label(fed.part),
              other: other.label,
              node: this.nodes.get(lead.of)?.label ?? lead.of,
            }),
            mend: tell('moveStripWhereBelongs', { leadSays: this.leadSays(lead) }),
          });
        }
      }
    }
  }

  parts(): void {
    for (const part of this.circuit.parts.values()) {
      const { id, card, label, choice } = part;
      if (card.carrier || card.kind === 'source') continue;
      const duds = Math.max(0, ...card.offers.map((offer) => offer.duds ?? 0));
      this.add('dead', {
        key: `dead:${id}`,
        changes: [{ kind: 'kill', part: id }],
        subjects: [id],
        says: tell('deadHasWhatNeeds', { label }),
        mend: tell('takeAnother', { card: card.name }),
        share: 1 + duds * 10,
      });
      for (const signal of card.signals)
        if (signal.fittedPullUp && choice?.opened.includes(signal.id))
          this.add('doubled', {
            key: `doubled:${keyOf(id, signal.id)}`,
            changes: [{ kind: 'close-jumper', part: id, signal: signal.id }],
            subjects: [id],
            says: tell('pullUpStillJoined', { label, signal: signal.id.toUpperCase() }),
            mend: tell('openJumperPullUps', { label }),
          });
      this.addresses(part);
    }
  }

  private addresses({ id, label, card, choice }: PartNode): void {
    for (const port of card.ports) {
      const now = choice?.ports[port.id]?.address;
      if (port.protocol !== 'i2c' || now === undefined || !port.addresses) continue;
      for (const { value, setting } of port.addresses)
        if (value !== now)
          this.add('strap', {
            key: `strap:${keyOf(id, port.id)}:${value}`,
            changes: [{ kind: 'address', part: id, port: port.id, value }],
            subjects: [id],
            says: tell('addressSettingAnotherPosition', { label, setting, value: addressOf(value) }),
            mend: tell('set', { label, now: addressOf(now) }),
            share: 1 / port.addresses.length,
          });
      // An address beside those of the card stands for whatever a clone may have.
      const named = new Set([
        ...port.addresses.map(({ value }) => value),
        ...this.circuit.buses.flatMap(({ members }) => members.flatMap((m) => m.options.map(({ value }) => value))),
      ]);
      const other = [1, 2, 3, 4, 5, 6, 7, 8]
        .map((bits) => now ^ bits)
        .find((value) => !named.has(value) && value > 7 && value < 0x78);
      if (other !== undefined)
        this.add('clone', {
          key: `clone:${keyOf(id, port.id)}`,
          changes: [{ kind: 'address', part: id, port: port.id, value: other }],
          subjects: [id],
          says: tell('cloneAnswersButAddress', { label }),
          mend: tell('useAddressScanShows'),
        });
    }
  }
}

/** Every single fault of a build, in the order of its leads and parts. */
export function faultsOf(plan: Planned): Fault[] {
  const list = new Listing(plan);
  list.leads();
  list.crossed();
  list.wrongRails();
  list.parts();
  return list.found;
}
