/** pdf.js ships no types for its worker; it is only handed on. */
declare module 'pdfjs-dist/build/pdf.worker.mjs' {
  export const WorkerMessageHandler: unknown;
}
