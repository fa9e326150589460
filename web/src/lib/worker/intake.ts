import type { Assignment, CaptureSummary } from '@idle-breadboard/core/bench';
import type { Logbook, Read } from '@idle-breadboard/core/files';

/** What a file of an instrument holds, before its columns are told apart. */
export interface CaptureHead {
  readonly kind: 'csv' | 'vcd';
  readonly channels: readonly string[];
}

export interface IntakeWorker {
  /** @throws Error in words, where the file is neither kind */
  captureHead(file: Blob): Promise<CaptureHead>;
  /** @throws Error in words, with the line that cannot be read */
  capture(
    file: Blob,
    kind: CaptureHead['kind'],
    assigned: readonly Assignment[],
    progress: (share: number) => void,
  ): Promise<CaptureSummary>;
  logbook(text: string): Read<Logbook>;
}
