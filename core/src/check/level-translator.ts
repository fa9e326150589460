import { legsIn } from '../plan/helpers.ts';
import { wayOf } from '../circuit/way.ts';
import type { Circuit, Net, PartNode } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, wordOf } from '../quantity/message.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { both, overAll, overParts } from './over.ts';
import { netsBy } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface LevelTranslatorSays {
  readonly hasChannelsLines: { node: Text; count: number; wanted: number };
  readonly passesLines: { node: Text; count: number; wanted: number };
  readonly meaning: null;
  readonly channel: { i: number };
  readonly hasNoSupplySide: { node: Text; low: Text };
  readonly alike: { node: Text; low: Quantity; high: Quantity };
  readonly holds: { node: Text; low: Quantity; high: Quantity };
  readonly bothSidesTakeTheir: null;
  readonly lowSide: null;
  readonly supply: null;
  readonly highSide: null;
  readonly readVoltageGoesThrough: { names: readonly Text[]; node: Text };
  readonly voltageBroughtDownDivider: null;
  readonly follows: { node: Text; names: readonly Text[] };
  readonly drivesOneDirectionTime: { node: Text; names: readonly Text[] };
  readonly suchLinePartsAnswer: null;
  readonly passesAllLinesOne: { node: Text; names: readonly Text[]; names2: readonly Text[] };
  readonly allLinesGoOne: { node: Text };
  readonly oneDirectionHoldsAll: null;
  readonly followsBusRuns: { node: Text; fastest: Quantity; wanted: Quantity };
  readonly translatorTooSlowRounds: null;
  readonly dividerBringsDownWhat: { net: Text };
  readonly dividerLetsSignalThrough: { net: Text; way: Text };
  readonly seenFromOtherSide: null;
}

const tell = tells<LevelTranslatorSays>('level/translator');

const meta = {
  id: 'level/translator',
  station: 'levels',
  breaks: 'fault',
  scope: 'part',
  reads: ['translator/clock'],
} as const satisfies CheckMeta;

type Translator = NonNullable<PartNode['card']['translator']>;
const names = (nets: readonly Net[]) => nets.map(({ label }) => label);

function channels(circuit: Circuit, node: PartNode, translator: Translator, far: readonly Net[]): Result {
  const spare = translator.channels.length - far.length;
  return result(circuit, meta, {
    subjects: [node.id],
    aspect: 'channels',
    severity: spare < 0 ? 'fault' : null,
    measured: far.length,
    limit: translator.channels.length,
    unit: 'signals',
    margin: spare,
    message:
      spare < 0
        ? tell('hasChannelsLines', { node: node.label, count: translator.channels.length, wanted: far.length })
        : tell('passesLines', { node: node.label, count: far.length, wanted: translator.channels.length }),
    meaning: tell('meaning'),
    workings: far.map((net, i) => ({ name: tell('channel', { i: i + 1 }), sum: net.label })),
  });
}

function sides(circuit: Circuit, node: PartNode, translator: Translator): Result {
  const low = circuit.feeds.get(keyOf(node.id, translator.lowSupply))?.voltage ?? null;
  const high = circuit.feeds.get(keyOf(node.id, translator.highSupply))?.voltage ?? null;
  const V = (x: number) => quantityOf(x, 'V', 3);
  const alike = low && high && Math.abs(high.typ - low.typ) < 0.05 * high.typ;
  return result(circuit, meta, {
    subjects: [node.id],
    aspect: 'sides',
    severity: !low || !high ? 'fault' : alike && !node.helper?.gate ? 'caution' : null,
    measured: low?.typ ?? null,
    limit: high?.typ ?? null,
    unit: 'V',
    margin: low && high ? high.typ - low.typ : null,
    ranked: false,
    message:
      !low || !high
        ? tell('hasNoSupplySide', { node: node.label, low: low ? term('high') : term('low') })
        : alike
          ? tell('alike', { node: node.label, low: V(low.typ), high: V(high.typ) })
          : tell('holds', { node: node.label, low: V(low.typ), high: V(high.typ) }),
    meaning: tell('bothSidesTakeTheir'),
    workings: [
      ...(low ? [{ name: tell('lowSide'), sum: tell('supply'), value: low.typ, unit: 'V' }] : []),
      ...(high ? [{ name: tell('highSide'), sum: tell('supply'), value: high.typ, unit: 'V' }] : []),
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
          subjects: [node.id],
          aspect: 'analog',
          severity: 'fault',
          measured: read.length,
          limit: 0,
          unit: 'signals',
          margin: -read.length,
          message: tell('readVoltageGoesThrough', { names: names(read), node: node.label }),
          meaning: tell('voltageBroughtDownDivider'),
        }),
      ];
}

