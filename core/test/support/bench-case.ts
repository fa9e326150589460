/** Demo plans laid out and ready for the simulated bench; each is made once. */
import { say } from '../../src/say/say.ts';
import { planned, type Planned } from '../../src/bench/virtual-build.ts';
import { dictionaryOf, type Dictionary } from '../../src/bench/dictionary.ts';
import { faultsOf } from '../../src/bench/faults-of.ts';
import type { Fault } from '../../src/bench/fault.ts';
import { deriveCircuit } from '../../src/circuit/derive.ts';
import { layBuild } from '../../src/layout/lay.ts';
import type { Plan } from '../../src/plan/plan.ts';
import { documentOf } from '../../src/plan/document.ts';
import { cards, demo, library, type PLANS } from './demo.ts';

type Name = (typeof PLANS)[number];

export function laidOut(plan: Plan): Planned {
  const circuit = deriveCircuit(documentOf(plan, cards, library));
  const result = layBuild(circuit);
  if (!result.ok) throw new Error(say(result.why.says));
  return planned(circuit, result.layout);
}

const builds = new Map<Name, Planned>();
export function benchOf(name: Name): Planned {
  const known = builds.get(name) ?? laidOut(demo(name).plan);
  builds.set(name, known);
  return known;
}

const dictionaries = new Map<Name, Dictionary>();
export function dictionaryFor(name: Name): Dictionary {
  const known = dictionaries.get(name) ?? dictionaryOf(benchOf(name));
  dictionaries.set(name, known);
  return known;
}

/** The one fault of a build that a test means. */
export function theFault(plan: Planned, is: (fault: Fault) => boolean): Fault {
  const found = faultsOf(plan).find(is);
  if (!found) throw new Error('no such fault');
  return found;
}
