/** The bring-up sheet: what every measurement of a build should show, in the order in which it is safe to find out. */
import { FirmwareModel } from '../bench/firmware-model.ts';
import {
  type Measurement,
  Measurements,
  type Reading,
  edgeOf,
  measure,
  pinMeasurements,
} from '../bench/measurement.ts';
import { drawBounds } from '../bench/usual.ts';
import { type Planned, VirtualBuild } from '../bench/virtual-build.ts';
import { cautionsOf } from '../circuit/cautions.ts';
import type { Lead, LeadPoint } from '../circuit/laid.ts';
import type { Circuit } from '../circuit/model.ts';
import { slowestLine, slowestRise, usualEdges } from '../physics/edge.ts';
import { effectivePullUp } from '../physics/node.ts';
import { keyOf } from '../plan/ref.ts';
import { formatWord } from '../quantity/bits.ts';
import { type Quantity, type Text, quantityOf, tells } from '../quantity/message.ts';
import { SHORT_LIMIT } from '../standard/common-practice.ts';
import { expectedOhms, widened } from './expected.ts';
import { firstReading } from './first-reading.ts';
import { Places } from './places.ts';
import { programRow } from './program-row.ts';
import { restExpected } from './rest-expected.ts';
import { type BringUpSheet, SHEET_PHASES, type SheetRow } from './sheet-row.ts';

/** What is said here, by the data that it takes. */
export interface DeliverBringUpSays {
  readonly addresses: { busName: Text };
  readonly parts: { busName: Text };
  readonly runAddressScannerPaste: null;
  readonly runSearchLinePaste: null;
  readonly word: { portTitle: Text };
  readonly readRegister: { word: Text; wordSays: Text };
  readonly converter: { portTitle: Text };
  readonly aboutWhatUsuallySees: { volts: Quantity };
  readonly noShortGround: { node: Text };
  readonly lead: null;
  readonly ground: null;
  readonly port: { part: Text; port: string };
  readonly to: { isWire: Text | Quantity; from: Text; to: Text };
  readonly fromTo: { from: Text; to: Text };
  readonly ohmsFrom: { from: Text; to: Text };
  readonly voltsRedBlack: { from: Text; to: Text };
  readonly rest: { node: Text; from: Text };
  readonly betweenPlaces: { at: Quantity; until: Quantity };
  readonly supply: { part: Text };
  readonly offUntilSwitched: null;
  readonly behindLeads: { min: Quantity; max: Quantity };
  readonly currentFrom: { label: Text };
  readonly firstPowerLimitWhere: { most: Quantity };
  readonly fromEverythingWaitingEverything: { most: Quantity };
  readonly rise: { net: Text };
  readonly oscilloscopeProbeClipWhile: { at: Text; zero: Text };
  readonly usuallyNeverAboveEvery: { usual: Quantity; slowest: Quantity };
}

const tell = tells<DeliverBringUpSays>('deliver/bring-up');

/** Of an analog reading whose parts all lie within their tolerance. */
const ANALOG_SPREAD = 0.1;
const isWire = ({ kind }: Lead): boolean => kind === 'lead' || kind === 'own';

class Sheet {
  readonly rows: SheetRow[] = [];
  private readonly circuit: Circuit;
  private readonly sound: VirtualBuild;
  private readonly talk: FirmwareModel;
  private readonly places: Places;
  readonly zero: Text;
  private readonly ground: LeadPoint | null;
  private readonly zeroKey: string;

  constructor(
    private readonly plan: Planned,
    measurements: Measurements,
  ) {
    this.circuit = plan.circuit;
    this.sound = new VirtualBuild(plan);
    this.talk = new FirmwareModel(this.sound);
    this.places = new Places(plan.circuit, plan.layout);
    this.zero = measurements.zero ? this.places.say(measurements.zero) : tell('ground');
    this.ground = measurements.zero;
    this.zeroKey = measurements.zero ? JSON.stringify(measurements.zero) : '';
  }

  private label(part: string): Text {
    return this.circuit.parts.get(part)?.label ?? part;
  }

  add(m: Measurement): void {
    if (m.kind === 'edge') return;
    const probes = m.kind === 'ohms' || m.kind === 'volts' ? { probes: { red: m.from, black: m.to } } : {};
    this.rows.push({ key: m.key, kind: m.kind, subjects: m.subjects, ...probes, ...this.said(m) });
  }

