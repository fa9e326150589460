/** Every name inside a card must lead somewhere. */
import type { Message } from '../quantity/message.ts';
import type { CardShape } from './card-shape.ts';
import { SOCKET } from './kinds.ts';
import { expected } from './problem.ts';
import { PORT_LINES } from './protocol.ts';

type Path = (string | number)[];
export type Issue = (path: Path, says: Message) => void;

/** What a card has that can be named. */
type Named = 'header' | 'terminal' | 'supply' | 'rail' | 'power' | 'signal' | 'port' | 'pin';

/** A name in a card: what it has to be one of, and where it stands. */
type Name = readonly [is: Named, id: string | undefined, path: Path];

export function checkCardReferences(card: CardShape, issue: Issue): void {
  const ids = (list: readonly { id: string }[] | undefined) => list?.map(({ id }) => id) ?? [];
  const there: Readonly<Record<Named, ReadonlySet<string>>> = {
    header: new Set(ids(card.headers)),
    terminal: new Set(ids(card.terminals)),
    supply: new Set(ids(card.supplies)),
    rail: new Set(ids(card.rails)),
    power: new Set([...ids(card.supplies), ...ids(card.rails)]),
    signal: new Set(ids(card.signals)),
    port: new Set(ids(card.ports)),
    pin: new Set(card.controller?.pins.map(({ terminal }) => terminal)),
  };
  const names = [...ofTerminals(card), ...ofPorts(card), ...ofController(card), ...ofKind(card), ...ofModule(card)];
  for (const [is, id, path] of names)
    if (id !== undefined && !there[is].has(id)) issue(path, expected(is, { found: id }));
  checkLines(card, issue);
  checkCarrier(card, issue);
  card.rails?.forEach((r, i) => {
    if (!r.voltage && r.from?.by !== 'pass') issue(['rails', i, 'voltage'], expected('voltage'));
  });
  if (card.controller?.usb && there.supply.has(SOCKET))
    issue(['supplies'], expected('noSocketSupply', { name: SOCKET }));
  checkSources(card, card, [], issue);
}

const ofTerminals = (card: CardShape): Name[] => [
  ...card.terminals.map((t, i): Name => ['header', t.header, ['terminals', i, 'header']]),
  ...card.supplies.map((s, i): Name => ['terminal', s.terminal, ['supplies', i, 'terminal']]),
  ...(card.rails ?? []).flatMap((r, i): Name[] => [
    ['terminal', r.terminal, ['rails', i, 'terminal']],
    ['supply', r.from?.supply, ['rails', i, 'from', 'supply']],
    ['port', r.switch?.port, ['rails', i, 'switch', 'port']],
  ]),
  ...card.signals.flatMap((s, i): Name[] => [
    ['terminal', s.terminal, ['signals', i, 'terminal']],
    ['power', s.reference, ['signals', i, 'reference']],
    ['power', s.fittedPullUp?.to, ['signals', i, 'fittedPullUp', 'to']],
  ]),
];

const ofPorts = (card: CardShape): Name[] => [
  ...card.ports.flatMap((p, i) =>
    Object.entries(p.lines).map(([line, signal]): Name => ['signal', signal, ['ports', i, 'lines', line]]),
  ),
  ...(card.modes ?? []).flatMap((mode, i) => mode.map((port, k): Name => ['port', port, ['modes', i, k]])),
  ...card.measures.map((m, i): Name => ['signal', m.analog?.signal, ['measures', i, 'analog', 'signal']]),
];

