/** What a store of plans and cards knows of older versions of them; it brings no checking of files along. */
export { migrateCard, migrateStoredPlan } from '../format/migrate.ts';
