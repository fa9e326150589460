/** The stations of the electrical proof, in one piece that comes when it is gone to: they work sums out where they are shown. */
export { default as Bus } from './Bus.svelte';
export { default as Levels } from './Levels.svelte';
export { default as Pins } from './Pins.svelte';
export { default as Power } from './Power.svelte';
