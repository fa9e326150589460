/** What the reading worker offers. It is ended to cancel, so that nothing in a file can hold the page up. */
import type { Box, Proposal } from '@idle-breadboard/core/card';
import type { PartProposals, Read } from '@idle-breadboard/core/files';
import type { ClassId } from '@idle-breadboard/core/workshop';

interface ReadProgress {
  readonly page: number;
  readonly pages: number;
}

interface Document {
  /** As the file names itself, or "". */
  readonly title: string;
  readonly pages: number;
  /** Pages that were read; fewer than there are when the file holds more than a person would search. */
  readonly readPages: number;
  readonly proposals: readonly Proposal[];
  /** The classes that the part can be of, the likeliest first. */
  readonly classes: readonly ClassId[];
  /** Where values stand that no proposal was read from. */
  readonly unread: readonly Spot[];
}

/** A place on a page, in points. */
export interface Spot {
  readonly page: number;
  readonly box: Box;
}

export type Opened =
  { readonly ok: true; readonly document: Document } | { readonly ok: false; readonly message: string };

export interface Picture {
  readonly bitmap: ImageBitmap;
  /** Of the page, in points. */
  readonly width: number;
  readonly height: number;
}

/** The text of a table of pins, its cells parted by tabs. */
export type TableText = { readonly ok: true; readonly text: string } | { readonly ok: false; readonly message: string };

export interface ReaderWorker {
  openPdf(data: ArrayBuffer, progress: (now: ReadProgress) => void): Promise<Opened>;
  /** A page as it looks. @param width of the picture in dots */
  picture(page: number, width: number): Promise<Picture | null>;
  /** What stands at a spot of the document that is open, beside what is known. */
  at(spot: Spot, known: readonly Proposal[]): readonly Proposal[];
  pinTable(data: ArrayBuffer): Promise<TableText>;
  paste(text: string): Opened;
  table(text: string): Read<readonly PartProposals[]>;
}

/** Larger files are catalogues, not datasheets; bytes. */
export const LARGEST_PDF = 60_000_000;
