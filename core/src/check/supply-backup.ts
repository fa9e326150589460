import type { Circuit, PartNode } from '../circuit/circuit.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const meta: CheckMeta = {
  id: 'supply/backup',
  title: 'Nothing charges a primary cell',
  station: 'power',
  rule: 'A clock that charges its holder from the supply carries a rechargeable cell; one that takes a primary cell does not charge it.',
  source: 'the cards; common practice',
  breaks: 'danger',
};

function judge(circuit: Circuit, part: PartNode): Result[] {
  const { backup } = part.card;
  if (!backup) return [];
  const wrong = backup.charges && backup.cell === 'primary';
  return [
    result(circuit, meta, {
      subjects: [part.id, 'cell'],
      severity: wrong ? 'danger' : null,
      message: wrong
        ? `${part.label} charges the cell in its holder from its supply, and a primary cell is what fits. A primary cell that is charged can burst: take the charging resistor off, put a rechargeable cell in, or take another clock.`
        : backup.charges
          ? `${part.label} charges its cell: a rechargeable one only.`
          : `${part.label} does not charge its cell: a primary one is right.`,
      meaning: 'A coin cell that swells leaks over the board first; some burn.',
      workings: [
        { name: 'cell', sum: backup.cell },
        { name: 'charged from the supply', sum: backup.charges ? 'yes' : 'no' },
      ],
      rests: [[part.card.id, backup.source]],
    }),
  ];
}

export const supplyBackup: Check = {
  meta,
  run: (circuit) => [...circuit.parts.values()].flatMap((part) => judge(circuit, part)),
};
