/**
 * The words by which sheets of one class call their figures, before the words that count on every sheet: "rated voltage" is what cells give
 * and what a fan takes. Data only. Common practice, without a source.
 */
import type { ClassId } from '../part-class.ts';
import type { SlotId } from './slots.ts';

export interface ClassRule {
  readonly of: readonly ClassId[];
  /** null: what is called so on sheets of these classes is no figure of a card. */
  readonly slot: SlotId | null;
  readonly name: RegExp;
  /** A symbol that says so by itself. */
  readonly symbol?: RegExp;
  readonly not?: RegExp;
  /** Also where a rating is stated: of what is switched the rating is the figure. */
  readonly rating?: true;
}

const SWITCHES: readonly ClassId[] = ['driver'];
const REGULATES: readonly ClassId[] = ['regulator'];
const GIVES: readonly ClassId[] = ['cells', 'adapter'];
const SIMPLE: readonly ClassId[] = [
  'light',
  'driver',
  'relay',
  'load',
  'sounder',
  'cells',
  'contact',
  'resistive-element',
];
const JUNCTION_AIR = /junction[- ]?(?:to[- ]?)?(?:the )?(?:ambient|air)|from junction to (?:ambient|air)/i;
const JUNCTION_CASE = /junction[- ]?(?:to[- ]?)?(?:the )?case|from junction to case/i;
const HOTTEST = /junction temperature/i;

