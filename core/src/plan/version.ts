/** The version of the plan format that this program writes. */
export const PLAN_VERSION = 11;
export const PLAN_FORMAT = 'idle-breadboard/plan';
