/** One-wire figures, common to the class of digital thermometers on this bus (quoted from memory). */

/** What a part on the line must be able to sink at 0.4 V, A. */
export const ONE_WIRE_SINK = 4e-3;
export const ONE_WIRE_LOW = 0.4;
export const ONE_WIRE_SOURCE =
  'one-wire thermometer class, 4 mA at 0.4 V (from memory); one pull-up per line is common practice';
