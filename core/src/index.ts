/** What scripts outside of the project know of the core: the reader of datasheets, which is scored on sheets that are kept apart. */
export { layOut, readDatasheet } from './card/reader/read.ts';
