/** The application as a maker handles it. */
import { readFile } from 'node:fs/promises';
import { expect, type Download, type Locator, type Page } from '@playwright/test';

export const STATIONS = [
  'overview',
  'need',
  'compare',
  'control',
  'levels',
  'bus',
  'pins',
  'power',
  'wiring',
  'parts',
  'bring-up',
] as const;

export class Bench {
  constructor(readonly page: Page) {}

  get verdict(): Locator {
    return this.page.locator('.verdict');
  }

  /** Opens the app at a plan of the shelf and waits for its verdict. */
  async open(station = 'need', plan = 'cupboard-first-draft'): Promise<void> {
    await this.page.goto(`/#${station}&plan=${plan}`);
    await this.settled();
    await this.page.locator('.station .row, .station table, .station p, .overview svg').first().waitFor();
    // The boards are laid out beside the rest.
    if (station === 'wiring') await this.page.locator('.map svg[role="group"]').waitFor();
  }

  /** Waits until the last change has its verdict. */
  async settled(): Promise<void> {
    await expect(
      this.page.locator('[data-verdict="open"], [data-verdict="unread"], [data-verdict="verified"]'),
    ).toBeVisible();
  }

  /** Waits until everything is proved; hazards may still be unread. */
  async proved(timeout = 60_000): Promise<void> {
    await expect(this.page.locator('[data-verdict="unread"], [data-verdict="verified"]')).toBeVisible({ timeout });
  }

  /** Reads what can kill or burn and ticks it, as nobody builds without: then the plan is called verified. */
  async verified(timeout = 60_000): Promise<void> {
    await this.proved(timeout);
    if ((await this.verdict.getAttribute('data-verdict')) === 'unread') {
      await this.verdict.click();
      // Wiring has them, too, behind the sheet.
      const sheet = this.page.getByRole('dialog');
      const ticks = sheet.getByRole('checkbox', { name: /^I have read/, checked: false });
      for (let left = await ticks.count(); left > 0; left--) {
        // Ticked, it is no longer among them.
        await ticks.first().click();
        await expect(ticks).toHaveCount(left - 1);
      }
      await this.page.keyboard.press('Escape');
    }
    await expect(this.page.locator('[data-verdict="verified"]')).toBeVisible({ timeout });
  }

  /** Moves a slider by its keys. */
  async slide(name: string | RegExp, to: number): Promise<void> {
    const thumb = this.page.getByRole('slider', { name });
    await thumb.focus();
    const now = async () => Number(await thumb.getAttribute('aria-valuenow'));
    for (let at = await now(), before = NaN; at !== before; before = at, at = await now()) {
      if (Math.abs(at - to) < 1e-9) return;
      await this.page.keyboard.press(at < to ? 'ArrowRight' : 'ArrowLeft');
    }
    throw new Error(`the slider ${String(name)} stops at ${await now()}`);
  }

  async go(key: string): Promise<void> {
    await this.page.locator('nav[aria-label="stations"] button', { hasText: key }).click();
    // Some stations come in a piece of their own.
    await this.page.locator(`.station[aria-label="${key}"]`).waitFor();
  }

  /** The list of all findings, over the page. */
  async list(): Promise<Locator> {
    const list = this.page.getByRole('dialog', { name: 'findings' });
    if (!(await list.isVisible())) await this.page.locator('[data-counts]').click();
    await list.waitFor();
    return list;
  }

  /** Whether a finding with these words is among all, or how many are. */
  async finds(words: string | RegExp, count?: number): Promise<void> {
    await this.settled();
    const lines = (await this.list()).locator('[data-finding]', { hasText: words });
    if (count === undefined) await expect(lines.first()).toBeVisible();
    else await expect(lines).toHaveCount(count);
    await this.page.keyboard.press('Escape');
    // What is about to close is no list to look at.
    await expect(this.page.getByRole('dialog', { name: 'findings' })).toBeHidden();
  }

  /** Opens a finding at its row by words of its sentence. */
  async take(words: string | RegExp): Promise<void> {
    await (await this.list()).locator('[data-finding]', { hasText: words }).first().click();
    await this.page.locator('[data-detail]').waitFor();
  }

  /** Applies the remedy whose title has these words. */
  async remedy(words: string | RegExp): Promise<void> {
    await this.page.locator('[data-remedy]', { hasText: words }).first().click();
    await this.settled();
  }

  row(words: string | RegExp): Locator {
    return this.page.locator('.row', { hasText: words });
  }

  async fingerprint(): Promise<string> {
    await this.verdict.click();
    const text = await this.page.locator('[data-fingerprint]').textContent();
    await this.page.keyboard.press('Escape');
    return text ?? '';
  }

