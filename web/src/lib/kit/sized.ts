/** The width of an element as it is on the screen, told after layout and before paint: nobody asks for it in between, which would lay out twice. */
import type { Attachment } from 'svelte/attachments';

const takers = new WeakMap<Element, (width: number) => void>();
let watching: ResizeObserver | null = null;

const observer = (): ResizeObserver =>
  (watching ??= new ResizeObserver((entries) => {
    for (const { target, contentBoxSize } of entries) {
      const width = Math.floor(contentBoxSize[0]?.inlineSize ?? 0);
      // What is not shown has none.
      if (width > 0) takers.get(target)?.(width);
    }
  }));

/** @param take is given the width inside the padding, px, whenever it is another */
export const sized =
  (take: (width: number) => void): Attachment =>
  (element) => {
    takers.set(element, take);
    observer().observe(element);
    return () => {
      observer().unobserve(element);
      takers.delete(element);
    };
  };
