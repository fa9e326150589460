/** The closed lists of words that cards and plans use. They stand apart from the schemas, so that the interface can read them
 * without the reader of files. */

export const SIGNAL_KINDS = [
  'push-pull',
  'open-drain',
  'input',
  'bidirectional',
  'switch',
  'led',
  'analog-out',
  'passive',
] as const;
type SignalKind = (typeof SIGNAL_KINDS)[number];

/** Kinds that drive a high, that drive at all, that listen, and that have a level of their own. */
export const DRIVING_HIGH: readonly SignalKind[] = ['push-pull', 'bidirectional'];
export const DRIVING: readonly SignalKind[] = [...DRIVING_HIGH, 'open-drain'];
export const LISTENING: readonly SignalKind[] = ['input', 'bidirectional', 'open-drain'];
export const ELECTRIC: readonly SignalKind[] = [...DRIVING, 'input', 'analog-out'];

export const HAZARDS = [
  'mains',
  'gas',
  'lithium',
  'heat',
  'cells',
  'water',
  'low-voltage',
  'bright',
  'sharp',
  'moving',
] as const;

/** What a need can ask of a part that does not measure. */
export const SERVICES = [
  'text',
  'pictures',
  'light',
  'colour light',
  'sound',
  'moving air',
  'switching',
  'button',
  'knob',
  'contact',
  'clock time',
  'radio',
] as const;
export type Service = (typeof SERVICES)[number];

/** What a lead has at its end. */
export const HEADER_KINDS = ['male', 'female', 'pads', 'screw', 'leads', 'socket', 'plug'] as const;
export const LEAD_ENDS = ['male', 'female', 'bare'] as const;
export type LeadEnd = (typeof LEAD_ENDS)[number];

/** What a part may need around it. */
export const FREE_NEEDS = ['air', 'view', 'light'] as const;

/** How much water a part stands, least first. */
export const WATER = ['dry', 'splash', 'immersion'] as const;

/** The feed of a controller that stands for its programming socket: "board.usb". */
export const SOCKET = 'usb';
/** What the socket gives where it meets a supply of the board: "board.socket". */
export const SOCKET_RAIL = 'socket';

/** What a display is made of. */
export const DISPLAYS = ['characters', 'dots'] as const;
