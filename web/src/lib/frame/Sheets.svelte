<!-- Everything that is laid over the bench, in one piece that comes after the first screen. -->
<script lang="ts">
  import AddPartSheet from './AddPartSheet.svelte';
  import { view } from '../state/view.svelte';
  import FindBox from './FindBox.svelte';
  import KeysSheet from './KeysSheet.svelte';
  import ProofsSheet from './ProofsSheet.svelte';
  import RefusalSheet from './RefusalSheet.svelte';
  import RemoveSheet from './RemoveSheet.svelte';
  import RulesSheet from './RulesSheet.svelte';

  let { openFile }: { openFile: () => void } = $props();
</script>

<FindBox {openFile} />
<KeysSheet />
<ProofsSheet />
<RulesSheet />
<AddPartSheet />
{#if view.sheet === 'catalogue'}
  {#await import('../drawer/CatalogueSheet.svelte') then { default: CatalogueSheet }}<CatalogueSheet />{/await}
{/if}
{#if view.sheet === 'mend'}
  {#await import('./MendSheet.svelte') then { default: MendSheet }}<MendSheet />{/await}
{/if}
<RemoveSheet />
<RefusalSheet />
