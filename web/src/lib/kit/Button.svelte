<!-- A button of the kit. -->
<script lang="ts">
  import { Button } from 'bits-ui';
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';
  import { button, type ButtonVariants } from './button';

  interface Props extends Omit<HTMLButtonAttributes, 'class'>, ButtonVariants {
    class?: string;
    /** Attributes for tests and styles that are told by data. */
    [data: `data-${string}`]: unknown;
    ref?: HTMLElement | null;
    children: Snippet;
  }
  let { kind, tone, pressed, gap, class: more, ref = $bindable(null), children, ...rest }: Props = $props();
</script>

<Button.Root bind:ref type="button" class={button({ kind, tone, pressed, gap, class: more })} {...rest}
  >{@render children()}</Button.Root
>
