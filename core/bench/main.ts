import { benchNetworks } from './networks.ts';
import { benchJoint } from './joint.ts';
import { benchFinder } from './finder.ts';
import { benchLayout } from './layout.ts';
import { benchPins } from './pins.ts';
import { benchSets } from './sets.ts';
import { benchTimeline } from './timeline.ts';
import { benchVerify } from './verify.ts';

console.log('Times are the middle of many runs on this machine; compare within one run only.');
benchVerify();
await benchPins();
await benchJoint();
benchNetworks();
benchTimeline();
benchSets();
benchLayout();
benchFinder();
