/** A build on the simulated bench that nobody has looked into: its own pieces, its own instrument. */
import { randomFrom } from '../quantity/random.ts';
import type { Fault } from './fault.ts';
import { shown } from './instrument.ts';
import { measure, type Measurement, type Reading } from './measurement.ts';
import { FirmwareModel } from './firmware-model.ts';
import { VirtualBuild, type Planned } from './virtual-build.ts';

/** By how much the resistors in the drawer differ from what is printed on them, at most: the common ones. */
const PIECE = 0.03;

export class HiddenBuild {
  readonly build: VirtualBuild;
  private readonly talk: FirmwareModel;
  private readonly seed: number;

  /** @param seed draws its resistors and the errors of the instrument; the same seed is the same bench */
  constructor(
    plan: Planned,
    readonly faults: readonly Fault[],
    seed: number,
  ) {
    const roll = randomFrom(seed);
    const ohms = new Map([...plan.ohms].map(([id, value]) => [id, value * (1 + PIECE * (2 * roll() - 1))]));
    this.build = new VirtualBuild({ ...plan, ohms }, faults);
    this.talk = new FirmwareModel(this.build);
    this.seed = seed;
  }

  /** Whether a part answers on its bus. */
  answers(part: string, port: string): boolean {
    const bus = this.build.circuit.buses.find(({ members }) => members.some((m) => m.part === part && m.port === port));
    return this.talk.answers(part, port, bus);
  }

  /** The same measurement shows the same again: an instrument errs in one direction. */
  read(m: Measurement): Reading {
    let hash = this.seed;
    for (const char of m.key) hash = (Math.imul(hash, 31) + (char.codePointAt(0) ?? 0)) | 0;
    return shown(m.kind, measure(this.build, m, this.talk), randomFrom(hash));
  }
}
