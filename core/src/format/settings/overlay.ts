/** The settings of a build as a devicetree overlay, for a board whose system binds drivers to pins. */
import type { Circuit, Net, PinWish } from '../../circuit/model.ts';
import { spreadInstances } from '../../circuit/pin-units.ts';
import { say } from '../../say/say.ts';
import { constantName, headline, pinNumber, safe } from './names.ts';

/** Flags of a line, as the bindings of devicetree have them (quoted from memory). */
const FLAG = { activeHigh: 0, activeLow: 1, openDrain: 6, pullUp: 16 } as const;

const node = (name: string, lines: readonly string[]): string =>
  [`${name} {`, ...lines.map((line) => `\t${line.replaceAll('\n', '\n\t')}`), '};'].join('\n');
const quoted = (wish: PinWish): string => `"${safe(say(wish.label)).replaceAll('"', "'")}"`;

const OKAY = 'status = "okay";';

/** A contact that leads to a rail is on while it is high; all others lead to ground. */
const closesHigh = (net: Net): boolean => net.pullDowns.length > 0 && net.pullUps.length === 0;

class LineNodes {
  private readonly used = new Set<string>();

  constructor(private readonly circuit: Circuit) {}

  /** A name that no other node of its kind has, as short as a node's may be. */
  private name(kind: string, wish: PinWish): string {
    const base = `${kind}-${constantName(say(wish.label)).toLowerCase().replaceAll('_', '-').slice(0, 20)}`;
    let name = base;
    for (let k = 2; this.used.has(name); k++) name = `${base}-${k}`;
    this.used.add(name);
    return name;
  }

  private number({ pin }: PinWish): number | null {
    const label = this.circuit.controller?.card.terminals.find(({ id }) => id === pin)?.label ?? pin;
    return label === null ? null : pinNumber(label);
  }

  private flags(wish: PinWish, net: Net): number {
    return (closesHigh(net) ? FLAG.activeHigh : FLAG.activeLow) | (wish.weakPull ? FLAG.pullUp : 0);
  }

  /** The two lines of a knob that is turned are one device; nothing where this is the second of them. */
  private knob(wish: PinWish, net: Net): string[] | null {
    const [a, b] = ['a', 'b'].map((line) => this.circuit.wishes.find((w) => w.of === wish.of && w.line === line));
    if ((wish !== a && wish !== b) || !a || !b) return null;
    const pins = [a, b].map((line) => this.number(line));
    if (pins.includes(null)) return null;
    if (wish === b) return [];
    const gpios = [a, b].map((line, i) => `<&gpio ${pins[i] ?? 0} ${this.flags(line, net)}>`).join(', ');
    return [
      node(this.name('knob', wish), ['compatible = "rotary-encoder";', `gpios = ${gpios};`, 'linux,axis = <0>;', OKAY]),
    ];
  }

  of(wish: PinWish): string[] {
    const n = this.number(wish);
    const net = this.circuit.nets.find(({ id }) => id === wish.net);
    if (n === null || !net) return [];
    const on = (flags: number) => `gpios = <&gpio ${n} ${flags}>;`;
    const label = `label = ${quoted(wish)};`;
    if (net.protocol === 'onewire')
      return [node(this.name('onewire', wish), ['compatible = "w1-gpio";', on(FLAG.openDrain), OKAY])];
    if (net.protocol === 'led') {
      const light = node('light', [label, on(FLAG.activeHigh)]);
      return [node(this.name('leds', wish), ['compatible = "gpio-leds";', OKAY, light])];
    }
    if (net.protocol !== 'switch') return [];
    const knob = this.knob(wish, net);
    if (knob) return knob;
    const button = node('button', [label, on(this.flags(wish, net)), 'linux,code = <0x100>;']);
    return [node(this.name('keys', wish), ['compatible = "gpio-keys";', OKAY, button])];
  }
}

/** True for a board whose system binds drivers to pins. */
export const takesOverlay = (circuit: Circuit): boolean =>
  (circuit.controller?.card.controller?.overlays?.length ?? 0) > 0;

/** Units that are used, each with the clock of its bus where it has one. */
function units(circuit: Circuit): [string, number | null][] {
  const { given } = spreadInstances(circuit);
  return [...given]
    .filter(([group]) => circuit.wishes.some((wish) => wish.group === group && wish.pin !== null))
    .map(([group, unit]): [string, number | null] => {
      const bus = circuit.buses.find(({ id }) => id === group);
      return [unit, bus?.protocol === 'i2c' ? bus.clock : null];
    })
    .sort(([a], [b]) => (a < b ? -1 : 1));
}

/**
 * A devicetree overlay in source form (Devicetree Specification v0.4, quoted from memory): every unit that is used is switched
 * on at the clock of its bus, and lines that a driver of the system reads get a node.
 */
export function settingsOverlay(circuit: Circuit, fingerprint: string): string {
  const lines = new LineNodes(circuit);
  const nodes = circuit.wishes.flatMap((wish) => lines.of(wish));
  const fragments = [
    ...(nodes.length > 0 ? [['target-path = "/";', node('__overlay__', nodes)]] : []),
    ...units(circuit).map(([unit, clock]) => [
      `target = <&${unit}>;`,
      node('__overlay__', [OKAY, ...(clock === null ? [] : [`clock-frequency = <${Math.round(clock)}>;`])]),
    ]),
  ];
  return [
    `/* ${headline(circuit, fingerprint)} */`,
    '/dts-v1/;',
    '/plugin/;',
    '',
    node(
      '/',
      fragments.map((lines, i) => node(`fragment@${i}`, lines)),
    ),
    '',
  ].join('\n');
}
