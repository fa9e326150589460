/** The bring-up sheet: what every measurement of a build should show, in the order in which it is safe to find out. */
import { edgeOf, formatWord, measure, Measurements, type Measurement, type Reading } from '../bench/measurement.ts';
import { Talk } from '../bench/talk.ts';
import { drawBounds } from '../bench/usual.ts';
import { VirtualBuild, type Planned } from '../bench/virtual-build.ts';
import type { Result } from '../check/result.ts';
import type { Circuit, Net } from '../circuit/circuit.ts';
import type { Lead } from '../layout/layout.ts';
import { effectivePullUp, highestRest, lowestRest } from '../physics/node.ts';
import { slowestRise, usualEdges, slowestLine } from '../physics/edge.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { SHORT_LIMIT } from '../standard/practice.ts';
import { expectedOhms, widened, type Expected } from './expected.ts';
import { firstReading } from './first-reading.ts';
import { Places } from './say-point.ts';
import { cautionsOf, type Caution } from '../circuit/cautions.ts';

/** In this order: nothing is powered before it was measured without power. */
export const SHEET_PHASES = ['off', 'power', 'rest', 'scan', 'reading', 'edges'] as const;
export type SheetPhase = (typeof SHEET_PHASES)[number];

export interface SheetRow {
  /** Key of the measurement. */
  readonly key: string;
  readonly phase: SheetPhase;
  /** On the sheet; the others are asked for when they tell something. */
  readonly standard: boolean;
  /** From end to end of a lead, or of a part with two legs. */
  readonly lead?: true;
  /** Put there by hand, anywhere: it answers no check. */
  readonly touched?: true;
  readonly title: string;
  /** What to do with which instrument. */
  readonly how: string;
  readonly kind: Measurement['kind'];
  readonly subjects: readonly string[];
  /** A range, or the text that should be seen. */
  readonly expected: Expected | string;
}

export interface BringUpSheet {
  /** Where the black probe stays, in words. */
  readonly zero: string;
  readonly rows: readonly SheetRow[];
  readonly cautions: readonly Caution[];
}

/** Of an analog reading whose parts all lie within their tolerance. */
const ANALOG_SPREAD = 0.1;

const isWire = ({ kind }: Lead): boolean => kind === 'lead' || kind === 'own';

class Sheet {
  readonly rows: SheetRow[] = [];
  private readonly circuit: Circuit;
  private readonly sound: VirtualBuild;
  private readonly talk: Talk;
  private readonly places: Places;
  readonly zero: string;
  private readonly zeroKey: string;

  constructor(
    private readonly plan: Planned,
    measurements: Measurements,
  ) {
    this.circuit = plan.circuit;
    this.sound = new VirtualBuild(plan);
    this.talk = new Talk(this.sound);
    this.places = new Places(plan.circuit, plan.layout);
    this.zero = measurements.zero ? this.places.say(measurements.zero) : 'ground';
    this.zeroKey = measurements.zero ? JSON.stringify(measurements.zero) : '';
  }

  private label(part: string): string {
    return this.circuit.parts.get(part)?.label ?? part;
  }

  add(m: Measurement): void {
    if (m.kind === 'edge') return;
    this.rows.push({ key: m.key, kind: m.kind, subjects: m.subjects, ...this.said(m) });
  }

  private said(
    m: Exclude<Measurement, { kind: 'edge' }>,
  ): Pick<SheetRow, 'phase' | 'standard' | 'title' | 'how' | 'expected' | 'lead'> {
    const shows = measure(this.sound, m, this.talk);
    switch (m.kind) {
      case 'ohms':
        return this.ohms(m, shows);
      case 'volts':
        return this.volts(m, shows);
      case 'amps':
        return this.amps(m.source);
      case 'scan':
      case 'count':
        return {
          phase: 'scan',
          standard: true,
          title: m.kind === 'scan' ? `Addresses on ${this.busName(m.bus)}` : `Parts on ${this.busName(m.bus)}`,
          how:
            m.kind === 'scan'
              ? 'Run an address scanner; paste what it prints.'
              : 'Run a search of the line; paste the list or its count.',
          expected: String(shows),
        };
      case 'word':
        return {
          phase: 'scan',
          standard: true,
          title: `Word of ${this.portTitle(m.part, m.port)}`,
          how: `Read register ${formatWord(m.register, 8)}.${this.wordSays(m.part, m.port, m.register)}`,
          expected: m.value,
        };
      case 'works':
        return {
          phase: 'reading',
          standard: true,
          title: this.portTitle(m.part, m.port),
          ...firstReading(this.circuit, m.part, m.port),
          expected: 'yes',
        };
      case 'analog': {
        const volts = Number(shows);
        return {
          phase: 'reading',
          standard: true,
          title: `${this.portTitle(m.part, m.port)}, at the converter`,
          ...firstReading(this.circuit, m.part, m.port),
          expected: widened(
            'volts',
            volts * (1 - ANALOG_SPREAD),
            volts * (1 + ANALOG_SPREAD),
            'V',
            `about ${formatQuantity(volts, 'V')} at what it usually sees`,
          ),
        };
      }
    }
  }

