/** Figures of a sheet at the desk: where they go, why they wait, and that a card comes of them. */
import { expect } from 'chai';
import { FIGURE_OF_SLOT, figureKind } from '../../src/card/figures.ts';
import { CLASS_IDS, type ClassId } from '../../src/card/part-class.ts';
import type { Accepted } from '../../src/card/reader/proposal.ts';
import { SLOT_IDS } from '../../src/card/reader/slots.ts';
import { say } from '../../src/say/say.ts';
import { classOf } from '../../src/workshop/classes.ts';
import { beginDraft, cardFrom, type Draft, withNone, withPrint, withSaid } from '../../src/workshop/draft.ts';
import { whyWaiting, withSheet } from '../../src/workshop/from-sheet.ts';
import type { SheetFigure } from '../../src/workshop/lay-figure.ts';

const SHEET = { kind: 'datasheet', title: 'Tarn H1 sheet', page: 3 } as const;
const MEMORY = { kind: 'memory', title: 'entered by hand' } as const;
const box = { x0: 0, y0: 0, x1: 1, y1: 1 };
const humidity = { quantity: 'air humidity', unit: '%RH' };

const figure = (slot: Accepted['slot'], rest: Partial<Accepted>): SheetFigure => ({
  figure: { id: slot, slot, unit: 'V', conditions: '', name: slot, said: '', page: 3, box, ...rest },
  source: SHEET,
  at: [],
});
const pin = (typ: number, label: string) => figure('terminal', { typ, label, unit: 'position', id: label });
const PINS = [pin(3, 'SCL'), pin(1, 'VDD'), pin(2, 'GND'), pin(4, 'SDA')];
/** What no card can be without. */
const POWER = [
  figure('supply.active', { max: 0.001, unit: 'A' }),
  figure('supply.range', { min: 2.2, typ: 3.3, max: 3.6 }),
];
const named = (cls: ClassId, name = 'Tarn H1'): Draft => {
  const draft = beginDraft(cls);
  return { ...draft, answers: new Map([...draft.answers, ['name', { said: name }]]) };
};
const laid = (figures: readonly SheetFigure[], cls: ClassId = 'bus-sensor') => withSheet(named(cls), figures);
const said = (draft: Draft, place: string) => draft.answers.get(place)?.said;
const card = (draft: Draft) => {
  const built = cardFrom(draft, 'tarn', 1, MEMORY, 'what such parts have');
  if (!built.ok) throw new Error(JSON.stringify([built.problems, built.missing]));
  return built.card;
};

