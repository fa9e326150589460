<!-- A field that narrows what is below it while one types; Enter takes what it is said to take. -->
<script lang="ts">
  interface Props {
    value: string;
    label: string;
    placeholder: string;
    class?: string;
    ref?: HTMLInputElement | undefined;
    enter: () => void;
  }
  let { value = $bindable(), label, placeholder, class: more = '', ref = $bindable(), enter }: Props = $props();
</script>

<input
  type="search"
  class="field w-full {more}"
  aria-label={label}
  {placeholder}
  autocomplete="off"
  bind:value
  bind:this={ref}
  onkeydown={(event) => {
    if (event.key !== 'Enter') return;
    event.preventDefault();
    enter();
  }}
/>
