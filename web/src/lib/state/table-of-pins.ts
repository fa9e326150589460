import { threads } from '../worker/threads';
import { Thread } from '../worker/thread';
import { LARGEST_PDF, type ReaderWorker, type TableText } from '../reader/reader';

/** The text of the table of pins in a PDF, read in a thread of its own. */
export async function tableOf(file: File): Promise<TableText> {
  if (file.size > LARGEST_PDF)
    return { ok: false, message: `It has ${Math.round(file.size / 1e6)} MB; up to ${LARGEST_PDF / 1e6} MB are read.` };
  const thread = new Thread<ReaderWorker>(threads.read);
  try {
    const data = await file.arrayBuffer();
    return (
      (await thread.newest<TableText>((calls) => calls.pinTable(data))) ?? {
        ok: false,
        message: 'The reading was ended.',
      }
    );
  } catch (error) {
    return { ok: false, message: error instanceof Error ? error.message : String(error) };
  } finally {
    thread.end();
  }
}
