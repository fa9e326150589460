import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import type { Circuit, PartNode, Rail } from '../circuit/circuit.ts';
import { airAt } from '../physics/heat.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { CHARGE_ENDS, CHARGE_SHARE, PANEL_SHARE, USUAL_CHARGE, WORST_SUN } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const chargeMeta: CheckMeta = {
  id: 'supply/charging',
  title: 'Cells are charged as they may be',
  station: 'power',
  rule: 'A charger charges rechargeable cells only, with no more than their card allows, never lithium below 0 °C, and the load beside it stays under the tenth of its current at which it ends.',
  source: 'the cards; half the capacity an hour, no charging below freezing and the end at a tenth are common practice',
  breaks: 'danger',
};
const sunMeta: CheckMeta = {
  id: 'supply/solar',
  title: 'The panel carries the worst month',
  station: 'power',
  rule: 'Power in full sun × hours of it a day in the worst month × 0.7 is at least what the build takes a day ÷ 0.85.',
  source: 'energy balance; hours where none are said, 0.7 and 0.85 are common practice',
  breaks: 'fault',
};

type Charger = NonNullable<Card['charger']>;
const A = (x: number) => formatQuantity(x, 'A', 3);

/** The cells that a charger charges. */
function cellsOf(circuit: Circuit, part: PartNode, charger: Charger): Rail | undefined {
  const into = circuit.rails.get(circuit.feeds.get(`${part.id}.${charger.into}`)?.rail ?? '');
  return into && circuit.rails.get(into.root);
}

function judgeCharge(circuit: Circuit, part: PartNode, charger: Charger): Result[] {
  const rail = cellsOf(circuit, part, charger);
  const cells = rail?.offer.cells;
  if (!rail || !circuit.feeds.get(`${part.id}.${charger.from}`)?.rail) return [];
  const label = circuit.parts.get(rail.part)?.label ?? rail.part;
  const amps = toInterval(charger.current).max;
  const rests = [
    [part.card.id, charger.current.source],
    [circuit.parts.get(rail.part)?.card.id ?? '', cells?.charge?.source],
  ] as const;
  if (!cells || cells.chemistry === 'primary')
    return [
      result(circuit, chargeMeta, {
        subjects: [part.id, rail.ref],
        severity: 'danger',
        message: cells
          ? `${part.label} charges ${label}, which is of primary cells. Charged, they burst.`
          : `${part.label} charges into ${rail.label}, behind which there is no cell: its voltage is pushed up.`,
        meaning: 'Only what says that it is rechargeable is charged.',
        rests,
      }),
    ];
  const most = cells.charge ? toInterval(cells.charge).min : (toInterval(cells.capacity).min / 3600) * USUAL_CHARGE;
  const air = airAt(circuit, part.id, { from: 20, to: 20 }).from;
  const frozen = cells.chemistry === 'lithium' && air < 0 && !charger.feelsCold;
  const out = (part.card.rails ?? []).flatMap(({ id, from }) =>
    from?.supply === charger.into ? (circuit.rails.get(`${part.id}.${id}`) ?? []) : [],
  );
  const load = out.reduce((sum, { typical }) => sum + typical, 0);
  const ends = amps * CHARGE_ENDS;
  return [
    result(circuit, chargeMeta, {
      subjects: [part.id, rail.ref],
      severity: amps > most ? 'danger' : null,
      measured: amps,
      limit: most,
      unit: 'A',
      margin: most - amps,
      assumed: !cells.charge,
      message:
        amps > most
          ? `${part.label} charges ${label} with ${A(amps)}; ${A(most)} is the most it stands. It gets hot and can burn.`
          : `${part.label} charges ${label} with ${A(amps)} of the ${A(most)} that it stands.`,
      meaning: 'A cell that is charged too fast grows needles inside.',
      workings: [
        { name: 'charges with', sum: 'from its card', value: amps, unit: 'A' },
        {
          name: 'may be',
          sum: cells.charge ? 'from the card of the cells' : 'half the capacity an hour, usual',
          value: most,
          unit: 'A',
        },
      ],
      rests,
    }),
    result(circuit, chargeMeta, {
      subjects: [part.id, rail.ref, 'cold'],
      severity: frozen ? 'danger' : null,
      measured: air,
      limit: 0,
      unit: '°C',
      margin: air,
      ranked: false,
      message: frozen
        ? `It gets ${formatQuantity(air, '°C')} cold at ${part.label}, and nothing keeps it from charging ${label} then. Lithium that is charged below freezing shorts itself later: take a charger that feels the cell, or keep both warm.`
        : `${part.label} charges ${label} ${charger.feelsCold ? 'only while it is not frozen' : `at ${formatQuantity(air, '°C')} and above`}.`,
      meaning: 'Below freezing lithium settles on the plate as metal.',
      rests,
    }),
    ...(charger.shares
      ? []
      : [
          result(circuit, chargeMeta, {
            subjects: [part.id, rail.ref, 'in use'],
            severity: load > ends ? 'caution' : null,
            measured: load,
            limit: ends,
            unit: 'A',
            margin: ends - load,
            ranked: false,
            message:
              load > ends
                ? `The build takes ${A(load)} while ${part.label} charges; it ends at ${A(ends)} and never gets there. The cell is kept full for ever and ages: take a charger that shares the load.`
                : `The build takes ${A(load)} while ${part.label} charges, less than the ${A(ends)} at which it ends.`,
            meaning: 'A charger of this kind takes the load for a cell that is not full yet.',
            rests,
          }),
        ]),
  ];
}

