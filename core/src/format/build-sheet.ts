/** The build as a Markdown sheet: safety, steps with boxes to tick, colours at the joints, parts. */
import { spaced } from '../standard/one-wire.ts';
import { priceOf } from '../quantity/message.ts';
import { standingOf, type Verdict } from '../check/standing.ts';
import type { Build } from '../deliver/build.ts';
import { say, sayUnread } from '../say/say.ts';
import { sheet } from '../say/sheet.ts';
import { table, tableCell } from './markdown.ts';
import { BENCH_RULE } from '../deliver/wiring.ts';
import { type WiringLead, type WiringStep } from '../deliver/step.ts';
import type { Circuit } from '../circuit/model.ts';

/** "orange, male–female", "its own yellow wire", "resistor 4.7 kΩ". */
export const leadSays = ({ kind, colour, ends, value }: WiringLead): string =>
  kind === 'lead'
    ? `${colour}, ${ends.join('–')}`
    : kind === 'own'
      ? say(sheet('ownWire', { colour }))
      : say(sheet('ofValue', { kind, value: say(value) }));

function stepLines(step: WiringStep, i: number, done: boolean): string[] {
  return [
    `## ${tableCell(say(sheet('step', { number: i + 1, title: step.title })))}`,
    '',
    `- [${done ? 'x' : ' '}] ${say(sheet('done'))}`,
    ...step.cautions.map(
      ({ hazard, labels, says }) => `- **${hazard}**, ${tableCell(say(labels))}: ${tableCell(says)}`,
    ),
    ...step.put.map(
      ({ label, says }) => `- ${tableCell(say(sheet('putDown', { label, where: says ?? sheet('beside') })))}`,
    ),
    ...step.put.flatMap(({ label, number }) =>
      number === undefined ? [] : [`- ${tableCell(say(sheet('labelled', { label, number: spaced(number) })))}`],
    ),
    '',
    ...table(
      ['number', 'lead', 'from', 'to'],
      step.leads.map((lead) => [`${lead.number}`, leadSays(lead), say(lead.fromSays), say(lead.toSays)]),
    ),
    ...step.checks.map(
      ({ kind, says }) => `- ${tableCell(say(sheet(kind === 'look' ? 'look' : 'measure', { says })))}`,
    ),
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
      ? say(sheet('verified', { proofs: verdict.passes.length + build.results.length, fingerprint }))
      : standing === 'unread'
        ? say(sheet('unread', { unread: sayUnread(verdict.unread.length), fingerprint }))
        : say(sheet('open', { fingerprint })),
    '',
    ...(build.why ? [tableCell(say(build.why.says)), ''] : []),
    ...(build.proof?.mismatches ?? []).map(({ says }) => `- ${tableCell(say(says))}`),
    `## ${say(sheet('safety'))}`,
    '',
    ...wiring.cautions.map(
      ({ hazard, labels, says, asks, read }) =>
        `- ${asks ? `[${read ? 'x' : ' '}] ` : ''}**${hazard}**, ${tableCell(say(labels))}: ${tableCell(says)}`,
    ),
    `- ${say(BENCH_RULE)}`,
    '',
    ...wiring.steps.flatMap((step, i) => stepLines(step, i, done.has(step.key))),
    ...(wiring.checklist.length > 0
      ? [`## ${say(sheet('beforePower'))}`, '', ...wiring.checklist.map((says) => `- [ ] ${tableCell(say(says))}`), '']
      : []),
    ...(wiring.harness.length > 0 ? [`## ${say(sheet('coloursMeet'))}`, ''] : []),
    ...table(
      ['where', 'line', 'wires'],
      wiring.harness.map(({ where, line, wires }) => [
        say(where),
        say(line),
        wires.map(({ colour, to }) => say(sheet('colourTo', { colour, to }))).join('; '),
      ]),
    ),
    `## ${say(sheet('parts'))}`,
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
    say(sheet('total', { total: priceOf(parts.total, parts.currency), days: parts.arrival })),
    '',
  ].join('\n');
}
