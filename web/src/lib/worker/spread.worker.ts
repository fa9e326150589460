import { deriveCircuit, edgeSpread, slowestLine } from '@idle-breadboard/core/circuit';
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
    const line = slowestLine(circuit, net);
    return edgeSpread(line, id, draws, SEED, (done) => {
      if (done % EVERY === 0) progress(done);
      return true;
    });
  },
};

expose(worker);
