import { carrierOf, isFitted } from '../circuit/carrier.ts';
import type { Circuit } from '../circuit/circuit.ts';

/** The circuit without what is wired already: parts that are fitted on a carrier, and the carrier itself. */
export function toWire(circuit: Circuit): Circuit {
  const carrier = carrierOf(circuit);
  if (!carrier) return circuit;
  const wired = (part: string) => part === carrier.part || isFitted(circuit, part);
  return {
    ...circuit,
    parts: new Map([...circuit.parts].filter(([id]) => !wired(id))),
    feeds: new Map([...circuit.feeds].filter(([, { part }]) => !wired(part))),
    nets: circuit.nets.filter(({ ends }) => !ends.some(({ part }) => isFitted(circuit, part))),
  };
}
