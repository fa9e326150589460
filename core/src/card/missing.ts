/** What the checks will ask of a card and it does not say. */
import type { Card } from './card.ts';
import { figuresOf } from './places.ts';
import { ASSUMED } from './evidence.ts';

export interface Missing {
  readonly title: string;
  /** What cannot be proved without it. */
  readonly without: string;
}

export function missingOf(card: Card): Missing[] {
  const out: Missing[] = [];
  const say = (title: string, without: string) => out.push({ title, without });
  for (const s of card.supplies) {
    if (!s.absoluteMax)
      say(`${s.id}, absolute maximum`, 'a feed above the range cannot be told from one that destroys');
    if (!s.current.idle) say(`${s.id}, idle current`, 'the average current is counted as if it were always active');
  }
  for (const s of card.signals) {
    const drives = s.kind === 'push-pull' || s.kind === 'bidirectional';
    const listens = s.kind === 'input' || s.kind === 'open-drain' || s.kind === 'bidirectional';
    if (drives && !s.outputHigh) say(`${s.id}, output high level`, 'whether its high is read cannot be proved');
    if ((drives || s.kind === 'open-drain') && !s.outputLow)
      say(`${s.id}, output low level`, 'whether its low is read cannot be proved');
    if (listens && !s.inputHigh) say(`${s.id}, input high level`, 'whether it reads a high cannot be proved');
    if (listens && !s.inputLow) say(`${s.id}, input low level`, 'whether it reads a low cannot be proved');
    if (s.kind !== 'switch' && s.kind !== 'led' && s.kind !== 'passive' && !s.absoluteMax)
      say(`${s.id}, absolute maximum`, 'whether a level damages it cannot be proved');
    if (s.kind === 'open-drain' && !s.sinkCurrent)
      say(`${s.id}, sink current`, 'the strongest pull-up cannot be worked out');
  }
  for (const p of card.ports) {
    if (p.protocol !== 'i2c') continue;
    if (!p.addresses) say(`${p.id}, address`, 'two parts at one address are not seen');
    if (!p.clock) say(`${p.id}, fastest clock`, 'the bus clock cannot be proved');
    if (!p.reading && card.measures.length > 0)
      say(`${p.id}, bytes of a reading`, 'the time that a round of readings takes is counted without it');
  }
  for (const m of card.measures) {
    if (!m.driftPerYear) say(`${m.quantity}, drift a year`, 'the error is proved for a new part only');
    if (!m.interval && !m.conversion) say(`${m.quantity}, shortest interval`, 'too quick a schedule is not seen');
  }
  for (const { cells } of card.rails ?? [])
    if (cells && !cells.selfDischarge)
      say('what the cells lose in a year on the shelf', 'a runtime of months is told too long');
  if (!card.body?.ambient) say('ambient temperature', 'a place that is too hot or too cold is not seen');
  if (card.offers.length === 0) say('an offer', 'cost and arrival are counted without it');
  return out;
}

/** How many figures rest on what. */
export function trustOf(card: Card): { figures: number; assumed: number } {
  const all = figuresOf(card);
  return { figures: all.length, assumed: all.filter(({ source }) => source && ASSUMED.has(source.kind)).length };
}
