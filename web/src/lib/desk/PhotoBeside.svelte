<!-- A photo of the part, to compare the drawing with. It stays in this browser. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { desk } from '../state/desk.svelte';

  let trouble = $state('');
  const url = $derived(desk.photo ? URL.createObjectURL(desk.photo) : null);
  $effect(() => {
    const made = url;
    return () => {
      if (made) URL.revokeObjectURL(made);
    };
  });
  /** bytes */
  const LARGEST = 12e6;

  async function take(file: File | undefined) {
    if (!file) return;
    trouble = !file.type.startsWith('image/')
      ? `${file.name} is no picture.`
      : file.size > LARGEST
        ? `${file.name} has ${Math.round(file.size / 1e6)} MB; up to ${LARGEST / 1e6} MB are kept.`
        : '';
    if (trouble === '') await desk.setPhoto(file);
  }
</script>

<details class="py-0.5 px-3 border-b" open={url !== null}>
  <summary>A photo beside it</summary>
  {#if url}
    <img class="block max-w-full max-h-55" src={url} alt="the part as it lies there" />
    <Button kind="bare" onclick={() => void desk.setPhoto(null)}>Take it away</Button>
  {/if}
  <input
    type="file"
    accept="image/*"
    aria-label="photo of the part"
    onchange={async (event) => {
      const input = event.currentTarget;
      await take(input.files?.[0]);
      input.value = '';
    }}
  />
  {#if trouble}<p role="alert" class="m-0 text-danger">{trouble}</p>{/if}
</details>
