/** How wide words are as they are set, so that a drawing can be laid out where there is no page. Advance widths of the fonts that ship. */

/** Thousandths of the size, from the blank (32) to the tilde (126). */
const ROWS = {
  plain:
    '280 286 301 651 592 919 731 160 299 299 485 606 210 362 210 387 648 407 548 576 614 588 598 510 615 595 210 210 553 628 553 480 778 626 613 645 669 569 552 694 694 392 512 631 541 824 693 714 592 724 614 592 558 690 593 856 623 575 607 317 387 344 552 372 243 525 566 485 564 538 314 558 550 252 245 492 262 845 550 548 566 574 349 471 326 540 461 684 481 449 460 344 237 344 555',
  strong:
    '303 298 362 730 604 953 727 195 324 324 485 598 252 369 253 424 656 430 569 592 621 602 617 529 621 578 253 253 564 617 564 526 780 662 634 654 683 589 562 711 699 415 546 654 548 848 710 737 617 747 639 604 592 687 628 877 666 627 615 333 424 344 573 391 274 544 587 502 586 555 349 582 565 285 255 536 301 870 565 567 587 591 368 497 360 559 509 723 522 499 492 370 249 370 543',
} as const;
const WIDTHS = { plain: ROWS.plain.split(' ').map(Number), strong: ROWS.strong.split(' ').map(Number) };
/** Every letter of the fixed-width face. */
const FIXED = 632;
/** What the tables lack is taken for as wide as a wide letter. */
const UNKNOWN = 780;
const FIRST = 32;

export type Face = 'plain' | 'strong' | 'mono';

/** @returns the width in the unit of the size */
export function widthOf(text: string, size: number, face: Face): number {
  const thousandths = [...text].reduce((sum, letter) => {
    if (face === 'mono') return sum + FIXED;
    return sum + (WIDTHS[face][(letter.codePointAt(0) ?? 0) - FIRST] ?? UNKNOWN);
  }, 0);
  return (thousandths / 1000) * size;
}

const MORE = '…';

/** The text as far as it has room; what is cut off is marked. */
export function fitted(text: string, room: number, size: number, face: Face): string {
  if (widthOf(text, size, face) <= room) return text;
  const letters = [...text];
  while (letters.length > 0 && widthOf(`${letters.join('').trimEnd()}${MORE}`, size, face) > room) letters.pop();
  return `${letters.join('').trimEnd()}${MORE}`;
}

/** Words in lines of a width; a word that is wider has a line of its own. */
export function wrapped(text: string, room: number, size: number, face: Face): string[] {
  const lines: string[] = [];
  for (const word of text.split(' ')) {
    const longer = lines.length > 0 ? `${lines.at(-1)} ${word}` : word;
    if (lines.length > 0 && widthOf(longer, size, face) <= room) lines[lines.length - 1] = longer;
    else lines.push(word);
  }
  return lines;
}
