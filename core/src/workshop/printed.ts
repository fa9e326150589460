/** What is printed along the headers of a part, as proposals for what it has: pins, supplies, lines, ports. Common practice, without a source. */
import { PORT_LINES, type Protocol } from '../card/protocol.ts';
import { classOf, type SignalKind } from './classes.ts';
import type { ClassId } from '../card/part-class.ts';
import { bare, pieces } from './parts.ts';
import { legsOf, type Meaning, meaningOf } from './print-by-class.ts';

export interface PrintedPin {
  readonly label: string;
  readonly names: readonly string[];
  readonly role: Meaning['role'];
  /** The line that it is, where the print says so. */
  readonly line?: { readonly protocol: Protocol; readonly line: string };
  /** All lines of buses that its names can mean: a part with two ways of being spoken to has some pins twice. */
  readonly buses: readonly { readonly protocol: Protocol; readonly line: string }[];
  /** What kind of line it is, where that does not follow from what is spoken on it. */
  readonly kind?: SignalKind;
  /** Set on what gives power on. */
  readonly gives?: true;
  readonly colour?: string;
}

const GROUND = /^(?:GND|G|VSS|0V|-|−|AGND|DGND|COM)$/i;
const SUPPLY = /^(?:V(?:CC|DD|IN|S|BUS|SYS|BAT|LED|IO|L|H|A|B)?\d?|\+|\+?\d{1,2}V\d?|3V3|3VO|POWER|PWR)$/i;
/** Set by a strap or left alone; no line to a pin. */
const STRAP = /^(?:ADDR?|AD?\d|SA?0|SDO\/SA0|NC|N\/C|PS|MODE|SEL|RST|RESET|XSHUT|EN)$/i;

/** What a name is a line of; the first protocol is meant where the rest of the print does not say another. */
const LINES: readonly (readonly [RegExp, readonly (readonly [Protocol, string])[]])[] = [
  [/^(?:SDA|DA)$/i, [['i2c', 'sda']]],
  [/^(?:SCL|CL)$/i, [['i2c', 'scl']]],
  [
    /^(?:SCK|SCLK|CLK)$/i,
    [
      ['spi', 'clk'],
      ['clocked', 'clock'],
      ['i2c', 'scl'],
    ],
  ],
  [
    /^(?:SDI|MOSI|COPI|DIN|DI)$/i,
    [
      ['spi', 'in'],
      ['i2c', 'sda'],
    ],
  ],
  [
    /^(?:SDO|MISO|CIPO|DO|DOUT)$/i,
    [
      ['spi', 'out'],
      ['digital-out', 'out'],
    ],
  ],
  [/^(?:CS|SS|NSS|CSB|CE)$/i, [['spi', 'select']]],
  [/^(?:TX|TXD|TXO)$/i, [['uart', 'tx']]],
  [/^(?:RX|RXD|RXI)$/i, [['uart', 'rx']]],
  [/^(?:DQ|1W|1-WIRE)$/i, [['onewire', 'data']]],
  [
    /^(?:DATA|DAT|SIG|S)$/i,
    [
      ['onewire', 'data'],
      ['pulse', 'data'],
      ['digital-out', 'out'],
      ['analog', 'out'],
    ],
  ],
  [/^(?:INT|INT1|IRQ|DRDY|ALERT|ALRT)$/i, [['digital-out', 'out']]],
  [/^(?:AO|AOUT|AN|ANALOG)$/i, [['analog', 'out']]],
  [
    /^(?:OUT|O|OUTPUT)$/i,
    [
      ['analog', 'out'],
      ['digital-out', 'out'],
    ],
  ],
  [
    /^(?:IN|IN1|TRIG|CTRL)$/i,
    [
      ['digital-in', 'in'],
      ['pwm', 'in'],
    ],
  ],
  [/^(?:PWM)$/i, [['pwm', 'in']]],
];

