/** What reads an analog line: the controller's own converter, or a part that reads it for the controller. */
import { type Text } from '../quantity/message.ts';
import type { Controller } from '../card/controller.ts';
import { toInterval } from '../card/to-interval.ts';
import type { Circuit, Net, NetEnd, PartNode, Rail } from './model.ts';
import { keyOf } from '../plan/ref.ts';
import { netsBy } from './watched.ts';

export interface Reader {
  /** The controller, or the part with the converter. */
  readonly part: PartNode;
  readonly adc: NonNullable<Controller['adc']>;
  /** The most that it reads, at its lowest, V: full scale, or its supply where that is lower. */
  readonly most: number;
}

/** Lines on the inputs of a part's converter: input terminal -> nets. */
export function readBy(circuit: Circuit, part: PartNode): Map<string, Net[]> {
  const inputs = new Map<string, Net[]>();
  for (const net of netsBy(circuit, 'part', part.id)) {
    const end = inputEnd(circuit, net);
    if (end?.part === part.id) inputs.set(end.terminal, [...(inputs.get(end.terminal) ?? []), net]);
  }
  return inputs;
}

export interface ConverterInput {
  /** The part with the converter, and the terminal of its input. */
  readonly on: string;
  readonly input: string;
  /** As it is printed, and the name of the part. */
  readonly label: string;
  readonly converter: Text;
}

/** Every input of the converters of a plan. */
export const converterInputs = (circuit: Circuit): ConverterInput[] =>
  [...circuit.parts.values()].flatMap(({ id, label: converter, card }) =>
    (card.converter?.inputs ?? []).flatMap((signal) => {
      const input = card.signals.find((s) => s.id === signal)?.terminal;
      const label = card.terminals.find((t) => t.id === input)?.label;
      return input === undefined ? [] : [{ on: id, input, label: label ?? input, converter }];
    }),
  );

/** The input of a converter that a line is on. */
const inputEnd = (circuit: Circuit, net: Net): NetEnd | undefined =>
  net.protocol === 'analog'
    ? net.ends.find(({ part, signal }) => circuit.parts.get(part)?.card.converter?.inputs.includes(signal))
    : undefined;

/** @returns null where nothing can read the line: the controller has no converter, and no part of the plan reads it */
export function readerOf(circuit: Circuit, net: Net): Reader | null {
  const end = inputEnd(circuit, net);
  const own = end && circuit.parts.get(end.part);
  if (own?.card.converter) {
    const { supply, inputs: _inputs, ...adc } = own.card.converter;
    const fed = circuit.feeds.get(keyOf(own.id, supply))?.voltage;
    const scale = toInterval(adc.reference).min;
    return { part: own, adc, most: fed ? Math.min(scale, fed.min) : scale };
  }
  const { controller } = circuit;
  const adc = controller?.card.controller?.adc;
  return controller && adc ? { part: controller, adc, most: toInterval(adc.reference).min } : null;
}

/** The rail that full scale follows; undefined where the converter has a reference of its own. */
export function fullScaleRail(circuit: Circuit, { part, adc }: Pick<Reader, 'part' | 'adc'>): Rail | undefined {
  if (!('follows' in adc) || adc.follows === undefined) return undefined;
  const ref = keyOf(part.id, adc.follows);
  return circuit.rails.get(ref) ?? circuit.rails.get(circuit.feeds.get(ref)?.rail ?? '');
}

/** What full scale usually is, V: the rail that it follows, as that is in this plan, else the converter's own. */
export const fullScaleOf = (circuit: Circuit, reader: Reader): number =>
  fullScaleRail(circuit, reader)?.voltage?.typ ?? toInterval(reader.adc.reference).typ;
