/** Which class a card is of, so that it opens in the form in which it would have been entered. */
import type { Card } from '../card/card.ts';
import type { ClassId } from '../card/part-class.ts';

type Test = (card: Card) => boolean;

const kind =
  (...of: readonly Card['kind'][]): Test =>
  (card) =>
    of.includes(card.kind);
const speaks =
  (...protocols: readonly string[]): Test =>
  ({ ports }) =>
    ports.some(({ protocol }) => protocols.includes(protocol));
const serves =
  (...services: readonly string[]): Test =>
  (card) =>
    card.serves?.some((service) => services.includes(service)) ?? false;
const measures: Test = (card) => card.measures.length > 0;
const isPassive: Test = ({ signals }) => signals.every((signal) => signal.kind === 'passive');

/** The first that fits. */
const CLASSES: readonly (readonly [ClassId, Test])[] = [
  ['controller', kind('controller')],
  ['carrier', kind('carrier')],
  ['translator', kind('translator')],
  ['board', kind('board')],
  ['leads', kind('leads')],
  ['cable', kind('cable')],
  ['assortment', (card) => card.assortment !== undefined],
  ['regulator', kind('regulator')],
  ['cells', (card) => card.rails?.some(({ cells }) => cells !== undefined) ?? false],
  ['adapter', kind('source')],
  ['driver', kind('driver', 'diode', 'capacitor')],
  ['bus-switch', (card) => card.busSwitch !== undefined],
  ['relay', (card) => card.contact !== undefined],
  ['radio', serves('radio')],
  ['clock', (card) => card.backup !== undefined || serves('clock time')(card)],
  ['display', serves('text', 'pictures')],
  ['light', serves('light', 'colour light')],
  ['sounder', serves('sound')],
  ['contact', kind('switch')],
  ['load', (card) => speaks('coil', 'pwm')(card) || serves('moving air')(card)],
  ['resistive-element', (card) => measures(card) && isPassive(card)],
  ['one-wire-probe', (card) => measures(card) && speaks('onewire')(card)],
  ['bus-sensor', (card) => measures(card) && speaks('i2c', 'spi')(card)],
  ['analog-sensor', (card) => measures(card) && speaks('analog')(card)],
  ['pulse-sensor', measures],
  ['contact', speaks('switch')],
  ['terminal-adapter', kind('joint', 'resistor', 'module')],
];

export const classFor = (card: Card): ClassId => CLASSES.find(([, fits]) => fits(card))?.[0] ?? 'terminal-adapter';
