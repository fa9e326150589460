<!-- A line among those at Pins that wants no pin: something else has it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  let { label, children }: { label: string; children: Snippet } = $props();
</script>

<div class="flex min-h-row items-center gap-1.5 border-b border-line py-px pr-3 pl-6.5" role="group" aria-label={label}>
  {@render children()}
</div>
