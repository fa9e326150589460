/** From what a row is called to the place of a card that it fills. */
import type { Message } from '../../quantity/message.ts';
import { doubtThat } from './doubt.ts';
import { QUANTITIES } from '../quantities.ts';
import { type SlotId, slotOf } from './slots.ts';

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

/** How often a document speaks of each quantity. */
export interface DocumentContext {
  readonly mentions: ReadonlyMap<string, number>;
}

/** A symbol in one spelling: V_IH, VIH, V(IH) and Vih are one. */
const symbolOf = (text: string): string => text.replace(/[\s_(){}[\].,\-/]/g, '').toUpperCase();

const NEVER =
  /storage|solder|reflow|junction|lead temp|esd|electrostatic|latch|ripple|rejection|hysteresis|thermal resist|package|moisture sensitivity|(?<!high |medium |low )repeatab|noise|brown|power[- ]on reset|reset threshold|reset voltage|rise time|fall time|hold time|set-?up time|slew|weight of|shelf|offset voltage|reference voltage|impedance/i;

const SUPPLY_SYMBOL = /^(?:V(?:DD|CC|IN|S|BAT|SUP|SUPPLY|DDA|CCA|P)?|U(?:B|S|V)?|VDDVCC)$/;
const SUPPLY_NAME =
  /(?:supply|operating|operation|operational|working|power|feeding|nominal|rated) (?:input )?(?:voltage|supply)|^(?:power )?supply(?: range)?$|supply voltage|voltage supply|supply pins?\b|^input voltage(?: range)?$|^(?:V(?:DD|CC|IN)|supply V(?:DD|CC))\b|^power$|^voltage(?: range)?$|^(?:power|supply)\b.*\bV(?:DD|CC|IN)\b/i;
const OTHER_VOLTAGE =
  /\b(?:i\/?o|interface|logic|bus|signal|(?<!supply )pins?|high|low|output|threshold|reference|pull|programming|battery backup|drop|heater|analog input|VDDIO)\b/i;
/** A rating is of the supply where the pin that it names is one. */
const AT_SUPPLY_PIN =
  /\b(?:on|at|to|applied to)\s+(?:the\s+)?(?:V_?(?:DD|CC|IN|S|BAT)\w?|supply(?: pins?)?)\b|^V_?(?:DD|CC|IN|S|BAT)\w?\s+(?:to|with respect to|vs\.?)\s+(?:GND|VSS|ground)/i;
const LOGIC_VOLTAGE =
  /\b(?:any|other|all|each|i\/?o|digital|logic|input|signal|SDA|SCL|data)\b.*\b(?:pins?|inputs?|terminals?|voltage|lines?)\b|\bvoltage (?:on|at|to|applied)\b|input voltage/i;
const IDLE =
  /stand-?\s?by|sleep|\bidle\b|quiescent|power[- ]?down|shut[- ]?down|suspend|stopped|not measuring|inactive|hibernat/i;
const PEAK =
  /peak|inrush|surge|start[- ]?up current|flash of|pulse current|max(?:imum|\.)? (?:supply |operating )?current/i;
const ACTIVE =
  /\bactive\b|measur|conver|operating|operation|running|normal mode|working|transmi|sampling|acquisition|in use|display on|heater on|backlight on/i;
const CURRENT = /current|consumption|\bdraw\b/i;
const SUPPLY_CURRENT_SYMBOL =
  /^I(?:DD|CC|S|SUP|SUPPLY|VDD|VCC|IN|Q|SB|STBY|SLEEP|IDLE|ACT|ACTIVE|MEAS|OP|PEAK|PD|DDSB|DDSL|DDM|CCA|AVG)\w*$/;
const OTHER_CURRENT =
  /leak|sink|source|output|input current|drive|short|per pin|any pin|clamp|pull|reference|average|mean\b|injection/i;

