<!-- An address in hexadecimal or decimal. The 8-bit form is kept as typed: the check asks the question. -->
<script lang="ts">
  import { sayError } from '@idle-breadboard/core/words';
  import { formatAddress, parseAddress } from '@idle-breadboard/core/figures';
  import { workbench } from '../state/workbench.svelte';

  interface Props {
    value: number | null;
    label: string;
    change: (address: number) => void;
    /** To change it does nothing but edit the plan: what it would make is worked out while it is typed. */
    ahead?: boolean;
  }
  let { value, label, change, ahead = false }: Props = $props();
  let trouble = $state('');

  /** What is not whole yet makes nothing. */
  function typing(text: string) {
    let address: number;
    try {
      address = parseAddress(text).typed;
    } catch {
      return;
    }
    workbench.rehearse(() => change(address));
  }

  function take(text: string) {
    try {
      // A value above 0x7F stays as it was typed until the maker says which is meant.
      const { typed } = parseAddress(text);
      trouble = '';
      change(typed);
    } catch (error) {
      trouble = sayError(error);
    }
  }
</script>

<span class="inline-flex flex-wrap items-baseline gap-1">
  <input
    class="field value"
    style:width="4.2em"
    aria-label={label}
    aria-invalid={trouble !== ''}
    value={value === null ? '' : formatAddress(value)}
    spellcheck="false"
    autocomplete="off"
    oninput={(event) => ahead && typing(event.currentTarget.value)}
    onchange={(event) => take(event.currentTarget.value)}
  />
  {#if trouble}<span role="alert" class="text-danger">{trouble}</span>{/if}
</span>
