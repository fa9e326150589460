/** Figures of a drawing in few words. */
import type { Column, FeedNode, Mark, Row, Tap } from '../overview/model.ts';
import { tellOverview } from '../overview/says.ts';
import { formatAddress } from '../quantity/address.ts';
import { COUNTED_UNITS, formatQuantity, formatSigned } from '../quantity/engineering.ts';
import { quantityOf } from '../quantity/message.ts';
import { say } from '../say/say.ts';

const DIGITS = 3;
const isPlain = (unit: string): boolean => unit === '' || unit === '1';
const value = (of: number, unit: string): string =>
  isPlain(unit) ? String(Number(of.toPrecision(DIGITS))) : formatQuantity(of, unit, DIGITS);

const hasFigures = ({ measured, limit, unit }: Mark): boolean =>
  measured !== null && limit !== null && !COUNTED_UNITS.has(unit);

/** "4.15 V of 3.6 V +1"; of a finding without figures how bad it is. */
export function figureText(mark: Mark): string {
  const { measured, limit, unit, severity, more } = mark;
  const found = hasFigures(mark)
    ? tellOverview('ofLimit', { measured: value(measured ?? 0, unit), limit: value(limit ?? 0, unit) })
    : tellOverview('severity', { severity });
  return say(tellOverview('figure', { found: say(found), more }));
}

/** "4.15 V +1": without its limit. */
export const shortFigureText = (mark: Mark): string =>
  hasFigures(mark)
    ? say(tellOverview('figure', { found: value(mark.measured ?? 0, mark.unit), more: mark.more }))
    : figureText(mark);

export const carriedText = ({ peak, limit }: FeedNode): string =>
  say(
    tellOverview('carried', {
      peak: quantityOf(peak, 'A', 2),
      limit: limit === null ? null : quantityOf(limit, 'A', 2),
    }),
  );
export const insideText = (celsius: number): string => say(tellOverview('inside', { celsius: Math.round(celsius) }));
export const voltsText = ({ feed }: Tap): string =>
  feed === null || feed.volts === null ? '' : formatQuantity(feed.volts, 'V', 2);
export const marginText = ({ margin }: Tap): string =>
  margin === null
    ? ''
    : isPlain(margin.unit)
      ? `+${value(margin.value, margin.unit)}`
      : formatSigned(margin.value, margin.unit, DIGITS);
export const addressText = ({ address }: Tap): string => (address === null ? '' : formatAddress(address));
export const clockText = ({ clock }: Row): string => (clock === null ? '' : formatQuantity(clock, 'Hz', DIGITS));

/** How far a place is, and whether it is wet. */
export const placeText = ({ lead, wet }: Column): string =>
  [lead === null ? '' : formatQuantity(lead, 'm', 2), wet ? say(tellOverview('wet')) : '']
    .filter((word) => word !== '')
    .join(', ');

const MOST_PINS = 4;
/** Pins by their labels; "?" where none is chosen. */
export function pinsText(pins: readonly string[]): string {
  const chosen = pins.map((pin) => pin || '?');
  const shown = chosen.length > MOST_PINS ? chosen.slice(0, MOST_PINS - 1) : chosen;
  return [...shown, ...(shown.length < chosen.length ? [`+${chosen.length - shown.length}`] : [])].join(' ');
}
