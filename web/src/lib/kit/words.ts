import { formatMoney, type Grounds } from '@idle-breadboard/core';

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
  'drive/transistor': 'driver',
  'drive/contact': 'contact',
  'analog/dead-ends': 'dead ends',
  'analog/ground-shift': 'ground shift',
  'body/condensation': 'dew',
  'body/sun': 'sun',
  'body/surge': 'surge',
  'bus/long-leads': 'long leads',
  'bus/release': 'release',
  'bus/serial-rate': 'serial rate',
  'drive/chain': 'chain of lights',
  'drive/gate': 'gate',
  'need/burn-in': 'burn-in',
  'need/self-calibration': 'calibrates itself',
  'need/short-events': 'short events',
  'pin/wake': 'wakes',
  'supply/backup': 'clock’s cell',
  'supply/contacts': 'contacts',
  'supply/dip': 'dip',
  'supply/fuse': 'short circuit',
  'supply/inrush': 'inrush',
  'supply/noise': 'motor noise',
  'supply/stays-on': 'stays on',
  'supply/step-up': 'step-up',
  'drive/flyback': 'diode',
  'drive/diode': 'diode’s rating',
  'supply/range': 'supply',
  'supply/plug': 'plug',
  'supply/dropout': 'dropout',
  'supply/rail-current': 'current',
  'supply/source-current': 'current',
  'supply/pin-fed': 'from pin',
  'supply/pin-ground': 'onto pin',
  'supply/programming': 'programmer',
  'supply/cut-off': 'cut-off',
  'body/place': 'place',
  'supply/common-ground': 'ground',
  'supply/back-feed': 'back-feed',
  'supply/lead-drop': 'leads',
  'supply/heat': 'heat',
  'supply/sag': 'sag',
  'supply/runtime': 'runtime',
  'body/heat': 'warmed',
  'body/ambient': 'air',
  'body/water': 'water',
  'body/lead': 'reach',
  'body/wear': 'wear',
  'body/clearance': 'room',
  'parts/budget': 'budget',
  'parts/arrival': 'arrival',
  'parts/solder': 'soldering',
  'safety/hazard': 'safety',
};

/** One way to say an amount of money. */
export const money = formatMoney;

/** Money as a difference. */
export const signedMoney = (value: number): string =>
  value < -0.004 ? `−${Math.abs(value).toFixed(2)}` : `+${Math.max(0, value).toFixed(2)}`;

/** What a proof rests on: figures of a card, or what stands in the plan itself or in a standard. */
export const groundsWords = (grounds: Grounds): string =>
  grounds === 'plan'
    ? 'the plan'
    : grounds === 'standard'
      ? 'a standard'
      : grounds === 'assumed'
        ? 'an assumed length'
        : grounds;
