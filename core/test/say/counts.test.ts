/** Whatever is counted agrees with its count: one day, two days. */
import { expect } from 'chai';
import { ENGLISH } from '../../src/say/english/index.ts';
import { counted } from '../../src/say/english/grammar.ts';

/** What sentences count. */
const COUNTED =
  'boards|cards|cells|changes|channels|days|figures|findings|holes|hours|leads|lines|minutes|nodes|parts|pieces|pins|probes|proofs|readings|rows|steps|wires|years';
/** Limits, which are never one, and what there are at least two of. */
const NEVER_ONE = ['problem lines', 'remedy/supply letPartsWorkOne', 'compare/general-lines pins', 'overview pins'];

describe('counts in words', () => {
  it('are one or many', () => {
    expect([counted(1, 'day'), counted(2, 'day'), counted(0, 'day')]).deep.equal(['1 day', '2 days', '0 days']);
    expect(counted('1', 'entry', 'entries')).equal('1 entry');
  });

  it('agree in every sentence whose every figure is one', () => {
    const one: Readonly<Record<string, unknown>> = new Proxy({}, { get: () => 1 });
    const topics: readonly [string, { readonly says: Readonly<Record<string, unknown>> }][] = Object.entries(ENGLISH);
    let said = 0;
    const wrong = topics.flatMap(([topic, { says }]) =>
      Object.entries(says).flatMap(([id, words]) => {
        if (typeof words !== 'function') return [];
        let text: unknown;
        try {
          text = words(one);
        } catch {
          // It wants a list.
          return [];
        }
        said += 1;
        const found = new RegExp(`(^|[^\\d.,\\w])1 (${COUNTED})\\b`).exec(String(text));
        return found && !NEVER_ONE.includes(`${topic} ${id}`) ? [`${topic} ${id}: ${String(text)}`] : [];
      }),
    );
    expect(said).at.least(900);
    expect(wrong).deep.equal([]);
  });
});
