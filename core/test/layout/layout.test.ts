import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { gap, overlaps, pinHoles, placedBox, type Box, type Footprint } from '../../src/board/footprint.ts';
import { conductorOf, holeName, parseHole, PITCH, type Hole } from '../../src/board/grid.ts';
import type { Card } from '../../src/card/card.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { footprintOf } from '../../src/circuit/footprint.ts';
import type { Circuit } from '../../src/circuit/model.ts';
import { buildOf, type Build } from '../../src/deliver/build.ts';
import { proveLayout } from '../../src/readback/prove.ts';
import { layBuild, layoutSteps } from '../../src/layout/lay.ts';
import type { Layout } from '../../src/circuit/laid.ts';
import { documentOf } from '../../src/plan/document.ts';
import { setBoards, setCapacitor, setOn, setRules, setSpot, setSpots } from '../../src/plan/edits.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { addPart } from '../../src/solve/add-part.ts';
import { cards, demo, library, PLANS } from '../support/demo.ts';
import { randomPlan } from '../support/random-plan.ts';

const circuitOf = (plan: Plan): Circuit => deriveCircuit(documentOf(plan, cards, library));
const laid = (circuit: Circuit, most?: number): Layout => {
  const result = layBuild(circuit, most);
  if (!result.ok) throw new Error(say(result.why.says));
  return result.layout;
};
const boxOf = (circuit: Circuit, { seats }: Layout, part: string): Box => {
  const seat = seats.find((s) => s.part === part);
  const card = circuit.parts.get(part)?.card;
  const footprint = card && footprintOf(card);
  if (!seat || !footprint) throw new Error(`${part} stands nowhere`);
  return placedBox(footprint.body, { hole: parseHole(seat.hole) as Hole, turned: seat.turned });
};
const agrees = (build: Build): void => {
  expect(build.why).to.equal(null);
  expect(build.proof?.mismatches).to.deep.equal([]);
  expect(build.proof?.agrees).to.equal(true);
};

