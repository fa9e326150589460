/** A part on a one-wire line as the line sees it, bit by bit: reset, search, choosing by number, and a scratchpad. */
import { crc8 } from '../standard/crc8.ts';
import { ONE_WIRE, TEMPERATURE_STEP } from '../standard/one-wire.ts';

/** Least significant bit first. */
const bitsOf = (bytes: readonly number[]): number[] =>
  bytes.flatMap((byte) => Array.from({ length: 8 }, (_, i) => (byte >> i) & 1));

type Listening = 'command' | 'search' | 'match' | 'function' | 'answers' | 'nothing';

export class WireDevice {
  private state: Listening = 'nothing';
  private readonly number: readonly number[];
  private heard: number[] = [];
  private at = 0;
  private turn = 0;
  private answer: readonly number[] = [];

  /**
   * @param rom eight bytes, the last their check
   * @param celsius what it measures
   */
  constructor(
    readonly rom: readonly number[],
    private readonly celsius: number,
  ) {
    this.number = bitsOf(rom);
  }

  reset(): void {
    this.state = 'command';
    this.heard = [];
    this.at = 0;
    this.turn = 0;
  }

  /** The level that it leaves the line at during a bit: 0 where it pulls. */
  shows(): number {
    if (this.state === 'search' && this.turn < 2) {
      const bit = this.number[this.at] ?? 1;
      return this.turn === 0 ? bit : 1 - bit;
    }
    if (this.state === 'answers') return this.answer[this.at] ?? 1;
    return 1;
  }

  /** @param bit what was on the line in the end */
  hears(bit: number): void {
    switch (this.state) {
      case 'search':
        this.searched(bit);
        return;
      case 'answers':
        this.at += 1;
        return;
      case 'match':
        if (bit !== this.number[this.at]) this.state = 'nothing';
        else if (++this.at === this.number.length) this.await('function');
        return;
      case 'command':
      case 'function':
        this.heard.push(bit);
        if (this.heard.length === 8) this.commanded(this.heard.reduce((byte, b, i) => byte | (b << i), 0));
        return;
      case 'nothing':
    }
  }

  private await(state: Listening): void {
    this.state = state;
    this.heard = [];
    this.at = 0;
    this.turn = 0;
  }

  private searched(bit: number): void {
    if (this.turn < 2) {
      this.turn += 1;
      return;
    }
    if (bit !== this.number[this.at]) this.await('nothing');
    else if (++this.at === this.number.length) this.await('nothing');
    this.turn = 0;
  }

  private commanded(byte: number): void {
    if (this.state === 'command') {
      if (byte === ONE_WIRE.search) this.await('search');
      else if (byte === ONE_WIRE.match) this.await('match');
      else if (byte === ONE_WIRE.skip) this.await('function');
      else this.await('nothing');
    } else if (byte === ONE_WIRE.read) {
      const raw = Math.round(this.celsius / TEMPERATURE_STEP) & 0xffff;
      const pad = [raw & 0xff, raw >> 8, 0x4b, 0x46, 0x7f, 0xff, 0x0c, 0x10];
      this.await('answers');
      this.answer = bitsOf([...pad, crc8(pad)]);
    } else this.await('nothing');
  }
}
