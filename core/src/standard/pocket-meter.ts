/** What a pocket meter of the usual class is like: common practice, without a source. */

/** Ω above which it shows an open circuit. */
export const OPEN_FROM = 2e6;
/** Ω of its leads and of probes that are pressed on by hand. */
export const PROBES = 0.3;

/** ±(0.5 % + 10 mV) of a voltage, ±(0.8 % + 0.3 Ω) of a resistance, ±(1.5 % + 0.1 mA) of a current. */
export const METER = {
  volts: { share: 0.005, fixed: 0.01 },
  ohms: { share: 0.008, fixed: PROBES },
  amps: { share: 0.015, fixed: 1e-4 },
} as const;
