import { toInterval } from '../card/to-interval.ts';
import type { BusNode, Circuit, Member } from '../circuit/model.ts';
import { JUMPER_LENGTH, LEAD_DELAY, SPI_SETUP, SPI_VALID } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { divide, multiply } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { overBuses } from './over.ts';

/** What is said here, by the data that it takes. */
export interface BusSpiSays {
  readonly broken: { bus: Text; clock: Quantity; member: Text; length: Quantity; limit: Quantity };
  readonly holds: { bus: Text; clock: Quantity; member: Text; limit: Quantity };
  readonly meaning: null;
  readonly rightAfterClock: null;
  readonly rightBeforeClock: null;
  readonly fastest: null;
  readonly hasPartsSeveralModes: { bus: Text; parts: readonly Text[] };
  readonly partMode: { part: Text; mode: number };
  readonly allPartsSpokenMode: { bus: Text; mode: number };
  readonly wrongModeEachBit: null;
}

const tell = tells<BusSpiSays>('bus/spi');

const speedMeta = {
  id: 'bus/spi-speed',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: ['controller/spiSetup', 'ports/*/valid'],
} as const satisfies CheckMeta;
const modeMeta = {
  id: 'bus/spi-mode',
  station: 'bus',
  breaks: 'note',
  scope: 'bus',
  reads: [],
} as const satisfies CheckMeta;

const portOf = (circuit: Circuit, { part, port }: Member) =>
  circuit.parts.get(part)?.card.ports.find(({ id }) => id === port);

function judgeSpeed(circuit: Circuit, bus: BusNode): Result[] {
  const chip = circuit.controller?.card.controller;
  const { clock } = bus;
  if (bus.protocol !== 'spi' || clock === null || !chip) return [];
  return bus.members.map((member) => {
    const node = circuit.parts.get(member.part);
    const figure = portOf(circuit, member)?.valid;
    const valid = figure ? toInterval(figure).max : SPI_VALID;
    const setup = chip.spiSetup ? toInterval(chip.spiSetup).max : SPI_SETUP;
    const length = node?.choice?.lead ?? JUMPER_LENGTH;
    const limit = 1 / (2 * (valid + setup + LEAD_DELAY * length));
    const margin = limit - clock;
    const assumed = !figure || !chip.spiSetup;
    const F = (x: number) => quantityOf(x, 'Hz', 3);
    const S = (x: number) => quantityOf(x, 's', 3);
    return result(circuit, speedMeta, {
      subjects: [bus.id, member.part],
      severity: margin >= 0 ? null : assumed ? 'caution' : 'fault',
      measured: clock,
      limit,
      unit: 'Hz',
      margin,
      assumed,
      message:
        margin < 0
          ? tell('broken', {
              bus: bus.name,
              clock: F(clock),
              member: member.label,
              length: quantityOf(length, 'm'),
              limit: F(limit),
            })
          : tell('holds', { bus: bus.name, clock: F(clock), member: member.label, limit: F(limit) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('rightAfterClock'), sum: figure ? term('fromCard') : term('usual'), value: valid, unit: 's' },
        {
          name: tell('rightBeforeClock'),
          sum: chip.spiSetup ? term('fromCard') : term('usual'),
          value: setup,
          unit: 's',
        },
        {
          name: term('lead'),
          sum: multiply(quantityOf(length, 'm'), quantityOf(10e-9, 's/m')),
          value: LEAD_DELAY * length,
          unit: 's',
        },
        {
          name: tell('fastest'),
          sum: divide(1, multiply(2, S(valid + setup + LEAD_DELAY * length))),
          value: limit,
          unit: 'Hz',
        },
      ],
      rests: [
        [node?.card.id ?? '', figure?.source],
        [circuit.controller?.card.id ?? '', chip.spiSetup?.source],
      ],
    });
  });
}

function judgeMode(circuit: Circuit, bus: BusNode): Result[] {
  const told = bus.members.flatMap((member) => {
    const mode = portOf(circuit, member)?.spiMode;
    return mode === undefined ? [] : [{ label: member.label, mode }];
  });
  const modes = [...new Set(told.map(({ mode }) => mode))];
  if (bus.protocol !== 'spi' || told.length < 2) return [];
  return [
    result(circuit, modeMeta, {
      subjects: [bus.id],
      aspect: 'mode',
      severity: modes.length > 1 ? 'note' : null,
      measured: modes.length,
      limit: 1,
      unit: 'modes',
      margin: 1 - modes.length,
      ranked: false,
      message:
        modes.length > 1
          ? tell('hasPartsSeveralModes', {
              bus: bus.name,
              parts: told.map(({ label, mode }) => tell('partMode', { part: label, mode })),
            })
          : tell('allPartsSpokenMode', { bus: bus.name, mode: modes[0] ?? 0 }),
      meaning: tell('wrongModeEachBit'),
    }),
  ];
}

export const busSpiSpeed = {
  meta: speedMeta,
  ...overBuses(judgeSpeed),
} satisfies Check;
export const busSpiMode = {
  meta: modeMeta,
  ...overBuses(judgeMode),
} satisfies Check;
