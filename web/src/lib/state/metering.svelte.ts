/** A meter that writes what it shows: what stands still at the row in hand is written down by itself, the rest at a press. */
import {
  isMeterKind,
  METER_QUESTIONS,
  METER_UNITS,
  type MeterKind,
  type MeterReading,
  readMeterLine,
  Steady,
} from '@idle-breadboard/core/bench';
import { isInside, type SheetRow } from '@idle-breadboard/core/deliver';
import { say, saysReading } from '@idle-breadboard/core/words';
import { beep, wakeSound } from '../port/beep';
import type { LinePort } from '../port/line-port';
import { bringing } from './bringing.svelte';
import { logbook } from './logbook.svelte';
import { telling } from './telling.svelte';
import { workbench } from './workbench.svelte';

/** ms between two questions to a meter that answers them. */
const PACE = 350;
/** s after which an answer does not come any more, and a press is forgotten. */
const LOST = 3;

const now = (): number => performance.now() / 1000;

class Metering {
  listening = $state(false);
  trouble = $state('');
  /** The last line, and what was read of it; null where it is no reading. */
  shown = $state.raw<{ line: string; reading: MeterReading | null } | null>(null);
  /** What was written down last. */
  taken = $state('');

  private stopPort: (() => Promise<void>) | null = null;
  private port: LinePort | null = null;
  private asking: ReturnType<typeof setInterval> | undefined;
  private steady = new Steady('volts');
  /** Key of the row that `steady` is at. */
  private at = '';
  /** What the meter was asked for and has not answered: a number alone is of that. */
  private pending: { readonly kind: MeterKind; readonly at: number } | null = null;
  /** Of this row the next reading is taken, whatever it proves. */
  private pressed: { readonly row: string; readonly at: number } | null = null;
  private busy = false;

  /** Of which build the meter is: what lies on the bench tells nothing of a simulated one, nor of another plan. */
  private of = $state.raw<{ readonly plan: string; readonly simulated: boolean } | null>(null);
  /** Whether somebody looks at the sheet: what is measured meanwhile elsewhere is none of its rows. */
  isAtSheet = $state(false);

  /** The row in hand, where a meter can tell and nothing forbids to go on. */
  readonly row = $derived.by<SheetRow | null>(() => {
    const { current, stop } = bringing;
    if (!this.isAtSheet || this.of?.plan !== workbench.plan?.id || this.of?.simulated !== logbook.simulated)
      return null;
    if (!current || !isMeterKind(current.kind) || typeof current.expected === 'string') return null;
    // What was measured is measured again only where somebody went back to it.
    if (!bringing.isHeld && bringing.evidence.some(({ row }) => row === current.key)) return null;
    return stop && (stop.live || current.phase !== 'off') ? null : current;
  });
  readonly fits = $derived.by(() => {
    const { row, shown } = this;
    const { unit, value } = shown?.reading ?? { unit: 'other', value: NaN };
    if (!row || typeof row.expected === 'string') return false;
    return unit === row.expected.unit || (unit === null && value === Infinity && row.kind === 'ohms');
  });

  /** @param asks for a meter that writes only what it is asked for */
  async listen(port: LinePort, asks: boolean): Promise<void> {
    this.trouble = '';
    [this.shown, this.taken, this.pressed, this.at, this.pending] = [null, '', null, '', null];
    wakeSound();
    try {
      this.stopPort = await port.listen((line) => void this.hear(line));
      this.port = port;
      this.of = { plan: workbench.plan?.id ?? '', simulated: logbook.simulated };
      this.listening = true;
      this.goOn();
      if (asks) this.asking = setInterval(() => void this.question(), PACE);
    } catch (error) {
      this.trouble = `The port did not open: ${error instanceof Error ? error.message : String(error)}`;
    }
  }

  async stop(): Promise<void> {
    clearInterval(this.asking);
    this.asking = undefined;
    this.listening = false;
    await this.stopPort?.();
    [this.stopPort, this.port] = [null, null];
  }

  /** A current only at a press: a meter that is turned to it between two rails would join them. */
  private async question(): Promise<void> {
    const { row, pending } = this;
    if (!row || !isMeterKind(row.kind) || (row.kind === 'amps' && !this.isPressed(row))) return;
    // One after the other, so that every answer has its question.
    if (pending && now() - pending.at < LOST) return;
    this.pending = { kind: row.kind, at: now() };
    await this.port?.send?.(METER_QUESTIONS[row.kind]);
  }

  private isPressed({ key }: SheetRow): boolean {
    return this.pressed?.row === key && now() - this.pressed.at < LOST;
  }

  /** While nothing points anywhere the rows come in the order of the sheet. */
  private goOn(): void {
    if (bringing.outside.length > 0) return;
    const read = new Set(bringing.evidence.map(({ row }) => row));
    const open = bringing.standard.filter(({ key, kind, program }) => isMeterKind(kind) && !program && !read.has(key));
    bringing.hold((open.find(({ key }) => !bringing.seen.has(key)) ?? open[0])?.key ?? null);
  }

  private async hear(line: string): Promise<void> {
    if (line.trim() === '') return;
    const read = readMeterLine(line);
    const asked = this.pending && METER_UNITS[this.pending.kind];
    const reading = read?.unit === null && asked ? { ...read, unit: asked } : read;
    // An echo of the question is no answer.
    if (read) this.pending = null;
    this.shown = { line, reading };
    const { row } = this;
    if (!row || !isMeterKind(row.kind) || this.busy) return;
    if (this.at !== row.key) {
      this.steady.next(row.kind);
      this.at = row.key;
    }
    if (!reading) return;
    const value = this.steady.take(reading, now());
    if (value !== null) return this.write(row, value);
    if (this.isPressed(row) && this.fits) return this.write(row, reading.value);
  }

  private async write(row: SheetRow, value: number): Promise<void> {
    this.pressed = null;
    if (value === Infinity && row.kind !== 'ohms') {
      this.trouble = 'That is beyond the range of the meter.';
      return;
    }
    this.trouble = '';
    this.busy = true;
    const inside = isInside(row.expected, value);
    const unit = typeof row.expected === 'string' ? '' : row.expected.unit;
    this.taken = `${say(row.title)}: ${saysReading(value, unit)}, ${inside ? 'as expected' : 'outside'}`;
    beep(inside);
    telling.say(this.taken);
    try {
      await bringing.log([{ row, value }], 'port');
      this.goOn();
    } catch (error) {
      this.trouble = `It could not be stored: ${error instanceof Error ? error.message : String(error)}`;
    } finally {
      this.busy = false;
    }
  }

  /** Whoever holds the probes says that they are on: what the meter shows is written down, nothing and open as well. */
  press(): void {
    // What was shown before may be of another spot: the next reading is the first that is surely of this.
    if (this.listening && this.row) this.pressed = { row: this.row.key, at: now() };
  }
}

export const metering = new Metering();
