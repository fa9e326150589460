import type { Circuit, PartNode } from '../circuit/model.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { tells, type Text } from '../quantity/message.ts';
import { overParts } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyBackupSays {
  readonly wrong: { part: Text };
  readonly chargesCellRechargeableOne: { part: Text };
  readonly holds: { part: Text };
  readonly meaning: null;
  readonly cell: null;
  readonly chargedFromSupply: null;
  readonly yes: null;
  readonly no: null;
}

const tell = tells<SupplyBackupSays>('supply/backup');

const meta = {
  id: 'supply/backup',
  station: 'power',
  breaks: 'danger',
  scope: 'plan',
  reads: [],
} as const satisfies CheckMeta;

function judge(circuit: Circuit, part: PartNode): Result[] {
  const { backup } = part.card;
  if (!backup) return [];
  const wrong = backup.charges && backup.cell === 'primary';
  return [
    result(circuit, meta, {
      subjects: [part.id],
      aspect: 'cell',
      severity: wrong ? 'danger' : null,
      message: wrong
        ? tell('wrong', { part: part.label })
        : backup.charges
          ? tell('chargesCellRechargeableOne', { part: part.label })
          : tell('holds', { part: part.label }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('cell'), sum: backup.cell },
        { name: tell('chargedFromSupply'), sum: backup.charges ? tell('yes') : tell('no') },
      ],
      rests: [[part.card.id, backup.source]],
    }),
  ];
}

export const supplyBackup = {
  meta,
  ...overParts(judge),
} satisfies Check;
