<!-- A quantity typed as makers write it. What cannot be read stays in the field with the reason beside it. -->
<script lang="ts">
  import { sayError } from '@idle-breadboard/core/words';
  import { formatQuantity, parseShown } from '@idle-breadboard/core/figures';
  import { workbench } from '../state/workbench.svelte';

  interface Props {
    /** Null while nothing is said. */
    value: number | null;
    unit: string;
    label: string;
    /** Shown without its unit, when the sentence says it. */
    plain?: boolean;
    width?: string;
    /** What a share in percent is meant of, where one may be typed. */
    percentOf?: number;
    check?: (value: number) => string | null;
    change: (value: number) => void;
    /** To change it does nothing but edit the plan: what it would make is worked out while it is typed. */
    ahead?: boolean;
  }
  let { value, unit, label, plain = false, width = '6em', percentOf, check, change, ahead = false }: Props = $props();
  const shown = $derived(
    value === null ? '' : plain ? formatQuantity(value, unit, 6).replace(/\s.*$/, '') : formatQuantity(value, unit, 6),
  );
  let typed = $state<string | null>(null);
  let trouble = $state('');

  /** What is not whole yet makes nothing. */
  function typing(text: string) {
    let read: number;
    try {
      read = parseShown(text, unit, shown, percentOf);
    } catch {
      return;
    }
    if (!check?.(read)) workbench.rehearse(() => change(read));
  }

  function take(text: string) {
    typed = text;
    try {
      const read = parseShown(text, unit, shown, percentOf);
      trouble = check?.(read) ?? '';
      if (trouble) return;
      typed = null;
      change(read);
    } catch (error) {
      trouble = sayError(error);
    }
  }
</script>

<span class="inline-flex flex-wrap items-baseline gap-1">
  <input
    class="field value"
    style:min-width={width}
    style:field-sizing="content"
    aria-label={label}
    aria-invalid={trouble !== ''}
    value={typed ?? shown}
    placeholder={plain ? undefined : unit}
    spellcheck="false"
    autocomplete="off"
    oninput={(event) => ahead && typing(event.currentTarget.value)}
    onchange={(event) => take(event.currentTarget.value)}
    onkeydown={(event) => {
      // A changed text is committed by the browser itself; what was refused, and stands, is tried again.
      if (event.key === 'Enter' && typed === event.currentTarget.value) take(typed);
      if (event.key === 'Escape') {
        typed = null;
        trouble = '';
        event.currentTarget.value = shown;
      }
    }}
  />
  {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
</span>
