import { libraryOf, type Card } from '@idle-breadboard/core/card';
import { deriveCircuit } from '@idle-breadboard/core/circuit';
import {
  cHeader,
  devicetreeOverlay,
  pythonModule,
  readCard,
  readPack,
  readPlan,
  writePack,
  writePlan,
} from '@idle-breadboard/core/files';
import { overviewOf } from '@idle-breadboard/core/overview';
import { fingerprint } from '@idle-breadboard/core/plan';
import { pinModel, answering, solvePins, whatIfs, withPins } from '@idle-breadboard/core/solve';
import { isBlocking, verify, withMeasured } from '@idle-breadboard/core/verify';
import { expose } from 'comlink';
import type { Study, StudyWorker } from './study';

let last: Study | null = null;
let kept: readonly Card[] = [];
/** How often remedies were asked for: an older question is dropped. */
let asked = 0;
/** ms after which whoever waits is served. */
const PATIENCE = 40;

const worker: StudyWorker = {
  compare(plan, cards) {
    if (!last) return null;
    const { findings, status, unread } = verify(deriveCircuit({ plan, cards }));
    const [before, after] = [last.verdict.findings, findings].map((list) => new Set(list.map(({ key }) => key)));
    return {
      status,
      unread: unread.length,
      open: findings.filter(isBlocking).length,
      ends: last.verdict.findings.filter(({ key }) => !after?.has(key)),
      brings: findings.filter(({ key }) => !before?.has(key)),
    };
  },
  picture(plan, cards) {
    const circuit = deriveCircuit({ plan, cards });
    return overviewOf(circuit, verify(circuit));
  },
  study(plan, cards) {
    kept = cards ?? kept;
    const document = { plan, cards: kept };
    const circuit = deriveCircuit(document);
    const print = fingerprint(document);
    last = { fingerprint: print, circuit, verdict: withMeasured(verify(circuit), plan.measured, print) };
    return last;
  },
  async remedies(finding, library) {
    const study = last;
    const found = study?.verdict.findings.find(({ key }) => key === finding);
    const mine = (asked += 1);
    if (!study || !found) return { remedies: [], tried: 0 };
    const steps = answering(study.circuit, study.verdict, found, libraryOf(library));
    for (let since = performance.now(); ;) {
      const step = steps.next();
      if (step.done) return step.value;
      if (performance.now() - since < PATIENCE) continue;
      // An edit, or another finding, does not wait for what nobody wants any more.
      await new Promise((resolve) => setTimeout(resolve));
      if (last !== study || asked !== mine) return null;
      since = performance.now();
    }
  },
  whatIfs(ref, library) {
    const rail = last?.circuit.rails.get(ref);
    return last && rail ? whatIfs(last.circuit, rail, libraryOf(library)) : [];
  },
  read: readPlan,
  write: writePlan,
  readPack,
  writePack,
  cardProblems(card) {
    const read = readCard(JSON.stringify(card));
    return read.ok ? [] : read.problems;
  },
  pinSheet(as) {
    if (!last) return '';
    const write = { c: cHeader, python: pythonModule, overlay: devicetreeOverlay }[as];
    return write(last.circuit, last.fingerprint);
  },
  assign() {
    if (!last) return null;
    const solution = solvePins(pinModel(last.circuit));
    return { solution, plan: withPins(last.circuit, solution) };
  },
};

expose(worker);
