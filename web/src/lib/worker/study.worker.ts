import { libraryOf, type Card, type Library } from '@idle-breadboard/core/card';
import { isBlocking } from '@idle-breadboard/core/verify';
import { expose } from 'comlink';
import { breath } from './breath';
import type { StudyWorker } from './study';
import { Studying } from './studying';

/** What comes after the verdict; fetched once that is out of the house. */
const later = () => import('./after-verdict');

const studying = new Studying();
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
  preparing = setTimeout(() => studying.prepare(), SCREEN);
}

const worker: StudyWorker = {
  compare(plan, cards) {
    const { last } = studying;
    if (!last) return null;
    const { findings, status, unread } = studying.beside(plan, cards).verdict;
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
    const { circuit, verdict } = studying.beside(plan, cards);
    const { overviewOf } = await later();
    return overviewOf(circuit, verdict);
  },
  study(plan, cards) {
    const packed = studying.study(plan, cards);
    prepareSoon();
    return packed;
  },
  foresee: (plan, cards) => studying.foresee(plan, cards),
  async remedies(finding, cards) {
    const known = libraryFrom(cards);
    const study = studying.last;
    const found = study?.verdict.findings.find(({ key }) => key === finding);
    const mine = (asked += 1);
    if (!study || !found) return { remedies: [], tried: 0 };
    const { answering } = await later();
    if (studying.last !== study || asked !== mine) return null;
    const steps = answering(study.circuit, study.verdict, found, known);
    for (let since = performance.now(); ;) {
      const step = steps.next();
      if (step.done) return step.value;
      if (performance.now() - since < PATIENCE) continue;
      // An edit, or another finding, does not wait for what nobody wants any more.
      await breath();
      if (studying.last !== study || asked !== mine) return null;
      since = performance.now();
    }
  },
  async order(ref) {
    const { stagger } = await later();
    const { last } = studying;
    const found = last && stagger(last.circuit, ref);
    return found && { before: found.before, after: found.after };
  },
  async whatIfs(ref, cards) {
    const known = libraryFrom(cards);
    const { whatIfs } = await later();
    const { last } = studying;
    const rail = last?.circuit.rails.get(ref);
    return last && rail ? whatIfs(last.circuit, rail, known) : [];
  },
  read: async (text) => (await later()).readPlan(text),
  write: async (document) => (await later()).writePlan(document),
  readPack: async (text) => (await later()).readPack(text),
  writePack: async (cards) => (await later()).writePack(cards),
  async programFile(as, corrections) {
    const all = await later();
    const { last } = studying;
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
    const { last } = studying;
    return last ? namedSettings(settingsOf(last.circuit, corrections)) : [];
  },
  async assign() {
    const { pinModel, solvePins, withPins } = await later();
    const { last } = studying;
    if (!last) return null;
    const solution = solvePins(pinModel(last.circuit));
    return { solution, plan: withPins(last.circuit, solution) };
  },
};

expose(worker);
