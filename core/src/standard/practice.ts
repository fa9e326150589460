/** Figures of common practice: no published source. Each is used where a card says nothing. */

/** Length of a jumper between neighbours on a breadboard, m. */
export const JUMPER_LENGTH = 0.2;
/** Gauge of jumper leads. */
export const JUMPER_GAUGE = 28;
/** Capacitance of loose hook-up wire to its surroundings, F per m. */
export const LEAD_CAPACITANCE = 60e-12;
/** Capacitance of one row of a breadboard, F. */
export const ROW_CAPACITANCE = 3e-12;
/** Resistors of a plain assortment, as a share. */
export const RESISTOR_TOLERANCE = 0.05;
/** Current that makes an indicator light well visible, A. */
export const LED_CURRENT = 8e-3;
/** A light below this current is hard to see, A. */
export const LED_CURRENT_FAINT = 1e-3;
/** Forward drop of a rectifier diode, V. */
export const DIODE_DROP = 1.0;
/** Pull-up of a switch to ground, Ω. */
export const SWITCH_PULL_UP = 10e3;
/** Pull-up of a one-wire line at short leads, Ω. */
export const ONE_WIRE_PULL_UP = 4.7e3;
/** Where a receiver that states no typical threshold usually switches, as a share of its supply. */
export const TYPICAL_THRESHOLD = 0.5;
/** Low level that a closed switch gives, V. */
export const SWITCH_LOW = 0;