  private busName(bus: string): string {
    return this.circuit.buses.find(({ id }) => id === bus)?.name ?? bus;
  }
  private wordSays(part: string, port: string, register: number): string {
    const own = this.circuit.parts.get(part)?.card.ports.find(({ id }) => id === port);
    const says = own?.identity?.find((word) => word.register === register)?.says;
    return says ? ` ${says}` : '';
  }
  private portTitle(part: string, port: string): string {
    const ports = this.circuit.parts.get(part)?.card.ports ?? [];
    return ports.length > 1 ? `${this.label(part)}, ${port}` : this.label(part);
  }

  private ohms(m: Measurement & { kind: 'ohms' | 'volts' }, shows: Reading): ReturnType<Sheet['said']> {
    const [from, to] = [this.places.say(m.from), this.places.say(m.to)];
    const ohms = Number(shows);
    const node = this.plan.netlist.nodes.find(({ id }) => id === m.subjects[0]);
    const lead = this.plan.layout.leads.find(
      (l) => JSON.stringify(l.from) === JSON.stringify(m.from) && JSON.stringify(l.to) === JSON.stringify(m.to),
    );
    const toZero = JSON.stringify(m.to) === this.zeroKey;
    const short = node && toZero && m.subjects.length === 1 && ohms > SHORT_LIMIT;
    const title = short
      ? `No short: ${node.label} to ground`
      : lead
        ? `${isWire(lead) ? 'Lead' : lead.value} ${from} to ${to}`
        : `${from} to ${to}`;
    return {
      phase: 'off',
      standard: short === true || lead !== undefined,
      ...(lead && !short ? { lead: true } : {}),
      title,
      how: `Ohms from ${from} to ${to}.`,
      expected: expectedOhms(ohms, Boolean(short)),
    };
  }

  private volts(m: Measurement & { kind: 'ohms' | 'volts' }, shows: Reading): ReturnType<Sheet['said']> {
    const [from, to] = [this.places.say(m.from), this.places.say(m.to)];
    const volts = Number(shows);
    const node = this.plan.netlist.nodes.find(({ id }) => id === m.subjects[0]);
    const how = `Volts: red in ${from}, black in ${to}.`;
    const toZero = JSON.stringify(m.to) === this.zeroKey;
    if (node?.role === 'signal') {
      const controller = m.from.kind === 'terminal' && m.from.part === this.circuit.controller?.id;
      return {
        phase: 'rest',
        standard: controller,
        title: `${node.label} at rest, ${from}`,
        how,
        expected: this.rest(node.id, volts),
      };
    }
    const rail = this.circuit.rails.get(node?.id.replace(/^rail:/, '') ?? '');
    if (node) {
      const at = rail?.voltage ?? { min: volts * 0.97, max: volts * 1.03 };
      return {
        phase: 'power',
        standard: true,
        title: `${node.label}`,
        how,
        expected: widened(
          'volts',
          Math.min(at.min, volts),
          Math.max(at.max, volts),
          'V',
          `${formatQuantity(at.min, 'V')} to ${formatQuantity(at.max, 'V')}`,
        ),
      };
    }
    const part = this.circuit.parts.get(m.subjects[0] ?? '');
    const supply = part?.card.supplies.find(
      ({ terminal }) => m.from.kind === 'terminal' && terminal === m.from.terminal,
    );
    const feed = part && supply && this.circuit.feeds.get(`${part.id}.${supply.id}`)?.voltage;
    // What is switched on only when it works shows nothing until then.
    const idle = Math.abs(volts) < 0.1;
    const [min, max] =
      feed && !idle ? [Math.min(feed.min, volts), Math.max(feed.max, volts)] : [volts - 0.1, volts + 0.1];
    return {
      phase: 'power',
      standard: !toZero,
      title: `Supply of ${part?.label ?? from}`,
      how,
      expected: widened(
        'volts',
        min,
        max,
        'V',
        idle
          ? 'off until it is switched on'
          : `${formatQuantity(min, 'V')} to ${formatQuantity(max, 'V')} behind its leads`,
      ),
    };
  }

  /** Where a line rests while nobody talks: by its pull-ups, or by what drives it. */
  private rest(net: string, volts: number): Expected {
    const own: Net | undefined = this.circuit.nets.find(({ id }) => id === net);
    const pulled = own && effectivePullUp(own) ? [lowestRest(own)?.volts, highestRest(own)?.volts] : [];
    const [low, high] = pulled;
    if (low !== undefined && high !== undefined && volts > 0.5)
      return widened(
        'volts',
        Math.min(low, volts),
        Math.max(high, volts),
        'V',
        `held at ${formatQuantity(low, 'V')} to ${formatQuantity(high, 'V')} by its pull-ups`,
      );
    const share = Math.max(0.05 * Math.abs(volts), 0.05);
    return widened(
      'volts',
      volts - share,
      volts + share,
      'V',
      volts < 0.5 ? 'held low' : `about ${formatQuantity(volts, 'V')}`,
    );
  }

