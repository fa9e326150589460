import type { Circuit, PinWish } from '../circuit/model.ts';
import { isCrossed } from '../circuit/pin-function.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text, type Message } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface BusCrossedSays {
  readonly transmitsSoDoesPin: null;
  readonly receivesSoDoesPin: null;
  readonly dataPinClock: null;
  readonly clockPinData: null;
  readonly whatPartSendsPin: null;
  readonly whatPartReadsPin: null;
  readonly crossed: null;
  readonly isOnIt: { line: Text; label: Text; meet: Text };
  readonly neitherEndHearsOther: { crossed: readonly Text[] };
  readonly on: { line: Text; label: Text };
  readonly eachMeetsCounterpart: { placed: readonly Text[] };
  readonly meaning: null;
  readonly asks: { ask: Text; label: Text };
}

const tell = tells<BusCrossedSays>('bus/crossed');

const meta = {
  id: 'bus/crossed',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: [],
} as const satisfies CheckMeta;

const PAIRED: ReadonlySet<PinWish['ask']> = new Set(['i2c.sda', 'i2c.scl', 'uart.tx', 'uart.rx', 'spi.in', 'spi.out']);

/** What the pin is, said of a line that should be on its partner. */
const MEETS: Readonly<Partial<Record<PinWish['ask'], Message>>> = {
  'uart.rx': tell('transmitsSoDoesPin'),
  'uart.tx': tell('receivesSoDoesPin'),
  'i2c.sda': tell('dataPinClock'),
  'i2c.scl': tell('clockPinData'),
  'spi.in': tell('whatPartSendsPin'),
  'spi.out': tell('whatPartReadsPin'),
};

function judge(circuit: Circuit, wishes: readonly PinWish[]): Result[] {
  const placed = wishes.filter(({ pin, ask }) => pin !== null && PAIRED.has(ask));
  const card = circuit.controller?.card;
  if (placed.length < 2 || !card) return [];
  const label = (pin: string | null) => card.terminals.find(({ id }) => id === pin)?.label ?? pin ?? '';
  const crossed = placed.filter((wish) => isCrossed(circuit, wish));
  const shown = crossed.length > 0 ? crossed : placed;
  return [
    result(circuit, meta, {
      subjects: shown.map(({ id }) => id),
      severity: crossed.length > 0 ? 'fault' : null,
      measured: placed.length - crossed.length,
      limit: placed.length,
      unit: 'signals',
      margin: 0 - crossed.length,
      message:
        crossed.length > 0
          ? tell('neitherEndHearsOther', {
              crossed: crossed.map(({ label: line, pin, ask }) =>
                tell('isOnIt', { line, label: label(pin), meet: MEETS[ask] ?? tell('crossed') }),
              ),
            })
          : tell('eachMeetsCounterpart', {
              placed: placed.map(({ label: line, pin }) => tell('on', { line, label: label(pin) })),
            }),
      meaning: tell('meaning'),
      workings: placed.map(({ label: line, pin, ask }) => ({
        name: line,
        sum: tell('asks', { ask, label: label(pin) }),
      })),
      rests: [[card.id, Object.keys(card.sources)[0]]],
    }),
  ];
}

export const busCrossed = {
  meta,
  run: (circuit) => {
    const groups = new Map<string, PinWish[]>();
    for (const wish of circuit.wishes) groups.set(wish.of, [...(groups.get(wish.of) ?? []), wish]);
    return [...groups.values()].flatMap((wishes) => judge(circuit, wishes));
  },
} satisfies Check;