const RULES: readonly {
  slot: SlotId;
  symbol?: RegExp;
  name: RegExp;
  not?: RegExp;
  /** What the heading has to say, where the words alone mean other things as well. */
  section?: RegExp;
}[] = [
  {
    slot: 'logic.inputHigh',
    symbol: /^V(?:IH|IHMIN|INH)$/,
    name: /(?:high[- ]?level|logic[- ](?:high|1)) input|input (?:voltage )?(?:logic )?high|input high/i,
  },
  {
    slot: 'logic.inputLow',
    symbol: /^V(?:IL|ILMAX|INL)$/,
    name: /(?:low[- ]?level|logic[- ](?:low|0)) input|input (?:voltage )?(?:logic )?low|input low/i,
  },
  {
    slot: 'logic.outputHigh',
    symbol: /^VOH\w?$/,
    name: /(?:high[- ]?level|logic[- ](?:high|1)) output (?:voltage|level)|output (?:voltage )?(?:logic )?high|output high/i,
    not: /current/i,
  },
  {
    slot: 'logic.outputLow',
    symbol: /^VOL\d?$/,
    name: /(?:low[- ]?level|logic[- ](?:low|0)) output (?:voltage|level)|output (?:voltage )?(?:logic )?low|output low/i,
    not: /current/i,
  },
  {
    slot: 'logic.sinkCurrent',
    symbol: /^IOL\w?$/,
    name: /sink(?:ing)? current|low[- ]?level output current|output low current|output current,? low/i,
  },
  { slot: 'logic.leakage', symbol: /^I(?:LEAK|LI|LKG|L|I|IH|IL|IN|LIN)$/, name: /leakage/i },
  {
    slot: 'logic.capacitance',
    symbol: /^C(?:I|IN|PIN|IO|I\/O)$/,
    name: /(?:input|pin|i\/?o|bus|line)(?: pin)? capacitance|capacitance (?:of|for|at|per) (?:each|the|any|every)? ?(?:i\/?o )?(?:pin|input)/i,
    not: /load|bus/i,
  },
  {
    slot: 'logic.pullUp',
    symbol: /^R(?:PU|P|PULLUP|UP)$/,
    name: /pull[- ]?ups?/i,
    not: /recommend|external|suggest|required|weak|current/i,
  },
  {
    slot: 'port.clock',
    symbol: /^F(?:SCL|CLK|SCK|I2C|BUS)$/,
    name: /(?:clock|scl|i2c|i²c|bus|serial|spi|sck|interface)\b.*(?:frequency|rate|speed)|(?:frequency|speed) of (?:the )?(?:scl|clock|bus)|^(?:scl )?clock$|^i[2²]c (?:clock|speed)/i,
    not: /internal|oscillat|cpu|core|crystal|pwm|sampl|refresh|output data|carrier|baud|uart|rs-?232|data rate/i,
  },
  {
    slot: 'measure.conversion',
    symbol: /^T(?:CONV|MEAS|CONVERSION|C|M|INT)$/,
    name: /(?:conversion|measur(?:ing|ement)|integration|acquisition) (?:time|duration)|duration of (?:a |one )?(?:measurement|conversion)|time (?:for|of) (?:a|one) (?:measurement|conversion)/i,
  },
  {
    slot: 'measure.warmUp',
    symbol: /^T(?:PU|START|BOOT|WU|WARM|SU|UP|STARTUP|WARMUP)$/,
    name: /warm[- ]?up|pre-?heat|start[- ]?up time|power[- ]?up time|stabili[sz]ation time|boot time|time to (?:be )?ready|ready after/i,
    not: /current|burn/i,
  },
  {
    slot: 'measure.interval',
    symbol: /^T(?:INTERVAL|SAMPLE|CYCLE|PERIOD|REPEAT)$/,
    name: /(?:sampl|measur|read|refresh|update|poll|acquisition|repeat|query)\w*\s?(?:interval|period|cycle|pause)|interval between|(?:minimum|shortest) (?:pause|time|interval) between/i,
  },
  {
    slot: 'rail.limit',
    symbol: /^I(?:OUT|O|LOAD|OUTMAX)$/,
    name: /(?:output|load) current/i,
    not: /low|high|short|sink|logic|pin\b|level/i,
    section: /regulat|converter|output rail|power output|rail|LDO/i,
  },
  { slot: 'rail.dropout', symbol: /^V(?:DO|DROP|DROPOUT)$/, name: /drop-?out/i },
  {
    slot: 'body.ambient',
    symbol: /^T(?:A|AMB|OP|OPR|OPER|AMBIENT)$/,
    name: /(?:operating|ambient|working|environment(?:al)?|operation|use) (?:ambient |air |free[- ]air )?temp|temperature,? (?:operating|ambient)|ambient conditions|(?:operating|working) environment/i,
  },
];

