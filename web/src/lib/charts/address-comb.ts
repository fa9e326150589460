/** Geometry of the address comb: 128 teeth, the reserved ones cut short, parts hanging from theirs. */
import { keyOf } from '@idle-breadboard/core/plan';
import type { BusNode } from '@idle-breadboard/core/circuit';
import { formatAddress, isReservedAddress } from '@idle-breadboard/core/figures';
import { say } from '@idle-breadboard/core/words';
import { scaleLinear } from 'd3';

interface Tooth {
  readonly address: number;
  readonly x: number;
  readonly reserved: boolean;
}

interface Tag {
  readonly key: string;
  readonly x: number;
  readonly address: number;
  readonly label: string;
  readonly row: number;
  /** Near the right end a tag is written to the left of its tooth. */
  readonly flipped: boolean;
  /** False for a setting that the part could take. */
  readonly taken: boolean;
  readonly clash: boolean;
}

export interface Comb {
  readonly width: number;
  readonly height: number;
  readonly teeth: readonly Tooth[];
  readonly tags: readonly Tag[];
  readonly marks: readonly { x: number; text: string }[];
}

const TAG_HEIGHT = 15;
/** Width of one letter of a tag, px, in its small mono face. */
const LETTER = 6.1;

export function comb(bus: BusNode, width: number): Comb {
  const x = scaleLinear([0, 127], [6, width - 6]);
  const count = new Map<number, number>();
  for (const { address } of bus.members) if (address !== null) count.set(address, (count.get(address) ?? 0) + 1);
  const wanted = bus.members.flatMap((member) => {
    if (member.address === null || member.address > 127) return [];
    const text = `${formatAddress(member.address)} ${say(member.label)}`;
    const clash = (count.get(member.address) ?? 0) > 1;
    return [{ key: keyOf(member.part, member.port), address: member.address, label: text, clash }];
  });
  /** What is taken of each row of tags, from left to right. */
  const rows: [number, number][][] = [];
  const tags: Tag[] = wanted
    .sort((a, b) => a.address - b.address)
    .map((tag) => {
      const at = x(tag.address);
      const length = 12 + tag.label.length * LETTER;
      const flipped = at + length > width;
      const [from, to] = flipped ? [at - length, at + 6] : [at - 6, at + length];
      let row = rows.findIndex((spans) => spans.every(([left, right]) => to < left || from > right));
      if (row < 0) row = rows.push([]) - 1;
      rows[row]?.push([from, to]);
      return { ...tag, x: at, row, flipped, taken: true };
    });
  const free: Tag[] = bus.members.flatMap((member) =>
    member.options
      .filter(({ value }) => value !== member.address)
      .map(({ value }) => ({
        key: keyOf(member.part, member.port, String(value)),
        x: x(value),
        address: value,
        label: `${formatAddress(value)} ${say(member.label)}, other setting`,
        row: 0,
        flipped: false,
        taken: false,
        clash: false,
      })),
  );
  return {
    width,
    height: 34 + Math.max(1, rows.length) * TAG_HEIGHT,
    teeth: Array.from({ length: 128 }, (_, address) => ({
      address,
      x: x(address),
      reserved: isReservedAddress(address),
    })),
    tags: [...free, ...tags],
    marks: [0x00, 0x10, 0x20, 0x30, 0x40, 0x50, 0x60, 0x70].map((address) => ({
      x: x(address),
      text: formatAddress(address),
    })),
  };
}

export const tagY = (row: number): number => 34 + row * TAG_HEIGHT;
