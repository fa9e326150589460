import { deriveCircuit } from '@idle-breadboard/core/circuit';
import { layOut, overviewOf, overviewSvg } from '@idle-breadboard/core/overview';
import { isBlocking, verify } from '@idle-breadboard/core/verify';
import { expose } from 'comlink';
import type { GlanceWorker } from './glance';

const worker: GlanceWorker = {
  glance(plan, cards, night) {
    const circuit = deriveCircuit({ plan, cards });
    const verdict = verify(circuit);
    return {
      svg:
        plan.parts.length === 0
          ? ''
          : overviewSvg(layOut(overviewOf(circuit, verdict)), plan.name, { night, words: false }),
      open: verdict.findings.filter(isBlocking).length,
      proofs: verdict.passes.length,
      parts: plan.parts.length,
    };
  },
};

expose(worker);
