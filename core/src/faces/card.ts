/** What an interface knows of cards, the library, and datasheets. */
export { RegisterWord } from '../card/port.ts';
export { Terminal } from '../card/card-shape.ts';
export { Card } from '../card/card.ts';
export { type Against, against } from '../card/against.ts';
export { isFound } from '../card/find.ts';
export { EVIDENCE, type Evidence, ASSUMED } from '../card/evidence.ts';
export { Source } from '../card/figure.ts';
export { HEADER_KINDS, type LeadEnd, SERVICES, SOCKET, type Service, WATER } from '../card/kinds.ts';
export { type Library, libraryOf } from '../card/library.ts';
export { missingOf, trustOf } from '../card/missing.ts';
export { type PlacedFigure, differences, figuresOf } from '../card/places.ts';
export type { SharedProtocol } from '../card/protocol.ts';
export { QUANTITIES } from '../card/quantities.ts';
export type { Box, PageText, Ruling, TextItem } from '../card/reader/page.ts';
export { corrected } from '../card/reader/correct.ts';
export { proposalsAt, unreadOf } from '../card/reader/pick.ts';
export { pastedPage } from '../card/reader/paste.ts';
export { type Proposal, surenessOf } from '../card/reader/proposal.ts';
export {
  type Before,
  type PageReading,
  classesIn,
  contextOf,
  layOut,
  nameIn,
  readDatasheet,
  readPage,
  settleProposals,
} from '../card/reader/read.ts';
export { type Outcome, type Slips, learned, withSlips } from '../card/reader/slips.ts';
export { type SlotId, SLOT_IDS, slotOf } from '../card/reader/slots.ts';
export { toInterval } from '../card/to-interval.ts';
