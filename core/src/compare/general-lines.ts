import { trustOf } from '../card/missing.ts';
import { figureCell, NOTHING, said, type Line } from './cell.ts';
import {
  addressOf,
  quantityOf,
  tells,
  type Quantity,
  type Text,
  type BusAddress,
  wordOf,
} from '../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface CompareGeneralLinesSays {
  readonly supply: null;
  readonly currentIdle: null;
  readonly currentActive: null;
  readonly currentPeak: null;
  readonly words: null;
  readonly addresses: null;
  readonly noneNeeded: null;
  readonly fastestClock: null;
  readonly readsHighAbove: null;
  readonly signalsStand: null;
  readonly breakoutCarries: null;
  readonly pullUps: { pull: Quantity };
  readonly regulator: null;
  readonly carried: { carried: readonly Text[] };
  readonly protocols: { protocols: readonly Text[] };
  readonly translator: null;
  readonly size: null;
  readonly mm: { text: Text };
  readonly header: null;
  readonly wires: null;
  readonly pins: { kind: Text };
  readonly ambient: null;
  readonly list: { addresses: readonly BusAddress[] };
  readonly headers: { headers: readonly Text[] };
  readonly pinsOf: { count: number; pins: Text };
  readonly water: null;
  readonly keepDry: null;
  readonly standsSplashes: null;
  readonly mayBeImmersed: null;
  readonly figuresTrust: null;
  readonly ofFigures: { assumed: number; figures: number };
}

const tell = tells<CompareGeneralLinesSays>('compare/general-lines');

/** Supply, signals and body: the same lines for whatever is compared. */
export const GENERAL: readonly Line[] = [
  {
    id: 'supply',
    title: tell('supply'),
    group: 'supply',
    unit: 'V',
    cell: (card) => figureCell(card, card.supplies[0]?.range),
  },
  {
    id: 'idle',
    title: tell('currentIdle'),
    group: 'supply',
    unit: 'A',
    better: 'less',
    cell: (card) => figureCell(card, card.supplies[0]?.current.idle),
  },
  {
    id: 'active',
    title: tell('currentActive'),
    group: 'supply',
    unit: 'A',
    better: 'less',
    cell: (card) => figureCell(card, card.supplies[0]?.current.active),
  },
  {
    id: 'peak',
    title: tell('currentPeak'),
    group: 'supply',
    unit: 'A',
    better: 'less',
    cell: (card) => figureCell(card, card.supplies[0]?.current.peak),
  },
  {
    id: 'interface',
    title: tell('words'),
    group: 'signals',
    cell: (card) => {
      const spoken = [...new Set(card.ports.map(({ protocol }) => protocol))];
      return said(tell('protocols', { protocols: spoken.map((protocol) => wordOf('protocol', protocol)) }));
    },
  },
  {
    id: 'addresses',
    title: tell('addresses'),
    group: 'signals',
    cell: (card) => {
      const all = card.ports.flatMap(({ addresses }) => addresses ?? []);
      if (all.length === 0)
        return card.ports.some(({ protocol }) => protocol === 'i2c') ? NOTHING : said(tell('noneNeeded'), 0);
      return said(tell('list', { addresses: all.map(({ value }) => addressOf(value)) }), all.length, {
        conditions: all
          .map(({ setting }) => setting)
          .join('; ')
          .slice(0, 160),
        source: all[0]?.source ? card.sources[all[0].source] : undefined,
      });
    },
  },
  {
    id: 'clock',
    title: tell('fastestClock'),
    group: 'signals',
    unit: 'Hz',
    better: 'more',
    cell: (card) => figureCell(card, card.ports.find(({ clock }) => clock)?.clock),
  },
  {
    id: 'high',
    title: tell('readsHighAbove'),
    group: 'signals',
    cell: (card) => figureCell(card, card.signals.find(({ inputHigh }) => inputHigh)?.inputHigh, 'min'),
  },
  {
    id: 'stands',
    title: tell('signalsStand'),
    group: 'signals',
    cell: (card) => figureCell(card, card.signals.find(({ absoluteMax }) => absoluteMax)?.absoluteMax),
  },
  {
    id: 'carries',
    title: tell('breakoutCarries'),
    group: 'signals',
    cell: (card) => {
      const pull = card.signals.find(({ fittedPullUp }) => fittedPullUp)?.fittedPullUp;
      const carried = [
        ...(pull
          ? [tell('pullUps', { pull: quantityOf(pull.value.typ ?? pull.value.max ?? pull.value.min ?? 0, 'Ω') })]
          : []),
        ...(card.rails?.some(({ from }) => from && from.by !== 'pass') ? [tell('regulator')] : []),
        ...(card.translator ? [tell('translator')] : []),
      ];
      return said(tell('carried', { carried }));
    },
  },
  {
    id: 'size',
    title: tell('size'),
    group: 'body',
    unit: 'm²',
    better: 'less',
    cell: (card) => {
      const size = card.body?.size;
      if (!size) return NOTHING;
      const mm = (m: number) => Number((m * 1000).toPrecision(4));
      const text = [size.length, size.width, ...(size.height === undefined ? [] : [size.height])].map(mm).join(' × ');
      return said(tell('mm', { text }), size.length * size.width, { source: card.sources[size.source] });
    },
  },
  {
    id: 'header',
    title: tell('header'),
    group: 'body',
    cell: (card) =>
      said(
        tell('headers', {
          headers: card.headers.map((h) =>
            tell('pinsOf', {
              count: card.terminals.filter((t) => t.header === h.id).length,
              pins: h.kind === 'leads' ? tell('wires') : tell('pins', { kind: wordOf('header', h.kind) }),
            }),
          ),
        }),
        card.terminals.length,
      ),
  },
  {
    id: 'ambient',
    title: tell('ambient'),
    group: 'body',
    unit: '°C',
    cell: (card) => figureCell(card, card.body?.ambient),
  },
  {
    id: 'water',
    title: tell('water'),
    group: 'body',
    cell: (card) => {
      const water = card.body?.water;
      return water
        ? said(
            water.rating === 'dry'
              ? tell('keepDry')
              : water.rating === 'splash'
                ? tell('standsSplashes')
                : tell('mayBeImmersed'),
            null,
            { source: card.sources[water.source] },
          )
        : NOTHING;
    },
  },
  {
    id: 'trust',
    title: tell('figuresTrust'),
    group: 'body',
    better: 'less',
    cell: (card) => {
      const { figures, assumed } = trustOf(card);
      return said(tell('ofFigures', { assumed, figures }), assumed);
    },
  },
];