  async menu(item: string): Promise<void> {
    await this.page.locator('.plan-name').click();
    await this.page.getByRole('menuitem', { name: item, exact: true }).click();
  }

  /** Takes everything that completes the plan at one stroke, and waits for it to be verified. */
  async mended(): Promise<void> {
    await this.page.getByRole('button', { name: 'Mend all' }).click();
    const take = this.page.getByRole('button', { name: /^Take (?:all \d+ changes|the change)/ });
    await expect(take).toBeEnabled({ timeout: 90_000 });
    await take.click();
    await this.settled();
    await this.verified();
  }

  /** Adds a part of the catalogue by words of its name. */
  async addPart(name: string): Promise<void> {
    await this.page.getByRole('button', { name: 'Add a part' }).click();
    await this.page.getByRole('combobox', { name: 'catalogue' }).fill(name);
    await this.page
      .getByRole('option', { name: new RegExp(name) })
      .first()
      .click();
    await this.settled();
  }

  async importFile(name: string, text: string): Promise<void> {
    await this.page
      .getByLabel('plan file to import')
      .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
  }

  /** Imports a good file and waits until its plan is the open one. */
  async openFile(name: string, text: string): Promise<void> {
    await this.importFile(`${name}.json`, text);
    await expect(this.page.locator('.plan-name')).toContainText(name);
    await this.settled();
  }

  async exported(): Promise<string> {
    const [download] = await Promise.all([this.page.waitForEvent('download'), this.menu('Export this plan')]);
    return textOf(download);
  }
}

/** Gives the plan another name: a change that is seen wherever the plan is. */
export async function rename(page: Page, name: string): Promise<void> {
  await new Bench(page).menu('Name and my rules');
  const field = page.getByRole('dialog').getByLabel('name of the plan');
  await field.fill(name);
  await field.press('Enter');
  await page.keyboard.press('Escape');
}
export const nameOf = (page: Page): Locator => page.locator('.plan-name');

/** Waits until everything that is shown is in the store. */
export const saved = (page: Page): Promise<void> =>
  expect(page.locator('.saved[data-unsaved="0"]')).toContainText('saved');

export const textOf = async (download: Download): Promise<string> => readFile(await download.path(), 'utf8');

/** From the first draft to verified, by the remedies that are offered. */
export async function settleDraft(bench: Bench): Promise<void> {
  await bench.take(/without a resistor/);
  await bench.remedy('in series with status light');
  await bench.take(/fan has no diode/);
  await bench.remedy('Flap rectifier diode');
  await bench.take(/Scale DT can lift/);
  await bench.remedy('Feed scale from the 3.3 V of controller');
  await bench.take(/pull-up on display lifts I²C SDA/);
  await bench.remedy('translator between the controller and display');
  await bench.take(/P0 must be high/);
  await bench.remedy('Move door contact');
  await bench.take(/3.3 V of controller has to give/);
  await bench.remedy('fed from the 5 V of 5 V regulator');
  await bench.take(/both answer at 0x44/);
  await bench.remedy('Sedge H2 humidity module as bottom shelf sensor');
  await bench.take(/3 pull-ups on one-wire/);
  await bench.remedy('One pull-up of 4.7 kΩ');
  await bench.take(/top shelf sensor is about .* warmer than the air/);
  await bench.remedy('on a lead of 30 cm, away from controller');
}

/** Chooses in a list that opens: by its value, by its words, or by its place. */
export async function choose(
  field: Locator,
  what: string | RegExp | { label: string } | { index: number },
  timeout = 30_000,
): Promise<void> {
  const page = field.page();
  await field.click({ timeout });
  const lines = page.getByRole('listbox').getByRole('option');
  if (what instanceof RegExp) await lines.filter({ hasText: what }).first().click({ timeout });
  else if (typeof what === 'string')
    await page.locator(`[role="listbox"] [role="option"][data-value=${JSON.stringify(what)}]`).click({ timeout });
  else if ('label' in what) await lines.filter({ has: page.getByText(what.label, { exact: true }) }).click({ timeout });
  else await lines.nth(what.index).click({ timeout });
  await expect(page.getByRole('listbox')).toBeHidden();
}

/** The verified cupboard at its bring-up sheet. */
export async function cupboard(page: Page): Promise<Bench> {
  const bench = new Bench(page);
  await bench.open();
  await page.locator('.plan-name').click();
  await page.getByRole('menuitem', { name: /^Cupboard, verified/ }).click();
  await expect(page.locator('[data-verdict="verified"]')).toBeVisible();
  await bench.go('Bring-up');
  await expect(page.getByText(/0 of \d+ as expected/)).toBeVisible({ timeout: 150_000 });
  return bench;
}
