/** Another card for a part that does not meet its need; a level that can be read, and that does not chatter. */
import { changeNeed, setRun } from '../plan/edits.ts';
import { watched } from '../plan/need-name.ts';
import { swapCard } from '../plan/swap.ts';
import type { Candidate, Proposer } from './remedy.ts';
import { rivals } from './rivals.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface RemedyNeedSays {
  readonly takeAs: { card: Text; part: Text };
  readonly letEndFurtherBack: { value: Quantity };
  readonly readFrom: { from: Quantity; to: Quantity };
  readonly leaveBetweenReadings: { part: Text };
}

const tell = tells<RemedyNeedSays>('remedy/need');

export const needRemedies: Proposer = ({ circuit, finding, library }) => {
  const part = circuit.parts.get(finding.subjects[1] ?? '');
  if (!part) return [];
  return rivals(circuit, library, part)
    .slice(0, 3)
    .map((card) => ({
      id: `card:${part.id}:${card.id}`,
      title: tell('takeAs', { card: card.name, part: part.label }),
      plan: swapCard(circuit.plan, part.id, part.card, card),
    }));
};

/** The event ends further back, where a reading flickers; or the range that is read reaches to both ends of the event. */
export const triggerRemedies: Proposer = ({ circuit, finding }) => {
  const { plan } = circuit;
  const need = plan.needs.find(({ id }) => id === finding.subjects[0]);
  const of = need?.kind === 'trigger' ? watched(plan, need.of) : undefined;
  if (need?.kind !== 'trigger' || !of) return [];
  const say = (value: number) => quantityOf(value, of.unit);
  const hysteresis = (value: number): Candidate => ({
    id: `hysteresis:${need.id}:${value}`,
    title: tell('letEndFurtherBack', { value: say(value) }),
    plan: changeNeed(plan, need.id, (n) => (n.kind === 'trigger' ? { ...n, hysteresis: value } : n)),
  });
  if (finding.severity === 'caution') return finding.limit === null ? [] : [hysteresis(finding.limit)];
  const back = need.when === 'above' ? need.level - need.hysteresis : need.level + need.hysteresis;
  const from = Math.min(of.from, need.level, back);
  const to = Math.max(of.to, need.level, back);
  const inside = need.level >= of.from && need.level <= of.to;
  const room = need.when === 'above' ? need.level - of.from : of.to - need.level;
  return [
    ...(inside && room > 0 ? [hysteresis(room)] : []),
    {
      id: `range:${of.id}:${from}:${to}`,
      title: tell('readFrom', { from: say(from), to: say(to) }),
      plan: changeNeed(plan, of.id, (n) => (n.kind === 'sense' ? { ...n, from, to } : n)),
    },
  ];
};

/** On all the time, so that it is warm; or another card. */
export const warmUpRemedies: Proposer = (context) => {
  const part = context.circuit.parts.get(context.finding.subjects[1] ?? '');
  const awake: Candidate[] = part
    ? [
        {
          id: `awake:${part.id}`,
          title: tell('leaveBetweenReadings', { part: part.label }),
          plan: setRun(context.circuit.plan, part.id, { rest: undefined }),
        },
      ]
    : [];
  return [...awake, ...needRemedies(context)];
};
