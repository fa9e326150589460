/** Outputs as they stand with what hangs on their line. */
import { levelVolts } from './level.ts';
import type { NetEnd, PartNode, PullDown, PullUp } from './model.ts';

/**
 * Outputs as they stand with what hangs on the line: the levels of a sheet hold at a stated current, and with less an output is
 * pulled less far from its rail. The transistor behind it bends towards the rail, so a straight line between the two is on the
 * safe side (common practice). Where an end does not say what it takes - a light, a base, an input without its leakage - the
 * level of the sheet stands.
 */
export function lightlyLoaded(
  ends: readonly NetEnd[],
  parts: ReadonlyMap<string, PartNode>,
  pullUps: readonly PullUp[],
  pullDowns: readonly PullDown[],
): NetEnd[] {
  const unsaid = ({ part, signal, kind, controller, divider }: NetEnd): boolean => {
    const card = parts.get(part)?.card;
    const says = controller ? card?.controller?.io.leakage : card?.signals.find(({ id }) => id === signal)?.leakage;
    return kind === 'led' || divider || card?.driver?.bipolar !== undefined || says === undefined;
  };
  return ends.map((end) => {
    const { outputHigh, outputLow, outputLoad } = end.levels;
    const supply = end.power.voltage;
    const others = ends.filter((other) => other !== end);
    if (!outputLoad || !supply || others.some(unsaid)) return end;
    const leaks = others.reduce((sum, { leakage }) => sum + leakage, 0);
    const given = pullDowns.reduce((sum, { ohms }) => sum + supply.max / ohms.min, leaks) / outputLoad;
    const sunk =
      pullUps.reduce((sum, { ohms, voltage }) => sum + (voltage?.max ?? supply.max) / ohms.min, leaks) / outputLoad;
    const rails = [supply.min, supply.max];
    const lost = outputHigh && Math.max(0, ...rails.map((v) => v - levelVolts(outputHigh, 'min', v)));
    const left = outputLow && Math.max(0, ...rails.map((v) => levelVolts(outputLow, 'max', v)));
    return {
      ...end,
      levels: {
        ...end.levels,
        ...(outputHigh && lost !== undefined && outputHigh.max === undefined && given < 1
          ? { outputHigh: { min: -lost * given, unit: 'offset', source: outputHigh.source } }
          : {}),
        ...(outputLow && left !== undefined && sunk < 1
          ? { outputLow: { max: left * sunk, unit: 'V', source: outputLow.source } }
          : {}),
      },
    };
  });
}