/** @param meant what the class of the part speaks, where a name leaves it open */
function lineOf(label: string, meant: Protocol | undefined, spoken: ReadonlySet<Protocol>): PrintedPin['line'] {
  const [, all = []] = LINES.find(([name]) => name.test(label)) ?? [];
  const fitting =
    all.find(([protocol]) => spoken.has(protocol)) ?? all.find(([protocol]) => protocol === meant) ?? all[0];
  return fitting && { protocol: fitting[0], line: fitting[1] };
}

/** Names that only one protocol has say what the part speaks. */
const TELLING: readonly (readonly [RegExp, Protocol])[] = [
  [/^(?:SDA|SCL)$/i, 'i2c'],
  [/^(?:MOSI|MISO|CS|NSS|CSB)$/i, 'spi'],
];

/** The names along a header. @param text parted by blanks or commas; "VCC=VIN" a second name, "red:VCC" a wire and its colour */
function namesIn(text: string): { label: string; names: string[]; colour: string | undefined }[] {
  const marked = /[,|\n]/.test(text) ? text.replace(/[|\n]/g, ',') : text.trim().replace(/\s+/g, ',');
  return pieces(marked, ',').map((piece) => {
    const [, colour, rest = ''] = /^(?:([a-z]+)\s*:\s*)?(.+)$/s.exec(piece) ?? [];
    const [label = '', ...names] = pieces(rest, '=').map(bare);
    return { label, names, colour };
  });
}

const BUSES: ReadonlySet<Protocol> = new Set(['i2c', 'spi']);

const busesOf = (names: readonly string[]): PrintedPin['buses'] =>
  names
    .flatMap((label) => LINES.find(([name]) => name.test(label))?.[1] ?? [])
    .filter(([protocol]) => BUSES.has(protocol))
    .map(([protocol, line]) => ({ protocol, line }));

/** What a name means on any part. */
function anywhere(label: string, meant: Protocol | undefined, spoken: ReadonlySet<Protocol>): Meaning {
  if (GROUND.test(label)) return { role: 'ground' };
  const line = lineOf(label, meant, spoken);
  if (line) return { role: 'signal', line };
  return { role: SUPPLY.test(label) ? 'supply' : STRAP.test(label) ? 'unused' : 'signal' };
}

/** The first of the names of a pin that says what it is. */
function meaning(cls: ClassId, names: readonly string[], spoken: ReadonlySet<Protocol>): Meaning {
  const { port } = classOf(cls);
  const own = meaningOf(cls, names);
  if (own) return own;
  const all = names.map((name) => anywhere(name, port, spoken));
  return all.find(({ role, line }) => role !== 'signal' || line) ?? all[0] ?? { role: 'signal' };
}

/** @returns what the print along a header says of the pins of a part of that class */
export function readPrinted(text: string, cls: ClassId): PrintedPin[] {
  const pins = namesIn(text);
  const spoken = new Set(
    pins.flatMap(({ label }) => TELLING.flatMap(([name, protocol]) => (name.test(label) ? [protocol] : []))),
  );
  const meanings = pins.map(({ label, names, colour }) =>
    meaning(cls, [label, ...names, ...(colour === undefined || names.length > 0 ? [] : [colour])], spoken),
  );
  const legs = legsOf(
    cls,
    meanings.map(({ role }) => role),
  );
  return pins.map(({ label, names, colour }, i): PrintedPin => {
    const found = legs?.[i] ?? meanings[i] ?? { role: 'signal' };
    return { label, names, ...found, buses: busesOf([label, ...names]), ...(colour === undefined ? {} : { colour }) };
  });
}

/** What drives a line of the part, by what it asks of the controller. */
export function signalKind(protocol: Protocol, line: string): SignalKind {
  if (protocol === 'switch') return 'switch';
  if (protocol === 'led') return 'led';
  if (protocol === 'analog') return 'analog-out';
  if (protocol === 'i2c' || protocol === 'onewire' || protocol === 'pulse') return 'open-drain';
  const asked = PORT_LINES[protocol][line] ?? '';
  return /^in$|\.in$|\.rx$/.test(asked) ? 'push-pull' : 'input';
}
