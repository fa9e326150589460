/** How a build is left alone: a line that talks rests high, and what is switched for the sensors is on. */
import type { Circuit } from '../circuit/model.ts';
import { keyOf } from '../plan/ref.ts';
import { AT_REST, type BenchState, withHigh } from './state.ts';

export function restState(circuit: Circuit): BenchState {
  const high: string[] = [];
  for (const net of circuit.nets) {
    const pin = net.ends.find((end) => end.controller);
    const own = net.ends.find((end) => !end.controller && !end.divider);
    const card = own && circuit.parts.get(own.part)?.card;
    const switches = card?.rails?.some(
      (rail) =>
        rail.switch &&
        Object.values(card.ports.find(({ id }) => id === rail.switch?.port)?.lines ?? {}).includes(own?.signal ?? ''),
    );
    const activeLow = card?.ports.find(({ lines }) => Object.values(lines).includes(own?.signal ?? ''))?.active;
    const restsHigh = net.protocol === 'uart' || switches || activeLow?.level === 'low' || net.line === 'select';
    if (pin && restsHigh) high.push(keyOf(pin.part, pin.terminal));
    if (own && (net.protocol === 'uart' || (net.protocol === 'clocked' && net.line === 'data')))
      high.push(keyOf(own.part, own.signal));
  }
  return withHigh(AT_REST, ...high);
}
