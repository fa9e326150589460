/** A change of a plan said as an instruction. */
import { SOCKET } from '../../card/kinds.ts';
import type { Circuit } from '../../circuit/circuit.ts';
import type { Piece, PlanChange } from '../../plan/changes.ts';
import type { Helper } from '../../plan/plan.ts';
import { formatAddress } from '../../quantity/address.ts';
import { formatQuantity } from '../../quantity/engineering.ts';

/** A change with its words. */
export interface SaidChange extends PlanChange {
  readonly title: string;
}

const R = (ohms: number) => formatQuantity(ohms, 'Ω');

class Words {
  constructor(
    private readonly before: Circuit,
    private readonly after: Circuit,
  ) {}

  part = (id: string): string => this.after.parts.get(id)?.label ?? this.before.parts.get(id)?.label ?? id;
  rail = (ref: string): string => this.after.rails.get(ref)?.label ?? this.before.rails.get(ref)?.label ?? ref;
  card = (id: string): string => this.after.cards.get(id)?.name ?? this.before.cards.get(id)?.name ?? id;
  bus = (id: string): string =>
    [this.after, this.before].flatMap(({ plan }) => plan.buses.filter((bus) => bus.id === id))[0]?.name ?? id;
  pin = (terminal: string | null): string =>
    this.after.controller?.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal ?? 'no pin';
  line = (of: string, line: string): string =>
    [this.after, this.before].flatMap(({ wishes }) => wishes.filter((w) => w.of === of && w.line === line))[0]?.label ??
    `${this.of(of)} ${line}`;
  /** A bus, or the part of a port. */
  of = (id: string): string => (id.includes('.') ? this.part(id.split('.')[0] ?? '') : this.bus(id));

  helper(helper: Helper): string {
    switch (helper.kind) {
      case 'pull-up':
        return `a pull-up of ${R(helper.ohms)} on ${this.line(helper.of, helper.line)} to the ${this.rail(helper.to)}`;
      case 'pull-down':
        return `${R(helper.ohms)} to ground, so that ${this.part(helper.part)} stays off at the start`;
      case 'series':
        return `${R(helper.ohms)} in series with ${this.part(helper.part)}`;
      case 'diode':
        return `a ${this.card(helper.card)} across ${this.part(helper.part)}`;
      case 'capacitor':
        return `a ${this.card(helper.card)} across the supply of ${this.part(helper.part)}`;
      case 'filter':
        return `a ${this.card(helper.card)} from the pin of ${this.part(helper.part)} to ground`;
      case 'guard':
        return `a ${this.card(helper.card)} in the feed of ${this.part(helper.part)}`;
      case 'translator': {
        const names = [...new Set(helper.ports.map(({ part }) => this.part(part)))].join(' and ');
        return `a ${this.card(helper.card)} between the controller and ${names}`;
      }
      case 'divider':
        return `a divider of ${R(helper.upper)} and ${R(helper.lower)} before the pin of ${this.part(helper.part)}`;
      case 'fixed':
        return `a fixed resistor of ${R(helper.ohms)} for ${this.part(helper.part)}`;
    }
  }
}

function feedsSaid(words: Words, part: string, feeds: Readonly<Record<string, string>>): string {
  const plug = feeds[SOCKET];
  if (plug !== undefined) return `Plug ${words.part(plug.split('.')[0] ?? '')} into the socket of ${words.part(part)}`;
  const rails = [...new Set(Object.values(feeds))].map(words.rail).join(' and the ');
  return rails ? `Feed ${words.part(part)} from the ${rails}` : `Take ${words.part(part)} off its supply`;
}

function portSaid(words: Words, before: Circuit, piece: Extract<Piece, { kind: 'port' }>): string {
  const old = before.plan.parts.find(({ id }) => id === piece.part)?.ports[piece.port] ?? {};
  const { bus, address, noHold, driver, rate } = piece.choice;
  const at = address === undefined ? '' : ` at ${formatAddress(address)}`;
  const name = words.part(piece.part);
  if (bus !== undefined && bus !== old.bus) return `Put ${name} on ${words.bus(bus)}${at}`;
  if (address !== undefined && address !== old.address) return `Set ${name} to ${formatAddress(address)}`;
  if (rate !== undefined && rate !== old.rate) return `Tell ${name} to speak at ${rate} bits a second`;
  if (noHold && !old.noHold) return `Read ${name} with the commands that do not hold the clock`;
  if (driver !== undefined && driver !== old.driver) return `Switch ${name} with ${words.part(driver)}`;
  return `Connect ${name} otherwise`;
}

