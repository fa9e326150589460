import { busAddressCollision, busAddressReserved } from './bus-address.ts';
import { busClock } from './bus-clock.ts';
import { busPullUpStrong, busPullUpWeak } from './bus-pull-up.ts';
import { driveFlyback } from './drive-flyback.ts';
import { driveLed } from './drive-led.ts';
import { levelHigh } from './level-high.ts';
import { levelLow } from './level-low.ts';
import { levelNoPullUp } from './level-no-pull-up.ts';
import { levelOverVoltage } from './level-over-voltage.ts';
import { levelTranslator } from './level-translator.ts';
import { needAccuracy } from './need-accuracy.ts';
import { needInterval, needWarmUp } from './need-interval.ts';
import { needRange } from './need-range.ts';
import { needSelectivity } from './need-selectivity.ts';
import { needTrigger } from './need-trigger.ts';
import { pinCapability } from './pin-capability.ts';
import { pinDouble } from './pin-double.ts';
import { pinStrap } from './pin-strap.ts';
import type { Check } from './result.ts';
import { safetyHazard } from './safety-hazard.ts';
import { supplyRailCurrent } from './supply-rail-current.ts';
import { supplyRange } from './supply-range.ts';
import { wirePullUp } from './wire-pull-up.ts';

/** Every check, in the order of the work. A new one is added here and nowhere else. */
export const CHECKS: readonly Check[] = [
  needRange,
  needAccuracy,
  needInterval,
  needWarmUp,
  needTrigger,
  needSelectivity,
  levelOverVoltage,
  levelHigh,
  levelLow,
  levelNoPullUp,
  levelTranslator,
  busAddressCollision,
  busAddressReserved,
  busClock,
  busPullUpWeak,
  busPullUpStrong,
  wirePullUp,
  pinDouble,
  pinCapability,
  pinStrap,
  driveLed,
  driveFlyback,
  supplyRange,
  supplyRailCurrent,
  safetyHazard,
];
