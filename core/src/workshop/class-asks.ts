/** What is asked of several classes: patterns of places, in the order in which one looks at a part. */

/** Of an input or output whose sheet says nothing: what nearly all logic at this supply keeps. */
export const LOGIC: Readonly<Record<string, string>> = {
  'signals/*/outputHigh': '≥ supply − 0.5 V',
  'signals/*/outputLow': '≤ 0.4 V',
  'signals/*/sinkCurrent': '≥ 3 mA',
  'signals/*/inputHigh': '≥ 0.7 × supply',
  'signals/*/inputLow': '≤ 0.3 × supply',
  'signals/*/absoluteMax': '≤ supply + 0.3 V',
  'signals/*/leakage': '≤ 1 µA',
  'signals/*/capacitance': '≤ 10 pF',
};

export const LINES = [
  'signals',
  'ports',
  'signals/*/outputHigh',
  'signals/*/outputLow',
  'signals/*/sinkCurrent',
  'signals/*/inputHigh',
  'signals/*/inputLow',
  'signals/*/absoluteMax',
  'signals/*/leakage',
  'signals/*/capacitance',
];
export const SUPPLY = [
  'supplies',
  'supplies/*/range',
  'supplies/*/absoluteMax',
  'supplies/*/current/sleep',
  'supplies/*/current/idle',
  'supplies/*/current/active',
  'supplies/*/current/peak',
];
export const MEASURES = [
  'measures',
  'measures/*/range',
  'measures/*/accuracy',
  'measures/*/resolution/value',
  'measures/*/driftPerYear/value',
  'measures/*/interval',
  'measures/*/conversion',
  'measures/*/warmUp',
];
export const BUS = [
  'modes',
  'ports/*/ownTranslator',
  'ports/*/addresses',
  'ports/*/clock',
  'ports/*/reading/bytes',
  'signals/*/fittedPullUp/value',
];
export const PULL_UPS = ['signals/*/fittedPullUp/to', 'signals/*/fittedPullUp/removable'];
export const RAILS = [
  'rails',
  'rails/*/voltage',
  'rails/*/limit',
  'rails/*/from/supply',
  'rails/*/from/by',
  'rails/*/from/dropout',
];
export const THERMAL = ['rails/*/from/thermal/toAir', 'rails/*/from/thermal/limit'];
export const CELLS = [
  'rails/*/cells/chemistry',
  'rails/*/cells/count',
  'rails/*/cells/capacity',
  'rails/*/cells/curve',
  'rails/*/cells/resistance',
  'rails/*/cells/cutOff',
  'rails/*/cells/selfDischarge',
  'rails/*/cells/fuse',
];
export const ANALOG = ['measures/*/analog/kind', 'measures/*/analog/signal', 'signals/*/outputResistance'];
export const SERVES = ['serves'];
export const ACTIVE = ['ports/*/active/level'];
