/** Each way out that the supply checks offer is proved by the engine; here that it is offered, and what it does. */
import { expect } from 'chai';
import type { Card } from '../../src/card/card.ts';
import { libraryOf } from '../../src/card/library.ts';
import { DEFAULT_RULES } from '../../src/plan/default-rules.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import {
  card,
  controller,
  CMOS,
  document,
  exactly,
  figure,
  judge,
  part,
  source5,
  V5,
  type Build,
} from '../support/build.ts';
import { cells, chain, load, regulator, short } from '../support/power-build.ts';
import type { PlanDocument } from '../../src/plan/document.ts';

function ways(build: Build | PlanDocument, check: string, more: readonly Card[] = []) {
  const { circuit, verdict } = judge(build);
  const finding = verdict.findings.find((r) => r.check === check && r.severity !== null);
  if (!finding) throw new Error(`${check} finds nothing here`);
  return proposeRemedies(circuit, verdict, finding, libraryOf([...circuit.cards.values(), ...more]));
}
const ids = (build: Build | PlanDocument, check: string, more: readonly Card[] = []) =>
  ways(build, check, more).map(({ id }) => id);

describe('ways out of what the supply checks find', () => {
  const hungry = regulator('reg', { more: { dropout: exactly('V', 1.2) } });
  it('a regulator that needs less', () => {
    const thrifty = regulator('thrifty', { more: { dropout: exactly('V', 0.2) } });
    expect(ids(chain(source5('v', 6), hungry, load('x', 0.1)), 'supply/dropout', [thrifty])).to.deep.equal([
      'card:r:thrifty',
    ]);
  });
  it('a switching regulator for one that gets too hot', () => {
    const thermal = { toAir: exactly('K/W', 100), limit: exactly('°C', 125) };
    const cool = regulator('cool', { by: 'switching', more: { efficiency: 0.9, thermal } });
    const build = chain(source5('v', 9), regulator('reg', { more: { thermal } }), load('x', 0.3));
    expect(ids(build, 'supply/heat', [cool])).to.include('card:r:cool');
  });
  it('a stronger source, or work one after the other', () => {
    const heavy = load('x', 0.3, { idle: exactly('A', 0.01), busy: exactly('s', 1) });
    const weak = source5('v', 5, 5, 0.5);
    const build: Build = {
      cards: [weak, heavy],
      parts: [
        part('v', 'v'),
        ...['a', 'b'].map((id) => part(id, 'x', { feeds: { vcc: 'v.out' }, run: { every: 10 } })),
      ],
    };
    expect(ids(build, 'supply/source-current', [source5('strong', 5, 5, 2)])).to.have.members([
      'card:v:strong',
      'stagger:v.out',
    ]);
    const order = ways(build, 'supply/source-current').find(({ id }) => id === 'stagger:v.out');
    expect(order?.plan.parts.map(({ run }) => run?.after)).to.deep.equal([undefined, 0, 1]);
  });
  it('the logic rail for what a pin cannot feed, or the rule as it is meant', () => {
    const doc = document({
      cards: [V5, source5('v3', 5), controller(CMOS), load('x', 0.01)],
      parts: [part('x', 'x', { feeds: { vcc: 'mcu.p3' } })],
    });
    const found = ids(doc, 'supply/pin-fed');
    expect(found).to.include('feeds:mcu.p3:v3.out');
    expect(found).to.include('rule:pinPower:0.5');
  });
  it('a diode before the lower one, or a switch, where sources meet', () => {
    const [diode, toggle] = [card('diode', { kind: 'diode' }), card('toggle', { kind: 'switch' })];
    const build: Build = {
      cards: [source5('s5', 5), source5('s6', 6), load('x', 0.1)],
      parts: [part('a', 's5'), part('b', 's6'), part('x', 'x', { feeds: { vcc: 'a.out' }, also: { vcc: 'b.out' } })],
    };
    // 5 V behind a diode push nothing into 6 V; the other way round they would be pushed into. A switch leaves a caution.
    expect(ids(build, 'supply/back-feed', [diode, toggle])).to.have.members([
      'guard:x.vcc:a.out:diode',
      'guard:x.vcc:a.out:toggle',
      'guard:x.vcc:b.out:toggle',
    ]);
  });
  it('leads as thick as it takes', () => {
    const build: Build = {
      cards: [V5, load('x', 1)],
      parts: [part('x', 'x', { feeds: { vcc: 'v5.out' }, lead: 1.4 })],
    };
    // 150 mV ÷ (1 A × 2.8 m) = 53.6 mΩ/m: gauge 22 has 52.96.
    expect(ids(build, 'supply/lead-drop')).to.have.members(['gauge:x:22', 'gauge:x:20']);
  });
  it('a stiffer pack for one that sags', () => {
    const peaky = load('x', 0.001, { peak: exactly('A', 0.1) });
    const stiff = card('stiff', { ...JSON.parse(JSON.stringify(cells({}))), id: 'stiff' });
    const build: Build = {
      cards: [cells({ resistance: 30 }), peaky],
      parts: [part('v', 'v'), part('x', 'x', { feeds: { vcc: 'v.out' } })],
    };
    expect(ids(build, 'supply/sag', [stiff])).to.deep.equal(['pack:v:stiff']);
  });
  it('joined grounds', () => {
    const talker = card('talk', {
      ...JSON.parse(JSON.stringify(load('talk', 0))),
      terminals: [...load('talk', 0).terminals, { id: 'o', label: 'O', role: 'signal', header: 'main', position: 3 }],
      signals: [{ id: 'o', terminal: 'o', kind: 'push-pull', reference: 'vcc', ...CMOS }],
      ports: [{ id: 'port', protocol: 'digital-out', lines: { out: 'o' } }],
    });
    const doc = document({
      cards: [V5, source5('v3', 5), controller(), talker],
      parts: [
        part('t', 'talk', {
          feeds: { vcc: 'v5.out' },
          ports: { port: { lines: { out: { pin: 'p0', locked: false } } } },
        }),
      ],
    });
    const parts = doc.plan.parts.map((p) => (p.id === 'v5' ? { ...p, apart: true } : p));
    expect(ids({ ...doc, plan: { ...doc.plan, parts } }, 'supply/common-ground')).to.deep.equal(['ground:v3+v5']);
  });
});

