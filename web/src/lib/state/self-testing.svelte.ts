/** Listening to the self-test of the plan: what came of its lines, and what they say once they are whole. */
import {
  answeredBy,
  answerTo,
  askedBy,
  evidenceOf,
  type Evidence,
  type FoundPart,
  type Heard,
  Hearing,
  jobOf,
  type Question,
  questionsOf,
  WATCHED,
  type Which,
  whichPart,
  writeLine,
} from '@idle-breadboard/core/bench';
import type { Circuit } from '@idle-breadboard/core/circuit';
import type { LogEntry, SheetRow } from '@idle-breadboard/core/deliver';
import type { LinePort } from '../port/line-port';
import { bringing } from './bringing.svelte';
import { logbook } from './logbook.svelte';
import { readings } from './readings.svelte';
import { telling } from './telling.svelte';
import { workbench } from './workbench.svelte';

type From = Extract<NonNullable<LogEntry['by']>, 'pasted' | 'port' | 'bench'>;

/** ms that an answer may take longer than what was asked for. */
const PATIENCE = 4000;

/** What the program was asked for while somebody looks on, and what came of it. */
interface Asked {
  /** Key of the row that the answer belongs to. */
  readonly row: string;
  readonly question: Question;
  readonly seq: number;
  /** How often each line changed, none of an output that was driven; null while it is waited for, "none" where no answer came. */
  readonly answer: readonly number[] | 'none' | null;
}

class SelfTesting {
  /** How far the run that is heard has come. */
  heard = $state.raw<Heard | null>(null);
  /** What the last whole run said, of which plan, and whether of the simulated build. */
  private last = $state.raw<{ evidence: Evidence; plan: string; simulated: boolean } | null>(null);
  /** The same, while it is about what is looked at. */
  readonly evidence = $derived(
    this.last?.plan === workbench.study?.fingerprint && this.last?.simulated === logbook.simulated
      ? this.last.evidence
      : null,
  );
  /** What was found when comparing began: another run tells what changed since. */
  private before = $state.raw<{ found: readonly FoundPart[]; plan: string; simulated: boolean } | null>(null);
  /** Which of the parts on one wire is in the hand, or was plugged in. */
  readonly which = $derived.by<Which>(() => {
    const { before, evidence, last } = this;
    if (!before || !evidence || before.plan !== last?.plan || before.simulated !== last.simulated)
      return { is: 'none' };
    return whichPart(before.found, evidence.found);
  });
  listening = $state(false);
  asked = $state.raw<Asked | null>(null);
  private asking = 0;
  private readonly all = $derived.by(() => {
    const { circuit } = this;
    const job = circuit && jobOf(circuit);
    return job && { questions: questionsOf(circuit, job), answered: answeredBy(circuit, job) };
  });
  /** Whether the program can be asked now: not while something forbids power. */
  readonly hears = $derived(this.listening && bringing.bench === 'off' && bringing.stop === null);
  trouble = $state('');
  private hearing: Hearing | null = null;
  private stopPort: (() => Promise<void>) | null = null;
  private port: LinePort | null = null;
  private plan = '';

  private get circuit(): Circuit | undefined {
    return workbench.study?.circuit;
  }

  private begin(): void {
    this.plan = workbench.study?.fingerprint ?? '';
    this.hearing = new Hearing(this.plan);
    this.heard = null;
    this.asked = null;
    this.trouble = '';
  }

  /** What the program can do for a row while somebody looks on; undefined where nothing, or while it hears nothing. */
  questionFor(row: string): Question | undefined {
    return this.hears ? this.all?.questions.get(row) : undefined;
  }

  /** Whether a run tells what a row shows. */
  isAnswered({ kind, key }: SheetRow): boolean {
    return this.hears && (this.all?.answered({ kind, key }) ?? false);
  }

