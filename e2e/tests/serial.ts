/** A stand-in for the serial interface of the browser: what is at the other end says lines, and hears what is sent. */
import type { Page } from '@playwright/test';

/** Before the page is opened. @param hears what the page sends @returns says a text to the page */
export async function plugSerial(page: Page, hears: (text: string) => void): Promise<(text: string) => Promise<void>> {
  await page.exposeFunction('serialHears', hears);
  await page.addInitScript(() => {
    const port = {
      open: () => Promise.resolve(),
      close: () => Promise.resolve(),
      readable: new ReadableStream<Uint8Array>({
        start(control) {
          Reflect.set(window, 'serialSays', (text: string) => control.enqueue(new TextEncoder().encode(text)));
        },
      }),
      writable: new WritableStream<Uint8Array>({
        write: (piece) =>
          (Reflect.get(window, 'serialHears') as (t: string) => Promise<void>)(new TextDecoder().decode(piece)),
      }),
    };
    Object.defineProperty(navigator, 'serial', { value: { requestPort: () => Promise.resolve(port) } });
  });
  return (text) => page.evaluate((t) => (Reflect.get(window, 'serialSays') as (t: string) => void)(t), text);
}
