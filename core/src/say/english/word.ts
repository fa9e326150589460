/** Words of lists: one for each code. */
import type { Doing } from '../../circuit/model.ts';
import type { Way } from '../../circuit/way.ts';
import type { Ask } from '../../card/protocol.ts';
import type { Place } from '../../plan/plan.ts';
import type { Card } from '../../card/card.ts';
import type { TwoTerminal } from '../../circuit/netlist-model.ts';
import type { Reason } from '../../compare/qualify.ts';
import type { SettingId } from '../../deliver/settings/setting.ts';
import type { SheetPhase } from '../../deliver/sheet-row.ts';
import type { SpanUnit } from '../../quantity/span.ts';
import { topic } from '../language.ts';
import { plural } from './grammar.ts';

type List<Code extends string> = { readonly [Each in Code]: null };

export const word = {
  'word/flag': topic<List<'yes' | 'no'>>({ says: { yes: 'yes', no: 'no' } }),
  'word/setting': topic<List<SettingId>>({
    says: {
      pin: 'pin',
      rest: 'level at rest',
      pullUp: 'own pull-up on',
      everyEdge: 'every edge counts',
      frequency: 'PWM at',
      bus: 'bus number',
      unit: 'unit',
      clock: 'clock',
      ownPulls: 'own pull-ups on',
      behind: 'behind the switch at',
      channel: 'its channel',
      channelByte: 'byte that chooses it',
      driver: 'pin that the driver is told',
      type: 'type',
      on: 'on bus',
      address: 'address',
      number: 'number',
      noHold: 'commands that do not hold the clock',
      rate: 'rate',
      mode: 'SPI mode',
      lights: 'lights',
      register: 'register',
      word: 'word',
      bits: 'bits',
      every: 'read every',
      step: 'step',
      conversion: 'conversion takes',
      shortest: 'not more often than every',
      warmUp: 'warm-up',
      burnIn: 'burn-in when new',
      gain: 'gain',
      offset: 'offset',
      columns: 'columns',
      rows: 'rows',
      above: 'set off above',
      level: 'at',
      endsAt: 'ends at',
      sticky: 'until it is acknowledged',
    },
  }),
  'word/doing': topic<List<Doing>>({
    says: {
      off: 'off',
      sleep: 'asleep',
      idle: 'idle',
      'warm-up': 'warming up',
      active: 'at work',
      heating: 'heating',
      converting: 'converting',
      transmitting: 'transmitting',
      listening: 'listening',
      moving: 'moving',
    },
  }),
  'word/way': topic<List<Way>>({ says: { to: 'to the parts', from: 'from the parts', both: 'both ways' } }),
  'word/ask': topic<List<Ask>>({
    says: {
      in: 'an input',
      out: 'an output',
      inout: 'an open-drain pin',
      adc: 'an analog input',
      pwm: 'a PWM output',
      irq: 'an interrupt input',
      'i2c.sda': 'I²C data',
      'i2c.scl': 'I²C clock',
      'spi.clk': 'an SPI clock',
      'spi.in': 'an SPI input',
      'spi.out': 'an SPI output',
      'uart.tx': 'a UART transmitter',
      'uart.rx': 'a UART receiver',
    },
  }),
  'word/quantity': topic<List<string>>({
    says: {
      'air humidity': 'air humidity',
      'core temperature': 'core temperature',
      'surface temperature': 'surface temperature',
      'air temperature': 'air temperature',
      'carbon dioxide': 'carbon dioxide',
      'carbon monoxide': 'carbon monoxide',
      methane: 'methane',
      'liquefied petroleum gas': 'liquefied petroleum gas',
      hydrogen: 'hydrogen',
      'alcohol vapour': 'alcohol vapour',
      smoke: 'smoke',
      'air pressure': 'air pressure',
      'fine dust': 'fine dust',
      illuminance: 'illuminance',
      distance: 'distance',
      'water level': 'water level',
      'soil moisture': 'soil moisture',
      weight: 'weight',
      current: 'current',
      rain: 'rain',
      flow: 'flow',
      motion: 'motion',
      presence: 'presence',
    },
  }),
  'word/colour': topic<List<string>>({
    says: {
      red: 'red',
      orange: 'orange',
      black: 'black',
      green: 'green',
      yellow: 'yellow',
      blue: 'blue',
      violet: 'violet',
      white: 'white',
      grey: 'grey',
      brown: 'brown',
    },
  }),
  'word/view': topic<List<'usual' | 'worst'>>({ says: { usual: 'usual', worst: 'worst' } }),
  'word/bus-mode': topic<List<string>>({ says: { standard: 'standard', fast: 'fast', 'fast-plus': 'fast-plus' } }),
  'word/water': topic<List<Place['water']>>({ says: { dry: 'dry', splash: 'splash', immersion: 'immersion' } }),
  'word/guard': topic<List<'diode' | 'switch'>>({ says: { diode: 'diode', switch: 'switch' } }),
  'word/regulator': topic<List<'linear' | 'switching'>>({ says: { linear: 'linear', switching: 'switching' } }),
  'word/cable': topic<List<'twisted' | 'screened'>>({ says: { twisted: 'twisted', screened: 'screened' } }),
  'word/span': topic<{ readonly [Unit in SpanUnit | 'forever']: { count: number } }>({
    says: {
      year: ({ count }) => `${count} ${plural(count, 'year', 'years')}`,
      day: ({ count }) => `${count} ${plural(count, 'day', 'days')}`,
      hour: ({ count }) => `${count} ${plural(count, 'hour', 'hours')}`,
      minute: ({ count }) => `${count} ${plural(count, 'minute', 'minutes')}`,
      second: ({ count }) => `${count} ${plural(count, 'second', 'seconds')}`,
      forever: () => 'for ever',
    },
  }),
  'word/unit': topic<List<string>>({
    says: { days: 'days', years: 'years', parts: 'parts', lines: 'lines', signals: 'signals' },
  }),
  'word/header': topic<List<Card['headers'][number]['kind']>>({
    says: {
      male: 'male',
      female: 'female',
      pads: 'pads',
      screw: 'screw',
      socket: 'socket',
      leads: 'leads',
      plug: 'plug',
    },
  }),
  'word/reason': topic<List<Reason>>({
    says: {
      quantity: 'quantity',
      range: 'range',
      accuracy: 'accuracy',
      interval: 'interval',
      ambient: 'ambient',
      water: 'water',
      price: 'price',
      date: 'date',
      service: 'service',
    },
  }),
  'word/legs': topic<List<TwoTerminal['kind']>>({
    says: { resistor: 'resistor', capacitor: 'capacitor', diode: 'diode', switch: 'switch' },
  }),
  'word/sheet-phase': topic<List<SheetPhase>>({
    says: {
      off: 'Before power',
      power: 'First power',
      rest: 'Lines at rest',
      scan: 'Who answers',
      reading: 'First readings that cannot be wrong',
      edges: 'Edges, with an oscilloscope',
    },
  }),
  'check/verify': topic<{ readonly unread: { count: number } }>({
    says: {
      unread: ({ count }) =>
        count === 1 ? '1 hazard is to be read and ticked off.' : `${count} hazards are to be read and ticked off.`,
    },
  }),
};
