/** Joint problems made from numbers: parts with addresses and currents, things to add, lines on pins. */
import type { Choice, Option, Problem, Requirement, Resource } from '../../src/solve/joint/problem.ts';
import { random } from './pin-case.ts';

export interface JointSize {
  readonly parts: number;
  readonly lines: number;
  readonly pins: number;
  /** Parts of one kind: these many are as the second one, and nothing tells them apart. */
  readonly twins?: number;
}

export function jointCase(seed: number, { parts, lines, pins, twins = 0 }: JointSize): Problem {
  const next = random(seed);
  const below = (n: number) => Math.floor(next() * n);
  const resources: Resource[] = [];
  const resource = (id: string, capacity: number, kind?: string) =>
    resources.push({ id, capacity, ...(kind ? { kind } : {}) }) - 1;
  const rails = [0, 1, 2].map((r) => resource(`rail ${r}`, (0.25 + next() * 0.5) * parts * 0.05));
  const addresses = [0, 1].map((bus) => [0, 1, 2, 3].map((a) => resource(`address ${bus}.${a}`, 1, 'address')));
  const pinAt = Array.from({ length: pins }, (_, j) => resource(`pin ${j}`, 1, 'pin'));
  const units = ['i2c0', 'i2c1'].map((unit) => resource(unit, 1, 'unit'));
  const heat = resource('group', 4);
  const choices: Choice[] = [];
  const members = Array.from({ length: parts + lines }, (_, m) => ({
    id: `m${m}`,
    kind: m < parts ? ('part' as const) : ('lock' as const),
    label: `m${m}`,
  }));
  // A rail and a bus that may be added.
  const facility = (id: string, goals: Option['goals'], uses: Option['uses'] = []) =>
    choices.push({
      id,
      options: [
        { id: `${id} none`, goals: {}, uses: [], requires: [] },
        { id: `${id} there`, goals, uses, requires: [] },
      ],
    }) - 1;
  const moreRail = facility('third rail', { parts: 1, cents: 50 + below(200) });
  const moreBus = facility('second bus', { parts: below(3), changes: 1 });
  const translator = facility('translator', { parts: 1, cents: 30 + below(90) });
  const there = (choice: number): Requirement => ({ choice, options: [1] });
  const partAt = choices.length;
  const others: Requirement[] = [1, 2].map((k) => ({ choice: partAt + k, options: [0] }));
  for (let i = 0; i < parts; i++) {
    const amps = 0.005 + next() * 0.09;
    const options: Option[] = [];
    for (const [r, rail] of rails.entries()) {
      if (next() < 0.25) continue;
      for (const [bus, at] of addresses.entries()) {
        for (const address of at) {
          if (next() < 0.55) continue;
          options.push({
            id: `r${r} b${bus} ${address}`,
            goals: { rules: Number(r === 1 && next() < 0.3), cautions: Number(next() < 0.2), changes: below(3) },
            uses: [{ resource: rail, amount: amps }, ...(i % 2 === 0 ? [{ resource: address, amount: 1 }] : [])],
            requires: [
              ...(r === 2 ? [there(moreRail)] : []),
              ...(bus === 1 ? [there(moreBus)] : []),
              ...(r === 1 ? [there(translator)] : []),
            ],
          });
        }
      }
    }
    // Something that is only there for those who use it.
    if (i === 0 && parts > 2)
      options.push({ id: 'with others', goals: { cautions: 1 }, uses: [], requires: [], needsAny: [others] });
    options.push({ id: 'left out', goals: {}, uses: [], requires: [], freedBy: i });
    choices.push({ id: `part ${i}`, options });
  }
  // What they take is not what any address is there for, so any of them may stand where another does.
  const twin = choices[partAt + 1]?.options ?? [];
  for (let i = 0; i < twins && parts > 1; i++) {
    const member = members.push({ id: `twin ${i}`, kind: 'part', label: `twin ${i}` }) - 1;
    const options = twin.map((option) => (option.freedBy === undefined ? option : { ...option, freedBy: member }));
    choices.push({ id: `twin ${i}`, options });
  }
  const first = choices.length;
  const instance = [0, 1].map((g) => {
    const options = units.map((unit, u) => ({
      id: `unit ${u}`,
      goals: {},
      uses: [{ resource: unit, amount: 1 }],
      requires: g === 1 ? [there(moreBus)] : [],
    }));
    return (
      choices.push({
        id: `group ${g}`,
        options:
          g === 0
            ? options
            : [...options, { id: 'none', goals: {}, uses: [], requires: [{ choice: moreBus, options: [0] }] }],
      }) - 1
    );
  });
  const serves = Array.from({ length: pins }, () => [next() < 0.5, next() < 0.5]);
  for (let i = 0; i < lines; i++) {
    const group = i < 4 ? (i >> 1) % 2 : -1;
    const options: Option[] = [];
    const locked = next() < 0.15 ? below(pins) : -1;
    pinAt.forEach((pin, j) => {
      if (next() < (group >= 0 ? 0.5 : 0.65)) return;
      const on = [0, 1].filter((u) => serves[j]?.[u]);
      if (group >= 0 && on.length === 0) return;
      const goals = { cautions: Number(next() < 0.1), changes: Number(next() < 0.8), untidiness: below(40) };
      const uses = [{ resource: pin, amount: 1 }, ...(next() < 0.2 ? [{ resource: heat, amount: 1 }] : [])];
      const requires = group >= 0 ? [{ choice: instance[group] ?? first, options: on }] : [];
      options.push({
        id: `pin ${j}`,
        goals,
        uses,
        requires,
        ...(locked >= 0 && locked !== j ? { freedBy: parts + i } : {}),
      });
    });
    if (group === 1) options.push({ id: 'absent', goals: {}, uses: [], requires: [{ choice: moreBus, options: [0] }] });
    if (options.length === 0) options.push({ id: 'nowhere', goals: {}, uses: [], requires: [], freedBy: parts + i });
    choices.push({ id: `line ${i}`, options });
  }
  return { choices, resources, members };
}
