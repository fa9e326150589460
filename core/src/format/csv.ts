import { say } from '../say/say.ts';
import { FORMULA_START } from './spreadsheet.ts';
import Papa from 'papaparse';
import type { PartsList } from '../deliver/parts-list.ts';
import type { WiringPlan } from '../deliver/wiring.ts';

/** Cells that a spreadsheet would take for a formula are led by an apostrophe. */
const write = (rows: readonly Record<string, string | number>[]): string =>
  `${Papa.unparse([...rows], { escapeFormulae: FORMULA_START, newline: '\r\n' })}\r\n`;

const money = (value: number): string => value.toFixed(2);

export function partsCsv(list: PartsList): string {
  return write(
    list.lines.map((line) => ({
      part: line.name,
      class: line.class,
      needed: line.needed,
      drawer: line.inDrawer,
      buy: line.toBuy,
      spares: line.spares,
      packs: line.packs,
      pack: line.offer?.pack ?? '',
      supplier: line.offer?.supplier ?? '',
      price: line.offer ? money(line.offer.price) : '',
      total: money(line.total),
      currency: list.currency,
      days: line.offer?.leadDays ?? '',
      for: say(line.uses),
    })),
  );
}

export function wiringCsv(wiring: WiringPlan): string {
  return write(
    wiring.steps.flatMap((step, i) =>
      step.leads.map((lead) => ({
        step: i + 1,
        title: say(step.title),
        number: lead.number,
        from: say(lead.fromSays),
        to: say(lead.toSays),
        kind: lead.kind,
        colour: lead.colour,
        ends: lead.kind === 'lead' ? lead.ends.join('–') : '',
        metres: lead.kind === 'lead' ? Number(lead.length.toFixed(3)) : '',
        value: say(lead.value),
        leads: lead.kit.map(({ card, pieces }) => `${pieces} × ${card}`).join(' + '),
      })),
    ),
  );
}
