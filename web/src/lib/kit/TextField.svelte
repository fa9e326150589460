<script lang="ts">
  let {
    value,
    label,
    width = '12em',
    most = 60,
    change,
  }: { value: string; label: string; width?: string; most?: number; change: (value: string) => void } = $props();
  let trouble = $state('');

  function take(input: HTMLInputElement) {
    const text = input.value.trim();
    trouble = text ? '' : 'a name is needed';
    if (text) change(text);
  }
</script>

<input
  class="field"
  style:min-width={width}
  style:max-width="100%"
  style:field-sizing="content"
  aria-label={label}
  aria-invalid={trouble !== ''}
  title={trouble || value}
  maxlength={most}
  {value}
  spellcheck="false"
  autocomplete="off"
  onchange={(event) => take(event.currentTarget)}
/>
