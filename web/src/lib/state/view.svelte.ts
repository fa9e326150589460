/** Where the maker is looking: station, row, what is open. Nothing here is part of a plan. */
import type { Result, StationId } from '@idle-breadboard/core/verify';
import { setSetting, setting } from '../store/db';
import { findings, passes } from './results';

/** A station of the checks, or the picture of all. */
export type ViewId = StationId | 'overview';

export interface Station {
  readonly id: ViewId;
  /** The key that goes there, and its place in the order of the work. */
  readonly key: string;
  readonly name: string;
}

/** The stations that do something. */
export const STATIONS: readonly Station[] = [
  { id: 'overview', key: 'o', name: 'Overview' },
  { id: 'need', key: '1', name: 'Need' },
  { id: 'compare', key: '2', name: 'Compare' },
  { id: 'control', key: '3', name: 'Control' },
  { id: 'levels', key: '4', name: 'Levels' },
  { id: 'bus', key: '5', name: 'Bus' },
  { id: 'pins', key: '6', name: 'Pins' },
  { id: 'power', key: '7', name: 'Power' },
  { id: 'wiring', key: '8', name: 'Wiring' },
  { id: 'parts', key: '9', name: 'Parts' },
  { id: 'bring-up', key: '0', name: 'Bring-up' },
];

type Sheet = 'find' | 'mend' | 'keys' | 'proofs' | 'rules' | 'add-part' | 'remove' | 'catalogue' | null;

/** How long a notice stands, ms. */
const NOTICE_TIME = 8000;

/** A voltage that is too high on a net is one cause, however many terminals it threatens. */
const causeOf = ({ check, subjects, key }: Result): string =>
  check === 'level/over-voltage' || check === 'level/unpowered' ? `${check}|${subjects[1]}` : key;

const stationOf = (text: string): ViewId | undefined => STATIONS.find(({ id }) => `#${id}` === text)?.id;

class View {
  station = $state<ViewId>('need');
  /** Key of the result that the tray shows. */
  selected = $state<string | null>(null);
  /** Findings of every station, or of this one. */
  scope = $state<'all' | 'station'>('all');
  trayOpen = $state(true);
  sheet = $state<Sheet>(null);
  /** Card that the catalogue is open at. */
  card = $state<string | null>(null);
  /** Whether a part is being entered there. */
  entering = $state(false);
  /** Need whose candidates are compared. */
  compared = $state<string | null>(null);
  theme = $state<'light' | 'dark'>('light');
  /** Share of the width that the left bank has. */
  split = $state(0.42);
  /** Said once to a screen reader, and shown for a moment. */
  notice = $state('');

  /** What the tray shows: the result in hand, or the worst finding when it is gone or none was chosen. */
  result = $derived.by<Result | null>(() => {
    const all = findings();
    const has = ({ key }: Result) => key === this.selected;
    const worst = all.find(({ severity }) => severity !== 'note');
    return all.find(has) ?? passes().find(has) ?? worst ?? null;
  });

  /** The lines of the tray: findings of one cause stand together under the worst of them. */
  groups = $derived.by<readonly (readonly Result[])[]>(() => {
    const all = findings();
    const wanted =
      this.scope === 'all' || this.station === 'overview' ? all : all.filter(({ station }) => station === this.station);
    const groups = new Map<string, Result[]>();
    for (const finding of wanted) {
      const cause = causeOf(finding);
      groups.set(cause, [...(groups.get(cause) ?? []), finding]);
    }
    return [...groups.values()];
  });

  findings = $derived(this.groups.flatMap((group) => group[0] ?? []));

  async start(): Promise<void> {
    this.station = stationOf(location.hash) ?? 'need';
    // On a phone the tray would take the half of the screen that the work needs.
    this.trayOpen = window.matchMedia('(min-width: 760px)').matches;
    const dark = window.matchMedia('(prefers-color-scheme: dark)').matches;
    this.setTheme(((await setting('theme')) ?? (dark ? 'dark' : 'light')) === 'dark' ? 'dark' : 'light');
    this.split = Number((await setting('split')) ?? this.split);
    this.trayOpen = window.innerWidth >= 760;
  }

  setTheme(theme: 'light' | 'dark'): void {
    this.theme = theme;
    document.documentElement.dataset.theme = theme;
    void setSetting('theme', theme);
  }

  setSplit(share: number): void {
    this.split = Math.min(0.7, Math.max(0.25, share));
    void setSetting('split', String(this.split));
  }

  goTo(station: ViewId): void {
    this.station = station;
    history.replaceState(history.state, '', `#${station}`);
  }

  /** Candidates for a need, side by side. */
  compare(need: string): void {
    this.compared = need;
    this.goTo('compare');
  }

  /** Opens the catalogue, at a card or at its list. */
  openCatalogue(card: string | null = null): void {
    this.card = card;
    this.entering = false;
    this.sheet = 'catalogue';
  }

  /** Opens the catalogue where a new part is entered. */
  enterPart(): void {
    this.openCatalogue();
    this.entering = true;
  }

  /** Shows a result in the tray, and its row in the banks. */
  select(result: Result | null): void {
    this.selected = result?.key ?? null;
    if (!result) return;
    if (result.station !== this.station) this.goTo(result.station);
  }

  /** Goes to the gravest thing that is known about a subject, or else to the station. */
  about(subject: string, station: ViewId): void {
    const results = [...findings(), ...passes()];
    const found =
      results.find(({ subjects, station: at }) => subjects.includes(subject) && at === station) ??
      results.find(({ subjects }) => subjects.includes(subject));
    this.goTo(station);
    if (!found) return;
    this.select(found);
    this.goTo(station);
  }

  /** The next (or previous) finding, around the end. */
  walk(step: 1 | -1): void {
    const list = this.findings;
    if (list.length === 0) return;
    const at = this.groups.findIndex((group) => group.some(({ key }) => key === this.selected));
    const next = at < 0 ? (step > 0 ? 0 : list.length - 1) : (at + step + list.length) % list.length;
    this.select(list[next] ?? null);
  }

  private clearing: ReturnType<typeof setTimeout> | undefined;

  say(text: string): void {
    this.notice = text;
    clearTimeout(this.clearing);
    this.clearing = setTimeout(() => (this.notice = ''), NOTICE_TIME);
  }
}

export const view = new View();
