import type { CardShape } from './card-shape.ts';
import { SOCKET } from './kinds.ts';
import { PORT_LINES } from './protocol.ts';

export type Issue = (path: (string | number)[], message: string) => void;

/** Every name inside a card must lead somewhere. */
export function checkCardReferences(card: CardShape, issue: Issue): void {
  const ids = (list: readonly { id: string }[] | undefined) => new Set(list?.map(({ id }) => id));
  const terminals = ids(card.terminals);
  const supplies = ids(card.supplies);
  const powers = new Set([...supplies, ...ids(card.rails)]);
  const signals = ids(card.signals);
  const headers = ids(card.headers);
  const need = (set: ReadonlySet<string>, what: string, id: string | undefined, path: (string | number)[]) => {
    if (id !== undefined && !set.has(id)) issue(path, `expected ${what} of this card, found “${id}”`);
  };
  card.terminals.forEach((t, i) => need(headers, 'a header', t.header, ['terminals', i, 'header']));
  card.supplies.forEach((s, i) => need(terminals, 'a terminal', s.terminal, ['supplies', i, 'terminal']));
  card.rails?.forEach((r, i) => {
    need(terminals, 'a terminal', r.terminal, ['rails', i, 'terminal']);
    need(supplies, 'a supply', r.from?.supply, ['rails', i, 'from', 'supply']);
    need(ids(card.ports), 'a port', r.switch?.port, ['rails', i, 'switch', 'port']);
    if (!r.voltage && r.from?.by !== 'pass') issue(['rails', i, 'voltage'], 'expected a voltage, found none');
  });
  need(terminals, 'a terminal', card.translator?.direction?.terminal, ['translator', 'direction', 'terminal']);
  card.controller?.wake?.pins.forEach((pin, i) =>
    need(terminals, 'a terminal', pin, ['controller', 'wake', 'pins', i]),
  );
  need(supplies, 'a supply', card.charger?.from, ['charger', 'from']);
  need(supplies, 'a supply', card.charger?.into, ['charger', 'into']);
  card.signals.forEach((s, i) => {
    need(terminals, 'a terminal', s.terminal, ['signals', i, 'terminal']);
    need(powers, 'a supply or rail', s.reference, ['signals', i, 'reference']);
    need(powers, 'a supply or rail', s.fittedPullUp?.to, ['signals', i, 'fittedPullUp', 'to']);
  });
  card.ports.forEach((p, i) => {
    p.interrupts?.lines.forEach((line, k) => {
      if (!Object.hasOwn(p.lines, line))
        issue(['ports', i, 'interrupts', 'lines', k], `expected a line of this port, found “${line}”`);
    });
    for (const [line, signal] of Object.entries(p.lines)) {
      need(signals, 'a signal', signal, ['ports', i, 'lines', line]);
      const known = PORT_LINES[p.protocol];
      if (!Object.hasOwn(known, line)) {
        issue(
          ['ports', i, 'lines', line],
          `expected a line of ${p.protocol} (${Object.keys(known).join(', ')}), found “${line}”`,
        );
      }
    }
  });
  card.modes?.forEach((mode, i) => mode.forEach((port, k) => need(ids(card.ports), 'a port', port, ['modes', i, k])));
  card.controller?.pins.forEach((p, i) =>
    need(terminals, 'a terminal', p.terminal, ['controller', 'pins', i, 'terminal']),
  );
  card.controller?.pins.forEach((p, i) =>
    need(powers, 'a supply or rail', p.fittedPullUp?.to, ['controller', 'pins', i, 'fittedPullUp', 'to']),
  );
  card.measures.forEach((m, i) => need(signals, 'a signal', m.analog?.signal, ['measures', i, 'analog', 'signal']));
  need(powers, 'a supply or rail', card.controller?.adc?.follows, ['controller', 'adc', 'follows']);
  need(powers, 'a supply or rail', card.controller?.io.reference, ['controller', 'io', 'reference']);
  need(supplies, 'a supply', card.controller?.usb?.supply, ['controller', 'usb', 'supply']);
  need(ids(card.rails), 'a rail', card.controller?.usb?.makes, ['controller', 'usb', 'makes']);
  if (card.controller?.usb && supplies.has(SOCKET))
    issue(['supplies'], `expected no supply named “${SOCKET}” beside the socket`);
  need(terminals, 'a terminal', card.driver?.terminal, ['driver', 'terminal']);
  for (const end of ['common', 'open', 'closed'] as const)
    need(terminals, 'a terminal', card.contact?.[end], ['contact', end]);
  card.translator?.channels.forEach((c, i) => {
    need(signals, 'a signal', c.low, ['translator', 'channels', i, 'low']);
    need(signals, 'a signal', c.high, ['translator', 'channels', i, 'high']);
  });
  need(ids(card.ports), 'a port', card.translator?.enable, ['translator', 'enable']);
  need(supplies, 'a supply', card.converter?.supply, ['converter', 'supply']);
  card.converter?.inputs.forEach((id, i) => need(signals, 'a signal', id, ['converter', 'inputs', i]));
  need(ids(card.ports), 'a port', card.busSwitch?.port, ['busSwitch', 'port']);
  card.busSwitch?.channels.forEach((c, i) => {
    need(signals, 'a signal', c.sda, ['busSwitch', 'channels', i, 'sda']);
    need(signals, 'a signal', c.scl, ['busSwitch', 'channels', i, 'scl']);
  });
  const pins = new Set(card.controller?.pins.map(({ terminal }) => terminal));
  card.controller?.currentGroups?.forEach((group, i) =>
    group.pins?.forEach((pin, k) => need(pins, 'a pin', pin, ['controller', 'currentGroups', i, 'pins', k])),
  );
  card.controller?.overlays?.forEach((o, i) => need(pins, 'a pin', o.pin, ['controller', 'overlays', i, 'pin']));
  need(supplies, 'a supply', card.translator?.lowSupply, ['translator', 'lowSupply']);
  need(supplies, 'a supply', card.translator?.highSupply, ['translator', 'highSupply']);
  for (const [controller, names] of Object.entries(card.carrier?.fits ?? {})) {
    card.carrier?.fitted.forEach(({ lines }, i) => {
      for (const [port, byLine] of Object.entries(lines))
        for (const [line, name] of Object.entries(byLine))
          if (!Object.hasOwn(names, name))
            issue(
              ['carrier', 'fitted', i, 'lines', port, line],
              `expected a printed name of the carrier on “${controller}”, found “${name}”`,
            );
    });
  }
  checkSources(card, card, [], issue);
}

/** Walks the whole card: each `source` must be a key of `sources`. */
function checkSources(card: CardShape, value: unknown, path: (string | number)[], issue: Issue): void {
  if (Array.isArray(value)) value.forEach((item, i) => checkSources(card, item, [...path, i], issue));
  else if (value && typeof value === 'object') {
    for (const [key, item] of Object.entries(value)) {
      if (key === 'source' && typeof item === 'string' && !Object.hasOwn(card.sources, item)) {
        issue([...path, key], `expected a source of this card, found “${item}”`);
      } else checkSources(card, item, [...path, key], issue);
    }
  }
}
