/**
 * The usual electrical mistakes of makers (common practice of the trade), each in the smallest plan that has it: found by
 * the check meant for it with the figure of a hand sum, by no other as danger or fault, and mended by one remedy.
 */
import { expect } from 'chai';
import { libraryOf } from '../../src/card/library.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { verify } from '../../src/check/verify.ts';
import { documentOf } from '../../src/plan/document.ts';
import { proposeRemedies } from '../../src/remedy/propose.ts';
import { library as catalogue } from '../support/demo.ts';
import {
  busBuild,
  fitted,
  input,
  MCU,
  onBus,
  output,
  PAIR,
  pinned,
  pull,
  translator,
  TWO_RAILS,
  hubCard,
} from '../support/boards.ts';
import {
  CMOS,
  controller,
  document,
  exactly,
  figure,
  i2cBus,
  i2cModule,
  module,
  part,
  type Build,
  withChip,
} from '../support/build.ts';

interface Mistake {
  readonly name: string;
  readonly build: Build;
  readonly check: string;
  /** A hand sum. */
  readonly measured: number | null;
  readonly limit?: number;
  readonly severity: 'danger' | 'fault' | 'caution' | 'note';
  /** Id of a remedy that must be among those offered, as a beginning. */
  readonly remedy: string;
}

const wide = i2cModule('wide', [0x40], fitted(10e3, 'jumper'));
const pinsOf = (functions: readonly (readonly string[])[]) =>
  controller(CMOS, functions.length, (n) => ({ functions: functions[n] ?? [] }));
/** Its pins have one use each, so that lines can be crossed. */
const rigid = {
  ...pinsOf([
    ['in', 'out', 'i2c0.sda'],
    ['in', 'out', 'i2c0.scl'],
    ['in', 'out', 'uart1.tx'],
    ['in', 'out', 'uart1.rx'],
  ]),
};
const stiff = withChip(rigid, { matrix: [] });
const serial = module('serial', { protocol: 'uart', lines: { tx: 'tx', rx: 'rx' } }, [
  { id: 'tx', kind: 'push-pull', ...CMOS },
  { id: 'rx', kind: 'input', ...CMOS },
]);
const probe = (more: object = {}) =>
  module('probe', { protocol: 'onewire', lines: { data: 'data' }, ...more }, [
    {
      id: 'data',
      kind: 'open-drain',
      ...CMOS,
      absoluteMax: figure('V', { max: 6 }),
      inputHigh: figure('V', { min: 2.2 }),
      inputLow: figure('V', { max: 0.8 }),
      sinkCurrent: figure('A', { min: 0.004 }),
      capacitance: exactly('F', 25e-12),
    },
  ]);
const oneWire = {
  id: 'wire',
  name: 'wire',
  protocol: 'onewire' as const,
  lines: { data: { pin: 'p4', locked: false } },
};
const onWire = (id: string, lead?: number) =>
  part(id, 'probe', { feeds: { vcc: 'v3.out' }, ports: { port: { bus: 'wire' } }, ...(lead ? { lead } : {}) });
const stretching = (noHold: boolean) => {
  const made = i2cModule('slow');
  return {
    ...made,
    ports: made.ports.map((p) => ({
      ...p,
      stretches: { longest: { max: 0.05, unit: 's' as const, source: 'sheet' }, noHold },
    })),
  };
};
const impatient = withChip(MCU, { waitsForStretching: { waits: false, source: 'sheet' } });
const system = withChip(MCU, { overlays: [{ protocol: 'onewire', pin: 'p3', parameter: 'pin', source: 'sheet' }] });
const light = module(
  'light',
  {
    protocol: 'led',
    lines: { anode: 'anode' },
    forward: { voltage: figure('V', { min: 1.8, typ: 2, max: 2.2 }), current: figure('A', { typ: 0.01, max: 0.02 }) },
  },
  [{ id: 'anode', kind: 'led' }],
);
const twice = {
  ...i2cModule('twice'),
  ports: i2cModule('twice').ports.map((p) => ({ ...p, ownTranslator: { source: 'sheet' } })),
};

