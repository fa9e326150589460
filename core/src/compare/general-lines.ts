import { trustOf } from '../card/missing.ts';
import { PROTOCOL_NAME } from '../card/protocol.ts';
import { formatAddress } from '../quantity/address.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { figureCell, NOTHING, said, type Line } from './cell.ts';

/** Supply, signals and body: the same lines for whatever is compared. */
export const GENERAL: readonly Line[] = [
  {
    id: 'supply',
    title: 'supply',
    group: 'supply',
    unit: 'V',
    cell: (card) => figureCell(card, card.supplies[0]?.range),
  },
  {
    id: 'idle',
    title: 'current, idle',
    group: 'supply',
    unit: 'A',
    better: 'less',
    cell: (card) => figureCell(card, card.supplies[0]?.current.idle),
  },
  {
    id: 'active',
    title: 'current, active',
    group: 'supply',
    unit: 'A',
    better: 'less',
    cell: (card) => figureCell(card, card.supplies[0]?.current.active),
  },
  {
    id: 'peak',
    title: 'current, peak',
    group: 'supply',
    unit: 'A',
    better: 'less',
    cell: (card) => figureCell(card, card.supplies[0]?.current.peak),
  },
  {
    id: 'interface',
    title: 'interface',
    group: 'signals',
    cell: (card) => said([...new Set(card.ports.map(({ protocol }) => PROTOCOL_NAME[protocol]))].join(', ') || 'none'),
  },
  {
    id: 'addresses',
    title: 'addresses',
    group: 'signals',
    cell: (card) => {
      const all = card.ports.flatMap(({ addresses }) => addresses ?? []);
      if (all.length === 0)
        return card.ports.some(({ protocol }) => protocol === 'i2c') ? NOTHING : said('none needed', 0);
      return said(all.map(({ value }) => formatAddress(value)).join(', '), all.length, {
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
    title: 'fastest clock',
    group: 'signals',
    unit: 'Hz',
    better: 'more',
    cell: (card) => figureCell(card, card.ports.find(({ clock }) => clock)?.clock),
  },
  {
    id: 'high',
    title: 'reads high above',
    group: 'signals',
    cell: (card) => figureCell(card, card.signals.find(({ inputHigh }) => inputHigh)?.inputHigh, 'min'),
  },
  {
    id: 'stands',
    title: 'signals stand',
    group: 'signals',
    cell: (card) => figureCell(card, card.signals.find(({ absoluteMax }) => absoluteMax)?.absoluteMax),
  },
  {
    id: 'carries',
    title: 'the breakout carries',
    group: 'signals',
    cell: (card) => {
      const pull = card.signals.find(({ fittedPullUp }) => fittedPullUp)?.fittedPullUp;
      const carried = [
        pull ? `pull-ups of ${formatQuantity(pull.value.typ ?? pull.value.max ?? pull.value.min ?? 0, 'Ω')}` : '',
        card.rails?.some(({ from }) => from && from.by !== 'pass') ? 'a regulator' : '',
        card.translator ? 'a translator' : '',
      ].filter(Boolean);
      return said(carried.join(', ') || 'nothing');
    },
  },
  {
    id: 'size',
    title: 'size',
    group: 'body',
    unit: 'm²',
    better: 'less',
    cell: (card) => {
      const size = card.body?.size;
      if (!size) return NOTHING;
      const mm = (m: number) => Number((m * 1000).toPrecision(4));
      const text = [size.length, size.width, ...(size.height === undefined ? [] : [size.height])].map(mm).join(' × ');
      return said(`${text} mm`, size.length * size.width, { source: card.sources[size.source] });
    },
  },
  {
    id: 'header',
    title: 'header',
    group: 'body',
    cell: (card) =>
      said(
        card.headers
          .map(
            (h) =>
              `${card.terminals.filter((t) => t.header === h.id).length} ${h.kind === 'leads' ? 'wires' : `${h.kind} pins`}`,
          )
          .join(', ') || 'none',
        card.terminals.length,
      ),
  },
  { id: 'ambient', title: 'ambient', group: 'body', unit: '°C', cell: (card) => figureCell(card, card.body?.ambient) },
  {
    id: 'water',
    title: 'water',
    group: 'body',
    cell: (card) => {
      const water = card.body?.water;
      return water
        ? said(
            water.rating === 'dry' ? 'keep dry' : water.rating === 'splash' ? 'stands splashes' : 'may be immersed',
            null,
            { source: card.sources[water.source] },
          )
        : NOTHING;
    },
  },
  {
    id: 'trust',
    title: 'figures on trust',
    group: 'body',
    better: 'less',
    cell: (card) => {
      const { figures, onTrust } = trustOf(card);
      return said(`${onTrust} of ${figures}`, onTrust);
    },
  },
];