describe('layout', function () {
  // Other tests run beside these on a small machine.
  this.timeout(240_000);
  for (const name of PLANS)
    it(`${name}: what is read back from the steps is the circuit`, () => {
      const circuit = deriveCircuit(demo(name));
      const build = buildOf(circuit);
      agrees(build);
      // Every lead of the layout is in exactly one step.
      const keys = build.wiring.steps.flatMap(({ leads }) => leads.map(({ key }) => key));
      expect(new Set(keys).size).to.equal(keys.length);
      expect(keys.toSorted()).to.deep.equal(build.layout?.leads.map(({ key }) => key).toSorted());
    });

  it('is read back as the circuit for 300 plans put together at random', function () {
    this.timeout(240_000);
    let built = 0;
    for (let seed = 1; seed <= 300; seed++) {
      const circuit = deriveCircuit(randomPlan(seed, 2 + (seed % 9)));
      const result = layBuild(circuit, 1);
      if (!result.ok) continue;
      built += 1;
      const proof = proveLayout(circuit, result.layout, result.layout.leads);
      expect(
        proof.mismatches.map(({ says }) => say(says)),
        `seed ${seed}`,
      ).to.deep.equal([]);
    }
    expect(built).to.equal(300);
  });

  it('is the same each time', () => {
    const doc = demo('cupboard-verified');
    const one = laid(deriveCircuit(doc));
    expect(laid(deriveCircuit(doc))).to.deep.equal(one);
    expect(laid(deriveCircuit(structuredClone(doc)))).to.deep.equal(one);
  });

  it('tells how far it is', () => {
    const steps = layoutSteps(deriveCircuit(demo('cupboard-verified')));
    const shares: number[] = [];
    for (let step = steps.next(); !step.done; step = steps.next()) shares.push(step.value.share);
    expect(shares.at(-1)).to.equal(1);
    expect(shares).to.deep.equal(shares.toSorted((a, b) => a - b));
  });

  it('leaves alone what the maker put down, and lets the rest flow round it', () => {
    const { plan } = demo('cupboard-verified');
    const moved = setSpot(plan, 'scale', { hole: '1:e9', turned: true });
    const circuit = circuitOf(moved);
    const build = buildOf(circuit);
    agrees(build);
    expect(build.layout?.seats.find(({ part }) => part === 'scale')).to.deep.equal({
      part: 'scale',
      hole: '1:e9',
      turned: true,
      pinned: true,
    });
    // All of it accepted, nothing moves any more.
    const spots = Object.fromEntries(
      (build.layout?.seats ?? []).map(({ part, hole, turned }) => [part, { hole, turned }]),
    );
    const kept = laid(circuitOf(setSpots(moved, spots)));
    expect(kept.seats.map(({ part, hole, turned }) => [part, hole, turned])).to.deep.equal(
      build.layout?.seats.map(({ part, hole, turned }) => [part, hole, turned]),
    );
    expect(kept.seats.every(({ pinned }) => pinned)).to.equal(true);
  });

  it('puts the legs of a resistor where the maker wants them, where these holes are free, and reads the same circuit', () => {
    const { plan } = demo('cupboard-verified');
    const put = setSpot(plan, 'pull-probes', { hole: '1:c60', to: '1:u+46' });
    const build = buildOf(circuitOf(put));
    agrees(build);
    const legs = (b: Build) => b.layout?.leads.find(({ of }) => of === 'pull-probes');
    expect([legs(build)?.from, legs(build)?.to]).to.deep.equal([
      { kind: 'hole', hole: '1:c60' },
      { kind: 'hole', hole: '1:u+46' },
    ]);
    // On ground, where it does not belong, or with both legs in one row, it is placed as if nothing had been said.
    for (const to of ['1:u-46', '1:d60', '1:c60']) {
      const other = buildOf(circuitOf(setSpot(plan, 'pull-probes', { hole: '1:c60', to })));
      agrees(other);
      expect(legs(other)?.to).to.not.deep.equal({ kind: 'hole', hole: to });
    }
  });

  it('says what stands in one place where the maker put two parts there', () => {
    const { plan } = demo('cupboard-verified');
    const build = buildOf(circuitOf(setSpot(setSpot(plan, 'scale', { hole: '1:a20' }), 'sounder', { hole: '1:a21' })));
    expect(build.proof?.agrees ?? false).to.equal(false);
    const says = build.why ? say(build.why.says) : (build.proof?.mismatches.map((d) => say(d.says)).join(' ') ?? '');
    expect(says).to.match(/scale|buzzer/);
  });

  it('keeps bodies apart and the way of the plug free, on 40 random plans', function () {
    this.timeout(120_000);
    for (let seed = 400; seed < 440; seed++) {
      const circuit = deriveCircuit(randomPlan(seed, 8));
      const layout = laid(circuit, 1);
      const boxes = layout.seats.map(({ part }) => ({ part, box: boxOf(circuit, layout, part) }));
      boxes.forEach((a, i) =>
        boxes
          .slice(i + 1)
          .forEach((b) => expect(overlaps(a.box, b.box), `${seed}: ${a.part} and ${b.part}`).to.equal(false)),
      );
      const seat = layout.seats.find(({ part }) => part === circuit.controller?.id);
      const card = circuit.controller?.card;
      const plug = card && footprintOf(card)?.plug;
      if (!seat || !plug) continue;
      const way = placedBox(plug, { hole: parseHole(seat.hole) as Hole, turned: seat.turned });
      for (const { part, box } of boxes)
        if (part !== seat.part) expect(overlaps(way, box), `${seed}: ${part} before the plug`).to.equal(false);
    }
  });

  it('keeps a part that feels the air away from one that heats it', () => {
    // A linear regulator from 9 V that feeds everything, and a bare humidity part on the same board.
    const add = (plan: Plan, id: string): Plan => {
      const card = library.get(id);
      if (!card) throw new Error(id);
      return addPart(circuitOf(plan), library, card).plan;
    };
    const { plan } = demo('rain-barrel');
    const bare: Plan = {
      ...plan,
      needs: [],
      places: [],
      parts: [],
      buses: [],
      helpers: [],
      controller: null,
      boards: ['board-full'],
    };
    const warm = ['adapter-9v', 'linear-5v', 'stick-board', 'light-ring', 'thermo-volt'].reduce(add, bare);
    const circuit = circuitOf(warm);
    const layout = laid(circuit);
    const part = (card: string) => warm.parts.find((p) => p.card === card)?.id ?? '';
    const apart = gap(boxOf(circuit, layout, part('linear-5v')), boxOf(circuit, layout, part('thermo-volt'))) * PITCH;
    expect(apart).to.be.above(0.03);
  });

  it('takes a mini board, two boards, and none at all', () => {
    const { plan } = demo('rain-barrel');
    for (const boards of [
      ['board-mini', 'board-half'],
      ['board-half', 'board-half'],
      ['board-full', 'board-full'],
      [],
    ]) {
      const build = buildOf(circuitOf(setBoards(plan, boards)));
      agrees(build);
      expect(build.layout?.boards.map(({ card }) => card)).to.deep.equal(boards);
      if (boards.length === 0) {
        expect(build.layout?.leads.every(({ from, to }) => from.kind !== 'hole' && to.kind !== 'hole')).to.equal(true);
        expect(build.layout?.joints.length).to.be.above(0);
      }
    }
  });

  it('says what there is no room for', () => {
    const { plan } = demo('cupboard-verified');
    const build = buildOf(circuitOf(setBoards(plan, ['board-mini'])));
    expect(build.layout).to.equal(null);
    expect(say(build.why?.says)).to.match(/no room|No free row/);
    expect(say(build.why?.says)).to.include('longer board');
  });

  it('gives each shared line a row of its own where the house rule asks for it', () => {
    const { plan } = demo('cupboard-verified');
    const rowsWithoutPins = (p: Plan): string[] => {
      const circuit = circuitOf(p);
      const layout = laid(circuit);
      const grids = layout.boards.map(({ grid }) => grid);
      const rowOf = (name: string) => conductorOf(grids, parseHole(name) as Hole);
      const pins = new Set(
        layout.seats.flatMap(({ part, hole, turned }) => {
          const footprint = footprintOf(circuit.parts.get(part)?.card as Card) as Footprint;
          return pinHoles(grids, footprint, { hole: parseHole(hole) as Hole, turned }).map((pin) =>
            rowOf(holeName(pin.hole as Hole)),
          );
        }),
      );
      const buses = new Set(
        circuit.nets.filter(({ bus, beyond }) => bus !== null && beyond === null).map(({ id }) => id),
      );
      return [...buses].filter((node) =>
        layout.leads.some(
          ({ of, from, to }) =>
            of === node && [from, to].some((end) => end.kind === 'hole' && !pins.has(rowOf(end.hole))),
        ),
      );
    };
    expect(rowsWithoutPins(setRules(plan, { sharedRow: 'always' })).toSorted()).to.deep.equal([
      'i2c.scl',
      'i2c.sda',
      'one-wire.data',
    ]);
  });

  it('gives a capacitor a place of its own between the supply and ground of its part, and takes it away again', () => {
    const { plan } = demo('rain-barrel');
    const [fed] = plan.parts.filter(({ id, feeds }) => id !== plan.controller && Object.keys(feeds).length > 0);
    const [supply] = Object.keys(fed?.feeds ?? {});
    if (!fed || !supply) throw new Error('nothing is fed');
    const small = library.get('capacitor-100n') ?? null;
    const large = library.get('capacitor-100u') ?? null;
    const first = setCapacitor(plan, fed.id, supply, small);
    const second = setCapacitor(first, fed.id, supply, large);
    expect(second.helpers.filter(({ kind }) => kind === 'capacitor')).to.have.length(1);
    const build = buildOf(circuitOf(second));
    agrees(build);
    const [lead] = build.layout?.leads.filter(({ kind }) => kind === 'capacitor') ?? [];
    expect(say(lead?.value)).to.equal('100 µF');
    expect(setCapacitor(second, fed.id, supply, null).helpers).to.deep.equal(plan.helpers);
  });

  it('plugs a module into a socket pin by pin, and sees when the order of the pins does not agree', () => {
    // A bare sensor on the socket of a board with female headers: + OUT − beside D2 D3 D4 would be wrong, so it hangs on leads.
    const { plan } = demo('stairwell');
    const fresh: Plan = { ...plan, needs: [], parts: [], buses: [], helpers: [], controller: null, spots: {} };
    const add = (p: Plan, id: string): Plan =>
      addPart(circuitOf(p), library, library.get(id) as (typeof cards)[number]).plan;
    const built = ['usb-adapter', 'board-8bit', 'baro-plain'].reduce(add, fresh);
    const [, board, baro] = built.parts;
    if (!board || !baro) throw new Error('no parts');
    agrees(buildOf(circuitOf(built)));
    const stuck = setOn(built, baro.id, { part: board.id, header: 'right', at: 7 });
    const build = buildOf(circuitOf(stuck));
    expect(build.proof?.agrees).to.equal(false);
    expect(build.proof?.mismatches.map(({ says }) => say(says)).join(' ')).to.match(/VCC|GND|SCL|SDA/);
  });
});