function judgeSun(circuit: Circuit, part: PartNode, charger: Charger): Result[] {
  const cells = cellsOf(circuit, part, charger);
  const from = circuit.rails.get(circuit.feeds.get(`${part.id}.${charger.from}`)?.rail ?? '');
  const panel = from && circuit.rails.get(from.root)?.offer.panel;
  if (!panel || !cells?.voltage) return [];
  const hours = circuit.plan.sunHours ?? WORST_SUN;
  const watts = toInterval(panel.power).min;
  const given = watts * hours * 3600 * PANEL_SHARE;
  const taken = (cells.typical * cells.voltage.typ * 24 * 3600) / CHARGE_SHARE;
  const margin = given - taken;
  const J = (x: number) => `${formatQuantity(x / 3600, 'W', 3)}h`;
  return [
    result(circuit, sunMeta, {
      subjects: [part.id, from.ref, 'sun'],
      severity: margin < 0 ? 'fault' : null,
      measured: given / 3600,
      limit: taken / 3600,
      unit: 'Wh',
      margin: margin / 3600,
      assumed: circuit.plan.sunHours === undefined,
      message:
        margin < 0
          ? `In the worst month ${from.label} brings ${J(given)} a day; the build takes ${J(taken)}. The cells run down day by day.`
          : `In the worst month ${from.label} brings ${J(given)} a day; the build takes ${J(taken)}.`,
      meaning: 'A panel that carries a build in summer gives a tenth of it in December.',
      workings: [
        {
          name: 'comes in a day',
          sum: `${formatQuantity(watts, 'W')} × ${hours} h${circuit.plan.sunHours === undefined ? ' (assumed)' : ''} × ${PANEL_SHARE}`,
          value: given / 3600,
          unit: 'Wh',
        },
        {
          name: 'goes out a day',
          sum: `${A(cells.typical)} × ${formatQuantity(cells.voltage.typ, 'V', 3)} × 24 h ÷ ${CHARGE_SHARE}`,
          value: taken / 3600,
          unit: 'Wh',
        },
      ],
      rests: [[circuit.parts.get(from.part)?.card.id ?? '', panel.source]],
    }),
  ];
}

const eachCharger =
  (judge: (circuit: Circuit, part: PartNode, charger: Charger) => Result[]): Check['run'] =>
  (circuit) =>
    [...circuit.parts.values()].flatMap((part) => (part.card.charger ? judge(circuit, part, part.card.charger) : []));

export const supplyCharging: Check = { meta: chargeMeta, run: eachCharger(judgeCharge) };
export const supplySolar: Check = { meta: sunMeta, run: eachCharger(judgeSun) };