  private amps(source: string): ReturnType<Sheet['said']> {
    const rail = this.circuit.rails.get(source);
    const supplied = this.sound.powered().amps.get(source) ?? 0;
    const least = [...this.circuit.feeds.values()]
      .filter((feed) => feed.rail === source)
      .reduce((sum, { supply }) => sum + drawBounds(supply).least, 0);
    const most = Math.max(rail?.peak ?? 0, supplied);
    return {
      phase: 'power',
      standard: true,
      title: `Current from ${this.label(rail?.part ?? '')}`,
      how: `First power with the limit at ${formatQuantity(most * 1.2, 'A', 2)}, where the supply has one; a hand at the plug. Off at once if anything gets hot or smells.`,
      expected: widened(
        'amps',
        Math.min(least, supplied / 3),
        most,
        'A',
        `from everything waiting to everything at its most, ${formatQuantity(most, 'A')}`,
      ),
    };
  }

  edges(each: (m: Measurement) => void): void {
    for (const net of this.circuit.nets) {
      if (!net.openDrain || net.bus === null || !effectivePullUp(net)) continue;
      const slowest = slowestRise(this.circuit, net);
      const usual = usualEdges(slowestLine(this.circuit, net), true).get(net.id)?.seconds;
      const pin = net.ends.find((end) => end.controller) ?? net.ends[0];
      if (slowest === null || !usual || !pin || pin.terminal === '') continue;
      const at = this.places.say({ kind: 'terminal', part: pin.part, terminal: pin.terminal });
      const m = edgeOf(net.id);
      each(m);
      this.rows.push({
        key: m.key,
        kind: 'edge',
        phase: 'edges',
        standard: true,
        subjects: m.subjects,
        title: `Rise of ${net.label}, 30 to 70 %`,
        how: `An oscilloscope with a 10:1 probe at ${at}, its clip on ${this.zero}, while the bus talks.`,
        expected: {
          min: usual / 4,
          max: slowest,
          unit: 's',
          sum: `usually ${formatQuantity(usual, 's')}, never above ${formatQuantity(slowest, 's')} with every figure at its worst`,
        },
      });
    }
  }
}

/** @param each called with every measurement that a row stands for */
export function bringUpSheet(plan: Planned, each: (m: Measurement) => void = () => undefined): BringUpSheet {
  const measurements = new Measurements(plan);
  const sheet = new Sheet(plan, measurements);
  for (const m of measurements.all) {
    sheet.add(m);
    each(m);
  }
  sheet.edges(each);
  const phase = ({ phase: p }: SheetRow) => SHEET_PHASES.indexOf(p);
  // Shorts before leads: the first is what must not be, the second is what must.
  const order = (row: SheetRow) => (row.phase === 'off' && !row.title.startsWith('No short') ? 1 : 0);
  return {
    rows: sheet.rows.toSorted((a, b) => phase(a) - phase(b) || order(a) - order(b)),
    cautions: cautionsOf(plan.circuit),
    zero: sheet.zero,
  };
}

/** Checks whose passes a row answers when it is inside, and how their subjects name what the row is about. */
const ANSWERS: readonly { readonly of: (row: SheetRow) => boolean; readonly checks: readonly string[] }[] = [
  {
    of: ({ kind, phase }) => kind === 'volts' && phase === 'power',
    checks: ['supply/range', 'supply/lead-drop', 'supply/dropout'],
  },
  { of: ({ kind }) => kind === 'amps', checks: ['supply/source-current'] },
  { of: ({ phase }) => phase === 'rest', checks: ['level/mixed-pull-ups', 'level/no-pull-up'] },
  { of: ({ kind }) => kind === 'edge', checks: ['bus/pull-up-weak', 'wire/pull-up'] },
  { of: ({ kind }) => kind === 'scan', checks: ['bus/address-collision', 'bus/address-reserved'] },
];

/** Keys of the passes that a row answers when what it shows is inside. */
export function answersOf(row: SheetRow, passes: readonly Result[]): string[] {
  if (row.touched) return [];
  const checks = new Set(ANSWERS.filter(({ of }) => of(row)).flatMap((a) => a.checks));
  if (checks.size === 0) return [];
  const about = row.subjects.map((subject) => subject.replace(/^rail:/, ''));
  const names = (subject: string) => about.some((id) => subject === id || subject.startsWith(`${id}.`));
  return passes.filter(({ check, subjects }) => checks.has(check) && subjects.some(names)).map(({ key }) => key);
}
