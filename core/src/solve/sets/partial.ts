/** A set that is decided up to some need. Never changed: each further choice makes a new one. */
import type { Offer } from '../../card/card-shape.ts';
import { asksTwice, judgeFor, type SetFigures } from './evaluate.ts';
import { plenty } from './plenty.ts';
import { goodsOf } from './goods.ts';
import type { Option, SetProblem } from './problem.ts';
import { busesFor } from './resources.ts';

interface Held {
  readonly option: Option;
  readonly place: string;
  readonly needs: readonly number[];
}

/** What a state carries. Helpers (translators, drivers) and shipping are added by `figures`. */
interface Carried {
  readonly choice: readonly number[];
  readonly parts: readonly Held[];
  readonly pieces: ReadonlyMap<Offer, number>;
  /** Shipping of each supplier that is used. */
  readonly shipping: ReadonlyMap<string, number>;
  readonly goods: number;
  readonly error: number;
  readonly current: number;
  readonly rows: number;
  readonly arrival: number;
  readonly buses: number;
  readonly coils: number;
  /** Translated lines besides those of the bus. */
  readonly lines: number;
  readonly translatedBus: boolean;
}

export class Partial {
  private whole: SetFigures | null = null;

  private constructor(
    readonly problem: SetProblem,
    readonly is: Carried,
  ) {}

  static start(problem: SetProblem): Partial {
    const offer = problem.controllerOffer;
    return new Partial(problem, {
      choice: [],
      parts: [],
      pieces: new Map([[offer, 1]]),
      shipping: new Map([[offer.supplier, offer.shipping]]),
      goods: goodsOf(offer, 1, problem.sure),
      error: 0,
      current: 0,
      rows: 0,
      arrival: offer.leadDays,
      buses: 0,
      coils: 0,
      lines: 0,
      translatedBus: false,
    });
  }

  /** The next need decided; null where one part would be bought twice over. */
  with(n: number, o: number): Partial | null {
    const { problem, is } = this;
    const need = problem.needs[n];
    const option = need?.options[o];
    if (!need || !option) return null;
    const choice = [...is.choice, o];
    const error = Math.max(is.error, option.error);
    const at = is.parts.findIndex(
      (p) => p.place === need.place && p.option.card === option.card && !asksTwice(problem, p.needs, n),
    );
    const host = is.parts[at];
    if (host) {
      if (host.option.offer !== option.offer) return null;
      const parts = is.parts.map((p, i) => (i === at ? { ...p, needs: [...p.needs, n] } : p));
      return new Partial(problem, { ...is, choice, parts, error });
    }
    const parts = [...is.parts, { option, place: need.place, needs: [n] }];
    const { offer, demand, link } = option;
    const count = is.pieces.get(offer) ?? 0;
    return new Partial(problem, {
      choice,
      parts,
      pieces: new Map(is.pieces).set(offer, count + 1),
      shipping: new Map(is.shipping).set(
        offer.supplier,
        Math.max(is.shipping.get(offer.supplier) ?? 0, offer.shipping),
      ),
      goods: is.goods + goodsOf(offer, count + 1, problem.sure) - goodsOf(offer, count, problem.sure),
      error,
      current: is.current + option.current,
      rows: is.rows + option.rows,
      arrival: Math.max(is.arrival, offer.leadDays),
      buses: demand.addresses.length === 0 ? is.buses : busesFor(parts.flatMap((p) => p.option.demand.addresses)),
      coils: is.coils + demand.coils,
      lines: is.lines + (link.bus ? 0 : link.channels),
      translatedBus: is.translatedBus || link.bus,
    });
  }

  /** With the helpers and the shipping that the set would need if it ended here. */
  figures(): SetFigures {
    if (this.whole) return this.whole;
    const { translator, driver, sure } = this.problem;
    const { is } = this;
    const shipping = new Map(is.shipping);
    let { goods, rows, arrival } = is;
    const add = (helper: typeof translator, count: number) => {
      if (!helper || count === 0) return;
      const had = is.pieces.get(helper.offer) ?? 0;
      goods += goodsOf(helper.offer, had + count, sure) - goodsOf(helper.offer, had, sure);
      rows += count * helper.rows;
      arrival = Math.max(arrival, helper.offer.leadDays);
      shipping.set(helper.offer.supplier, Math.max(shipping.get(helper.offer.supplier) ?? 0, helper.offer.shipping));
    };
    add(translator, Math.ceil((is.lines + (is.translatedBus ? 2 : 0)) / (translator?.channels ?? 1)));
    add(driver, is.coils);
    const cost = goods + [...shipping.values()].reduce((sum, s) => sum + s, 0);
    return (this.whole = { cost, error: is.error, current: is.current, rows, arrival });
  }

  fits(): boolean {
    if (plenty(this.problem)) return true;
    return judgeFor(this.problem.controller)(
      this.is.parts.map(({ option }) => option.demand),
      this.is.buses,
    );
  }
}
