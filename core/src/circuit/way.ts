/** Which way the signals of a line go. */
import { isTwoWay, PORT_LINES } from '../card/protocol.ts';
import type { Net } from './model.ts';

/** To the parts, from them, or both ways. */
export type Way = 'to' | 'from' | 'both';

/** Which way a line goes: to the part, from it, or both. */
export function wayOf(net: Pick<Net, 'protocol' | 'line'>): Way {
  if (isTwoWay(net.protocol)) return 'both';
  const ask = PORT_LINES[net.protocol][net.line];
  return ask === 'in' || ask === 'adc' || ask === 'irq' || ask === 'uart.rx' || ask === 'spi.in' ? 'from' : 'to';
}
