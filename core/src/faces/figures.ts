/** What an interface knows of figures with their units, and what is published of them. */
export { formatAddress, parseAddress } from '../quantity/address.ts';
export { bytesOf, fieldOf, formatBits, formatWord, maximumOf, parseWord, withField } from '../quantity/bits.ts';
export {
  COUNTED_UNITS,
  formatQuantity,
  formatSigned,
  parseQuantity,
  parseShown,
  quantityText,
} from '../quantity/engineering.ts';
export { type Interval, within } from '../quantity/interval.ts';
export { wordOf } from '../quantity/message.ts';
export { formatMoney } from '../quantity/money.ts';
export { DAY, HOUR } from '../quantity/span.ts';
export { type Steps, highest, valueAt } from '../quantity/steps.ts';
export { isReservedAddress, modeFor } from '../standard/bus-timing.ts';
export { type SeriesName, seriesBetween } from '../standard/e-series.ts';
export { SLOT_SAMPLE, spaced } from '../standard/one-wire.ts';
export { JUMPER_LENGTH, LEAD_GAUGES } from '../standard/common-practice.ts';
