/** From plug to signed off with the self-test: compiled, on a simulated build, behind a stand-in for the serial interface. */
import { type ChildProcessWithoutNullStreams, spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { expect, type Page, test } from '@playwright/test';
import { VirtualBuild } from '../../core/src/bench/virtual-build.ts';
import { bringUpSheet } from '../../core/src/deliver/bring-up.ts';
import { fingerprint } from '../../core/src/plan/fingerprint.ts';
import { Bench as ProgramBench, compiled } from '../../core/test/support/bench-program.ts';
import { benchOf, theFault } from '../../core/test/support/bench-case.ts';
import { demo } from '../../core/test/support/demo.ts';
import { say } from '../../core/src/say/say.ts';
import { Bench } from './bench';
import { plugSerial } from './serial';

const NAME = 'cupboard-verified';

/** A board on the desk: its program runs, and what comes over the wire goes both ways. */
class Board {
  private readonly plan = benchOf(NAME);
  private readonly program = compiled(this.plan.circuit, fingerprint(demo(NAME)));
  private child: ChildProcessWithoutNullStreams | null = null;
  private incoming = '';
  private say: (text: string) => Promise<void> = () => Promise.resolve();
  /** What the program waits to read. */
  private waiting: (() => void) | null = null;

  constructor(private readonly page: Page) {}

  async plug(): Promise<void> {
    this.say = await plugSerial(this.page, (text) => {
      this.incoming += text;
      this.waiting?.();
    });
  }

  /** Power on: the program starts anew, on a build with these faults. */
  start(faults: ConstructorParameters<typeof VirtualBuild>[1], moved: string | null = null): void {
    this.child?.kill();
    const child = spawn(this.program.path, ['listen']);
    this.child = child;
    const say = (text: string) => {
      // Other prints stand between its lines.
      const noisy = text.replaceAll('\n', '\nuptime 12 s\n');
      void this.say(noisy).catch(() => undefined);
    };
    const bench = new ProgramBench(this.program.job, new VirtualBuild(this.plan, faults), say, undefined, true, moved);
    createInterface({ input: child.stdout }).on('line', (line) => {
      const answer = (text: string) => child.stdin.write(`${text}\n`);
      if (line !== 'i') {
        const told = bench.asked(line);
        if (told !== null) answer(told);
        return;
      }
      const give = () => {
        const [first] = this.incoming;
        if (first === undefined) return;
        this.waiting = null;
        this.incoming = this.incoming.slice(1);
        answer(String(first.charCodeAt(0)));
      };
      this.waiting = give;
      give();
    });
  }

  swapped() {
    return theFault(this.plan, ({ key }) => /^crossed:shelf-top:sda:scl/.test(key));
  }

  unplug(): void {
    this.child?.kill();
    this.program.remove();
  }
}

test('from plug to signed off: a hidden fault is found on the way, a short is held', async ({ page }) => {
  test.setTimeout(240_000);
  const board = new Board(page);
  await board.plug();
  const bench = new Bench(page);
  try {
    await bench.open('bring-up', NAME);
    const selfTest = page.getByRole('group', { name: 'self-test' });
    await expect(selfTest).toBeVisible({ timeout: 60_000 });

    // Before power: a short holds the sheet.
    const short = page.getByRole('textbox', { name: /^No short: 5 V of 5 V regulator to ground: measured/ });
    await short.fill('2');
    await short.press('Enter');
    const stop = page.getByRole('alert', { name: 'stop' });
    await expect(stop).toContainText('Do not connect power');
    await expect(page.getByText('At first power', { exact: false }).or(page.getByText('Readings'))).toHaveCount(0);
    await stop.getByRole('button', { name: 'It is mended' }).click();
    await expect(stop).toHaveCount(0);
    await short.fill('4k7');
    await short.press('Enter');

    // Power: two leads are swapped, and the program is heard.
    board.start([board.swapped()]);
    await selfTest.getByRole('button', { name: 'Listen to it' }).click();
    await expect(page.getByText(/\d+ readings by the program, \d+ outside/)).toBeVisible({ timeout: 60_000 });
    const points = page.getByRole('region', { name: 'what the readings point to' });
    await expect(points).toContainText('SDA of top shelf sensor and SCL of top shelf sensor are swapped', {
      timeout: 90_000,
    });

    // Mended, and heard again: everything that it reads is as expected.
    await points
      .getByRole('button', { name: /^mended: .*swapped/ })
      .first()
      .click();
    board.start([]);
    await selfTest.getByRole('button', { name: 'Run it again' }).click();
    await expect(page.getByText(/\d+ readings by the program, all as expected/)).toBeVisible({ timeout: 60_000 });
    await expect(points).toContainText('All as expected so far', { timeout: 60_000 });
    await page.getByRole('button', { name: 'Sign off' }).click();
    await expect(page.getByText(/signed off: \d+ of \d+ as expected, 0 outside/).first()).toBeVisible();
  } finally {
    board.unplug();
  }
});

test('after the checks before power and the rails a program leaves no other voltage to the meter', async ({ page }) => {
  test.setTimeout(180_000);
  const bench = new Bench(page);
  await bench.open('bring-up', NAME);
  const simulated = page.getByRole('group', { name: 'simulated bench' });
  await simulated.getByRole('button', { name: 'Put the build on it' }).click();
  await page.getByRole('button', { name: 'Run it on the simulated bench' }).click();
  await expect(page.getByText(/\d+ readings by the program, all as expected/)).toBeVisible({ timeout: 60_000 });
  // Parts would answer on a wrong rail as well: nothing is said before leads and rails were measured.
  const seen = page.locator('[data-seen]');
  await expect(seen).toHaveCount(0);
  await simulated.getByRole('button', { name: 'Read power off' }).click();
  await expect(page.getByText(/^\d+ of \d+ measured/).first()).toBeVisible({ timeout: 60_000 });
  const rails = bringUpSheet(benchOf(NAME)).rows.filter(
    ({ phase, kind, standard, subjects: [rail = ''] }) =>
      phase === 'power' && kind === 'volts' && standard && rail.startsWith('rail:'),
  );
  expect(rails.length).toBeGreaterThan(1);
  for (const { title, expected } of rails) {
    await expect(seen).toHaveCount(0);
    if (typeof expected === 'string') throw new Error('a rail without bounds');
    const box = page.getByRole('textbox', { name: `${say(title)}: measured` });
    await box.fill((((expected.min ?? 0) + (expected.max ?? 0)) / 2).toFixed(3));
    await box.press('Enter');
  }
  await expect(seen.filter({ hasText: 'top shelf sensor answers' }).first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/\d+ of \d+ as expected, \d+ seen otherwise/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Sign off' }).click();
  await expect(page.getByText(/\d+ as expected, \d+ seen otherwise and not measured, 0 outside/).first()).toBeVisible();
});

test('the program watches what is pressed and drives what is to light, once it is told to', async ({ page }) => {
  test.setTimeout(180_000);
  const board = new Board(page);
  await board.plug();
  const bench = new Bench(page);
  try {
    await bench.open('bring-up', NAME);
    const door = page.getByRole('group', { name: 'the program and door contact' });
    const light = page.getByRole('group', { name: 'the program and status light' });
    // Nobody listens yet.
    await expect(page.getByRole('combobox', { name: 'door contact: as it should' })).toBeVisible({ timeout: 60_000 });
    await expect(door).toHaveCount(0);
    board.start([]);
    await page.getByRole('button', { name: 'Listen to it' }).click();
    await expect(page.getByText(/\d+ readings by the program, all as expected/)).toBeVisible({ timeout: 60_000 });

    await door.getByRole('button', { name: 'let the program watch door contact' }).click();
    await expect(door).toContainText('Nothing changed at P17. Move it and watch again, or say no.', {
      timeout: 30_000,
    });
    await expect(page.getByRole('combobox', { name: 'door contact: as it should' })).toContainText('not tried');
    board.start([], 'door-contact');
    await page.getByRole('button', { name: 'Run it again' }).click();
    await door.getByRole('button', { name: 'let the program watch door contact' }).click();
    await expect(door).toContainText('It changed at P17.', { timeout: 30_000 });
    await expect(page.getByRole('combobox', { name: 'door contact: as it should' })).toContainText('yes, it does');

    // What may move is said before it does.
    await light.getByRole('button', { name: 'let the program drive status light' }).click();
    await expect(light).toContainText('P4 is switched over for 1 s: status light may move, heat, light or sound');
    await light.getByRole('button', { name: 'Drive it now' }).click();
    await expect(light).toContainText('It was driven. Say whether it did what it should.', { timeout: 30_000 });
    await expect(page.getByRole('combobox', { name: 'status light: as it should' })).toContainText('not tried');

    // A program of another plan answers nothing, and that is said.
    board.unplug();
    await light.getByRole('button', { name: 'let the program drive status light' }).click();
    await light.getByRole('button', { name: 'Drive it now' }).click();
    await expect(light).toContainText('No answer: the program on the board is of another plan', { timeout: 30_000 });
  } finally {
    board.unplug();
  }
});

test('who goes on in spite of a short says why, and it stands in the logbook', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('bring-up', NAME);
  const short = page.getByRole('textbox', { name: /^No short: 5 V of 5 V regulator to ground: measured/ });
  await short.fill('80');
  await short.press('Enter');
  const stop = page.getByRole('alert', { name: 'stop' });
  await expect(stop.getByRole('button', { name: 'Go on' })).toBeDisabled();
  const reason = stop.getByRole('textbox', { name: 'reason to go on all the same' });
  await reason.fill('a lamp hangs on it');
  await reason.press('Tab');
  await stop.getByRole('button', { name: 'Go on' }).click();
  await expect(stop).toHaveCount(0);
  await expect(page.getByText('a lamp hangs on it').first()).toBeAttached();
});

test('lines that are pasted are taken whole or not at all, and a wrong voltage says unplug', async ({ page }) => {
  const bench = new Bench(page);
  await bench.open('bring-up', NAME);
  const selfTest = page.getByRole('group', { name: 'self-test' });
  await selfTest.getByText('What it printed, pasted or as a file').click();
  await selfTest.getByRole('textbox').fill('@ib 0 begin 1 12 00000000\n@ib 1 scan 0 44 00000000');
  await selfTest.getByRole('button', { name: 'Read the lines' }).click();
  await expect(selfTest.getByRole('alert')).toContainText('No line of it is from the self-test of this plan');
  const volts = page.getByRole('textbox', { name: /^5 V of 5 V regulator: measured/ });
  await volts.fill('7.9');
  await volts.press('Enter');
  await expect(page.getByRole('alert', { name: 'unplug' })).toContainText('Unplug it now');
});
