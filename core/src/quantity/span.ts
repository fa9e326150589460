/** Spans of time as people say them. */
export const HOUR = 3600;
export const DAY = 86400;
export const YEAR = 365.25 * DAY;

const UNITS: readonly (readonly [name: string, many: string, seconds: number])[] = [
  ['year', 'years', YEAR],
  ['day', 'days', DAY],
  ['hour', 'hours', HOUR],
  ['minute', 'minutes', 60],
  ['second', 'seconds', 1],
];

/**
 * @param seconds not negative
 * @example formatSpan(90 * DAY) === '90 days', formatSpan(5400) === '1.5 hours'
 */
export function formatSpan(seconds: number): string {
  if (!Number.isFinite(seconds)) return 'for ever';
  // Three years and a half are years; a year and a bit is better said in days.
  const [name, many, size] = UNITS.find(([, , unit]) => seconds >= (unit === YEAR ? 2 * unit : unit)) ?? [
    'second',
    'seconds',
    1,
  ];
  const count = Number((seconds / size).toPrecision(seconds / size >= 100 ? 3 : 2));
  return `${count} ${count === 1 ? name : many}`;
}
