import { SINK_VOLTAGE } from './bus-timing.ts';

/** Figures of common practice: no published source. Each is used where a card says nothing. */

/** Length of a jumper between neighbours on a breadboard, m. */
export const JUMPER_LENGTH = 0.2;
/** Gauge of jumper leads. */
export const JUMPER_GAUGE = 28;
/** Capacitance of loose hook-up wire to its surroundings, F per m. */
export const LEAD_CAPACITANCE = 60e-12;
/** By what a lead is: loose, twisted in pairs (category 5: 52 pF/m), screened (100 to 180 pF/m); F per m. Common practice. */
export const CABLE_CAPACITANCE = { loose: LEAD_CAPACITANCE, twisted: 52e-12, screened: 180e-12 } as const;
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
/** What a diode in a feed takes at its most, V, and at least. */
/** Times the inner resistance of a cell for each ten degrees below 20 °C. Common practice. */
export const COLD_RESISTANCE = { min: 1.3, typ: 1.4, max: 1.5 } as const;
export const GUARD_DROP = 1.0;
export const GUARD_DROP_LEAST = 0.2;
/** Pull-up of a switch to ground, Ω. */
export const SWITCH_PULL_UP = 10e3;
/** Resistor that holds an input off while nothing drives it, Ω. */
export const HOLDING_RESISTOR = 10e3;
/** Pull-up of a one-wire line at short leads, Ω. */
export const ONE_WIRE_PULL_UP = 4.7e3;
/** Where a receiver that states no typical threshold usually switches, as a share of its supply. */
export const TYPICAL_THRESHOLD = 0.5;
/** Low level that a closed switch gives, V. */
export const SWITCH_LOW = 0;
/** A protection diode from a pin to its supply: about 0.6 V at a milliampere. */
export const PROTECTION_DIODE = { saturation: 1e-13, emission: 1 } as const;
/** The transistor of an open-drain translator whose card says nothing: gate threshold, V, and what it adds when on, Ω. */
export const PASS_THRESHOLD = { min: 0.8, typ: 1.1, max: 1.5 } as const;
export const PASS_RESISTANCE = 5;
/** Gate voltage above the threshold at which that resistance is meant, V. */
export const PASS_OVERDRIVE = 3;
/** The body diode of such a transistor. */
export const BODY_DIODE = { saturation: 1e-12, emission: 1 } as const;
/** Pull inside a pin of a controller whose card states none, Ω: common practice, 20 to 100 kΩ are met. */
export const USUAL_WEAK_PULL = 45e3;

/** Low level and current that stand for a sink of which nothing is said: 0.4 V at 3 mA. */
export const SINK_RESISTANCE = SINK_VOLTAGE / 3e-3;
/** What a channel of a bus switch adds when it is on, Ω. */
export const BUS_SWITCH_RESISTANCE = 20;
/** Air in a room at its warmest, °C, where a place says nothing. */
export const WARM_ROOM = 35;
/** Air at which a runtime is worked out where a place says nothing, °C. */
export const USUAL_ROOM = 20;
/** A surface hotter than this burns a finger, °C. */
export const HOT_SURFACE = 60;
/** What a breadboard with modules on it passes on in its plane: conductivity × thickness, W/K. */
export const BOARD_SHEET = 0.005;
/** What leaves each face of it by air and radiation, W/(m²·K). */
export const FACE_LOSS = 10;
/**
 * The two temperatures between which a thermistor's B is taken where a card does not say, °C, and what the formula is off by beyond
 * them, K per K: 0.8 K at 0 °C and 1.5 K at −20 °C for 25/85 (from memory, tables of the class beside the formula).
 */