const MISTAKES: readonly Mistake[] = [
  {
    name: 'a wide-range sensor on 5 V with its data pull-up at 5 V, into a 3.3 V input',
    build: busBuild(
      [
        module('pulse', { protocol: 'pulse', lines: { data: 'data' } }, [
          { id: 'data', kind: 'open-drain', ...CMOS, ...fitted(10e3, 'no') },
        ]),
      ],
      [part('pulse', 'pulse', { feeds: { vcc: 'v3.high' }, ports: pinned('data') })],
      { buses: [], helpers: [] },
    ),
    check: 'level/over-voltage',
    measured: 5,
    limit: 3.6,
    severity: 'danger',
    remedy: 'feed:pulse.vcc:v3.out',
  },
  {
    name: 'a 3.3 V part and a 5 V display on one bus',
    build: busBuild(
      [
        wide,
        i2cModule('display', [0x26], {
          ...fitted(4700, 'no'),
          absoluteMax: figure('V', { max: 6 }),
          inputHigh: figure('V', { min: 2 }),
        }),
      ],
      [
        onBus('wide', 'wide'),
        part('display', 'display', { feeds: { vcc: 'v3.high' }, ports: { port: { bus: 'bus' } } }),
      ],
      { helpers: [] },
    ),
    check: 'level/mixed-pull-ups',
    // (5/4.7k + 3.3/10k) ÷ (1/4.7k + 1/10k); the pins stand 3.3 + 0.3 V.
    measured: (5 / 4700 + 3.3 / 10e3) / (1 / 4700 + 1 / 10e3),
    limit: 3.6,
    severity: 'danger',
    remedy: 'translator:display.port:',
  },
  {
    name: 'a 3.3 V output into a 5 V CMOS input, the translator left out because it works',
    build: busBuild(
      [input('cmos', { absoluteMax: figure('V', { max: 6 }) })],
      [part('cmos', 'cmos', { feeds: { vcc: 'v3.high' }, ports: pinned('in') })],
      { buses: [], helpers: [] },
    ),
    check: 'level/high',
    // 3.3 − 0.5 V against 0.7 × 5 V.
    measured: 2.8,
    limit: 3.5,
    severity: 'fault',
    remedy: 'translator:cmos.port:',
  },
  {
    name: 'the other direction: a 5 V output into a 3.3 V pin',
    build: busBuild([output('chip')], [part('chip', 'chip', { feeds: { vcc: 'v3.high' }, ports: pinned('out') })], {
      buses: [],
      helpers: [],
    }),
    check: 'level/over-voltage',
    measured: 5,
    limit: 3.6,
    severity: 'danger',
    remedy: 'divider:chip.port.out:',
  },
  {
    name: 'two translators in series, one of them on the breakout',
    build: busBuild([twice, translator()], [onBus('twice', 'twice', 'v3.high')], {
      helpers: [
        ...PAIR,
        {
          id: 'helper',
          kind: 'translator',
          card: 'tr',
          near: 'v3.out',
          far: 'v3.high',
          ports: [{ part: 'twice', port: 'port' }],
        },
        { ...pull('sda', 4700, 'v3.high', 'bus', 'far-sda'), beyond: 'helper' } as never,
        { ...pull('scl', 4700, 'v3.high', 'bus', 'far-scl'), beyond: 'helper' } as never,
      ],
    }),
    check: 'level/translated-twice',
    measured: 2,
    limit: 1,
    severity: 'fault',
    remedy: 'direct:twice.port:v3.out',
  },
  {
    name: 'two parts with one fixed address',
    build: busBuild([i2cModule('a', [0x44])], [onBus('one', 'a'), onBus('two', 'a')]),
    check: 'bus/address-collision',
    measured: 2,
    limit: 1,
    severity: 'fault',
    remedy: 'bus:two.port:',
  },
  {
    name: 'an address in the 8-bit form: 0x88 for 0x44',
    build: busBuild(
      [i2cModule('a', [0x44])],
      [onBus('one', 'a', 'v3.out', { ports: { port: { bus: 'bus', address: 0x88 } } })],
    ),
    check: 'bus/address-reserved',
    measured: 0x88,
    limit: 0x77,
    severity: 'fault',
    remedy: 'address:one.port:0x44',
  },
  {
    name: 'a decimal address that was meant in hexadecimal: 78 is 0x4E, the card knows 0x26',
    build: busBuild(
      [i2cModule('a', [0x26])],
      [onBus('one', 'a', 'v3.out', { ports: { port: { bus: 'bus', address: 0x4e } } })],
    ),
    check: 'bus/address-reserved',
    measured: 0x4e,
    severity: 'fault',
    remedy: 'address:one.port:0x26',
  },
  {
    name: '"128 devices fit on one bus": three on leads of 2 m are too much capacitance',
    build: busBuild(
      [i2cModule('a', [0x40, 0x41, 0x42])],
      [0x40, 0x41, 0x42].map((address) =>
        onBus(`p${address}`, 'a', 'v3.out', { lead: 2, ports: { port: { bus: 'bus', address } } }),
      ),
      {
        helpers: [pull('sda', 1500), pull('scl', 1500)],
      },
    ),
    check: 'bus/capacitance',
    // Four pins of 10 pF, three leads of 2 m at 60 pF/m, four rows of 3 pF.
    measured: 4 * 10e-12 + 3 * 2 * 60e-12 + 4 * 3e-12,
    limit: 400e-12,
    // With 1.5 kΩ the line rises in 0.52 µs, so nothing is wrong yet.
    severity: 'note',
    remedy: 'bus:p64.port:',
  },
  {
    name: 'one pull-up per sensor on a one-wire line: three 10 kΩ make 3.33 kΩ',
    build: busBuild([probe()], [onWire('a'), onWire('b'), onWire('c')], {
      buses: [oneWire],
      helpers: ['a', 'b', 'c'].map((id) => pull('data', 10e3, 'v3.out', 'wire', `r-${id}`)),
    }),
    check: 'wire/pull-up',
    measured: 9500 / 3,
    // The controller sinks 3 mA, the sensors 4 mA: the weakest decides.
    limit: (3.3 - 0.4) / 0.003,
    severity: 'caution',
    remedy: 'pull-up:wire.data:4700',
  },
  {
    name: 'one pull-up per module on I²C: six of 4.7 kΩ are more than a sink can hold',
    build: busBuild(
      [
        i2cModule(
          'a',
          [1, 2, 3, 4, 5, 6].map((n) => 0x40 + n),
          fitted(4700, 'jumper'),
        ),
      ],
      [1, 2, 3, 4, 5, 6].map((n) =>
        onBus(`m${n}`, 'a', 'v3.out', { ports: { port: { bus: 'bus', address: 0x40 + n } } }),
      ),
      { helpers: [] },
    ),
    check: 'bus/pull-up-strong',
    measured: 4700 / 6,
    limit: (3.3 - 0.4) / 0.003,
    severity: 'fault',
    remedy: 'open:bus:',
  },
  {
    name: 'the controller’s own pull-ups on a bus of 400 kHz',
    build: {
      ...busBuild([i2cModule('a')], [onBus('a', 'a', 'v3.out', { lead: 1 })], { helpers: [] }),
      cards: [
        TWO_RAILS,
        controller({ ...CMOS, weakPull: figure('Ω', { min: 30e3, typ: 50e3, max: 80e3 }) }),
        i2cModule('a'),
      ],
      buses: [
        {
          ...i2cBus(400e3),
          lines: {
            sda: { pin: 'p0', locked: false, weakPull: true },
            scl: { pin: 'p1', locked: false, weakPull: true },
          },
        },
      ],
    },
    check: 'bus/pull-up-weak',
    // ln(7/3) × 80 kΩ × (2 pins of 10 pF, 1 m of 60 pF, 2 rows of 3 pF).
    measured: Math.log(7 / 3) * 80e3 * 86e-12,
    limit: 300e-9,
    severity: 'fault',
    remedy: 'pull-up:bus:',
  },
  {
    name: 'a light straight on a pin',
    build: busBuild([light], [part('light', 'light', { feeds: { vcc: 'v3.out' }, ports: pinned('anode') })], {
      buses: [],
      helpers: [],
    }),
    check: 'drive/led',
    measured: 0,
    severity: 'danger',
    remedy: 'series:light.port.anode:',
  },
  {
    name: 'two functions on one pin',
    build: busBuild(
      [output('chip')],
      [
        part('chip', 'chip', { feeds: { vcc: 'v3.out' }, ports: pinned('out', 'p3') }),
        part('other', 'chip', { feeds: { vcc: 'v3.out' }, ports: pinned('out', 'p3') }),
      ],
      { buses: [], helpers: [] },
    ),
    check: 'pin/double',
    measured: 2,
    limit: 1,
    severity: 'fault',
    remedy: 'pin:',
  },
  {
    name: 'clock and data swapped between two look-alike headers',
    build: {
      ...busBuild([i2cModule('a')], [onBus('a', 'a')]),
      cards: [TWO_RAILS, stiff, i2cModule('a')],
      buses: [{ ...i2cBus(), lines: { sda: { pin: 'p1', locked: false }, scl: { pin: 'p0', locked: false } } }],
    },
    check: 'bus/crossed',
    measured: 0,
    limit: 2,
    severity: 'fault',
    remedy: 'swap:bus',
  },
  {
    name: 'a serial pair that is not crossed',
    build: {
      ...busBuild([], []),
      cards: [TWO_RAILS, stiff, serial],
      parts: [
        part('serial', 'serial', {
          feeds: { vcc: 'v3.out' },
          ports: { port: { lines: { tx: { pin: 'p2', locked: false }, rx: { pin: 'p3', locked: false } } } },
        }),
      ],
      buses: [],
      helpers: [],
    },
    check: 'bus/crossed',
    measured: 0,
    limit: 2,
    severity: 'fault',
    remedy: 'swap:serial.port',
  },
  {
    name: 'the one-wire setting of a Linux board left at its default pin',
    build: {
      ...busBuild([probe()], [onWire('a')], { buses: [oneWire], helpers: [pull('data', 4700, 'v3.out', 'wire')] }),
      cards: [TWO_RAILS, system, probe()],
    },
    check: 'wire/overlay',
    measured: 0,
    limit: 1,
    severity: 'fault',
    remedy: 'overlay:wire:p4',
  },
  {
    name: 'clock stretching on a controller that does not wait',
    build: { ...busBuild([stretching(true)], [onBus('slow')]), cards: [TWO_RAILS, impatient, stretching(true)] },
    check: 'bus/stretching',
    measured: 0.05,
    limit: 0,
    severity: 'fault',
    remedy: 'no-hold:slow.port',
  },
  {
    name: 'a one-wire lead of 60 m on 4.7 kΩ',
    build: busBuild([probe()], [onWire('far', 60)], {
      buses: [oneWire],
      helpers: [pull('data', 4700, 'v3.out', 'wire')],
    }),
    check: 'wire/budget',
    // 4.935 kΩ × (10 + 25 pF pins + 60 × 60 pF + 6 pF) × ln(2.9/0.99); VIH of the controller is 0.7 × 3.3 V.
    measured: 4935 * (35e-12 + 60 * 60e-12 + 6e-12) * Math.log((3.3 - 0.4) / (3.3 - 2.31)),
    limit: 9e-6,
    severity: 'fault',
    remedy: 'pull-up:wire:',
  },
];

