/** Measurements with a meter that settle what a sheet of a breakout often leaves open, and what each reading says. Common practice, without a source. */
import { type Quantity, quantityOf, type Message, tells } from '../quantity/message.ts';
import type { Answer } from './answers.ts';
import { type Draft, withConfirmed } from './draft.ts';
import { writeFigure, writeValue } from './figure-text.ts';
import { isRelevant } from './relevant.ts';
import { placesOf, type Tree, valueAt, wordAt } from './tree.ts';

export interface MeasurementSays {
  /** How it is done: between which pins, and what a reading means. */
  readonly pullUp: { supply: string; line: string };
  readonly idle: { supply: string };
  readonly regulator: { supply: string; pin: string };
  /** How a figure was measured, as its source says it. */
  readonly byOhmmeter: { supply: string; line: string };
  readonly byAmmeter: { supply: string };
  readonly byVoltmeter: { supply: string; pin: string };
  /** What the reading came to. */
  readonly noPullUp: { line: string };
  readonly fittedPullUp: { line: string; value: Quantity };
  readonly noRegulator: { supply: string };
  readonly regulated: { pin: string; value: Quantity };
  readonly idles: { supply: string; value: Quantity };
}
const tell = tells<MeasurementSays>('workshop/measurements');

/** Ω: above this a meter sees what leaks, not what is fitted. */
const NOTHING_FITTED = 400e3;
/** V: what a bench gives a breakout that is asked whether it makes a rail of its own. */
const TEST_FEED = 5;
/** Share of what it is fed below which a rail is one that it makes: a diode or a cable loses less. */
const MADE_BELOW = 0.8;

export interface Measurement {
  readonly id: string;
  readonly unit: 'Ω' | 'A' | 'V';
  readonly how: Message;
  /** Of the source that the reading becomes. */
  readonly by: Message;
  /** The places that it settles. */
  readonly settles: readonly string[];
  /** What a reading says: the answers that follow, and where there is none. */
  readonly take: (reading: number) => {
    readonly answers: ReadonlyMap<string, string | readonly string[][]>;
    readonly none: readonly string[];
    readonly says: Message;
  };
}

const terminals = (tree: Tree, role: string): string[] =>
  placesOf(tree, 'terminals/*').flatMap(({ value }) => (wordAt(value, 'role') === role ? [wordAt(value, 'id')] : []));

const labelOf = (tree: Tree, terminal: string): string =>
  placesOf(tree, 'terminals/*').flatMap(({ value }) =>
    wordAt(value, 'id') === terminal ? [wordAt(value, 'label')] : [],
  )[0] ?? terminal;

const supplyOf = (tree: Tree): { id: string; label: string } | null => {
  const [first] = placesOf(tree, 'supplies/*');
  return first ? { id: wordAt(first.value, 'id'), label: labelOf(tree, wordAt(first.value, 'terminal')) } : null;
};

/** Whether lines of its bus are beyond a translator: they then stand on the supply, whatever is made inside. */
const isTranslated = (tree: Tree): boolean =>
  placesOf(tree, 'ports/*').some(({ value }) => valueAt(value, 'ownTranslator') !== undefined);

/** What pull-ups of its lines go to, as far as is known: a rail of its own, or what feeds it. */
function pulledTo(tree: Tree): { id: string; label: string } | null {
  const [rail] = isTranslated(tree) ? [] : placesOf(tree, 'rails/*');
  return rail ? { id: wordAt(rail.value, 'id'), label: labelOf(tree, wordAt(rail.value, 'terminal')) } : supplyOf(tree);
}

function pullUps(tree: Tree): Measurement[] {
  const supply = pulledTo(tree);
  if (!supply) return [];
  return placesOf(tree, 'signals/*/fittedPullUp/value', true).flatMap(({ place }) => {
    if (!isRelevant(tree, 'signals/*/fittedPullUp/value', place)) return [];
    const [, id = ''] = place.split('/');
    const signal = placesOf(tree, 'signals/*').find((one) => one.place === `signals/${id}`)?.value;
    const line = labelOf(tree, wordAt(signal, 'terminal'));
    const names = { supply: supply.label, line };
    const to = `signals/${id}/fittedPullUp/to`;
    return [
      {
        id: `pull-up ${id}`,
        unit: 'Ω' as const,
        how: tell('pullUp', names),
        by: tell('byOhmmeter', names),
        settles: [place],
        take: (reading) =>
          reading > NOTHING_FITTED
            ? {
                answers: new Map(),
                none: [place, to, `signals/${id}/fittedPullUp/removable`],
                says: tell('noPullUp', { line }),
              }
            : {
                answers: new Map([
                  [place, writeValue(reading, 'Ω')],
                  [to, supply.id],
                ]),
                none: [],
                says: tell('fittedPullUp', { line, value: quantityOf(reading, 'Ω') }),
              },
      },
    ];
  });
}

