/** The desk as a maker uses it: what is printed, then question after question by Enter. It counts what was done. */
import { expect, type Locator, type Page } from '@playwright/test';
import { choose, type Bench } from './bench';

/** A row of a table, by the words of its columns; or an answer as it is typed. */
type Row = Readonly<Record<string, string>>;
export type Said = string | readonly Row[];

export interface Entered {
  readonly name: string;
  readonly cls: string;
  readonly headers?: readonly { readonly kind?: string; readonly text: string; readonly across?: string }[];
  /** By the pattern of the question, "supplies/*\/range", or by its place. */
  readonly answers: Readonly<Record<string, Said>>;
}

/** No list of questions is longer. */
const MOST = 200;

const isList = async (field: Locator) => (await field.getAttribute('role')) === 'combobox';

export class DeskUser {
  /** Questions that were answered, proposals that were confirmed, and everything pressed, typed or chosen. */
  answers = 0;
  confirmed = 0;
  actions = 0;

  constructor(
    readonly page: Page,
    readonly bench: Bench,
  ) {}

  get sheet(): Locator {
    return this.page.getByRole('dialog');
  }

  async begin(cls: string): Promise<void> {
    await this.bench.menu('Catalogue of cards');
    await this.page.getByRole('button', { name: 'Enter a part' }).click();
    await this.page.locator(`[data-class="${cls}"]`).click();
    this.actions += 4;
  }

  async printed(headers: NonNullable<Entered['headers']>): Promise<void> {
    const names = ['first', 'second', 'third', 'fourth'];
    for (const [i, { kind, text, across }] of headers.entries()) {
      if (i > 0) {
        await this.page.getByRole('button', { name: 'one more header' }).click();
        this.actions++;
      }
      if (kind !== undefined) {
        await choose(this.page.getByLabel(`kind of the ${names[i]} header`), kind);
        this.actions++;
      }
      await this.page.getByLabel(`printed along the ${names[i]} header`).fill(text);
      this.actions++;
      this.answers++;
      if (across !== undefined) {
        await this.page.getByLabel(`how far the ${names[i]} header is from the first`).fill(across);
        this.actions++;
      }
    }
    await this.page.getByLabel('printed along the first header').press('Enter');
    this.actions++;
  }

  private focused(): Promise<{ key: string; pattern: string; standing: string } | null> {
    return this.page.evaluate(() => {
      const row = document.activeElement?.closest<HTMLElement>('[data-question]');
      return row
        ? {
            key: row.dataset['question'] ?? '',
            pattern: row.dataset['pattern'] ?? '',
            standing: row.dataset['standing'] ?? '',
          }
        : null;
    });
  }

  private async fillTable(row: Locator, rows: readonly Row[]): Promise<void> {
    const title = (await row.locator('.title').first().textContent())?.trim() ?? '';
    for (const [i, cells] of rows.entries()) {
      const cell = (column: string) => row.getByLabel(`${title}, row ${i + 1}, ${column}`, { exact: true });
      const [first = ''] = Object.keys(cells);
      if ((await cell(first).count()) === 0) {
        await row.locator('[data-add]').press('Enter');
        this.actions++;
      }
      for (const [column, text] of Object.entries(cells)) {
        const field = cell(column);
        if (await isList(field)) {
          await choose(field, text);
          this.actions++;
        } else {
          await field.fill(text);
          await field.press('Tab');
        }
        this.actions++;
      }
    }
  }

  /** Answers the question in hand. @returns false of a table, from which Enter does not go on by itself */
  private async answer(row: Locator, said: Said): Promise<void> {
    this.answers++;
    if (typeof said !== 'string') {
      await this.fillTable(row, said);
      await row.locator('[data-answer]').last().focus();
      await this.page.keyboard.press('Enter');
      this.actions++;
      return;
    }
    const field = row.locator('[data-answer]').first();
    const tag = await field.evaluate((node) => node.tagName);
    if (await isList(field)) {
      await choose(field, said);
      this.actions++;
    } else if (tag === 'SPAN') {
      for (const one of said.split(',')) await field.getByRole('button', { name: one.trim(), exact: true }).click();
      this.actions++;
      await this.page.evaluate(() => undefined);
      return;
    } else await field.fill(said);
    await field.press('Enter');
    this.actions += 2;
  }

  /** From the question in hand through all that are asked: answers what is known, goes on where it is not. */
  async through(answers: Entered['answers']): Promise<void> {
    const seen = new Set<string>();
    const left = new Set(Object.keys(answers));
    for (let n = 0; n < MOST; n++) {
      const at = await this.focused();
      if (!at || seen.has(at.key)) break;
      const row = this.page.locator(`[data-question="${at.key.replaceAll('"', '\\"')}"]`);
      const place = at.key.split('|').find((one) => one in answers) ?? at.pattern;
      const said = answers[place];
      if (said !== undefined && left.has(place)) {
        // A pattern with a star is asked of each thing that there is.
        if (!place.includes('*')) left.delete(place);
        seen.add(at.key);
        await this.answer(row, said);
      } else {
        seen.add(at.key);
        if (at.standing === 'proposed') this.confirmed++;
        await this.page.keyboard.press('Enter');
        this.actions++;
        // A row that was begun and is blank goes away again by Enter.
        if ((await this.focused())?.key === at.key) {
          await this.page.keyboard.press('Enter');
          this.actions++;
        }
      }
    }
  }

  /** Something that is not asked of the class, found among everything that a card can say. */
  async more(pattern: string, said: Said): Promise<void> {
    await this.page.getByLabel('everything a card can say').check();
    const row = this.page.locator(`[data-pattern="${pattern}"]`).first();
    await row.locator('[data-answer], [data-add]').first().focus();
    await this.answer(row, said);
    await this.page.getByLabel('everything a card can say').uncheck();
    this.actions += 2;
  }

  /** Types another answer over the one that stands. */
  async mend(pattern: string, said: string): Promise<void> {
    const row = this.page.locator(`[data-pattern="${pattern}"]`).first();
    await row.locator('[data-answer]').first().focus();
    await this.answer(row, said);
  }

  /** A reading of the meter, at the question that it settles. */
  async measure(pattern: string, reading: string): Promise<void> {
    const row = this.page.locator(`[data-pattern="${pattern}"]`).first();
    await row.locator('[data-answer], [data-add]').first().focus();
    const field = this.page.locator('.right .meter input').first();
    await field.fill(reading);
    await field.press('Enter');
    this.answers++;
    this.actions += 3;
  }

  async keep(name: string): Promise<void> {
    const button = this.page.getByRole('button', { name: 'Into the drawer' });
    await expect(button, (await this.page.locator('[data-lacks]').allTextContents()).join(' ')).toBeEnabled();
    await button.click();
    this.actions++;
    await expect(this.page.getByRole('heading', { name, exact: true })).toBeVisible();
  }

  /** From nothing to the card in the drawer. */
  async enter({ name, cls, headers = [], answers }: Entered): Promise<void> {
    await this.begin(cls);
    if (headers.length > 0) await this.printed(headers);
    else await this.page.locator('[data-question] [data-answer]').first().focus();
    await this.through({ name, ...answers });
    await this.keep(name);
  }
}
