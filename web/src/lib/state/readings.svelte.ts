/** What the build reads, quantity by quantity: typed, pasted or by the self-test, and what is odd about it. */
import {
  type Doubt,
  doubtsOf,
  heardReadings,
  type LogEntry,
  type ReadingAt,
  readingKey,
  readingsOf,
  readSeries,
  correctionsOf,
} from '@idle-breadboard/core/deliver';
import type { Evidence } from '@idle-breadboard/core/bench';
import { say } from '@idle-breadboard/core/words';
import { logbook } from './logbook.svelte';
import { workbench } from './workbench.svelte';

type Series = ReturnType<typeof readSeries>;

/** Longer titles are cut in the logbook. */
const titleOf = ({ quantity, label }: ReadingAt): string => `${quantity} of ${say(label)}`.slice(0, 400);

class Readings {
  readonly all = $derived(workbench.study ? readingsOf(workbench.study.circuit) : []);
  /** Series that were pasted, by row; of others the logbook has the one value. */
  private series = $state.raw<ReadonlyMap<string, { entry: string; series: Series }>>(new Map());
  /** What calibrating came to, for the program: of the real build, also while the simulated bench is looked at. */
  readonly corrections = $derived(
    correctionsOf(
      logbook.entries.filter(({ by }) => by !== 'bench'),
      this.all,
      logbook.build,
    ),
  );

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
    await this.write([{ at, series }], by);
    return '';
  }

  /** What the self-test read of quantities. */
  async heard(evidence: Evidence, by: NonNullable<LogEntry['by']>): Promise<void> {
    const circuit = workbench.study?.circuit;
    const found = circuit ? heardReadings(circuit, this.all, evidence) : [];
    await this.write(
      found.map(({ at, value }) => ({ at, series: { values: [value], seconds: null } })),
      by,
      { program: true },
    );
  }

  private async write(
    all: readonly { at: ReadingAt; series: Series }[],
    by: NonNullable<LogEntry['by']>,
    more: Pick<LogEntry, 'program'> = {},
  ): Promise<void> {
    const entries = await logbook.add(
      all.map(({ at, series }) => {
        const numbers = series.values.filter((value) => value !== null).toSorted((a, b) => a - b);
        return {
          kind: 'measured' as const,
          title: titleOf(at),
          row: readingKey(at),
          value: numbers[Math.floor(numbers.length / 2)] ?? 'no number',
          unit: at.unit,
          by,
          ...more,
          ...(series.values.length > 1 ? { text: `the middle one of ${series.values.length}` } : {}),
        };
      }),
    );
    const written = entries.flatMap(({ id, row }, i) => {
      const series = all[i]?.series;
      return row !== undefined && series ? [[row, { entry: id, series }] as const] : [];
    });
    this.series = new Map([...this.series, ...written]);
  }

  /** A true value, of which somebody knows: ice, a better instrument. */
  async calibrate(at: ReadingAt, reference: number, against: string): Promise<void> {
    const value = this.valueOf(at);
    if (value === null) return;
    await logbook.add([
      {
        kind: 'calibrated',
        title: titleOf(at),
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