  private said(
    m: Exclude<Measurement, { kind: 'edge' }>,
  ): Pick<SheetRow, 'phase' | 'standard' | 'title' | 'how' | 'expected' | 'lead' | 'short' | 'program'> {
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
          title:
            m.kind === 'scan'
              ? tell('addresses', { busName: this.busName(m.bus) })
              : tell('parts', { busName: this.busName(m.bus) }),
          how: m.kind === 'scan' ? tell('runAddressScannerPaste') : tell('runSearchLinePaste'),
          expected: String(shows),
        };
      case 'word':
        return {
          phase: 'scan',
          standard: true,
          title: tell('word', { portTitle: this.portTitle(m.part, m.port) }),
          how: tell('readRegister', {
            word: formatWord(m.register, 8),
            wordSays: this.wordSays(m.part, m.port, m.register),
          }),
          expected: m.value,
        };
      case 'heard':
      case 'level':
      case 'hold':
        return programRow(this.circuit, m, String(shows));
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
          title: tell('converter', { portTitle: this.portTitle(m.part, m.port) }),
          ...firstReading(this.circuit, m.part, m.port),
          expected: widened(
            'volts',
            volts * (1 - ANALOG_SPREAD),
            volts * (1 + ANALOG_SPREAD),
            'V',
            tell('aboutWhatUsuallySees', { volts: quantityOf(volts, 'V') }),
          ),
        };
      }
    }
  }

  private busName(bus: string): string {
    return this.circuit.buses.find(({ id }) => id === bus)?.name ?? bus;
  }
  private wordSays(part: string, port: string, register: number): Text {
    const own = this.circuit.parts.get(part)?.card.ports.find(({ id }) => id === port);
    const says = own?.identity?.find((word) => word.register === register)?.says;
    return says ?? '';
  }
  private portTitle(part: string, port: string): Text {
    const ports = this.circuit.parts.get(part)?.card.ports ?? [];
    return ports.length > 1 ? tell('port', { part: this.label(part), port }) : this.label(part);
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
      ? tell('noShortGround', { node: node.label })
      : lead
        ? tell('to', { isWire: isWire(lead) ? tell('lead') : lead.value, from, to })
        : tell('fromTo', { from, to });
    return {
      phase: 'off',
      standard: short === true || lead !== undefined,
      ...(lead && !short ? { lead: true } : {}),
      ...(short ? { short: true } : {}),
      title,
      how: tell('ohmsFrom', { from, to }),
      expected: expectedOhms(ohms, Boolean(short)),
    };
  }

  private volts(m: Measurement & { kind: 'ohms' | 'volts' }, shows: Reading): ReturnType<Sheet['said']> {
    const [from, to] = [this.places.say(m.from), this.places.say(m.to)];
    const volts = Number(shows);
    const node = this.plan.netlist.nodes.find(({ id }) => id === m.subjects[0]);
    const how = tell('voltsRedBlack', { from, to });
    const toZero = JSON.stringify(m.to) === this.zeroKey;
    if (node?.role === 'signal') {
      const controller = m.from.kind === 'terminal' && m.from.part === this.circuit.controller?.id;
      return {
        phase: 'rest',
        standard: controller,
        title: tell('rest', { node: node.label, from }),
        how,
        expected: restExpected(this.circuit, node.id, volts),
      };
    }
    const rail = node?.of.is === 'rail' ? this.circuit.rails.get(node.of.rail) : undefined;
    if (node) {
      const at = rail?.voltage ?? { min: volts * 0.97, max: volts * 1.03 };
      return {
        phase: 'power',
        standard: true,
        title: node.label,
        how,
        expected: widened(
          'volts',
          Math.min(at.min, volts),
          Math.max(at.max, volts),
          'V',
          tell('betweenPlaces', { at: quantityOf(at.min, 'V'), until: quantityOf(at.max, 'V') }),
        ),
      };
    }
    const part = this.circuit.parts.get(m.subjects[0] ?? '');
    const supply = part?.card.supplies.find(
      ({ terminal }) => m.from.kind === 'terminal' && terminal === m.from.terminal,
    );
    const feed = part && supply && this.circuit.feeds.get(keyOf(part.id, supply.id))?.voltage;
    // What is switched on only when it works shows nothing until then.
    const idle = Math.abs(volts) < 0.1;
    const [min, max] =
      feed && !idle ? [Math.min(feed.min, volts), Math.max(feed.max, volts)] : [volts - 0.1, volts + 0.1];
    return {
      phase: 'power',
      standard: !toZero,
      title: tell('supply', { part: part?.label ?? from }),
      how,
      expected: widened(
        'volts',
        min,
        max,
        'V',
        idle ? tell('offUntilSwitched') : tell('behindLeads', { min: quantityOf(min, 'V'), max: quantityOf(max, 'V') }),
      ),
    };
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
      title: tell('currentFrom', { label: this.label(rail?.part ?? '') }),
      how: tell('firstPowerLimitWhere', { most: quantityOf(most * 1.2, 'A', 2) }),
      expected: widened(
        'amps',
        Math.min(least, supplied / 3),
        most,
        'A',
        tell('fromEverythingWaitingEverything', { most: quantityOf(most, 'A') }),
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
      const red: LeadPoint = { kind: 'terminal', part: pin.part, terminal: pin.terminal };
      const at = this.places.say(red);
      const m = edgeOf(net.id);
      each(m);
      this.rows.push({
        key: m.key,
        kind: 'edge',
        phase: 'edges',
        standard: true,
        subjects: m.subjects,
        probes: { red, black: this.ground },
        title: tell('rise', { net: net.label }),
        how: tell('oscilloscopeProbeClipWhile', { at, zero: this.zero }),
        expected: {
          min: usual / 4,
          max: slowest,
          unit: 's',
          sum: tell('usuallyNeverAboveEvery', { usual: quantityOf(usual, 's'), slowest: quantityOf(slowest, 's') }),
        },
      });
    }
  }
}

/** @param each called with every measurement that a row stands for */
export function bringUpSheet(plan: Planned, each: (m: Measurement) => void = () => undefined): BringUpSheet {
  const measurements = new Measurements(plan);
  const sheet = new Sheet(plan, measurements);
  for (const m of [...measurements.all, ...pinMeasurements(plan.circuit)]) {
    sheet.add(m);
    each(m);
  }
  sheet.edges(each);
  const phase = ({ phase: p }: SheetRow) => SHEET_PHASES.indexOf(p);
  // Shorts before leads: the first is what must not be, the second is what must.
  const order = (row: SheetRow) => (row.phase === 'off' && !row.short ? 1 : 0);
  return {
    rows: sheet.rows.toSorted((a, b) => phase(a) - phase(b) || order(a) - order(b)),
    cautions: cautionsOf(plan.circuit),
    zero: sheet.zero,
    live: measurements.live.size > 0,
  };
}
