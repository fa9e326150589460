/** A row of the bring-up sheet for two probes that somebody puts anywhere. */
import { measure, type Measurement } from '../bench/measurement.ts';
import type { VirtualBuild } from '../bench/virtual-build.ts';
import type { SheetRow } from './sheet-row.ts';
import { expectedOhms, widened } from './expected.ts';
import { Places } from './places.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverTouchedSays {
  readonly to: { from: Text; to: Text };
  readonly ohmsPowerOff: null;
  readonly buildOrder: { shows: Quantity; off: Quantity };
  readonly voltsRedFirstBlack: null;
}

const tell = tells<DeliverTouchedSays>('deliver/touched');

/** Of a voltage that no check has bounds for: what supplies and pull-ups usually keep, as a share and in V. */
const SPREAD = { share: 0.05, least: 0.05 } as const;

/** @param sound the build in order @param m with two probes */
export function touchedRow(sound: VirtualBuild, m: Measurement & { readonly kind: 'ohms' | 'volts' }): SheetRow {
  const places = new Places(sound.circuit, sound.plan.layout);
  const [from, to] = [places.say(m.from), places.say(m.to)];
  const shows = Number(measure(sound, m));
  const base = {
    key: m.key,
    kind: m.kind,
    subjects: m.subjects,
    probes: { red: m.from, black: m.to },
    standard: false,
    touched: true as const,
    title: tell('to', { from, to }),
  };
  if (m.kind === 'ohms')
    return { ...base, phase: 'off', how: tell('ohmsPowerOff'), expected: expectedOhms(shows, false) };
  const off = Math.max(SPREAD.share * Math.abs(shows), SPREAD.least);
  const sum = tell('buildOrder', { shows: quantityOf(shows, 'V', 4), off: quantityOf(off, 'V', 2) });
  return {
    ...base,
    phase: 'power',
    how: tell('voltsRedFirstBlack'),
    expected: widened('volts', shows - off, shows + off, 'V', sum),
  };
}
