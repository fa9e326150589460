import type { Circuit, Net } from '../circuit/model.ts';
import { LONG_BUS, LONG_STUB } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { term } from './terms.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusLongLeadsSays {
  readonly loose: { length: Quantity; label: Text; longbus: Quantity };
  readonly busGoesEachLine: { length: Quantity; label: Text };
  readonly meaning: null;
  readonly planOwn: null;
  readonly damped: { net: Text; count: number };
  readonly starRunOneLead: { net: Text; long: readonly Text[] };
  readonly lead: { part: Text; length: Quantity };
  readonly whatComesBackFrom: null;
  readonly allLeadsTogether: null;
  readonly themLongerThan: { count: number; longstub: Quantity };
}

const tell = tells<BusLongLeadsSays>('bus/long-leads');

const meta = {
  id: 'bus/long-leads',
  station: 'bus',
  breaks: 'caution',
  scope: 'bus',
  reads: [],
} as const satisfies CheckMeta;

const M = (x: number) => quantityOf(x, 'm');

interface Stub {
  readonly id: string;
  readonly label: Text;
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
        ? tell('loose', { length: M(length), label, longbus: M(LONG_BUS) })
        : tell('busGoesEachLine', { length: M(length), label }),
      meaning: tell('meaning'),
      workings: [{ name: term('lead'), sum: tell('planOwn'), value: length, unit: 'm' }],
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
        ? tell('damped', { net: net.label, count: long.length })
        : tell('starRunOneLead', {
            net: net.label,
            long: long.map(({ label, length }) => tell('lead', { part: label, length: M(length) })),
          }),
      meaning: tell('whatComesBackFrom'),
      workings: [
        {
          name: tell('allLeadsTogether'),
          sum: tell('themLongerThan', { count: long.length, longstub: M(LONG_STUB) }),
          value: total,
          unit: 'm',
        },
      ],
    }),
  ];
}

export const busLongLeads = {
  meta,
  ...overNets((circuit, net) => [...judgeBus(circuit, net), ...judgeStar(circuit, net)]),
} satisfies Check;
