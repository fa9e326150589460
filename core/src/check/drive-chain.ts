import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { formatQuantity } from '../quantity/engineering.ts';
import { CHAIN } from '../standard/practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'drive/chain',
  title: 'A chain of lights has its resistor and its capacitor',
  station: 'pins',
  rule: '220 Ω to 1 kΩ (330 to 470 Ω are usual) in the data line, 470 µF and more across the supply, and a feed at both ends from 1.5 A on.',
  source: 'common practice',
  breaks: 'caution',
};

function judge(circuit: Circuit, part: PartNode): Result[] {
  return part.card.ports.flatMap((port): Result[] => {
    const [line] = Object.keys(port.lines);
    const net = circuit.nets.find(({ id }) => id === `${part.id}.${port.id}.${line}`);
    const [supply] = part.card.supplies;
    const feed = supply && circuit.feeds.get(`${part.id}.${supply.id}`);
    if (!port.chain || !net || !feed) return [];
    const ohms = net.series.reduce((sum, { ohms: each }) => sum + each, 0);
    const farads = circuit.plan.helpers.reduce(
      (sum, h) => (h.kind === 'capacitor' && h.part === part.id ? sum + h.farads : sum),
      0,
    );
    const rests = [[part.card.id, port.chain.source]] as const;
    const right = ohms >= CHAIN.least && ohms <= CHAIN.most;
    return [
      result(circuit, meta, {
        subjects: [part.id, net.id],
        severity: right ? null : 'caution',
        measured: ohms,
        limit: CHAIN.least,
        unit: 'Ω',
        margin: ohms - CHAIN.least,
        ranked: false,
        message: right
          ? `${formatQuantity(ohms, 'Ω')} in the data line of ${part.label}.`
          : `${ohms > CHAIN.most ? `${formatQuantity(ohms, 'Ω')} are too much for` : 'Nothing stands in'} the data line of ${part.label}: 330 to 470 Ω beside its first light keep it from ringing.`,
        meaning: 'The first light of the chain is what dies, and all behind it go dark.',
        rests,
      }),
      result(circuit, meta, {
        subjects: [part.id, 'supply'],
        severity: farads >= CHAIN.farads ? null : 'caution',
        measured: farads,
        limit: CHAIN.farads,
        unit: 'F',
        margin: farads - CHAIN.farads,
        ranked: false,
        message: `${farads > 0 ? formatQuantity(farads, 'F') : 'Nothing'} across the supply of ${part.label}; its ${port.chain.lights} lights switch all at once and want ${formatQuantity(CHAIN.farads, 'F')}${farads >= CHAIN.farads ? ', and have it' : ''}.`,
        meaning: 'When all turn white in one moment the supply sinks, and some of them lose their count.',
        rests,
      }),
      ...(feed.peak >= CHAIN.both
        ? [
            result(circuit, meta, {
              subjects: [part.id, 'both ends'],
              severity: 'note',
              measured: feed.peak,
              limit: CHAIN.both,
              unit: 'A',
              margin: CHAIN.both - feed.peak,
              ranked: false,
              message: `${part.label} takes up to ${formatQuantity(feed.peak, 'A')}: feed it at both of its ends, or its last lights turn red.`,
              meaning: 'The strip’s own copper is thin; what is lost along it is missing at the end.',
              rests,
            }),
          ]
        : []),
    ];
  });
}

export const driveChain: Check = {
  meta,
  run: (circuit) => [...circuit.parts.values()].flatMap((part) => judge(circuit, part)),
};
