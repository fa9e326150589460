import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { buildOf } from '../../src/deliver/build.ts';
import { PHASES, type WiringStep } from '../../src/deliver/step.ts';
import { changePart } from '../../src/plan/edits.ts';
import { demo, PLANS } from '../support/demo.ts';

const builds = PLANS.map((name) => {
  const circuit = deriveCircuit(demo(name));
  return { name, circuit, build: buildOf(circuit) };
});
const of = (name: (typeof PLANS)[number]) => {
  const found = builds.find((b) => b.name === name);
  if (!found) throw new Error(name);
  return found;
};
const checksOf = (steps: readonly WiringStep[]) => steps.flatMap(({ checks }) => checks);

for (const { name, circuit, build } of builds)
  describe(`wiring of ${name}`, () => {
    const { steps, cautions } = build.wiring;

    it('begins with the boards, has helpers before parts and parts before lines, and the supply last of all', () => {
      const order = steps.map(({ phase }) => PHASES.indexOf(phase));
      expect(order).to.deep.equal(order.toSorted((a, b) => a - b));
      const once = steps.filter(({ phase }) => phase !== 'programming');
      expect([once[0]?.phase, once.at(-1)?.phase]).to.deep.equal(['board', 'supply']);
      const source = (part: string) => circuit.parts.get(part)?.card.kind === 'source';
      for (const step of steps)
        for (const { from, to, key } of step.leads)
          for (const point of [from, to])
            if (point.kind === 'terminal' && source(point.part)) expect(step.phase, key).to.equal('supply');
    });

    it('has keys of its own for every step and lead, and puts every part down once', () => {
      const keys = [...steps.map(({ key }) => key), ...steps.flatMap(({ leads }) => leads.map(({ key }) => key))];
      expect(new Set(keys).size).to.equal(keys.length);
      const put = steps.flatMap((step) => step.put.map(({ part }) => part));
      const wanted = [...circuit.parts.values()]
        .filter(({ choice }) => choice?.fittedOn === undefined)
        .map(({ id }) => id);
      expect(put.toSorted()).to.deep.equal(wanted.toSorted());
    });

    it('gives each lead the colour of its role and the ends that fit', () => {
      for (const { kind, colour, from, to, ends, of: node, key } of steps.flatMap(({ leads }) => leads)) {
        if (kind !== 'lead') continue;
        if (node === 'ground') expect(colour, key).to.equal('black');
        for (const [point, end] of [
          [from, ends[0]],
          [to, ends[1]],
        ] as const) {
          if (point.kind === 'hole') expect(end, key).to.equal('male');
          if (point.kind === 'joint') expect(end, key).to.equal('bare');
          if (point.kind !== 'terminal') continue;
          const card = circuit.parts.get(point.part)?.card;
          const header = card?.headers.find(
            ({ id }) => id === card.terminals.find((t) => t.id === point.terminal)?.header,
          );
          if (header?.kind === 'male') expect(end, key).to.equal('female');
        }
      }
    });

    it('keeps one colour through every lead of a line', () => {
      const colours = new Map<string, Set<string>>();
      for (const { kind, colour, of: node } of steps.flatMap(({ leads }) => leads))
        if (kind === 'lead') colours.set(node, (colours.get(node) ?? new Set()).add(colour));
      for (const [node, set] of colours) expect([...set], node).to.have.length(1);
    });

    it('carries every hazard of its cards, in all and again at the step where the part is put down', () => {
      for (const { card, label, choice } of circuit.parts.values())
        for (const { says } of choice?.fittedOn === undefined ? (card.cautions ?? []) : []) {
          expect(cautions.map((c) => c.says)).to.include(says);
          const step = steps.find(({ put }) => put.some((p) => p.label === label));
          expect(
            step?.cautions.map((c) => c.says),
            say(label),
          ).to.include(says);
        }
    });

    it('tells the voltage of every rail that has one, from the figures of the circuit', () => {
      const volts = checksOf(steps).filter(({ kind }) => kind === 'voltage');
      const rails = [...circuit.rails.values()].filter(
        ({ ref, voltage }) =>
          voltage && volts.some(({ says }) => say(says).startsWith(`${say(circuit.rails.get(ref)?.label)}:`)),
      );
      expect(volts.length).to.be.at.least(1);
      expect(volts).to.have.length(rails.length);
      for (const { voltage, label } of rails)
        expect(
          volts.some(
            ({ expected, says }) =>
              say(says).startsWith(say(label)) && expected?.min === voltage?.min && expected?.max === voltage?.max,
          ),
        ).to.equal(true);
    });
  });

