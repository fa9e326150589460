/** A first reading that cannot be wrong: something whose value everybody has at hand. */
import type { Card, Port } from '../card/card.ts';
import type { Measure } from '../card/measure.ts';
import type { Circuit } from '../circuit/circuit.ts';

/** Nobody makes gas or smoke indoors to see whether a part feels it. */
const GAS =
  'Clean air, once it is warm, reads at the lower end. No lighter and no smoke at it: it warns a hobbyist and is no certified alarm.';

/** By quantity: common practice. */
const TRIED: Readonly<Record<string, (measure: Measure) => string>> = {
  'air temperature': () => 'A warm hand near it raises the reading within a minute.',
  'core temperature': (m) => ice(m),
  'water temperature': (m) => ice(m),
  temperature: (m) => ice(m),
  'air humidity': () => 'A breath at it raises the reading at once.',
  'carbon dioxide': () => 'Outdoor air reads about 420 ppm; a breath raises it far above.',
  weight: () => 'Zero without a load; then a litre of water is one kilogram.',
  illuminance: () => 'A hand over it lowers the reading.',
  light: () => 'A hand over it lowers the reading.',
  'liquefied petroleum gas': () => GAS,
  methane: () => GAS,
  'carbon monoxide': () => GAS,
  smoke: () => GAS,
  'water level': () => 'In air it shows the lower end; in a bucket, its depth.',
  'air pressure': () => 'The weather report of the place, less 12 Pa for each metre above the sea.',
  motion: () => 'Walk past; then stand still and wait.',
};

function ice({ accuracy, range }: Measure): string {
  const band = accuracy.find(({ from, to }) => from <= 0 && to >= 0) ?? accuracy[0];
  return range.from <= 0 && band
    ? `Crushed ice in water is 0 °C: it reads within ±${band.error} °C.`
    : 'A warm hand round it raises the reading.';
}

const BY_PROTOCOL: Partial<Record<Port['protocol'], string>> = {
  switch: 'Work it by hand: the reading follows.',
  led: 'The program switches it on: it lights, and goes dark again.',
  coil: 'The program switches it on: it runs, and stops again.',
  'digital-in': 'The program switches it on, and off again.',
  'digital-out': 'Set it off by hand: the reading follows.',
  uart: 'The program asks it for its name: it answers.',
  analog: 'Print what the converter reads.',
};

const MAINS = 'Nothing is connected on its mains side. ';

export function firstReading(circuit: Circuit, part: string, port: string): { how: string } {
  const card: Card | undefined = circuit.parts.get(part)?.card;
  const own = card?.ports.find(({ id }) => id === port);
  const measure = card?.measures[0];
  const tried = measure && TRIED[measure.quantity]?.(measure);
  const said = tried ?? (own && BY_PROTOCOL[own.protocol]) ?? 'The program reads it: a value comes, and no nan.';
  const mains = card?.cautions?.some(({ hazard }) => hazard === 'mains') && card.kind !== 'source';
  return { how: `${mains ? MAINS : ''}${said}` };
}
