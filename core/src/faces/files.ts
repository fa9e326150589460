/** What an interface knows of files in and out. */
export { boardSvg, pathOf } from '../format/board-svg.ts';
export { dashOf, figureInkOf, inkOf } from '../format/lead-inks.ts';
export { sheetMarkdown } from '../format/bring-up-markdown.ts';
export { buildSheet, leadSays } from '../format/build-sheet.ts';
export { readCard } from '../format/card-file.ts';
export { readPart, writePart } from '../format/part-file.ts';
export { partsCsv, wiringCsv } from '../format/csv.ts';
export { jsonSchema } from '../format/json-schema.ts';
export { type Logbook, readLogbook, writeLogbook } from '../format/logbook-file.ts';
export { logCsv, logMarkdown } from '../format/logbook-text.ts';
export { migrateCard, migrateStoredPlan } from '../format/migrate.ts';
export { readPack, writePack } from '../format/pack-file.ts';
export { type PartProposals, cardsCsv, readPartsTable } from '../format/parts-table.ts';
export { cHeader, devicetreeOverlay, pythonModule, takesOverlay } from '../format/pin-sheet.ts';
export { type Read, readPlan, writePlan } from '../format/plan-file.ts';
export { type Report, refused, reportOf } from '../report/report.ts';
