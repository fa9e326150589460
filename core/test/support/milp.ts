/** The pin model as a mixed-integer program, for an independent solver. Tests and benchmarks only. */
import type { PinModel } from '../../src/solve/pins.ts';

/** CPLEX LP text: x_i_j is wish i on pin j, g_k_n is group k on its n-th instance. */
export function lpOf(model: PinModel): string {
  const { wishes, pins, groups } = model;
  const cost: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const onPin = pins.map((): string[] => []);
  wishes.forEach((wish, i) => {
    const mine: string[] = [];
    pins.forEach((_, j) => {
      const c = model.cost(i, j, null);
      if (!Number.isFinite(c)) return;
      const x = `x_${i}_${j}`;
      binaries.push(x);
      mine.push(x);
      onPin[j]?.push(x);
      cost.push(`${c} ${x}`);
      const k = groups.findIndex(({ id }) => id === wish.group);
      if (k >= 0) {
        const able =
          groups[k]?.instances.flatMap((instance, n) =>
            Number.isFinite(model.cost(i, j, instance)) ? [`g_${k}_${n}`] : [],
          ) ?? [];
        rows.push(able.length > 0 ? `${x} - ${able.join(' - ')} <= 0` : `${x} = 0`);
      }
    });
    rows.push(`${mine.length > 0 ? mine.join(' + ') : '0 x_none'} = 1`);
  });
  for (const xs of onPin) if (xs.length > 1) rows.push(`${xs.join(' + ')} <= 1`);
  groups.forEach((group, k) => {
    const all = group.instances.map((_, n) => `g_${k}_${n}`);
    binaries.push(...all);
    if (all.length > 0) rows.push(`${all.join(' + ')} = 1`);
    groups.slice(k + 1).forEach((other, offset) => {
      if (other.kind !== group.kind) return;
      group.instances.forEach((instance, n) => {
        const m = other.instances.indexOf(instance);
        if (m >= 0) rows.push(`g_${k}_${n} + g_${k + 1 + offset}_${m} <= 1`);
      });
    });
  });
  return `Minimize\n obj: ${cost.join(' + ') || '0 x_none'}\nSubject To\n${rows.map((row, i) => ` c${i}: ${row}`).join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd\n`;
}