export const BETA_BETWEEN = { from: 25, to: 85 } as const;
export const BETA_BEYOND = 0.033;
/** What a converter takes for one sample, F. Common practice: 5 to 14 pF. */
export const SAMPLING_CAPACITOR = 14e-12;
/** Times the resistance of a field-effect transistor at 25 °C when it is hot. Common practice: 1.4 to 1.8 at 100 °C. */
export const HOT_ON_RESISTANCE = 1.5;
/** A rectifier diode of which nothing is said: what it carries, A, and blocks, V. Common practice. */
export const USUAL_DIODE = { current: 1, reverse: 50 } as const;
/** What one spring of a board, or one crimped contact on a pin, adds: 20 to 50 mΩ; and what one spring carries, A. Common practice. */
export const CONTACT_OHMS = { min: 0.02, typ: 0.035, max: 0.05 } as const;
export const SPRING_CURRENT = 1;
/** Contacts on the way there and back of a feed over a board: the lead's and the strip's, on plus and on ground. */
export const FEED_CONTACTS = 4;
/** Sun on a small box: share of light that a grey wall takes in, W/m² on a clear day, and the wall that it falls on, m². */
export const SUNLIGHT = { takesIn: 0.6, light: 800, wall: 0.012 } as const;
/** Of that what is left under a shield that air blows through. Common practice. */
export const SHIELDED = 0.1;
/** What leaves each face of a bare part in a breeze, W/(m²·K). Common practice: 10 in still air, 30 and more in wind. */
export const BREEZE_LOSS = 30;
/** What holds a rail while it answers a gust, where no card says it: F, and s until it answers. Common practice. */
export const GUST = {
  linear: { farads: 10e-6, seconds: 10e-6 },
  switching: { farads: 47e-6, seconds: 50e-6 },
  source: { farads: 470e-6, seconds: 100e-6 },
} as const;
/** Share of a rail below which a controller of which nothing is said starts anew: 2.9 of 3.3 V, 4.4 of 5 V. Common practice. */
export const BROWN_OUT = 0.88;
/** What a port stands at its plug, F: USB 2.0 §7.2.4.1 (from memory). */
export const PORT_CAPACITANCE = 10e-6;
/** Bus leads longer than this want care even where the rise holds, m; stubs of a one-wire star longer than this reflect. Common practice. */
export const LONG_BUS = 1;
export const LONG_STUB = 3;
/** Leads outdoors longer than this catch lightning that strikes far away, m. Common practice. */
export const LONG_OUTDOORS = 3;
/** On SPI: how long after the clock an output is right and before it an input has to be, s, where no card says it; and what a lead adds, s/m. Common practice. */
export const SPI_VALID = 50e-9;
export const SPI_SETUP = 10e-9;
export const LEAD_DELAY = 10e-9;
/** What both ends of a serial line may be off together, as a share; and one end of which nothing is said. Common practice. */
export const SERIAL_ERROR = 0.02;
export const USUAL_RATE_ERROR = 0.01;
/** A chain of lights: its data resistor, Ω, what stands across its supply, F, and the current from which on both ends are fed, A. Common practice. */
export const CHAIN = { least: 220, most: 1000, farads: 470e-6, both: 1.5 } as const;
/** A pack of current that a motor or coil takes in gusts is kept from a sensor's rail by this, F. Common practice. */
export const MOTOR_CAPACITOR = 100e-6;
/** Hours of full sun a day in the darkest month, where a plan says nothing: a panel towards the sun in central Europe. Common practice. */
export const WORST_SUN = 1;
/** Of what a panel gives what reaches the cell, and of that what comes out again. Common practice. */
export const PANEL_SHARE = 0.7;
export const CHARGE_SHARE = 0.85;
/** Of its capacity an hour a lithium cell may be charged with where its card is silent; and the share of it at which a charger ends. Common practice. */
export const USUAL_CHARGE = 0.5;
export const CHARGE_ENDS = 0.1;
/** Outer surface of a small closed box, m², and what leaves it, W/(m²·K). */
export const BOX_SURFACE = 0.05;
export const BOX_LOSS = 5;
/** Of the rail's voltage, what leads may lose before one should think. */
export const LEAD_SHARE = 0.03;
/** Ratio of collector to base current at which a transistor counts as saturated. */
export const FORCED_GAIN = 10;
/** Wires that one screw terminal clamps well. */
export const SCREW_WIRES = 2;
/** Stripped wires that one lever joint takes. */
export const JOINT_WAYS = 5;
/** How far the legs of a small resistor or diode may be apart, in steps of the grid: bent close to the body, or straight. */
export const LEG_SPAN = { least: 3, most: 12 } as const;
/** What a lead needs beyond the straight way: the bends at its ends, m, and the slack. */
export const LEAD_BENDS = 0.02;
export const LEAD_SLACK = 1.2;
/** Between a supply rail and ground with the power off, less than this is taken for a short, Ω. */
export const SHORT_LIMIT = 100;
/** How sure a maker usually wants to be that enough of the pieces work. */
export const USUAL_SURENESS = 0.9;
/** What a fuse or switch behind a programming socket carries where its card says nothing, A: that of a port (USB 2.0 §7.2.1, from memory). */
export const SOCKET_LIMIT = 0.5;
/** A programming cable of which nothing is known: length, m, gauge of its supply wires, and its contacts, Ω. */
export const USUAL_CABLE = { length: 1, gauge: 24, contacts: 0.12 } as const;
/** What a protection diode of a part that is off may be let carry, A. */
export const CLAMP_CURRENT = 1e-3;
/** How far below a part's range a supply may fall at the worst and still count as short of it by a little, as a share of the limit. */
export const NEARLY_FED = 0.05;

/** American gauges that leads are sold in, thinnest first. */
export const LEAD_GAUGES = [28, 26, 24, 22, 20, 18] as const;
