/**
 * How figures are told in a sentence, by the place of a card. "▮" stands where the value stands; the text is what stands around it up to the
 * values beside it. Data only, in the order in which they are tried. Common practice, without a source.
 */
import type { SlotId } from './slots.ts';

export interface Telling {
  readonly slot: SlotId;
  readonly says: RegExp;
  readonly not?: RegExp;
  /** Which bound a bare value is. */
  readonly bare?: 'min' | 'max';
}

const DANGER = String.raw`never|beyond|exceed|absolute max|destroy|damage|must not|may not|not be (?:raised|higher)|withstand|no (?:signal )?pin may`;
const SUPPLY_PIN = String.raw`V_?CC|V_?DD|V_?IN|V\+|suppl(?:y|ies)`;
const SIGNAL_PIN = String.raw`(?:signal|data|logic|other|i\/?o|input)s?\b.*\bpins?|pins?|SDA|SCL|RX|TX|lines?|inputs?`;
const all = (...parts: string[]) => new RegExp(`^${parts.map((part) => `(?=.*(?:${part}))`).join('')}`, 'is');

/** What of running text is never a figure of a card, whatever else is said. */
export const NEVER_TOLD =
  /storage|stored|solder|reflow|junction|\bESD\b|electrostatic|discharge|latch|ripple|hysteresis|weigh|response time|\bT ?90\b|\bt63\b|life|expectancy|cable|shipped|first use|burn-?in|tolerant|wire length|pitch|hole|price|heights? up|wavelength|field of view|thread|torque|altitude|warranty|relative (?:pressure )?(?:accuracy|error)|baud|changed|corrected|\brevis(?:ed|ion)\b|\bin (?:table|figure|section) \d/i;

