/** What a self-test answers by itself, and what only a person can: by the keys of measurements. */
import type { Measurement } from '../bench/measurement.ts';
import type { Circuit } from '../circuit/model.ts';
import { keyOf } from '../plan/ref.ts';
import type { Job } from './job.ts';

/** @returns whether a run says what a measurement would show */
export function answeredBy(circuit: Circuit, job: Job): (measurement: Pick<Measurement, 'kind' | 'key'>) => boolean {
  const own = new Set([
    ...job.volts.map(({ part, port }) => `analog:${keyOf(part, port)}`),
    ...[...job.pulses, ...job.clocks].map(({ part, port }) => `works:${keyOf(part, port)}`),
    ...job.wires.map(({ id }) => `count:${id}`),
    ...job.buses.map(({ id }) => `scan:${id}`),
    ...job.words.map(({ part, port, register }) => `word:${keyOf(part, port, String(register))}`),
    ...circuit.buses
      .filter(({ id }) => job.buses.some((bus) => bus.id === id))
      .flatMap(({ members }) => members.map(({ part, port }) => `works:${keyOf(part, port)}`)),
  ]);
  return ({ kind, key }) => kind === 'heard' || kind === 'level' || kind === 'hold' || own.has(key);
}

/** True for what is seen, heard or moved by hand while a program runs, without an instrument. */
export const isLook = ({ kind }: Measurement): boolean => kind === 'works' || kind === 'analog';
