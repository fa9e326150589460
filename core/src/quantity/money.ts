/** Sums of money as the platform writes them: the digits that a currency has, and its code. */

const formats = new Map<string, Intl.NumberFormat>();

/** The number alone, with the digits of its currency. @example formatAmount(1234.5, 'EUR') === '1,234.50' */
function formatAmount(value: number, currency: string): string {
  let format = formats.get(currency);
  if (!format) {
    const { maximumFractionDigits: digits } = new Intl.NumberFormat('en', {
      style: 'currency',
      currency: currency || 'EUR',
    }).resolvedOptions();
    format = new Intl.NumberFormat('en', { minimumFractionDigits: digits, maximumFractionDigits: digits });
    formats.set(currency, format);
  }
  return format.format(value);
}

/** @example formatMoney(12.3, 'EUR') === '12.30 EUR', formatMoney(1200, 'JPY') === '1,200 JPY' */
export const formatMoney = (value: number, currency: string): string =>
  `${formatAmount(value, currency)}${currency ? ` ${currency}` : ''}`;
