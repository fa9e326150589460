<!-- A contact in its frame, empty or filled: it stands in a label that says what it is. Large enough to be hit with a thumb. -->
<script lang="ts">
  import { Checkbox } from 'bits-ui';
  import { pointedAt } from './pointed';

  interface Props {
    checked: boolean;
    /** What it is called where no words stand beside it. */
    label?: string | undefined;
    disabled?: boolean;
    class?: string;
    change?: (checked: boolean) => void;
    /** To change it does nothing but edit the plan: what it would make is worked out while somebody points at it. */
    ahead?: boolean;
  }
  let { checked = $bindable(), label, disabled = false, class: more = '', change, ahead = false }: Props = $props();

  /** How long an answer is waited for, ms. */
  const PATIENCE = 3000;
  /** What was asked for, until whoever holds it has answered: a press is seen at once. */
  let asked = $state<boolean | null>(null);
  let waiting: ReturnType<typeof setTimeout> | undefined;
  $effect(() => {
    void checked;
    asked = null;
  });

  function ask(next: boolean) {
    if (!change) {
      checked = next;
      return;
    }
    asked = next;
    clearTimeout(waiting);
    waiting = setTimeout(() => (asked = null), PATIENCE);
    change(next);
  }
</script>

<!-- In the end whoever holds it says whether it is filled: a change that was refused leaves it as it was. -->
<Checkbox.Root
  bind:checked={() => asked ?? checked, ask}
  {disabled}
  aria-label={label}
  {...pointedAt(ahead ? () => change?.(!checked) : undefined)}
  class="group/tick inline-grid align-middle place-content-center flex-none size-6 disabled:opacity-50 {more}"
>
  <span
    class="size-3.5 border-[1.5px] border-copper rounded-sm bg-raised group-data-[state=checked]/tick:bg-copper group-data-[state=checked]/tick:shadow-[inset_0_0_0_2px_var(--raised)] forced-colors:group-data-[state=checked]/tick:bg-[Highlight]"
  ></span>
</Checkbox.Root>
