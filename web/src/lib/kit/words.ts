/** Short words for the checks, where a row has no room for the title. */
export const WORDS: Readonly<Record<string, string>> = {
  'need/range': 'range',
  'need/accuracy': 'accuracy',
  'need/interval': 'interval',
  'need/warm-up': 'warm-up',
  'need/trigger': 'level',
  'need/selectivity': 'also',
  'level/over-voltage': 'roof',
  'level/high': 'high',
  'level/low': 'low',
  'level/mixed-pull-ups': 'two rails',
  'level/unpowered': 'while off',
  'level/no-pull-up': 'pull-up',
  'level/translator': 'translator',
  'level/translated-twice': 'twice',
  'level/feed-rule': 'feed',
  'analog/range': 'range',
  'analog/source': 'source',
  'analog/resolution': 'counts',
  'analog/divider': 'evenness',
  'bus/address-collision': 'address',
  'bus/address-reserved': 'reserved',
  'bus/clock': 'clock',
  'bus/stretching': 'stretch',
  'bus/crossed': 'crossed',
  'bus/time': 'time',
  'bus/capacitance': 'capacity',
  'bus/pull-up-pairs': 'pairs',
  'bus/pull-up-weak': 'rise',
  'bus/pull-up-strong': 'sink',
  'wire/pull-up': 'pull-up',
  'wire/budget': 'budget',
  'wire/overlay': 'setting',
  'pin/double': 'alone',
  'pin/capability': 'can',
  'pin/strap': 'at boot',
  'pin/unit-conflict': 'unit',
  'pin/current': 'current',
  'pin/boot-state': 'start',
  'drive/led': 'resistor',
  'drive/flyback': 'diode',
  'supply/range': 'supply',
  'supply/rail-current': 'current',
  'safety/hazard': 'safety',
};

/** One way to say an amount of money. */
export const money = (value: number, currency: string): string =>
  `${value.toFixed(2)}${currency ? ` ${currency}` : ''}`;

/** Money as a difference. */
export const signedMoney = (value: number): string =>
  value < -0.004 ? `−${Math.abs(value).toFixed(2)}` : `+${Math.max(0, value).toFixed(2)}`;
