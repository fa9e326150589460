/** Numbers at the ends of leads: as large as there is room for. */
import { overlaps, type Box } from '../board/footprint.ts';
import type { Point } from '../board/grid.ts';
import { widthOf } from '../drawing/letter-widths.ts';
import type { MapTag } from './model.ts';

/** Half of a tag that stands between others in every hole around it, and of one that has room. */
const NARROW = { width: 0.48, height: 0.46 };
const TALL = 0.54;
const SMALL_FIGURES = 0.74;
const LARGE_FIGURES = 1.25;
const figures = (number: number, size: number) => widthOf(String(number), size, 'mono');

/** The tag that fits everywhere. */
export function narrowTag({ x, y }: Point, number: number): MapTag {
  const size = Math.min(SMALL_FIGURES, (2 * NARROW.width - 0.06) / figures(number, 1));
  return { x, y, half: NARROW, size };
}

/** The tag that can be read from further away. */
const wideTag = ({ x, y }: Point, number: number): MapTag => ({
  x,
  y,
  half: { width: figures(number, LARGE_FIGURES) / 2 + 0.14, height: TALL },
  size: LARGE_FIGURES,
});

export const tagBox = ({ x, y, half }: MapTag): Box => ({
  left: x - half.width,
  right: x + half.width,
  top: y - half.height,
  bottom: y + half.height,
});

/** Every tag as large as what stands around it allows. @param taken what no tag may reach */
export function enlarged(ends: readonly { number: number; at: Point }[], taken: readonly Box[]): MapTag[] {
  const tags = ends.map(({ number, at }) => narrowTag(at, number));
  ends.forEach(({ number, at }, i) => {
    const tag = wideTag(at, number);
    const box = tagBox(tag);
    const free =
      !taken.some((one) => overlaps(one, box)) && !tags.some((other, k) => k !== i && overlaps(tagBox(other), box));
    if (free) tags[i] = tag;
  });
  return tags;
}