export const CLASS_RULES: readonly ClassRule[] = [
  { of: ['light'], slot: null, name: /peak forward|pulsed?|surge|reverse|wavelength/i },
  { of: ['light'], slot: 'light.voltage', name: /forward voltage|voltage drop/i, symbol: /^[VU]F$/ },
  {
    of: ['light'],
    slot: 'light.current',
    name: /forward current|(?:rated|test|operating|drive) current/i,
    symbol: /^IF(?:MAX)?$/,
    rating: true,
  },

  { of: SWITCHES, slot: null, name: /pulsed|peak|surge|repetitive peak collector/i, not: /reverse voltage/i },
  {
    of: SWITCHES,
    slot: 'driver.voltage',
    name: /drain[- ](?:to[- ])?source (?:breakdown )?voltage|collector[- ](?:to[- ])?emitter (?:breakdown )?voltage(?!.*saturation)|(?:maximum|max\.?) (?:load|switch\w*) voltage/i,
    symbol: /^V(?:DSS?|CEO|BRDSS|BRCEO)$/,
    not: /saturation/i,
    rating: true,
  },
  {
    of: SWITCHES,
    slot: 'driver.current',
    name: /(?:continuous )?drain current|collector current|(?:continuous|maximum|max\.?) (?:load|output|switch\w*) current/i,
    symbol: /^(?:ID|IC)$/,
    not: /cut-?off|leak|zero gate|base current/i,
    rating: true,
  },
  {
    of: SWITCHES,
    slot: 'driver.onResistance',
    name: /on[- ](?:state )?resistance|R_?DS\s?\(?on\)?/i,
    symbol: /^RDSON$/,
  },
  { of: SWITCHES, slot: 'driver.gain', name: /current gain|current transfer ratio|^h_?FE\b/i, symbol: /^HFE$/ },
  {
    of: SWITCHES,
    slot: 'driver.saturation',
    name: /collector[- ](?:to[- ])?emitter saturation|saturation voltage,? collector/i,
    symbol: /^VCESAT$/,
  },
  {
    of: SWITCHES,
    slot: 'driver.base',
    name: /base[- ](?:to[- ])?emitter (?:saturation |on[- ]|turn-?on )?voltage/i,
    symbol: /^VBE(?:SAT|ON)?$/,
    not: /emitter[- ]base/i,
  },
  {
    of: SWITCHES,
    slot: 'driver.switchOff',
    name: /turn-?off (?:delay )?time|switch-?off time|fall time/i,
    symbol: /^TOFF$/,
  },
  { of: SWITCHES, slot: 'driver.toAir', name: JUNCTION_AIR, symbol: /^R(?:TH|Θ|θ)?JA$/i, rating: true },
  { of: SWITCHES, slot: 'driver.toCase', name: JUNCTION_CASE, symbol: /^R(?:TH|Θ|θ)?JC$/i, rating: true },
  { of: SWITCHES, slot: 'driver.hottest', name: HOTTEST, rating: true },
  {
    of: SWITCHES,
    slot: 'diode.current',
    name: /average (?:rectified )?forward current|forward rectified current|(?:mean|DC) forward current/i,
    symbol: /^I(?:FAV|O)$/,
    rating: true,
  },
  {
    of: SWITCHES,
    slot: 'diode.reverse',
    name: /reverse voltage|blocking voltage/i,
    symbol: /^VR(?:RM)?$/,
    rating: true,
  },
  { of: SWITCHES, slot: 'diode.drop', name: /forward voltage/i, symbol: /^VFM?$/ },
  {
    of: SWITCHES,
    slot: null,
    name: /gate|emitter[- ]base|charge|capacitance|cut-?off|leak|reverse current|threshold/i,
  },

  { of: REGULATES, slot: null, name: /regulation|rejection|short[- ]circuit|standby current|shutdown current/i },
  { of: REGULATES, slot: 'supply.range', name: /^(?:operating )?input voltage/i, symbol: /^V(?:IN|I)$/ },
  {
    of: REGULATES,
    slot: 'rail.quiescent',
    name: /quiescent|ground (?:pin )?current|no[- ]load (?:supply |input )?current|current consumption without load|own consumption/i,
    symbol: /^I(?:Q|GND)$/,
  },
  {
    of: REGULATES,
    slot: 'rail.limit',
    name: /output current|load current/i,
    symbol: /^I(?:OUT|O|LOAD)(?:MAX)?$/,
    not: /limit|short|leak|ripple/i,
  },
  { of: REGULATES, slot: 'rail.toAir', name: JUNCTION_AIR, symbol: /^R(?:TH|Θ|θ)?JA$/i, rating: true },
  { of: REGULATES, slot: 'rail.toCase', name: JUNCTION_CASE, symbol: /^R(?:TH|Θ|θ)?JC$/i, rating: true },
  {
    of: REGULATES,
    slot: 'rail.hottest',
    name: /(?:maximum |operating )?junction temperature|thermal shutdown/i,
    rating: true,
  },

  { of: GIVES, slot: null, name: /\bcharg\w+ voltage|\bcharge cut|float voltage|weight|cycle|peak|pulse/i },
  {
    of: GIVES,
    slot: 'cells.cutOff',
    name: /cut-?off voltage|end[- ]of[- ]discharge|discharge end|(?:end|final) voltage/i,
  },
  { of: GIVES, slot: 'rail.voltage', name: /^(?:nominal|rated|output) voltage|^voltage$/i, symbol: /^UN$/ },
  { of: GIVES, slot: 'cells.capacity', name: /capacity/i, not: /retention|recovery/i },
  { of: GIVES, slot: 'cells.resistance', name: /(?:internal|inner|initial)\b.*(?:resistance|impedance)/i },
  {
    of: GIVES,
    slot: 'rail.limit',
    name: /discharge current|^(?:rated |max\.? |maximum )?output current/i,
    not: /standard/i,
  },
  { of: GIVES, slot: 'cells.charge', name: /charg(?:e|ing) current/i, not: /discharg/i },

  {
    of: ['resistive-element'],
    slot: 'measure.r25',
    name: /resistance at 25|R_?25\b|(?:nominal|rated) resistance/i,
    symbol: /^R25$/,
  },
  {
    of: ['resistive-element'],
    slot: 'measure.beta',
    name: /\bB[- ]?(?:value|constant|parameter)|\bbeta\b|\bB ?\d{2}\s?\/\s?\d{2,3}/i,
    symbol: /^(?:B|B\d{4,5}|β)$/i,
  },
  {
    of: ['resistive-element'],
    slot: 'measure.dissipation',
    name: /dissipation (?:constant|factor)|dissipation constant/i,
  },
  { of: ['resistive-element'], slot: 'measure.r10', name: /(?:light )?resistance (?:at|\(?)\s?10 ?(?:lx|lux)/i },
  { of: ['resistive-element'], slot: 'measure.gamma', name: /\bgamma\b|γ/i },
  { of: ['resistive-element'], slot: 'measure.r0', name: /resistance at 0|R_?0\b/i, symbol: /^R0$/ },
  { of: ['resistive-element'], slot: null, name: /time constant|maximum power|power rating/i },

  {
    of: ['relay'],
    slot: null,
    name: /operate|release|pick-?up|pull-?in|drop-?out|dielectric|insulation|coil power|contact resist|withstand|life/i,
  },
  { of: ['relay'], slot: 'supply.range', name: /coil voltage/i },
  { of: ['relay'], slot: 'supply.active', name: /coil current/i },

  { of: ['load'], slot: null, name: /no[- ]load|insulation|dielectric|noise|speed/i },
  { of: ['load'], slot: 'supply.peak', name: /stall|start(?:ing|-?up)? current|locked rotor|inrush|blocked/i },
  { of: ['load'], slot: 'supply.active', name: /^(?:rated |operating |load |nominal |working )?current$/i },
  { of: ['load', 'relay'], slot: 'port.inductance', name: /inductance/i, symbol: /^L$/ },
  { of: ['sounder'], slot: 'port.frequency', name: /frequency/i, symbol: /^F[O0]?$/ },

  { of: ['controller'], slot: 'controller.weakPull', name: /pull-?up|pull resist/i, symbol: /^R(?:PU|PULL)$/ },
  {
    of: ['controller'],
    slot: 'controller.brownOut',
    name: /brown-?out/i,
    symbol: /^VBO[RT]$/,
    not: /hysteresis|time|delay/i,
  },
  {
    of: ['controller'],
    slot: 'controller.pinCurrent',
    name: /current (?:sunk |sourced )?(?:by|of|per|into|from) (?:any |each |an? |one )?(?:i\/?o|gpio|pin)/i,
    not: /recommend|total|sum|suppl|leak|input/i,
    rating: true,
  },
  { of: ['controller'], slot: null, name: /watchdog|endurance|CPU clock/i },

  {
    of: ['analog-sensor', 'resistive-element'],
    slot: 'logic.analog',
    name: /analog(?:ue)? (?:voltage |signal )?output|output voltage(?: range)?,? analog|^AO\b/i,
    symbol: /^A(?:O|OUT)$/,
  },
  { of: ['analog-sensor'], slot: null, name: /load resist/i },

  // Its ratings are read where they stand together.
  {
    of: ['relay', 'contact'],
    slot: null,
    name: /contact (?:rating|load|capacity)|switching (?:capacity|power)|rated load/i,
  },

  // What only lines of logic have.
  { of: SIMPLE, slot: null, name: /input capacitance|output capacitance|pull-?up|leakage/i },
];
