import { start } from './start.mjs';

await start({ IDLE_DEMO: '1' });
