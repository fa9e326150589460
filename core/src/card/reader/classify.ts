/** From what a row is called to the place of a card that it fills. */
import type { Message } from '../../quantity/message.ts';
import { doubtThat } from './doubt.ts';
import { QUANTITIES } from '../quantities.ts';
import type { ClassId } from '../part-class.ts';
import { CLASS_RULES, type ClassRule } from './class-vocabulary.ts';
import { slotOf, type SlotId } from './slots.ts';
import {
  ABSOLUTE,
  ACTIVE,
  AT_SUPPLY_PIN,
  BUS_CLOCK,
  CURRENT,
  IDLE,
  LOGIC_VOLTAGE,
  MEASURE,
  NEVER,
  OTHER_CURRENT,
  OTHER_VOLTAGE,
  PEAK,
  RULES,
  SUPPLY_CURRENT_SYMBOL,
  SUPPLY_NAME,
  SUPPLY_SYMBOL,
} from './vocabulary.ts';

export interface RowWords {
  readonly name: string;
  readonly symbol: string;
  readonly conditions: string;
  /** Heading that the row stands under. */
  readonly section: string;
  /** As read: SI unit, "share", "offset", "%"; null where none is written. */
  readonly unit: string | null;
}

export interface Classified {
  readonly slot: SlotId;
  readonly quantity?: { readonly quantity: string; readonly unit: string };
  /** Why the row may mean something else. */
  readonly doubt?: Message;
}

/** The unit of what has none. */
const PLAIN_NUMBER = '1';

/** How often a document speaks of each quantity. */
export interface DocumentContext {
  readonly mentions: ReadonlyMap<string, number>;
  /** What it is of, as far as it tells. */
  readonly cls: ClassId | null;
}

/** A symbol in one spelling: V_IH, VIH, V(IH) and Vih are one. */
const symbolOf = (text: string): string => text.replace(/[\s_(){}[\].,\-/]/g, '').toUpperCase();

/**
 * @returns null when the row is about nothing that a card holds
 * @example classify({ name: 'High-level input voltage', symbol: 'VIH', ... }) is { slot: 'logic.inputHigh' }
 */
export function classify(row: RowWords, document: DocumentContext): Classified | null {
  const { name, conditions, section, unit } = row;
  const symbol = symbolOf(row.symbol);
  const called = `${name} ${row.symbol}`.trim();
  const absolute = ABSOLUTE.test(section) || /absolute max/i.test(name);
  const own = ofClass(row, symbol, absolute, document.cls);
  if (own) return own.slot === null ? null : { slot: own.slot };
  if (NEVER.test(name)) return null;
  // A name says more than a symbol, which is shared by many things.
  const may = (rule: (typeof RULES)[number]) =>
    !rule.not?.test(name) && (rule.section === undefined || rule.section.test(section));
  const named =
    RULES.find((rule) => rule.name.test(name) && may(rule)) ??
    RULES.find((rule) => rule.symbol?.test(symbol) === true && may(rule));
  // "Temperature operating range" below "Sensor performance" is what the part measures.
  const isMeasured =
    named?.slot === 'body.ambient' &&
    /^(?:air )?temperature\b.*\brange/i.test(name) &&
    /sensor|measur|performance/i.test(section) &&
    !/operating|electrical|recommended/i.test(section);
  if (named && !isMeasured && fits(named.slot, unit)) {
    if (absolute && named.slot !== 'logic.pullUp') return null;
    // A bare one-letter symbol is shared by many things; a name that agrees settles it.
    const agrees = named.name.test(name) || name === '';
    const weak = !agrees && symbol.length <= 2;
    const doubt = weak
      ? doubtThat('onlySymbol', { symbol: row.symbol })
      : named.slot === 'port.clock' && !BUS_CLOCK.test(called)
        ? doubtThat('whichClock')
        : // "Temperature operating range" is what the part measures as often as where it may be.
          named.slot === 'body.ambient' && /^(?:air )?temperature\b.*\b(?:operating|working)/i.test(name)
          ? doubtThat('airAround')
          : undefined;
    return { slot: named.slot, ...(doubt ? { doubt } : {}) };
  }
  if (unit === 'V' || unit === 'offset' || unit === 'share') return voltage(row, symbol, called, absolute);
  if (unit === 'A' && !/current sens|range|accuracy|resolution/i.test(name)) {
    if (OTHER_CURRENT.test(called) || absolute) return null;
    if (!CURRENT.test(name) && !SUPPLY_CURRENT_SYMBOL.test(symbol)) return null;
    const state = `${name} ; ${conditions}`;
    if (PEAK.test(name) || /peak/i.test(conditions)) {
      const plain = !/peak|inrush|surge|pulse|start/i.test(state);
      return { slot: 'supply.peak', ...(plain ? { doubt: doubtThat('maximumOfOutput') } : {}) };
    }
    if (IDLE.test(name) || (IDLE.test(conditions) && !ACTIVE.test(name))) return { slot: 'supply.idle' };
    if (/average|mean\b|per second|\/s\b|duty/i.test(state)) return null;
    if (ACTIVE.test(state)) return { slot: 'supply.active' };
    if (/^I(?:SB|STBY|SLEEP|IDLE|PD|Q|DDSB|DDSL)/.test(symbol)) return { slot: 'supply.idle' };
    return { slot: 'supply.active', doubt: doubtThat('whichState') };
  }
  return measure(row, absolute, document);
}

