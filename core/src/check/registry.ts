import { analogDivider } from './analog-divider.ts';
import { analogRange } from './analog-range.ts';
import { analogResolution } from './analog-resolution.ts';
import { analogSource } from './analog-source.ts';
import { bodyClearance } from './body-clearance.ts';
import { partsArrival, partsBudget, partsSolder } from './parts-buying.ts';
import { bodyHeat } from './body-heat.ts';
import { bodyPlace, bodyAmbient, bodyLead, bodyWater, bodyWear } from './body-place.ts';
import { busAddressCollision, busAddressReserved } from './bus-address.ts';
import { busCapacitance } from './bus-capacitance.ts';
import { busClock } from './bus-clock.ts';
import { busCrossed } from './bus-crossed.ts';
import { busPullUpPairs } from './bus-pull-up-pairs.ts';
import { busPullUpStrong, busPullUpWeak } from './bus-pull-up.ts';
import { busSpiMode, busSpiSpeed } from './bus-spi.ts';
import { busStretching } from './bus-stretching.ts';
import { busTimeCheck } from './bus-time.ts';
import { driveContact } from './drive-contact.ts';
import { driveDiode } from './drive-diode.ts';
import { driveFlyback } from './drive-flyback.ts';
import { driveGain } from './drive-gain.ts';
import { driveLed } from './drive-led.ts';
import { driveTransistor } from './drive-transistor.ts';
import { levelFeedRule } from './level-feed-rule.ts';
import { levelHigh } from './level-high.ts';
import { levelLow } from './level-low.ts';
import { levelMixedPullUps } from './level-mixed-pull-ups.ts';
import { levelNoPullUp } from './level-no-pull-up.ts';
import { levelOverVoltage } from './level-over-voltage.ts';
import { levelTranslatedTwice } from './level-translated-twice.ts';
import { levelTranslator } from './level-translator.ts';
import { levelUnpowered } from './level-unpowered.ts';
import { needAccuracy } from './need-accuracy.ts';
import { needInterval, needWarmUp } from './need-interval.ts';
import { needRange } from './need-range.ts';
import { needSelectivity } from './need-selectivity.ts';
import { needTrigger } from './need-trigger.ts';
import { pinBootState } from './pin-boot-state.ts';
import { pinCapability } from './pin-capability.ts';
import { pinCurrent } from './pin-current.ts';
import { pinDouble } from './pin-double.ts';
import { pinFloating } from './pin-floating.ts';
import { pinStrap } from './pin-strap.ts';
import { pinUnitConflict } from './pin-unit-conflict.ts';
import { analogDeadEnds } from './analog-dead-ends.ts';
import { analogGroundShift } from './analog-ground-shift.ts';
import { bodyCondensation } from './body-condensation.ts';
import { bodySun } from './body-sun.ts';
import { bodySurge } from './body-surge.ts';
import { busLongLeads } from './bus-long-leads.ts';
import { busRelease } from './bus-release.ts';
import { busSerialRate } from './bus-serial-rate.ts';
import { driveChain } from './drive-chain.ts';
import { driveGate } from './drive-gate.ts';
import { needBurnIn, needSelfCalibration, needShortEvents } from './need-upkeep.ts';
import { pinWake } from './pin-wake.ts';
import { supplyBackup } from './supply-backup.ts';
import { supplyContacts } from './supply-contacts.ts';
import { supplyDip } from './supply-dip.ts';
import { supplyFuse } from './supply-fuse.ts';
import { supplyInrush } from './supply-inrush.ts';
import { supplyNoise } from './supply-noise.ts';
import { supplySleep } from './supply-sleep.ts';
import { supplyStaysOn } from './supply-stays-on.ts';
import { supplyStepUp } from './supply-step-up.ts';
import type { Check, CheckMeta } from './result.ts';
import { safetyHazard } from './safety-hazard.ts';
import { supplyBackFeed } from './supply-back-feed.ts';
import { supplyCharging, supplySolar } from './supply-charging.ts';
import { supplyCommonGround } from './supply-common-ground.ts';
import { supplyDropout } from './supply-dropout.ts';
import { supplyHeat } from './supply-heat.ts';
import { supplyLeadDrop } from './supply-lead-drop.ts';
import { supplyPinFed } from './supply-pin-fed.ts';
import { supplyCutOff } from './supply-cut-off.ts';
import { supplyProgramming } from './supply-programming.ts';
import { supplyPinGround } from './supply-pin-ground.ts';
import { supplyRailCurrent } from './supply-rail-current.ts';
import { supplyRuntime, supplySag } from './supply-runtime.ts';
import { supplySourceCurrent } from './supply-source-current.ts';
import { supplyPlug } from './supply-plug.ts';
import { supplyRange } from './supply-range.ts';
import { wireBudget } from './wire-budget.ts';
import { wireOverlay } from './wire-overlay.ts';
import { wirePullUp } from './wire-pull-up.ts';

/** Every check, in the order of the work. A new one is added here and nowhere else. */
export const CHECKS = [
  needRange,
  needAccuracy,
  needInterval,
  needWarmUp,
  needTrigger,
  needSelectivity,
  needShortEvents,
  needSelfCalibration,
  needBurnIn,
  levelOverVoltage,
  levelMixedPullUps,
  levelUnpowered,
  levelHigh,
  levelLow,
  levelNoPullUp,
  levelTranslator,
  levelTranslatedTwice,
  levelFeedRule,
  analogRange,
  analogDeadEnds,
  analogSource,
  analogResolution,
  analogDivider,
  analogGroundShift,
  busAddressCollision,
  busAddressReserved,
  busClock,
  busStretching,
  busCrossed,
  busSerialRate,
  busRelease,
  busSpiSpeed,
  busSpiMode,
  busTimeCheck,
  busCapacitance,
  busLongLeads,
  busPullUpWeak,
  busPullUpStrong,
  busPullUpPairs,
  wirePullUp,
  wireBudget,
  wireOverlay,
  pinDouble,
  pinCapability,
  pinStrap,
  pinFloating,
  pinUnitConflict,
  pinCurrent,
  pinBootState,
  pinWake,
  driveLed,
  driveTransistor,
  driveGain,
  driveGate,
  driveFlyback,
  driveDiode,
  driveContact,
  driveChain,
  supplyRange,
  supplyPlug,
  supplyDropout,
  supplyRailCurrent,
  supplySourceCurrent,
  supplyStaysOn,
  supplyInrush,
  supplyDip,
  supplyStepUp,
  supplyNoise,
  supplyPinFed,
  supplyPinGround,
  supplyCommonGround,
  supplyBackFeed,
  supplyProgramming,
  supplyCutOff,
  supplyFuse,
  supplyBackup,
  supplyCharging,
  supplySolar,
  supplyLeadDrop,
  supplyContacts,
  supplyHeat,
  supplySag,
  supplySleep,
  supplyRuntime,
  bodyHeat,
  bodyPlace,
  bodySun,
  bodyCondensation,
  bodySurge,
  bodyAmbient,
  bodyWater,
  bodyLead,
  bodyWear,
  bodyClearance,
  partsBudget,
  partsArrival,
  partsSolder,
  safetyHazard,
] as const satisfies readonly Check[];

/** Every check by its name: what is kept for each of them is held to this by the compiler. */
export type CheckId = (typeof CHECKS)[number]['meta']['id'];

const METAS: ReadonlyMap<string, CheckMeta> = new Map(CHECKS.map(({ meta }) => [meta.id, meta]));

/** What a check says of itself; undefined for what is no check of the registry. */
export const metaOf = (check: string): CheckMeta | undefined => METAS.get(check);
