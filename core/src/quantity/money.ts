/** Sums of money as the platform writes them: the digits that a currency has, and its code. */
import { perKey } from './memo.ts';

/** Making a format is slow, and a plan has few currencies. */
const formatOf = perKey(50, (currency: string) => {
  const { maximumFractionDigits: digits } = new Intl.NumberFormat('en', {
    style: 'currency',
    currency: currency || 'EUR',
  }).resolvedOptions();
  return new Intl.NumberFormat('en', { minimumFractionDigits: digits, maximumFractionDigits: digits });
});

/** The number alone, with the digits of its currency. @example formatAmount(1234.5, 'EUR') === '1,234.50' */
const formatAmount = (value: number, currency: string): string => formatOf(currency).format(value);

/** @example formatMoney(12.3, 'EUR') === '12.30 EUR', formatMoney(1200, 'JPY') === '1,200 JPY' */
export const formatMoney = (value: number, currency: string): string =>
  `${formatAmount(value, currency)}${currency ? ` ${currency}` : ''}`;
