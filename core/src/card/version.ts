/** The version of the card format that this program writes. */
export const CARD_VERSION = 3;
export const CARD_FORMAT = 'idle-breadboard/card';