export const TELLINGS: readonly Telling[] = [
  {
    slot: 'logic.outputLow',
    says: /\boutput\b[^▮]*\blow\b|\blow\b[^▮]*\boutput\b|\bVOL\b/i,
    not: /current/i,
    bare: 'max',
  },
  {
    slot: 'logic.outputHigh',
    says: /\boutput\b[^▮]*\bhigh\b|\bhigh\b[^▮]*\boutput\b|\bVOH\b/i,
    not: /current/i,
    bare: 'min',
  },
  {
    slot: 'logic.inputLow',
    says: /\b(?:low|logic 0)\b[^▮]*(?:level|recogni[sz]ed|seen|read|detected|taken|input|counts)|\binput\b[^▮]*\blow\b|\bVIL\b/i,
    not: /output|current|power|noise|supply/i,
    bare: 'max',
  },
  {
    slot: 'logic.inputHigh',
    says: /\b(?:high|logic 1)\b[^▮]*(?:level|recogni[sz]ed|seen|read|detected|taken|input|counts)|\binput\b[^▮]*\bhigh\b|\bVIH\b/i,
    not: /output|current|power|noise|supply/i,
    bare: 'min',
  },
  {
    slot: 'logic.absoluteMax',
    says: all(DANGER, SIGNAL_PIN),
    not: new RegExp(`(?:to|on|at|of)\\s+(?:the\\s+)?(?:${SUPPLY_PIN})\\b`, 'i'),
    bare: 'max',
  },
  {
    slot: 'logic.absoluteMax',
    says: /\bmax\w*\.?\s+voltage\s+(?:on|at)\b.*\b(?:pins?|signals?|lines?|SDA|SCL)\b/i,
    bare: 'max',
  },
  { slot: 'supply.absoluteMax', says: all(DANGER, SUPPLY_PIN), bare: 'max' },
  {
    slot: 'logic.analog',
    says: /\banalog(?:ue)?\b[^▮]*▮|\b(?:AO|AOUT|A0)\b[^▮]*▮/i,
    not: /suppl|reference|input|resol|\bVCC\b|powered/i,
  },
  { slot: 'rail.dropout', says: /drop-?out/i },
  {
    slot: 'rail.limit',
    says: /(?:\b(?:regulat|3V3|3\.3 ?V output|output rail|LDO)[^▮]*(?:suppl(?:y|ies)|load|deliver|provide|give|source|current|up to)[^▮]*▮)|\bload(?:ed)?\b[^▮]*(?:on|of|with)?[^▮]*▮|\bload on 3V3/i,
    not: /load cell|capacit/i,
    bare: 'max',
  },
  { slot: 'rail.voltage', says: /\bregulat(?:ed|or)\b[^▮]*▮/i, not: /suppl(?:y|ied) (?:of|with)/i },
  {
    slot: 'logic.pullUp',
    says: /pull(?:ed)?[- ]?ups?/i,
    not: /recommend|external|\badd\b|need|requir|internal|weak|suggest/i,
  },
  {
    slot: 'supply.idle',
    says: /stand-?by|asleep|\bsleep|\bidle\b|quiescent|power[- ]?down|shut[- ]?down|suspend|static current|hibernat|stopped/i,
    not: /leak/i,
  },
  {
    slot: 'supply.peak',
    says: /\bpeaks?\b|inrush|surge|\bpulse|\bburst|max\w*\.? current|heater|\blamp\b/i,
    not: /wave|output/i,
  },
  {
    slot: 'supply.active',
    says: /\b(?:draws?|drawn|consum\w*|takes?|needs?|uses?|eats?|supply current|operating current|working current|current)\b/i,
    not: /leak|sink|source|output|input current|(?:per|each|any|every)\b[^▮]*\bpin|\binto\b|clamp|load|limit/i,
  },
  {
    slot: 'port.clock',
    says: /\b(?:bus|clock|SCL|I2C|I²C|two-wire|fast mode|standard mode)\b/i,
    not: /internal|oscillat|cpu|core|crystal|pwm|sampl|refresh|uart|SPI\b/i,
    bare: 'max',
  },
  {
    slot: 'measure.interval',
    says: /\bevery\s*▮|interval|once (?:every|per|in)|between (?:two |any two )?(?:measurements|readings|samples|conversions)|sampl\w+ period/i,
    not: /calibrat/i,
  },
  {
    slot: 'measure.warmUp',
    says: /warm(?:s|ed|ing)?[- ]?(?:it )?up|pre-?heat|ready (?:within|after|in)|after power[- ]?(?:up|on)|start[- ]?up|stabili[sz]/i,
    not: /current/i,
  },
  {
    slot: 'measure.conversion',
    says: /\b(?:measurement|conversion|reading|sample|integration)s?\b[^▮]*\b(?:takes?|lasts?|needs?|time|duration|within)\b[^▮]*▮|▮\s*(?:per|for (?:a|one|each)) (?:measurement|conversion|reading)/i,
    not: /between|half-life/i,
  },
  {
    slot: 'body.ambient',
    says: /\boperat(?:es?|ing|ion)\b|\bambient\b|\bwork(?:s|ing)?\b|\buse (?:it|the)|environment|\btemp\b|permitted/i,
    not: /measur|accura|probe|object|compensat/i,
  },
  { slot: 'measure.accuracy', says: /accura|\berror\b|uncertaint|toleranc|deviat/i, not: /resist|clock|capacit/i },
  { slot: 'measure.resolution', says: /resol(?:ution|ve)|steps? of|granular/i, not: /bit|display|pixel/i },
  { slot: 'measure.drift', says: /\bdrifts?\b|long[- ]term stab|ageing|aging/i },
  {
    slot: 'measure.range',
    says: /\bmeasur(?:es?|ing|ement)\b|\brange\b|detect|\bsens(?:es?|ing)\b/i,
    not: /suppl|voltage|clock|frequency/i,
  },
  {
    slot: 'supply.range',
    says: /\b(?:runs?|works?|operat\w+|power(?:ed|s)?|suppl(?:y|ied|ies)|fe(?:e)?d|driven|functions?|voltage|V_?CC|V_?DD|V_?IN|input)\b/i,
    not: /levels?\b|logic|interface|i\/?o\b|signal|output|\bTTL\b|threshold|reference|analog|\bAO\b|heater|reset|drop|regulators?\b|linear voltage|\bpins?\b/i,
  },
];
