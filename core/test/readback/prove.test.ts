/** Layouts broken by hand: each must be refused, with what is wrong and where. */
import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { parseHole, holeName, type Hole } from '../../src/board/grid.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { proveLayout, type Mismatch } from '../../src/readback/prove.ts';
import { layBuild } from '../../src/layout/lay.ts';
import type { Layout, Lead, LeadPoint } from '../../src/circuit/laid.ts';
import { demo, PLANS } from '../support/demo.ts';

interface Broken {
  readonly what: string;
  readonly circuit: Circuit;
  readonly layout: Layout;
  /** Any of these kinds will do: one mistake may be read in more than one way. */
  readonly kinds: readonly Mismatch['kind'][];
  /** What one of the sentences must say. */
  readonly says: RegExp;
}

const builds = PLANS.map((name) => {
  const circuit = deriveCircuit(demo(name));
  const result = layBuild(circuit);
  if (!result.ok) throw new Error(say(result.why.says));
  return { name, circuit, layout: result.layout };
});
type Built = (typeof builds)[number];

const withLead = (layout: Layout, key: string, change: (lead: Lead) => Lead | null): Layout => ({
  ...layout,
  leads: layout.leads.flatMap((lead) => (lead.key === key ? (change(lead) ?? []) : [lead])),
});
const at = (point: LeadPoint): Hole | null => (point.kind === 'hole' ? parseHole(point.hole) : null);
const isRow = (point: LeadPoint): boolean => at(point)?.kind === 'row';
const isStrip = (point: LeadPoint): boolean => at(point)?.kind === 'strip';
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\−]/g, '\\$&');
/** What a part is called in a sentence: the pins of a carrier are said as those of the controller in it. */
const label = (circuit: Circuit, part: string): string => {
  const node = circuit.parts.get(part);
  const own = escaped(say(node?.label ?? part));
  return node?.card.carrier ? `(${own}|${escaped(say(circuit.controller?.label ?? ''))})` : own;
};

/** The same hole, so many rows on. */
function moved(point: LeadPoint, by: number): LeadPoint {
  const hole = at(point);
  return hole?.kind === 'row' ? { kind: 'hole', hole: holeName({ ...hole, row: hole.row + by }) } : point;
}

/** Leads from a row to a part beside the board, with one end a row off. */
const rowOff = ({ name, circuit, layout }: Built): Broken[] =>
  layout.leads
    .filter(({ kind, from, to }) => (kind === 'lead' || kind === 'own') && isRow(from) && to.kind === 'terminal')
    .map((lead, i) => ({
      what: `${name}: ${lead.key}, one row off`,
      circuit,
      layout: withLead(layout, lead.key, (l) => ({ ...l, from: moved(l.from, i % 2 === 0 ? 1 : -1) })),
      kinds: ['missing', 'shorted', 'extra', 'swapped', 'obstacle'],
      says: new RegExp(`are both in|${lead.to.kind === 'terminal' ? label(circuit, lead.to.part) : 'never'}`),
    }));

/** Both legs of a resistor or diode in one row. */
const legsShorted = ({ name, circuit, layout }: Built): Broken[] =>
  layout.leads
    .filter(({ kind }) => kind === 'resistor' || kind === 'diode')
    .flatMap((lead): Broken[] => {
      const row = [lead.from, lead.to].find(isRow);
      const hole = row && at(row);
      const other = hole?.kind === 'row' ? [...'abcdefghij'].filter((c) => c <= 'e' === hole.column <= 'e') : [];
      const used = new Set(
        layout.leads.flatMap(({ from, to }) => [from, to].map((p) => (p.kind === 'hole' ? p.hole : ''))),
      );
      const free = other
        .map((column) => holeName({ ...hole, column } as Hole))
        .find((h) => !used.has(h) && h !== (row?.kind === 'hole' ? row.hole : ''));
      if (!free) return [];
      return [
        {
          what: `${name}: legs of ${lead.of} in one row`,
          circuit,
          layout: withLead(layout, lead.key, (l) => ({ ...l, from: row ?? l.from, to: { kind: 'hole', hole: free } })),
          kinds: ['shorted'],
          says: new RegExp(`${escaped(say(lead.value))}: both legs`),
        },
      ];
    });

/** A lead from strip to strip left out. */
const unbridged = ({ name, circuit, layout }: Built): Broken[] =>
  layout.leads
    .filter(({ from, to }) => isStrip(from) && isStrip(to))
    .map((lead) => ({
      what: `${name}: ${lead.key} left out, so that a strip hangs alone`,
      circuit,
      layout: withLead(layout, lead.key, () => null),
      kinds: ['missing', 'legs'],
      says: /is not joined with|belongs between/,
    }));

