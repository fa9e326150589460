<!-- One box to find a part, a pin, a net, a finding, or to do something. -->
<script lang="ts">
  import { pinUses } from '@idle-breadboard/core/circuit';
  import { say } from '@idle-breadboard/core/words';
  import Picker from '../kit/Picker.svelte';
  import type { PickerEntry, PickerGroup } from '../kit/picker';
  import Sheet from '../kit/Sheet.svelte';
  import { mending } from '../state/mending.svelte';
  import { findings } from '../state/results';
  import { STATIONS } from '../state/view-ids';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';
  import { doExport, exportAll, startPlan } from '../kit/actions';
  import { assignRest } from '../kit/plan-actions';

  let { openFile }: { openFile: () => void } = $props();
  const close = () => (view.sheet = null);
  const doing = $derived<PickerEntry[]>([
    { id: 'do-new', name: 'New plan', hint: '', run: () => void startPlan() },
    { id: 'do-import', name: 'Import a file', hint: 'a plan, or a whole shelf', run: openFile },
    { id: 'do-export-all', name: 'Export everything', hint: 'x', run: () => void exportAll() },
    ...(workbench.study
      ? [
          { id: 'do-add', name: 'Add a part', hint: '', run: () => (view.sheet = 'add-part') },
          { id: 'do-catalogue', name: 'Open the catalogue', hint: 'cards', run: () => view.openCatalogue() },
          { id: 'do-enter', name: 'Enter a part of my own', hint: 'at the desk', run: () => view.enterPart() },
          { id: 'do-mend', name: 'Mend all', hint: 'm', run: () => void mending.open() },
          { id: 'do-assign', name: 'Assign the rest of the pins', hint: '', run: () => void assignRest() },
          { id: 'do-export', name: 'Export this plan', hint: '', run: doExport },
          { id: 'do-print', name: 'Print', hint: 'wiring or parts', run: () => window.print() },
          { id: 'do-rules', name: 'Name and my rules', hint: '', run: () => (view.sheet = 'rules') },
          { id: 'do-findings', name: 'List all findings', hint: 'f', run: () => (view.listOpen = true) },
          { id: 'do-shelf', name: 'Back to the shelf', hint: 'plans', run: () => void view.leave() },
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
  ]);

  const groups = $derived.by<PickerGroup[]>(() => {
    const circuit = workbench.study?.circuit;
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
          name: say(part.label),
          hint: circuit.cards.get(part.card)?.name ?? '',
          run: () => view.about(part.id, 'need'),
        })),
      },
      {
        name: 'pins',
        entries: pinUses(circuit).flatMap(({ label, wishes, pin }) =>
          wishes.map((wish) => ({
            id: `pin-${pin.terminal}-${wish.id}`,
            name: label,
            hint: say(wish.label),
            run: () => view.about(wish.id, 'pins'),
          })),
        ),
      },
      {
        name: 'nets',
        entries: circuit.nets.map((net) => ({
          id: `net-${net.id}`,
          name: say(net.label),
          hint: net.bus ? 'bus line' : 'line',
          run: () => view.about(net.id, 'levels'),
        })),
      },
      {
        name: 'findings',
        entries: findings().map((r) => ({
          id: `finding-${r.key}`,
          name: say(r.message),
          hint: r.check,
          run: () => view.select(r, { focus: true }),
        })),
      },
    ];
  });

  /** The box closes before anything happens, because what happens may open another sheet. */
  const closing = (entry: PickerEntry): PickerEntry => ({
    ...entry,
    run: () => {
      close();
      entry.run();
    },
  });
  const offered = $derived(groups.map(({ name, entries }) => ({ name, entries: entries.map(closing) })));
</script>

<Sheet open={view.sheet === 'find'} title="Find or do" {close}>
  <Picker
    label="find or do"
    placeholder="part, pin, net, finding, or what to do"
    nothing="Nothing of that name."
    groups={offered}
  />
</Sheet>
