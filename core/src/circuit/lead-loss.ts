/** What is lost on the way from a rail to a supply: in leads, contacts, cables, guards, and in a pin that is the ground. */
import { keyOf } from '../plan/ref.ts';
import { quantityOf, tells, type Quantity, type Sum } from '../quantity/message.ts';
import { highest } from '../quantity/steps.ts';
import { add, multiply, noted } from '../quantity/sum.ts';
import { JUMPER_GAUGE, JUMPER_LENGTH } from '../standard/common-practice.ts';
import { gaugeResistance } from '../standard/wire-gauge.ts';
import { contactOhms } from './contacts.ts';
import type { Flow } from './flow.ts';
import type { CableRun } from './model.ts';
import type { Topology } from './topology.ts';
import { fewOfOwner, slots } from '../quantity/memo.ts';

/** What is said here, by the data that it takes. */
export interface LeadLossSays {
  readonly nothingBoard: null;
  readonly nothingFiguresHoldPlug: null;
  readonly ofCable: { drop: Sum; length: Quantity };
  readonly contacts: null;
  readonly diode: null;
  readonly pinGround: null;
}
const tell = tells<LeadLossSays>('circuit/lead-loss');

const AMPS = (value: number) => quantityOf(value, 'A');
const VOLTS = (value: number) => quantityOf(value, 'V');

/** On the way to one supply. */
export interface LeadLoss {
  /** V */
  readonly drop: number;
  readonly sum: Sum;
  /** A */
  readonly peak: number;
  /** m, and American gauge. */
  readonly length: number;
  readonly gauge: number;
  /** How far the ground of the part is lifted, V. */
  readonly lift: number;
}

/**
 * @param surge what flows at the most
 * @param lifts how far the ground of a part is lifted, V
 * @returns by "part.supply"
 */
export function leadLosses(
  { tree, plan, cables, guards }: Topology,
  surge: Flow,
  lifts: ReadonlyMap<string, number>,
): Map<string, LeadLoss> {
  const lost = new Map<string, LeadLoss>();
  for (const fed of tree.feeds) {
    const { key, part, rail, by } = fed;
    if (rail === null) continue;
    const peak = highest(surge.supply(fed));
    const gauge = part.choice?.gauge ?? JUMPER_GAUGE;
    if (by === 'inside') lost.set(key, onBoard(gauge));
    else if (by === 'cable') lost.set(key, inCable(peak, gauge, cables.get(part.id)));
    else {
      const guard = guards.find((g) => g.drop > 0 && keyOf(g.part, g.supply) === key && g.rail === rail);
      const contacts = contactOhms(plan, gauge);
      const length = part.choice?.lead ?? JUMPER_LENGTH;
      lost.set(key, inLeads(slotOf(key), [peak, length, gauge, contacts, guard?.drop ?? 0, lifts.get(part.id) ?? 0]));
    }
  }
  return lost;
}

const onBoard = (gauge: number): LeadLoss => ({
  drop: 0,
  sum: tell('nothingBoard'),
  peak: 0,
  length: 0,
  gauge,
  lift: 0,
});

function inCable(peak: number, gauge: number, cable: CableRun | undefined): LeadLoss {
  const [ohms, length] = [cable?.ohms ?? 0, cable?.length ?? 0];
  const drop = multiply(AMPS(peak), quantityOf(ohms, 'Ω'));
  return {
    drop: peak * ohms,
    sum: cable?.own ? tell('nothingFiguresHoldPlug') : tell('ofCable', { drop, length: quantityOf(length, 'm') }),
    peak,
    length,
    gauge: cable?.gauge ?? gauge,
    lift: 0,
  };
}

const slotOf = slots();

/** What is lost in leads: A, m, gauge, the contacts there and back in Ω, and V at a guard and by a lifted ground. */
type InLeads = readonly [peak: number, length: number, gauge: number, contacts: number, diode: number, lift: number];

const inLeads = fewOfOwner((_slot: object, [peak, length, gauge, touched, diode, lift]: InLeads): LeadLoss => {
  const ohms = gaugeResistance(gauge);
  return {
    drop: peak * (2 * length * ohms + touched) + diode + lift,
    sum: add(
      multiply(AMPS(peak), 2, quantityOf(length, 'm'), quantityOf(ohms, 'Ω/m')),
      ...(touched > 0 ? [noted(multiply(AMPS(peak), quantityOf(touched, 'Ω')), tell('contacts'))] : []),
      ...(diode > 0 ? [noted(VOLTS(diode), tell('diode'))] : []),
      ...(lift > 0 ? [noted(VOLTS(lift), tell('pinGround'))] : []),
    ),
    peak,
    length,
    gauge,
    lift,
  };
});
