<!-- Two tie points: joined when a rule holds, apart when it is broken. Each severity has its own shape. -->
<script lang="ts">
  import type { Severity } from '@idle-breadboard/core/verify';

  let { severity, label = true }: { severity: Severity | null; label?: boolean } = $props();
  const word = $derived(severity ?? 'pass');
</script>

<svg
  class="inline-block flex-none align-[-2px]"
  viewBox="0 0 24 16"
  width="22"
  height="15"
  role={label ? 'img' : 'presentation'}
  aria-label={label ? word : undefined}
  aria-hidden={label ? undefined : 'true'}
  style:color="var(--{word})"
>
  {#if severity === null}
    <path d="M5 8h14" stroke="currentColor" stroke-width="2" />
    <circle cx="5" cy="8" r="3.2" fill="currentColor" />
    <circle cx="19" cy="8" r="3.2" fill="currentColor" />
  {:else if severity === 'danger'}
    <path d="M12 0.5 20 8l-8 7.5L4 8z" fill="currentColor" />
    <path d="M12 4v4.4M12 10.2v1.6" stroke="var(--raised)" stroke-width="2" />
  {:else if severity === 'fault'}
    <circle cx="4" cy="8" r="3.2" fill="currentColor" />
    <circle cx="20" cy="8" r="3.2" fill="currentColor" />
    <path d="M9.5 13 14.5 3" stroke="currentColor" stroke-width="2.2" />
  {:else if severity === 'caution'}
    <circle cx="5" cy="8" r="3.2" fill="currentColor" />
    <circle cx="19" cy="8" r="2.6" fill="none" stroke="currentColor" stroke-width="1.6" />
    <path d="M9 8h6" stroke="currentColor" stroke-width="2" stroke-dasharray="2 2" />
  {:else}
    <circle cx="12" cy="8" r="4.4" fill="none" stroke="currentColor" stroke-width="1.8" />
    <circle cx="12" cy="8" r="1.3" fill="currentColor" />
  {/if}
</svg>
