/** What a program is told of each part: how it is spoken to, how often, and how its counts become readings. */
import type { Measure } from '../../card/measure.ts';
import type { Port, RegisterWord } from '../../card/port.ts';
import { toInterval } from '../../card/to-interval.ts';
import type { Circuit, PartNode } from '../../circuit/model.ts';
import { formatAddress } from '../../quantity/address.ts';
import { tells } from '../../quantity/message.ts';
import { MAX_BITS } from '../../standard/one-wire.ts';
import { formulaOf } from './formula.ts';
import type { Conversion, Setting, SettingGroup } from './setting.ts';

/** What is said here, by the data that it takes. */
export interface DeliverSettingsSays {
  readonly eightBit: { write: string; read: string };
  readonly composed: { choices: readonly string[] };
}
const tell = tells<DeliverSettingsSays>('deliver/settings');

/** What calibrating a reading came to: reading × gain + offset. */
export interface Correction {
  readonly part: string;
  readonly quantity: string;
  readonly gain: number;
  readonly offset: number;
}

/** Named only where a card has several. */
const among = (name: string, all: readonly unknown[]): { of?: string } => (all.length > 1 ? { of: name } : {});

/** What the fields of a word are set to, where the card says what that means. */
function choicesOf({ fields }: RegisterWord, value: number): string[] {
  return fields.flatMap(({ name, high, low, choices }) => {
    const set = Math.floor(value / 2 ** low) % 2 ** (high - low + 1);
    const says = choices?.find((choice) => choice.value === set)?.says;
    return says === undefined ? [] : [`${name}: ${says}`];
  });
}

function ofWords(part: PartNode, port: Port): Setting[] {
  const composed = part.choice?.ports[port.id]?.words ?? {};
  const words = port.words ?? [];
  return words.flatMap((word): Setting[] => {
    const value = composed[word.id];
    if (value === undefined) return [];
    const choices = choicesOf(word, value);
    return [
      { id: 'register', of: word.name, value: word.register },
      {
        id: 'word',
        of: word.name,
        value,
        ...(choices.length > 0 ? { note: tell('composed', { choices }) } : {}),
      },
    ];
  });
}

/** How a port is spoken to. */
function ofPort(circuit: Circuit, part: PartNode, port: Port, all: readonly Port[]): Setting[] {
  const bus = circuit.buses.findIndex(({ members }) => members.some((m) => m.part === part.id && m.port === port.id));
  const address = circuit.buses[bus]?.members.find((m) => m.part === part.id && m.port === port.id)?.address;
  const choice = part.choice?.ports[port.id];
  const of = among(port.id, all);
  const rate = port.protocol === 'uart' && port.rate ? (choice?.rate ?? toInterval(port.rate).typ) : undefined;
  const fastest = port.protocol === 'spi' || port.protocol === 'clocked' ? port.clock : undefined;
  const clock = fastest && Math.min(toInterval(fastest).max, circuit.buses[bus]?.clock ?? Infinity);
  return [
    ...(bus < 0 ? [] : [{ id: 'on' as const, ...of, value: bus, note: circuit.buses[bus]?.name ?? '' }]),
    ...(address === null || address === undefined
      ? []
      : [
          {
            id: 'address' as const,
            ...of,
            value: address,
            note: tell('eightBit', { write: formatAddress(address * 2), read: formatAddress(address * 2 + 1) }),
          },
        ]),
    ...(choice?.number === undefined ? [] : [{ id: 'number' as const, ...of, value: choice.number }]),
    ...(port.stretches?.noHold ? [{ id: 'noHold' as const, ...of, value: choice?.noHold === true }] : []),
    ...(rate === undefined ? [] : [{ id: 'rate' as const, ...of, value: rate, unit: 'Hz' }]),
    ...(port.spiMode === undefined ? [] : [{ id: 'mode' as const, ...of, value: port.spiMode }]),
    ...(clock === undefined ? [] : [{ id: 'clock' as const, ...of, value: clock, unit: 'Hz' }]),
    ...(port.chain ? [{ id: 'lights' as const, ...of, value: port.chain.lights }] : []),
    ...ofWords(part, port),
  ];
}

const seconds = (id: Setting['id'], of: { of?: string }, value: number | undefined): Setting[] =>
  value === undefined ? [] : [{ id, ...of, value, unit: 's' }];

/** How a quantity is read. Times are the longest that the card gives: a program waits that long. */
function ofMeasure(part: PartNode, measure: Measure, corrections: readonly Correction[]): Setting[] {
  const of = among(measure.quantity, part.card.measures);
  const longest = (figure: Measure['interval']) => figure && toInterval(figure).max;
  const right = corrections.find((c) => c.part === part.id && c.quantity === measure.quantity);
  return [
    ...(measure.resolution
      ? [{ id: 'step' as const, ...of, value: measure.resolution.value, unit: measure.unit }]
      : []),
    ...seconds('conversion', of, longest(measure.conversion)),
    ...seconds('shortest', of, longest(measure.interval)),
    ...seconds('warmUp', of, longest(measure.warmUp)),
    ...seconds('burnIn', of, longest(measure.burnIn)),
    ...(right && right.gain !== 1 ? [{ id: 'gain' as const, ...of, value: right.gain }] : []),
    ...(right ? [{ id: 'offset' as const, ...of, value: right.offset, unit: measure.unit }] : []),
  ];
}

/** Bits of a reading, where they can be chosen: as the plan says, else as thermometers on one wire come. */
function bitsOf({ card, choice }: PartNode): Setting[] {
  if (!card.measures.some(({ coarser }) => coarser)) return [];
  const bits = choice?.bits ?? (card.ports.some(({ protocol }) => protocol === 'onewire') ? MAX_BITS : undefined);
  return bits === undefined ? [] : [{ id: 'bits', value: bits }];
}

/** How often it is wanted: as the plan says for the part, else as its most eager need does. */
function intervalOf({ plan }: Circuit, { choice }: PartNode): number | undefined {
  const wanted = plan.needs.flatMap((need) =>
    need.kind === 'sense' && choice?.needs.includes(need.id) ? [need.interval] : [],
  );
  return choice?.run?.every ?? (wanted.length > 0 ? Math.min(...wanted) : undefined);
}

function settingsOfPart(circuit: Circuit, part: PartNode, corrections: readonly Correction[]): SettingGroup {
  const { card } = part;
  return {
    kind: 'part',
    id: part.id,
    label: part.label,
    is: card.name,
    settings: [
      { id: 'type', value: card.class },
      ...card.ports.flatMap((port) => ofPort(circuit, part, port, card.ports)),
      ...bitsOf(part),
      ...seconds('every', {}, intervalOf(circuit, part)),
      ...card.measures.flatMap((measure) => ofMeasure(part, measure, corrections)),
      ...(card.display
        ? [
            { id: 'columns' as const, value: card.display.columns },
            { id: 'rows' as const, value: card.display.rows },
          ]
        : []),
    ],
    conversions: card.measures.flatMap((measure): Conversion[] => {
      const formula = formulaOf(circuit, part, measure);
      return formula ? [{ quantity: measure.quantity, unit: measure.unit, formula }] : [];
    }),
  };
}

/** Parts that a program has to do with: those that speak, in the order of the plan. */
export const partSettings = (circuit: Circuit, corrections: readonly Correction[]): SettingGroup[] =>
  [...circuit.parts.values()]
    .filter(({ id, choice, card }) => choice !== null && id !== circuit.controller?.id && card.ports.length > 0)
    .map((part) => settingsOfPart(circuit, part, corrections));
