import { railLoad } from './rail-load.ts';
import type { Check, CheckMeta } from './result.ts';
import { tells } from '../quantity/message.ts';
import { overRails } from './over.ts';

/** What is said here, by the data that it takes. */
export interface SupplyRailCurrentSays {
  readonly canDropOutOr: null;
  readonly whenRailSagsRadio: null;
}

const tell = tells<SupplyRailCurrentSays>('supply/rail-current');

const meta = {
  id: 'supply/rail-current',
  station: 'power',
  breaks: 'fault',
  scope: 'plan',
  reads: [
    'controller/usb/limit',
    'rails/*/limit',
    'rails/*/ownLoad/active',
    'rails/*/ownLoad/idle',
    'rails/*/ownLoad/peak',
    'rails/*/ownLoad/stages/*/current',
    'supplies/*/current/active',
    'supplies/*/current/peak',
    'supplies/*/current/stages/*/current',
  ],
} as const satisfies CheckMeta;

export const supplyRailCurrent = {
  meta,
  ...overRails((circuit, rail) =>
    rail.offer.from ? railLoad(circuit, meta, rail, tell('canDropOutOr'), tell('whenRailSagsRadio')) : [],
  ),
} satisfies Check;
