/**
 * Tables of pins drawn at random: boards whose pins are named and can do what pins can, in the wordings that sheets use and in the layouts
 * in which they set them. The wordings were collected before the reader was tried on them; common practice, without a source.
 */
import type { PrintedTable } from './pin-sheets.ts';
import type { PinTableCase } from './pin-tables.ts';

type Random = () => number;

const pick = <T>(random: Random, of: readonly T[]): T => of[Math.floor(random() * of.length)] as T;
const chance = (random: Random, share: number): boolean => random() < share;

const NAMES: readonly ((n: number) => string)[] = [
  (n) => `GPIO${n}`,
  (n) => `IO${n}`,
  (n) => `GP${n}`,
  (n) => `D${n}`,
  (n) => `P0.${String(n).padStart(2, '0')}`,
  (n) => `P${'ABC'[Math.floor(n / 16)] ?? 'D'}${n % 16}`,
  (n) => `G${n}`,
];

interface Style {
  readonly adc: (unit: number, channel: number) => string;
  readonly i2c: (unit: number, line: string) => string;
  readonly spi: (unit: number, role: 'clk' | 'out' | 'in' | 'select') => string;
  readonly uart: (unit: number, line: 'tx' | 'rx') => string;
  readonly pwm: (n: number) => [said: string, id: string];
  readonly dac: (n: number) => string;
  readonly touch: (n: number) => string;
  readonly irq: (n: number) => string;
  readonly between: string;
}

const WORDS: Readonly<Record<'MOSI' | 'COPI' | 'TX', Readonly<Record<string, string>>>> = {
  MOSI: { clk: 'SCK', out: 'MOSI', in: 'MISO', select: 'CS' },
  COPI: { clk: 'SCLK', out: 'COPI', in: 'CIPO', select: 'NSS' },
  TX: { clk: 'SCK', out: 'TX', in: 'RX', select: 'CSn' },
};

function styleOf(random: Random): Style {
  const spi = pick(random, Object.values(WORDS));
  const isTx = spi === WORDS.TX;
  const join = pick(random, ['_', ' ']);
  const uart = pick(random, ['UART', 'USART', 'U', 'Serial', 'bare']);
  return {
    adc: pick<Style['adc']>(random, [
      (u, c) => `ADC${u}_CH${c}`,
      (u, c) => `ADC${u}_IN${c}`,
      (u, c) => `ADC${u} channel ${c}`,
      (u, c) => `ADC${u}.${c}`,
      (u, c) => `ADC${u} CH${c}`,
    ]),
    i2c: pick<Style['i2c']>(random, [
      (u, l) => `I2C${u}${join}${l}`,
      (u, l) => `${l}${u}`,
      (u, l) => `TWI${u}${join}${l}`,
      (u, l) => `${l} (I2C${u})`,
      (u, l) => `I2C${u}.${l}`,
    ]),
    spi: pick<Style['spi']>(random, [
      (u, r) => `SPI${u}${join}${spi[r]}`,
      (u, r) => (isTx ? `SPI${u} ${spi[r]}` : r === 'select' ? `SPI${u}_${spi[r]}` : `${spi[r]}${u}`),
    ]),
    uart: (u, l) =>
      uart === 'U'
        ? `U${u}${l.toUpperCase()}D`
        : uart === 'bare'
          ? `${l.toUpperCase()}D${u}`
          : `${uart}${u}${join}${l.toUpperCase()}`,
    pwm: pick<Style['pwm']>(random, [
      () => ['PWM', 'pwm'],
      (n) => [`PWM${n}`, `pwm${n}`],
      (n) => [`PWM${n >> 1} ${n % 2 ? 'B' : 'A'}`, `pwm${n}`],
      (n) => [`TIM${1 + (n % 4)}_CH${1 + (n % 3)}`, 'pwm'],
    ]),
    dac: pick<Style['dac']>(random, [(n) => `DAC${n}`, (n) => `DAC_OUT${n}`, (n) => `DAC channel ${n}`]),
    touch: pick<Style['touch']>(random, [(n) => `TOUCH${n}`, (n) => `Touch ${n}`, (n) => `TOUCH_${n}`]),
    irq: pick<Style['irq']>(random, [(n) => `INT${n}`, (n) => `EXTI${n}`, () => 'interrupt', (n) => `IRQ${n}`]),
    between: pick(random, [', ', ' / ', ', ']),
  };
}

