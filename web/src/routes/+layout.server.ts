import { env } from '$env/dynamic/private';
import type { LayoutServerLoad } from './$types';

/** Started as a demo, an empty shelf is filled with the demo plans. */
export const load: LayoutServerLoad = () => ({ demo: env.IDLE_DEMO === '1' });
