import { start } from './start.mjs';

start({ IDLE_DEMO: '1' });