const REMARKS: readonly (readonly [mark: string, ways: readonly string[]])[] = [
  [
    'strap high',
    [
      'must be high at boot',
      'strapping pin: keep high at start',
      'has to be high while it boots',
      'do not pull low at boot',
    ],
  ],
  ['strap low', ['must be low at boot', 'strapping pin, keep low at start', 'do not pull high during boot']],
  ['reserved flash', ['connected to the flash, do not use', 'used by the on-board flash', 'flash: not available']],
  ['reserved console', ['serial console', 'console, boot messages', 'prints the boot log']],
  ['reserved usb', ['USB data line', 'reserved for USB']],
  ['boot pulses', ['pulses at boot', 'PWM signal at boot', 'toggles while it boots']],
  ['boot up', ['pull-up at reset', 'pulled up at boot', 'weak pull-up during reset']],
  ['boot down', ['pull-down at reset', 'pulled down at boot']],
  ['boot high', ['output high at boot', 'drives high during reset']],
];
const INPUT_ONLY = ['input only', 'input-only', 'can only be an input'];
const NO_PULL = ['no internal pull-up', 'no pull-ups', 'without internal pull resistors'];

interface DrawnPin {
  readonly name: string;
  readonly functions: readonly string[];
  readonly remark: string;
  readonly truth: string;
  readonly mark?: string;
}

function drawPins(random: Random, style: Style): DrawnPin[] {
  const named = pick(random, NAMES);
  const count = 8 + Math.floor(random() * 18);
  const first = Math.floor(random() * 3);
  const unit = () => Math.floor(random() * 3);
  return Array.from({ length: count }, (_, i): DrawnPin => {
    const n = first + i;
    const said: string[] = [];
    const ids: string[] = [];
    const add = (words: string, id: string) => {
      if (ids.includes(id)) return;
      said.push(words);
      ids.push(id);
    };
    if (chance(random, 0.35)) {
      const [u, c] = [1 + (unit() % 2), n % 16];
      add(style.adc(u, c), `adc${u}.${c}`);
    }
    if (chance(random, 0.4)) {
      const [u, way] = [unit(), pick(random, ['i2c', 'spi', 'uart'] as const)];
      if (way === 'i2c') {
        const line = pick(random, ['SDA', 'SCL']);
        add(style.i2c(u, line), `i2c${u}.${line.toLowerCase()}`);
      } else if (way === 'spi') {
        const role = pick(random, ['clk', 'out', 'in', 'select'] as const);
        add(style.spi(u, role), `spi${u}.${role}`);
      } else {
        const line = pick(random, ['tx', 'rx'] as const);
        add(style.uart(u, line), `uart${u}.${line}`);
      }
    }
    if (chance(random, 0.5)) add(...style.pwm(n));
    if (chance(random, 0.1)) add(style.touch(n), 'touch');
    if (chance(random, 0.06)) add(style.dac(1 + (n % 2)), `dac${1 + (n % 2)}`);
    if (chance(random, 0.15)) add(style.irq(n), 'irq');
    const isInput = chance(random, 0.08);
    const [mark, ways] = chance(random, 0.25) ? pick(random, REMARKS) : ['', []];
    const noPull = isInput && chance(random, 0.5);
    const remark = isInput
      ? [pick(random, INPUT_ONLY), ...(noPull ? [pick(random, NO_PULL)] : [])].join(', ')
      : ways.length > 0
        ? pick(random, ways)
        : '';
    const marked = isInput ? (noPull ? 'nopull' : '') : mark;
    return {
      name: named(n),
      functions: said,
      remark,
      truth: ['in', ...(isInput ? [] : ['out']), ...ids].join(' '),
      ...(marked ? { mark: marked } : {}),
    };
  });
}

