/** Six sheets that were written apart from the reader, with what a careful person takes from each. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readDatasheet, type Proposal } from '@idle-breadboard/core/card';
import { expect } from 'chai';
import { pagesOf } from './score.ts';

const SHEETS = join(import.meta.dirname, '../../fixtures/sheets');

interface Wanted {
  readonly slot: string;
  readonly quantity?: string;
  readonly min?: number;
  readonly typ?: number;
  readonly max?: number;
  readonly ofReading?: number;
  readonly size?: readonly number[];
  /** How many pins it has. */
  readonly count?: number;
  readonly unit: string;
  readonly page: number;
}

const near = (a = NaN, b = NaN): boolean =>
  (Number.isNaN(a) && Number.isNaN(b)) || Math.abs(a - b) <= 1e-6 * Math.max(Math.abs(a), Math.abs(b));

function isTold(wanted: Wanted, proposal: Proposal): boolean {
  if (wanted.slot !== proposal.slot || wanted.unit !== proposal.unit || wanted.page !== proposal.page) return false;
  if (wanted.quantity !== undefined && wanted.quantity !== proposal.quantity?.quantity) return false;
  if (wanted.size) return wanted.size.every((length, i) => near(length, proposal.size?.[i]));
  const values = ({ min, typ, max }: Pick<Wanted, 'min' | 'typ' | 'max'>) =>
    [min, typ, max].filter((v) => v !== undefined);
  const [asked, told] = [values(wanted), values(proposal)];
  // Of a level or a rating the side that binds counts; one number without a word for its side may stand on any.
  const [one] = asked;
  if (asked.length === 1 && one !== undefined)
    return told.some((value) => near(value, one)) && near(wanted.ofReading, proposal.ofReading);
  return near(wanted.min, proposal.min) && near(wanted.typ, proposal.typ) && near(wanted.max, proposal.max);
}

const WANTED: unknown = JSON.parse(readFileSync(join(SHEETS, 'truth.json'), 'utf8'));

describe('sheets from elsewhere', function () {
  this.timeout(60_000);
  for (const [name, wanted] of Object.entries(WANTED as Record<string, Wanted[]>)) {
    it(`${name} gives at least nine of ten, and nothing wrong is sure`, async () => {
      const proposals = readDatasheet(await pagesOf(join(SHEETS, `${name}.pdf`)));
      const pins = new Set(proposals.filter(({ slot }) => slot === 'terminal').map(({ typ }) => typ)).size;
      const missed = wanted.filter((one) =>
        one.count === undefined ? !proposals.some((told) => isTold(one, told)) : one.count !== pins,
      );
      const wrong = proposals.filter(
        (told) => told.slot !== 'terminal' && !wanted.some((one) => isTold(one, told)) && told.sureness === 'sure',
      );
      expect(missed.length / wanted.length, missed.map(({ slot }) => slot).join(', ')).to.be.at.most(0.1);
      expect(wrong.map(({ said }) => said)).to.deep.equal([]);
    });
  }
});
