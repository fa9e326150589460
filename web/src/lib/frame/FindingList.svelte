<!-- Every finding, worst first, over the page while it is asked for. -->
<script lang="ts">
  import { SEVERITIES, type Severity } from '@idle-breadboard/core/verify';
  import { say } from '@idle-breadboard/core/words';
  import ChevronUp from '@lucide/svelte/icons/chevron-up';
  import { Popover } from 'bits-ui';
  import { button } from '../kit/button';
  import Button from '../kit/Button.svelte';
  import Glyph from '../kit/Glyph.svelte';
  import { mending } from '../state/mending.svelte';
  import { findings } from '../state/results';
  import { stationName } from '../state/view-ids';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const count = (severity: Severity) => findings().filter((r) => r.severity === severity).length;
  const shown = $derived(SEVERITIES.filter((severity) => count(severity) > 0));
  let list = $state<HTMLElement>();
</script>

<Popover.Root bind:open={view.listOpen}>
  <Popover.Trigger class={button({ kind: 'bare', tone: 'read', gap: 'wide' })} title="f" data-counts>
    {#each shown as severity (severity)}
      <span
        class="inline-flex items-center gap-1 data-quiet:max-desk:hidden"
        data-quiet={severity === 'note' || severity === 'caution' || undefined}
        ><Glyph {severity} label={false} /><span class="value">{count(severity)}</span>
        <span class={severity === 'danger' || severity === 'fault' ? 'max-desk:sr-only' : 'max-[1500px]:sr-only'}
          >{severity}</span
        ></span
      >
    {:else}<span class="text-quiet">no findings</span>{/each}
    <span class="sr-only">, list them</span><ChevronUp size={14} class="text-copper" />
  </Popover.Trigger>
  <Popover.Portal>
    <Popover.Content
      class="z-30 flex flex-col w-[min(760px,calc(100vw-16px))] max-h-[min(62vh,520px)] bg-raised border border-quiet rounded-sm"
      side="top"
      align="start"
      sideOffset={4}
      role="dialog"
      aria-label="findings"
      onOpenAutoFocus={(event) => {
        const current = list?.querySelector<HTMLElement>('[aria-current]') ?? list?.querySelector('button');
        if (!current) return;
        event.preventDefault();
        current.focus();
      }}
      onCloseAutoFocus={(event) => {
        // What was chosen opens at its row and takes the focus there.
        if (view.opened) event.preventDefault();
      }}
    >
      <div class="flex gap-1 px-2 py-1 border-b" role="group" aria-label="which findings">
        <Button
          kind="bare"
          pressed="underlined"
          aria-pressed={view.scope === 'all'}
          onclick={() => (view.scope = 'all')}>all</Button
        >
        <!-- The picture of all has no findings of its own. -->
        {#if view.station !== 'overview'}<Button
            kind="bare"
            pressed="underlined"
            aria-pressed={view.scope === 'station'}
            onclick={() => (view.scope = 'station')}>{stationName(view.station)} only</Button
          >{/if}
        {#if workbench.study?.verdict.status === 'open' && view.findings.length > 0}<Button
            class="ml-auto"
            disabled={workbench.late}
            onclick={() => {
              view.listOpen = false;
              void mending.open();
            }}>Mend all</Button
          >{/if}
      </div>
      <div class="overflow-y-auto" bind:this={list}>
        {#each view.groups as group (group[0]?.key)}
          {@const finding = group.find(({ key }) => key === view.opened?.key) ?? group[0]}
          {#if finding}
            <button
              type="button"
              class="grid grid-cols-[auto_minmax(0,1fr)_auto] items-baseline gap-2 w-full min-h-row px-2 py-1 border-b text-left hover:bg-copper-soft focus-visible:bg-copper-soft aria-[current]:shadow-mark"
              aria-current={view.opened?.key === finding.key ? 'true' : undefined}
              data-finding={finding.key}
              onclick={() => {
                view.select(finding, { focus: true });
                view.listOpen = false;
              }}
            >
              <Glyph severity={finding.severity} /><span>{say(finding.message)}</span>
              <span class="text-quiet text-aside whitespace-nowrap"
                >{group.length > 1 ? `and ${group.length - 1} alike · ` : ''}{stationName(finding.station)}</span
              >
            </button>
          {/if}
        {:else}
          <p class="px-3 py-2 text-quiet">
            {view.scope === 'station' ? `Nothing to settle at ${stationName(view.station)}.` : 'Nothing to settle.'}
          </p>
        {/each}
      </div>
    </Popover.Content>
  </Popover.Portal>
</Popover.Root>
