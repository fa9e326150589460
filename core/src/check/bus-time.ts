import { add, divide, multiply, noted } from '../quantity/sum.ts';
import type { BusNode, Circuit, Member } from '../circuit/model.ts';
import { sensingNeeds } from './need-words.ts';
import { measureFor } from './sense-error.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { overBuses } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusTimeSays {
  readonly broken: { bus: Text; total: Quantity; interval: Quantity };
  readonly holds: { bus: Text; total: Quantity; interval: Quantity };
  readonly meaning: null;
  readonly bytesNotStated: null;
  readonly conversion: null;
  readonly seldom: { s: Text };
  readonly words: { interval: Quantity; between: Quantity };
  readonly oneRound: null;
  readonly conversionsSameTimeAll: null;
  readonly oneAfterOther: null;
}

const tell = tells<BusTimeSays>('bus/time');

const meta = {
  id: 'bus/time',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: ['measures/*/coarser/*/conversion', 'measures/*/conversion', 'ports/*/reading/bytes'],
} as const satisfies CheckMeta;

/** Clocks of a byte - on I²C with its acknowledge - and of start and stop. */
const CLOCKS = { i2c: { byte: 9, frame: 2 }, spi: { byte: 8, frame: 0 } } as const;
type Clocked = keyof typeof CLOCKS;
const isClocked = (protocol: BusNode['protocol']): protocol is Clocked => protocol in CLOCKS;

export interface BusShare {
  readonly label: Text;
  readonly part: string;
  readonly bytes: number | null;
  /** On the bus, s. */
  readonly transfer: number;
  /** Of its measures that are wanted, s. */
  readonly conversion: number;
  /** s between its readings; null where nothing is asked of it. */
  readonly interval: number | null;
  readonly rests: readonly (readonly [string, string | undefined])[];
}

function shareOf(circuit: Circuit, { part, port, label }: Member, clock: number, on: Clocked): BusShare {
  const { byte, frame } = CLOCKS[on];
  const card = circuit.parts.get(part)?.card;
  const reading = card?.ports.find(({ id }) => id === port)?.reading;
  const measures = card ? sensingNeeds(circuit, part).flatMap((need) => measureFor(card, need) ?? []) : [];
  const intervals = sensingNeeds(circuit, part).map(({ interval }) => interval);
  const conversions = measures.map(({ conversion }) => conversion?.max ?? conversion?.typ ?? 0);
  return {
    label,
    part,
    bytes: reading?.bytes ?? null,
    transfer: reading ? (reading.bytes * byte + frame) / clock : 0,
    conversion: Math.max(0, ...conversions),
    interval: intervals.length > 0 ? Math.min(...intervals) : null,
    rests: card
      ? [
          [card.id, reading?.source] as const,
          ...measures.map(({ conversion }) => [card.id, conversion?.source] as const),
        ]
      : [],
  };
}

/** What each part of a bus and its segments takes of the time, and the shortest interval that is asked of them. */
export function busTime(circuit: Circuit, bus: BusNode): { shares: BusShare[]; interval: number | null } {
  const members = circuit.buses.filter(({ root }) => root === bus.id).flatMap((b) => b.members);
  const intervals = members.flatMap(({ part }) => sensingNeeds(circuit, part).map(({ interval }) => interval));
  const clock = bus.clock ?? 100e3;
  const { protocol } = bus;
  if (!isClocked(protocol)) return { shares: [], interval: null };
  return {
    shares: members
      .map((member) => shareOf(circuit, member, clock, protocol))
      .filter((s) => s.transfer + s.conversion > 0),
    interval: intervals.length > 0 ? Math.min(...intervals) : null,
  };
}

function shareSum({ bytes, conversion }: BusShare, on: Clocked, clock: number): Sum {
  const { byte, frame } = CLOCKS[on];
  const bits = frame > 0 ? add(multiply(bytes ?? 0, byte), frame) : multiply(bytes ?? 0, byte);
  const transfer = bytes === null ? tell('bytesNotStated') : divide(bits, quantityOf(clock, 'Hz'));
  return conversion > 0 ? add(transfer, noted(quantityOf(conversion, 's'), tell('conversion'))) : transfer;
}

function judge(circuit: Circuit, bus: BusNode): Result[] {
  if (!isClocked(bus.protocol) || bus.root !== bus.id) return [];
  const { protocol } = bus;
  const { shares, interval } = busTime(circuit, bus);
  if (interval === null || shares.length === 0) return [];
  const { overlap } = circuit.plan;
  // What is read more seldom takes its share of a round, on the average: all fits where Σ time ÷ interval ≤ 1.
  const each = (s: BusShare, seconds: number) => (seconds * interval) / (s.interval ?? interval);
  const transfers = shares.reduce((sum, s) => sum + each(s, s.transfer), 0);
  // Started together, the parts convert while the others are read: the longest conversion alone is waited for.
  const total = overlap
    ? transfers + Math.max(...shares.map((s) => s.conversion))
    : shares.reduce((sum, s) => sum + each(s, s.transfer + s.conversion), 0);
  const margin = interval - total;
  const S = (x: number) => quantityOf(x, 's', 3);
  return [
    result(circuit, meta, {
      subjects: [bus.id],
      severity: margin < 0 ? 'fault' : null,
      measured: total,
      limit: interval,
      unit: 's',
      margin,
      message:
        margin < 0
          ? tell('broken', { bus: bus.name, total: S(total), interval: S(interval) })
          : tell('holds', { bus: bus.name, total: S(total), interval: S(interval) }),
      meaning: tell('meaning'),
      workings: [
        ...shares.map((s) => ({
          name: s.label,
          sum: shareSum(s, protocol, bus.clock ?? 100e3),
          value: s.transfer + s.conversion,
          unit: 's',
        })),
        ...shares
          .filter((s) => s.interval !== null && s.interval > interval)
          .map((s) => ({
            name: tell('seldom', { s: s.label }),
            sum: tell('words', { interval: S(interval), between: S(s.interval ?? interval) }),
            value: each(s, s.transfer + s.conversion),
            unit: 's',
          })),
        {
          name: tell('oneRound'),
          sum: overlap ? tell('conversionsSameTimeAll') : tell('oneAfterOther'),
          value: total,
          unit: 's',
        },
      ],
      rests: shares.flatMap((s) => s.rests),
    }),
  ];
}

export const busTimeCheck = {
  meta,
  ...overBuses(judge),
} satisfies Check;
