/** How the boxes of the picture look, by what they stand for. */
import type { Shape } from '@idle-breadboard/core/overview';

type Role = Extract<Shape, { is: 'box' }>['role'];

export const BOX_LOOK: Readonly<Record<Role, string>> = {
  feed: 'fill-raised stroke-ink stroke-[1.2]',
  part: 'fill-raised stroke-ink stroke-[1.2]',
  rail: 'fill-board stroke-ink stroke-1',
  gate: 'fill-board stroke-ink stroke-1 [stroke-dasharray:3_2]',
  hub: 'fill-raised stroke-ink stroke-[1.6]',
  column: 'fill-bench',
};
