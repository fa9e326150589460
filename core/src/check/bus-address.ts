import { takesTurns } from '../circuit/buses.ts';
import type { BusNode, Circuit, Member } from '../circuit/circuit.ts';
import { eightBitOf, formatAddress } from '../quantity/address.ts';
import { BUS_ADDRESS_SOURCE, FREE_ADDRESSES, isReservedAddress } from '../standard/bus-timing.ts';
import { result, type Check, type CheckMeta, type Result } from './result.ts';

const collision: CheckMeta = {
  id: 'bus/address-collision',
  title: 'One part answers at one address',
  station: 'bus',
  rule: 'No two parts of one bus answer at one address at the same time, their settings considered. Parts that a bus switch, a gated translator or a switched supply takes off the bus in turn may share one.',
  source: BUS_ADDRESS_SOURCE,
  standard: true,
  breaks: 'fault',
};

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

export const busAddressCollision: Check = {
  meta: collision,
  run: (circuit) =>
    i2c(circuit)
      .filter(({ id, root }) => id === root)
      .flatMap((bus) =>
        [...groups(circuit, bus)].map(([address, all]): Result => {
          const clashing = all.filter((m) => all.some((other) => other !== m && !takesTurns(m, other)));
          const members = clashing.length > 0 ? clashing : all;
          const clash = clashing.length > 0;
          const names = members.map(({ label }) => label).join(' and ');
          const at = formatAddress(address);
          return result(circuit, collision, {
            subjects: [bus.id, ...members.map(({ part, port }) => `${part}.${port}`)],
            severity: clash ? 'fault' : null,
            measured: clash ? members.length : 1,
            limit: 1,
            unit: 'parts',
            margin: clash ? 1 - members.length : 0,
            message: clash
              ? `${names} ${members.length === 2 ? 'both' : 'all'} answer at ${at} on ${bus.name}. Their bits mix; neither can be read.`
              : members.length > 1
                ? `${names} share ${at} on ${bus.name} and take turns: only one of them is on the bus at a time.`
                : `${names} alone answers at ${at} on ${bus.name}.`,
            meaning:
              'Two parts that answer together pull the data line for each other’s bits: readings are garbage or the same twice.',
            workings: members.map((m) => ({
              name: m.label,
              sum: `${at} (${address})${m.options.length > 1 ? `, one of ${m.options.length} settings` : ', fixed'}${m.selectors.length > 0 ? `, switched by ${m.selectors.map((s) => circuit.parts.get(s.split(':')[0] ?? s)?.label ?? s).join(' and ')}` : ''}`,
            })),
            rests: members.map((m) => addressRest(circuit, m)),
          });
        }),
      ),
};

const reserved: CheckMeta = {
  id: 'bus/address-reserved',
  title: 'No part sits on a reserved address',
  station: 'bus',
  rule: 'Addresses run from 0x08 to 0x77; 0x00–0x07 and 0x78–0x7F are reserved. A value above 0x7F is taken for the 8-bit form and halved.',
  source: BUS_ADDRESS_SOURCE,
  standard: true,
  breaks: 'fault',
};

export const busAddressReserved: Check = {
  meta: reserved,
  run: (circuit) =>
    i2c(circuit).flatMap((bus) =>
      bus.members.flatMap((m): Result[] => {
        if (m.address === null) return [];
        const at = formatAddress(m.address);
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
            subjects: [`${m.part}.${m.port}`],
            severity: bad || eightBit || strange ? 'fault' : unsure ? 'note' : null,
            measured: m.address,
            limit,
            unit: '',
            margin: strange ? null : Math.min(m.address - 0x08, 0x77 - m.address),
            ranked: false,
            message: eightBit
              ? `${at} of ${m.label} is above 0x7F; it looks like the 8-bit form that holds the read/write bit. Is ${formatAddress(seven)} meant?`
              : bad
                ? `${at} of ${m.label} is reserved; a part may sit from 0x08 to 0x77.`
                : strange && half !== null
                  ? `${m.label} cannot be set to ${at}; that is the 8-bit form of ${formatAddress(half)}, which it can have. Is ${formatAddress(half)} meant?`
                  : unsure
                    ? `${at} of ${m.label} is taken as it stands; its card has no list of addresses. If the sheet gives the 8-bit form, ${formatAddress(half ?? 0)} is meant.`
                    : strange
                      ? `${m.label} cannot be set to ${at}; its card knows ${m.options.map(({ value }) => formatAddress(value)).join(', ')}.`
                      : `${at} of ${m.label} is free for use.`,
            meaning: 'Reserved addresses start special sequences; a part there is not reached by ordinary software.',
            workings: [
              {
                name: 'address',
                sum: `${at} = ${m.address}${eightBit ? `; halved ${formatAddress(seven)} = ${seven}` : ''}`,
              },
              { name: 'free for use', sum: `0x08 to 0x77, ${FREE_ADDRESSES.length} addresses` },
            ],
            rests: [addressRest(circuit, m)],
          }),
        ];
      }),
    ),
};