const study = (build: Build) => {
  const doc = document(build);
  const circuit = deriveCircuit(doc);
  return { doc, circuit, verdict: verify(circuit) };
};
const grave = ({ severity }: { severity: string | null }) => severity === 'danger' || severity === 'fault';

describe('the usual mistakes', () => {
  for (const { name, build, check, measured, limit, severity, remedy } of MISTAKES) {
    describe(name, () => {
      const { doc, circuit, verdict } = study(build);
      const library = libraryOf([...doc.cards, ...catalogue.values()]);
      const found = verdict.findings.filter((r) => r.check === check);

      it('is found by the check meant for it, with its figure', () => {
        expect(found.map((r) => r.severity)).to.include(severity);
        const [first] = found;
        if (measured !== null) expect(first?.measured).to.be.closeTo(measured, Math.abs(measured) * 1e-6 + 1e-15);
        if (limit !== undefined) expect(first?.limit).to.be.closeTo(limit, Math.abs(limit) * 1e-9);
      });
      it('is found by no other as danger or fault', () => {
        const others = verdict.findings.filter((r) => grave(r) && r.check !== check);
        expect(others.map((r) => `${r.check}: ${r.message}`)).to.deep.equal([]);
      });
      it('is mended by one remedy, which brings no danger', () => {
        const finding = found[0];
        if (!finding) throw new Error('not found');
        const remedies = proposeRemedies(circuit, verdict, finding, library);
        const one = remedies.find(({ id }) => id.startsWith(remedy));
        expect(one, `among ${remedies.map(({ id }) => id).join(', ') || 'none'}`).to.not.equal(undefined);
        const after = one && verify(deriveCircuit(documentOf(one.plan, doc.cards, library)));
        expect(after?.findings.filter((r) => r.check === check).map(({ key }) => key)).to.not.include(finding.key);
        expect(after?.findings.filter(grave).map((r) => r.message)).to.deep.equal([]);
      });
    });
  }
});

