/** Files for people: the build sheet, the logbook, the heads of pin files. */
import type { SheetSays } from '../sheet.ts';
import { counted } from './grammar.ts';
import { topic } from '../language.ts';

export const sheet = {
  'format/sheet': topic<SheetSays>({
    says: {
      ownWire: ({ colour }) => `its own ${colour} wire`,
      ofValue: ({ kind, value }) => `${kind} ${value}`,
      step: ({ number, title }) => `${number}. ${title}`,
      done: 'done',
      putAt: ({ label, where }) => `Put down ${label}: ${where}.`,
      putBeside: ({ label }) => `Put down ${label}, beside the boards.`,
      labelLead: ({ number }) => `Label its lead ${number}.`,
      labelled: ({ label, number }) => `label the lead of ${label}: ${number}`,
      putDown: ({ label, where }) => `put down: ${label}, ${where}`,
      beside: 'beside the boards',
      look: ({ says }) => `look: ${says}`,
      measure: ({ says }) => `measure: ${says}`,
      verified: ({ proofs, fingerprint }) =>
        `Verified: ${counted(proofs, 'proof')}; the wiring was read back and agrees with the circuit. Fingerprint ${fingerprint}.`,
      unread: ({ unread, fingerprint }) => `**Proved, and not yet verified: ${unread}** Fingerprint ${fingerprint}.`,
      open: ({ fingerprint }) => `**Not verified. Do not wire this.** Fingerprint ${fingerprint}.`,
      safety: 'Safety',
      beforePower: 'Before power',
      coloursMeet: 'Where colours meet',
      parts: 'Parts',
      colourTo: ({ colour, to }) => `${colour} to ${to}`,
      total: ({ total, days }) => `${total} with shipping; the last parcel is here in ${counted(days, 'day')}.`,
      logbook: ({ plan }) => `Logbook: ${plan}`,
      build: ({ build }) => `Build ${build}`,
      trueValue: ({ value }) => `true value ${value}`,
      ofCount: ({ quantity, unit, most }) => `${quantity}, ${unit}, of a count of the converter from 0 to ${most}`,
      madeOf: ({ plan, card, fingerprint }) =>
        `“${plan}” on ${card}, plan ${fingerprint}. Made by Idle Breadboard; change the plan, not this file.`,
    },
  }),
};