function direction(circuit: Circuit, node: PartNode, translator: Translator, far: readonly Net[]): Result[] {
  const shared = far.filter((net) => wayOf(net) === 'both');
  if (shared.length > 0) {
    const follows = translator.style === 'open-drain';
    return [
      result(circuit, meta, {
        subjects: [node.id],
        aspect: 'style',
        severity: follows ? null : 'fault',
        message: follows
          ? tell('follows', { node: node.label, names: names(shared) })
          : tell('drivesOneDirectionTime', { node: node.label, names: names(shared) }),
        meaning: tell('suchLinePartsAnswer'),
      }),
    ];
  }
  const ways = new Set(far.map(wayOf));
  if (translator.style === 'open-drain' || far.length === 0) return [];
  const to = far.filter((net) => wayOf(net) === 'to');
  const from = far.filter((net) => wayOf(net) === 'from');
  return [
    result(circuit, meta, {
      subjects: [node.id],
      aspect: 'direction',
      severity: ways.size > 1 ? 'fault' : null,
      measured: ways.size,
      limit: 1,
      unit: 'directions',
      margin: 1 - ways.size,
      message:
        ways.size > 1
          ? tell('passesAllLinesOne', { node: node.label, names: names(to), names2: names(from) })
          : tell('allLinesGoOne', { node: node.label }),
      meaning: tell('oneDirectionHoldsAll'),
      workings: far.map((net) => ({ name: net.label, sum: wordOf('way', wayOf(net)) })),
    }),
  ];
}

function clock(circuit: Circuit, node: PartNode, translator: Translator, far: readonly Net[]): Result[] {
  const fastest = translator.clock.max ?? translator.clock.typ ?? 0;
  const wanted = Math.max(0, ...far.map((net) => net.clock ?? 0));
  if (wanted === 0) return [];
  return [
    result(circuit, meta, {
      subjects: [node.id],
      aspect: 'clock',
      severity: wanted > fastest ? 'fault' : null,
      measured: wanted,
      limit: fastest,
      unit: 'Hz',
      margin: fastest - wanted,
      message: tell('followsBusRuns', {
        node: node.label,
        fastest: quantityOf(fastest, 'Hz'),
        wanted: quantityOf(wanted, 'Hz'),
      }),
      meaning: tell('translatorTooSlowRounds'),
      rests: [[node.card.id, translator.clock.source]],
    }),
  ];
}

/** A divider only brings down: what the controller sends does not get through it. */
function dividerWays(circuit: Circuit): Result[] {
  return legsIn(circuit.plan, 'divider').flatMap(({ helper, part, port }): Result[] => {
    const [net] = netsBy(circuit, 'beyond', helper);
    if (!net) return [];
    const way = wayOf(net);
    return [
      result(circuit, meta, {
        subjects: [helper, keyOf(part, port)],
        severity: way === 'from' ? null : 'fault',
        message:
          way === 'from'
            ? tell('dividerBringsDownWhat', { net: net.label })
            : tell('dividerLetsSignalThrough', { net: net.label, way: wordOf('way', way) }),
        meaning: tell('seenFromOtherSide'),
      }),
    ];
  });
}

export const levelTranslator = {
  meta,
  ...both(
    overParts((circuit, node) => {
      const { translator } = node.card;
      if (!node.helper || !translator) return [];
      const far = [...netsBy(circuit, 'beyond', node.id)];
      return [
        channels(circuit, node, translator, far),
        sides(circuit, node, translator),
        ...voltages(circuit, node, far),
        ...direction(circuit, node, translator, far),
        ...clock(circuit, node, translator, far),
      ];
    }),
    overAll(dividerWays),
  ),
} satisfies Check;
