import type { Circuit } from '../circuit/circuit.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'wire/overlay',
  title: 'The pin that the system is told is the pin that is wired',
  station: 'bus',
  rule: 'On a board whose system drives a bus by a setting, the pin of that setting - its default unless the plan says another - is the pin that the bus is on.',
  source: 'the controller’s card',
  breaks: 'fault',
};

export const wireOverlay: Check = {
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
      const from = bus.configuredPin === undefined ? 'its default' : 'its setting';
      return [
        result(circuit, meta, {
          subjects: [bus.id],
          severity: right ? null : 'fault',
          measured: right ? 1 : 0,
          limit: 1,
          unit: 'functions',
          margin: right ? 0 : -1,
          message: right
            ? `The system looks for ${bus.name} on ${label(told)}, where it is wired.`
            : `The system looks for ${bus.name} on ${label(told)}, ${from}; it is wired to ${label(wired)}. It finds nothing there.`,
          meaning:
            'The driver listens on a pin that nothing is on: the list of sensors stays empty, and no error says why.',
          workings: [
            { name: `the setting ${overlay.parameter}`, sum: `${label(told)}, ${from}` },
            { name: 'wired', sum: label(wired) },
          ],
          rests: [[card.id, overlay.source]],
        }),
      ];
    }),
};
