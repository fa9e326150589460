import { toInterval } from '../card/to-interval.ts';
import type { BusNode, Circuit, Member } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { JUMPER_LENGTH, LEAD_DELAY, SPI_SETUP, SPI_VALID } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const speedMeta: CheckMeta = {
  id: 'bus/spi-speed',
  title: 'On SPI the answer is there before the next edge',
  station: 'bus',
  rule: 'Clock ≤ 1 ÷ (2 × (t_valid of the part + t_setup of the controller + 10 ns a metre of lead)): half a period has to hold the way there and back.',
  source: 'the cards; 50 ns, 10 ns and 10 ns/m where nothing is said are common practice',
  breaks: 'fault',
};
const modeMeta: CheckMeta = {
  id: 'bus/spi-mode',
  title: 'Parts of one SPI bus are spoken to in one mode',
  station: 'bus',
  rule: 'All parts of a bus have one mode of clock and phase; where they have several the program sets it before each.',
  source: 'the cards',
  breaks: 'note',
};

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
    const F = (x: number) => formatQuantity(x, 'Hz', 3);
    const S = (x: number) => formatQuantity(x, 's', 3);
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
          ? `${bus.name} runs at ${F(clock)}; the answer of ${member.label} over ${formatQuantity(length, 'm')} is sure to be there up to ${F(limit)}. The last bits come out shifted.`
          : `${bus.name} runs at ${F(clock)}; the answer of ${member.label} is there up to ${F(limit)}.`,
      meaning: 'What is written arrives and what is read is shifted by a bit: the part looks broken.',
      workings: [
        { name: 'right after the clock', sum: figure ? 'from the card' : 'usual', value: valid, unit: 's' },
        { name: 'right before the clock', sum: chip.spiSetup ? 'from the card' : 'usual', value: setup, unit: 's' },
        { name: 'lead', sum: `${formatQuantity(length, 'm')} × 10 ns/m`, value: LEAD_DELAY * length, unit: 's' },
        { name: 'fastest', sum: `1 ÷ (2 × ${S(valid + setup + LEAD_DELAY * length)})`, value: limit, unit: 'Hz' },
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
      subjects: [bus.id, 'mode'],
      severity: modes.length > 1 ? 'note' : null,
      measured: modes.length,
      limit: 1,
      unit: 'modes',
      margin: 1 - modes.length,
      ranked: false,
      message:
        modes.length > 1
          ? `${bus.name} has parts of several modes: ${told.map(({ label, mode }) => `${label} ${mode}`).join(', ')}. The program sets the mode before it speaks to each.`
          : `All parts of ${bus.name} are spoken to in mode ${modes[0]}.`,
      meaning: 'In the wrong mode each bit is taken on the wrong edge.',
    }),
  ];
}

export const busSpiSpeed: Check = {
  meta: speedMeta,
  run: (circuit) => circuit.buses.flatMap((bus) => judgeSpeed(circuit, bus)),
};
export const busSpiMode: Check = {
  meta: modeMeta,
  run: (circuit) => circuit.buses.flatMap((bus) => judgeMode(circuit, bus)),
};
