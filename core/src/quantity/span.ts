/** Spans of time as people say them. */
export const HOUR = 3600;
export const DAY = 86400;
export const YEAR = 365.25 * DAY;

const SPAN_UNITS = ['year', 'day', 'hour', 'minute', 'second'] as const;
export type SpanUnit = (typeof SPAN_UNITS)[number];

const SECONDS: Readonly<Record<SpanUnit, number>> = { year: YEAR, day: DAY, hour: HOUR, minute: 60, second: 1 };

/**
 * A span in the unit in which people say it.
 * @param seconds not negative
 * @returns null for one without end
 * @example spanOf(90 * DAY) is { count: 90, unit: 'day' }, spanOf(5400) is { count: 1.5, unit: 'hour' }
 */
export function spanOf(seconds: number): { readonly count: number; readonly unit: SpanUnit } | null {
  if (!Number.isFinite(seconds)) return null;
  // Three years and a half are years; a year and a bit is better said in days.
  const unit = SPAN_UNITS.find((each) => seconds >= (each === 'year' ? 2 * YEAR : SECONDS[each])) ?? 'second';
  const count = seconds / SECONDS[unit];
  return { count: Number(count.toPrecision(count >= 100 ? 3 : 2)), unit };
}
