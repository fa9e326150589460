import { formatMoney } from '@idle-breadboard/core/figures';
import type { Grounds } from '@idle-breadboard/core/verify';

/** One way to say an amount of money. */
export const money = formatMoney;

/** Money as a difference. */
export const signedMoney = (value: number): string =>
  value < -0.004 ? `−${Math.abs(value).toFixed(2)}` : `+${Math.max(0, value).toFixed(2)}`;

/** What a proof rests on: figures of a card, or what stands in the plan itself or in a standard. */
export const groundsWords = (grounds: Grounds): string =>
  grounds === 'plan'
    ? 'the plan'
    : grounds === 'standard'
      ? 'a standard'
      : grounds === 'assumed'
        ? 'an assumed length'
        : grounds;
