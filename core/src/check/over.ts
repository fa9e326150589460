/** Checks that judge thing by thing: what one of them says hangs on what is read for that thing alone. */
import type { BusNode, Circuit, Feed, Net, PartNode, PinWish, Rail } from '../circuit/model.ts';
import { busOf, netOf, wishOf, type Collection } from '../circuit/watched.ts';
import type { Check, Result } from './result.ts';

/** How a check goes over a circuit. */
type Judging = Pick<Check, 'run' | 'pieces'>;
type Judge<T> = (circuit: Circuit, thing: T) => readonly Result[];

const over =
  <T>(of: Collection, all: (circuit: Circuit) => Iterable<T>, find: (circuit: Circuit, id: string) => T | undefined) =>
  (judge: Judge<T>): Judging => ({
    run: (circuit) => [...all(circuit)].flatMap((thing) => judge(circuit, thing)),
    pieces: [
      {
        of,
        judge: (circuit, id) => {
          const thing = find(circuit, id);
          return thing === undefined ? [] : judge(circuit, thing);
        },
      },
    ],
  });

export const overParts = over<PartNode>(
  'parts',
  ({ parts }) => parts.values(),
  ({ parts }, id) => parts.get(id),
);
export const overRails = over<Rail>(
  'rails',
  ({ rails }) => rails.values(),
  ({ rails }, id) => rails.get(id),
);
export const overFeeds = over<Feed>(
  'feeds',
  ({ feeds }) => feeds.values(),
  ({ feeds }, id) => feeds.get(id),
);
export const overNets = over<Net>('nets', ({ nets }) => nets, netOf);
export const overBuses = over<BusNode>('buses', ({ buses }) => buses, busOf);
export const overWishes = over<PinWish>('wishes', ({ wishes }) => wishes, wishOf);

/** What looks at the circuit as a whole. */
export const overAll = (run: (circuit: Circuit) => readonly Result[]): Judging => ({
  run: (circuit) => [...run(circuit)],
  pieces: [{ of: null, judge: run }],
});

/** One way after the other. */
export const both = (...ways: readonly Judging[]): Judging => ({
  run: (circuit) => ways.flatMap((way) => way.run(circuit)),
  pieces: ways.flatMap((way) => way.pieces ?? []),
});
