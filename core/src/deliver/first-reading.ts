/** A first reading that cannot be wrong: something whose value everybody has at hand. */
import type { Card } from '../card/card.ts';
import type { Port } from '../card/port.ts';
import type { Measure } from '../card/measure.ts';
import type { Circuit } from '../circuit/model.ts';
import { tells, type Message, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface DeliverFirstReadingSays {
  readonly cleanAirOnceWarm: null;
  readonly warmHandNearRaises: null;
  readonly breathRaisesReadingOnce: null;
  readonly outdoorAirReadsAbout: null;
  readonly zeroWithoutLoadThen: null;
  readonly handOverLowersReading: null;
  readonly airShowsLowerEnd: null;
  readonly weatherReportPlaceLess: null;
  readonly walkPastThenStand: null;
  readonly crushedIceWaterC: { error: number };
  readonly warmHandRoundRaises: null;
  readonly workHandReadingFollows: null;
  readonly programSwitchesLightsGoes: null;
  readonly programSwitchesRunsStops: null;
  readonly programSwitchesOffAgain: null;
  readonly setOffHandReading: null;
  readonly programAsksNameAnswers: null;
  readonly printWhatConverterReads: null;
  readonly mains: { how: Text };
  readonly programReadsValueComes: null;
}

const tell = tells<DeliverFirstReadingSays>('deliver/first-reading');

/** Nobody makes gas or smoke indoors to see whether a part feels it. */
const GAS = tell('cleanAirOnceWarm');

/** By quantity: common practice. */
const TRIED: Readonly<Record<string, (measure: Measure) => Message>> = {
  'air temperature': () => tell('warmHandNearRaises'),
  'core temperature': (m) => ice(m),
  'water temperature': (m) => ice(m),
  temperature: (m) => ice(m),
  'air humidity': () => tell('breathRaisesReadingOnce'),
  'carbon dioxide': () => tell('outdoorAirReadsAbout'),
  weight: () => tell('zeroWithoutLoadThen'),
  illuminance: () => tell('handOverLowersReading'),
  light: () => tell('handOverLowersReading'),
  'liquefied petroleum gas': () => GAS,
  methane: () => GAS,
  'carbon monoxide': () => GAS,
  smoke: () => GAS,
  'water level': () => tell('airShowsLowerEnd'),
  'air pressure': () => tell('weatherReportPlaceLess'),
  motion: () => tell('walkPastThenStand'),
};

function ice({ accuracy, range }: Measure): Message {
  const band = accuracy.find(({ from, to }) => from <= 0 && to >= 0) ?? accuracy[0];
  return range.from <= 0 && band ? tell('crushedIceWaterC', { error: band.error }) : tell('warmHandRoundRaises');
}

const BY_PROTOCOL: Partial<Record<Port['protocol'], Message>> = {
  switch: tell('workHandReadingFollows'),
  led: tell('programSwitchesLightsGoes'),
  coil: tell('programSwitchesRunsStops'),
  'digital-in': tell('programSwitchesOffAgain'),
  'digital-out': tell('setOffHandReading'),
  uart: tell('programAsksNameAnswers'),
  analog: tell('printWhatConverterReads'),
};

export function firstReading(circuit: Circuit, part: string, port: string): { how: Text } {
  const card: Card | undefined = circuit.parts.get(part)?.card;
  const own = card?.ports.find(({ id }) => id === port);
  const measure = card?.measures[0];
  const tried = measure && TRIED[measure.quantity]?.(measure);
  const said = tried ?? (own && BY_PROTOCOL[own.protocol]) ?? tell('programReadsValueComes');
  const mains = card?.cautions?.some(({ hazard }) => hazard === 'mains') && card.kind !== 'source';
  return { how: mains ? tell('mains', { how: said }) : said };
}
