import { takesTurns } from '../circuit/buses.ts';
import type { BusNode, Circuit, Member } from '../circuit/model.ts';
import { eightBitOf } from '../quantity/address.ts';
import { FREE_ADDRESSES, isReservedAddress } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';
import { addressOf, tells, type Text, type BusAddress } from '../quantity/message.ts';
import { keyOf } from '../plan/ref.ts';

/** What is said here, by the data that it takes. */
export interface BusAddressSays {
  readonly both: null;
  readonly all: null;
  readonly clash: { names: readonly Text[]; count: Text; at: BusAddress; bus: Text };
  readonly shareTakeTurnsOnly: { names: readonly Text[]; at: BusAddress; bus: Text };
  readonly holds: { names: readonly Text[]; at: BusAddress; bus: Text };
  readonly meaning: null;
  readonly oneSettings: { count: number };
  readonly fixed: null;
  readonly switched: { selectors: readonly Text[] };
  readonly words: { at: BusAddress; address: number; count: Text; wanted: Text };
  readonly eightBit: { at: BusAddress; m: Text; seven: BusAddress };
  readonly bad: { at: BusAddress; m: Text };
  readonly cannotBeSetBit: { m: Text; at: BusAddress; half: BusAddress };
  readonly unsure: { at: BusAddress; m: Text; half: BusAddress };
  readonly strange: { m: Text; at: BusAddress; options: readonly BusAddress[] };
  readonly freeUse: { at: BusAddress; m: Text };
  readonly reservedAddressesStartSpecial: null;
  readonly address: null;
  readonly halved: { seven: BusAddress; inHex: number };
  readonly eightBitForm: { at: BusAddress; address: number; eightBit: Text };
  readonly isFree: null;
  readonly xXAddresses: { count: number };
}

const tell = tells<BusAddressSays>('bus/address');

const collision = {
  id: 'bus/address-collision',
  station: 'bus',
  standard: true,
  breaks: 'fault',
  scope: 'bus',
  answeredBy: 'scan',
  reads: ['ports/*/addresses/*/value'],
} as const satisfies CheckMeta;

const i2c = (circuit: Circuit): BusNode[] => circuit.buses.filter(({ protocol }) => protocol === 'i2c');

function addressRest(circuit: Circuit, member: Member): [string, string | undefined] {
  const card = circuit.parts.get(member.part)?.card;
  return [card?.id ?? '', Object.keys(card?.sources ?? {})[0]];
}

/**
 * Parts of a bus and its segments grouped by the address they answer at. A translator that is always on passes everything,
 * so it divides nothing.
 */
function groups(circuit: Circuit, bus: BusNode): Map<number, Member[]> {
  const map = new Map<number, Member[]>();
  for (const member of circuit.buses.filter(({ root }) => root === bus.id).flatMap(({ members }) => members)) {
    if (member.address === null) continue;
    const address = member.address > 0x7f ? member.address >> 1 : member.address;
    map.set(address, [...(map.get(address) ?? []), member]);
  }
  return map;
}

export const busAddressCollision = {
  meta: collision,
  run: (circuit) =>
    i2c(circuit)
      .filter(({ id, root }) => id === root)
      .flatMap((bus) =>
        [...groups(circuit, bus)].map(([address, all]): Result => {
          const clashing = all.filter((m) => all.some((other) => other !== m && !takesTurns(m, other)));
          const members = clashing.length > 0 ? clashing : all;
          const clash = clashing.length > 0;
          const names = members.map(({ label }) => label);
          const at = addressOf(address);
          return result(circuit, collision, {
            subjects: [bus.id, ...members.map(({ part, port }) => keyOf(part, port))],
            severity: clash ? 'fault' : null,
            measured: clash ? members.length : 1,
            limit: 1,
            unit: 'parts',
            margin: clash ? 1 - members.length : 0,
            message: clash
              ? tell('clash', { names, count: members.length === 2 ? tell('both') : tell('all'), at, bus: bus.name })
              : members.length > 1
                ? tell('shareTakeTurnsOnly', { names, at, bus: bus.name })
                : tell('holds', { names, at, bus: bus.name }),
            meaning: tell('meaning'),
            workings: members.map((m) => ({
              name: m.label,
              sum: tell('words', {
                at,
                address,
                count: m.options.length > 1 ? tell('oneSettings', { count: m.options.length }) : tell('fixed'),
                wanted:
                  m.selectors.length > 0
                    ? tell('switched', {
                        selectors: m.selectors.map(({ part }) => circuit.parts.get(part)?.label ?? part),
                      })
                    : '',
              }),
            })),
            rests: members.map((m) => addressRest(circuit, m)),
          });
        }),
      ),
} satisfies Check;

const reserved = {
  id: 'bus/address-reserved',
  station: 'bus',
  standard: true,
  breaks: 'fault',
  scope: 'bus',
  answeredBy: 'scan',
  reads: ['ports/*/addresses/*/value'],
} as const satisfies CheckMeta;

export const busAddressReserved = {
  meta: reserved,
  run: (circuit) =>
    i2c(circuit).flatMap((bus) =>
      bus.members.flatMap((m): Result[] => {
        if (m.address === null) return [];
        const at = addressOf(m.address);
        const eightBit = m.address > 0x7f;
        const seven = eightBit ? m.address >> 1 : m.address;
        const bad = isReservedAddress(seven);
        const strange =
          !eightBit && !bad && m.options.length > 0 && !m.options.some(({ value }) => value === m.address);
        const half = eightBitOf(
          m.address,
          m.options.map(({ value }) => value),
        );
        // Without a list on the card nothing tells a 7-bit address from the 8-bit form of another one: it is asked.
        const unsure = !eightBit && !bad && m.options.length === 0 && m.address % 2 === 0 && half !== null;
        const limit = seven < 0x08 ? 0x08 : 0x77;
        return [
          result(circuit, reserved, {
            subjects: [keyOf(m.part, m.port)],
            severity: bad || eightBit || strange ? 'fault' : unsure ? 'note' : null,
            measured: m.address,
            limit,
            unit: '',
            margin: strange ? null : Math.min(m.address - 0x08, 0x77 - m.address),
            ranked: false,
            message: eightBit
              ? tell('eightBit', { at, m: m.label, seven: addressOf(seven) })
              : bad
                ? tell('bad', { at, m: m.label })
                : strange && half !== null
                  ? tell('cannotBeSetBit', { m: m.label, at, half: addressOf(half) })
                  : unsure
                    ? tell('unsure', { at, m: m.label, half: addressOf(half ?? 0) })
                    : strange
                      ? tell('strange', { m: m.label, at, options: m.options.map(({ value }) => addressOf(value)) })
                      : tell('freeUse', { at, m: m.label }),
            meaning: tell('reservedAddressesStartSpecial'),
            workings: [
              {
                name: tell('address'),
                sum: tell('eightBitForm', {
                  at,
                  address: m.address,
                  eightBit: eightBit ? tell('halved', { seven: addressOf(seven), inHex: seven }) : '',
                }),
              },
              { name: tell('isFree'), sum: tell('xXAddresses', { count: FREE_ADDRESSES.length }) },
            ],
            rests: [addressRest(circuit, m)],
          }),
        ];
      }),
    ),
} satisfies Check;
