/** The pins of a plan as files for its software: each says in its first line which plan it was made of. */
import { sheet } from '../say/sheet.ts';
import { say } from '../say/say.ts';
import type { Circuit, PinWish } from '../circuit/model.ts';
import { formatAddress } from '../quantity/address.ts';
import { peripheralOf } from '../card/protocol.ts';

/** What a file says about one line. */
export interface PinConstant {
  /** DOOR_CONTACT */
  readonly name: string;
  /** As the board prints it. */
  readonly pin: string;
  readonly says: string;
}

const words = (text: string): string[] =>
  text
    .normalize('NFKD')
    .replace(/[²]/g, '2')
    .replace(/[³]/g, '3')
    .replace(/[^A-Za-z0-9]+/g, ' ')
    .trim()
    .split(' ')
    .filter(Boolean);

/** A name that C and Python take, made of a label. @example constantName('Top shelf, I²C') === 'TOP_SHELF_I2C' */
export function constantName(label: string): string {
  const name = words(label).join('_').toUpperCase();
  return /^[A-Z]/.test(name) ? name : `PIN_${name}`;
}

const labelOf = (circuit: Circuit, terminal: string): string =>
  circuit.controller?.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal;

/** The number in a printed label, which is how software knows most pins. @example 12 of "GPIO12", null of "A3" on a board of other pins */
export function pinNumber(label: string): number | null {
  const found = /^(?:GPIO|IO|GP|G|P|D)?(\d+)$/.exec(label);
  return found ? Number(found[1]) : null;
}

/** Lines that have a pin, in the order of the plan, under names that differ. */
export function pinConstants(circuit: Circuit): PinConstant[] {
  const taken = new Set<string>();
  const placed = circuit.wishes.filter((wish): wish is PinWish & { pin: string } => wish.pin !== null);
  return placed.map((wish) => {
    const base = constantName(say(wish.label));
    let name = base;
    for (let n = 2; taken.has(name); n++) name = `${base}_${n}`;
    taken.add(name);
    return { name, pin: labelOf(circuit, wish.pin), says: say(wish.label) };
  });
}

export interface AddressConstant {
  readonly name: string;
  readonly address: number;
  readonly says: string;
}

export function addressConstants(circuit: Circuit): AddressConstant[] {
  const taken = new Set(pinConstants(circuit).map(({ name }) => name));
  return circuit.buses.flatMap(({ name: bus, members }) =>
    members.flatMap(({ label, address }) => {
      if (address === null) return [];
      const base = `${constantName(say(label))}_ADDRESS`;
      let name = base;
      for (let n = 2; taken.has(name); n++) name = `${base}_${n}`;
      taken.add(name);
      return [{ name, address, says: `${say(label)}, ${bus}` }];
    }),
  );
}

/** Text of a plan that cannot end a comment or begin another line. */
export const safe = (text: string): string => text.replace(/\*(?=\/)|\/(?=\*)/g, '$& ').replace(/[\r\n\\]+/g, ' ');
export const headline = (circuit: Circuit, fingerprint: string): string =>
  say(sheet('pinsOf', { plan: safe(circuit.plan.name), card: safe(circuit.controller?.card.name ?? ''), fingerprint }));

/** A pin as C writes it: its number, else the name that the board support gives it. */
export const cValue = (pin: string): string => {
  const number = pinNumber(pin);
  return number === null ? pin.replace(/[^A-Za-z0-9_]/g, '_') : String(number);
};

/**
 * A C header. Pins with a number are macros; those that the board only names (A0) are given by that name, which its support
 * defines.
 */
export function cHeader(circuit: Circuit, fingerprint: string): string {
  const pins = pinConstants(circuit).map(
    ({ name, pin, says }) => `#define ${name} ${cValue(pin)} /* ${safe(says)}: ${safe(pin)} */`,
  );
  const addresses = addressConstants(circuit).map(
    ({ name, address, says }) => `#define ${name} ${formatAddress(address)} /* ${safe(says)} */`,
  );
  return [
    `/* ${headline(circuit, fingerprint)} */`,
    '#ifndef PINS_H',
    '#define PINS_H',
    '',
    ...pins,
    ...(addresses.length > 0 ? ['', ...addresses] : []),
    '',
    '#endif',
    '',
  ].join('\n');
}

