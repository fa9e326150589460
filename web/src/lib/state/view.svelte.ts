/** Where the maker is looking: station, row, what is open. Nothing here is part of a plan. */
import type { Result } from '@idle-breadboard/core/verify';
import { pushState, replaceState } from '$app/navigation';
import { setSetting, setting } from '../store/db';
import { readAddress, writeAddress } from './address';
import { findings, passes } from './results';
import type { ViewId } from './view-ids';
import { workbench } from './workbench.svelte';

type Sheet = 'find' | 'mend' | 'keys' | 'proofs' | 'rules' | 'add-part' | 'remove' | 'catalogue' | null;

/** Share of the width that decisions take, where nobody said otherwise. */
const BANK = 0.36;

/** A voltage that is too high on a net is one cause, however many terminals it threatens. */
const causeOf = ({ check, subjects, key }: Result): string =>
  check === 'level/over-voltage' || check === 'level/unpowered' ? `${check}|${subjects[1]}` : key;

class View {
  station = $state<ViewId>('overview');
  /** Key of the finding or proof that is open at its row. */
  selected = $state<string | null>(null);
  /** The row that it was opened in, where it was opened by hand. */
  openedIn = $state<string | null>(null);
  /** Part, net, pin or rail whose row was asked for. */
  subject = $state<string | null>(null);
  /** Counts how often what is open was asked to take the focus; 0 where it was not. */
  focusAsked = $state(0);
  /** Findings of every station, or of this one. */
  scope = $state<'all' | 'station'>('all');
  listOpen = $state(false);
  /** At the shelf: a build is being picked. */
  starting = $state(false);
  sheet = $state<Sheet>(null);
  /** Card that the catalogue is open at. */
  card = $state<string | null>(null);
  /** Whether a part is being entered there. */
  entering = $state(false);
  /** Need whose candidates are compared. */
  compared = $state<string | null>(null);
  theme = $state<'light' | 'dark'>('light');
  /** Share of the width that the left bank has. */
  split = $state(BANK);

  /** Where one was before a finding was opened, to go back there. */
  private origin: { station: ViewId; element: HTMLElement | null } | null = null;

  /** What is open at its row. */
  opened = $derived.by<Result | null>(() => {
    const has = ({ key }: Result) => key === this.selected;
    return this.selected === null ? null : (findings().find(has) ?? passes().find(has) ?? null);
  });

  /** What the strip speaks of: what is open, or the worst finding. */
  result = $derived<Result | null>(this.opened ?? findings().find(({ severity }) => severity !== 'note') ?? null);

  /** The lines of the list: findings of one cause stand together under the worst of them. */
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
    const dark = window.matchMedia('(prefers-color-scheme: dark)').matches;
    this.setTheme(((await setting('theme')) ?? (dark ? 'dark' : 'light')) === 'dark' ? 'dark' : 'light');
    this.split = Number((await setting('bank')) ?? this.split);
  }

  setTheme(theme: 'light' | 'dark'): void {
    this.theme = theme;
    document.documentElement.dataset.theme = theme;
    void setSetting('theme', theme);
  }

  setSplit(share: number): void {
    this.split = Math.min(0.7, Math.max(0.25, share));
    void setSetting('bank', String(this.split));
  }

  /** The address of what is looked at. @param how whether Back leads to what was looked at before */
  private write(how: typeof pushState, plan = workbench.plan?.id ?? null): void {
    const { station, selected: finding, subject: about, starting } = this;
    const address = writeAddress({ plan, station, finding, about, starting });
    if (address !== location.hash) how(address, {});
  }

  /** Looks where the address says, before the plan is there. @returns the plan that it names */
  look(): string | null | 'as it is' {
    const place = readAddress(location.hash);
    if (!place) return 'as it is';
    this.starting = place.starting;
    this.station = place.station;
    this.selected = place.finding;
    this.subject = place.about;
    this.openedIn = null;
    return place.plan;
  }

  /** Goes where the address says: after Back and Forward, after a link. */
  async follow(): Promise<void> {
    const plan = this.look();
    if (plan === 'as it is' || plan === (workbench.plan?.id ?? null)) return;
    if (plan === null) await workbench.close();
    else await workbench.open(plan);
    // A plan that is not on the shelf leads to what is shown instead, unless one went on meanwhile.
    if (readAddress(location.hash)?.plan === plan) this.keepAddress();
  }

  /** Whatever opened or closed a plan: the address leads to it. */
  keepAddress(): void {
    this.write(replaceState);
  }

  /** To the shelf, where no plan is open. */
  async leave(starting = false): Promise<void> {
    this.shut();
    this.starting = starting;
    this.write(pushState, null);
    await workbench.close();
  }

  /** Opens a plan of the shelf. */
  async open(id: string, station: ViewId = 'overview'): Promise<void> {
    this.shut();
    this.station = station;
    // The address leads there before the plan is worked out.
    this.write(pushState, id);
    await workbench.open(id);
  }

  goTo(station: ViewId): void {
    this.shut();
    this.station = station;
    this.write(pushState);
  }

  private shut(): void {
    this.selected = null;
    this.openedIn = null;
    this.subject = null;
    this.origin = null;
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

  /**
   * Opens a result at its row. At the picture of all it stays there: the picture shows the row.
   * @param row the row that it was opened in by hand
   */
  select(result: Result, { row = null, focus = false }: { row?: string | null; focus?: boolean } = {}): void {
    const active = document.activeElement;
    this.origin ??= { station: this.station, element: active instanceof HTMLElement ? active : null };
    this.selected = result.key;
    this.openedIn = row;
    this.subject = null;
    this.focusAsked = focus ? this.focusAsked + 1 : 0;
    if (this.station !== 'overview') this.station = result.station;
    this.write(pushState);
  }

  /** Closes what is open and goes back to where one was. @returns false where nothing was open */
  back(): boolean {
    if (this.selected === null) return false;
    const origin = this.origin;
    this.shut();
    if (origin) this.station = origin.station;
    this.write(pushState);
    if (origin?.element?.isConnected) origin.element.focus();
    else document.querySelector<HTMLElement>('main')?.focus();
    return true;
  }

  /** From the picture of all to the row of what is open. */
  goToRow({ station }: Result): void {
    this.station = station;
    this.focusAsked += 1;
    this.write(pushState);
  }

  /** What was open is gone, because it was settled. */
  forget(): void {
    this.shut();
    this.write(replaceState);
  }

  /** Goes to the gravest thing that is known about a subject, or else to its row at the station. */
  about(subject: string, station: ViewId): void {
    const results = [...findings(), ...passes()];
    const found =
      results.find(({ subjects, station: at }) => subjects.includes(subject) && at === station) ??
      results.find(({ subjects }) => subjects.includes(subject));
    this.goTo(station);
    if (found?.station === station) this.select(found);
    else {
      this.subject = subject;
      this.write(replaceState);
    }
  }

  /** The next (or previous) finding, around the end. */
  walk(step: 1 | -1): void {
    const list = this.findings;
    if (list.length === 0) return;
    const at = this.groups.findIndex((group) => group.some(({ key }) => key === this.selected));
    const next = list[at < 0 ? (step > 0 ? 0 : list.length - 1) : (at + step + list.length) % list.length];
    if (next) this.select(next, { focus: true });
  }
}

export const view = new View();
