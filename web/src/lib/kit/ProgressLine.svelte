<!-- How far something is: a lead that is laid from a tie point at the left to one at the right. -->
<script lang="ts">
  import { Progress } from 'bits-ui';

  interface Props {
    /** What is under way. */
    label: string;
    value: number;
    /** What it is when it is done. */
    most?: number;
    class?: string;
  }
  let { label, value, most = 1, class: more = 'w-30' }: Props = $props();
  const share = $derived(Math.min(1, Math.max(0, value / most)));
</script>

<Progress.Root
  {value}
  max={most}
  aria-label={label}
  aria-valuetext="{Math.round(share * 100)} %"
  class="relative inline-flex items-center align-middle h-3 {more}"
>
  <span class="absolute inset-x-1 border-t-2 border-dotted border-t-quiet"></span>
  <span
    class="absolute left-1 border-t-3 border-t-copper forced-colors:border-t-[Highlight]"
    style:width="calc({share * 100}% - {share * 8}px)"
  ></span>
  <span class="absolute left-0 size-2 rounded-full bg-copper forced-colors:bg-[Highlight]"></span>
  <span
    class="absolute right-0 size-2 rounded-full border-[1.5px] border-copper bg-raised data-done:bg-copper forced-colors:data-done:bg-[Highlight]"
    data-done={share === 1 || undefined}
  ></span>
</Progress.Root>