/** A Python module. Pins without a number are strings. */
export function pythonModule(circuit: Circuit, fingerprint: string): string {
  const value = (pin: string) => pinNumber(pin) ?? JSON.stringify(pin);
  const pins = pinConstants(circuit).map(
    ({ name, pin, says }) => `${name} = ${value(pin)}  # ${safe(says)}: ${safe(pin)}`,
  );
  const addresses = addressConstants(circuit).map(
    ({ name, address, says }) => `${name} = ${formatAddress(address)}  # ${safe(says)}`,
  );
  return [
    `# ${headline(circuit, fingerprint)}`,
    '',
    ...pins,
    ...(addresses.length > 0 ? ['', ...addresses] : []),
    '',
  ].join('\n');
}

/** Nodes for the lines that a driver of the system takes: a one-wire bus on its pin, switches as keys, lights. */
function overlayNodes(circuit: Circuit): string[] {
  const bits = (wish: PinWish): number | null => (wish.pin === null ? null : pinNumber(labelOf(circuit, wish.pin)));
  return circuit.wishes.flatMap((wish) => {
    const n = bits(wish);
    const net = circuit.nets.find(({ id }) => id === wish.net);
    if (n === null || !net) return [];
    const node = constantName(say(wish.label)).toLowerCase().replaceAll('_', '-');
    if (net.protocol === 'onewire')
      return [`onewire-${node} {\n\tcompatible = "w1-gpio";\n\tgpios = <&gpio ${n} 6>;\n\tstatus = "okay";\n};`];
    if (net.protocol === 'led')
      return [
        `leds-${node} {\n\tcompatible = "gpio-leds";\n\tstatus = "okay";\n\tlight {\n\t\tlabel = "${safe(say(wish.label)).replaceAll('"', "'")}";\n\t\tgpios = <&gpio ${n} 0>;\n\t};\n};`,
      ];
    if (net.protocol === 'switch')
      return [
        `keys-${node} {\n\tcompatible = "gpio-keys";\n\tstatus = "okay";\n\tbutton {\n\t\tlabel = "${safe(say(wish.label)).replaceAll('"', "'")}";\n\t\tgpios = <&gpio ${n} 1>;\n\t\tlinux,code = <0x100>;\n\t};\n};`,
      ];
    return [];
  });
}

/** True for a board whose system binds drivers to pins. */
export const takesOverlay = (circuit: Circuit): boolean =>
  (circuit.controller?.card.controller?.overlays?.length ?? 0) > 0;

/**
 * A devicetree overlay in source form (Devicetree Specification v0.4, quoted from memory): every bus that is used is switched
 * on, and lines that a driver of the system reads get a node. Flags: 0 active high, 1 active low, 6 open drain.
 */
export function devicetreeOverlay(circuit: Circuit, fingerprint: string): string {
  const indent = (text: string, by: number) =>
    text
      .split('\n')
      .map((line) => `${'\t'.repeat(by)}${line}`)
      .join('\n');
  const units = new Set<string>();
  for (const { ask, pin } of circuit.wishes) {
    const kind = peripheralOf(ask);
    const functions =
      circuit.controller?.card.controller?.pins.find(({ terminal }) => terminal === pin)?.functions ?? [];
    const unit = functions.map((f) => peripheralOf(f)).find((f) => f.startsWith(kind) && f !== kind);
    if ((kind === 'i2c' || kind === 'spi' || kind === 'uart') && unit) units.add(unit);
  }
  const nodes = overlayNodes(circuit);
  const fragments = [
    ...(nodes.length > 0
      ? [`target-path = "/";\n__overlay__ {\n${nodes.map((node) => indent(node, 1)).join('\n')}\n};`]
      : []),
    ...[...units].sort().map((unit) => `target = <&${unit}>;\n__overlay__ {\n\tstatus = "okay";\n};`),
  ];
  return [
    `/* ${headline(circuit, fingerprint)} */`,
    '/dts-v1/;',
    '/plugin/;',
    '',
    '/ {',
    ...fragments.map((fragment, i) => `\tfragment@${i} {\n${indent(fragment, 2)}\n\t};`),
    '};',
    '',
  ].join('\n');
}
