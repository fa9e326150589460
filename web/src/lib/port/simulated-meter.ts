/** A meter at the simulated bench: it writes what the probes of the row in hand show, and that they were lifted before. */
import type { LinePort } from './line-port';

/** ms between two lines. */
const PACE = 250;
/** Lines that are written while the hand is on its way. */
const LIFTED = 2;

const UNITS: Readonly<Record<string, string>> = { volts: 'V DC', ohms: 'Ohm', amps: 'A DC' };
const AIR: Readonly<Record<string, string>> = { volts: '0.002 V DC', ohms: 'OL Ohm', amps: '0.0000 A DC' };

/** @param inHand the row that somebody is at; null where there is none @param read what the bench shows there */
export function simulatedMeter(
  inHand: () => { readonly key: string; readonly kind: string } | null,
  read: (key: string) => Promise<number | string | null>,
): LinePort {
  return {
    name: 'simulated meter',
    listen(take) {
      let open = true;
      void (async () => {
        let [at, lines] = ['', 0];
        for (; open; await new Promise((go) => setTimeout(go, PACE))) {
          const row = inHand();
          const unit = UNITS[row?.kind ?? ''];
          if (!row || unit === undefined) continue;
          if (at !== row.key) [at, lines] = [row.key, 0];
          lines += 1;
          const value = lines <= LIFTED ? null : await read(row.key);
          if (!open) return;
          if (typeof value !== 'number') take(AIR[row.kind] ?? '');
          else take(Number.isFinite(value) ? `${value.toFixed(4)} ${unit}` : 'OL Ohm');
        }
      })();
      return Promise.resolve(() => {
        open = false;
        return Promise.resolve();
      });
    },
  };
}
