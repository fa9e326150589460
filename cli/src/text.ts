/** What the commands say to a person. */
import { isBlocking } from '@idle-breadboard/core/verify';
import type { PartsList, WiringPlan } from '@idle-breadboard/core/deliver';
import { formatMoney, formatQuantity, formatSigned } from '@idle-breadboard/core/figures';
import { leadSays, type Report } from '@idle-breadboard/core/files';
import type { OverviewLine } from '@idle-breadboard/core/overview';
import { problemCount, type Problem } from '@idle-breadboard/core/plan';
import type { Completion } from '@idle-breadboard/core/solve';
import { counted, say, sayProblems, sayUnread } from '@idle-breadboard/core/words';

const lines = (...all: (string | readonly string[])[]): string => `${all.flat().join('\n')}\n`;

export const problemsText = (problems: readonly Problem[]): string =>
  lines(
    `refused: ${counted(problemCount(problems), 'problem')}`,
    sayProblems(problems).map(({ path, message }) => `  ${path || 'file'}: ${message}`),
  );

export function verdictText(report: Report): string {
  const findings = report.findings.flatMap((f) => [
    `${f.severity.toUpperCase().padEnd(8)}${f.check}`,
    `  ${f.message}`,
    ...f.workings.map(
      (step) =>
        `    ${step.name}: ${step.sum}${step.value === undefined ? '' : ` = ${formatQuantity(step.value, step.unit ?? '', 4)}`}`,
    ),
    ...(f.margin === null || f.unit === '' ? [] : [`    margin ${formatSigned(f.margin, f.unit)}`]),
    ...f.remedies.map(({ title }) => `  remedy: ${title}`),
    '',
  ]);
  const grave = report.findings.filter(isBlocking).length;
  const trust = report.passes.filter(({ evidence }) => evidence === 'class-typical' || evidence === 'memory').length;
  const verdict =
    report.status === 'verified'
      ? `verified: ${report.passes.length} proofs, ${trust} rest on assumed figures`
      : report.status === 'unread'
        ? `proved, and ${sayUnread(report.unread.length)}`
        : `open: ${grave} to settle`;
  return lines(
    findings,
    report.unread.map((says) => `! ${says}`),
    `${verdict}; fingerprint ${report.fingerprint ?? ''}`,
  );
}

export function wiringText(wiring: WiringPlan): string {
  const steps = wiring.steps.flatMap((step, i) => [
    `${i + 1}. ${say(step.title)}`,
    ...step.put.map(({ label, says }) => `   [ ] ${say(label)}: ${says ? say(says) : 'beside the boards'}`),
    ...step.leads.map((lead) => `   [ ] ${say(lead.fromSays)}  →  ${say(lead.toSays)}  (${leadSays(lead)})`),
    ...step.checks.map(({ says }) => `   check: ${say(says)}`),
    '',
  ]);
  return lines(
    wiring.cautions.map(({ hazard, labels, says }) => `! ${hazard}, ${say(labels)}: ${says}`),
    '',
    steps,
  );
}

/** Columns side by side; what no line says has none. */
export function drawingText(table: readonly OverviewLine[]): string {
  const heads = ['row', 'pins', 'place', 'part', 'address', 'feed', 'margin', 'found'] as const;
  const used = heads.filter((head) => table.some((line) => line[head] !== ''));
  const widths = used.map((head) => Math.max(head.length, ...table.map((line) => line[head].length)));
  const set = (cells: readonly string[]) =>
    cells
      .map((cell, i) => cell.padEnd(widths[i] ?? 0))
      .join('  ')
      .trimEnd();
  return lines(
    set(used),
    table.map((line) => set(used.map((head) => line[head]))),
  );
}

export function partsText(list: PartsList): string {
  const rows = list.lines.map((l) => {
    const from = l.unsold
      ? 'nobody offers it'
      : l.toBuy === 0
        ? 'from the drawer'
        : l.offer
          ? `${l.packs} × pack of ${l.offer.pack}, ${l.offer.supplier}, ${l.total.toFixed(2)}`
          : 'nobody offers it';
    return `${String(l.needed).padStart(3)}  ${l.name}  (${say(l.uses)})  ${from}`;
  });
  const leads = list.leads.map(
    ({ count, colour, ends, length }) => `${String(count).padStart(3)}  ${colour} ${ends}, ${length} m`,
  );
  return lines(
    rows,
    '',
    'leads',
    leads,
    '',
    `${formatMoney(list.total, list.currency)} with shipping, here in ${list.arrival} days`,
  );
}

export const checksText = (metas: readonly { id: string; title: string; source: string }[]): string =>
  lines(metas.map(({ id, title, source }) => `${id.padEnd(24)}${title}  [${source}]`));

export function completionText({ verdict, changes, why, left, cost, pieces }: Completion): string {
  if (why.length > 0)
    return lines(
      'nothing changed',
      why.flatMap(({ sentence, relaxations }) => [
        `  ${say(sentence)}`,
        ...relaxations.map(({ label }) => `    ${say(label)}`),
      ]),
    );
  return lines(
    `${verdict.status}: ${counted(changes.length, 'change')}, ${pieces} pieces more, ${cost.toFixed(2)} dearer`,
    changes.map(({ title }) => `  ${say(title)}`),
    left.map(({ message }) => `  left: ${say(message)}`),
  );
}
