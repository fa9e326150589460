/** A change of a plan said as an instruction. */
import { SOCKET } from '../../card/kinds.ts';
import { labelOf } from '../../circuit/label.ts';
import type { Circuit } from '../../circuit/model.ts';
import type { Piece, PlanChange } from '../../plan/changes.ts';
import type { Helper } from '../../plan/helpers.ts';
import { helperLabel } from '../../plan/helpers.ts';
import type { Called } from '../../plan/helpers/kind.ts';
import { ownerOf } from '../../plan/ref.ts';
import {
  type BusAddress,
  type Message,
  type Quantity,
  type Text,
  addressOf,
  distinct,
  quantityOf,
  tells,
} from '../../quantity/message.ts';

/** What is said here, by the data that it takes. */
export interface SolveCompleteDescribeSays {
  readonly noPin: null;
  readonly plugIntoSocket: { part: Text; otherPart: Text };
  readonly feedFrom: { part: Text; rails: readonly Text[] };
  readonly takeOffSupply: { part: Text };
  readonly at: { address: BusAddress };
  readonly put: { name: Text; bus: Text; at: Text };
  readonly set: { name: Text; address: BusAddress };
  readonly tellSpeakBitsSecond: { name: Text; rate: number };
  readonly readCommandsDoNot: { name: Text };
  readonly words: { name: Text; part: Text };
  readonly connectOtherwise: { name: Text };
  readonly fedFrom: { rail: Text };
  readonly add: { card: Text; from: Text };
  readonly takeOut: { part: Text };
  readonly takeAs: { card: Text; part: Text };
  readonly openPullUpJumpers: { part: Text };
  readonly closePullUpJumpers: { part: Text };
  readonly putGroundWhereAll: { part: Text };
  readonly putAwayFromLead: { part: Text; otherPart: Text };
  readonly changeHowStandsOr: { part: Text };
  readonly read: { name: Text; part: Text };
  readonly takeOffPin: { name: Text };
  readonly putOnPin: { name: Text; pin: Text };
  readonly moveFrom: { name: Text; pin: Text; toPin: Text };
  readonly on: { pins: readonly Text[] };
  readonly beginBus: { bus: Text; count: Text };
  readonly takeBusOut: { bus: Text };
  readonly changeBus: { to: Text };
  readonly run: { to: Text; clock: Quantity };
  readonly putHelper: { helper: Text };
  readonly make: { helper: Text };
  readonly leaveOut: { helper: Text };
  readonly leaveFeaturesControllerOff: null;
  readonly take: { more: readonly Text[] };
  readonly changeMyRules: null;
  readonly startAllConversionsTogether: null;
  readonly placePartsBoardsAnew: null;
  readonly takeAsBoards: { boards: readonly Text[] };
  readonly takeAnotherController: null;
}

const tell = tells<SolveCompleteDescribeSays>('solve/complete-describe');

/** A change with its words. */
export interface SaidChange extends PlanChange {
  readonly title: Message;
}

class Words implements Called {
  constructor(
    private readonly before: Circuit,
    private readonly after: Circuit,
  ) {}

  part = (id: string): Text => this.after.parts.get(id)?.label ?? this.before.parts.get(id)?.label ?? id;
  rail = (ref: string): Text => this.after.rails.get(ref)?.label ?? this.before.rails.get(ref)?.label ?? ref;
  card = (id: string): string => this.after.cards.get(id)?.name ?? this.before.cards.get(id)?.name ?? id;
  bus = (id: string): string =>
    [this.after, this.before].flatMap(({ plan }) => plan.buses.filter((bus) => bus.id === id))[0]?.name ?? id;
  pin = (terminal: string | null): Text =>
    this.after.controller?.card.terminals.find(({ id }) => id === terminal)?.label ?? terminal ?? tell('noPin');
  line = (of: string, line: string): Text =>
    [this.after, this.before].flatMap(({ wishes }) => wishes.filter((w) => w.of === of && w.line === line))[0]?.label ??
    labelOf(this.of(of), line);
  /** A bus, or the part of a port. */
  of = (id: string): Text => (id.includes('.') ? this.part(ownerOf(id)) : this.bus(id));

  helper = (helper: Helper): Message => helperLabel(helper, this);
}

function feedsSaid(words: Words, part: string, feeds: Readonly<Record<string, string>>): Message {
  const plug = feeds[SOCKET];
  if (plug !== undefined)
    return tell('plugIntoSocket', { part: words.part(ownerOf(plug)), otherPart: words.part(part) });
  const rails = distinct(Object.values(feeds).map(words.rail));
  return rails.length > 0
    ? tell('feedFrom', { part: words.part(part), rails })
    : tell('takeOffSupply', { part: words.part(part) });
}

