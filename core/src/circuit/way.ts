/** Which way the signals of a line go. */
import { isTwoWay, PORT_LINES } from '../card/protocol.ts';
import type { Net } from './circuit.ts';

/** Which way a line goes: to the part, from it, or both. */
export function wayOf(net: Pick<Net, 'protocol' | 'line'>): 'to the parts' | 'from the parts' | 'both ways' {
  if (isTwoWay(net.protocol)) return 'both ways';
  const ask = PORT_LINES[net.protocol][net.line];
  return ask === 'in' || ask === 'adc' || ask === 'irq' || ask === 'uart.rx' || ask === 'spi.in'
    ? 'from the parts'
    : 'to the parts';
}
