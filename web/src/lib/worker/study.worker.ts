import {
  cHeader,
  CHECKS,
  deriveCircuit,
  devicetreeOverlay,
  fingerprint,
  libraryOf,
  pinModel,
  answerTo,
  pythonModule,
  readCard,
  readPack,
  readPlan,
  writePack,
  solvePins,
  verify,
  withMeasured,
  whatIfs,
  withPins,
  writePlan,
  type Card,
} from '@idle-breadboard/core';
import { expose } from 'comlink';
import type { Study, StudyWorker } from './study';

let last: Study | null = null;
let kept: readonly Card[] = [];

const worker: StudyWorker = {
  metas: () => CHECKS.map(({ meta }) => meta),
  compare(plan, cards) {
    if (!last) return null;
    const { findings, status } = verify(deriveCircuit({ plan, cards }));
    const [before, after] = [last.verdict.findings, findings].map((list) => new Set(list.map(({ key }) => key)));
    return {
      status,
      open: findings.filter(({ severity }) => severity === 'danger' || severity === 'fault').length,
      ends: last.verdict.findings.filter(({ key }) => !after?.has(key)),
      brings: findings.filter(({ key }) => !before?.has(key)),
    };
  },
  study(plan, cards) {
    kept = cards ?? kept;
    const document = { plan, cards: kept };
    const circuit = deriveCircuit(document);
    const print = fingerprint(document);
    last = { fingerprint: print, circuit, verdict: withMeasured(verify(circuit), plan.measured, print) };
    return last;
  },
  remedies(finding, library) {
    const found = last?.verdict.findings.find(({ key }) => key === finding);
    return last && found ? answerTo(last.circuit, last.verdict, found, libraryOf(library)) : { remedies: [], tried: 0 };
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
