/** What sheets remark of a pin: what it must be at the start, what holds it, what it does by itself. Common practice, without a source. */

export interface Remarks {
  readonly strap?: 'low' | 'high';
  readonly reserved?: 'flash' | 'usb' | 'console';
  readonly drives?: 'low' | 'high' | 'pulses';
  readonly pull?: 'up' | 'down';
  readonly noPull?: true;
  readonly inputOnly?: true;
}

const START = /\b(?:boots?|starts?|start-?up|starting|reset|power[- ]?(?:on|up))\b|\bstrapping\b/i;
const other = (level: string): 'low' | 'high' => (level.toLowerCase() === 'low' ? 'high' : 'low');
const asLevel = (level: string): 'low' | 'high' => (level.toLowerCase() === 'low' ? 'low' : 'high');

/** @param atStart true for a column that is about the start: nothing else says so there */
export function remarksIn(text: string, atStart = false): Remarks {
  const start = atStart || START.test(text);
  const [, fails] = /\b(?:fails?|does not (?:boot|start))\b.*?\b(?:if|when|while)\b.*?\b(low|high)\b/i.exec(text) ?? [];
  // What must not be low has to be high.
  const [, never] =
    /\b(?:do not|don't|never|must not|may not|not to be|cannot be)\b[^.;]*?\b(?:pull|tie|drive|hold|held|be)\w*\b[^.;]*?\b(low|high)\b/i.exec(
      text,
    ) ?? [];
  const [, must] = /\b(?:must|has to|should|keep|kept|tie|tied|hold|held)\b[^.;]*?\b(low|high)\b/i.exec(text) ?? [];
  const unwanted = fails ?? never;
  const level = unwanted !== undefined ? other(unwanted) : must !== undefined ? asLevel(must) : undefined;
  const [, pull] = /\b(?:no|without)\b[^.;]*\bpull/i.test(text)
    ? []
    : (/\bpull(?:ed)?[- ]?(up|down)\b/i.exec(text) ?? []);
  const [, drives] = level === undefined ? (/\b(high|low)\b/i.exec(text) ?? []) : [];
  // PWM is a function of a pin where it does not stand with the start.
  const pulses =
    /\b(?:pulses|toggles|prints|log)\b/i.test(text) ||
    text.split(/[,;]/).some((clause) => /\bPWM\b/i.test(clause) && (atStart || START.test(clause)));
  const reserved = /\bflash\b/i.test(text)
    ? 'flash'
    : /\bUSB\b|\bUSB_D/i.test(text)
      ? 'usb'
      : /\bconsole\b|\bboot (?:log|messages)\b/i.test(text)
        ? 'console'
        : undefined;
  return {
    ...(start && level !== undefined ? { strap: level } : {}),
    ...(reserved === undefined ? {} : { reserved }),
    ...(start && pulses ? { drives: 'pulses' } : start && drives !== undefined ? { drives: asLevel(drives) } : {}),
    ...(start && pull !== undefined ? { pull: /up/i.test(pull) ? 'up' : 'down' } : {}),
    ...(/\b(?:no|without)\b[^.;]*\bpull/i.test(text) ? { noPull: true } : {}),
    ...(/\binputs?[- ]only\b|\bonly (?:be )?(?:an )?inputs?\b/i.test(text) ? { inputOnly: true } : {}),
  };
}

/** Whether a text remarks anything, so that its words are no functions. */
export const isRemark = (text: string): boolean =>
  Object.keys(remarksIn(text)).length > 0 || START.test(text) || /\b(?:do not use|leave open|button)\b/i.test(text);