/** Two leads to the same part exchanged there. */
const swapped = ({ name, circuit, layout }: Built): Broken[] => {
  const leads = layout.leads.filter(({ to, from }) => to.kind === 'terminal' && from.kind === 'hole');
  return leads.flatMap((a, i) => {
    const b = leads
      .slice(i + 1)
      .find((l) => l.of !== a.of && l.to.kind === 'terminal' && a.to.kind === 'terminal' && l.to.part === a.to.part);
    if (!b || a.to.kind !== 'terminal') return [];
    const first = withLead(layout, a.key, (l) => ({ ...l, to: b.to }));
    return [
      {
        what: `${name}: ${a.key} and ${b.key} exchanged`,
        circuit,
        layout: withLead(first, b.key, (l) => ({ ...l, to: a.to })),
        kinds: ['swapped', 'missing', 'shorted'] as const,
        // What is exchanged at a carrier is said of the pins of the controller in it.
        says: new RegExp(`controller|${label(circuit, a.to.part)}`),
      },
    ];
  });
};

/** A module the other way round in the same rows: first pin where the last one was. */
const mirrored = ({ name, circuit, layout }: Built): Broken[] =>
  layout.seats.flatMap((seat) => {
    const card = circuit.parts.get(seat.part)?.card;
    const hole = parseHole(seat.hole);
    if (!card || card.headers.length !== 1 || hole?.kind !== 'row') return [];
    const last = card.terminals.length - 1;
    const row = hole.row + (seat.turned ? -last : last);
    const turned = { ...seat, turned: !seat.turned, hole: holeName({ ...hole, row }) };
    return [
      {
        what: `${name}: ${seat.part} mirrored`,
        circuit,
        layout: { ...layout, seats: layout.seats.map((s) => (s === seat ? turned : s)) },
        kinds: ['swapped', 'missing', 'shorted', 'extra'] as const,
        says: new RegExp(label(circuit, seat.part)),
      },
    ];
  });

const reversed = ({ name, circuit, layout }: Built): Broken[] =>
  layout.leads
    .filter(({ kind }) => kind === 'diode')
    .map((lead) => ({
      what: `${name}: ${lead.of} the wrong way round`,
      circuit,
      layout: withLead(layout, lead.key, (l) => ({ ...l, from: l.to, to: l.from })),
      kinds: ['swapped'],
      says: /the wrong way round/,
    }));

const others = ({ name, circuit, layout }: Built): Broken[] => {
  const onBoard = layout.leads.filter(({ from, to, kind }) => kind === 'lead' && isRow(from) && isRow(to));
  const resistor = layout.leads.find(({ kind }) => kind === 'resistor');
  const [first, second] = onBoard;
  const seat = layout.seats.at(-1);
  return [
    ...(first
      ? [
          {
            what: `${name}: ${first.key} left out`,
            circuit,
            layout: withLead(layout, first.key, () => null),
            kinds: ['missing', 'legs'] as const,
            says: /is not joined with|it belongs between/,
          },
        ]
      : []),
    ...(first && second
      ? [
          {
            what: `${name}: two leads in one hole`,
            circuit,
            layout: withLead(layout, second.key, (l) => ({ ...l, from: first.from })),
            kinds: ['obstacle'] as const,
            says: /are both in/,
          },
        ]
      : []),
    ...(resistor
      ? [
          {
            what: `${name}: another resistor in place of ${resistor.value}`,
            circuit,
            layout: withLead(layout, resistor.key, (l) => ({ ...l, value: '47 Ω' })),
            kinds: ['legs'] as const,
            says: /47 Ω stands at .* where .* is wanted/,
          },
          {
            what: `${name}: no ${resistor.value}`,
            circuit,
            layout: withLead(layout, resistor.key, () => null),
            kinds: ['missing'] as const,
            says: /is not in/,
          },
        ]
      : []),
    ...(seat && first
      ? [
          {
            what: `${name}: ${seat.part} at the end of the board`,
            circuit,
            layout: {
              ...layout,
              seats: layout.seats.map((s) => (s === seat ? { ...s, hole: '1:e63', turned: false } : s)),
            },
            kinds: ['obstacle', 'missing'] as const,
            says: /meets no hole|stand in one place|are both in|is not joined with/,
          },
        ]
      : []),
  ];
};

const broken = builds.flatMap((built) => [
  ...rowOff(built),
  ...legsShorted(built),
  ...unbridged(built),
  ...swapped(built),
  ...mirrored(built),
  ...reversed(built),
  ...others(built),
]);

describe('layouts broken by hand', () => {
  it('are at least fifty, of every kind, in three plans or more', () => {
    expect(broken.length).to.be.at.least(50);
    for (const kind of [
      /one row off/,
      /in one row/,
      /hangs alone/,
      /exchanged/,
      /mirrored/,
      /wrong way round/,
      /one hole/,
    ])
      expect(
        broken.some(({ what }) => kind.test(what)),
        String(kind),
      ).to.equal(true);
    expect(new Set(broken.map(({ what }) => what.split(':')[0])).size).to.be.at.least(3);
  });

  for (const { what, circuit, layout, kinds, says } of broken)
    it(what, () => {
      const proof = proveLayout(circuit, layout, layout.leads);
      expect(proof.agrees).to.equal(false);
      const sentences = proof.mismatches.map((d) => d.says);
      expect(
        proof.mismatches.some(({ kind }) => kinds.includes(kind)),
        sentences.join('\n'),
      ).to.equal(true);
      expect(
        sentences.some((s) => says.test(say(s))),
        `${says} in\n${sentences.join('\n')}`,
      ).to.equal(true);
    });
});
