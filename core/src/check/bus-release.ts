import type { BusNode, Circuit } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';
import { overBuses } from './over.ts';
import { netOf } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface BusReleaseSays {
  readonly goesDrivingOutputWhile: { label: Text; others: readonly Text[] };
  readonly letsOutputGoWhile: { label: Text };
  readonly meaning: null;
  readonly held: { label: Text };
  readonly nothingHoldsSelectLine: { label: Text; others: readonly Text[] };
  readonly partSelectedChanceTakes: null;
}

const tell = tells<BusReleaseSays>('bus/release');

const meta = {
  id: 'bus/release',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: [],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, bus: BusNode): Result[] {
  if (bus.protocol !== 'spi' || bus.members.length < 2) return [];
  return bus.members.flatMap(({ part, port, label }): Result[] => {
    const own = circuit.parts.get(part)?.card.ports.find(({ id }) => id === port);
    const card = circuit.parts.get(part)?.card.id ?? '';
    const select = netOf(circuit, keyOf(part, port, 'select'));
    const others = bus.members.filter((m) => m.part !== part).map((m) => m.label);
    const held = select?.pullUps.some(({ voltage }) => voltage !== null) ?? true;
    return [
      result(circuit, meta, {
        subjects: [part, bus.id],
        severity: own?.keepsDriving ? 'fault' : null,
        message: own?.keepsDriving
          ? tell('goesDrivingOutputWhile', { label, others })
          : tell('letsOutputGoWhile', { label }),
        meaning: tell('meaning'),
        rests: [[card, own?.keepsDriving?.source]],
      }),
      result(circuit, meta, {
        subjects: [part, bus.id],
        aspect: 'select',
        severity: held ? null : 'caution',
        message: held ? tell('held', { label }) : tell('nothingHoldsSelectLine', { label, others }),
        meaning: tell('partSelectedChanceTakes'),
      }),
    ];
  });
}

export const busRelease = {
  meta,
  ...overBuses(judge),
} satisfies Check;