/** Whether what is called so is no figure of a card on sheets of that class. */
export const isNoneOf = (cls: ClassId | null, name: string, unit: string | null): boolean =>
  ofClass({ name, symbol: '', conditions: '', section: '', unit }, '', false, cls)?.slot === null;

/** What sheets of its class alone call so. */
function ofClass(
  { name, unit }: RowWords,
  symbol: string,
  absolute: boolean,
  cls: ClassId | null,
): ClassRule | undefined {
  if (cls === null) return undefined;
  const may = (rule: ClassRule) =>
    rule.of.includes(cls) &&
    (!absolute || rule.rating === true || rule.slot === null) &&
    rule.not?.test(name) !== true &&
    (rule.slot === null || fits(rule.slot, unit));
  return (
    CLASS_RULES.find((rule) => may(rule) && rule.name.test(name)) ??
    CLASS_RULES.find((rule) => may(rule) && rule.symbol?.test(symbol) === true)
  );
}

function fits(slot: SlotId, unit: string | null): boolean {
  return slotOf(slot).units.includes(unit ?? PLAIN_NUMBER);
}

function voltage(row: RowWords, symbol: string, called: string, absolute: boolean): Classified | null {
  const { name } = row;
  if (
    !absolute &&
    /output (?:rail |supply )?voltage|regulat(?:ed|or) output(?! current)|(?:3V3|3\.3 ?V|5 ?V) (?:output|rail)(?! current)|^v_?out$/i.test(
      called,
    ) &&
    !/high|low|level|analog|signal/i.test(name)
  )
    return row.unit === 'V'
      ? {
          slot: 'rail.voltage',
          ...(/regulat|converter/i.test(`${row.section} ${name}`) ? {} : { doubt: doubtThat('outputMayBeSignal') }),
        }
      : null;
  const supply =
    (SUPPLY_NAME.test(name) || (SUPPLY_SYMBOL.test(symbol) && !OTHER_VOLTAGE.test(name))) &&
    !/\bany\b(?! supply)|other pin|logic/i.test(name);
  const onlyInput = /^input voltage/i.test(name) && !SUPPLY_SYMBOL.test(symbol);
  if (absolute) {
    if (row.unit === 'V' && AT_SUPPLY_PIN.test(name) && !/\bany\b|other/i.test(name))
      return { slot: 'supply.absoluteMax' };
    if (supply && !onlyInput && row.unit === 'V' && !OTHER_VOLTAGE.test(name.replace(/input voltage/i, '')))
      return { slot: 'supply.absoluteMax' };
    if (LOGIC_VOLTAGE.test(name))
      return {
        slot: 'logic.absoluteMax',
        ...(onlyInput && row.unit === 'V' ? { doubt: doubtThat('supplyOrSignal') } : {}),
      };
    return null;
  }
  if (!supply || row.unit !== 'V' || OTHER_VOLTAGE.test(name)) return null;
  const vague = /^(?:voltage(?: range)?|power|input voltage(?: range)?)$/i.test(name) && !SUPPLY_SYMBOL.test(symbol);
  return { slot: 'supply.range', ...(vague ? { doubt: doubtThat('whichVoltage') } : {}) };
}

function measure(row: RowWords, absolute: boolean, document: DocumentContext): Classified | null {
  if (absolute) return null;
  const rule = MEASURE.find(({ name, not }) => name.test(row.name) && !not?.test(row.name));
  if (!rule) return null;
  const unit = row.unit;
  const of = unit === null ? null : quantityFor(unit, row.name, `${row.section} ${row.conditions}`, document);
  if (!of) return null;
  const { quantity } = of;
  if (
    rule.slot === 'measure.range' &&
    /operating|working|storage|environment/i.test(row.name) &&
    !/measur|detect|sens/i.test(row.name)
  )
    return { slot: rule.slot, quantity, doubt: doubtThat('standsNotMeasures') };
  const measured = /measur|sens|detect|specified|probe|object|performance/i.test(`${row.name} ${row.section}`);
  if (rule.slot === 'measure.range' && unit === '°C' && !measured)
    return { slot: rule.slot, quantity, doubt: doubtThat('airAround') };
  return { slot: rule.slot, ...of };
}

/**
 * The quantity that a figure in this unit is of: by the words at it, else by its section, else by what the document speaks of most.
 * @returns null where no quantity has that unit
 */
export function quantityFor(
  unit: string,
  name: string,
  section: string,
  document: DocumentContext,
): { quantity: { quantity: string; unit: string }; doubt?: Message } | null {
  const able = QUANTITIES.filter((kind) => kind.unit === unit || (unit === '%' && kind.unit === '%RH'));
  const byWords = able.find(({ words }) => words.test(name)) ?? able.find(({ words }) => words.test(section));
  const mentioned = (kind: (typeof QUANTITIES)[number]) => document.mentions.get(kind.quantity) ?? 0;
  const [most, second] = [...able].sort((a, b) => mentioned(b) - mentioned(a));
  const kind = byWords ?? most;
  if (!kind) return null;
  const clear = mentioned(kind) > 0 && (!second || kind === second || mentioned(second) * 4 < mentioned(kind));
  const sole = able.length === 1 || byWords !== undefined || clear;
  return {
    quantity: { quantity: kind.quantity, unit: kind.unit },
    ...(sole ? {} : { doubt: doubtThat('whichQuantity', { unit }) }),
  };
}
