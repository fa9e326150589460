/** Which number on a one-wire line is which part: by warming one in the hand, or by what came when one was plugged in. */
import { readOneWireList } from '../capture/one-wire-list.ts';
import type { Circuit } from '../circuit/model.ts';
import { crc8 } from '../standard/crc8.ts';
import { bytesOfNumber, isWireNumber } from '../standard/one-wire.ts';
import type { FoundPart } from './evidence.ts';

/** K that a hand warms a thermometer by at least, and how much less all others may have risen, as a share: common practice. */
const WARMED = 1.5;
const OTHERS = 0.5;

/** First bytes of the thermometers of this bus (their data sheets, from memory): one digit misread may check out the other way round. */
const THERMOMETERS: ReadonlySet<string> = new Set(['10', '22', '28', '3b', '42']);

export type Which =
  | { readonly is: 'joined'; readonly rom: string }
  | {
      readonly is: 'warmed';
      readonly rom: string;
      /** K that it rose, and the most that another did; null where there is no other. */
      readonly rose: number;
      readonly next: number | null;
    }
  /** Several came, or several rose: nothing can be said. */
  | { readonly is: 'several'; readonly roms: readonly string[] }
  | { readonly is: 'none' };

/** What two runs, one before and one after, tell of one line. */
export function whichPart(before: readonly FoundPart[], after: readonly FoundPart[]): Which {
  const known = new Map(before.map(({ rom, celsius }) => [rom, celsius]));
  const came = after.filter(({ rom }) => !known.has(rom));
  const [first] = came;
  if (first) return came.length === 1 ? { is: 'joined', rom: first.rom } : { is: 'several', roms: romsOf(came) };
  const rises = after
    .flatMap(({ rom, celsius }) => {
      const was = known.get(rom) ?? null;
      return celsius === null || was === null ? [] : [{ rom, rose: celsius - was }];
    })
    .sort((a, b) => b.rose - a.rose);
  const [most, next] = rises;
  if (!most || most.rose < WARMED) return { is: 'none' };
  if (next && next.rose > OTHERS * most.rose)
    return { is: 'several', roms: romsOf(rises.filter(({ rose }) => rose > OTHERS * most.rose)) };
  return { is: 'warmed', rom: most.rom, rose: most.rose, next: next?.rose ?? null };
}

const romsOf = (all: readonly { readonly rom: string }[]): string[] => all.map(({ rom }) => rom);

/** A part on a one-wire line, with the number that the plan has for it. */
export interface NumberedPart {
  readonly part: string;
  readonly port: string;
  readonly bus: string;
  readonly number: string | null;
}

/** Every part on a one-wire line, in the order of the plan. */
export const numberedParts = (circuit: Circuit): NumberedPart[] =>
  circuit.buses
    .filter(({ protocol }) => protocol === 'onewire')
    .flatMap(({ id, members }) =>
      members.map(({ part, port }) => ({
        part,
        port,
        bus: id,
        number: circuit.parts.get(part)?.choice?.ports[port]?.number ?? null,
      })),
    );

/** Of each line the one number that no part has yet and the one part without a number: they can only belong together. */
export function leftOver(circuit: Circuit, found: readonly FoundPart[]): { at: NumberedPart; rom: string }[] {
  const parts = numberedParts(circuit);
  return [...new Set(parts.map(({ bus }) => bus))].flatMap((bus) => {
    const own = parts.filter((part) => part.bus === bus);
    const here = found.filter((part) => part.bus === bus);
    const bare = own.filter(({ number }) => number === null);
    const free = here.filter(({ rom }) => !own.some(({ number }) => number === rom));
    const [at, one] = [bare[0], free[0]];
    // Where something is missing or too much, the one that is left may be another.
    return at && one && bare.length === 1 && free.length === 1 && here.length === own.length
      ? [{ at, rom: one.rom }]
      : [];
  });
}

/**
 * A number as it is printed on a label or by a program: eight bytes, in either order, or the form of a system without the check.
 * @returns null where it is none, or its check is wrong
 */
export function readWireNumber(text: string): string | null {
  const [only, ...more] = readOneWireList(text.trim());
  if (!only || more.length > 0) return null;
  if (only.checked !== false) {
    const bytes = bytesOfNumber(only.serial);
    const number = `${only.serial}${crc8(bytes).toString(16).padStart(2, '0')}`;
    return isWireNumber(number) ? number : null;
  }
  const digits = only.text.replace(/0x|[^0-9a-f]/gi, '').toLowerCase();
  const turned = (digits.match(/../g) ?? []).reverse().join('');
  return isWireNumber(turned) && THERMOMETERS.has(turned.slice(0, 2)) ? turned : null;
}
