<!-- What is given is handed on at once while it can be seen, and otherwise once the page has time for it: an edit draws first what somebody looks at. -->
<script lang="ts" generics="T">
  import { untrack, type Snippet } from 'svelte';
  import { soon } from '../state/calm';
  import { watchSight } from './sight';

  let { given, children }: { given: T; children: Snippet<[T]> } = $props();
  /** Until it is known what can be seen, everything can. */
  let isSeen = $state(true);
  let held = $state.raw(untrack(() => given));
  const shown = $derived(isSeen ? given : held);

  $effect(() => {
    const now = given;
    if (isSeen) held = now;
    else return soon(() => (held = now));
    return undefined;
  });
</script>

<div {@attach watchSight((is) => (isSeen = is))}>{@render children(shown)}</div>
