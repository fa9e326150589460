import { toInterval } from '../card/to-interval.ts';
import type { Card } from '../card/card.ts';
import type { Cells } from '../card/power.ts';
import type { Circuit, PartNode, Rail } from '../circuit/model.ts';
import { airAt } from '../physics/heat.ts';
import { CHARGE_ENDS, CHARGE_SHARE, PANEL_SHARE, USUAL_CHARGE, WORST_SUN } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity } from '../quantity/message.ts';
import { divide, multiply, noted } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyChargingSays {
  readonly cells: { part: Text; label: Text };
  readonly chargesIntoBehindWhich: { part: Text; rail: Text };
  readonly meaning: null;
  readonly chargesMostStandsGets: { part: Text; label: Text; amps: Quantity; most: Quantity };
  readonly holds: { part: Text; label: Text; amps: Quantity; most: Quantity };
  readonly cellChargedTooFast: null;
  readonly charges: null;
  readonly mayBe: null;
  readonly fromCardCells: null;
  readonly halfCapacityHourUsual: null;
  readonly frozen: { air: Quantity; part: Text; label: Text };
  readonly onlyWhileNotFrozen: null;
  readonly above: { air: Quantity };
  readonly chargesWhile: { part: Text; label: Text; feelsCold: Text };
  readonly belowFreezingLithiumSettles: null;
  readonly buildTakesWhileCharges: { load: Quantity; part: Text; ends: Quantity };
  readonly takesLittle: { load: Quantity; part: Text; ends: Quantity };
  readonly chargerThisKindTakes: null;
  readonly broken: { from: Text; given: Quantity; taken: Quantity };
  readonly worstMonthBringsDay: { from: Text; given: Quantity; taken: Quantity };
  readonly panelCarriesBuildSummer: null;
  readonly comesDay: null;
  readonly goesOutDay: null;
}

const tell = tells<SupplyChargingSays>('supply/charging');

const chargeMeta = {
  id: 'supply/charging',
  station: 'power',
  breaks: 'danger',
  scope: 'plan',
  reads: ['charger/current', 'rails/*/cells/charge'],
} as const satisfies CheckMeta;
const sunMeta = {
  id: 'supply/solar',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: ['rails/*/panel/power'],
} as const satisfies CheckMeta;

type Charger = NonNullable<Card['charger']>;
const A = (x: number) => quantityOf(x, 'A', 3);

/** The cells that a charger charges. */
function cellsOf(circuit: Circuit, part: PartNode, charger: Charger): Rail | undefined {
  const into = circuit.rails.get(circuit.feeds.get(keyOf(part.id, charger.into))?.rail ?? '');
  return into && circuit.rails.get(into.root);
}

function judgeCharge(circuit: Circuit, part: PartNode, charger: Charger): Result[] {
  const rail = cellsOf(circuit, part, charger);
  const cells = rail?.offer.cells;
  if (!rail || !circuit.feeds.get(keyOf(part.id, charger.from))?.rail) return [];
  const charging: Charging = {
    circuit,
    part,
    charger,
    rail,
    label: circuit.parts.get(rail.part)?.label ?? rail.part,
    rests: [
      [part.card.id, charger.current.source],
      [circuit.parts.get(rail.part)?.card.id ?? '', cells?.charge?.source],
    ],
  };
  if (!cells || cells.chemistry === 'primary') return [notToBeCharged(charging, cells)];
  return [howFast(charging, cells), howCold(charging, cells), ...(charger.shares ? [] : [inUse(charging)])];
}

/** A charger and what it charges. */
interface Charging {
  readonly circuit: Circuit;
  readonly part: PartNode;
  readonly charger: Charger;
  readonly rail: Rail;
  readonly label: Text;
  readonly rests: readonly (readonly [card: string, source: string | undefined])[];
}

const notToBeCharged = ({ circuit, part, rail, label, rests }: Charging, cells: Cells | undefined): Result =>
  result(circuit, chargeMeta, {
    subjects: [part.id, rail.ref],
    severity: 'danger',
    message: cells
      ? tell('cells', { part: part.label, label })
      : tell('chargesIntoBehindWhich', { part: part.label, rail: rail.label }),
    meaning: tell('meaning'),
    rests,
  });

function howFast({ circuit, part, charger, rail, label, rests }: Charging, cells: Cells): Result {
  const amps = toInterval(charger.current).max;
  const most = cells.charge ? toInterval(cells.charge).min : (toInterval(cells.capacity).min / 3600) * USUAL_CHARGE;
  const data = { part: part.label, label, amps: A(amps), most: A(most) };
  return result(circuit, chargeMeta, {
    subjects: [part.id, rail.ref],
    severity: amps > most ? 'danger' : null,
    measured: amps,
    limit: most,
    unit: 'A',
    margin: most - amps,
    assumed: !cells.charge,
    message: amps > most ? tell('chargesMostStandsGets', data) : tell('holds', data),
    meaning: tell('cellChargedTooFast'),
    workings: [
      { name: tell('charges'), sum: term('ofItsCard'), value: amps, unit: 'A' },
      {
        name: tell('mayBe'),
        sum: cells.charge ? tell('fromCardCells') : tell('halfCapacityHourUsual'),
        value: most,
        unit: 'A',
      },
    ],
    rests,
  });
}

