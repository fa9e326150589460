/** What the reader looks for: the places of a card that a datasheet can fill, and which units and sizes make sense there. */

export const SLOTS = {
  'supply.range': { title: 'supply voltage', units: ['V'], from: 0.5, to: 60 },
  'supply.absoluteMax': { title: 'supply, absolute maximum', units: ['V'], from: -60, to: 100 },
  'supply.idle': { title: 'idle current', units: ['A'], from: 0, to: 5 },
  'supply.active': { title: 'active current', units: ['A'], from: 0, to: 20 },
  'supply.peak': { title: 'peak current', units: ['A'], from: 0, to: 50 },
  'logic.inputHigh': { title: 'input high level', units: ['V', 'share', 'offset'], from: -6, to: 6 },
  'logic.inputLow': { title: 'input low level', units: ['V', 'share', 'offset'], from: -6, to: 6 },
  'logic.outputHigh': { title: 'output high level', units: ['V', 'share', 'offset'], from: -6, to: 6 },
  'logic.outputLow': { title: 'output low level', units: ['V', 'share', 'offset'], from: -6, to: 6 },
  'logic.absoluteMax': { title: 'signal, absolute maximum', units: ['V', 'share', 'offset'], from: -60, to: 60 },
  'logic.sinkCurrent': { title: 'sink current', units: ['A'], from: 0, to: 1 },
  'logic.leakage': { title: 'leakage', units: ['A'], from: -1e-3, to: 1e-3 },
  'logic.capacitance': { title: 'pin capacitance', units: ['F'], from: 0, to: 1e-9 },
  'logic.pullUp': { title: 'fitted pull-up', units: ['Ω'], from: 100, to: 1e6 },
  'port.clock': { title: 'bus clock', units: ['Hz'], from: 100, to: 1e8 },
  'port.address': { title: 'bus address', units: ['address'], from: 0, to: 127 },
  'port.identity': { title: 'identification', units: ['word'], from: 0, to: 0xffffffff },
  'measure.range': { title: 'range', units: [], from: -1e9, to: 1e9 },
  'measure.accuracy': { title: 'accuracy', units: [], from: 0, to: 1e9 },
  'measure.resolution': { title: 'resolution', units: [], from: 0, to: 1e9 },
  'measure.drift': { title: 'drift a year', units: [], from: 0, to: 1e9 },
  'measure.interval': { title: 'shortest interval', units: ['s'], from: 1e-6, to: 1e5 },
  'measure.conversion': { title: 'conversion time', units: ['s'], from: 1e-7, to: 1e3 },
  'measure.warmUp': { title: 'warm-up', units: ['s'], from: 1e-6, to: 1e6 },
  'body.ambient': { title: 'ambient temperature', units: ['°C'], from: -100, to: 300 },
  'body.size': { title: 'size', units: ['m'], from: 1e-4, to: 2 },
  'rail.voltage': { title: 'output voltage', units: ['V'], from: 0.5, to: 60 },
  'rail.limit': { title: 'output current', units: ['A'], from: 0, to: 50 },
  'rail.dropout': { title: 'dropout', units: ['V'], from: 0, to: 5 },
  terminal: { title: 'terminal', units: ['position'], from: 1, to: 200 },
} as const satisfies Record<string, { title: string; units: readonly string[]; from: number; to: number }>;
export type SlotId = keyof typeof SLOTS;

export const isMeasureSlot = (slot: SlotId): boolean => slot.startsWith('measure.');
