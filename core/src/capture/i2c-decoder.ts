/**
 * Reads I²C traffic from the levels of its two lines, one change at a time, with bounded memory. Rules: UM10204 §3.1.1 to
 * §3.1.6 and §3.1.10 (start, stop, data valid while the clock is high, acknowledge, address with direction, repeated start),
 * §3.1.9 (clock stretching); quoted from memory.
 */
import { type Message, tells } from '../quantity/message.ts';

/** What is said of traffic that breaks the rules. */
export interface I2cDecoderSays {
  readonly stopAfter: { bits: number };
}
const tell = tells<I2cDecoderSays>('capture/i2c-decoder');

interface I2cByte {
  readonly value: number;
  readonly acknowledged: boolean;
}

export interface I2cMessage {
  /** s of the start condition. */
  readonly at: number;
  readonly address: number | null;
  readonly read: boolean;
  /** Whether somebody answered the address; null where the message ended before that. */
  readonly acknowledged: boolean | null;
  /** What follows the address. */
  readonly bytes: readonly I2cByte[];
  /** How it ended: a stop, another start, or the end of the capture. */
  readonly end: 'stop' | 'restart' | 'cut';
  /** Bits of a byte that was broken off. */
  readonly loose: number;
}

export interface I2cReading {
  readonly messages: readonly I2cMessage[];
  /** Messages beyond the most that are kept. */
  readonly dropped: number;
  /** Periods of the clock within bytes, s: the shortest, the middle one, the longest. Null without a whole one. */
  readonly period: { readonly least: number; readonly middle: number; readonly most: number } | null;
  /** Longest that the clock was low in a message, s. */
  readonly longestLow: number;
  /** Lows of the clock much longer than the usual one: somebody held it. */
  readonly stretches: number;
  /** Changes of the data line while the clock was high that are neither start nor stop of a message. */
  readonly faults: readonly { readonly at: number; readonly says: Message }[];
}

const MAX_MESSAGES = 20_000;
const MAX_FAULTS = 200;
/** Clock lows so many times as long as the middle one count as held. */
const STRETCH = 3;
/** Periods and lows of which the middle is taken: those that came first. */
const MAX_PERIODS = 10_000;

interface Open {
  at: number;
  bits: number;
  value: number;
  bytes: I2cByte[];
}

export class I2cDecoder {
  private sda = true;
  private scl = true;
  private open: Open | null = null;
  private readonly messages: I2cMessage[] = [];
  private dropped = 0;
  private readonly faults: { at: number; says: Message }[] = [];
  private readonly periods: number[] = [];
  private readonly lows: number[] = [];
  private lastRise: number | null = null;
  private lastFall: number | null = null;
  private longestLow = 0;
  private last = -Infinity;

  /** @param time s, never before the one before @param sda @param scl levels from then on */
  push(time: number, sda: boolean, scl: boolean): void {
    if (time < this.last) throw new RangeError(`${time} s after ${this.last} s`);
    this.last = time;
    const [wasSda, wasScl] = [this.sda, this.scl];
    this.sda = sda;
    this.scl = scl;
    if (wasScl && scl && wasSda !== sda) {
      if (sda) this.stop(time);
      else this.start(time);
      return;
    }
    if (wasScl && !scl) this.lastFall = time;
    if (!wasScl && scl) this.rise(time, sda);
  }

  private start(time: number): void {
    if (this.open) this.close('restart');
    this.open = { at: time, bits: 0, value: 0, bytes: [] };
    this.lastRise = null;
    this.lastFall = null;
  }

  private stop(time: number): void {
    if (!this.open) return;
    // The clock rises once before a stop: that is no bit.
    if (this.open.bits > 1) this.fault(time, tell('stopAfter', { bits: this.open.bits - 1 }));
    this.close('stop');
  }

  private rise(time: number, sda: boolean): void {
    if (!this.open) return;
    if (this.lastFall !== null) {
      const low = time - this.lastFall;
      this.longestLow = Math.max(this.longestLow, low);
      if (this.lows.length < MAX_PERIODS) this.lows.push(low);
    }
    // Between bytes masters pause: only clocks within a byte tell the speed.
    if (this.lastRise !== null && this.open.bits > 0 && this.periods.length < MAX_PERIODS)
      this.periods.push(time - this.lastRise);
    this.lastRise = time;
    this.open.bits += 1;
    if (this.open.bits <= 8) this.open.value = (this.open.value << 1) | (sda ? 1 : 0);
    else {
      this.open.bytes.push({ value: this.open.value, acknowledged: !sda });
      this.open.bits = 0;
      this.open.value = 0;
    }
  }

  private close(end: I2cMessage['end']): void {
    const { open } = this;
    this.open = null;
    if (!open) return;
    const [head, ...bytes] = open.bytes;
    if (this.messages.length >= MAX_MESSAGES) {
      this.dropped += 1;
      return;
    }
    this.messages.push({
      at: open.at,
      address: head ? head.value >> 1 : null,
      read: head ? (head.value & 1) === 1 : false,
      acknowledged: head ? head.acknowledged : null,
      bytes,
      end,
      loose: end === 'cut' ? open.bits : Math.max(0, open.bits - 1),
    });
  }

  private fault(at: number, says: Message): void {
    if (this.faults.length < MAX_FAULTS) this.faults.push({ at, says });
  }

  end(): I2cReading {
    if (this.open) this.close('cut');
    const sorted = this.periods.toSorted((a, b) => a - b);
    const lows = this.lows.toSorted((a, b) => a - b);
    const usual = lows[lows.length >> 1] ?? Infinity;
    const [least, middle, most] = [sorted[0], sorted[sorted.length >> 1], sorted.at(-1)];
    return {
      messages: this.messages,
      dropped: this.dropped,
      period: least !== undefined && middle !== undefined && most !== undefined ? { least, middle, most } : null,
      longestLow: this.longestLow,
      stretches: lows.filter((low) => low > usual * STRETCH).length,
      faults: this.faults,
    };
  }
}