function howCold({ circuit, part, charger, rail, label, rests }: Charging, cells: Cells): Result {
  const air = airAt(circuit, part.id, { from: 20, to: 20 }).from;
  const frozen = cells.chemistry === 'lithium' && air < 0 && !charger.feelsCold;
  const feelsCold = charger.feelsCold ? tell('onlyWhileNotFrozen') : tell('above', { air: quantityOf(air, '°C') });
  return result(circuit, chargeMeta, {
    subjects: [part.id, rail.ref],
    aspect: 'cold',
    severity: frozen ? 'danger' : null,
    measured: air,
    limit: 0,
    unit: '°C',
    margin: air,
    ranked: false,
    message: frozen
      ? tell('frozen', { air: quantityOf(air, '°C'), part: part.label, label })
      : tell('chargesWhile', { part: part.label, label, feelsCold }),
    meaning: tell('belowFreezingLithiumSettles'),
    rests,
  });
}

/** A charger that does not feed the load past the cell cannot tell a full one from one that is drawn on. */
function inUse({ circuit, part, charger, rail, rests }: Charging): Result {
  const out = (part.card.rails ?? []).flatMap(({ id, from }) =>
    from?.supply === charger.into ? (circuit.rails.get(keyOf(part.id, id)) ?? []) : [],
  );
  const load = out.reduce((sum, { typical }) => sum + typical, 0);
  const ends = toInterval(charger.current).max * CHARGE_ENDS;
  const data = { load: A(load), part: part.label, ends: A(ends) };
  return result(circuit, chargeMeta, {
    subjects: [part.id, rail.ref],
    aspect: 'in use',
    severity: load > ends ? 'caution' : null,
    measured: load,
    limit: ends,
    unit: 'A',
    margin: ends - load,
    ranked: false,
    message: load > ends ? tell('buildTakesWhileCharges', data) : tell('takesLittle', data),
    meaning: tell('chargerThisKindTakes'),
    rests,
  });
}

function judgeSun(circuit: Circuit, part: PartNode, charger: Charger): Result[] {
  const cells = cellsOf(circuit, part, charger);
  const from = circuit.rails.get(circuit.feeds.get(keyOf(part.id, charger.from))?.rail ?? '');
  const panel = from && circuit.rails.get(from.root)?.offer.panel;
  if (!panel || !cells?.voltage) return [];
  const hours = circuit.plan.sunHours ?? WORST_SUN;
  const watts = toInterval(panel.power).min;
  const given = watts * hours * 3600 * PANEL_SHARE;
  const taken = (cells.typical * cells.voltage.typ * 24 * 3600) / CHARGE_SHARE;
  const margin = given - taken;
  const J = (x: number) => quantityOf(x / 3600, 'Wh');
  return [
    result(circuit, sunMeta, {
      subjects: [part.id, from.ref],
      aspect: 'sun',
      severity: margin < 0 ? 'fault' : null,
      measured: given / 3600,
      limit: taken / 3600,
      unit: 'Wh',
      margin: margin / 3600,
      assumed: circuit.plan.sunHours === undefined,
      message:
        margin < 0
          ? tell('broken', { from: from.label, given: J(given), taken: J(taken) })
          : tell('worstMonthBringsDay', { from: from.label, given: J(given), taken: J(taken) }),
      meaning: tell('panelCarriesBuildSummer'),
      workings: [
        {
          name: tell('comesDay'),
          sum: noted(
            multiply(quantityOf(watts, 'W'), quantityOf(hours, 'h'), PANEL_SHARE),
            circuit.plan.sunHours === undefined ? term('assumed') : '',
          ),
          value: given / 3600,
          unit: 'Wh',
        },
        {
          name: tell('goesOutDay'),
          sum: divide(
            multiply(multiply(A(cells.typical), quantityOf(cells.voltage.typ, 'V', 3)), quantityOf(24, 'h')),
            CHARGE_SHARE,
          ),
          value: taken / 3600,
          unit: 'Wh',
        },
      ],
      rests: [[circuit.parts.get(from.part)?.card.id ?? '', panel.source]],
    }),
  ];
}

const eachCharger = (judge: (circuit: Circuit, part: PartNode, charger: Charger) => Result[]) =>
  overParts((circuit, part) => (part.card.charger ? judge(circuit, part, part.card.charger) : []));

export const supplyCharging = { meta: chargeMeta, ...eachCharger(judgeCharge) } satisfies Check;
export const supplySolar = { meta: sunMeta, ...eachCharger(judgeSun) } satisfies Check;
