<!-- The shapes of one thing in the picture of the build, and whether it comes, goes or is wired otherwise. -->
<script lang="ts">
  import { ASCENT, markShape, type Shape, STROKE_GAP } from '@idle-breadboard/core/overview';
  import { BOX_LOOK } from './overview-looks';

  interface Props {
    shapes: readonly Shape[];
    change: 'added' | 'gone' | 'changed' | undefined;
    /** Its name is the first of its words, where it has no box. */
    isRow: boolean;
  }
  let { shapes, change, isRow }: Props = $props();

  const FACE = { plain: '', strong: 'font-semibold', mono: 'font-mono' } as const;
  const TONE = {
    ink: 'fill-ink',
    quiet: 'fill-quiet',
    pass: 'fill-pass',
    danger: 'fill-danger',
    fault: 'fill-fault',
    caution: 'fill-caution',
    note: 'fill-note',
  } as const;
  const SEVERITY = { danger: 'text-danger', fault: 'text-fault', caution: 'text-caution', note: 'text-note' } as const;
  const CHANGE = { added: 'M-4 0H4M0 -4V4', gone: 'M-4 0H4', changed: 'M-4 2q2-6 4-2t4-2' } as const;
  /** Where the sign of a change stands: at the corner of its box, or before its name. */
  const corner = $derived(shapes.find((shape) => shape.is === 'box' || (isRow && shape.is === 'text')));
</script>

{#each shapes as shape, i (i)}
  {#if shape.is === 'box'}
    <rect
      class="{BOX_LOOK[
        shape.role
      ]} group-data-active/thing:group-hover/thing:stroke-copper group-data-[change=added]/thing:stroke-copper group-data-[change=added]/thing:stroke-[2.4] group-data-[change=gone]/thing:[stroke-dasharray:4_3]"
      x={shape.x}
      y={shape.y}
      width={shape.w}
      height={shape.h}
      rx="2"
    />
  {:else if shape.is === 'text'}
    <!-- Its name is what stands in it; a blank parts the words. -->
    <text
      class="{FACE[shape.face]} {TONE[
        shape.tone
      ]} group-data-[change=gone]/thing:line-through group-data-[change=gone]/thing:opacity-60"
      x={shape.x}
      y={shape.y + shape.size * ASCENT}
      font-size={shape.size}
      >{`${shape.text} `}{#if shape.text !== shape.full}<title>{shape.full}</title>{/if}</text
    >
  {:else if shape.is === 'mark'}
    <svg
      class="block {SEVERITY[shape.severity]}"
      x={shape.x}
      y={shape.y}
      width={shape.w}
      height={shape.h}
      viewBox="0 0 24 16"
    >
      <!-- eslint-disable-next-line svelte/no-at-html-tags -- shapes of our own, nothing that anybody typed -->
      {@html markShape(shape.severity, 'var(--raised)')}
    </svg>
  {:else if shape.is === 'flag'}
    {#each { length: shape.strokes } as _, k (k)}<path
        class="fill-none stroke-copper stroke-[1.6]"
        d="M{shape.x + k * STROKE_GAP},{shape.y} v{shape.h}"
      />{/each}
  {/if}
{/each}
{#if change && corner && corner.is !== 'line'}
  <g role="img" aria-label={change} transform="translate({corner.x} {corner.y})">
    <circle r="7" class="fill-raised stroke-copper stroke-[1.6]" />
    <path class="fill-none stroke-copper stroke-2" d={CHANGE[change]} />
  </g>
{/if}
