/** Where one is looking, as the part of the address after the hash: it can be sent on, and gone back through. */
import { STATIONS, type ViewId } from './view-ids';

export interface Place {
  /** Null on the shelf. */
  readonly plan: string | null;
  readonly station: ViewId;
  /** Key of the finding or proof that is open. */
  readonly finding: string | null;
  /** At the shelf: a build is being picked. */
  readonly starting: boolean;
  /** Part, net, pin or rail that the row is about. */
  readonly about: string | null;
}

const SHELF = 'shelf';
const START = 'start';

/** "#levels&plan=cupboard&finding=level/high|p1.sda"; "#shelf" where no plan is open. */
export function writeAddress({ plan, station, finding, about, starting }: Place): string {
  if (plan === null) return `#${starting ? START : SHELF}`;
  const more = Object.entries({ plan, finding, about }).flatMap(([name, value]) =>
    value === null ? [] : [`&${name}=${encodeURIComponent(value)}`],
  );
  return `#${station}${more.join('')}`;
}

/**
 * @param hash with its sign
 * @returns null where it names no station: anything may stand there, and none of it is believed
 */
export function readAddress(
  hash: string,
): (Omit<Place, 'plan'> & { readonly plan: string | null | 'as it is' }) | null {
  const [first = '', ...rest] = hash.replace(/^#/, '').split('&');
  const named = new URLSearchParams(rest.join('&'));
  const finding = named.get('finding');
  const about = named.get('about');
  if (first === SHELF || first === START)
    return { plan: null, station: 'overview', finding: null, about: null, starting: first === START };
  const station = STATIONS.find(({ id }) => id === first)?.id;
  return station ? { plan: named.get('plan') ?? 'as it is', station, finding, about, starting: false } : null;
}
