/** Which names may stand in an answer: those of what is on the part. */
import { placesOf, type Tree, valueAt } from './tree.ts';

const POWER = ['supplies', 'rails'] as const;

/** By the pattern of the answer, with its column where it is a table: the lists whose names are meant. */
const LISTS: Readonly<Record<string, readonly string[]>> = {
  'terminals/*/header': ['headers'],
  'supplies/*/terminal': ['terminals'],
  'rails/*/terminal': ['terminals'],
  'signals/*/terminal': ['terminals'],
  'signals/*/reference': POWER,
  'signals/*/fittedPullUp/to': POWER,
  'rails/*/from/supply': ['supplies'],
  'rails/*/switch/port': ['ports'],
  'driver/terminal': ['terminals'],
  'contact/common': ['terminals'],
  'contact/open': ['terminals'],
  'contact/closed': ['terminals'],
  'charger/from': ['supplies'],
  'charger/into': ['supplies'],
  'translator/lowSupply': ['supplies'],
  'translator/highSupply': ['supplies'],
  'translator/channels/*/low': ['signals'],
  'translator/channels/*/high': ['signals'],
  'translator/direction/terminal': ['terminals'],
  'translator/enable': ['ports'],
  'busSwitch/port': ['ports'],
  'busSwitch/channels/*/sda': ['signals'],
  'busSwitch/channels/*/scl': ['signals'],
  'measures/*/analog/signal': ['signals'],
  'controller/pins/*/terminal': ['terminals'],
  'controller/pins/*/fittedPullUp/to': POWER,
  'controller/io/reference': POWER,
  'controller/adc/follows': POWER,
  'controller/wake/pins': ['terminals'],
  'controller/usb/supply': ['supplies'],
  'controller/usb/makes': ['rails'],
  'controller/currentGroups/*/pins': ['terminals'],
  'controller/overlays/*/pin': ['terminals'],
  'converter/supply': ['supplies'],
  'converter/inputs': ['terminals'],
  'carrier/pullUps/*/to': POWER,
};

const idsOf = (tree: Tree, list: string): string[] =>
  placesOf(tree, `${list}/*`).flatMap(({ value }) => {
    const id = valueAt(value, 'id');
    return typeof id === 'string' ? [id] : [];
  });

/**
 * @param at pattern of an answer, or of a column of a table: "signals/*" + "/reference"
 * @returns the names that are on the part; none where any word may stand
 */
export function choicesAt(tree: Tree, at: string): string[] {
  return (LISTS[at] ?? []).flatMap((list) => idsOf(tree, list));
}
