/** The sink that a line has to be held by: one rule for what is proposed and for what is checked. */
import type { Net } from '../circuit/model.ts';
import { sinkAt, type SinkAt } from '../standard/bus-timing.ts';
import { ONE_WIRE_LOW, ONE_WIRE_SINK } from '../standard/one-wire.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface PhysicsSinkSays {
  readonly leastStandardAsks: null;
}

const tell = tells<PhysicsSinkSays>('physics/sink');

export interface Sink extends SinkAt {
  readonly label: Text;
  readonly card: string;
  readonly source: string | null;
}

/**
 * The weakest sink of a line; an end that says nothing counts as the least that the standard asks of it.
 * @param open V, the line while nobody holds it
 */
export function weakestSink(net: Net, open: number): Sink {
  const stated = net.ends
    .filter(({ levels }) => levels.sink !== null)
    .toSorted((a, b) => (a.levels.sink ?? 0) - (b.levels.sink ?? 0))[0];
  const wire = net.protocol === 'onewire';
  const least = wire ? { volts: ONE_WIRE_LOW, amps: ONE_WIRE_SINK } : sinkAt(open, null);
  const silent: Sink = { ...least, label: tell('leastStandardAsks'), card: '', source: null };
  if (!stated) return silent;
  const amps = stated.levels.sink ?? 0;
  const own: Sink = {
    ...(wire ? { volts: ONE_WIRE_LOW, amps } : sinkAt(open, amps)),
    label: stated.label,
    card: stated.card,
    source: stated.levels.sinkSource,
  };
  const all = net.ends.every(({ levels }) => levels.sink !== null);
  return all || own.amps <= silent.amps ? own : silent;
}
