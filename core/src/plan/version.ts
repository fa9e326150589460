/** The version of the plan format that this program writes. */
export const PLAN_VERSION = 10;
export const PLAN_FORMAT = 'idle-breadboard/plan';
