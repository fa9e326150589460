import type { LevelFigure } from '../card/figure.ts';
import type { Interval } from '../quantity/interval.ts';
import type { Circuit, Net, NetEnd } from '../circuit/model.ts';
import { levelAt } from '../circuit/level.ts';
import { allPullUps, driverPeak, highestRest, pullsToSeveralRails } from '../physics/node.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { subtract } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface LevelOverVoltageSays {
  readonly pullUp: { top: Text };
  readonly railHighestPartUnplugged: null;
  readonly railPartUnplugged: null;
  readonly fixed: { fixed: Text };
  readonly canBeDamaged: null;
  readonly pastSheetLessThan: null;
  readonly broken: { by: Text; net: Text; measuredText: Quantity; end: Text; limitText: Quantity; flows: Text };
  readonly holds: { net: Text; measuredText: Quantity; end: Text; limitText: Quantity };
  readonly meaning: null;
  readonly highest: { net: Text };
  readonly stands: { end: Text };
}

const tell = tells<LevelOverVoltageSays>('level/over-voltage');

const meta = {
  id: 'level/over-voltage',
  station: 'levels',
  breaks: 'danger',
  scope: 'part',
  reads: [
    'controller/io/absoluteMax',
    'controller/io/outputHigh',
    'controller/pins/*/fittedPullUp/value',
    'signals/*/absoluteMax',
    'signals/*/fittedPullUp/value',
    'signals/*/outputHigh',
  ],
} as const satisfies CheckMeta;

interface Peak {
  readonly volts: number;
  readonly sum: Sum;
  /** The same while its rail is at a voltage, V. */
  readonly at: (supply: number) => { readonly volts: number; readonly sum: Sum };
  readonly by: Text;
  readonly end: NetEnd | null;
  /** The one rail that it follows; null where several meet. */
  readonly rail: string | null;
}

/** Everything that can lift this net, seen from one of its ends. */
function peaks(net: Net, at: NetEnd): Peak[] {
  const found: Peak[] = net.ends.flatMap((end) => {
    const peak = end === at ? null : driverPeak(end);
    return peak ? [{ ...peak, at: (supply) => driverPeak(end, supply) ?? peak, by: end.label, end }] : [];
  });
  const rest = pullsToSeveralRails(net) ? null : highestRest(net);
  const top = allPullUps(net)[0];
  if (rest && top)
    found.push({
      ...rest,
      at: (supply) => ({ volts: supply, sum: quantityOf(supply, 'V', 4) }),
      by: tell('pullUp', { top: top.label }),
      end: null,
      rail: top.root,
    });
  const { fixed } = net;
  // With the bare part unplugged nothing flows, and the pin is at the resistor's rail.
  if (fixed?.voltage)
    found.push({
      volts: fixed.voltage.max,
      sum: tell('railHighestPartUnplugged'),
      at: (supply) => ({ volts: supply, sum: tell('railPartUnplugged') }),
      by: tell('fixed', { fixed: fixed.label }),
      end: null,
      rail: fixed.root,
    });
  return found;
}

/** V above its supply: below it a protection diode carries less than a microampere (common practice, a silicon diode at room temperature). */
const NO_CURRENT = 0.4;

/** What follows the terminal's own rail moves with it; anything else meets that rail at its lowest. */
function against(peak: Peak, end: NetEnd, level: LevelFigure, own: Interval | null) {
  const low = own?.min ?? 0;
  const high = own?.max ?? 0;
  const together = peak.rail !== null && peak.rail === end.power.rail;
  const cases = (together ? [low, high] : [low]).map((supply) => {
    const then = together ? peak.at(supply) : peak;
    const limit = levelAt(level, 'max', supply - end.power.drop);
    const flows = level.unit !== 'offset' || then.volts - (supply - end.power.drop) > NO_CURRENT;
    return { peak: { ...peak, ...then }, limit, margin: limit.volts - then.volts, flows };
  });
  return cases.reduce((a, b) => (b.margin < a.margin ? b : a));
}

function judge(circuit: Circuit, net: Net, end: NetEnd): Result[] {
  const level = end.levels.absoluteMax;
  if (!level || !end.power.voltage) return [];
  const worst = peaks(net, end)
    .map((peak) => against(peak, end, level, end.power.voltage)) // the worst is not always the highest
    .sort((a, b) => a.margin - b.margin)[0];
  if (!worst) return [];
  const { peak, limit, margin, flows } = worst;
  const broken = margin < -1e-9;
  const measuredText = quantityOf(peak.volts, 'V');
  const limitText = quantityOf(limit.volts, 'V');
  const fitted = net.pullUps.flatMap(({ figure }) => (figure ? [[figure.card, figure.source] as const] : []));
  const high = peak.end?.levels.outputHigh;
  return [
    result(circuit, meta, {
      subjects: [keyOf(end.part, end.signal), net.id],
      severity: broken ? (flows ? 'danger' : 'caution') : null,
      measured: peak.volts,
      limit: limit.volts,
      unit: 'V',
      margin,
      message: broken
        ? tell('broken', {
            by: peak.by,
            net: net.label,
            measuredText,
            end: end.label,
            limitText,
            flows: flows ? tell('canBeDamaged') : tell('pastSheetLessThan'),
          })
        : tell('holds', { net: net.label, measuredText, end: end.label, limitText }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('highest', { net: net.label }), sum: peak.sum, value: peak.volts, unit: 'V' },
        {
          name: tell('stands', { end: end.label }),
          sum: limit.sum,
          value: limit.volts,
          unit: 'V',
        },
        { name: term('margin'), sum: subtract(limitText, measuredText), value: margin, unit: 'V' },
      ],
      rests: [[end.card, level.source], ...fitted, high ? [peak.end?.card ?? '', high.source] : null],
    }),
  ];
}

export const levelOverVoltage = {
  meta,
  ...overNets((circuit, net) => net.ends.flatMap((end) => judge(circuit, net, end))),
} satisfies Check;
