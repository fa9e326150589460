/** The stations of what goes to the bench, in one piece that comes when it is gone to. */
export { default as Parts } from './Parts.svelte';
export { default as PrintSheet } from './PrintSheet.svelte';
export { default as Wiring } from './Wiring.svelte';
