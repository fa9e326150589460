/** The version of the card format that this program writes. */
export const CARD_VERSION = 8;
export const CARD_FORMAT = 'idle-breadboard/card';
