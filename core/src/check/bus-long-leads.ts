import type { Circuit, Net } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { LONG_BUS, LONG_STUB } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/long-leads',
  title: 'Long leads of a bus are twisted, and a star is damped',
  station: 'bus',
  rule: 'I²C leads longer than 1 m want SDA and SCL each twisted with ground or screened, even where the rise holds. A one-wire line that goes to two or more places by stubs longer than 3 m wants 100 to 120 Ω in each stub.',
  source: 'common practice',
  breaks: 'caution',
};

const M = (x: number) => formatQuantity(x, 'm');

interface Stub {
  readonly id: string;
  readonly label: string;
  readonly length: number;
  readonly loose: boolean;
}

/** Parts on a line with what their leads are. */
function stubs(circuit: Circuit, net: Net): Stub[] {
  return net.ends.flatMap((end) => {
    const part = circuit.parts.get(end.part);
    if (end.controller || end.divider || !part?.choice) return [];
    const own = part.card.terminals.find(({ id }) => id === end.terminal)?.lead?.length ?? 0;
    const { lead = 0, cable = 'loose' } = part.choice;
    return [{ id: part.id, label: part.label, length: lead + own, loose: cable === 'loose' }];
  });
}

function judgeBus(circuit: Circuit, net: Net): Result[] {
  if (net.protocol !== 'i2c' || net.line !== 'sda') return [];
  const long = stubs(circuit, net).filter(({ length }) => length > LONG_BUS);
  return long.map(({ id, label, length, loose }) =>
    result(circuit, meta, {
      subjects: [id, net.id],
      severity: loose ? 'caution' : null,
      measured: length,
      limit: LONG_BUS,
      unit: 'm',
      margin: LONG_BUS - length,
      ranked: false,
      message: loose
        ? `The bus goes ${M(length)} to ${label} in loose leads. From ${M(LONG_BUS)} on SDA and SCL are each twisted with ground, never with one another.`
        : `The bus goes ${M(length)} to ${label}, each line with its ground.`,
      meaning: 'Side by side the clock couples into the data: a bus that works on the table fails on the wall.',
      workings: [{ name: 'lead', sum: 'of the plan, and its own', value: length, unit: 'm' }],
    }),
  );
}

function judgeStar(circuit: Circuit, net: Net): Result[] {
  if (net.protocol !== 'onewire') return [];
  const long = stubs(circuit, net).filter(({ length }) => length > LONG_STUB);
  if (long.length < 2) return [];
  const damped = net.series.length > 0;
  const total = stubs(circuit, net).reduce((sum, { length }) => sum + length, 0);
  return [
    result(circuit, meta, {
      subjects: [net.id, ...long.map(({ id }) => id)],
      keyed: [net.id, 'star'],
      severity: damped ? null : 'note',
      measured: Math.max(...long.map(({ length }) => length)),
      limit: LONG_STUB,
      unit: 'm',
      margin: LONG_STUB - Math.max(...long.map(({ length }) => length)),
      ranked: false,
      message: damped
        ? `${net.label} is a star of ${long.length} long stubs, with resistors in it.`
        : `${net.label} is a star: ${long.map(({ label, length }) => `${label} ${M(length)}`).join(', ')}. Run one lead from place to place, or put 100 to 120 Ω into each stub.`,
      meaning: 'What comes back from the end of one stub is read as a bit at the other.',
      workings: [
        {
          name: 'all leads together',
          sum: `${long.length} of them longer than ${M(LONG_STUB)}`,
          value: total,
          unit: 'm',
        },
      ],
    }),
  ];
}

export const busLongLeads: Check = {
  meta,
  run: (circuit) => circuit.nets.flatMap((net) => [...judgeBus(circuit, net), ...judgeStar(circuit, net)]),
};
