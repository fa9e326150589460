import { USUAL_SURENESS } from '../standard/common-practice.ts';
import type { HouseRules } from './house-rules.ts';

export const DEFAULT_RULES: HouseRules = {
  marginalLevels: 'guaranteed',
  marginalSupplies: 'guaranteed',
  feed: 'logic-rail',
  pullUps: 'one-pair',
  pullUpValue: 'middle',
  series: 'E12',
  derating: 0.8,
  pinPower: 0,
  buying: 'fast',
  soldering: 'none',
  sharedRow: 'needed',
  sure: USUAL_SURENESS,
  colours: {
    supply: 'red',
    logic: 'orange',
    ground: 'black',
    data: 'green',
    clock: 'yellow',
    others: ['blue', 'violet', 'white', 'grey', 'brown'],
  },
};
