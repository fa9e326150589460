/** Sources, regulators and loads for questions about currents, heat and cells. */
import type { Card } from '../../src/card/card.ts';
import type { PartChoice, Plan } from '../../src/plan/plan.ts';
import { card, exactly, figure, part, terminals, type Build, type Json } from './build.ts';

export const load = (id: string, amps: number, more: Json = {}, min = 1, max = 13): Card =>
  card(id, {
    terminals: terminals('vcc', 'gnd'),
    supplies: [
      {
        id: 'vcc',
        terminal: 'vcc',
        range: figure('V', { min, max }),
        current: { active: exactly('A', amps), ...more },
      },
    ],
  });

export interface Regulator {
  readonly by?: string;
  readonly volts?: number;
  readonly more?: Json;
  readonly own?: number;
  readonly limit?: number;
}
export const regulator = (
  id: string,
  { by = 'linear', volts = 5, more = {}, own = 0, limit = 2 }: Regulator = {},
): Card =>
  card(id, {
    kind: 'regulator',
    terminals: terminals('vcc', 'out', 'gnd'),
    supplies: [
      { id: 'vcc', terminal: 'vcc', range: figure('V', { min: 1, max: 20 }), current: { active: exactly('A', own) } },
    ],
    rails: [
      {
        id: 'out',
        name: `${volts} V`,
        terminal: 'out',
        voltage: exactly('V', volts),
        limit: exactly('A', limit),
        from: { supply: 'vcc', by, ...more },
      },
    ],
  });
export const short: Partial<PartChoice> = { lead: 1e-9 };
export const chain = (source: Card, reg: Card, of: Card, plan: Partial<Plan> = {}): Build => ({
  cards: [source, reg, of],
  parts: [
    part('v', source.id),
    part('r', reg.id, { feeds: { vcc: 'v.out' }, ...short }),
    part('x', of.id, { feeds: { vcc: 'r.out' }, ...short }),
  ],
  plan,
});

export const cells = ({
  resistance = 0.5,
  fresh = 4.8,
  end = 3,
  cutOff = end,
}: {
  resistance?: number;
  fresh?: number;
  end?: number;
  cutOff?: number;
}): Card =>
  card('v', {
    kind: 'source',
    terminals: terminals('out', 'gnd'),
    rails: [
      {
        id: 'out',
        name: 'cells',
        terminal: 'out',
        voltage: figure('V', { min: end, typ: (fresh + end) / 2, max: fresh }),
        limit: exactly('A', 5),
        cells: {
          chemistry: 'primary',
          count: 3,
          capacity: exactly('C', 3600),
          curve: [
            { used: 0, volts: fresh },
            { used: 1, volts: end },
          ],
          resistance: exactly('Ω', resistance),
          cutOff: exactly('V', cutOff),
          source: 'sheet',
        },
      },
    ],
  });
