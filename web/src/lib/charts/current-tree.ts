/** Geometry of the current tree: limbs from each source to its rails and parts, as wide as the current. */
import { toInterval } from '@idle-breadboard/core/card';
import { railWarmth, type Circuit, type Load, type Rail } from '@idle-breadboard/core/circuit';
import { say } from '@idle-breadboard/core/words';
import { hierarchy, scaleLinear, type HierarchyNode } from 'd3';

export interface CurrentNode {
  readonly id: string;
  readonly label: string;
  /** Rail that it is; null for a part, and for resistors and lights. */
  readonly rail: string | null;
  /** Into it, A: usually, and at the peak. */
  readonly into: { readonly typical: number; readonly peak: number };
  /** Out of it; the same for what is no rail. */
  readonly out: { readonly typical: number; readonly peak: number };
  /** A that may be drawn. */
  readonly limit: number | null;
  readonly heat: { readonly watts: number; readonly surface: number } | null;
  readonly children: readonly CurrentNode[];
}

const amountOf = ({ typical, peak }: { typical: number; peak: number }) => ({ typical, peak });

/** What hangs on each source. Resistors and lights on a rail stand together. */
export function currentNodes(circuit: Circuit): CurrentNode[] {
  const { derating } = circuit.plan.rules;
  const railNode = (rail: Rail, label: string, into: CurrentNode['into'], depth: number): CurrentNode => {
    const loads = depth > 12 ? [] : rail.loads;
    const small = loads.filter(({ kind }) => kind === 'small');
    const warm = railWarmth(circuit, rail);
    const children = loads
      .filter((load) => !small.includes(load))
      .map((load, i) => loadNode(load, `${rail.ref}/${i}`, depth));
    const rest = small.reduce((sum, load) => ({ typical: sum.typical + load.typical, peak: sum.peak + load.peak }), {
      typical: 0,
      peak: 0,
    });
    const extra: CurrentNode[] =
      small.length === 0
        ? []
        : [
            {
              id: `${rail.ref}/small`,
              label: small.length === 1 ? say(small[0]?.label) : `${small.length} resistors, lights`,
              rail: null,
              into: rest,
              out: rest,
              limit: null,
              heat: null,
              children: [],
            },
          ];
    return {
      id: rail.ref,
      label,
      rail: rail.ref,
      into,
      out: amountOf(rail),
      limit: toInterval(rail.offer.limit).min * derating,
      heat: warm && { watts: warm.watts, surface: warm.surface },
      children: [...children, ...extra],
    };
  };
  const loadNode = (load: Load, id: string, depth: number): CurrentNode => {
    const rail = circuit.rails.get(load.subject);
    if (rail) return railNode(rail, say(rail.label), amountOf(load), depth + 1);
    const into = amountOf(load);
    return { id, label: say(load.label), rail: null, into, out: into, limit: null, heat: null, children: [] };
  };
  return [...circuit.rails.values()]
    .filter((rail) => !rail.offer.from && !rail.pin && rail.loads.length > 0)
    .map((rail) => railNode(rail, say(rail.label), amountOf(rail), 0));
}

export interface Limb {
  readonly id: string;
  readonly node: CurrentNode;
  readonly depth: number;
  /** Right end of the limb, where the node stands. */
  readonly x: number;
  readonly y: number;
  /** px */
  readonly height: number;
  readonly path: string;
  readonly usualPath: string;
  readonly limitHeight: number | null;
  readonly over: boolean;
  readonly leaf: boolean;
  /** True where it hangs lower than what feeds it: its name stands below. */
  readonly sinks: boolean;
}

export interface CurrentTree {
  readonly limbs: readonly Limb[];
  readonly width: number;
  readonly height: number;
  /** px between two levels */
  readonly column: number;
}

/** px */
const LEAF = 19;
const HEAD = 40;
const THICKEST = 54;
const CLOSE = 72;
/** Times the current. */
const FAR = 2.5;
/** Room for a name below a limb. */
const BELOW = 36;
const THINNEST = 0.8;
/** Room for the names of the last level. */
const NAMES = 176;

