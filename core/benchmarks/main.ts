import { benchNetworks } from './networks.ts';
import { benchImpossible } from './impossible.ts';
import { benchJoint } from './joint.ts';
import { benchFinder } from './finder.ts';
import { benchLayout } from './layout.ts';
import { benchPins } from './pins.ts';
import { benchSets } from './sets.ts';
import { benchTimeline } from './timeline.ts';
import { benchMutated } from './mutated.ts';
import { benchMatrix } from './matrix.ts';
import { benchPace } from './pace.ts';
import { benchVerify } from './verify.ts';

console.log('Times are the middle of many runs on this machine; compare within one run only.');
benchPace();
benchVerify();
await benchPins();
await benchJoint();
benchNetworks();
benchTimeline();
benchSets();
benchLayout();
benchFinder();
benchMatrix();
benchMutated(1, 2000, false, false);
benchMutated(1, 300, false, true);
// All five hundred take half an hour: run impossible.ts by itself for those.
benchImpossible(1, 40);
