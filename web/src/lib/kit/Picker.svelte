<!-- A box to type into, and what fits below it in groups. -->
<script lang="ts">
  import { Command } from 'bits-ui';
  import { typedAhead } from './ahead';
  import type { PickerGroup } from './picker';

  let {
    label,
    placeholder,
    nothing,
    groups,
  }: { label: string; placeholder: string; nothing: string; groups: readonly PickerGroup[] } = $props();

  let value = $state('');

  const drawn = () => new Promise(requestAnimationFrame);

  /** What was typed before there was a field is in it now, as if it had waited. */
  async function arrived({ currentTarget: field }: FocusEvent) {
    const { text, entered } = typedAhead();
    if (text === '' && !entered) return;
    value += text;
    if (!entered) return;
    // The list narrows and picks its first in turns of its own after the field: what is entered is what was drawn.
    await drawn();
    await drawn();
    field?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
  }
</script>

<Command.Root class="flex min-h-0 flex-col" {label} loop>
  <Command.Input class="field m-2 min-h-8" {placeholder} bind:value onfocus={arrived} />
  <Command.List class="overflow-y-auto max-h-[60vh] pb-2" tabindex={0} aria-label="found">
    <Command.Viewport>
      <Command.Empty class="unit p-3">{nothing}</Command.Empty>
      {#each groups as group (group.name)}
        <Command.Group>
          <Command.GroupHeading class="eyebrow px-3 pt-2">{group.name}</Command.GroupHeading>
          <Command.GroupItems>
            {#each group.entries as entry (entry.id)}
              <Command.Item
                class="flex justify-between items-center gap-4 min-h-row px-3 cursor-pointer data-selected:bg-copper-soft data-selected:shadow-mark"
                value={entry.id}
                keywords={[entry.name, entry.detail ?? '', entry.hint, group.name]}
                onSelect={() => entry.run()}
              >
                <span class="min-w-0">
                  <span class="block truncate">{entry.name}</span>
                  {#if entry.detail}<span class="unit block truncate">{entry.detail}</span>{/if}
                </span>
                <span class="unit truncate">{entry.hint}</span>
              </Command.Item>
            {/each}
          </Command.GroupItems>
        </Command.Group>
      {/each}
    </Command.Viewport>
  </Command.List>
</Command.Root>
