/** I²C traffic written from the protocol's rules (UM10204 §3.1; quoted from memory), for decoders to be held against. */

export interface Change {
  readonly time: number;
  readonly sda: boolean;
  readonly scl: boolean;
}

export class I2cWave {
  readonly changes: Change[] = [{ time: 0, sda: true, scl: true }];
  private time = 0;
  private scl = true;

  /** @param period of the clock, s */
  constructor(private readonly period = 10e-6) {}

  private to(wait: number, sda: boolean, scl: boolean): void {
    this.time += wait;
    this.scl = scl;
    this.changes.push({ time: this.time, sda, scl });
  }

  idle(seconds: number): this {
    this.time += seconds;
    return this;
  }
  /** Data falls while the clock is high. After a byte that makes it a repeated start. */
  start(): this {
    const q = this.period / 4;
    if (!this.scl) {
      this.to(q, true, false);
      this.to(q, true, true);
    }
    this.to(q, false, true);
    this.to(q, false, false);
    return this;
  }
  /** One bit: data settles while the clock is low. @param hold s that somebody keeps the clock low */
  bit(high: boolean, hold = 0): this {
    const q = this.period / 4;
    this.to(q, high, false);
    this.to(q + hold, high, true);
    this.to(2 * q, high, false);
    return this;
  }
  /** Eight bits, the highest first, and the acknowledge: low for yes. */
  byte(value: number, acknowledged: boolean, hold = 0): this {
    for (let i = 7; i >= 0; i--) this.bit(((value >> i) & 1) === 1, i === 7 ? hold : 0);
    return this.bit(!acknowledged);
  }
  address(address: number, read: boolean, acknowledged = true): this {
    return this.byte((address << 1) | (read ? 1 : 0), acknowledged);
  }
  /** Data rises while the clock is high. */
  stop(): this {
    const q = this.period / 4;
    this.to(q, false, false);
    this.to(q, false, true);
    this.to(q, true, true);
    return this;
  }
}
