import { expect } from 'chai';
import { readCatalogue } from '@idle-breadboard/catalogue';
import type { Card } from '../../src/card/card.ts';
import { missingOf } from '../../src/card/missing.ts';
import { differences, figuresOf } from '../../src/card/places.ts';
import { placeFigure } from '../../src/card/with-figure.ts';
import { say } from '../../src/say/say.ts';

const library = readCatalogue();
const template = library.get('humid-strap') as Card;

describe('figures of a card', () => {
  it('differ between two versions by name', () => {
    const placed = placeFigure(template, 'supplies/vcc/range', { min: 3, max: 5.5 }, { unit: 'V' }, 'bench');
    const next = placed && {
      ...placed,
      sources: { ...placed.sources, bench: { kind: 'measured', title: 'bench' } as const },
    };
    expect(
      next &&
        differences(template, next).map(({ title, before, after }) => [
          say(title),
          before?.min,
          after?.min,
          after?.source?.kind,
        ]),
    ).to.deep.equal([['vcc supply', 2.4, 3, 'measured']]);
    expect(differences(template, template)).to.deep.equal([]);
  });
  it('that checks ask for and a card does not state are missing', () => {
    const bare = { ...template, supplies: template.supplies.map(({ absoluteMax: _, ...s }) => s) };
    expect(missingOf(bare).map(({ title }) => say(title))).to.include('vcc supply, absolute maximum');
    expect(missingOf(template).map(({ title }) => say(title))).to.not.include('vcc supply, absolute maximum');
  });
});

describe('the figures of a card', () => {
  type Numbers = { min?: number; typ?: number; max?: number; unit: string };
  const numbers = ({ min, typ, max, unit }: Numbers) => JSON.stringify([min, typ, max, unit]);
  const isFigure = (node: object): node is Numbers =>
    'unit' in node && 'source' in node && ['min', 'typ', 'max'].some((bound) => bound in node);
  const all = (node: unknown): Numbers[] =>
    node === null || typeof node !== 'object' ? [] : isFigure(node) ? [node] : Object.values(node).flatMap(all);
  it('are all listed, whatever room of the card they are in', () => {
    for (const card of library.values()) {
      const listed = figuresOf(card).map((f) => numbers(f as Numbers));
      for (const figure of all(card)) {
        const at = listed.indexOf(numbers(figure));
        expect(at, `${card.id}: ${numbers(figure)}`).to.be.at.least(0);
        listed.splice(at, 1);
      }
    }
  });
});
