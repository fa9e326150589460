/** Every figure of a card, with its place and what it is called: for the card's page, and to compare two versions. */
import type { Card } from './card.ts';
import type { Figure, Source } from './figure.ts';
import { contactFigures, driverFigures, supplyFigures } from './places-power.ts';

export interface PlacedFigure {
  /** "supplies/vcc/range" */
  readonly place: string;
  readonly title: string;
  readonly min?: number | undefined;
  readonly typ?: number | undefined;
  readonly max?: number | undefined;
  readonly unit: string;
  readonly conditions?: string | undefined;
  readonly source: Source | undefined;
}

const LEVELS = {
  outputHigh: 'output high',
  outputLow: 'output low',
  outputLoad: 'current at which its outputs hold',
  sinkCurrent: 'sink current',
  inputHigh: 'input high',
  inputLow: 'input low',
  absoluteMax: 'absolute maximum',
  leakage: 'leakage',
  capacitance: 'capacitance',
  unpoweredMax: 'most while its supply is off',
  outputResistance: 'output resistance',
} as const;

/** What an analog measure is described by, whichever kind it is. */
const TRANSFER = {
  low: 'output at the lower end',
  high: 'output at the upper end',
  r25: 'resistance at 25 °C',
  beta: 'constant B',
  r10: 'resistance at 10 lx',
  gamma: 'slope gamma',
  r0: 'resistance at 0 °C',
  dissipation: 'dissipation',
} as const;

