import { legsIn } from '../plan/helpers.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { CHAIN } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Quantity, type Text } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';
import { overParts } from './over.ts';
import { netOf } from '../circuit/watched.ts';

/** What is said here, by the data that it takes. */
export interface DriveChainSays {
  readonly right: { ohms: Quantity; part: Text };
  readonly tooMuch: { ohms: Quantity };
  readonly nothingStands: null;
  readonly dataLineBesideFirst: { ohms: Text; part: Text };
  readonly meaning: null;
  readonly acrossSupplyLightsSwitch: {
    farads: Quantity | null;
    part: Text;
    lights: number;
    wanted: Quantity;
    enough: boolean;
  };
  readonly whenAllTurnWhite: null;
  readonly takesUpFeedBoth: { part: Text; peak: Quantity };
  readonly stripsOwnCopperThin: null;
}

const tell = tells<DriveChainSays>('drive/chain');

const meta = {
  id: 'drive/chain',
  station: 'pins',
  breaks: 'caution',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, part: PartNode): Result[] {
  return part.card.ports.flatMap((port): Result[] => {
    const [line] = Object.keys(port.lines);
    const net = netOf(circuit, keyOf(part.id, port.id, line));
    const [supply] = part.card.supplies;
    const feed = supply && circuit.feeds.get(keyOf(part.id, supply.id));
    if (!port.chain || !net || !feed) return [];
    const ohms = net.series.reduce((sum, { ohms: each }) => sum + each, 0);
    const farads = legsIn(circuit.plan, 'supply-capacitor')
      .filter((leg) => leg.part === part.id)
      .reduce((sum, leg) => sum + leg.farads, 0);
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
          ? tell('right', { ohms: quantityOf(ohms, 'Ω'), part: part.label })
          : tell('dataLineBesideFirst', {
              ohms: ohms > CHAIN.most ? tell('tooMuch', { ohms: quantityOf(ohms, 'Ω') }) : tell('nothingStands'),
              part: part.label,
            }),
        meaning: tell('meaning'),
        rests,
      }),
      result(circuit, meta, {
        subjects: [part.id],
        aspect: 'supply',
        severity: farads >= CHAIN.farads ? null : 'caution',
        measured: farads,
        limit: CHAIN.farads,
        unit: 'F',
        margin: farads - CHAIN.farads,
        ranked: false,
        message: tell('acrossSupplyLightsSwitch', {
          farads: farads > 0 ? quantityOf(farads, 'F') : null,
          part: part.label,
          lights: port.chain.lights,
          wanted: quantityOf(CHAIN.farads, 'F'),
          enough: farads >= CHAIN.farads,
        }),
        meaning: tell('whenAllTurnWhite'),
        rests,
      }),
      ...(feed.peak >= CHAIN.both
        ? [
            result(circuit, meta, {
              subjects: [part.id],
              aspect: 'both ends',
              severity: 'note',
              measured: feed.peak,
              limit: CHAIN.both,
              unit: 'A',
              margin: CHAIN.both - feed.peak,
              ranked: false,
              message: tell('takesUpFeedBoth', { part: part.label, peak: quantityOf(feed.peak, 'A') }),
              meaning: tell('stripsOwnCopperThin'),
              rests,
            }),
          ]
        : []),
    ];
  });
}

export const driveChain = {
  meta,
  ...overParts(judge),
} satisfies Check;
