/** What is being tried with a slider: the same plan with another value, worked out here and now, taken only when said so. */
import { deriveCircuit, type Circuit } from '@idle-breadboard/core/circuit';
import { tried, withTrial, type Plan, type Trial } from '@idle-breadboard/core/plan';
import { CHECKS, type Check, type Result, type StationId } from '@idle-breadboard/core/verify';
import { proofsBySubject, type Proofs } from './proofs';
import { offerTried } from './tried-results';
import { view } from './view.svelte';
import { workbench } from './workbench.svelte';

/** Only what the station shows is worked out at every step of a slider; the rest waits for the verdict. */
const checksOf = (station: StationId): readonly Check[] => CHECKS.filter(({ meta }) => meta.station === station);
const checks: Readonly<Partial<Record<StationId, readonly Check[]>>> = {
  levels: checksOf('levels'),
  bus: checksOf('bus'),
};

class Trying {
  /** What is tried, and the plan that it is tried on: any change of that plan ends the trial. */
  private begun = $state.raw<{ plan: Plan; trial: Trial; says: string } | null>(null);
  private now = $derived(this.begun?.plan === workbench.plan ? this.begun : null);

  trial = $derived<Trial>(this.now?.trial ?? {});
  /** What is being tried, in words. */
  says = $derived(this.now?.says ?? '');
  active = $derived(this.now !== null);
  /** Something of it can be taken into the plan. */
  takeable = $derived(
    [this.trial.ohms, this.trial.lead, this.trial.clock].some((v) => Object.keys(v ?? {}).length > 0),
  );

  circuit = $derived.by<Circuit | null>(() => {
    const document = workbench.document;
    return this.active && document ? deriveCircuit(tried(document, this.trial)) : null;
  });

  results = $derived.by<readonly Result[]>(() => {
    const { circuit } = this;
    return circuit
      ? (view.station === 'overview' ? [] : (checks[view.station] ?? [])).flatMap((check) => check.run(circuit))
      : [];
  });

  proofs = $derived.by<Proofs | null>(() =>
    this.circuit ? proofsBySubject({ findings: this.results, passes: [] }) : null,
  );

  set(kind: keyof Trial, id: string, value: number, says: string): void {
    const { plan } = workbench;
    if (plan) this.begun = { plan, trial: { ...this.trial, [kind]: { ...this.trial[kind], [id]: value } }, says };
  }

  clear(): void {
    this.begun = null;
  }

  take(): void {
    if (workbench.plan && this.takeable) workbench.edit(withTrial(workbench.plan, this.trial), `take ${this.says}`);
    this.clear();
  }
}

export const trying = new Trying();
offerTried(() => trying.results);
