/**
 * The words by which sheets call their figures, by the place of a card that each fills: names, symbols, what they are not, and how they are
 * told in a sentence. Data only: what is made of it is in `classify.ts` and `told.ts`. Common practice, without a source.
 */
import type { SlotId } from './slots.ts';

export const NEVER =
  /storage|solder|reflow|junction|lead temp|esd|electrostatic|latch|ripple|rejection|hysteresis|thermal resist|package|moisture sensitivity|(?<!high |medium |low )repeatab|noise|brown|power[- ]on reset|reset threshold|reset voltage|rise time|fall time|hold time|set-?up time|slew|weight of|shelf|offset voltage|reference voltage|impedance/i;

export const SUPPLY_SYMBOL = /^(?:V(?:DD|CC|IN|S|BAT|SUP|SUPPLY|DDA|CCA|P)?|U(?:B|S|V)?|VDDVCC)$/;
export const SUPPLY_NAME =
  /(?:supply|operating|operation|operational|working|power|feeding|nominal|rated) (?:input )?(?:voltage|supply)|^(?:power )?supply(?: range)?$|supply voltage|voltage supply|supply pins?\b|^input voltage(?: range)?$|^(?:V(?:DD|CC|IN)|supply V(?:DD|CC))\b|^power$|^voltage(?: range)?$|^(?:power|supply)\b.*\bV(?:DD|CC|IN)\b/i;
export const OTHER_VOLTAGE =
  /\b(?:i\/?o|interface|logic|bus|signal|(?<!supply )pins?|high|low|output|threshold|reference|pull|programming|battery backup|drop|heater|analog input|VDDIO)\b/i;
/** A rating is of the supply where the pin that it names is one. */
export const AT_SUPPLY_PIN =
  /\b(?:on|at|to|applied to)\s+(?:the\s+)?(?:V_?(?:DD|CC|IN|S|BAT)\w?|supply(?: pins?)?)\b|^V_?(?:DD|CC|IN|S|BAT)\w?\s+(?:to|with respect to|vs\.?)\s+(?:GND|VSS|ground)/i;
export const LOGIC_VOLTAGE =
  /\b(?:any|other|all|each|i\/?o|digital|logic|input|signal|SDA|SCL|data)\b.*\b(?:pins?|inputs?|terminals?|voltage|lines?)\b|\bvoltage (?:on|at|to|applied)\b|input voltage/i;
export const IDLE =
  /stand-?\s?by|sleep|\bidle\b|quiescent|power[- ]?down|shut[- ]?down|suspend|stopped|not measuring|inactive|hibernat|static (?:supply )?current/i;
export const PEAK =
  /peak|inrush|surge|stall|locked rotor|starting current|start[- ]?up current|flash of|pulse current|max(?:imum|\.)? (?:supply |operating )?current/i;
export const ACTIVE =
  /\bactive\b|measur|conver|operating|operation|running|normal mode|working|transmi|sampling|acquisition|in use|display on|heater on|backlight on/i;
export const CURRENT = /current|consumption|\bdraw\b/i;
export const SUPPLY_CURRENT_SYMBOL =
  /^I(?:DD|CC|S|SUP|SUPPLY|VDD|VCC|IN|Q|SB|STBY|SLEEP|IDLE|ACT|ACTIVE|MEAS|OP|PEAK|PD|DDSB|DDSL|DDM|CCA|AVG)\w*$/;
export const OTHER_CURRENT =
  /leak|sink|source|output|input current|drive|short|per pin|any pin|clamp|pull|reference|average|mean\b|injection/i;

export const RULES: readonly {
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
    name: /(?:high[- ]?level|logic[- ](?:high|1)) input|input (?:voltage,? )?(?:logic )?high|input high/i,
  },
  {
    slot: 'logic.inputLow',
    symbol: /^V(?:IL|ILMAX|INL)$/,
    name: /(?:low[- ]?level|logic[- ](?:low|0)) input|input (?:voltage,? )?(?:logic )?low|input low/i,
  },
  {
    slot: 'logic.outputHigh',
    symbol: /^VOH\w?$/,
    name: /(?:high[- ]?level|logic[- ](?:high|1)) output (?:voltage|level)|output (?:voltage,? )?(?:logic )?high|output high/i,
    not: /current/i,
  },
  {
    slot: 'logic.outputLow',
    symbol: /^VOL\d?$/,
    name: /(?:low[- ]?level|logic[- ](?:low|0)) output (?:voltage|level)|output (?:voltage,? )?(?:logic )?low|output low/i,
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
    name: /(?:clock|scl|i2c|i²c|bus|serial|spi|sck|interface)\b.*(?:frequency|rate|speed)|(?:frequency|speed) of (?:the )?(?:scl|clock|bus)|^(?:scl|bus|i2c|i²c|serial|interface)? ?clock(?: rate)?$|^i[2²]c (?:clock|speed)/i,
    not: /internal|oscillat|cpu|core|crystal|pwm|sampl|refresh|output data|carrier|baud|uart|rs-?232|data rate/i,
  },
  {
    slot: 'measure.conversion',
    symbol: /^T(?:CONV|MEAS|CONVERSION|C|M|INT)$/,
    name: /(?:conversion|measur(?:ing|ement)|integration|acquisition) (?:time|duration)|duration of (?:a |one )?(?:measurement|conversion)|time (?:for|of) (?:a|one) (?:measurement|conversion)/i,
  },
  {
    slot: 'measure.burnIn',
    name: /burn-?in|(?:initial|first) pre-?heat|pre-?heat\w*(?: time)?,? (?:first|initial)|conditioning time|before (?:the )?first use/i,
    not: /current/i,
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
  {
    slot: 'rail.dropout',
    symbol: /^V(?:DO|DROP|DROPOUT)$/,
    name: /drop-?out|input[- ](?:to[- ])?output (?:voltage )?differential/i,
  },
  {
    slot: 'body.ambient',
    symbol: /^T(?:A|AMB|OP|OPR|OPER|AMBIENT)$/,
    name: /(?:operating|ambient|working|environment(?:al)?|operation|use) (?:ambient |air |free[- ]air )?temp|temperature,? (?:operating|ambient)|ambient conditions|(?:operating|working) environment/i,
  },
];

const DRIFT = /drift|long[- ]?term stability|stability,? long|ageing|aging/i;
export const MEASURE: readonly { slot: SlotId; name: RegExp; symbol?: RegExp; not?: RegExp }[] = [
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
    name: /(?:measur|detect|sens|specified|full)\w*\s*(?:\w+\s)?range|\brange\b|^(?:measures|detects|senses)\b|concentration|full scale|(?:maximum|max\.?|highest) (?:detectable|measurable)/i,
    not: /supply|voltage|operating temp|ambient temp|storage|frequency|current|compensat/i,
  },
];

/** What tells the clock of the bus from one inside the part. */
export const BUS_CLOCK = /scl|sck|i2c|i²c|\bbus\b|serial|spi|interface|f_?(?:clk|i2c)/i;

export const ABSOLUTE =
  /absolute|maximum rating|limiting value|^limits?$|stress|must not be exceeded|never exceed|damage/i;
