import { toInterval } from '../card/to-interval.ts';
import type { Circuit, PartNode } from '../circuit/model.ts';
import { type Quantity, quantityOf, tells, type Text } from '../quantity/message.ts';
import { FORCED_GAIN } from '../standard/common-practice.ts';
import { type Check, type CheckMeta, result, type Result } from './result.ts';
import { term } from './terms.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface DriveGainSays {
  readonly holds: { driver: Text; gain: Quantity; forced: Quantity };
  readonly broken: { driver: Text; gain: Quantity; forced: Quantity };
  readonly meaning: null;
  readonly ofItself: null;
  readonly drivenFor: null;
}

const tell = tells<DriveGainSays>('drive/gain');

const meta = {
  id: 'drive/gain',
  station: 'pins',
  breaks: 'caution',
  scope: 'part',
  reads: ['driver/bipolar/gain'],
} as const satisfies CheckMeta;

/** A base that gets a tenth of the load holds a transistor saturated only where it would carry more than that by itself. */
function judge(circuit: Circuit, driver: PartNode): Result[] {
  const figure = driver.card.driver?.bipolar?.gain;
  if (!figure) return [];
  const gain = toInterval(figure).min;
  const isEnough = gain > FORCED_GAIN;
  const data = { driver: driver.label, gain: quantityOf(gain, ''), forced: quantityOf(FORCED_GAIN, '') };
  return [
    result(circuit, meta, {
      subjects: [driver.id],
      severity: isEnough ? null : 'caution',
      measured: gain,
      limit: FORCED_GAIN,
      unit: '',
      margin: gain - FORCED_GAIN,
      message: isEnough ? tell('holds', data) : tell('broken', data),
      meaning: tell('meaning'),
      workings: [
        { name: tell('ofItself'), sum: term('fromCard'), value: gain, unit: '' },
        { name: tell('drivenFor'), sum: FORCED_GAIN, value: FORCED_GAIN, unit: '' },
      ],
      rests: [[driver.card.id, figure.source]],
    }),
  ];
}

export const driveGain = {
  meta,
  ...overParts(judge),
} satisfies Check;
