/** Plans of the trade's usual mistakes, each on a 3.3 V controller with a 5 V rail beside it, from one source. */
import {
  card,
  controller,
  CMOS,
  exactly,
  figure,
  i2cBus,
  module,
  part,
  terminals,
  type Build,
  type Json,
} from './build.ts';
import type { Card } from '../../src/card/card.ts';
import type { Helper } from '../../src/plan/helpers.ts';
import type { PartChoice } from '../../src/plan/plan.ts';

/** One source with a 3.3 V and a 5 V rail, so that nothing is ever on without the rest. */
export const TWO_RAILS: Card = card('v3', {
  kind: 'source',
  terminals: terminals('out', 'high', 'gnd'),
  rails: [
    { id: 'out', name: '3.3 V', terminal: 'out', voltage: exactly('V', 3.3), limit: exactly('A', 10) },
    { id: 'high', name: '5 V', terminal: 'high', voltage: exactly('V', 5), limit: exactly('A', 10) },
  ],
});

/** A controller whose pins stand their supply + 0.3 V. */
export const MCU = controller({ ...CMOS, leakage: exactly('A', 0) });

export const pull = (line: string, ohms: number, to = 'v3.out', of = 'bus', id = `r-${line}`): Helper => ({
  id,
  kind: 'pull-up',
  of,
  line,
  to,
  ohms,
});
/** A pair of 4.7 kΩ on the bus. */
export const PAIR: readonly Helper[] = [pull('sda', 4700), pull('scl', 4700)];

export const fitted = (ohms: number, removable: 'jumper' | 'solder' | 'no'): Json => ({
  fittedPullUp: { value: { min: ohms, max: ohms, unit: 'Ω', source: 'sheet' }, to: 'vcc', removable },
});

export const onBus = (id: string, cardId = id, rail = 'v3.out', rest: Partial<PartChoice> = {}): PartChoice =>
  part(id, cardId, { feeds: { vcc: rail }, ports: { port: { bus: 'bus' } }, ...rest });

export const pinned = (line: string, pin = 'p2'): PartChoice['ports'] => ({
  port: { lines: { [line]: { pin, locked: false } } },
});

export const output = (id: string, levels = {}): Card =>
  module(id, { protocol: 'digital-out', lines: { out: 'out1' } }, [
    { id: 'out1', kind: 'push-pull', ...CMOS, ...levels },
  ]);
export const input = (id: string, levels = {}): Card =>
  module(id, { protocol: 'digital-in', lines: { in: 'in' } }, [{ id: 'in', kind: 'input', ...CMOS, ...levels }]);

/** An open-drain translator of four channels without resistors of its own. */
export function translator(id = 'tr', more: object = {}): Card {
  const sides = ['l', 'h'].flatMap((side) =>
    [1, 2, 3, 4].map((n) => ({
      id: `${side}${n}`,
      terminal: `${side}${n}`,
      kind: 'open-drain',
      reference: side === 'l' ? 'lv' : 'hv',
      ...CMOS,
      sinkCurrent: figure('A', { min: 0.006 }),
    })),
  );
  return card(id, {
    kind: 'translator',
    terminals: terminals('lv', 'hv', 'gnd', ...sides.map((s) => s.id)).map((t) =>
      t.id === 'lv' || t.id === 'hv' ? { ...t, role: 'supply' } : t,
    ),
    supplies: ['lv', 'hv'].map((s) => ({
      id: s,
      terminal: s,
      range: figure('V', { min: 1, max: 6 }),
      current: { active: exactly('A', 0) },
    })),
    signals: sides,
    translator: {
      style: 'open-drain',
      lowSupply: 'lv',
      highSupply: 'hv',
      channels: [1, 2, 3, 4].map((n) => ({ low: `l${n}`, high: `h${n}` })),
      clock: figure('Hz', { max: 400e3 }),
      ...more,
    },
  });
}

/** A plan of one bus with the parts given, on the standing rails. */
export const busBuild = (cards: readonly Card[], parts: readonly PartChoice[], more: Partial<Build> = {}): Build => ({
  cards: [TWO_RAILS, MCU, ...cards],
  parts,
  buses: [i2cBus()],
  helpers: [...PAIR],
  ...more,
});

/** A bus switch with two channels, at 0x70. */
export const hubCard = (id: string): Card => {
  const lines = ['sda', 'scl', 's0', 'c0', 's1', 'c1'];
  return card(id, {
    terminals: terminals('vcc', 'gnd', ...lines),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 6 }), current: { active: exactly('A', 0) } },
    ],
    signals: lines.map((line) => ({
      id: line,
      terminal: line,
      kind: 'open-drain',
      reference: 'vcc',
      ...CMOS,
      sinkCurrent: figure('A', { min: 0.003 }),
    })),
    ports: [
      {
        id: 'port',
        protocol: 'i2c',
        lines: { sda: 'sda', scl: 'scl' },
        addresses: [{ value: 0x70, setting: 'fixed' }],
      },
    ],
    busSwitch: {
      port: 'port',
      channels: [
        { sda: 's0', scl: 'c0' },
        { sda: 's1', scl: 'c1' },
      ],
    },
  });
};