describe('what makes a charge last', () => {
  const plan: Partial<Plan> = {
    runFor: 60 * 86400,
    rules: { ...DEFAULT_RULES, pinPower: 0.5 },
    needs: [
      {
        id: 'air',
        kind: 'sense',
        quantity: 'air temperature',
        unit: '°C',
        from: 0,
        to: 40,
        accuracy: 1,
        interval: 60,
        place: 'here',
      },
    ],
  };
  const board = (): Card => {
    const mcu = JSON.parse(JSON.stringify(controller(CMOS)));
    mcu.supplies[0].current = {
      sleep: exactly('A', 1e-5),
      idle: exactly('A', 0.005),
      active: exactly('A', 0.01),
      clocks: [{ frequency: 1e6, active: exactly('A', 0.002) }],
    };
    return card('mcu', mcu);
  };
  const sensor = card('sensor', {
    ...JSON.parse(JSON.stringify(load('sensor', 0.002, { idle: exactly('A', 0.002), busy: exactly('s', 1) }))),
    measures: [
      {
        quantity: 'air temperature',
        unit: '°C',
        range: { from: 0, to: 50, source: 'sheet' },
        accuracy: [{ from: 0, to: 50, error: 0.1, source: 'sheet' }],
      },
    ],
  });
  const built = (): PlanDocument => {
    const doc = document({
      cards: [cells({ end: 2.4 }), board(), sensor],
      parts: [part('v', 'v'), part('s', 'sensor', { needs: ['air'], feeds: { vcc: 'v.out' }, ...short })],
      plan,
    });
    return {
      ...doc,
      plan: { ...doc.plan, parts: doc.plan.parts.map((p) => (p.id === 'mcu' ? { ...p, feeds: { vcc: 'v.out' } } : p)) },
    };
  };
  it('is offered only where it reaches the time that is wanted', () => {
    expect(ids(built(), 'supply/runtime')).to.deep.equal([]);
    const doc = built();
    const asleep = doc.plan.parts.map((p) => (p.id === 'mcu' ? { ...p, run: { rest: 'sleep' as const } } : p));
    // Asleep the board takes little; what is left is the sensor, which a pin can feed.
    expect(ids({ ...doc, plan: { ...doc.plan, parts: asleep } }, 'supply/runtime')).to.include('pin:s');
  });
  it('is a sensor off its pin between readings', () => {
    const doc = built();
    const asleep = doc.plan.parts.map((p) => (p.id === 'mcu' ? { ...p, run: { rest: 'sleep' as const } } : p));
    const [way] = ways({ ...doc, plan: { ...doc.plan, parts: asleep } }, 'supply/runtime').filter(
      ({ id }) => id === 'pin:s',
    );
    const s = way?.plan.parts.find(({ id }) => id === 's');
    expect(s?.feeds.vcc).to.match(/^mcu\.p\d+$/);
    expect(s?.run?.rest).to.equal('off');
  });
});

describe('ways out of what a place does to a part', () => {
  const at = (check: string, choice: Parameters<typeof part>[2], body = {}) =>
    ids(
      {
        cards: [
          source5('v', 5),
          load('hot', 0.1),
          card('sensor', {
            ...JSON.parse(JSON.stringify(load('sensor', 0.001))),
            body,
            measures: [
              {
                quantity: 'air temperature',
                unit: '°C',
                range: { from: 0, to: 50, source: 'sheet' },
                accuracy: [{ from: 0, to: 50, error: 0.1, source: 'sheet' }],
              },
            ],
          }),
        ],
        parts: [
          part('v', 'v'),
          part('hot', 'hot', { feeds: { vcc: 'v.out' } }),
          part('x', 'sensor', { needs: ['air'], feeds: { vcc: 'v.out' }, ...choice }),
        ],
        plan: {
          needs: [
            {
              id: 'air',
              kind: 'sense',
              quantity: 'air temperature',
              unit: '°C',
              from: 0,
              to: 40,
              accuracy: 0.5,
              interval: 60,
              place: 'shed',
            },
          ],
          places: [{ name: 'shed', water: 'dry', outdoors: false, closed: false, lead: 2 }],
          lifeYears: 2,
        },
      },
      check,
    );
  it('away from what warms it', () =>
    expect(at('body/heat', { beside: { part: 'hot', distance: 0.01 }, lead: 2 })).to.deep.equal(['away:x']));
  it('leads that reach', () => expect(at('body/lead', { lead: 0.5 })).to.deep.equal(['lead:x:2']));
  it('lit for a share of the time', () =>
    expect(
      at(
        'body/wear',
        { lead: 2, run: { duty: 1 } },
        { wear: { life: figure('s', { min: 365.25 * 86400 }), says: 'It fades.' } },
      ),
    ).to.deep.equal(['duty:x:0.5']));
});
