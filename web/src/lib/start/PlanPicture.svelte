<!-- A plan as its drawing, small. -->
<script lang="ts">
  let { svg, alt, class: more = '' }: { svg: string; alt: string; class?: string } = $props();
  const address = $derived(svg === '' ? '' : `data:image/svg+xml,${encodeURIComponent(svg)}`);
</script>

<span class="block overflow-hidden bg-board {more}">
  {#if address}<img src={address} {alt} class="w-full h-full min-h-0 object-contain" />{/if}
</span>
