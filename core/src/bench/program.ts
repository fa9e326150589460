/** What a program that tries everything would print on a serial port. */
import { crc8 } from '../standard/crc8.ts';
import { bytesOfNumber, spaced } from '../standard/one-wire.ts';
import type { Circuit } from '../circuit/model.ts';
import type { HiddenBuild } from './hidden.ts';
import type { Measurement } from './measurement.ts';

/** The kind of part that its first byte names: a temperature probe of the common class. */
const FAMILY = 0x28;
/** Where a clone answers whose address no card names. */
const STRANGE = 0x5d;

/** A number of its own for each part, with its check, as eight bytes; the same part, the same number. */
function romOf(part: string): number[] {
  let hash = 0x2f;
  const bytes = [FAMILY];
  for (let i = 0; i < 6; i++) {
    for (const char of part) hash = (Math.imul(hash, 31) + (char.codePointAt(0) ?? 0) + i) >>> 0;
    bytes.push((hash >>> 8) & 0xff);
  }
  return [...bytes, crc8(bytes)];
}

/** The numbers that parts on one wire have on the bench: those of the plan where they came from a real build, else invented ones. */
export function wireNumber(circuit: Circuit, part: string, port: string): number[] {
  const number = circuit.parts.get(part)?.choice?.ports[port]?.number;
  if (number === undefined) return romOf(part);
  const bytes = bytesOfNumber(number);
  // An invented one that was written into the plan stays with the part that has it, whoever it was given to.
  const isInvented = [...circuit.parts.keys()].some((id) => String(romOf(id)) === String(bytes));
  return isInvented ? romOf(part) : bytes;
}

const numberText = (circuit: Circuit, part: string, port: string): string =>
  spaced(
    wireNumber(circuit, part, port)
      .map((b) => b.toString(16).padStart(2, '0'))
      .join(''),
  );

/** Lines as such programs print them: scans, numbers on one-wire lines, then each part by its name. */
export function programText(
  hidden: HiddenBuild,
  measurements: readonly Measurement[],
  label: (part: string) => string,
): string {
  const lines: string[] = [];
  const { circuit } = hidden.build;
  for (const m of measurements) {
    if (m.kind === 'scan') {
      const found = String(hidden.read(m)).split(' ');
      const addresses = found.flatMap((word) =>
        /^0x/.test(word) ? [word] : word === '?' ? [`0x${STRANGE.toString(16)}`] : [],
      );
      lines.push('Scanning ...', ...addresses.map((address) => `I2C device found at address ${address}`));
      lines.push(addresses.length > 0 ? 'done' : 'No I2C devices found');
    } else if (m.kind === 'count') {
      const members = circuit.buses.find(({ id }) => id === m.bus)?.members ?? [];
      const there = members.filter(({ part, port }) => hidden.answers(part, port));
      lines.push(...there.map(({ part, port }) => `ROM = ${numberText(circuit, part, port)}`));
      if (there.length === 0) lines.push('No more addresses.');
    } else if (m.kind === 'works') lines.push(`${label(m.part)}: ${hidden.read(m) === 'yes' ? 'ok' : 'nan'}`);
    else if (m.kind === 'analog') lines.push(`${label(m.part)} = ${Number(hidden.read(m)).toFixed(3)} V`);
  }
  return lines.join('\n');
}
