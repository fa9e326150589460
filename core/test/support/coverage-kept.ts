/**
 * The runner asks its workers to end and kills them after a second. Writing what was covered takes longer on a loaded
 * machine: a worker that is writing stays until it has written.
 */
if (process.env['NODE_V8_COVERAGE'] && process.env['MOCHA_WORKER_ID'] !== undefined)
  process.on('SIGTERM', () => undefined);
