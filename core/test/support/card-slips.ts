/**
 * Slips that people make when they put a part down: a unit that is off by a thousand, low and high exchanged, a line forgotten. They were
 * written before what finds them; common practice without a source.
 */
import type { Card } from '../../src/card/card.ts';

type Tree = Record<string, unknown>;

export interface Slip {
  readonly card: string;
  readonly what: string;
  /** @param at what stands at a place, "supplies/0/range" */
  readonly change: (at: (place: string) => Tree, card: Tree) => void;
}

const scale = (place: string, factor: number) => (at: (place: string) => Tree) => {
  const figure = at(place);
  for (const bound of ['min', 'typ', 'max', 'from', 'to'])
    if (typeof figure[bound] === 'number') figure[bound] = figure[bound] * factor;
};

const put = (place: string, values: Tree) => (at: (place: string) => Tree) => {
  Object.assign(at(place), values);
};

/** Exchanges what stands under two names. */
const exchange = (place: string, one: string, other: string) => (at: (place: string) => Tree) => {
  const holder = at(place);
  [holder[one], holder[other]] = [holder[other], holder[one]];
};

const units = (card: string, place: string, factor: number): Slip => ({
  card,
  what: `${place} × ${factor}`,
  change: scale(place, factor),
});

export const SLIPS: readonly Slip[] = [
  // Units: millivolts for volts, milliamperes for amperes, kiloohms for ohms, picofarads for nanofarads and so on.
  units('humid-strap', 'supplies/0/range', 1000),
  units('humid-strap', 'supplies/0/absoluteMax', 0.001),
  units('humid-strap', 'supplies/0/current/active', 1000),
  units('humid-strap', 'supplies/0/current/idle', 1000),
  units('humid-strap', 'signals/0/fittedPullUp/value', 0.001),
  units('humid-strap', 'signals/0/fittedPullUp/value', 1000),
  units('humid-strap', 'signals/0/capacitance', 1e6),
  units('humid-strap', 'signals/0/sinkCurrent', 1000),
  units('humid-strap', 'signals/0/leakage', 1e6),
  units('humid-strap', 'signals/0/outputLow', 1000),
  units('humid-strap', 'ports/0/clock', 0.001),
  units('humid-strap', 'ports/0/clock', 1000),
  units('humid-strap', 'signals/0/inputHigh', 100),
  units('baro-fine', 'supplies/0/current/active', 1000),
  {
    card: 'baro-fine',
    what: 'centimetres for tenths of millimetres',
    change: (at) => {
      at('body/size')['length'] = Number(at('body/size')['length']) * 100;
    },
  },
  units('wifi-board', 'controller/pinCurrent/recommended', 1000),
  units('wifi-board', 'controller/pinCurrent/absolute', 0.001),
  units('wifi-board', 'controller/io/weakPull', 0.001),
  units('wifi-board', 'controller/brownOut', 0.001),
  units('wifi-board', 'controller/adc/reference', 1000),
  units('wifi-board', 'controller/adc/error', 100),
  units('wifi-board', 'rails/0/limit', 1000),
  units('wifi-board', 'rails/0/ownLoad/active', 1000),
  units('linear-3v3', 'rails/0/from/dropout', 1000),
  units('linear-3v3', 'rails/0/from/thermal/toAir', 0.001),
  units('cells-three', 'rails/0/cells/capacity', 1000),
  units('cells-three', 'rails/0/cells/resistance', 1000),
  units('thermistor-bead', 'measures/0/analog/beta', 1000),
  units('thermistor-bead', 'measures/0/analog/r25', 0.001),
  units('light-red', 'ports/0/forward/voltage', 0.001),
  units('light-red', 'ports/0/forward/current', 1000),
  units('fan-5v', 'ports/0/inductance', 1000),
  units('transistor-npn', 'driver/bipolar/saturation', 1000),
  units('driver-low', 'driver/onResistance', 1000),
  units('translator-4', 'translator/clock', 0.001),
  // Exchanged.
  {
    card: 'humid-strap',
    what: 'thresholds exchanged',
    change: (at) => {
      Object.assign(at('signals/0/inputHigh'), { min: 0.3 });
      Object.assign(at('signals/0/inputLow'), { max: 0.7 });
    },
  },
  {
    card: 'distance-sound',
    what: 'output levels exchanged',
    change: (at) => {
      Object.assign(at('signals/1/outputHigh'), { min: 0.4, unit: 'V' });
      delete at('signals/1/outputHigh')['typ'];
      delete at('signals/1/outputHigh')['max'];
      Object.assign(at('signals/1'), { outputLow: { max: 4.6, unit: 'V', source: 'class' } });
    },
  },
  { card: 'humid-strap', what: 'idle and active exchanged', change: exchange('supplies/0/current', 'idle', 'active') },
  {
    card: 'wifi-board',
    what: 'pin currents exchanged',
    change: exchange('controller/pinCurrent', 'recommended', 'absolute'),
  },
  { card: 'wifi-board', what: 'peak below active', change: put('rails/0/ownLoad/peak', { typ: 0.001, max: 0.001 }) },
  {
    card: 'baro-fine',
    what: 'working range above the absolute maximum',
    change: put('supplies/0/absoluteMax', { max: 2.5 }),
  },
  {
    card: 'linear-3v3',
    what: 'gives more than it is fed',
    change: put('rails/0/voltage', { min: 23, typ: 24, max: 25 }),
  },
  {
    card: 'cells-three',
    what: 'empty above full',
    change: put('rails/0/cells/cutOff', { min: 5.5, typ: 5.5, max: 5.5 }),
  },
  {
    card: 'transistor-npn',
    what: 'the transistor saturates above its base',
    change: put('driver/bipolar/saturation', { min: 1.5, max: 1.5 }),
  },
  { card: 'humid-strap', what: 'the range upside down', change: put('measures/0/range', { from: 100, to: 0 }) },
  {
    card: 'humid-strap',
    what: 'an accuracy wider than the range',
    change: put('measures/0/accuracy/0', { error: 5000 }),
  },
  {
    card: 'humid-strap',
    what: 'an accuracy beside the range',
    change: put('measures/0/accuracy/0', { from: 200, to: 300 }),
  },
  {
    card: 'baro-plain',
    what: 'a step wider than the accuracy by far',
    change: (at) => {
      Object.assign(at('measures/0'), { resolution: { value: 1e6, source: 'class' } });
    },
  },
  // Structure.
  { card: 'humid-strap', what: 'two signals on one pin', change: put('signals/0', { terminal: 'sda' }) },
  { card: 'humid-strap', what: 'no ground', change: put('terminals/1', { role: 'unused' }) },
  { card: 'humid-strap', what: 'a supply on the pin of a signal', change: put('supplies/0', { terminal: 'sda' }) },
  {
    card: 'humid-strap',
    what: 'a bus with one line',
    change: (at) => {
      at('ports/0')['lines'] = { sda: 'sda' };
    },
  },
  { card: 'humid-strap', what: 'a reserved address', change: put('ports/0/addresses/0', { value: 0x03 }) },
  {
    card: 'humid-strap',
    what: 'the form of eight bits for seven, above what there is',
    change: put('ports/0/addresses/0', { value: 0x7c }),
  },
  {
    card: 'humid-strap',
    what: 'the same address twice',
    change: (at) => {
      at('ports/0/addresses/1')['value'] = at('ports/0/addresses/0')['value'];
    },
  },
  { card: 'humid-strap', what: 'two pins at one place of the header', change: put('terminals/1', { position: 1 }) },
  {
    card: 'wifi-board',
    what: 'nothing feeds it',
    change: (_at, card) => {
      card['supplies'] = [];
      const controller = card['controller'] as Tree;
      delete controller['usb'];
      (card['rails'] as Tree[]).forEach((rail) => delete rail['from']);
    },
  },
  {
    card: 'wifi-board',
    what: 'one channel of a converter on two pins',
    change: (at) => {
      const [one, other] = (at('controller')['pins'] as Tree[]).filter(({ functions }) =>
        (functions as string[]).some((f) => f.startsWith('adc')),
      );
      if (one && other)
        other['functions'] = [
          ...(other['functions'] as string[]).filter((f) => !f.startsWith('adc')),
          ...(one['functions'] as string[]).filter((f) => f.startsWith('adc')),
        ];
    },
  },
  {
    card: 'wifi-board',
    what: 'a pin that is ground',
    change: (at) => {
      at('controller/pins/3')['terminal'] = 'gnd';
    },
  },
  {
    card: 'translator-4',
    what: 'a channel that joins a line with itself',
    change: (at) => {
      const channel = at('translator/channels/0');
      channel['high'] = channel['low'];
    },
  },
];

/** @returns the card with the slip in it; it need not be one that the schema takes */
export function slipped(card: Card, { change }: Slip): Card {
  const copy = structuredClone(card) as unknown as Tree;
  const at = (place: string): Tree =>
    place.split('/').reduce<unknown>((node, step) => (node as Tree)[step], copy) as Tree;
  change(at, copy);
  return copy as unknown as Card;
}
