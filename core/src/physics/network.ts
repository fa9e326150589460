/**
 * A small electrical network: nodes joined by resistors, diodes and transistors, some of them held at a voltage.
 * It is what a net of the circuit becomes in one state; `operatingPoint` and `transient` solve it.
 */

/** A junction: I = saturation × (e^(V ÷ (emission × VT)) − 1). */
export interface DiodeModel {
  /** A */
  readonly saturation: number;
  readonly emission: number;
  /** Exponent above which the curve goes on as a straight line, as the resistance inside a real one makes it. */
  readonly straightFrom?: number;
}

/** An n-channel transistor by the square law, without body effect; drain and source may change places. */
export interface TransistorModel {
  /** Gate to source, V. */
  readonly threshold: number;
  /** A/V²: I = gain × ((Vgs − threshold) × Vds − Vds² ÷ 2) while it is not pinched off. */
  readonly gain: number;
}

/** Nodes are numbers from 0; node 0 is ground. */
export interface Network {
  readonly nodes: number;
  /** Nodes held at a voltage by something strong: rails. Ground needs no entry. */
  readonly held: readonly { readonly node: number; readonly volts: number }[];
  readonly resistors: readonly { readonly a: number; readonly b: number; readonly ohms: number }[];
  /** A current that flows out of `from` and into `to`, whatever the voltage: a leakage. */
  readonly currents: readonly { readonly from: number; readonly to: number; readonly amps: number }[];
  readonly diodes: readonly { readonly anode: number; readonly cathode: number; readonly model: DiodeModel }[];
  readonly transistors: readonly {
    readonly drain: number;
    readonly gate: number;
    readonly source: number;
    readonly model: TransistorModel;
  }[];
  /** To ground, F, by node; missing ones have none. */
  readonly capacitance: readonly number[];
}

/** kT/q at 27 °C, V: the temperature at which junction figures are usually given. */
export const THERMAL_VOLTAGE = (1.380649e-23 * 300.15) / 1.602176634e-19;
/** A conductance across every junction, S: it keeps a node from floating where all junctions block. */
export const JUNCTION_LEAK = 1e-12;
