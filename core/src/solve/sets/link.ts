/** Whether a part can speak with a controller: from which rail it is fed, and whether a translator has to stand between. */
import type { Card } from '../../card/card.ts';
import type { Signal } from '../../card/card-shape.ts';
import { toInterval } from '../../card/to-interval.ts';
import { levelVolts } from '../../circuit/level.ts';
import type { HouseRules } from '../../plan/house-rules.ts';
import { within, type Interval } from '../../quantity/interval.ts';

/** A rail that parts may be fed from. */
export interface Feedable {
  readonly voltage: Interval;
  /** True for the rail whose levels the controller speaks. */
  readonly logic: boolean;
}

export interface Link {
  /** Voltage that the part is fed with; null when it needs no feed. */
  readonly feed: Interval | null;
  /** Lines that a translator must carry, of the part's own. */
  readonly channels: number;
  /** True when the translated lines are those of the shared I²C bus. */
  readonly bus: boolean;
}

/** @returns null when no rail can feed the part, or no translator can help */
export function linkTo(
  card: Card,
  controller: Card,
  rails: readonly Feedable[],
  rule: HouseRules['feed'],
): Link | null {
  const logic = rails.find((rail) => rail.logic)?.voltage;
  const wished = [...rails].sort((a, b) => rank(a, rule) - rank(b, rule));
  const feeds = card.supplies.map((supply) =>
    wished.filter(({ voltage }) => within(voltage, toInterval(supply.range))),
  );
  if (feeds.some((able) => able.length === 0)) return null;
  const used = new Set(card.ports.flatMap(({ lines }) => Object.values(lines)));
  const signals = card.signals.filter(({ id }) => used.has(id));
  if (!logic) return signals.length === 0 ? { feed: feeds[0]?.[0]?.voltage ?? null, channels: 0, bus: false } : null;
  let best: Link | null = null;
  // A feed on which nothing needs translating is taken before the house rule's wish.
  for (const { voltage } of feeds[0] ?? [{ voltage: logic }]) {
    const hard = signals.map((signal) => speaks(signal, voltage, controller, logic));
    if (hard.includes('never')) continue;
    const translated = signals.filter((_, i) => hard[i] === 'translated');
    const link: Link = {
      feed: card.supplies.length > 0 ? voltage : null,
      channels: translated.length,
      bus: card.ports.some(
        ({ protocol, lines }) =>
          protocol === 'i2c' && Object.values(lines).some((id) => translated.some((s) => s.id === id)),
      ),
    };
    if (!best || link.channels < best.channels) best = link;
  }
  return best;
}

const rank = ({ logic, voltage }: Feedable, rule: HouseRules['feed']): number =>
  (rule === 'logic-rail' ? logic : Math.abs(voltage.typ - 5) < 0.5) ? 0 : 1;

type Way = 'direct' | 'translated' | 'never';

/** Worst cases of both ends, as the checks take them. */
function speaks(signal: Signal, feed: Interval, controller: Card, logic: Interval): Way {
  const io = controller.controller?.io;
  if (!io) return 'never';
  const stands = io.absoluteMax ? levelVolts(io.absoluteMax, 'max', logic.min) : logic.max;
  const reads = io.inputHigh ? levelVolts(io.inputHigh, 'min', logic.max) : null;
  const gives = io.outputHigh ? levelVolts(io.outputHigh, 'min', logic.min) : logic.min;
  const highest = signal.outputHigh?.unit === 'V' ? levelVolts(signal.outputHigh, 'max', feed.max) : feed.max;
  const needs = signal.inputHigh ? levelVolts(signal.inputHigh, 'min', feed.max) : null;
  const bears = signal.absoluteMax ? levelVolts(signal.absoluteMax, 'max', feed.min) : null;
  switch (signal.kind) {
    case 'push-pull':
    case 'bidirectional': {
      const least = signal.outputHigh ? levelVolts(signal.outputHigh, 'min', feed.min) : feed.min;
      if (highest > stands || (reads !== null && least < reads)) return 'translated';
      return signal.kind === 'bidirectional' ? listens() : 'direct';
    }
    case 'input':
      return listens();
    case 'open-drain': {
      const fitted = signal.fittedPullUp;
      const lifts = fitted !== undefined && fitted.removable !== 'jumper' && feed.max > stands;
      return lifts ? 'translated' : listens(logic.min);
    }
    case 'analog-out':
      return highest > stands && signal.outputHigh === undefined ? 'never' : 'direct';
    default:
      return 'direct';
  }

  function listens(given = gives): Way {
    return (needs !== null && given < needs) || (bears !== null && logic.max > bears) ? 'translated' : 'direct';
  }
}