const DRIFT = /drift|long[- ]?term stability|stability,? long|ageing|aging/i;
const MEASURE: readonly { slot: SlotId; name: RegExp; symbol?: RegExp; not?: RegExp }[] = [
  { slot: 'measure.drift', name: DRIFT },
  {
    slot: 'measure.accuracy',
    name: /accuracy|accurate|measurement (?:error|deviation|tolerance|uncertainty)|\berror\b(?! code| rate| bit| message)|^(?:tolerance|deviation|uncertainty)\b|total error|max\.? error/i,
    not: /supply|resistor|factor|clock/i,
  },
  {
    slot: 'measure.resolution',
    name: /resolution|^(?:smallest )?step\b|granularity/i,
    not: /display|pixel|adc|pwm|screen/i,
  },
  {
    slot: 'measure.range',
    name: /(?:measur|detect|sens|specified|full)\w*\s*(?:\w+\s)?range|\brange\b|^(?:measures|detects|senses)\b|concentration|full scale/i,
    not: /supply|voltage|operating temp|ambient temp|storage|frequency|current|compensat/i,
  },
];

/** What tells the clock of the bus from one inside the part. */
const BUS_CLOCK = /scl|sck|i2c|i²c|\bbus\b|serial|spi|interface|f_?(?:clk|i2c)/i;

const sectionIs = (section: string, what: RegExp) => what.test(section);
const ABSOLUTE = /absolute|maximum rating|limiting value|stress|must not be exceeded|never exceed|damage/i;

/**
 * @returns null when the row is about nothing that a card holds
 * @example classify({ name: 'High-level input voltage', symbol: 'VIH', ... }) is { slot: 'logic.inputHigh' }
 */
export function classify(row: RowWords, document: DocumentContext): Classified | null {
  const { name, conditions, section, unit } = row;
  const symbol = symbolOf(row.symbol);
  const called = `${name} ${row.symbol}`.trim();
  const absolute = sectionIs(section, ABSOLUTE) || /absolute max/i.test(name);
  if (NEVER.test(name)) return null;
  // A name says more than a symbol, which is shared by many things.
  const may = (rule: (typeof RULES)[number]) =>
    !rule.not?.test(name) && (rule.section === undefined || rule.section.test(section));
  const named =
    RULES.find((rule) => rule.name.test(name) && may(rule)) ??
    RULES.find((rule) => rule.symbol?.test(symbol) === true && may(rule));
  if (named && fits(named.slot, unit)) {
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

function fits(slot: SlotId, unit: string | null): boolean {
  return unit !== null && slotOf(slot).units.includes(unit);
}

function voltage(row: RowWords, symbol: string, called: string, absolute: boolean): Classified | null {
  const { name } = row;
  if (
    !absolute &&
    /output (?:rail |supply )?voltage|regulated output|^v_?out$/i.test(called) &&
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
  if (unit === null) return null;
  const here = (kind: (typeof QUANTITIES)[number]) => kind.unit === unit || (unit === '%' && kind.unit === '%RH');
  const able = QUANTITIES.filter(here);
  if (able.length === 0) return null;
  const byName = able.find(({ words }) => words.test(row.name));
  const bySection = byName ?? able.find(({ words }) => words.test(`${row.section} ${row.conditions}`));
  const mentioned = (kind: (typeof QUANTITIES)[number]) => document.mentions.get(kind.quantity) ?? 0;
  const [most, second] = [...able].sort((a, b) => mentioned(b) - mentioned(a));
  const kind = bySection ?? most;
  if (!kind) return null;
  const quantity = { quantity: kind.quantity, unit: kind.unit };
  if (
    rule.slot === 'measure.range' &&
    /operating|working|storage|environment/i.test(row.name) &&
    !/measur|detect|sens/i.test(row.name)
  )
    return { slot: rule.slot, quantity, doubt: doubtThat('standsNotMeasures') };
  const measured = /measur|sens|detect|specified|probe|object|performance/i.test(`${row.name} ${row.section}`);
  if (rule.slot === 'measure.range' && unit === '°C' && !measured)
    return { slot: rule.slot, quantity, doubt: doubtThat('airAround') };
  const clear = mentioned(kind) > 0 && (!second || kind === second || mentioned(second) * 4 < mentioned(kind));
  const sole = able.length === 1 || bySection !== undefined || clear;
  return { slot: rule.slot, quantity, ...(sole ? {} : { doubt: doubtThat('whichQuantity', { unit }) }) };
}
