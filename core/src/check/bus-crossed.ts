import type { Circuit, PinWish } from '../circuit/circuit.ts';
import { isCrossed } from '../circuit/pin-function.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'bus/crossed',
  title: 'Serial lines meet their counterparts',
  station: 'bus',
  rule: 'What one end transmits the other receives: UART lines are crossed, SPI and I²C lines meet their namesakes.',
  source: 'the controller’s card; common practice',
  breaks: 'fault',
};

const PAIRED: ReadonlySet<PinWish['ask']> = new Set(['i2c.sda', 'i2c.scl', 'uart.tx', 'uart.rx', 'spi.in', 'spi.out']);

/** What the pin is, said of a line that should be on its partner. */
const MEETS: Readonly<Partial<Record<PinWish['ask'], string>>> = {
  'uart.rx': 'transmits, and so does the pin',
  'uart.tx': 'receives, and so does the pin',
  'i2c.sda': 'is data, and the pin is the clock',
  'i2c.scl': 'is the clock, and the pin is data',
  'spi.in': 'is what the part sends, and the pin sends too',
  'spi.out': 'is what the part reads, and the pin reads too',
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
          ? `${crossed.map(({ label: line, pin, ask }) => `${line} is on ${label(pin)}: it ${MEETS[ask] ?? 'is crossed'}`).join('; ')}. Neither end hears the other.`
          : `${placed.map(({ label: line, pin }) => `${line} on ${label(pin)}`).join(', ')}: each meets its counterpart.`,
      meaning:
        'Two outputs that meet fight each other; two inputs that meet wait for ever. Nothing breaks at once, and nothing works.',
      workings: placed.map(({ label: line, pin, ask }) => ({ name: line, sum: `asks for ${ask}, on ${label(pin)}` })),
      rests: [[card.id, Object.keys(card.sources)[0]]],
    }),
  ];
}

export const busCrossed: Check = {
  meta,
  run: (circuit) => {
    const groups = new Map<string, PinWish[]>();
    for (const wish of circuit.wishes) groups.set(wish.of, [...(groups.get(wish.of) ?? []), wish]);
    return [...groups.values()].flatMap((wishes) => judge(circuit, wishes));
  },
};
