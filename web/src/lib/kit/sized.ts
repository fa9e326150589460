/** The width of an element as it is on the screen, told after layout and before paint: nobody asks for it in between, which would lay out twice. */
import { told } from './told';

/** Given is the width inside the padding, px, whenever it is another. */
export const sized = told<number>(
  (tell) =>
    new ResizeObserver((entries) => {
      for (const { target, contentBoxSize } of entries) {
        const width = Math.floor(contentBoxSize[0]?.inlineSize ?? 0);
        // What is not shown has none.
        if (width > 0) tell(target, width);
      }
    }),
);