describe('a part from what was read of its sheet', () => {
  it('is printed as its table of pins says, in the order of the positions', () => {
    expect(laid(PINS).draft.headers[0]?.text).to.equal('VDD GND SCL SDA');
  });

  it('keeps what was typed as print, and says so of the pins', () => {
    const typed = withPrint(named('bus-sensor'), { headers: [{ kind: 'male', text: 'VIN GND SCL SDA' }] });
    const { draft, figures } = withSheet(typed, PINS);
    expect(draft.headers[0]?.text).to.equal('VIN GND SCL SDA');
    expect(figures.map((one) => say(whyWaiting(draft, one)))).to.include('what is printed was typed already');
  });

  it('has figures with their pages at the questions that ask for them', () => {
    const { draft } = laid([
      ...PINS,
      ...POWER,
      figure('logic.inputHigh', { min: 0.7, unit: 'share' }),
      figure('logic.inputLow', { max: 0.3, unit: 'share', conditions: 'VDD (all)' }),
      figure('logic.absoluteMax', { max: 0.3, unit: 'offset' }),
      figure('port.clock', { max: 1e6, unit: 'Hz' }),
      figure('port.address', { typ: 0x44, unit: 'address', label: 'ADDR low' }),
      figure('port.address', { typ: 0x45, unit: 'address', label: 'ADDR high' }),
      figure('body.size', { size: [0.02, 0.015] }),
    ]);
    const made = card(draft);
    expect(made.supplies[0]?.range).to.deep.include({ min: 2.2, typ: 3.3, max: 3.6 });
    expect(made.sources[made.supplies[0]?.range.source ?? '']).to.deep.equal(SHEET);
    for (const signal of made.signals) {
      expect(signal.inputHigh).to.deep.include({ min: 0.7, unit: 'share' });
      expect(signal.inputLow).to.deep.include({ max: 0.3, unit: 'share', conditions: 'VDD (all)' });
      expect(signal.absoluteMax).to.deep.include({ max: 0.3, unit: 'offset' });
    }
    expect(made.ports[0]?.clock).to.deep.include({ max: 1e6 });
    expect(made.ports[0]?.addresses?.map(({ value, setting }) => [value, setting])).to.deep.equal([
      [0x44, 'ADDR low'],
      [0x45, 'ADDR high'],
    ]);
    expect(made.body?.size).to.include({ length: 0.02, width: 0.015 });
  });

  it('holds levels back until the print says which lines there are', () => {
    const begun = laid([figure('logic.inputHigh', { min: 1.5 }), ...POWER]);
    expect(begun.figures.map(({ at }) => at.length)).to.deep.equal([0, 0, 0]);
    expect(begun.figures.map((one) => say(whyWaiting(begun.draft, one)))).to.deep.equal([
      'no line of this kind yet: it follows from what is printed',
      'no supply yet: it follows from what is printed',
      'no supply yet: it follows from what is printed',
    ]);
    // Letter by letter, as it is typed: what was laid on "V" is not lost when it becomes "VDD".
    let now = begun;
    for (const text of ['V', 'VD', 'VDD', 'VDD G', 'VDD GND', 'VDD GND SCL', 'VDD GND SCL SDA'])
      now = withSheet(withPrint(now.draft, { headers: [{ kind: 'male', text }] }), now.figures);
    const made = card(now.draft);
    expect(made.supplies.map(({ id, range }) => [id, range.min])).to.deep.equal([['vdd', 2.2]]);
    expect(made.signals.map(({ inputHigh }) => inputHigh?.min)).to.deep.equal([1.5, 1.5]);
  });

  it('measures what has a range and an accuracy, and waits with a range alone', () => {
    const range = figure('measure.range', { quantity: humidity, unit: '%RH', min: 0, max: 100 });
    const alone = laid([...PINS, range]);
    expect(said(alone.draft, 'measures')).to.equal(undefined);
    const waiting = alone.figures.find(({ figure: { slot } }) => slot === 'measure.range');
    expect(waiting && say(whyWaiting(alone.draft, waiting))).to.equal('no accuracy of air humidity was taken');
    const { draft, figures } = laid([
      ...PINS,
      ...POWER,
      figure('measure.accuracy', { quantity: humidity, unit: '%RH', max: 1.8, over: { from: 20, to: 80 } }),
      figure('measure.accuracy', { quantity: humidity, unit: '%RH', max: 3.5 }),
      range,
      figure('measure.conversion', { unit: 's', max: 0.0083 }),
    ]);
    expect(figures.filter(({ at }) => at.length === 0)).to.deep.equal([]);
    const [measure] = card(draft).measures;
    expect(measure?.range).to.include({ from: 0, to: 100 });
    expect(measure?.accuracy.map(({ from, to, error }) => [from, to, error])).to.deep.equal([
      [20, 80, 1.8],
      [0, 100, 3.5],
    ]);
    expect(measure?.conversion).to.include({ max: 0.0083 });
  });

  it('keeps an accuracy that grows with the reading as steps at their worst end', () => {
    const { draft } = laid([
      ...PINS,
      ...POWER,
      figure('measure.accuracy', {
        quantity: humidity,
        unit: '%RH',
        typ: 1,
        ofReading: 0.02,
        over: { from: 0, to: 80 },
      }),
      figure('measure.range', { quantity: humidity, unit: '%RH', min: 0, max: 80 }),
    ]);
    const errors = card(draft).measures[0]?.accuracy.map(({ error }) => Number(error.toFixed(4)));
    expect(errors).to.deep.equal([1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.4, 2.6]);
  });

  it('joins two halves of a figure, and says where two figures claim one place', () => {
    const halves = laid([...PINS, figure('supply.range', { min: 2.4 }), figure('supply.range', { max: 5.5 })]);
    expect(said(halves.draft, 'supplies/vdd/range')).to.equal('2.4 to 5.5 V');
    const twice = laid([
      ...PINS,
      figure('supply.active', { max: 0.001, unit: 'A' }),
      figure('supply.active', { max: 0.003, unit: 'A' }),
    ]);
    const waiting = twice.figures.filter(({ at }) => at.length === 0);
    expect(waiting.map((one) => say(whyWaiting(twice.draft, one)))).to.deep.equal([
      'another figure of the sheet stands there: ≤ 1 mA',
    ]);
  });

  it('leaves alone what the maker changed or took away', () => {
    const { draft, figures } = laid([...PINS, figure('supply.range', { min: 2.4, max: 5.5 })]);
    const places = ['supplies/vdd/range'];
    const changed = withSaid(draft, { places }, { said: '3 to 5 V', source: MEMORY });
    expect(said(withSheet(changed, figures).draft, 'supplies/vdd/range')).to.equal('3 to 5 V');
    const question = { places, pattern: 'supplies/*/range', how: { units: ['V'] }, asks: [], assumed: null } as const;
    const none = withNone(draft, question, true);
    expect(said(withSheet(none, figures).draft, 'supplies/vdd/range')).to.equal(undefined);
  });

  it('does not bring back a quantity that the maker took away', () => {
    const begun = laid([
      ...PINS,
      figure('measure.accuracy', { quantity: humidity, unit: '%RH', max: 2, over: { from: 0, to: 100 } }),
      figure('measure.range', { quantity: humidity, unit: '%RH', min: 0, max: 100 }),
    ]);
    expect(said(begun.draft, 'measures')).to.deep.equal([['air humidity', '%RH']]);
    let now = { ...begun, draft: withSaid(begun.draft, { places: ['measures'] }, { said: [], source: MEMORY }) };
    for (let edits = 0; edits < 3; edits++) now = withSheet(now.draft, now.figures);
    expect(said(now.draft, 'measures')).to.deep.equal([]);
  });

  it('says of nothing that such parts lack it while only the print is missing', () => {
    for (const cls of CLASS_IDS)
      for (const slot of SLOT_IDS) {
        const row = FIGURE_OF_SLOT.get(slot);
        if (!row || !classOf(cls).asks.includes(row.id)) continue;
        const waits = figure(slot, { typ: 1, unit: figureKind(row.id).units[0] ?? '1' });
        const { draft, figures } = laid([waits], cls);
        const why = figures.filter(({ at }) => at.length === 0).map((one) => whyWaiting(draft, one).id);
        expect(why, `${cls} ${slot}`).not.to.include('noPlace');
      }
  });

  it('says the levels of a controller once, for all of its pins', () => {
    const { draft } = laid([figure('logic.inputHigh', { min: 0.75, unit: 'share' })], 'controller');
    expect(said(draft, 'controller/io/inputHigh')).to.equal('≥ 0.75 × supply');
  });

  it('lays the figures of one kind of part on that kind alone, and says so of the others', () => {
    const contact = figure('contact.directCurrent', { max: 10, unit: 'A' });
    expect(said(laid([contact], 'relay').draft, 'contact/direct/current')).to.equal('≤ 10 A');
    const { draft, figures } = laid([...PINS, ...POWER, contact]);
    const waiting = figures.filter(({ at }) => at.length === 0);
    expect(waiting.map((one) => say(whyWaiting(draft, one)))).to.deep.equal(['such parts have no such figure']);
    expect(card(draft).kind).to.equal('module');
  });

  it('takes the stretch of an analog output for its two ends', () => {
    const analog = figure('logic.analog', { min: 0.1, max: 3 });
    const { draft } = laid(
      [figure('measure.accuracy', { quantity: humidity, unit: '%RH', max: 3, over: { from: 0, to: 100 } }), analog],
      'analog-sensor',
    );
    expect(said(draft, 'measures/air humidity/analog/low')).to.equal('100 mV');
    expect(said(draft, 'measures/air humidity/analog/high')).to.equal('3 V');
  });

  it('gives a fitted pull-up to the supply, to be confirmed', () => {
    const { draft } = laid([...PINS, figure('logic.pullUp', { typ: 10_000, unit: 'Ω' })]);
    expect(said(draft, 'signals/sda/fittedPullUp/value')).to.equal('10 kΩ');
    expect(draft.answers.get('signals/sda/fittedPullUp/to')).to.deep.equal({ said: 'vdd' });
  });
});
