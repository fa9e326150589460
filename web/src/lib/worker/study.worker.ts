import { libraryOf, type Card, type Library } from '@idle-breadboard/core/card';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { fingerprint, type Plan, sharedWith } from '@idle-breadboard/core/plan';
import { isBlocking, type Trying, tryingOf, withMeasured } from '@idle-breadboard/core/verify';
import { expose } from 'comlink';
import { breath } from './breath';
import { Sender } from './sharing';
import type { Study, StudyWorker } from './study';

/** What comes after the verdict; fetched once that is out of the house. */
const later = () => import('./after-verdict');

let last: Study | null = null;
/** What was judged of it, so that the next plan is judged by what is different. */
let trying: Trying | null = null;
const sender = new Sender();
/** A plan comes as a copy: what it has in common with the last one is taken from there. */
const shared = (plan: Plan): Plan => sharedWith(last?.circuit.plan, plan);
let kept: readonly Card[] = [];
let library: Library = new Map();
const libraryFrom = (cards: readonly Card[] | null): Library => (library = cards ? libraryOf(cards) : library);
/** How often remedies were asked for: an older question is dropped. */
let asked = 0;
/** ms after which whoever waits is served. */
const PATIENCE = 6;

/** ms after a verdict in which the processor belongs to the screen. */
const SCREEN = 150;
let preparing: ReturnType<typeof setTimeout> | undefined;
/** What the next edit will ask for is worked out once this one is on the screen. */
function prepareSoon(): void {
  clearTimeout(preparing);
  preparing = setTimeout(() => trying?.prepare(), SCREEN);
}

/** Another plan, beside the one that is studied. */
function judged(plan: Plan, cards: readonly Card[]) {
  const circuit = deriveCircuit({ plan: shared(plan), cards: sharedWith(kept, cards) });
  return { circuit, verdict: tryingOf(circuit, trying).verdict };
}

const worker: StudyWorker = {
  compare(plan, cards) {
    if (!last) return null;
    const { findings, status, unread } = judged(plan, cards).verdict;
    const [before, after] = [last.verdict.findings, findings].map((list) => new Set(list.map(({ key }) => key)));
    return {
      status,
      unread: unread.length,
      open: findings.filter(isBlocking).length,
      ends: last.verdict.findings.filter(({ key }) => !after?.has(key)),
      brings: findings.filter(({ key }) => !before?.has(key)),
    };
  },
  async picture(plan, cards) {
    const { circuit, verdict } = judged(plan, cards);
    const { overviewOf } = await later();
    return overviewOf(circuit, verdict);
  },
  study(plan, cards) {
    kept = sharedWith(kept, cards ?? kept);
    const document = { plan: shared(plan), cards: kept };
    const circuit = deriveCircuit(document);
    const print = fingerprint(document);
    trying = tryingOf(circuit, trying);
    last = { fingerprint: print, circuit, verdict: withMeasured(trying.verdict, plan.measured, print) };
    prepareSoon();
    return sender.pack(last);
  },
  async remedies(finding, cards) {
    const known = libraryFrom(cards);
    const study = last;
    const found = study?.verdict.findings.find(({ key }) => key === finding);
    const mine = (asked += 1);
    if (!study || !found) return { remedies: [], tried: 0 };
    const { answering } = await later();
    if (last !== study || asked !== mine) return null;
    const steps = answering(study.circuit, study.verdict, found, known);
    for (let since = performance.now(); ;) {
      const step = steps.next();
      if (step.done) return step.value;
      if (performance.now() - since < PATIENCE) continue;
      // An edit, or another finding, does not wait for what nobody wants any more.
      await breath();
      if (last !== study || asked !== mine) return null;
      since = performance.now();
    }
  },
  async order(ref) {
    const { stagger } = await later();
    const found = last && stagger(last.circuit, ref);
    return found && { before: found.before, after: found.after };
  },
  async whatIfs(ref, cards) {
    const known = libraryFrom(cards);
    const { whatIfs } = await later();
    const rail = last?.circuit.rails.get(ref);
    return last && rail ? whatIfs(last.circuit, rail, known) : [];
  },
  read: async (text) => (await later()).readPlan(text),
  write: async (document) => (await later()).writePlan(document),
  readPack: async (text) => (await later()).readPack(text),
  writePack: async (cards) => (await later()).writePack(cards),
  async programFile(as, corrections) {
    const all = await later();
    if (!last) return '';
    const write = {
      c: all.settingsC,
      python: all.settingsPython,
      json: all.settingsJson,
      overlay: all.settingsOverlay,
      'self-test-c': all.selfTestC,
      'self-test-python': all.selfTestPython,
    }[as];
    return write(last.circuit, last.fingerprint, corrections);
  },
  async settings(corrections) {
    const { namedSettings, settingsOf } = await later();
    return last ? namedSettings(settingsOf(last.circuit, corrections)) : [];
  },
  async assign() {
    const { pinModel, solvePins, withPins } = await later();
    if (!last) return null;
    const solution = solvePins(pinModel(last.circuit));
    return { solution, plan: withPins(last.circuit, solution) };
  },
};

expose(worker);