describe('wiring', () => {
  it('says what each resistor must measure while the rows are empty: 4.7 kΩ ± 5 % is 4.465 to 4.935 kΩ', () => {
    const { build } = of('cupboard-verified');
    const helpers = build.wiring.steps.find(({ phase }) => phase === 'helpers');
    const check = helpers?.checks.find(({ says }) => say(says).startsWith('4.7 kΩ'));
    expect(check?.expected?.min).to.be.closeTo(4465, 1e-6);
    expect(check?.expected?.max).to.be.closeTo(4935, 1e-6);
  });

  it('counts resistors that lie side by side together: 5.6 kΩ on 5.6 kΩ reads 2.8 kΩ', () => {
    // The first draft has a pull-up for each of its three probes on one line and one rail: 5.6 kΩ ÷ 3.
    const { build } = of('cupboard-first-draft');
    const helpers = build.wiring.steps.find(({ phase }) => phase === 'helpers');
    const probes = helpers?.checks.filter(({ says }) => say(says).startsWith('5.6 kΩ')) ?? [];
    expect(probes.length).to.be.at.least(3);
    const thirds = probes.filter(({ expected }) => Math.abs((expected?.min ?? 0) - (5.6e3 / 3) * 0.95) < 1e-6);
    expect(thirds).to.have.length(3);
  });

  it('says which end of the diode belongs where, and what happens otherwise', () => {
    const { build, circuit } = of('cupboard-verified');
    const check = checksOf(build.wiring.steps).find(({ says }) => say(says).includes('ring end'));
    const lead = build.wiring.steps.flatMap(({ leads }) => leads).find(({ kind }) => kind === 'diode');
    expect(say(check?.says)).to.include(`ring end in ${say(lead?.toSays)}`);
    // The ring is on the plus of the fan: the 12 V row.
    expect(say(lead?.toSays)).to.include(say(circuit.rails.get('adapter.12v')?.offer.name ?? '12 V'));
  });

  it('joins a lead to the wires of a part that has to reach further, and says which colour goes on in which', () => {
    const { build } = of('cupboard-verified');
    // The door contact ends in white wires of 0.3 m and has 0.5 m of lead on top of them.
    expect(build.layout?.joints).to.have.length(2);
    const joints = build.wiring.harness.filter(({ where }) => say(where).startsWith('joint'));
    expect(joints.map(({ wires }) => wires.map(({ colour }) => colour)[0])).to.deep.equal(['white', 'white']);
    expect(
      joints.some(({ line, wires }) => say(line) === 'ground' && wires.some(({ colour }) => colour === 'black')),
    ).to.equal(true);
    // Three yellow probe wires meet the green lead of the data line in one row.
    const data = build.wiring.harness.find(({ line }) => say(line) === 'one-wire DATA');
    expect(data?.wires.map(({ colour }) => colour).toSorted()).to.deep.equal(['green', 'yellow', 'yellow', 'yellow']);
  });

  it('takes a lead that reaches, and several plugged into each other where none does', () => {
    const { circuit } = of('cupboard-verified');
    const kitFor = (lead: number) => {
      const { plan } = circuit;
      const far = changePart(plan, 'shelf-top', (part) => ({ ...part, lead }));
      const build = buildOf(deriveCircuit({ plan: far, cards: [...circuit.cards.values()] }));
      return build.layout?.leads.find(({ to }) => to.kind === 'terminal' && to.part === 'shelf-top')?.kit;
    };
    expect(kitFor(0.2)).to.deep.equal([{ card: 'leads-mf', pieces: 1 }]);
    expect(kitFor(0.6)).to.deep.equal([{ card: 'leads-mf-long', pieces: 1 }]);
    expect(kitFor(2.5)).to.deep.equal([{ card: 'leads-mf-long', pieces: 3 }]);
  });

  it('has a step for the switch that a hand turns before a cable goes in', () => {
    const { steps } = buildOf(deriveCircuit(demo('rain-barrel'))).wiring;
    expect(say(steps.at(-1)?.title)).to.equal(
      'Whenever a cable goes into controller: the 4.5 V of three cells off first',
    );
  });

  it('gives every step a name of its own', () => {
    for (const name of PLANS) {
      const titles = buildOf(deriveCircuit(demo(name))).wiring.steps.map(({ title }) => say(title));
      expect(new Set(titles).size, name).to.equal(titles.length);
    }
  });
});
