import { wayOf } from '../circuit/way.ts';
import type { Circuit, Net, PartNode } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'level/translator',
  title: 'A translator fits its two sides',
  station: 'levels',
  rule: 'Both sides fed from two different voltages, the lower on the low side; enough channels; an open-drain style for lines that both sides pull low, one direction for all lines of the other kind; a clock that it follows (what its own pull-ups and both sides’ capacitance make of the edge is judged by bus/pull-up-weak). No line that is read by its voltage goes through one. A divider lets signals through to the controller only.',
  source: 'the translator’s card',
  breaks: 'fault',
};

type Translator = NonNullable<PartNode['card']['translator']>;
const names = (nets: readonly Net[]) => nets.map(({ label }) => label).join(' and ');

function channels(circuit: Circuit, node: PartNode, translator: Translator, far: readonly Net[]): Result {
  const spare = translator.channels.length - far.length;
  return result(circuit, meta, {
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
  });
}

function sides(circuit: Circuit, node: PartNode, translator: Translator): Result {
  const low = circuit.feeds.get(`${node.id}.${translator.lowSupply}`)?.voltage ?? null;
  const high = circuit.feeds.get(`${node.id}.${translator.highSupply}`)?.voltage ?? null;
  const V = (x: number) => formatQuantity(x, 'V', 3);
  const alike = low && high && Math.abs(high.typ - low.typ) < 0.05 * high.typ;
  return result(circuit, meta, {
    subjects: [node.id, 'sides'],
    severity: !low || !high ? 'fault' : alike && !node.helper?.gate ? 'caution' : null,
    measured: low?.typ ?? null,
    limit: high?.typ ?? null,
    unit: 'V',
    margin: low && high ? high.typ - low.typ : null,
    ranked: false,
    message:
      !low || !high
        ? `${node.label} has no supply on its ${low ? 'high' : 'low'} side; it passes nothing.`
        : alike
          ? `${node.label} stands between ${V(low.typ)} and ${V(high.typ)}: there is nothing to translate.`
          : `${node.label} stands between ${V(low.typ)} and ${V(high.typ)}, each on its side.`,
    meaning: 'Both sides take their level from a supply of their own, the lower voltage on the low side.',
    workings: [
      ...(low ? [{ name: 'low side', sum: 'its supply', value: low.typ, unit: 'V' }] : []),
      ...(high ? [{ name: 'high side', sum: 'its supply', value: high.typ, unit: 'V' }] : []),
    ],
  });
}

/** A translator knows ones and noughts: what lies between them it bends or clips. */
function voltages(circuit: Circuit, node: PartNode, far: readonly Net[]): Result[] {
  const read = far.filter(({ protocol }) => protocol === 'analog');
  return read.length === 0
    ? []
    : [
        result(circuit, meta, {
          subjects: [node.id, 'analog'],
          severity: 'fault',
          measured: read.length,
          limit: 0,
          unit: 'signals',
          margin: -read.length,
          message: `${names(read)} is read by its voltage and goes through ${node.label}, which passes ones and noughts. What lies between is bent or clipped.`,
          meaning: 'A voltage is brought down by a divider, or read by a converter on the same supply.',
        }),
      ];
}

function direction(circuit: Circuit, node: PartNode, translator: Translator, far: readonly Net[]): Result[] {
  const shared = far.filter((net) => wayOf(net) === 'both ways');
  if (shared.length > 0) {
    const follows = translator.style === 'open-drain';
    return [
      result(circuit, meta, {
        subjects: [node.id, 'style'],
        severity: follows ? null : 'fault',
        message: follows
          ? `${node.label} lets either side pull ${names(shared)} low.`
          : `${node.label} drives in one direction at a time; ${names(shared)} is pulled low from both sides.`,
        meaning:
          'On such a line parts answer where the controller spoke a moment ago; a translator with a direction blocks them.',
      }),
    ];
  }
  const ways = new Set(far.map(wayOf));
  if (translator.style === 'open-drain' || far.length === 0) return [];
  const to = far.filter((net) => wayOf(net) === 'to the parts');
  const from = far.filter((net) => wayOf(net) === 'from the parts');
  return [
    result(circuit, meta, {
      subjects: [node.id, 'direction'],
      severity: ways.size > 1 ? 'fault' : null,
      measured: ways.size,
      limit: 1,
      unit: 'directions',
      margin: 1 - ways.size,
      message:
        ways.size > 1
          ? `${node.label} passes all its lines one way; ${names(to)} go to the parts and ${names(from)} come from them.`
          : `All lines of ${node.label} go one way.`,
      meaning: 'One direction holds for all channels: lines against it are driven from both ends.',
      workings: far.map((net) => ({ name: net.label, sum: wayOf(net) })),
    }),
  ];
}

function clock(circuit: Circuit, node: PartNode, translator: Translator, far: readonly Net[]): Result[] {
  const fastest = translator.clock.max ?? translator.clock.typ ?? 0;
  const wanted = Math.max(0, ...far.map((net) => net.clock ?? 0));
  if (wanted === 0) return [];
  return [
    result(circuit, meta, {
      subjects: [node.id, 'clock'],
      severity: wanted > fastest ? 'fault' : null,
      measured: wanted,
      limit: fastest,
      unit: 'Hz',
      margin: fastest - wanted,
      message: `${node.label} follows ${formatQuantity(fastest, 'Hz')}; the bus runs at ${formatQuantity(wanted, 'Hz')}.`,
      meaning: 'A translator that is too slow rounds the edges until bits are missed.',
      rests: [[node.card.id, translator.clock.source]],
    }),
  ];
}

/** A divider only brings down: what the controller sends does not get through it. */
function dividerWays(circuit: Circuit): Result[] {
  return circuit.plan.helpers.flatMap((helper): Result[] => {
    if (helper.kind !== 'divider') return [];
    const net = circuit.nets.find(({ beyond }) => beyond === helper.id);
    if (!net) return [];
    const way = wayOf(net);
    return [
      result(circuit, meta, {
        subjects: [helper.id, `${helper.part}.${helper.port}`],
        severity: way === 'from the parts' ? null : 'fault',
        message:
          way === 'from the parts'
            ? `The divider on ${net.label} brings down what the controller reads.`
            : `A divider lets a signal through one way, to the controller; ${net.label} goes ${way}.`,
        meaning: 'Seen from the other side a divider takes away from a level that is too low already.',
      }),
    ];
  });
}

export const levelTranslator: Check = {
  meta,
  run: (circuit) => [
    ...[...circuit.parts.values()].flatMap((node) => {
      const { translator } = node.card;
      if (!node.helper || !translator) return [];
      const far = circuit.nets.filter(({ beyond }) => beyond === node.id);
      return [
        channels(circuit, node, translator, far),
        sides(circuit, node, translator),
        ...voltages(circuit, node, far),
        ...direction(circuit, node, translator, far),
        ...clock(circuit, node, translator, far),
      ];
    }),
    ...dividerWays(circuit),
  ],
};
