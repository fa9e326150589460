/** The quantities that needs and measures speak of, with the unit that each is kept in. */
import { wordOf, type Text } from '../quantity/message.ts';

export interface QuantityKind {
  readonly quantity: string;
  readonly unit: string;
  /** Words by which a datasheet names it. */
  readonly words: RegExp;
}

export const QUANTITIES: readonly QuantityKind[] = [
  { quantity: 'air humidity', unit: '%RH', words: /humidity|\bRH\b/i },
  { quantity: 'core temperature', unit: '°C', words: /(?:probe|core|immersion|liquid) temperature|temperature probe/i },
  { quantity: 'surface temperature', unit: '°C', words: /(?:object|surface|contactless|infrared) temperature/i },
  { quantity: 'air temperature', unit: '°C', words: /temperature/i },
  { quantity: 'carbon dioxide', unit: 'ppm', words: /carbon dioxide|\bCO ?[2₂]\b/i },
  { quantity: 'carbon monoxide', unit: 'ppm', words: /carbon monoxide|\bCO\b/ },
  { quantity: 'methane', unit: 'ppm', words: /methane|natural gas|\bCH ?[4₄]\b/i },
  { quantity: 'liquefied petroleum gas', unit: 'ppm', words: /propane|butane|\bLPG\b|petroleum gas/i },
  { quantity: 'hydrogen', unit: 'ppm', words: /hydrogen(?! sul)|\bH ?[2₂]\b/ },
  { quantity: 'alcohol vapour', unit: 'ppm', words: /alcohol|ethanol/i },
  { quantity: 'smoke', unit: 'ppm', words: /smoke/i },
  { quantity: 'air pressure', unit: 'Pa', words: /pressure|barometric/i },
  { quantity: 'fine dust', unit: 'µg/m³', words: /particulate|\bPM ?2\.?5\b|dust/i },
  { quantity: 'illuminance', unit: 'lx', words: /illuminance|ambient light|\blux\b/i },
  { quantity: 'distance', unit: 'm', words: /distance|ranging/i },
  { quantity: 'water level', unit: 'm', words: /(?:water|liquid) level/i },
  { quantity: 'soil moisture', unit: '%', words: /soil moisture|moisture/i },
  { quantity: 'weight', unit: 'kg', words: /weight|load cell|\bmass\b/i },
  { quantity: 'current', unit: 'A', words: /current sens|measured current|shunt/i },
  { quantity: 'rain', unit: 'm', words: /rain/i },
  { quantity: 'flow', unit: 'l/min', words: /flow/i },
  { quantity: 'motion', unit: 'm', words: /motion|passive infrared/i },
  { quantity: 'presence', unit: 'm', words: /presence|radar/i },
];

/** How a quantity is called; one that nobody knows by its own name. */
export const quantityName = (quantity: string): Text =>
  QUANTITIES.some((kind) => kind.quantity === quantity) ? wordOf('quantity', quantity) : quantity;
