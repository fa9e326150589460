import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import type { Circuit } from '../../src/circuit/circuit.ts';
import { countLeads, partsList } from '../../src/deliver/parts-list.ts';
import { piecesToBuy } from '../../src/plan/purchase.ts';
import { pointKey, ROW_HOLES, SCREW_WIRES, type Lead } from '../../src/deliver/wirer.ts';
import { wiringPlan } from '../../src/deliver/wiring.ts';
import { demo } from '../support/demo.ts';

const plans = (['cupboard-first-draft', 'cupboard-verified'] as const).map((name) => {
  const circuit = deriveCircuit(demo(name));
  return { name, circuit, wiring: wiringPlan(circuit) };
});

/** Terminals that leads alone join, read back from the finished steps. A series resistor is followed, a pull-up or diode is not. */
function joined(leads: readonly Lead[], circuit: Circuit): (a: string, b: string) => boolean {
  const parent = new Map<string, string>();
  const root = (key: string): string => {
    const up = parent.get(key);
    return up === undefined || up === key ? key : root(up);
  };
  const series = new Set(circuit.nets.filter((net) => net.series.length > 0).map(({ id }) => id));
  for (const lead of leads) {
    if (lead.kind === 'diode' || (lead.kind === 'resistor' && !series.has(lead.net))) continue;
    parent.set(root(pointKey(lead.from)), root(pointKey(lead.to)));
  }
  return (a, b) => root(a) === root(b);
}

for (const { name, circuit, wiring } of plans) {
  const leads = wiring.steps.flatMap((step) => step.leads);
  const meets = joined(leads, circuit);

  describe(`wiring of ${name}`, () => {
    it('joins every net of the circuit, and no two of them', () => {
      const groups = circuit.nets.map((net) => net.ends.map((end) => `${end.part}.${end.terminal}`));
      for (const rail of circuit.rails.values()) {
        const fed = [...circuit.feeds.values()]
          .filter((feed) => feed.rail === rail.ref)
          .map((feed) => `${feed.part}.${feed.supply.terminal}`);
        if (fed.length > 0) groups.push([`${rail.part}.${rail.offer.terminal}`, ...fed]);
      }
      groups.push(
        [...circuit.parts.values()]
          .filter(({ card }) => !card.ports.some(({ protocol }) => protocol === 'coil'))
          .flatMap(({ id, card }) =>
            card.terminals
              .filter(({ role }) => role === 'ground')
              .slice(0, 1)
              .map((t) => `${id}.${t.id}`),
          ),
      );
      for (const group of groups)
        for (const end of group) expect(meets(group[0] ?? '', end), `${group[0]} with ${end}`).to.equal(true);
      const firsts = groups.map(([first]) => first ?? '');
      firsts.forEach((a, i) =>
        firsts.slice(i + 1).forEach((b) => expect(meets(a, b), `${a} with ${b}`).to.equal(false)),
      );
    });

    it('puts no more into a row, a screw or on a header pin than it takes', () => {
      const count = new Map<string, number>();
      for (const lead of leads)
        for (const point of [lead.from, lead.to]) count.set(pointKey(point), (count.get(pointKey(point)) ?? 0) + 1);
      for (const [key, used] of count) {
        if (key.startsWith('strip:')) continue;
        if (key.startsWith('row:')) expect(used, key).to.be.at.most(ROW_HOLES);
        else {
          const [part = '', terminal = ''] = key.split('.');
          const card = circuit.parts.get(part)?.card;
          const header = card?.headers.find(
            ({ id }) => id === card.terminals.find((t) => t.id === terminal)?.header,
          )?.kind;
          const most =
            card?.mount === 'breadboard'
              ? ROW_HOLES - 1
              : header === 'screw'
                ? SCREW_WIRES
                : header === 'leads'
                  ? 3
                  : 1;
          expect(used, key).to.be.at.most(most);
        }
      }
    });

    it('gives each lead the colour of its role and the ends that fit', () => {
      for (const lead of leads.filter(({ kind }) => kind === 'lead')) {
        if (lead.net === 'ground') expect(lead.colour).to.equal('black');
        for (const [point, end] of [
          [lead.from, lead.ends[0]],
          [lead.to, lead.ends[1]],
        ] as const) {
          if (point.kind !== 'terminal') expect(end, lead.key).to.equal('male');
          else if (circuit.parts.get(point.part)?.card.mount === 'breadboard') expect(end, lead.key).to.equal('male');
        }
      }
      expect(leads.find(({ key }) => key.includes('probe-1.data'))).to.include({ kind: 'own', colour: 'yellow' });
    });

    it('puts every resistor and diode of the plan in, has unique keys, and ends with a last look', () => {
      const { helpers } = circuit.plan;
      expect(leads.filter(({ kind }) => kind === 'resistor')).to.have.length(helpers.filter((h) => 'ohms' in h).length);
      expect(leads.filter(({ kind }) => kind === 'diode')).to.have.length(
        helpers.filter(({ kind }) => kind === 'diode').length,
      );
      expect(new Set(leads.map(({ key }) => key)).size).to.equal(leads.length);
      expect(wiring.steps.map(({ phase }) => phase).filter((phase, i, all) => phase !== all[i - 1])).to.deep.equal([
        'place',
        'ground',
        'supply',
        'bus',
        'signal',
        'last',
      ]);
    });

    it('carries every hazard of its cards', () =>
      expect(wiring.cautions.map(({ hazard }) => hazard)).to.include.members(['mains', 'gas', 'water', 'heat']));
  });

  describe(`parts list of ${name}`, () => {
    const list = partsList(circuit, wiring);
    const line = (card: string) => list.lines.find((l) => l.card === card);

    it('counts every part, and the leads by ends and colour', () => {
      expect(line('probe-food')).to.include({ needed: 3, toBuy: 3, packs: 3, total: 19.5 });
      const jumpers = leads.filter(({ kind }) => kind === 'lead').length;
      expect(countLeads(wiring).reduce((sum, { count }) => sum + count, 0)).to.equal(jumpers);
      const bought = list.lines.filter((l) => l.card.startsWith('leads-')).reduce((sum, l) => sum + l.needed, 0);
      expect(bought).to.equal(jumpers);
    });

    it('buys packs, takes from the drawer, and pays shipping once for each supplier', () => {
      expect(line('light-red')).to.include({ needed: 1, packs: 1, total: 1.9 }); // a pack of 20
      expect(line('board-full')).to.include({ inDrawer: 1, toBuy: 0, total: 0 });
      const goods = list.lines.reduce((sum, l) => sum + l.total, 0);
      expect(list.total).to.be.closeTo(goods + 3.9, 1e-9);
      expect(list.arrival).to.equal(3);
    });

    it('orders spares for duds when bought slow and cheap: 0.96³ = 0.885, so a fourth probe', () => {
      const cheap = {
        ...circuit,
        plan: { ...circuit.plan, rules: { ...circuit.plan.rules, buying: 'cheap' as const } },
      };
      expect([piecesToBuy(1, 0.04), piecesToBuy(2, 0.04), piecesToBuy(3, 0.04), piecesToBuy(10, 0)]).to.deep.equal([
        1, 2, 4, 10,
      ]);
      const slow = partsList(cheap, wiring);
      expect(slow.lines.find((l) => l.card === 'probe-food')).to.include({ needed: 3, toBuy: 4 });
      expect([slow.arrival, slow.total < list.total]).to.deep.equal([18, true]);
    });
  });
}
