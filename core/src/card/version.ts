/** The version of the card format that this program writes. */
export const CARD_VERSION = 10;
export const CARD_FORMAT = 'idle-breadboard/card';
