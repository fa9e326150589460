import { deriveCircuit, edgeSpread, linesOf, slowestEdges } from '@idle-breadboard/core';
import { expose } from 'comlink';
import type { SpreadWorker } from './spread';

/** One seed, so that the same plan always gives the same spread. */
const SEED = 20;
/** Draws between two words to the page. */
const EVERY = 100;

const worker: SpreadWorker = {
  spread(document, id, draws, progress) {
    const circuit = deriveCircuit(document);
    const net = circuit.nets.find((n) => n.id === id);
    if (!net) return null;
    const of = (line: ReturnType<typeof linesOf>[number]) => slowestEdges(line).get(id)?.seconds ?? Infinity;
    const line = linesOf(circuit, net).reduce((a, b) => (of(b) > of(a) ? b : a));
    return edgeSpread(line, id, draws, SEED, (done) => {
      if (done % EVERY === 0) progress(done);
      return true;
    });
  },
};

expose(worker);
