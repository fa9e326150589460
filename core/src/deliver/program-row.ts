/** Rows that only a program reads: that it runs, how its pins rest, and what falls with one that it holds low. */
import type { Measurement } from '../bench/measurement.ts';
import type { Circuit } from '../circuit/model.ts';
import { tells, type Text } from '../quantity/message.ts';
import type { SheetRow } from './sheet-row.ts';

/** What is said here, by the data that it takes. */
export interface DeliverProgramRowSays {
  readonly heard: null;
  readonly startSelfTest: null;
  readonly ownPulls: { pin: Text };
  readonly pinHeldLow: { pin: Text };
  readonly readOwnPulls: null;
  readonly readHeldLow: null;
}

const tell = tells<DeliverProgramRowSays>('deliver/program-row');

/** @param shows what a build in order shows */
export function programRow(
  { controller }: Circuit,
  m: Extract<Measurement, { kind: 'heard' } | { kind: 'level' | 'hold' }>,
  shows: string,
): Pick<SheetRow, 'phase' | 'standard' | 'program' | 'title' | 'how' | 'expected'> {
  const row = { phase: 'rest', standard: false, program: true, expected: shows } as const;
  if (m.kind === 'heard') return { ...row, title: tell('heard'), how: tell('startSelfTest') };
  const pin = controller?.card.terminals.find(({ id }) => id === m.pin)?.label ?? m.pin;
  return m.kind === 'level'
    ? { ...row, title: tell('ownPulls', { pin }), how: tell('readOwnPulls') }
    : { ...row, title: tell('pinHeldLow', { pin }), how: tell('readHeldLow') };
}
