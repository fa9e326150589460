<!-- What must not go on: a short before power, a wrong voltage at first power. Said before anything else, until it is mended or overruled. -->
<script lang="ts">
  import { saysExpected, saysReading, say } from '@idle-breadboard/core/words';
  import OctagonX from '@lucide/svelte/icons/octagon-x';
  import Button from '../kit/Button.svelte';
  import TextField from '../kit/TextField.svelte';
  import { bringing } from '../state/bringing.svelte';

  const { stop } = $derived(bringing);
  let reason = $state('');
  const isReason = $derived(reason.trim().length >= 8);
  async function overrule() {
    await bringing.overrule(reason.trim());
    reason = '';
  }
</script>

{#if stop}
  <section
    class="sticky top-9 max-desk:top-0 z-4 m-2 p-3 bg-bench border-2 border-danger grid gap-2 justify-items-start"
    role="alert"
    aria-label={stop.live ? 'unplug' : 'stop'}
  >
    <p class="text-group font-semibold text-danger flex items-center gap-2">
      <OctagonX size={22} aria-hidden="true" />{stop.live ? 'Unplug it now.' : 'Stop. Do not connect power.'}
    </p>
    <ul>
      {#each stop.rows as { row, entry } (row.key)}
        <li>
          {say(row.title)}: <span class="value">{saysReading(entry.value ?? '', entry.unit)}</span>, where
          <span class="value">{saysExpected(row.expected)}</span> is expected.
        </li>
      {/each}
    </ul>
    <p>
      {stop.live
        ? 'A wrong voltage harms parts within moments. Take the supply out, then look for the cause: what the readings point to stands below.'
        : 'What follows is not offered until this is right. Find the cause with the power off, mend it, and measure again.'}
    </p>
    <div class="flex flex-wrap gap-2 items-center">
      <Button onclick={() => bringing.mended()}>It is mended</Button>
      <span class="flex flex-wrap gap-1.5 items-center"
        >or go on because <TextField
          value={reason}
          label="reason to go on all the same"
          width="16em"
          most={200}
          change={(text) => (reason = text)}
        />
        <Button disabled={!isReason} onclick={overrule}>Go on</Button></span
      >
    </div>
  </section>
{/if}
