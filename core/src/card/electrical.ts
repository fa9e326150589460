/** What signals of parts and pins of controllers have in common. */
import { Id, LevelFigure, ThresholdFigure, figure } from './figure.ts';

const Volts = figure('V');
const Amps = figure('A');
const Ohms = figure('Ω');
const Farads = figure('F');

/** The electrical side of a signal. Levels hold on the supply or own rail that `reference` names. */
export const electrical = {
  reference: Id,
  outputHigh: LevelFigure.optional(),
  outputLow: LevelFigure.optional(),
  /** The current at which both hold; less pulls the output less far from its rails. */
  outputLoad: Amps.optional(),
  sinkCurrent: Amps.optional(),
  inputHigh: ThresholdFigure.optional(),
  inputLow: ThresholdFigure.optional(),
  absoluteMax: LevelFigure.optional(),
  leakage: Amps.optional(),
  capacitance: Farads.optional(),
  /** What it stands while its own supply is off; where nothing is said, its absolute maximum at no supply. */
  unpoweredMax: Volts.optional(),
  /** In series with an output: of an analog output, or of a driver. */
  outputResistance: Ohms.optional(),
};