/** In the order of a datasheet: measuring, supply, signals, ports, body. */
export function figuresOf(card: Card): PlacedFigure[] {
  const out: PlacedFigure[] = [];
  const put = (place: string, title: string, f: Figure | undefined) => {
    if (f) out.push({ place, title, ...f, source: card.sources[f.source] });
  };
  const value = (
    place: string,
    title: string,
    bounds: { min?: number; typ?: number; max?: number },
    unit: string,
    key: string | undefined,
    conditions?: string,
  ) =>
    out.push({
      place,
      title,
      ...bounds,
      unit,
      conditions,
      source: key === undefined ? Object.values(card.sources)[0] : card.sources[key],
    });
  for (const m of card.measures) {
    const at = `measures/${m.quantity}`;
    value(`${at}/range`, `${m.quantity}, range`, { min: m.range.from, max: m.range.to }, m.unit, m.range.source);
    for (const a of m.accuracy)
      value(
        `${at}/accuracy/${a.from}–${a.to}`,
        `${m.quantity}, accuracy from ${a.from} to ${a.to}`,
        { max: a.error },
        m.unit,
        a.source,
        a.conditions,
      );
    if (m.resolution)
      value(`${at}/resolution`, `${m.quantity}, resolution`, { typ: m.resolution.value }, m.unit, m.resolution.source);
    if (m.driftPerYear)
      value(`${at}/drift`, `${m.quantity}, drift a year`, { max: m.driftPerYear.value }, m.unit, m.driftPerYear.source);
    put(`${at}/interval`, `${m.quantity}, shortest interval`, m.interval);
    put(`${at}/conversion`, `${m.quantity}, conversion`, m.conversion);
    for (const { bits, conversion } of m.coarser ?? [])
      put(`${at}/coarser/${bits}`, `${m.quantity}, conversion with ${bits} bits`, conversion);
    put(`${at}/warmUp`, `${m.quantity}, warm-up`, m.warmUp);
    put(`${at}/burnIn`, `${m.quantity}, burn-in of a new element`, m.burnIn);
    put(`${at}/holds`, `${m.quantity}, how long an event stays`, m.holds);
    for (const [key, title] of Object.entries(TRANSFER)) {
      const figure: unknown = m.analog && Reflect.get(m.analog, key);
      if (figure) put(`${at}/analog/${key}`, `${m.quantity}, ${title}`, figure as Figure);
    }
  }
  supplyFigures(card, put);
  for (const s of card.signals) {
    for (const [key, title] of Object.entries(LEVELS))
      put(`signals/${s.id}/${key}`, `${s.id}, ${title}`, s[key as keyof typeof LEVELS]);
    put(`signals/${s.id}/pullUp`, `${s.id}, fitted pull-up`, s.fittedPullUp?.value);
    put(`signals/${s.id}/pullDown`, `${s.id}, fitted pull-down`, s.fittedPullDown);
  }
  if (card.controller) {
    for (const [key, title] of Object.entries(LEVELS))
      put(`controller/io/${key}`, `pins, ${title}`, card.controller.io[key as keyof typeof LEVELS]);
    put('controller/io/weakPull', 'pins, own pull', card.controller.io.weakPull);
    for (const { terminal, fittedPullUp } of card.controller.pins)
      put(`controller/pins/${terminal}/pullUp`, `pull-up on ${terminal}`, fittedPullUp?.value);
    put('controller/pin/recommended', 'pin current, recommended', card.controller.pinCurrent.recommended);
    put('controller/pin/absolute', 'pin current, absolute', card.controller.pinCurrent.absolute);
    for (const { id, name, limit } of card.controller.currentGroups ?? [])
      put(`controller/current/${id}`, `pin current, ${name} together`, limit);
    for (const { id, name, fixed } of card.controller.pwmGroups ?? [])
      put(`controller/pwm/${id}`, `PWM frequency of ${name}`, fixed);
    put('controller/brownOut', 'supply below which it starts anew', card.controller.brownOut);
    put('controller/spiSetup', 'SPI input right before the clock', card.controller.spiSetup);
    put('controller/serial/clock', 'clock of its serial ports', card.controller.serial?.clock);
    put('controller/adc/straight', 'converter, straight between', card.controller.adc?.straight);
    put('controller/adc/reference', 'converter, full scale', card.controller.adc?.reference);
    put('controller/adc/error', 'converter, error', card.controller.adc?.error);
    put('controller/adc/source', 'converter, most source resistance', card.controller.adc?.sourceResistance);
  }
  put('converter/straight', 'converter, straight between', card.converter?.straight);
  put('converter/reference', 'converter, full scale', card.converter?.reference);
  put('converter/error', 'converter, error', card.converter?.error);
  put('converter/source', 'converter, most source resistance', card.converter?.sourceResistance);
  for (const p of card.ports) {
    put(`ports/${p.id}/clock`, `${p.id}, clock`, p.clock);
    for (const a of p.addresses ?? [])
      value(
        `ports/${p.id}/address/${a.value}`,
        `${p.id}, address, ${a.setting}`,
        { typ: a.value },
        'address',
        a.source,
      );
    for (const word of p.identity ?? [])
      value(
        `ports/${p.id}/identity/${word.register}`,
        `${p.id}, word at register ${word.register}`,
        { typ: word.value },
        'word',
        word.source,
      );
    if (p.reading)
      value(
        `ports/${p.id}/reading`,
        `${p.id}, bytes of a reading`,
        { typ: p.reading.bytes },
        'bytes',
        p.reading.source,
      );
    put(`ports/${p.id}/stretches`, `${p.id}, longest hold of the clock`, p.stretches?.longest);
    put(`ports/${p.id}/parasite/current`, `${p.id}, current drawn from the line`, p.parasite?.current);
    put(`ports/${p.id}/parasite/least`, `${p.id}, least voltage on the line`, p.parasite?.least);
    put(`ports/${p.id}/inductance`, `${p.id}, inductance`, p.inductance);
    put(`ports/${p.id}/valid`, `${p.id}, output right after the clock`, p.valid);
    put(`ports/${p.id}/rate`, `${p.id}, serial rate`, p.rate);
    put(`ports/${p.id}/rateError`, `${p.id}, error of its serial rate`, p.rateError);
    put(`ports/${p.id}/frequency`, `${p.id}, PWM frequency`, p.frequency);
    put(`ports/${p.id}/forward/voltage`, `${p.id}, forward voltage`, p.forward?.voltage);
    put(`ports/${p.id}/forward/current`, `${p.id}, forward current`, p.forward?.current);
  }
  put('translator/clock', 'translator, clock', card.translator?.clock);
  put('translator/threshold', 'translator, threshold of its transistor', card.translator?.pass?.threshold);
  put('translator/resistance', 'translator, resistance of its transistor', card.translator?.pass?.onResistance);
  driverFigures(card, put);
  contactFigures(card, put);
  put('controller/usb/voltage', 'socket, voltage', card.controller?.usb?.voltage);
  put('controller/usb/drop', 'socket, lost on the way', card.controller?.usb?.drop);
  put('controller/usb/limit', 'socket, most current', card.controller?.usb?.limit);
  put('cable/contacts', 'contacts of the cable', card.cable?.contacts);
  put('charger/current', 'charging current', card.charger?.current);
  put('diode/current', 'current that the diode carries', card.diode?.current);
  put('diode/reverse', 'voltage that the diode blocks', card.diode?.reverse);
  put('diode/drop', 'lost in the diode', card.diode?.drop);
  put('body/ambient', 'ambient temperature', card.body?.ambient);
  put('body/wear/life', 'life in use', card.body?.wear?.life);
  if (card.body?.size) {
    const { length, width, height, source } = card.body.size;
    value('body/length', 'length', { typ: length }, 'm', source);
    value('body/width', 'width', { typ: width }, 'm', source);
    if (height !== undefined) value('body/height', 'height', { typ: height }, 'm', source);
  }
  return out;
}

export interface Difference {
  readonly place: string;
  readonly title: string;
  readonly before: PlacedFigure | null;
  readonly after: PlacedFigure | null;
}

/** In which figures two versions of a card differ; a figure that one lacks differs, too. */
export function differences(before: Card, after: Card): Difference[] {
  const old = new Map(figuresOf(before).map((f) => [f.place, f]));
  const now = new Map(figuresOf(after).map((f) => [f.place, f]));
  const same = (a: PlacedFigure | null, b: PlacedFigure | null) =>
    a !== null &&
    b !== null &&
    a.min === b.min &&
    a.typ === b.typ &&
    a.max === b.max &&
    a.unit === b.unit &&
    a.source?.kind === b.source?.kind;
  return [...new Set([...old.keys(), ...now.keys()])].flatMap((place) => {
    const [a, b] = [old.get(place) ?? null, now.get(place) ?? null];
    return same(a, b) ? [] : [{ place, title: (b ?? a)?.title ?? place, before: a, after: b }];
  });
}
