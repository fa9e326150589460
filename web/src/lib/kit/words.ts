import type { WiringStep } from '@idle-breadboard/core/deliver';
import { formatMoney, spaced } from '@idle-breadboard/core/figures';
import type { Grounds } from '@idle-breadboard/core/verify';
import { say } from '@idle-breadboard/core/words';

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

/** Where a part is put, and what is written on its lead. */
export const saysPut = ({ label, says, number }: WiringStep['put'][number]): string =>
  `Put down ${say(label)}${says ? `: ${say(says)}` : ', beside the boards'}.${
    number === undefined ? '' : ` Label its lead ${spaced(number)}.`
  }`;
