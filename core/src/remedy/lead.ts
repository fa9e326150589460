/** What a lead is, what stands in it, and how fast it is spoken on. */
import { CABLES } from '../plan/kinds.ts';
import { addHelper, changePart, changePort, freeId } from '../plan/edits.ts';
import { seriesBetween } from '../standard/e-series.ts';
import type { Proposer } from './remedy.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { keyOf, parseRef } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface RemedyLeadSays {
  readonly leadsEachTwistedGround: null;
  readonly screenedCable: null;
  readonly take: { cable: Text; part: Text };
  readonly putSeries: { ohms: Quantity; net: Text };
  readonly tellSpeakBitsSecond: { part: Text; rate: number };
}

const tell = tells<RemedyLeadSays>('remedy/lead');

/** A cable in place of loose leads. */
export const cableRemedies: Proposer = ({ circuit, finding }) => {
  const part = circuit.parts.get(finding.subjects[0] ?? '');
  if (!part?.choice) return [];
  return CABLES.filter((cable) => cable !== 'loose').map((cable) => ({
    id: `cable:${part.id}:${cable}`,
    title: tell('take', {
      cable: cable === 'twisted' ? tell('leadsEachTwistedGround') : tell('screenedCable'),
      part: part.label,
    }),
    plan: changePart(circuit.plan, part.id, (choice) => ({ ...choice, cable })),
  }));
};

/** Between which a resistor keeps a pin from a surge, or a chain of lights from ringing, Ω. */
const IN_LINE = { least: 330, most: 1000 } as const;

/** A resistor in the line, at the pin. */
export const inLineRemedies: Proposer = ({ circuit, finding }) => {
  const net = circuit.nets.find(({ id }) => id === finding.subjects[1]);
  const { part, own: port } = parseRef(net?.of);
  if (!net || net.bus !== null || net.beyond !== null || net.series.length > 0 || port === undefined) return [];
  const values = seriesBetween(circuit.plan.rules.series, IN_LINE.least, IN_LINE.most);
  return [values[0], values.at(-1)].flatMap((ohms) =>
    ohms === undefined
      ? []
      : [
          {
            id: `series:${net.id}:${ohms}`,
            title: tell('putSeries', { ohms: quantityOf(ohms, 'Ω'), net: net.label }),
            plan: addHelper(circuit.plan, {
              id: freeId(circuit.plan, `series-${part}`),
              kind: 'series',
              part,
              port,
              line: net.line,
              ohms,
            }),
          },
        ],
  );
};

/** Another rate that both ends can be told. */
export const rateRemedies: Proposer = ({ circuit, finding }) => {
  const { part: id, own: portId = '' } = parseRef(finding.subjects[0]);
  const part = circuit.parts.get(id);
  const port = part?.card.ports.find((p) => p.id === portId);
  return (port?.rates ?? []).map((rate) => ({
    id: `rate:${keyOf(id, portId)}:${rate}`,
    title: tell('tellSpeakBitsSecond', { part: part?.label ?? id, rate }),
    plan: changePort(circuit.plan, id, portId, (choice) => ({ ...choice, rate })),
  }));
};
