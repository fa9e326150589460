/** A build with faults put in: its layout as it lies then, and what the layout does not show. */
import type { Layout, Lead, LeadPoint } from '../circuit/laid.ts';
import type { Change, EndIndex, Fault } from './fault.ts';
import { keyOf } from '../plan/ref.ts';

export interface Faulty {
  readonly layout: Layout;
  /** Ω of leads that are joints with resistance, and of resistors of another value than planned, by key of the lead. */
  readonly ohms: ReadonlyMap<string, number>;
  /** Pull-ups on modules that should be disconnected and are not, as "part.signal". */
  readonly closed: ReadonlySet<string>;
  readonly dead: ReadonlySet<string>;
  /** "part.port" -> the address at which it answers. */
  readonly addresses: ReadonlyMap<string, number>;
}

const end = (lead: Lead, i: EndIndex): LeadPoint => (i === 0 ? lead.from : lead.to);
const withEnd = (lead: Lead, i: EndIndex, point: LeadPoint): Lead =>
  i === 0 ? { ...lead, from: point } : { ...lead, to: point };

/** @param faults none for the build as planned */
export function injectFault(layout: Layout, faults: readonly Fault[]): Faulty {
  const leads = new Map(layout.leads.map((lead) => [lead.key, lead]));
  const ohms = new Map<string, number>();
  const closed = new Set<string>();
  const dead = new Set<string>();
  const addresses = new Map<string, number>();
  const edit = (key: string, change: (lead: Lead) => Lead) => {
    const lead = leads.get(key);
    if (lead) leads.set(key, change(lead));
  };
  const apply = (change: Change): void => {
    switch (change.kind) {
      case 'take-out':
        leads.delete(change.lead);
        break;
      case 'move-end':
        edit(change.lead, (lead) => withEnd(lead, change.end, change.to));
        break;
      case 'swap-ends': {
        const [a, b] = change.leads.map((key) => leads.get(key));
        if (!a || !b) break;
        const [pa, pb] = [end(a, change.ends[0]), end(b, change.ends[1])];
        leads.set(a.key, withEnd(a, change.ends[0], pb)).set(b.key, withEnd(b, change.ends[1], pa));
        break;
      }
      case 'turn':
        edit(change.lead, (lead) => ({ ...lead, from: lead.to, to: lead.from }));
        break;
      case 'resist':
        ohms.set(change.lead, change.ohms);
        // A lead with resistance no longer makes its two ends one.
        edit(change.lead, (lead) =>
          lead.kind === 'lead' || lead.kind === 'own' ? { ...lead, kind: 'resistor', of: `cold:${lead.key}` } : lead,
        );
        break;
      case 'close-jumper':
        closed.add(keyOf(change.part, change.signal));
        break;
      case 'kill':
        dead.add(change.part);
        break;
      case 'address':
        addresses.set(keyOf(change.part, change.port), change.value);
    }
  };
  for (const fault of faults) fault.changes.forEach(apply);
  return { layout: { ...layout, leads: [...leads.values()] }, ohms, closed, dead, addresses };
}
