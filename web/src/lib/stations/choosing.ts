/** The stations where parts are chosen, in one piece that comes when it is gone to. */
export { default as PrintComparison } from './PrintComparison.svelte';
export { default as Compare } from './Compare.svelte';
export { default as Control } from './Control.svelte';
