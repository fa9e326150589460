import { say } from '../../src/say/say.ts';
import { expect } from 'chai';
import { readCatalogue } from '@idle-breadboard/catalogue';
import type { Accepted } from '../../src/card/accepted.ts';
import { cloneTemplate, enterFigures } from '../../src/card/enter.ts';
import { missingOf, trustOf } from '../../src/card/missing.ts';
import { differences, figuresOf } from '../../src/card/places.ts';
import { placeFigure } from '../../src/card/with-figure.ts';
import { Card } from '../../src/card/card.ts';

const library = readCatalogue();
const template = library.get('humid-strap') as Card;
const base = cloneTemplate(template, 'mine', 'my part');
const box = { x0: 0, y0: 0, x1: 1, y1: 1 };
const figure = (slot: Accepted['slot'], rest: Partial<Accepted>): Accepted => ({
  id: slot,
  slot,
  unit: 'V',
  conditions: '',
  name: slot,
  said: '',
  page: 3,
  box,
  ...rest,
});
const humidity = { quantity: 'air humidity', unit: '%RH' };
const sheet = (page: number) => ({ kind: 'datasheet' as const, title: 'a sheet', page });
const enter = (...figures: Accepted[]) => enterFigures(base, figures, sheet);

describe('a card from accepted figures', () => {
  it('begins on trust in everything, without offers, under its own name', () => {
    expect(base).to.include({ id: 'mine', name: 'my part', revision: 1 });
    expect(trustOf(base).assumed).to.equal(trustOf(base).figures);
    expect(base.offers).to.deep.equal([]);
  });
  it('takes a figure to its place, citing the page, and stays a valid card', () => {
    const { card, left } = enter(
      figure('supply.range', { min: 2.7, max: 3.6 }),
      figure('logic.inputHigh', { min: 0.65, unit: 'share' }),
    );
    expect(left).to.deep.equal([]);
    expect(card.supplies[0]?.range).to.deep.include({ min: 2.7, max: 3.6, source: 'page-3' });
    expect(card.sources['page-3']).to.deep.equal(sheet(3));
    expect(card.signals.map(({ inputHigh }) => inputHigh?.min)).to.deep.equal([0.65, 0.65]);
    expect(Card.safeParse(card).success).to.equal(true);
    const { figures, assumed } = trustOf(card);
    expect(figures - assumed).to.equal(3);
  });
  it('lets the first stated accuracy end the template’s, and adds the others', () => {
    const { card } = enter(
      figure('measure.accuracy', { quantity: humidity, unit: '%RH', typ: 1.8, max: 2.5, over: { from: 20, to: 80 } }),
      figure('measure.accuracy', { quantity: humidity, unit: '%RH', max: 4, over: { from: 0, to: 100 } }),
    );
    expect(card.measures[0]?.accuracy.map(({ from, to, error }) => [from, to, error])).to.deep.equal([
      [20, 80, 2.5],
      [0, 100, 4],
    ]);
  });
  it('keeps an accuracy that grows with the reading as steps at their worst end', () => {
    const { card } = enter(
      figure('measure.accuracy', {
        quantity: humidity,
        unit: '%RH',
        typ: 1,
        ofReading: 0.02,
        over: { from: 0, to: 80 },
      }),
    );
    const bands = card.measures[0]?.accuracy ?? [];
    expect(bands.map(({ error }) => Number(error.toFixed(4)))).to.deep.equal([1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.4, 2.6]);
  });
  it('makes a new measure only when range and accuracy were both taken', () => {
    const dioxide = { quantity: 'carbon dioxide', unit: 'ppm' };
    const range = figure('measure.range', { quantity: dioxide, unit: 'ppm', min: 400, max: 2000 });
    expect(enter(range).left.map(({ why }) => say(why))).to.deep.equal(['no accuracy of carbon dioxide was taken']);
    const { card, left } = enter(figure('measure.accuracy', { quantity: dioxide, unit: 'ppm', max: 50 }), range);
    expect(left).to.deep.equal([]);
    expect(card.measures.at(-1)).to.deep.include({
      quantity: 'carbon dioxide',
      accuracy: [{ from: 400, to: 2000, error: 50, source: 'page-3' }],
    });
  });
  it('takes addresses in place of the template’s, with their settings', () => {
    const { card } = enter(figure('port.address', { typ: 0x38, unit: 'address', label: 'fixed' }));
    expect(card.ports[0]?.addresses).to.deep.equal([{ value: 0x38, setting: 'fixed', source: 'page-3' }]);
  });
  it('finds the template’s terminals by label, by role and by what they are alike to', () => {
    const pin = (typ: number, label: string, conditions = '') =>
      figure('terminal', { typ, label, conditions, unit: 'position', id: label });
    const { card } = enter(
      pin(4, 'DAT'),
      pin(1, 'V+', 'supply'),
      pin(2, 'GND'),
      pin(3, 'CLK'),
      pin(5, 'INT', 'interrupt output'),
    );
    const at = (id: string) => card.terminals.find((t) => t.id === id);
    expect([at('sda')?.label, at('scl')?.label, at('gnd')?.position, at('int')?.role]).to.deep.equal([
      'DAT',
      'CLK',
      2,
      'signal',
    ]);
    expect(at('vcc')).to.include({ label: 'V+', position: 1 });
  });
  it('says what has no place, and why', () =>
    expect(enter(figure('rail.voltage', { typ: 3.3 })).left.map(({ why }) => say(why))).to.deep.equal([
      'the card offers no rail',
    ]));
});

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
