import { railLoad } from './rail-load.ts';
import type { Check, CheckMeta } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/rail-current',
  title: 'Every rail carries its loads',
  station: 'power',
  rule: 'The sum of all peaks on the rail that can come together - parts, regulators below, pull-ups held low, lights - is at most its limit × the derating of the house rules. Parts that the plan puts in an order do not peak together.',
  source: 'the cards; derating is common practice',
  breaks: 'fault',
};

export const supplyRailCurrent: Check = {
  meta,
  run: (circuit) =>
    [...circuit.rails.values()]
      .filter((rail) => rail.offer.from)
      .flatMap((rail) =>
        railLoad(
          circuit,
          meta,
          rail,
          'It can drop out or overheat.',
          'When the rail sags, the radio resets the board in the middle of sending and sensors read rubbish.',
        ),
      ),
};
