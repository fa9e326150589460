/** Regulators and sources that might be added: for what no rail of the plan feeds well. */
import { cheapestFirst, piecePrice } from '../../buy/cost.ts';
import { buyingOf } from '../../buy/currency.ts';
import type { Card } from '../../card/card.ts';
import type { Library } from '../../card/library.ts';
import { isStanding, isSteady } from '../../card/source.ts';
import { toInterval } from '../../card/to-interval.ts';
import { takesLeads } from '../../circuit/cable.ts';
import { contactOhms } from '../../circuit/contacts.ts';
import { drawOf } from '../../circuit/draw.ts';
import type { Circuit } from '../../circuit/model.ts';
import { newPart } from '../../plan/edits.ts';
import type { PartChoice } from '../../plan/plan.ts';
import { keyOf } from '../../plan/ref.ts';
import { type Interval, within } from '../../quantity/interval.ts';
import { highest } from '../../quantity/steps.ts';
import { JUMPER_GAUGE, JUMPER_LENGTH } from '../../standard/common-practice.ts';
import { gaugeResistance } from '../../standard/wire-gauge.ts';

/** A regulator or source that is not there yet. */
export interface Extra {
  readonly part: PartChoice;
  /** "part.rail" of what it offers. */
  readonly rail: string;
  readonly cents: number;
}

/** Kinds of regulators and of sources that are tried. */
const MAX_REGULATORS = 4;
const MAX_SOURCES = 3;
/** Room for resistors and lights that are no part of their own, A. */
const PULL_UPS = 0.03;

/** What a supply of a part asks for. */
export interface Asked {
  readonly range: Interval;
  /** A at its most. */
  readonly amps: number;
  /** V lost in its leads at that. */
  readonly drop: number;
}

/** Supplies of the parts of a plan that make no rails themselves. */
export function loadsOf(circuit: Circuit): Asked[] {
  return [...circuit.parts.values()]
    .filter(({ card, helper }) => !helper && !isStanding(card))
    .flatMap(({ card, choice }) =>
      card.supplies.map((supply): Asked => {
        const amps = highest(drawOf(supply.current).surge);
        const gauge = choice?.gauge ?? JUMPER_GAUGE;
        const ohms = gaugeResistance(gauge) * 2 * (choice?.lead ?? JUMPER_LENGTH) + contactOhms(circuit.plan, gauge);
        return { range: toInterval(supply.range), amps, drop: amps * ohms };
      }),
    );
}

/** Whether a voltage feeds a supply at the end of its leads. */
const feeds = (volts: Interval, { range, drop }: Asked): boolean => within({ ...volts, min: volts.min - drop }, range);

/** Rails that differ by no more than this share are of one voltage. */
const ALIKE = 0.06;

/** Supplies that none of the rails feeds well with what it has left, if all that could hang on it does. */
function wanting(circuit: Circuit, asked: readonly Asked[], among: (volts: Interval) => boolean): Asked[] {
  const rails = [...circuit.rails.values()].filter(
    (rail) =>
      rail.switches.length === 0 &&
      !rail.pin &&
      rail.voltage !== null &&
      among(rail.voltage) &&
      takesLeads(circuit, rail),
  );
  const suffices = (one: Asked) =>
    rails.some(({ voltage, offer, peak }) => {
      if (!voltage || !feeds(voltage, one)) return false;
      const all = asked.filter((other) => feeds(voltage, other)).reduce((sum, { amps }) => sum + amps, 0);
      return all + PULL_UPS <= toInterval(offer.limit).min * circuit.plan.rules.derating - peak;
    });
  return asked.filter((one) => !suffices(one));
}

class Adding {
  readonly found: Extra[] = [];
  private readonly taken = new Set<string>();

  constructor(
    private readonly circuit: Circuit,
    private readonly asked: readonly Asked[],
  ) {}

  /** Whether something of this voltage and strength would help where no rail of about this voltage does, and is not there yet. */
  wants(volts: Interval, limit: number): boolean {
    if (this.taken.has(`${volts.typ.toFixed(1)} ${limit}`)) return false;
    const alike = ({ typ }: Interval) => Math.abs(typ - volts.typ) <= ALIKE * volts.typ;
    return wanting(this.circuit, this.asked, alike).some((one) => feeds(volts, one));
  }

  add(card: Card, name: string, label: string, fed: Record<string, string>): void {
    const [offer] = card.rails ?? [];
    if (!offer?.voltage) return;
    const { plan } = this.circuit;
    const parts = [...plan.parts, ...this.found.map(({ part }) => part)];
    const part = newPart({ ...plan, parts }, card, name, label, fed);
    this.taken.add(`${toInterval(offer.voltage).typ.toFixed(1)} ${toInterval(offer.limit).min}`);
    this.found.push({
      part,
      rail: keyOf(part.id, offer.id),
      cents: Math.round(piecePrice(card, buyingOf(plan)) * 100),
    });
  }
}

/** For each output voltage the cheapest regulator and input that suit; and wall adapters for what nothing feeds. */
export function extraSupplies(circuit: Circuit, library: Library, asked: readonly Asked[]): Extra[] {
  const adding = new Adding(circuit, asked);
  const cards = cheapestFirst([...library.values()], buyingOf(circuit.plan));
  for (const card of cards) {
    const [offer] = card.rails ?? [];
    const [supply] = card.supplies;
    if (card.kind !== 'regulator' || !offer?.voltage || !supply || card.supplies.length > 1) continue;
    if (adding.found.length >= MAX_REGULATORS) break;
    if (!adding.wants(toInterval(offer.voltage), toInterval(offer.limit).min)) continue;
    const input = [...circuit.rails.values()].find(
      (rail) =>
        rail.voltage &&
        !rail.pin &&
        rail.switches.length === 0 &&
        takesLeads(circuit, rail) &&
        within(rail.voltage, toInterval(supply.range)),
    );
    if (input) adding.add(card, 'regulator', card.name, { [supply.id]: input.ref });
  }
  const regulators = adding.found.length;
  const short = wanting(circuit, asked, () => true);
  for (const card of cards) {
    const [offer] = card.rails ?? [];
    if (!isSteady(card) || card.outlet || offer?.cells || !offer?.voltage) continue;
    if (adding.found.length - regulators >= MAX_SOURCES) break;
    const volts = toInterval(offer.voltage);
    if (short.some((one) => feeds(volts, one)) && adding.wants(volts, toInterval(offer.limit).min))
      adding.add(card, 'adapter', card.name, {});
  }
  return adding.found;
}
