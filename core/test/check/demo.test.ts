/** The mistakes planted in the first draft, each found by the check meant for it with the figure that a hand sum gives. */
import { ruleOf, say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { CHECKS } from '../../src/check/registry.ts';
import { verify } from '../../src/check/verify.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { gaugeResistance } from '../../src/standard/wire-gauge.ts';
import { demo } from '../support/demo.ts';

const draft = verify(deriveCircuit(demo('cupboard-first-draft')));
const grave = draft.findings.filter(({ severity }) => severity === 'danger' || severity === 'fault');
const find = (check: string, subject: string) =>
  draft.findings.find((r) => r.check === check && r.subjects.includes(subject));

describe('cupboard, first draft', () => {
  // Figures by hand, from the cards.
  const planted: [string, string, string, string, number, number][] = [
    ['both shelf sensors at one fixed address', 'bus/address-collision', 'shelf-top.i2c', 'fault', 2, 1],
    // Rails 5.15 and 3.366 V; 4.7 kΩ − 5 % against three of 10 kΩ: with the three at +5 % to the 3.3 V rail,
    // (5.15/4465 + 3 × 3.366/10500) ÷ (1/4465 + 3/10500) = 4.150 V; a pin that stands 3.6 V.
    [
      'the 5 V display’s pull-ups on the 3.3 V bus',
      'level/mixed-pull-ups',
      'i2c.sda',
      'danger',
      (5.15 / 4465 + (3 * 3.366) / 10500) / (1 / 4465 + 3 / 10500),
      // The carbon dioxide sensor stands its supply + 0.3 V: 3.234 V − 205 mA × (2 × 0.4 m × 0.2129 Ω/m + 4 × 50 mΩ of contacts) + 0.3 V.
      3.234 - 0.205 * (2 * 0.4 * gaugeResistance(28) + 4 * 0.05) + 0.3,
    ],
    ['the load-cell amplifier’s 5 V data into a 3.3 V pin', 'level/over-voltage', 'board.p8', 'danger', 5.15, 3.6],
    // VIH = 0.75 × 3.366 V.
    ['the door switch on a strapping pin', 'pin/strap', 'board.p0', 'fault', 0, 0.75 * 3.366],
    // 12.6 V − lead + 3 mH × 150 mA ÷ 1 µs.
    ['a fan without a diode', 'drive/flyback', 'fan.coil', 'danger', 12.6 + (0.003 * 0.15) / 1e-6, 30],
    // (3.366 − 1.8) V ÷ (20 mA × 0.8).
    ['a status light without a resistor', 'drive/led', 'status-light.anode', 'danger', 0, (3.366 - 1.8) / 0.016],
  ];
  for (const [name, check, subject, severity, measured, limit] of planted) {
    it(`finds ${name}`, () => {
      const found = find(check, subject);
      expect(found?.severity).to.equal(severity);
      expect(found?.measured).to.be.closeTo(measured, Math.max(1e-9, Math.abs(measured) * 1e-3));
      expect(found?.limit).to.be.closeTo(limit, Math.abs(limit) * 1e-9);
    });
  }

  it('finds everything hanging on the controller’s regulator', () => {
    const found = find('supply/rail-current', 'board.3v3');
    // 340 mA the board, 205 mA carbon dioxide, 2 × 1.5 mA shelf, 3 × 1.5 mA probes, 0.5 mA knob, 30 mA buzzer, and the
    // pull-ups held low: I²C 6 × 3.366 V/9.5 kΩ, door 1 of the same, knob 3; probes 3 × 3.366 V/5.32 kΩ; what the pin of
    // the fan gives into the 10 kΩ (9 at the least) to ground on its driver.
    const parts = 340e-3 + 205e-3 + 2 * 1.5e-3 + 3 * 1.5e-3 + 0.5e-3 + 30e-3;
    const pullUps = 10 * (3.366 / 9500) + 3 * (3.366 / 5320);
    expect(found?.measured).to.be.closeTo(parts + pullUps + 3.366 / 9000, 1e-6);
    expect(found?.limit).to.be.closeTo(0.4, 1e-12);
  });

  it('cautions about a 5.6 kΩ on each of the three probes', () => {
    const found = find('wire/pull-up', 'one-wire.data');
    expect(found?.severity).to.equal('caution');
    expect(say(found?.message)).to.include('1.87 kΩ');
  });

  it('reports nothing else as danger or fault', () => {
    const rest = grave.filter(
      (r) =>
        r.subjects[0] !== 'i2c.scl' && // the other line of the bus, in the same state
        !planted.some(([, check, subject]) => r.check === check && r.subjects.includes(subject)),
    );
    expect(rest.map(({ check }) => check)).to.have.members(['supply/rail-current', 'body/heat']);
  });

  it('shows for every danger and fault the sum with its numbers, and what it rests on', () => {
    for (const finding of grave) {
      expect(finding.workings.length, finding.key).to.be.greaterThan(0);
      expect(finding.rests.length, finding.key).to.be.greaterThan(0);
      if (finding.measured !== null && finding.limit !== null) {
        expect(Math.abs(finding.margin ?? NaN), finding.key).to.be.closeTo(
          Math.abs(finding.limit - finding.measured),
          1e-9,
        );
      }
    }
  });
});

describe('cupboard, verified', () => {
  const verdict = verify(deriveCircuit(demo('cupboard-verified')));
  it('has neither danger nor fault nor caution', () => {
    expect(verdict.status).to.equal('verified');
    expect(verdict.findings.filter(({ severity }) => severity !== 'note')).to.deep.equal([]);
  });
  it('says what stands on trust, and its tightest margin', () => {
    expect(verdict.assumed).to.be.greaterThan(100).and.at.most(verdict.passes.length);
    expect(verdict.tightest?.margin).to.be.greaterThan(0);
  });
});

describe('verify', () => {
  it('does not call an empty plan verified', () => {
    const { plan, cards } = demo('cupboard-verified');
    const empty = { ...plan, needs: [], parts: [], buses: [], helpers: [], controller: null };
    expect(verify(deriveCircuit({ plan: empty, cards })).status).to.equal('open');
  });

  it('of the other plans that ship is verified; what can hurt is told beside it', () => {
    for (const name of ['rain-barrel', 'stairwell'] as const) {
      const verdict = verify(deriveCircuit(demo(name)));
      expect(verdict.status, name).to.equal('verified');
      // A switch that a hand turns stands between the cells and the socket of the logger: somebody has to remember it.
      expect(
        verdict.findings.filter(({ severity }) => severity !== 'note').map(({ key }) => key),
        name,
      ).to.deep.equal(
        name === 'rain-barrel'
          ? ['body/surge|level-probe|level-probe.out.out', 'supply/back-feed|controller.vin|by hand']
          : [],
      );
    }
    const stairs = verify(deriveCircuit(demo('stairwell')));
    expect(stairs.unread).to.deep.equal([]);
    expect(
      stairs.passes.some(
        ({ check, message }) => check === 'safety/hazard' && say(message).includes('licensed electrician'),
      ),
    ).to.equal(true);
  });

  it('does not depend on the order of the parts', () => {
    const doc = demo('cupboard-first-draft');
    const keys = (plan: typeof doc.plan) =>
      verify(deriveCircuit({ plan, cards: doc.cards }))
        .findings.map(({ check, measured, severity }) => `${check} ${severity} ${measured?.toFixed(9)}`)
        .sort();
    expect(
      keys({ ...doc.plan, parts: doc.plan.parts.toReversed(), helpers: doc.plan.helpers.toReversed() }),
    ).to.deep.equal(keys(doc.plan));
  });

  it('puts the gravest first and gives every result a key of its own', () => {
    const order = ['danger', 'fault', 'caution', 'note'];
    const ranks = draft.findings.map(({ severity }) => order.indexOf(severity ?? ''));
    expect(ranks).to.deep.equal(ranks.toSorted((a, b) => a - b));
    const keys = [...draft.findings, ...draft.passes].map(({ key }) => key);
    expect(new Set(keys).size).to.equal(keys.length);
  });

  it('has a rule and a source for every check, each id once', () => {
    expect(new Set(CHECKS.map(({ meta }) => meta.id)).size).to.equal(CHECKS.length);
    for (const { meta } of CHECKS) {
      const { rule, source } = ruleOf(meta.id);
      expect([rule.length > 20, source.length > 3], meta.id).to.deep.equal([true, true]);
    }
  });
});
