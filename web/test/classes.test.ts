/**
 * What a place says of a part of the kit must not fight with what the part says itself: the later of two classes for
 * one thing wins by the order of the style sheet, not by who said it. The merging that would settle it weighs more than
 * the whole kit, so that it is not done in the browser but shown here to change nothing.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect } from 'chai';
import { extendTailwindMerge } from 'tailwind-merge';
import { button, type ButtonVariants } from '../src/lib/kit/button';
import { field, list, searched } from '../src/lib/kit/field';
import { menu } from '../src/lib/kit/menu';
import { sheet } from '../src/lib/kit/sheet';

const SOURCES = new URL('../src', import.meta.url).pathname;
const merge = extendTailwindMerge({
  extend: {
    classGroups: {
      'font-size': [{ text: ['title', 'group', 'row', 'aside', 'mark'] }],
      shadow: ['shadow-mark'],
      'min-h': ['min-h-row'],
      h: ['h-row'],
    },
  },
});
const fights = (classes: string): string[] => {
  const kept = new Set(merge(classes).split(' '));
  return classes.split(/\s+/).filter((name) => name !== '' && !kept.has(name));
};

const files = readdirSync(SOURCES, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.svelte'));
/** Beginnings of elements, with whatever stands in braces inside them. */
const ELEMENT = /<(Button|Select|Combobox)(?![.\w])((?:[^>{]|\{(?:[^{}]|\{(?:[^{}]|\{[^{}]*\})*\})*\}|(?<==)>)*)>/g;
const valueOf = (attributes: string, name: string): string | undefined =>
  new RegExp(`\\b${name}="([^"{]*)"`).exec(attributes)?.[1];
const uses = files.flatMap((file) =>
  [...readFileSync(join(SOURCES, file), 'utf8').matchAll(ELEMENT)].flatMap(([, element = '', attributes = '']) => {
    const classes = valueOf(attributes, 'class');
    return classes === undefined ? [] : [{ file, element, attributes, classes }];
  }),
);

const KINDS = ['plain', 'bare', 'cell', 'sentence', 'first'] as const;
const TONES = ['act', 'lose', 'hold', 'read'] as const;
const isOneOf = <T extends string>(all: readonly T[], value: string | undefined): value is T =>
  all.some((one) => one === value);

describe('classes of the kit', () => {
  it('finds the fight of two classes for one thing', () => {
    expect(fights('px-2 text-copper px-3 text-aside')).to.deep.equal(['px-2']);
  });

  for (const kind of KINDS)
    it(`a ${kind} button says each thing once`, () => {
      for (const tone of TONES)
        for (const pressed of ['none', 'underlined'] as const)
          for (const gap of ['narrow', 'wide'] as const)
            expect(fights(button({ kind, tone, pressed, gap })), `${tone} ${pressed} ${gap}`).to.deep.equal([]);
    });

  it('sheets, menus and fields say each thing once', () => {
    for (const size of ['plain', 'wide', 'tall'] as const) expect(fights(sheet({ size })), size).to.deep.equal([]);
    for (const classes of [
      menu.content(),
      menu.item({ class: 'text-danger' }),
      menu.line(),
      field(),
      list(),
      searched(),
    ])
      expect(fights(classes)).to.deep.equal([]);
  });

  it('no place fights with a button, a select or a combobox', () => {
    expect(uses.filter(({ element }) => element === 'Button').length).to.be.greaterThan(20);
    const found = uses.flatMap(({ file, element, attributes, classes }) => {
      const [kind, tone] = [valueOf(attributes, 'kind'), valueOf(attributes, 'tone')];
      const variants: ButtonVariants = {
        ...(isOneOf(KINDS, kind) && { kind }),
        ...(isOneOf(TONES, tone) && { tone }),
      };
      const whole = element === 'Button' ? button({ ...variants, class: classes }) : `${field()} ${classes}`;
      return fights(whole).map((name) => `${file}: ${element} ${name}`);
    });
    expect(found).to.deep.equal([]);
  });
});
