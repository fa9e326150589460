import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { card, exactly, figure, judge, part, source5, terminals, type Build } from '../support/build.ts';

const load = (amps: number, min = 3, max = 3.6, absolute?: number, more = {}) =>
  card('load', {
    terminals: terminals('vcc', 'gnd'),
    supplies: [
      {
        id: 'vcc',
        terminal: 'vcc',
        range: figure('V', { min, max }),
        ...(absolute ? { absoluteMax: exactly('V', absolute) } : {}),
        current: { active: exactly('A', amps), ...more },
      },
    ],
  });
const fed = (source: ReturnType<typeof source5>, of: ReturnType<typeof load>, lead?: number): Build => ({
  cards: [source, of],
  parts: [part('v', source.id), part('x', 'load', { feeds: { vcc: 'v.out' }, ...(lead ? { lead } : {}) })],
});

describe('supply/range', () => {
  it('passes a rail inside, finds one below and one above', () => {
    expect(judge(fed(source5('v', 3.2, 3.4), load(0))).broken('supply/range')).to.deep.equal([]);
    expect(judge(fed(source5('v', 2.9, 3.4), load(0))).broken('supply/range')[0]?.margin).to.be.closeTo(-0.1, 1e-9);
    expect(judge(fed(source5('v', 3.2, 3.7), load(0))).broken('supply/range')[0]?.severity).to.equal('fault');
  });
  it('is danger beyond the absolute maximum', () =>
    expect(judge(fed(source5('v', 5), load(0, 3, 3.6, 4))).broken('supply/range')[0]).to.include({
      severity: 'danger',
      limit: 4,
    }));
  it('holds exactly at both ends', () =>
    expect(judge(fed(source5('v', 3, 3.6), load(0))).broken('supply/range')).to.deep.equal([]));
  // Gauge 28 is 212.9 mΩ/m (ASTM B258 with IEC 60028, from memory): 0.5 A × 2 × 2 m × 0.2129 Ω/m = 0.4258 V.
  it('takes what is lost in the leads', () => {
    const [found] = judge(fed(source5('v', 3.3), load(0.5), 2)).broken('supply/range');
    expect(found?.measured).to.be.closeTo(3.3 - 0.4258, 2e-4);
    expect(found?.severity).to.equal('fault');
  });
  it('finds a part that nothing feeds, and rails that feed each other', () => {
    expect(judge({ cards: [load(0)], parts: [part('x', 'load')] }).broken('supply/range')[0]?.severity).to.equal(
      'fault',
    );
    const regulator = card('reg', {
      kind: 'regulator',
      terminals: terminals('vcc', 'out', 'gnd'),
      supplies: [
        { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', 0) } },
      ],
      rails: [
        {
          id: 'out',
          name: '3.3 V',
          terminal: 'out',
          voltage: exactly('V', 3.3),
          limit: exactly('A', 1),
          from: { supply: 'vcc', by: 'linear' },
        },
      ],
    });
    const ring: Build = {
      cards: [regulator],
      parts: [part('a', 'reg', { feeds: { vcc: 'b.out' } }), part('b', 'reg', { feeds: { vcc: 'a.out' } })],
    };
    expect(judge(ring).broken('supply/range')).to.have.length(2);
  });
});

describe('supply/source-current', () => {
  it('adds the peaks of all parts against the limit × derating', () => {
    const cards = [source5('v', 3.3, 3.3, 0.5), load(0.1, 3, 3.6, undefined, { peak: exactly('A', 0.21) })];
    const many = (n: number): Build => ({
      cards,
      parts: [
        part('v', 'v'),
        ...Array.from({ length: n }, (_, i) => part(`x${i}`, 'load', { feeds: { vcc: 'v.out' } })),
      ],
    });
    expect(judge(many(1)).broken('supply/source-current')).to.deep.equal([]);
    const [found] = judge(many(2)).broken('supply/source-current');
    expect([found?.measured, found?.limit]).to.deep.equal([0.42, 0.4]);
    expect(say(found?.message)).to.include('500 mA × 0.8');
  });
  it('holds exactly at the limit', () =>
    expect(judge(fed(source5('v', 3.3, 3.3, 0.5), load(0.4))).broken('supply/source-current')).to.deep.equal([]));

  // Through a linear regulator the current is the load's; through a switching one the power is:
  // 1 A × 5 V ÷ (0.9 × 12 V) = 463 mA.
  for (const [by, expected] of [
    ['linear', 1],
    ['switching', 5 / (0.9 * 12)],
  ] as const) {
    it(`passes ${by} current on`, () => {
      const regulator = card('reg', {
        kind: 'regulator',
        terminals: terminals('vcc', 'out', 'gnd'),
        supplies: [
          { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 7, max: 14 }), current: { active: exactly('A', 0) } },
        ],
        rails: [
          {
            id: 'out',
            name: '5 V',
            terminal: 'out',
            voltage: exactly('V', 5),
            limit: exactly('A', 2),
            from: { supply: 'vcc', by, efficiency: 0.9 },
          },
        ],
      });
      const build: Build = {
        cards: [source5('v', 12), regulator, load(1, 4, 6)],
        parts: [
          part('v', 'v'),
          part('r', 'reg', { feeds: { vcc: 'v.out' } }),
          part('x', 'load', { feeds: { vcc: 'r.out' } }),
        ],
      };
      expect(
        judge(build)
          .of('supply/source-current')
          .find(({ subjects }) => subjects[0] === 'v.out')?.measured,
      ).to.be.closeTo(expected, 1e-9);
    });
  }
  it('counts the duty in the usual current: 100 mA × 0.1 + 1 mA × 0.9 = 10.9 mA', () => {
    const sometimes = load(0.1, 3, 3.6, undefined, { idle: exactly('A', 0.001), duty: 0.1 });
    expect(judge(fed(source5('v', 3.3), sometimes)).circuit.rails.get('v.out')?.typical).to.be.closeTo(0.0109, 1e-12);
  });
});
