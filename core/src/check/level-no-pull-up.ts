import type { Circuit, Net } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface LevelNoPullUpSays {
  readonly pullUp: null;
  readonly pullUps: { count: number };
  readonly has: { net: Text; count: Text };
  readonly hasOnlyControllersOwn: { net: Text; ohms: Quantity; mostOhms: Quantity };
  readonly hasNoPullUp: { net: Text };
  readonly meaning: null;
  readonly pullUpOf: { p: Text };
  readonly to: { rail: Text };
  readonly controllersOwn: null;
  readonly ohmsRange: { ohms: Quantity; mostOhms: Quantity };
}

const tell = tells<LevelNoPullUpSays>('level/no-pull-up');

const meta = {
  id: 'level/no-pull-up',
  station: 'levels',
  breaks: 'fault',
  scope: 'part',
  answeredBy: 'rest',
  reads: ['controller/io/weakPull'],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, net: Net): Result[] {
  if (!net.openDrain || net.ends.length === 0) return [];
  const count = net.pullUps.filter(({ voltage }) => voltage !== null).length;
  const { weak } = net;
  const ohms = weak?.ohms;
  const message =
    count > 0
      ? tell('has', { net: net.label, count: count === 1 ? tell('pullUp') : tell('pullUps', { count }) })
      : ohms
        ? tell('hasOnlyControllersOwn', {
            net: net.label,
            ohms: quantityOf(ohms.min, 'Ω'),
            mostOhms: quantityOf(ohms.max, 'Ω'),
          })
        : tell('hasNoPullUp', { net: net.label });
  return [
    result(circuit, meta, {
      subjects: [net.id],
      severity: count > 0 ? null : ohms ? 'caution' : 'fault',
      measured: count,
      limit: 1,
      unit: 'pull-ups',
      margin: count - 1,
      message,
      meaning: tell('meaning'),
      workings: [
        ...net.pullUps.map((p) => ({
          name: tell('pullUpOf', { p: p.label }),
          sum: tell('to', { rail: p.rail }),
          value: p.ohms.typ,
          unit: 'Ω',
        })),
        ...(ohms
          ? [
              {
                name: tell('controllersOwn'),
                sum: tell('ohmsRange', { ohms: quantityOf(ohms.min, 'Ω'), mostOhms: quantityOf(ohms.max, 'Ω') }),
                value: ohms.typ,
                unit: 'Ω',
              },
            ]
          : []),
      ],
      rests: weak?.figure ? [[weak.figure.card, weak.figure.source]] : [],
    }),
  ];
}

export const levelNoPullUp = {
  meta,
  ...overNets(judge),
} satisfies Check;
