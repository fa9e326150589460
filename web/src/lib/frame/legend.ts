/** What keys do, what marks mean, and what words are used for here. */

export const KEYS: readonly (readonly [string, string])[] = [
  [']', 'the next finding, opened at its row; its first remedy has the focus'],
  ['[', 'the finding before'],
  ['1 … 9', 'at a finding that is open: take that remedy'],
  ['Enter', 'take the first remedy of the current finding'],
  ['Esc', 'take back what was typed; close what is open and go back to where you were'],
  ['+ −', 'at the boards: closer and from afar; the arrow keys go along them'],
  ['Home End', 'at the boards: the whole of them; the step in hand'],
  ['f', 'list all findings'],
  ['t', 'at Bring-up: write down what the meter shows'],
  ['m', 'mend all: everything that is open, settled together'],
  ['x', 'export everything: all plans, parts, logbooks and pictures as one file'],
  ['Ctrl+Z', 'take back the last change'],
  ['Ctrl+Shift+Z', 'do it again'],
  ['/', 'find a part, a pin, a net, a finding, or do something'],
  ['?', 'this sheet'],
];

interface Drawn {
  /** On a field of 48 by 24. */
  readonly path: string;
  readonly says: string;
}

export const MARKS: Readonly<Record<'danger' | 'fault' | 'caution' | 'note' | 'pass', string>> & {
  readonly drawn: Readonly<Record<string, Drawn>>;
} = {
  danger: 'something is damaged or someone is hurt. It keeps the plan from being verified.',
  fault: 'it will not work, or not always. It keeps the plan from being verified.',
  caution: 'it works, and there is something to know or to watch.',
  note: 'a habit of my rules, or something that could be better.',
  pass: 'proved, with its margin.',
  drawn: {
    'one, two, three strokes': {
      path: 'M4 5h40M4 11h40M4 14h40M4 19h40M4 21.5h40M4 24h40',
      says: 'a feed of up to 3.6 V, up to 5.5 V, and above.',
    },
    'dashed frame': {
      path: 'M4 4h5m3 0h5m3 0h5m3 0h5m3 0h5M4 20h5m3 0h5m3 0h5m3 0h5m3 0h5M4 4v5m0 3v5M44 4v5m0 3v5',
      says: 'a gate in a line: translator, switch, divider.',
    },
    'hatched end of a ladder': {
      path: 'M28 4h16v16H28zM30 20 44 6M28 14 38 4M36 20l8-8',
      says: 'above the absolute maximum: never to be touched.',
    },
    'bracket at a limb': { path: 'M24 4h-6v16h6', says: 'what may be drawn from a rail.' },
    'number at both ends': {
      path: 'M2 7h12v10H2zM34 7h12v10H34zM14 12h6M28 12h6M7 10v4M39 10v4',
      says: 'a lead by its number in the steps; where it is not drawn between them, no way clear of the others was found.',
    },
    'line across a bar': { path: 'M4 12h36M32 5v14', says: 'the limit; the bar is what was worked out.' },
  },
};

export const GLOSSARY: readonly (readonly [string, string])[] = [
  ['absolute maximum', 'what a terminal stands without damage; not what it works at.'],
  ['assumed', 'a typical figure of the class of part, or a length that nobody has said; not from a datasheet.'],
  ['card', 'what is known of a kind of part: its terminals, figures and offers, each figure with its source.'],
  ['drawer', 'the cards and the parts that are there already.'],
  ['feed', 'what brings a part its supply, from a rail.'],
  ['finding', 'what a check says is wrong, in one sentence with its figure and limit.'],
  ['lead', 'a wire from the board to a part beside it, or between two holes.'],
  ['margin', 'how far a figure is from its limit; positive when the rule holds.'],
  ['my rules', 'habits that the plan keeps: derating, one pair of pull-ups, where parts are fed from.'],
  ['need', 'what the build is to sense, show, drive or be operated by.'],
  ['net', 'terminals that are joined: one line with everything that hangs on it.'],
  ['place', 'somewhere in the build, with how wet, how warm and how far away it is.'],
  ['proof', 'a check that holds, with its sum and what it rests on.'],
  ['rail', 'one voltage that something gives: the 3.3 V of a controller, the 5 V of a regulator.'],
  ['remedy', 'a change that ends a finding; it was tried before it is offered.'],
  ['strap', 'a pin or bridge that is read at the start, or that sets an address.'],
  ['translator', 'a part that joins two sides of a line at different voltages.'],
  ['verified', 'nothing to settle, every hazard read, and the wiring read back and found to be the circuit.'],
];