function said(words: Words, before: Circuit, piece: Piece): string {
  switch (piece.kind) {
    case 'add-part':
      return `Add a ${words.card(piece.part.card)}${Object.values(piece.part.feeds)
        .slice(0, 1)
        .map((ref) => `, fed from the ${words.rail(ref)}`)
        .join('')}`;
    case 'remove-part':
      return `Take ${words.part(piece.part)} out`;
    case 'card':
      return `Take ${words.card(piece.part.card)} as ${words.part(piece.part.id)}`;
    case 'feeds':
      return feedsSaid(words, piece.part, piece.feeds);
    case 'opened':
      return piece.opened.length > (before.plan.parts.find(({ id }) => id === piece.part)?.opened.length ?? 0)
        ? `Open the pull-up jumpers of ${words.part(piece.part)}`
        : `Close the pull-up jumpers of ${words.part(piece.part)}`;
    case 'settings': {
      const old = before.plan.parts.find(({ id }) => id === piece.part);
      if (old?.ground !== undefined && piece.to.ground === undefined)
        return `Put the ground of ${words.part(piece.part)} where all have it`;
      return old?.beside && !piece.to.beside
        ? `Put ${words.part(piece.part)} away from ${words.part(old.beside.part)}, on a lead`
        : `Change how ${words.part(piece.part)} stands or runs`;
    }
    case 'port':
      return portSaid(words, before, piece);
    case 'pin': {
      const was = before.wishes.find(({ of, line }) => of === piece.of && line === piece.line)?.pin ?? null;
      const name = words.line(piece.of, piece.line);
      if (piece.choice.on !== undefined) return `Read ${name} with ${words.part(piece.choice.on)}`;
      if (piece.choice.pin === null) return `Take ${name} off its pin`;
      return was === null
        ? `Put ${name} on ${words.pin(piece.choice.pin)}`
        : `Move ${name} from ${words.pin(was)} to ${words.pin(piece.choice.pin)}`;
    }
    case 'add-bus': {
      const pins = Object.values(piece.bus.lines).flatMap(({ pin }) => (pin === null ? [] : [words.pin(pin)]));
      return `Begin a bus “${piece.bus.name}”${pins.length > 0 ? ` on ${pins.join(' and ')}` : ''}`;
    }
    case 'remove-bus':
      return `Take the bus “${words.bus(piece.bus)}” out`;
    case 'bus':
      return piece.to.clock === undefined
        ? `Change the bus “${piece.to.name}”`
        : `Run ${piece.to.name} at ${formatQuantity(piece.to.clock, 'Hz')}`;
    case 'add-helper':
      return `Put ${words.helper(piece.helper)}`;
    case 'helper':
      return `Make it ${words.helper(piece.helper)}`;
    case 'remove-helper': {
      const old = before.plan.helpers.find(({ id }) => id === piece.helper);
      return old ? `Leave out ${words.helper(old)}` : `Leave out ${piece.helper}`;
    }
    case 'plan':
      return wholeSaid(words, before, piece.to);
  }
}

function wholeSaid(words: Words, before: Circuit, to: Extract<Piece, { kind: 'plan' }>['to']): string {
  if (to.unused) return 'Leave features of the controller off';
  if (to.leads) {
    const more = to.leads.filter((id) => !before.plan.leads.includes(id)).map((id) => words.card(id));
    return `Take a ${more.join(' and a ')}`;
  }
  if (to.rules) return 'Change my rules';
  if (to.overlap) return 'Start all conversions together';
  if (to.spots) return 'Place parts on the boards anew';
  if (to.boards) return `Take ${to.boards.map((id) => words.card(id)).join(' and ')} as boards`;
  return 'Take another controller';
}

export const describeChanges = (changes: readonly PlanChange[], before: Circuit, after: Circuit): SaidChange[] => {
  const words = new Words(before, after);
  return changes.map((change) => ({ ...change, title: said(words, before, change.piece) }));
};