  /** Asks the program to drive or watch what a row is about. */
  async question(row: string): Promise<void> {
    const question = this.questionFor(row);
    if (!question) return;
    if (this.plan !== workbench.study?.fingerprint) this.begin();
    const seq = (this.asking = (this.asking % 10_000) + 1);
    this.asked = { row, question, seq, answer: null };
    setTimeout(
      () => {
        if (this.asked?.seq === seq && this.asked.answer === null) this.asked = { ...this.asked, answer: 'none' };
      },
      (question.is === 'watch' ? WATCHED : 0) + PATIENCE,
    );
    await this.port?.send?.(writeLine(this.plan, askedBy(question, seq)));
  }

  private async answers(): Promise<void> {
    for (const line of this.hearing?.answered() ?? []) {
      const { asked } = this;
      const answer = asked && answerTo(asked.question, asked.seq, line);
      if (!answer) continue;
      this.asked = { ...asked, answer };
      const row = bringing.rows.get(asked.row);
      // Where nothing changed perhaps nobody moved it: that it does not work a person says.
      if (row && answer.length > 0 && answer.every((changes) => changes > 0))
        await bringing.log([{ row, value: 'yes' }], 'port', true);
    }
  }

  /** @returns whether a run came whole */
  private async take(piece: string, from: From): Promise<boolean> {
    // A board that goes on talking says nothing of the simulated build.
    if (!this.hearing || (from === 'port' && logbook.simulated)) return false;
    const whole = this.hearing.take(piece);
    this.heard = this.hearing.heard;
    if (this.plan === workbench.study?.fingerprint) await this.answers();
    const { circuit } = this;
    // The plan was changed since: what was heard is about another.
    if (!whole || !circuit || this.plan !== workbench.study?.fingerprint) return false;
    const evidence = evidenceOf(circuit, jobOf(circuit), whole);
    this.last = { evidence, plan: this.plan, simulated: logbook.simulated };
    if (this.before?.plan !== this.plan || this.before.simulated !== logbook.simulated) this.compareFromNow();
    const values = evidence.observations.flatMap(({ measurement, value }) => {
      const row = bringing.rows.get(measurement);
      return row ? [{ row, value }] : [];
    });
    await bringing.log(values, from, true);
    await readings.heard(evidence, from);
    telling.say(`The self-test came whole: ${values.length} readings are on the sheet.`);
    return true;
  }

  /** A text with whatever else was printed in it. */
  async read(text: string, from: From = 'pasted'): Promise<void> {
    this.begin();
    const whole = await this.take(text.endsWith('\n') ? text : `${text}\n`, from);
    if (!whole && this.heard?.lines === 0 && this.heard.of === null)
      this.trouble = 'No line of it is from the self-test of this plan as it is now.';
  }

  async listen(port: LinePort): Promise<void> {
    this.begin();
    try {
      this.stopPort = await port.listen((line) => void this.take(`${line}\n`, 'port'));
      this.port = port;
      this.listening = true;
      await this.ask();
    } catch (error) {
      this.trouble = `The port did not open: ${error instanceof Error ? error.message : String(error)}`;
    }
  }

  /** Asks the program for a run of the plan as it is now. */
  async ask(): Promise<void> {
    if (this.plan !== workbench.study?.fingerprint) this.begin();
    await this.port?.send?.(writeLine(this.plan, { seq: 1, word: 'run', fields: [] }));
  }

  async stop(): Promise<void> {
    this.listening = false;
    this.asked = null;
    await this.stopPort?.();
    this.stopPort = null;
    this.port = null;
  }

  /** What changes from now on is looked at. */
  compareFromNow(): void {
    const { last } = this;
    this.before = last && { found: last.evidence.found, plan: last.plan, simulated: last.simulated };
  }

  /** It was started, and nothing comes: that is evidence, too. */
  async silent(): Promise<void> {
    const row = bringing.rows.get('heard');
    if (row) await bringing.log([{ row, value: 'no' }], 'typed');
  }

  /** On the simulated bench the program need not be compiled. @param warm the part that is held in the hand meanwhile */
  async simulate(warm: string | null = null): Promise<void> {
    const text = await bringing.worker.selfTestText(workbench.study?.fingerprint ?? '', warm);
    if (text === '') await this.silent();
    else await this.read(text, 'bench');
  }
}

export const selfTesting = new SelfTesting();
