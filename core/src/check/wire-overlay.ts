import type { Circuit } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface WireOverlaySays {
  readonly defaultWords: null;
  readonly setting: null;
  readonly right: { bus: Text; label: Text };
  readonly systemLooksWiredFinds: { bus: Text; label: Text; from: Text; otherLabel: Text };
  readonly meaning: null;
  readonly settingIs: { parameter: Text };
  readonly words: { label: Text; from: Text };
  readonly wired: null;
}

const tell = tells<WireOverlaySays>('wire/overlay');

const meta = {
  id: 'wire/overlay',
  station: 'bus',
  breaks: 'fault',
  scope: 'bus',
  reads: [],
} as const satisfies CheckMeta;

export const wireOverlay = {
  meta,
  run: (circuit: Circuit) =>
    circuit.plan.buses.flatMap((bus): Result[] => {
      const card = circuit.controller?.card;
      const overlay = card?.controller?.overlays?.find(({ protocol }) => protocol === bus.protocol);
      const wired = bus.lines.data?.pin ?? null;
      if (!card || !overlay || wired === null) return [];
      const told = bus.configuredPin ?? overlay.pin;
      const label = (pin: string) => card.terminals.find(({ id }) => id === pin)?.label ?? pin;
      const right = told === wired;
      const from = bus.configuredPin === undefined ? tell('defaultWords') : tell('setting');
      return [
        result(circuit, meta, {
          subjects: [bus.id],
          severity: right ? null : 'fault',
          measured: right ? 1 : 0,
          limit: 1,
          unit: 'functions',
          margin: right ? 0 : -1,
          message: right
            ? tell('right', { bus: bus.name, label: label(told) })
            : tell('systemLooksWiredFinds', { bus: bus.name, label: label(told), from, otherLabel: label(wired) }),
          meaning: tell('meaning'),
          workings: [
            {
              name: tell('settingIs', { parameter: overlay.parameter }),
              sum: tell('words', { label: label(told), from }),
            },
            { name: tell('wired'), sum: label(wired) },
          ],
          rests: [[card.id, overlay.source]],
        }),
      ];
    }),
} satisfies Check;
