<!-- One box to find a part, a pin, a net, a finding, or to do something. -->
<script lang="ts">
  import { Command } from 'bits-ui';
  import { pinUses } from '@idle-breadboard/core';
  import Sheet from '../kit/Sheet.svelte';
  import { STATIONS, view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { assignRest, doExport, startPlan } from './actions';

  let { openFile }: { openFile: () => void } = $props();
  interface Entry {
    readonly id: string;
    readonly name: string;
    readonly hint: string;
    readonly run: () => void;
  }
  const close = () => (view.sheet = null);
  const results = $derived([...(workbench.study?.verdict.findings ?? []), ...(workbench.study?.verdict.passes ?? [])]);

  /** Goes to the gravest thing that is known about a subject, or else to the station. */
  function about(subject: string, station: (typeof STATIONS)[number]['id']) {
    const found =
      results.find(({ subjects, station: at }) => subjects.includes(subject) && at === station) ??
      results.find(({ subjects }) => subjects.includes(subject));
    view.goTo(station);
    if (found) {
      view.select(found);
      view.goTo(station);
    }
  }

  const groups = $derived.by<{ name: string; entries: Entry[] }[]>(() => {
    const circuit = workbench.study?.circuit;
    const doing: Entry[] = [
      { id: 'do-new', name: 'New plan', hint: '', run: () => void startPlan() },
      { id: 'do-import', name: 'Import a plan file', hint: '', run: openFile },
      ...(circuit
        ? [
            { id: 'do-add', name: 'Add a part', hint: '', run: () => (view.sheet = 'add-part') },
            { id: 'do-assign', name: 'Assign the rest of the pins', hint: '', run: () => void assignRest() },
            { id: 'do-export', name: 'Export this plan', hint: '', run: doExport },
            { id: 'do-print', name: 'Print', hint: 'wiring or parts', run: () => window.print() },
            { id: 'do-rules', name: 'Name and house rules', hint: '', run: () => (view.sheet = 'rules') },
            { id: 'do-proofs', name: 'All proofs', hint: '', run: () => (view.sheet = 'proofs') },
          ]
        : []),
      {
        id: 'do-theme',
        name: view.theme === 'dark' ? 'Light by day' : 'Dark by night',
        hint: '',
        run: () => view.setTheme(view.theme === 'dark' ? 'light' : 'dark'),
      },
      { id: 'do-keys', name: 'List the keys', hint: '?', run: () => (view.sheet = 'keys') },
    ];
    if (!circuit) return [{ name: 'do', entries: doing }];
    return [
      { name: 'do', entries: doing },
      {
        name: 'stations',
        entries: STATIONS.map(({ id, name, key }) => ({
          id: `station-${id}`,
          name,
          hint: key,
          run: () => view.goTo(id),
        })),
      },
      {
        name: 'parts',
        entries: circuit.plan.parts.map((part) => ({
          id: `part-${part.id}`,
          name: part.label,
          hint: circuit.cards.get(part.card)?.name ?? '',
          run: () => about(part.id, 'need'),
        })),
      },
      {
        name: 'pins',
        entries: pinUses(circuit).flatMap(({ label, wishes, pin }) =>
          wishes.map((wish) => ({
            id: `pin-${pin.terminal}-${wish.id}`,
            name: label,
            hint: wish.label,
            run: () => about(wish.id, 'pins'),
          })),
        ),
      },
      {
        name: 'nets',
        entries: circuit.nets.map((net) => ({
          id: `net-${net.id}`,
          name: net.label,
          hint: net.bus ? 'bus line' : 'line',
          run: () => about(net.id, 'levels'),
        })),
      },
      {
        name: 'findings',
        entries: (workbench.study?.verdict.findings ?? []).map((r) => ({
          id: `finding-${r.key}`,
          name: r.message,
          hint: r.check,
          run: () => {
            view.select(r);
            view.trayOpen = true;
          },
        })),
      },
    ];
  });

  function run(entry: Entry) {
    close();
    entry.run();
  }
</script>

<Sheet open={view.sheet === 'find'} title="Find or do" {close}>
  <Command.Root class="flex min-h-0 flex-col" label="find or do" loop>
    <Command.Input class="field m-2 min-h-8" placeholder="part, pin, net, finding, or what to do" />
    <Command.List class="find-list" tabindex={0} aria-label="found">
      <Command.Viewport>
        <Command.Empty class="unit p-3">Nothing of that name.</Command.Empty>
        {#each groups as group (group.name)}
          <Command.Group>
            <Command.GroupHeading class="eyebrow px-3 pt-2">{group.name}</Command.GroupHeading>
            <Command.GroupItems>
              {#each group.entries as entry (entry.id)}
                <Command.Item
                  class="find-item"
                  value={entry.id}
                  keywords={[entry.name, entry.hint, group.name]}
                  onSelect={() => run(entry)}
                >
                  <span class="truncate">{entry.name}</span><span class="unit truncate">{entry.hint}</span>
                </Command.Item>
              {/each}
            </Command.GroupItems>
          </Command.Group>
        {/each}
      </Command.Viewport>
    </Command.List>
  </Command.Root>
</Sheet>

<style>
  :global(.find-list) {
    overflow-y: auto;
    max-height: 60vh;
    padding-bottom: 8px;
  }
  :global(.find-item) {
    display: flex;
    justify-content: space-between;
    gap: 16px;
    align-items: center;
    min-height: var(--row);
    padding: 0 12px;
    cursor: pointer;
  }
  :global(.find-item[data-selected]) {
    background: var(--copper-soft);
    box-shadow: inset 3px 0 var(--copper);
  }
</style>
