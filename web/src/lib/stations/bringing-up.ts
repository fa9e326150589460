/** The station where the build is brought up, in one piece that comes when it is gone to. */
export { default as BringUp } from './BringUp.svelte';
export { default as PrintBringUp } from './PrintBringUp.svelte';
