/** What is asked of a plan once its verdict is there: it comes after what works that out. */
export { settingsOf } from '@idle-breadboard/core/deliver';
export {
  namedSettings,
  readPack,
  readPlan,
  selfTestC,
  selfTestPython,
  settingsC,
  settingsJson,
  settingsOverlay,
  settingsPython,
  writePack,
  writePlan,
} from '@idle-breadboard/core/files';
export { overviewOf } from '@idle-breadboard/core/overview';
export { answering, pinModel, solvePins, stagger, whatIfs, withPins } from '@idle-breadboard/core/solve';
