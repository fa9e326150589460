import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import {
  card,
  controller,
  exactly,
  figure,
  judge,
  module,
  part,
  source5,
  terminals,
  V3,
  type Build,
} from '../support/build.ts';

describe('drive/led', () => {
  const lamp = module(
    'lamp',
    {
      protocol: 'led',
      lines: { anode: 'a' },
      forward: { voltage: figure('V', { min: 1.8, typ: 2, max: 2.2 }), current: exactly('A', 0.02) },
    },
    [{ id: 'a', kind: 'led' }],
  );
  const light = (ohms?: number): Build => ({
    cards: [V3, controller(), lamp],
    parts: [part('l', 'lamp', { ports: { port: { lines: { anode: { pin: 'p3', locked: false } } } } })],
    helpers: ohms === undefined ? [] : [{ id: 'r', kind: 'series', part: 'l', port: 'port', line: 'anode', ohms }],
  });

  // Ohm's law by hand: (3.3 V − 1.8 V) ÷ (20 mA × 0.8) = 93.75 Ω.
  it('finds a light straight on a pin', () => {
    const [found] = judge(light()).broken('drive/led');
    expect([found?.severity, found?.measured]).to.deep.equal(['danger', 0]);
    expect(found?.limit).to.be.closeTo(93.75, 1e-9);
    expect(found?.workings.some(({ sum }) => sum === '(3.3 V − 1.8 V) ÷ 16 mA')).to.equal(true);
  });
  it('passes 220 Ω, and the exact limit with the resistor’s tolerance', () => {
    expect(judge(light(220)).broken('drive/led')).to.deep.equal([]);
    expect(judge(light(93.75 / 0.95 + 0.001)).broken('drive/led')).to.deep.equal([]);
    expect(judge(light(93.75 / 0.95 - 0.001)).broken('drive/led')[0]?.severity).to.equal('caution');
  });
  it('is a danger only beyond what light and pin stand at most, and says the figure that was compared', () => {
    // (3.3 − 1.8) V ÷ 20 mA = 75 Ω at its smallest: the light stands 20 mA, the pin 40 mA; 16 mA is what 80 % leave.
    const [near] = judge(light(75 / 0.95 + 0.001)).broken('drive/led');
    expect(near?.severity).to.equal('caution');
    expect(say(near?.message)).to.match(
      /so that 20 mA may flow; 16 mA is what my rules leave of it, and 20 mA the most/,
    );
    const [over] = judge(light(75 / 0.95 - 0.01)).broken('drive/led');
    expect(over?.severity).to.equal('danger');
    expect(say(over?.message)).to.include('light and pin stand 20 mA at most');
  });
  it('cautions when hardly any current is left: (3.3 − 2.0) V ÷ 2.2 kΩ = 0.59 mA', () =>
    expect(judge(light(2200)).broken('drive/led')[0]?.severity).to.equal('caution'));
});

describe('drive/flyback', () => {
  const fan = card('fan', {
    terminals: terminals('vcc', 'gnd'),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 10, max: 14 }), current: { active: exactly('A', 0.15) } },
    ],
    ports: [{ id: 'coil', protocol: 'coil', lines: {}, inductance: exactly('H', 0.003) }],
  });
  const driver = (fitted: boolean) =>
    card('driver', {
      kind: 'driver',
      terminals: terminals('gnd', 'in', 'load'),
      driver: {
        terminal: 'load',
        voltage: exactly('V', 30),
        current: exactly('A', 2),
        diodeFitted: fitted,
        switchOff: exactly('s', 1e-6),
      },
    });
  const diode = card('diode', { kind: 'diode' });
  const load = (options: { fitted?: boolean; diode?: boolean; driven?: boolean }): Build => ({
    cards: [source5('v12', 12), fan, driver(options.fitted ?? false), diode],
    parts: [
      part('v12', 'v12'),
      part('fan', 'fan', {
        feeds: { vcc: 'v12.out' },
        ports: { coil: options.driven === false ? {} : { driver: 'sw' } },
      }),
      part('sw', 'driver'),
    ],
    helpers: options.diode ? [{ id: 'd', kind: 'diode', part: 'fan', card: 'diode' }] : [],
  });

  // V = L × dI/dt by hand: 12 V + 3 mH × 150 mA ÷ 1 µs = 462 V.
  it('finds a coil without a diode', () => {
    const [found] = judge(load({})).broken('drive/flyback');
    expect([found?.severity, found?.limit]).to.deep.equal(['danger', 30]);
    expect(found?.measured).to.be.closeTo(462, 0.01);
  });
  it('passes one with a diode: 12 V + 1 V', () =>
    expect(judge(load({ diode: true })).of('drive/flyback')[0]?.measured).to.be.closeTo(13, 0.01));
  it('passes a driver that carries one', () =>
    expect(judge(load({ fitted: true })).broken('drive/flyback')).to.deep.equal([]));
  it('finds a coil that nothing switches', () =>
    expect(judge(load({ driven: false })).broken('drive/flyback')[0]?.severity).to.equal('fault'));
});
