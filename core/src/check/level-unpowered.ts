import type { Circuit, Net, NetEnd, Power } from '../circuit/model.ts';
import { levelAt, levelVolts, type Resolved } from '../circuit/level.ts';
import { allPullUps, driverPeak, lifting, type Fed } from '../physics/node.ts';
import { CLAMP_CURRENT } from '../standard/common-practice.ts';
import { result, type Check, type CheckMeta, type Result, type Severity } from './result.ts';
import { quantityOf, tells, type Text, type Quantity, type Sum } from '../quantity/message.ts';
import { subtract, inParallel } from '../quantity/sum.ts';
import { term } from './terms.ts';
import { keyOf } from '../plan/ref.ts';
import { overNets } from './over.ts';

/** What is said here, by the data that it takes. */
export interface LevelUnpoweredSays {
  readonly fixed: { pull: Text };
  readonly pullUp: { pull: Text };
  readonly railHighest: null;
  readonly nothingLimitsCurrentCan: null;
  readonly resistorLetsThroughMost: { amps: Quantity; clampcurrent: Quantity };
  readonly flowsIntoLineHeld: { amps: Quantity };
  readonly broken: { end: Text; by: Text; worst: Quantity; stands: Quantity; follows: Text };
  readonly holds: { by: Text; worst: Quantity; end: Text; stands: Quantity };
  readonly meaning: null;
  readonly on: { net: Text };
  readonly standsWhileOff: { end: Text };
  readonly currentThroughDiode: null;
  readonly v: { worst: Quantity; diode: number; over: Quantity };
  readonly switchedSuppliesOffPull: {
    off: readonly Text[];
    net: Text;
    volts: Quantity;
    hardest: Text;
    needs: Quantity;
  };
  readonly switchedSuppliesOffLeft: { volts: Quantity; net: Text };
  readonly railPartOffLies: null;
  readonly left: { net: Text };
  readonly upDown: { on: Sum; off: Sum };
  readonly needs: { hardest: Text };
  readonly high: null;
}

const tell = tells<LevelUnpoweredSays>('level/unpowered');

const meta = {
  id: 'level/unpowered',
  station: 'levels',
  breaks: 'danger',
  scope: 'part',
  reads: [
    'controller/io/absoluteMax',
    'signals/*/absoluteMax',
    'signals/*/fittedPullUp/value',
    'signals/*/unpoweredMax',
  ],
} as const satisfies CheckMeta;

/** What a protection diode drops at a milliampere, V. */
export const DIODE = 0.6;

/** What keeps pushing while the part is off. */
interface Push {
  readonly by: Text;
  readonly volts: number;
  readonly sum: Sum;
  /** Ω that limit the current; null where nothing does. */
  readonly ohms: number | null;
  /** True where a switch in the build takes the supply away, not a plug. */
  readonly switched: boolean;
  /** By an output; else by a resistor to a rail, whose line the part that is off then holds down for all others. */
  readonly driven: boolean;
}

/** Whether one supply can be there while the other is not; by a switch of the build, or because it has its own source. */
function outlives(power: Pick<Power, 'source' | 'switches'>, end: NetEnd): 'switch' | 'source' | null {
  if (end.power.switches.some((s) => !power.switches.includes(s))) return 'switch';
  return power.source !== null && end.power.source !== null && power.source !== end.power.source ? 'source' : null;
}

function pushes(circuit: Circuit, net: Net, end: NetEnd): Push[] {
  const found: Push[] = [];
  for (const other of net.ends) {
    const peak = other === end ? null : driverPeak(other);
    const how = peak && outlives(other.power, end);
    if (!peak || !how) continue;
    const between = net.series.reduce((sum, { ohms: each }) => sum + each, 0) * (1 - circuit.tolerance);
    const ohms = between > 0 || other.resistance ? between + (other.resistance?.min ?? 0) : null;
    found.push({ by: other.label, volts: peak.volts, sum: peak.sum, ohms, switched: how === 'switch', driven: true });
  }
  for (const pull of lifting(net)) {
    const how = outlives(pull, end);
    if (!how) continue;
    found.push({
      by:
        pull.helper !== null && pull.helper === net.fixed?.helper
          ? tell('fixed', { pull: pull.label })
          : tell('pullUp', { pull: pull.label }),
      volts: pull.voltage.max,
      sum: tell('railHighest'),
      ohms: pull.ohms.min,
      switched: how === 'switch',
      driven: false,
    });
  }
  return found;
}

/** What the terminal stands with its own supply at nothing. */
function standsOff(end: NetEnd): (Resolved & { source: string }) | null {
  const { unpoweredMax, absoluteMax } = end.levels;
  if (unpoweredMax) return { ...levelAt(unpoweredMax, 'max', 0), source: unpoweredMax.source };
  return absoluteMax ? { ...levelAt(absoluteMax, 'max', 0), source: absoluteMax.source } : null;
}

/** What a push sends through the protection diode of a part that is off, A; null where nothing limits it. */
const through = ({ ohms, volts }: Push): number | null => (ohms === null ? null : Math.max(0, volts - DIODE) / ohms);

/** An output behind a resistor that lets no more than a diode may carry through: nothing is hurt, and no line is held down. */
const isLimited = (push: Push): boolean => push.driven && (through(push) ?? Infinity) <= CLAMP_CURRENT;

function severityOf(push: Push, broken: boolean): Severity | null {
  if (!broken) return null;
  // A part that is switched off to save current is still half on.
  if (isLimited(push)) return push.switched ? 'note' : null;
  if (push.ohms === null || push.ohms < 100) return 'danger';
  return push.switched ? 'fault' : 'caution';
}

