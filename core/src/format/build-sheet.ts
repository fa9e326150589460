/** The build as a Markdown sheet: safety, steps with boxes to tick, colours at the joints, parts. */
import { formatMoney } from '../quantity/money.ts';
import { standingOf, type Verdict } from '../check/verify.ts';
import type { Build } from '../deliver/build.ts';
import { say, sayUnread } from '../say/say.ts';
import { table, tableCell } from './markdown.ts';
import { BENCH_RULE } from '../deliver/wiring.ts';
import { type WiringLead, type WiringStep } from '../deliver/step.ts';
import type { Circuit } from '../circuit/model.ts';

/** "orange, male–female", "its own yellow wire", "resistor 4.7 kΩ". */
export const leadSays = ({ kind, colour, ends, value }: WiringLead): string =>
  kind === 'lead'
    ? `${colour}, ${ends.join('–')}`
    : kind === 'own'
      ? `its own ${colour} wire`
      : `${kind} ${say(value)}`;

function stepLines(step: WiringStep, i: number, done: boolean): string[] {
  return [
    `## ${i + 1}. ${tableCell(say(step.title))}`,
    '',
    `- [${done ? 'x' : ' '}] done`,
    ...step.cautions.map(
      ({ hazard, labels, says }) => `- **${hazard}**, ${tableCell(say(labels))}: ${tableCell(says)}`,
    ),
    ...step.put.map(
      ({ label, says }) =>
        `- put down: ${tableCell(say(label))}${says ? `, ${tableCell(say(says))}` : ', beside the boards'}`,
    ),
    '',
    ...table(
      ['lead', 'from', 'to'],
      step.leads.map((lead) => [leadSays(lead), say(lead.fromSays), say(lead.toSays)]),
    ),
    ...step.checks.map(({ kind, says }) => `- ${kind === 'look' ? 'look' : 'measure'}: ${tableCell(say(says))}`),
    '',
  ];
}

/** @param fingerprint of the plan and its cards */
export function buildSheet(circuit: Circuit, verdict: Verdict, build: Build, fingerprint: string): string {
  const { plan } = circuit;
  const done = new Set(plan.done);
  const standing = build.proof?.agrees === true ? standingOf(verdict) : 'open';
  const { wiring, parts } = build;
  return [
    `# ${tableCell(plan.name)}`,
    '',
    standing === 'verified'
      ? `Verified: ${verdict.passes.length + build.results.length} proofs; the wiring was read back and agrees with the circuit. Fingerprint ${fingerprint}.`
      : standing === 'unread'
        ? `**Proved, and not yet verified: ${sayUnread(verdict.unread.length)}** Fingerprint ${fingerprint}.`
        : `**Not verified. Do not wire this.** Fingerprint ${fingerprint}.`,
    '',
    ...(build.why ? [tableCell(say(build.why.says)), ''] : []),
    ...(build.proof?.mismatches ?? []).map(({ says }) => `- ${tableCell(say(says))}`),
    '## Safety',
    '',
    ...wiring.cautions.map(
      ({ hazard, labels, says, asks, read }) =>
        `- ${asks ? `[${read ? 'x' : ' '}] ` : ''}**${hazard}**, ${tableCell(say(labels))}: ${tableCell(says)}`,
    ),
    `- ${say(BENCH_RULE)}`,
    '',
    ...wiring.steps.flatMap((step, i) => stepLines(step, i, done.has(step.key))),
    ...(wiring.checklist.length > 0
      ? ['## Before power', '', ...wiring.checklist.map((says) => `- [ ] ${tableCell(say(says))}`), '']
      : []),
    ...(wiring.harness.length > 0 ? ['## Where colours meet', ''] : []),
    ...table(
      ['where', 'line', 'wires'],
      wiring.harness.map(({ where, line, wires }) => [
        say(where),
        say(line),
        wires.map(({ colour, to }) => `${colour} to ${say(to)}`).join('; '),
      ]),
    ),
    '## Parts',
    '',
    ...table(
      ['need', 'part', 'for', 'drawer', 'packs', 'supplier', parts.currency || 'price'],
      parts.lines.map((line) => [
        String(line.needed),
        line.name,
        say(line.uses),
        String(line.inDrawer),
        String(line.packs),
        line.offer?.supplier ?? '',
        line.packs > 0 ? line.total.toFixed(2) : '',
      ]),
    ),
    `${formatMoney(parts.total, parts.currency)} with shipping; the last parcel is here in ${parts.arrival} days.`,
    '',
  ].join('\n');
}
