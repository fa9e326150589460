/** What is on the screen while a plan is open, in one piece: the shelf does without it. */
export { default as OpenPlan } from './OpenPlan.svelte';
export { default as Papers } from './Papers.svelte';