function portSaid(words: Words, before: Circuit, piece: Extract<Piece, { kind: 'port' }>): Message {
  const old = before.plan.parts.find(({ id }) => id === piece.part)?.ports[piece.port] ?? {};
  const { bus, address, noHold, driver, rate } = piece.choice;
  const at = address === undefined ? '' : tell('at', { address: addressOf(address) });
  const name = words.part(piece.part);
  if (bus !== undefined && bus !== old.bus) return tell('put', { name, bus: words.bus(bus), at });
  if (address !== undefined && address !== old.address) return tell('set', { name, address: addressOf(address) });
  if (rate !== undefined && rate !== old.rate) return tell('tellSpeakBitsSecond', { name, rate });
  if (noHold && !old.noHold) return tell('readCommandsDoNot', { name });
  if (driver !== undefined && driver !== old.driver) return tell('words', { name, part: words.part(driver) });
  return tell('connectOtherwise', { name });
}

function said(words: Words, before: Circuit, piece: Piece): Message {
  switch (piece.kind) {
    case 'add-part':
      return tell('add', {
        card: words.card(piece.part.card),
        from:
          Object.values(piece.part.feeds)
            .slice(0, 1)
            .map((ref) => tell('fedFrom', { rail: words.rail(ref) }))[0] ?? '',
      });
    case 'remove-part':
      return tell('takeOut', { part: words.part(piece.part) });
    case 'card':
      return tell('takeAs', { card: words.card(piece.part.card), part: words.part(piece.part.id) });
    case 'feeds':
      return feedsSaid(words, piece.part, piece.feeds);
    case 'opened':
      return piece.opened.length > (before.plan.parts.find(({ id }) => id === piece.part)?.opened.length ?? 0)
        ? tell('openPullUpJumpers', { part: words.part(piece.part) })
        : tell('closePullUpJumpers', { part: words.part(piece.part) });
    case 'settings': {
      const old = before.plan.parts.find(({ id }) => id === piece.part);
      if (old?.ground !== undefined && piece.to.ground === undefined)
        return tell('putGroundWhereAll', { part: words.part(piece.part) });
      return old?.beside && !piece.to.beside
        ? tell('putAwayFromLead', { part: words.part(piece.part), otherPart: words.part(old.beside.part) })
        : tell('changeHowStandsOr', { part: words.part(piece.part) });
    }
    case 'port':
      return portSaid(words, before, piece);
    case 'pin': {
      const was = before.wishes.find(({ of, line }) => of === piece.of && line === piece.line)?.pin ?? null;
      const name = words.line(piece.of, piece.line);
      if (piece.choice.on !== undefined) return tell('read', { name, part: words.part(piece.choice.on) });
      if (piece.choice.pin === null) return tell('takeOffPin', { name });
      return was === null
        ? tell('putOnPin', { name, pin: words.pin(piece.choice.pin) })
        : tell('moveFrom', { name, pin: words.pin(was), toPin: words.pin(piece.choice.pin) });
    }
    case 'add-bus': {
      const pins = Object.values(piece.bus.lines).flatMap(({ pin }) => (pin === null ? [] : [words.pin(pin)]));
      return tell('beginBus', { bus: piece.bus.name, count: pins.length > 0 ? tell('on', { pins }) : '' });
    }
    case 'remove-bus':
      return tell('takeBusOut', { bus: words.bus(piece.bus) });
    case 'bus':
      return piece.to.clock === undefined
        ? tell('changeBus', { to: piece.to.name })
        : tell('run', { to: piece.to.name, clock: quantityOf(piece.to.clock, 'Hz') });
    case 'add-helper':
      return tell('putHelper', { helper: words.helper(piece.helper) });
    case 'helper':
      return tell('make', { helper: words.helper(piece.helper) });
    case 'remove-helper': {
      const old = before.plan.helpers.find(({ id }) => id === piece.helper);
      return old ? tell('leaveOut', { helper: words.helper(old) }) : tell('leaveOut', { helper: piece.helper });
    }
    case 'plan':
      return wholeSaid(words, before, piece.to);
  }
}

function wholeSaid(words: Words, before: Circuit, to: Extract<Piece, { kind: 'plan' }>['to']): Message {
  if (to.unused) return tell('leaveFeaturesControllerOff');
  if (to.leads) {
    const more = to.leads.filter((id) => !before.plan.leads.includes(id)).map((id) => words.card(id));
    return tell('take', { more });
  }
  if (to.rules) return tell('changeMyRules');
  if (to.overlap) return tell('startAllConversionsTogether');
  if (to.spots) return tell('placePartsBoardsAnew');
  if (to.boards) return tell('takeAsBoards', { boards: to.boards.map((id) => words.card(id)) });
  return tell('takeAnotherController');
}

export const describeChanges = (changes: readonly PlanChange[], before: Circuit, after: Circuit): SaidChange[] => {
  const words = new Words(before, after);
  return changes.map((change) => ({ ...change, title: said(words, before, change.piece) }));
};