const HEADS: readonly (readonly [string, string, string])[] = [
  ['Pin', 'Functions', 'Remarks'],
  ['Name', 'Alternate functions', 'Notes'],
  ['GPIO', 'Function', 'Comment'],
  ['Pin name', 'Alternate functions', 'Remark'],
];

const LAYOUTS: readonly ((random: Random, pins: readonly DrawnPin[], between: string) => string)[] = [
  (random, pins, between) => {
    const heads = pick(random, HEADS);
    const rows = pins.map(({ name, functions, remark }) => `| ${name} | ${functions.join(between)} | ${remark} |`);
    return [`| ${heads.join(' | ')} |`, '|---|---|---|', ...rows].join('\n');
  },
  (random, pins, between) =>
    [pick(random, HEADS), ...pins.map(({ name, functions, remark }) => [name, functions.join(between), remark])]
      .map((cells) => cells.join('\t'))
      .join('\n'),
  (random, pins) =>
    [pick(random, HEADS), ...pins.map(({ name, functions, remark }) => [name, functions.join(', '), remark])]
      .map((cells) => cells.join(';'))
      .join('\n'),
  (random, pins, between) => {
    const mark = pick(random, [': ', ' - ', ' – ', ' = ']);
    return pins
      .map(
        ({ name, functions, remark }) =>
          `${name}${mark}${[functions.join(between), remark].filter(Boolean).join(', ') || 'GPIO'}`,
      )
      .join('\n');
  },
  (random, pins, between) => {
    const bullet = pick(random, ['* ', '- ', '• ']);
    return pins
      .map(
        ({ name, functions, remark }) =>
          `${bullet}${name}: ${functions.join(between) || 'GPIO'}${remark ? ` (${remark})` : ''}`,
      )
      .join('\n');
  },
  // As the same table is copied without its heads.
  (random, pins, between) => {
    const bar = pick(random, [' | ', '\t', ' | ']);
    return pins.map(({ name, functions, remark }) => [name, functions.join(between), remark].join(bar)).join('\n');
  },
];

function truthOf(pins: readonly DrawnPin[]) {
  return {
    pins: Object.fromEntries(pins.map(({ name, truth }) => [name, truth])),
    marks: Object.fromEntries(pins.flatMap(({ name, mark }) => (mark === undefined ? [] : [[name, mark]]))),
  };
}

/** A table as somebody pastes it. */
export function anyPastedTable(random: Random): PinTableCase {
  const style = styleOf(random);
  const pins = drawPins(random, style);
  const layout = Math.floor(random() * LAYOUTS.length);
  const text = LAYOUTS[layout]?.(random, pins, style.between) ?? '';
  return { name: `layout ${layout}`, text, ...truthOf(pins) };
}

/** A table as it is set on paper. */
export function anyPrintedTable(random: Random): PrintedTable {
  const style = styleOf(random);
  const pins = drawPins(random, style);
  const heads = pick(random, HEADS);
  const ruled = chance(random, 0.5);
  const beside = chance(random, 0.2);
  return {
    name: `${ruled ? 'ruled' : 'not ruled'}${beside ? ', beside each other' : ''}`,
    print: {
      title: 'Board of some kind',
      above: chance(random, 0.6)
        ? ['Its pins stand 2.54 mm apart and take 3.3 V; what each can do is said below.']
        : [],
      below: chance(random, 0.5) ? ['No pin gives more than 20 mA, and all of them together no more than 120 mA.'] : [],
      heads: beside ? heads.slice(0, 2) : heads,
      widths: beside ? [55, 165] : [pick(random, [55, 70]), pick(random, [120, 180]), pick(random, [110, 150])],
      rows: pins.map(({ name, functions, remark }) =>
        beside
          ? [name, [functions.join(style.between), remark].filter(Boolean).join(', ')]
          : [name, functions.join(style.between), remark],
      ),
      ruled,
      middle: ruled && chance(random, 0.3),
      beside,
      ...(beside || pins.length < 16 ? {} : { perPage: 12 }),
    },
    ...truthOf(pins),
  };
}