function idle(tree: Tree): Measurement[] {
  return placesOf(tree, 'supplies/*').map(({ place, value }): Measurement => {
    const supply = labelOf(tree, wordAt(value, 'terminal'));
    const at = `${place}/current/idle`;
    return {
      id: `idle ${wordAt(value, 'id')}`,
      unit: 'A',
      how: tell('idle', { supply }),
      by: tell('byAmmeter', { supply }),
      settles: [at],
      take: (reading) => ({
        answers: new Map([[at, writeValue(reading, 'A')]]),
        none: [],
        says: tell('idles', { supply, value: quantityOf(reading, 'A') }),
      }),
    };
  });
}

/** Of one supply alone: a board with two says itself what each of them is. */
function regulator(tree: Tree): Measurement[] {
  const supply = supplyOf(tree);
  if (!supply || placesOf(tree, 'supplies/*').length > 1) return [];
  const fed = placesOf(tree, 'supplies/*')[0]?.value;
  const other = terminals(tree, 'supply').find((id) => id !== wordAt(fed, 'terminal'));
  const line = placesOf(tree, 'signals/*').find(({ place }) => isRelevant(tree, 'signals/*/fittedPullUp/value', place));
  const pin = other ?? (line ? wordAt(line.value, 'terminal') : '');
  if (pin === '') return [];
  const names = { supply: supply.label, pin: labelOf(tree, pin) };
  return [
    {
      id: 'regulator',
      unit: 'V',
      how: tell('regulator', names),
      by: tell('byVoltmeter', names),
      settles: ['rails', 'supplies'],
      take: (reading) => {
        if (reading > MADE_BELOW * TEST_FEED || reading <= 0)
          return { answers: new Map(), none: ['rails'], says: tell('noRegulator', { supply: supply.label }) };
        const rail = pin === wordAt(fed, 'terminal') ? 'made' : pin;
        const refer = isTranslated(tree) ? [] : placesOf(tree, 'signals/*').map(({ value }) => value);
        return {
          answers: new Map<string, string | readonly string[][]>([
            ['rails', [[rail, names.pin, pin]]],
            [`rails/${rail}/from/supply`, supply.id],
            [`rails/${rail}/from/by`, 'linear'],
            [`rails/${rail}/voltage`, writeFigure({ typ: reading, unit: 'V' }, ['V'])],
            ...(refer.length > 0
              ? [
                  [
                    'signals',
                    refer.map((one) => [wordAt(one, 'id'), wordAt(one, 'terminal'), wordAt(one, 'kind'), rail]),
                  ] as const,
                ]
              : []),
            ...refer.flatMap((one) =>
              valueAt(one, 'fittedPullUp/value') === undefined
                ? []
                : [[`signals/${wordAt(one, 'id')}/fittedPullUp/to`, rail] as const],
            ),
          ]),
          none: [],
          says: tell('regulated', { pin: names.pin, value: quantityOf(reading, 'V') }),
        };
      },
    },
  ];
}

/** @returns what a meter can settle of what is known so far, the one that settles most first */
export const measurementsFor = (tree: Tree): Measurement[] => [...pullUps(tree), ...regulator(tree), ...idle(tree)];

/** The draft with what a reading says. @param title how it was measured, in words */
export function withReading(draft: Draft, measurement: Measurement, reading: number, title: string): Draft {
  const { answers, none } = measurement.take(reading);
  const source = { kind: 'measured', title } as const;
  const said = [...answers].map(([place, of]): [string, Answer] => [place, { said: of, source }]);
  const settled = new Set(draft.none);
  for (const [place] of said) settled.delete(place);
  for (const place of none) settled.add(place);
  const left = [...draft.answers].filter(([place]) => !none.includes(place));
  return withConfirmed(
    { ...draft, answers: new Map([...left, ...said]), none: settled },
    answers.size > 0 ? [...answers.keys()] : [],
  );
}
