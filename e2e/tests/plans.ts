/** Plans with one electrical mistake each, made from the ones that ship. */
import { readFileSync } from 'node:fs';

interface Part {
  id: string;
  card: string;
  label: string;
  needs: string[];
  feeds: Record<string, string>;
  ports: Record<string, Record<string, unknown>>;
  opened: string[];
  lead?: number;
}

interface PlanFile {
  plan: {
    name: string;
    needs: Record<string, unknown>[];
    parts: Part[];
    helpers: Record<string, unknown>[];
  } & Record<string, unknown>;
  cards: { id: string }[];
}

const root = new URL('../../catalogue/', import.meta.url);
const plan = (name: string): PlanFile =>
  JSON.parse(readFileSync(new URL(`plans/${name}.json`, root), 'utf8')) as PlanFile;
const card = (id: string): { id: string } =>
  JSON.parse(readFileSync(new URL(`cards/${id}.json`, root), 'utf8')) as { id: string };

function changed(name: string, change: (file: PlanFile) => void, ...cards: string[]): string {
  const file = plan(name);
  change(file);
  const known = new Set(file.cards.map(({ id }) => id));
  file.cards.push(...cards.filter((id) => !known.has(id)).map(card));
  const used = new Set([
    ...file.plan.parts.map((part) => part.card),
    ...file.plan.helpers.map((helper) => String(helper.card)),
    ...(file.plan.boards as string[]),
    String(file.plan.resistors),
    String(file.plan.joint),
    ...(file.plan.leads as string[]),
  ]);
  file.cards = file.cards.filter(({ id }) => used.has(id));
  return JSON.stringify(file);
}

const partOf = (file: PlanFile, id: string): Part => {
  const found = file.plan.parts.find((part) => part.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

/** Both shelf sensors at the one address that their card has. */
export const sameAddress = (): string =>
  changed('cupboard-verified', (file) => {
    file.plan.name = 'Same address';
    Object.assign(partOf(file, 'shelf-bottom'), { card: 'humid-fixed' });
    Object.assign(partOf(file, 'shelf-bottom').ports.i2c ?? {}, { address: 0x44 });
  });

/** A breakout with a translator of its own behind another one. */
export const translatedTwice = (): string =>
  changed(
    'cupboard-verified',
    (file) => {
      file.plan.name = 'Twice';
      const part = partOf(file, 'shelf-top');
      part.card = 'humid-5v';
      part.feeds = { vin: 'five-volt.5v' };
      part.opened = [];
      Object.assign(part.ports.i2c ?? {}, { address: 0x40 });
      file.plan.helpers.push({
        id: 'outer',
        kind: 'translator',
        card: 'translator-4',
        near: 'board.3v3',
        far: 'five-volt.5v',
        ports: [{ part: 'shelf-top', port: 'i2c' }],
      });
    },
    'humid-5v',
  );

/** A bare thermistor on the rain barrel’s board, without its resistor. */
export const bareThermistor = (): string =>
  changed(
    'rain-barrel',
    (file) => {
      file.plan.name = 'Bare thermistor';
      file.plan.needs.push({
        id: 'lid',
        kind: 'sense',
        quantity: 'air temperature',
        unit: '°C',
        from: 0,
        to: 40,
        accuracy: 3,
        interval: 900,
        place: 'under the lid',
      });
      file.plan.parts.push({
        id: 'bead',
        card: 'thermistor-bead',
        label: 'bead',
        needs: ['lid'],
        feeds: {},
        ports: { out: { lines: { out: { pin: 'g24', locked: false } } } },
        opened: [],
      });
    },
    'thermistor-bead',
  );

/** The cupboard with a light sensor whose set-up word is put together from its fields. */
export const withWord = (): string =>
  changed(
    'cupboard-verified',
    (file) => {
      file.plan.name = 'A word';
      file.plan.parts.push({
        id: 'eye',
        card: 'light-digital',
        label: 'light sensor',
        needs: [],
        feeds: { vcc: 'sensor-supply.3v3' },
        ports: { i2c: { bus: 'i2c', address: 0x10 } },
        opened: [],
      });
    },
    'light-digital',
  );

/** The rain-barrel logger with its probe on the rail that is always on. */
export const thoughtlessProbe = (): string =>
  changed('rain-barrel', (file) => {
    file.plan.name = 'Thoughtless';
    file.plan.parts = file.plan.parts.filter(({ id }) => id !== 'probe-supply');
    const probe = partOf(file, 'level-probe');
    probe.feeds = { vcc: 'controller.3v3' };
    Object.assign(probe, { run: undefined });
  });

/** The cupboard with a second adapter that feeds nothing yet. */
export const spareAdapter = (): string =>
  changed(
    'cupboard-verified',
    (file) => {
      file.plan.name = 'Spare';
      file.plan.parts.push({
        id: 'spare',
        card: 'adapter-5v',
        label: 'spare adapter',
        needs: [],
        feeds: {},
        ports: {},
        opened: [],
      });
    },
    'adapter-5v',
  );

/** The cupboard with a small magnet on a bare transistor, without a resistor before its base. */
export const bareTransistor = (): string =>
  changed(
    'cupboard-verified',
    (file) => {
      file.plan.name = 'Bare transistor';
      Object.assign(partOf(file, 'fan-switch'), { card: 'transistor-npn' });
      Object.assign(partOf(file, 'fan'), { card: 'magnet-small', feeds: { coil: 'five-volt.5v' } });
    },
    'transistor-npn',
    'magnet-small',
  );
