/** What the build reads, quantity by quantity: typed, pasted or by the self-test, and what is odd about it. */
import {
  type Doubt,
  doubtsOf,
  type LogEntry,
  type ReadingAt,
  readingKey,
  readingOf,
  readingsOf,
  readSeries,
  correctionsOf,
} from '@idle-breadboard/core/deliver';
import { type Evidence, programReadings } from '@idle-breadboard/core/bench';
import { say } from '@idle-breadboard/core/words';
import { logbook } from './logbook.svelte';
import { workbench } from './workbench.svelte';

type Series = ReturnType<typeof readSeries>;

class Readings {
  readonly all = $derived(workbench.study ? readingsOf(workbench.study.circuit) : []);
  /** Series that were pasted, by row; of others the logbook has the one value. */
  private series = $state.raw<ReadonlyMap<string, { entry: string; series: Series }>>(new Map());
  /** What calibrating came to, for the program. */
  readonly corrections = $derived(correctionsOf(logbook.world, this.all, logbook.build));

  entryOf(at: ReadingAt): LogEntry | null {
    const entry = logbook.values.get(readingKey(at)) ?? null;
    return entry && !logbook.isOld(entry) ? entry : null;
  }

  valueOf(at: ReadingAt): number | null {
    const value = this.entryOf(at)?.value;
    return typeof value === 'number' && Number.isFinite(value) ? value : null;
  }

  doubts(at: ReadingAt): Doubt[] | null {
    const entry = this.entryOf(at);
    if (!entry) return null;
    const pasted = this.series.get(readingKey(at));
    const alone = { values: [typeof entry.value === 'number' ? entry.value : null], seconds: null };
    return doubtsOf(at, pasted?.entry === entry.id ? pasted.series : alone);
  }

  /** @returns why nothing was taken; empty where it was */
  async take(at: ReadingAt, text: string, by: NonNullable<LogEntry['by']> = 'typed'): Promise<string> {
    const series = readSeries(text);
    if (series.values.length === 0) return `expected a number in ${at.unit}, or one a line, found none`;
    await this.write(at, series, by);
    return '';
  }

  /** What the self-test read of quantities: temperatures by number, voltages by the curve of their card. */
  async heard(evidence: Evidence, by: NonNullable<LogEntry['by']>): Promise<void> {
    const circuit = workbench.study?.circuit;
    const temperatures = circuit ? programReadings(circuit, evidence.found) : [];
    for (const at of this.all) {
      const warm = at.unit === '°C' ? temperatures.find(({ part }) => part === at.part)?.celsius : undefined;
      const volts = evidence.observations.find(({ measurement }) =>
        measurement.startsWith(`analog:${at.part}.`),
      )?.value;
      const { formula } = at;
      const value =
        warm ??
        (formula && typeof volts === 'number'
          ? readingOf(formula, (volts / formula.reference) * formula.counts)
          : null);
      if (value !== null) await this.write(at, { values: [Number.isFinite(value) ? value : null], seconds: null }, by);
    }
  }

  private async write(at: ReadingAt, series: Series, by: NonNullable<LogEntry['by']>): Promise<void> {
    const numbers = series.values.filter((value) => value !== null).toSorted((a, b) => a - b);
    const middle = numbers[Math.floor(numbers.length / 2)];
    const [entry] = await logbook.add([
      {
        kind: 'measured',
        title: `${at.quantity} of ${say(at.label)}`.slice(0, 400),
        row: readingKey(at),
        value: middle ?? 'no number',
        unit: at.unit,
        by,
        ...(series.values.length > 1 ? { text: `the middle one of ${series.values.length}` } : {}),
      },
    ]);
    if (entry) this.series = new Map([...this.series, [readingKey(at), { entry: entry.id, series }]]);
  }

  /** A true value, of which somebody knows: ice, a better instrument. */
  async calibrate(at: ReadingAt, reference: number, against: string): Promise<void> {
    const value = this.valueOf(at);
    if (value === null) return;
    await logbook.add([
      {
        kind: 'calibrated',
        title: `${at.quantity} of ${say(at.label)}`.slice(0, 400),
        row: readingKey(at),
        value,
        reference,
        unit: at.unit,
        ...(against.trim() === '' ? {} : { text: against.trim() }),
      },
    ]);
  }
}

export const readings = new Readings();