function ofController({ controller }: CardShape): Name[] {
  if (!controller) return [];
  const { pins, wake, currentGroups = [], overlays = [], adc, io, usb } = controller;
  return [
    ...pins.flatMap((p, i): Name[] => [
      ['terminal', p.terminal, ['controller', 'pins', i, 'terminal']],
      ['power', p.fittedPullUp?.to, ['controller', 'pins', i, 'fittedPullUp', 'to']],
    ]),
    ...(wake?.pins ?? []).map((pin, i): Name => ['terminal', pin, ['controller', 'wake', 'pins', i]]),
    ...currentGroups.flatMap((group, i) =>
      (group.pins ?? []).map((pin, k): Name => ['pin', pin, ['controller', 'currentGroups', i, 'pins', k]]),
    ),
    ...overlays.map((o, i): Name => ['pin', o.pin, ['controller', 'overlays', i, 'pin']]),
    ['power', adc?.follows, ['controller', 'adc', 'follows']],
    ['power', io.reference, ['controller', 'io', 'reference']],
    ['supply', usb?.supply, ['controller', 'usb', 'supply']],
    ['rail', usb?.makes, ['controller', 'usb', 'makes']],
  ];
}

const ofKind = ({ driver, translator }: CardShape): Name[] => [
  ['terminal', driver?.terminal, ['driver', 'terminal']],
  ['terminal', translator?.direction?.terminal, ['translator', 'direction', 'terminal']],
  ['port', translator?.enable, ['translator', 'enable']],
  ['supply', translator?.lowSupply, ['translator', 'lowSupply']],
  ['supply', translator?.highSupply, ['translator', 'highSupply']],
  ...(translator?.channels ?? []).flatMap((c, i): Name[] => [
    ['signal', c.low, ['translator', 'channels', i, 'low']],
    ['signal', c.high, ['translator', 'channels', i, 'high']],
  ]),
];

const ofModule = ({ charger, contact, converter, busSwitch }: CardShape): Name[] => [
  ['supply', charger?.from, ['charger', 'from']],
  ['supply', charger?.into, ['charger', 'into']],
  ...(['common', 'open', 'closed'] as const).map((end): Name => ['terminal', contact?.[end], ['contact', end]]),
  ['supply', converter?.supply, ['converter', 'supply']],
  ...(converter?.inputs ?? []).map((id, i): Name => ['signal', id, ['converter', 'inputs', i]]),
  ['port', busSwitch?.port, ['busSwitch', 'port']],
  ...(busSwitch?.channels ?? []).flatMap((c, i): Name[] => [
    ['signal', c.sda, ['busSwitch', 'channels', i, 'sda']],
    ['signal', c.scl, ['busSwitch', 'channels', i, 'scl']],
  ]),
];

/** A port has the lines of its protocol and no others. */
function checkLines(card: CardShape, issue: Issue): void {
  card.ports.forEach((p, i) => {
    p.interrupts?.lines.forEach((line, k) => {
      if (!Object.hasOwn(p.lines, line))
        issue(['ports', i, 'interrupts', 'lines', k], expected('lineOfPort', { found: line }));
    });
    const known = PORT_LINES[p.protocol];
    for (const line of Object.keys(p.lines))
      if (!Object.hasOwn(known, line))
        issue(
          ['ports', i, 'lines', line],
          expected('lineOfProtocol', { protocol: p.protocol, lines: Object.keys(known), found: line }),
        );
  });
}

/** What is fitted on a carrier is on names that it has for each controller that it fits. */
function checkCarrier({ carrier }: CardShape, issue: Issue): void {
  for (const [controller, names] of Object.entries(carrier?.fits ?? {}))
    carrier?.fitted.forEach(({ lines }, i) => {
      for (const [port, byLine] of Object.entries(lines))
        for (const [line, name] of Object.entries(byLine))
          if (!Object.hasOwn(names, name))
            issue(['carrier', 'fitted', i, 'lines', port, line], expected('printedName', { controller, found: name }));
    });
}

/** Walks the whole card: each `source` must be a key of `sources`. */
function checkSources(card: CardShape, value: unknown, path: Path, issue: Issue): void {
  if (Array.isArray(value)) value.forEach((item, i) => checkSources(card, item, [...path, i], issue));
  else if (value && typeof value === 'object') {
    for (const [key, item] of Object.entries(value)) {
      if (key === 'source' && typeof item === 'string' && !Object.hasOwn(card.sources, item)) {
        issue([...path, key], expected('source', { found: item }));
      } else checkSources(card, item, [...path, key], issue);
    }
  }
}
