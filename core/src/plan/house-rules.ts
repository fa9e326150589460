import { z } from 'zod';

/** Where makers disagree, the plan carries the choice. Each rule has a default and a sentence that says why. */
export const HouseRules = z.strictObject({
  marginalLevels: z.enum(['guaranteed', 'working']),
  /** A supply that is inside at every tolerance, or nominally inside and short of it by a little at the worst. */
  marginalSupplies: z.enum(['guaranteed', 'working']),
  feed: z.enum(['logic-rail', 'five-volts']),
  pullUps: z.enum(['one-pair', 'keep']),
  pullUpValue: z.enum(['strongest', 'middle', 'weakest']),
  series: z.enum(['E6', 'E12', 'E24', 'E96']),
  derating: z.number().min(0.1).max(1),
  /** Share of a pin's recommended current that may feed a part; 0 for never. */
  pinPower: z.number().min(0).max(1),
  buying: z.enum(['fast', 'cheap']),
  /** Bare parts and loose headers: taken where they are cheaper, or not at all. */
  soldering: z.enum(['none', 'cheapest']),
  /** A row of its own for each shared line, or only where the rows of the parts do not suffice. */
  sharedRow: z.enum(['needed', 'always']),
  /** How sure one wants to be that of each kind enough pieces work. */
  sure: z.number().min(0.5).max(0.9999),
  colours: z.strictObject({
    supply: z.string().max(24),
    logic: z.string().max(24),
    ground: z.string().max(24),
    data: z.string().max(24),
    clock: z.string().max(24),
    others: z.array(z.string().max(24)).min(1).max(12),
  }),
});
export type HouseRules = z.infer<typeof HouseRules>;