describe('two parts on one bus that takes turns', () => {
  it('share an address behind a bus switch, and not with a part before it', () => {
    const hub = hubCard('hub');
    const segment = (channel: number) => ({
      id: `seg-${channel}`,
      name: `seg ${channel}`,
      protocol: 'i2c' as const,
      lines: {},
      behind: { part: 'hub', channel },
    });
    const on = (id: string, bus: string) => part(id, 'a', { feeds: { vcc: 'v3.out' }, ports: { port: { bus } } });
    const build = (...places: string[]) =>
      busBuild([hub, i2cModule('a', [0x44])], [onBus('hub'), ...places.map((bus, i) => on(`p${i}`, bus))], {
        buses: [i2cBus(), segment(0), segment(1)],
        helpers: [
          ...PAIR,
          ...['seg-0', 'seg-1'].flatMap((of) =>
            ['sda', 'scl'].map((line) => pull(line, 4700, 'v3.out', of, `${of}-${line}`)),
          ),
        ],
      });
    const clash = (...places: string[]) =>
      study(build(...places))
        .verdict.findings.filter(grave)
        .map((r) => r.check);
    expect(clash('seg-0', 'seg-1')).to.deep.equal([]);
    expect(clash('seg-0', 'seg-0')).to.deep.equal(['bus/address-collision']);
    // A part before the switch is always there.
    expect(clash('bus', 'seg-0')).to.deep.equal(['bus/address-collision']);
  });
});
