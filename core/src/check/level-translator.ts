import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'level/translator',
  title: 'A translator fits its two sides',
  station: 'levels',
  rule: 'Enough channels for its lines, two rails of different nominal voltage, an open-drain style for lines that both sides pull low, and a clock it can follow.',
  source: 'the translator’s card',
  breaks: 'fault',
};

export const levelTranslator: Check = {
  meta,
  run: (circuit) => {
    const found: Result[] = [];
    for (const node of circuit.parts.values()) {
      const translator = node.card.translator;
      if (!node.helper || !translator) continue;
      const far = circuit.nets.filter(({ beyond }) => beyond === node.id);
      const spare = translator.channels.length - far.length;
      found.push(
        result(circuit, meta, {
          subjects: [node.id, 'channels'],
          severity: spare < 0 ? 'fault' : null,
          measured: far.length,
          limit: translator.channels.length,
          unit: 'signals',
          margin: spare,
          message:
            spare < 0
              ? `${node.label} has ${translator.channels.length} channels for ${far.length} lines.`
              : `${node.label} passes ${far.length} of ${translator.channels.length} lines.`,
          meaning: 'A line without a channel is not connected to the other side.',
          workings: far.map((net, i) => ({ name: `channel ${i + 1}`, sum: net.label })),
        }),
      );
      const shared = far.filter(({ openDrain }) => openDrain);
      if (shared.length > 0) {
        const follows = translator.style === 'open-drain';
        found.push(
          result(circuit, meta, {
            subjects: [node.id, 'style'],
            severity: follows ? null : 'fault',
            message: follows
              ? `${node.label} lets either side pull ${shared.map(({ label }) => label).join(' and ')} low.`
              : `${node.label} drives in one direction at a time; ${shared.map(({ label }) => label).join(' and ')} is pulled low from both sides.`,
            meaning:
              'On such a line parts answer where the controller spoke a moment ago; a translator with a direction blocks them.',
          }),
        );
      }
      const fastest = translator.clock.max ?? translator.clock.typ ?? 0;
      const clock = Math.max(0, ...far.map((net) => net.clock ?? 0));
      if (clock > 0) {
        found.push(
          result(circuit, meta, {
            subjects: [node.id, 'clock'],
            severity: clock > fastest ? 'fault' : null,
            measured: clock,
            limit: fastest,
            unit: 'Hz',
            margin: fastest - clock,
            message: `${node.label} follows ${formatQuantity(fastest, 'Hz')}; the bus runs at ${formatQuantity(clock, 'Hz')}.`,
            meaning: 'A translator that is too slow rounds the edges until bits are missed.',
            rests: [[node.card.id, translator.clock.source]],
          }),
        );
      }
    }
    return found;
  },
};