const between = (x0: number, a0: number, b0: number, x1: number, a1: number, b1: number): string => {
  const m = (x0 + x1) / 2;
  const p = (n: number) => n.toFixed(1);
  return `M${p(x0)} ${p(a0)}C${p(m)} ${p(a0)} ${p(m)} ${p(a1)} ${p(x1)} ${p(a1)}V${p(b1)}C${p(m)} ${p(b1)} ${p(m)} ${p(b0)} ${p(x0)} ${p(b0)}Z`;
};

/** @param width px; what does not fit is drawn at the least width that can be read */
export function currentTree(sources: readonly CurrentNode[], width: number): CurrentTree {
  const forest = sources.map((source) => hierarchy(source, ({ children }) => [...children]));
  const deepest = Math.max(1, ...forest.map((tree) => tree.height));
  const most = Math.max(
    1e-9,
    ...forest.flatMap((tree) => tree.descendants().map(({ data }) => Math.max(data.into.peak, data.out.peak))),
  );
  const thick = scaleLinear([0, most], [0, THICKEST]);
  const size = (amps: number) => Math.max(THINNEST, thick(amps));
  const column = Math.max(56, (Math.max(width, 460) - NAMES) / (deepest + 0.35));
  const limbs: Limb[] = [];
  let top = 4;
  for (const tree of forest) {
    const places = new Map<HierarchyNode<CurrentNode>, number>();
    let y = top;
    // Leaves one below the other, as tall as they need; what feeds them in their middle.
    tree.eachAfter((node) => {
      if (node.children) {
        const ends = node.children.map((child) => places.get(child) ?? 0);
        places.set(node, (Math.min(...ends) + Math.max(...ends)) / 2);
        return;
      }
      const height = Math.max(LEAF, size(node.data.into.peak) + 5);
      // A new group leaves room for the name of the rail above it.
      const siblings = node.parent?.children ?? [];
      if (siblings[0] === node) y += Math.max(4, HEAD - ((siblings.length - 1) * LEAF) / 2);
      // And what comes below a rail leaves room for the name under its limb.
      if (siblings[siblings.indexOf(node) - 1]?.children) y += BELOW - 4;
      places.set(node, y + height / 2);
      y += height;
    });
    tree.eachBefore((node) => {
      const at = places.get(node) ?? 0;
      const { into, out, limit } = node.data;
      const x = column * (node.depth + 0.35);
      const parent = node.parent;
      let start = { top: at - size(into.peak) / 2, x: x - column * 0.35 };
      if (parent) {
        const siblings = parent.children ?? [];
        const before = siblings.slice(0, siblings.indexOf(node)).reduce((sum, s) => sum + thick(s.data.into.peak), 0);
        const all = siblings.reduce((sum, s) => sum + thick(s.data.into.peak), 0);
        start = { top: (places.get(parent) ?? 0) - all / 2 + before, x: x - column };
      }
      const [from, to] = [size(into.peak), size(out.peak)];
      const usual = (amps: number, whole: number) => Math.min(whole, Math.max(THINNEST / 2, thick(amps)));
      const [u0, u1] = [usual(into.typical, from), usual(out.typical, to)];
      const middle = start.top + from / 2;
      limbs.push({
        id: node.data.id,
        node: node.data,
        depth: node.depth,
        x,
        y: at,
        height: to,
        path: between(start.x, start.top, start.top + from, x, at - to / 2, at + to / 2),
        usualPath: between(start.x, middle - u0 / 2, middle + u0 / 2, x, at - u1 / 2, at + u1 / 2),
        // A limit far beyond the current is said, not drawn.
        limitHeight: limit === null || limit > FAR * out.peak ? null : thick(limit),
        over: limit !== null && out.peak > limit,
        leaf: !node.children,
        sinks: parent
          ? at > (places.get(parent) ?? 0)
          : (node.children ?? []).some((child) => child.children && Math.abs((places.get(child) ?? 0) - at) < CLOSE),
      });
    });
    top = y + 12;
  }
  const right = Math.max(...limbs.map(({ x }) => x), 0) + NAMES;
  const lowest = limbs.map(
    (limb) => limb.y + Math.max(limb.height, limb.limitHeight ?? 0) / 2 + (limb.sinks && !limb.leaf ? BELOW : 4),
  );
  return { limbs, width: Math.max(width, right), height: Math.max(top, ...lowest), column };
}