function judge(circuit: Circuit, net: Net, end: NetEnd): Result[] {
  const stands = standsOff(end);
  if (!stands || end.divider || end.power.rail === null) return [];
  const all = pushes(circuit, net, end);
  const tooHigh = all.filter(({ volts }) => volts > stands.volts + 1e-9);
  // Of those that are too high the one that limits its current least is the worst; else the highest.
  const [worst] =
    tooHigh.length > 0
      ? tooHigh.sort((a, b) => (a.ohms ?? 0) - (b.ohms ?? 0) || b.volts - a.volts)
      : all.sort((a, b) => b.volts - a.volts);
  if (!worst) return [];
  const margin = stands.volts - worst.volts;
  const broken = margin < -1e-9;
  const amps = through(worst);
  const limited = isLimited(worst);
  const V = (x: number) => quantityOf(x, 'V', 3);
  const follows =
    amps === null
      ? tell('nothingLimitsCurrentCan')
      : limited
        ? tell('resistorLetsThroughMost', {
            amps: quantityOf(amps, 'A', 2),
            clampcurrent: quantityOf(CLAMP_CURRENT, 'A'),
          })
        : tell('flowsIntoLineHeld', { amps: quantityOf(amps, 'A', 2) });
  return [
    result(circuit, meta, {
      subjects: [keyOf(end.part, end.signal), net.id],
      severity: severityOf(worst, broken),
      ...(broken && limited
        ? { measured: amps, limit: CLAMP_CURRENT, unit: 'A', margin: CLAMP_CURRENT - (amps ?? 0) }
        : { measured: worst.volts, limit: stands.volts, unit: 'V', margin }),
      message: broken
        ? tell('broken', { end: end.label, by: worst.by, worst: V(worst.volts), stands: V(stands.volts), follows })
        : tell('holds', { by: worst.by, worst: V(worst.volts), end: end.label, stands: V(stands.volts) }),
      meaning: tell('meaning'),
      workings: [
        { name: tell('on', { net: net.label }), sum: worst.sum, value: worst.volts, unit: 'V' },
        { name: tell('standsWhileOff', { end: end.label }), sum: stands.sum, value: stands.volts, unit: 'V' },
        { name: term('margin'), sum: subtract(V(stands.volts), V(worst.volts)), value: margin, unit: 'V' },
        ...(amps !== null && broken
          ? [
              {
                name: tell('currentThroughDiode'),
                sum: tell('v', { worst: V(worst.volts), diode: DIODE, over: quantityOf(worst.ohms ?? 0, 'Ω') }),
                value: amps,
                unit: 'A',
              },
            ]
          : []),
      ],
      rests: [[end.card, stands.source]],
    }),
  ];
}

/**
 * A pull-up whose rail is switched off pulls down: its rail is near ground then. All that can be off are taken to be off
 * together; what stays on has to lift the line for those that still read it.
 */
function dragged(circuit: Circuit, net: Net): Result[] {
  const pulls = allPullUps(net);
  const off = pulls.filter(({ switches }) => switches.length > 0);
  const on = pulls.filter(({ switches }) => switches.length === 0);
  const hardest = net.ends
    .flatMap((end) =>
      end.levels.inputHigh && end.power.voltage && end.power.switches.length === 0
        ? [{ label: end.label, volts: levelVolts(end.levels.inputHigh, 'max', end.power.voltage.min) }]
        : [],
    )
    .reduce<{ label: Text; volts: number } | null>((a, b) => (a && a.volts >= b.volts ? a : b), null);
  if (off.length === 0 || on.length === 0 || !hardest) return [];
  const siemens = on.reduce((g, p) => g + 1 / p.ohms.max, 0) + off.reduce((g, p) => g + 1 / p.ohms.min, 0);
  const volts = on.reduce((sum, p) => sum + p.voltage.min / p.ohms.max, 0) / siemens;
  const margin = volts - hardest.volts;
  const V = (x: number) => quantityOf(x, 'V', 3);
  const R = (list: readonly Fed[], bound: 'min' | 'max') =>
    inParallel(...list.map((p) => quantityOf(p.ohms[bound], 'Ω')));
  return [
    result(circuit, meta, {
      subjects: [net.id, ...off.flatMap(({ fitted }) => (fitted ? [keyOf(fitted.part, fitted.signal)] : []))],
      aspect: 'pull-up',
      keyed: [net.id],
      severity: margin < 0 ? 'fault' : null,
      measured: volts,
      limit: hardest.volts,
      unit: 'V',
      margin,
      message:
        margin < 0
          ? tell('switchedSuppliesOffPull', {
              off: off.map(({ label }) => label),
              net: net.label,
              volts: V(volts),
              hardest: hardest.label,
              needs: V(hardest.volts),
            })
          : tell('switchedSuppliesOffLeft', { volts: V(volts), net: net.label }),
      meaning: tell('railPartOffLies'),
      workings: [
        {
          name: tell('left', { net: net.label }),
          sum: tell('upDown', { on: R(on, 'max'), off: R(off, 'min') }),
          value: volts,
          unit: 'V',
        },
        { name: tell('needs', { hardest: hardest.label }), sum: tell('high'), value: hardest.volts, unit: 'V' },
      ],
      rests: off.map(({ figure }) => (figure ? ([figure.card, figure.source] as const) : null)),
    }),
  ];
}

export const levelUnpowered = {
  meta,
  ...overNets((circuit, net) => [...net.ends.flatMap((end) => judge(circuit, net, end)), ...dragged(circuit, net)]),
} satisfies Check;
