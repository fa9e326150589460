<!-- One question: what is asked, the answer, where it is from. In hand it is open, and says more beside or below. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { besidesAt, choicesAt, type Question } from '@idle-breadboard/core/workshop';
  import { tick } from 'svelte';
  import { desk, keyOfQuestion } from '../state/desk.svelte';
  import AnswerField from './AnswerField.svelte';
  import AnswerTable from './AnswerTable.svelte';
  import InHand from './InHand.svelte';
  import { sourceWords } from './source-words';

  let { question, next }: { question: Question; next: (after: Question) => void } = $props();

  const key = $derived(keyOfQuestion(question));
  const [place = ''] = $derived(question.places);
  const standing = $derived(desk.standing(question));
  const inHand = $derived(desk.question !== null && keyOfQuestion(desk.question) === key);
  const title = $derived(desk.title(question));
  const answer = $derived(desk.draft?.answers.get(place));
  const settled = $derived(typeof answer?.said === 'string' ? answer.said : '');
  const text = $derived(desk.typing[key] ?? settled);
  const problems = $derived(desk.problemsAt(question));
  const doubts = $derived(desk.doubtsAt(question));
  const besides = $derived(desk.draft ? besidesAt(desk.draft, place) : []);
  const summary = $derived(
    typeof answer?.said === 'string' || !answer
      ? ''
      : answer.said
          .map((cells) =>
            cells
              .filter((cell) => cell !== '')
              .slice(0, 2)
              .join(' '),
          )
          .join(', '),
  );
  const units = $derived(
    'units' in question.how ? question.how.units.filter((unit) => /^[A-ZΩ°µ%a-z]/.test(unit)) : [],
  );
  let row = $state<HTMLElement>();
  /** A table comes when it is in hand: what is in it takes up the focus. */
  async function open() {
    desk.current = key;
    await tick();
    row?.querySelector<HTMLElement>('td [data-answer], [data-add]')?.focus();
  }
  const go = () => {
    if (standing === 'proposed') desk.confirm(question);
    next(question);
  };
</script>

<div
  class="border-b py-0.5 px-3 data-inhand:bg-raised data-inhand:shadow-mark {problems.length > 0
    ? 'refused'
    : standing}"
  data-inhand={inHand || undefined}
  data-question={key}
  data-pattern={question.pattern}
  data-standing={standing}
  bind:this={row}
  onfocusin={() => (desk.current = key)}
>
  <div
    class="line group/line grid grid-cols-[12px_minmax(0,12.5em)_minmax(0,1fr)_auto] gap-x-2 gap-y-0.5 items-start min-h-row max-[900px]:grid-cols-[12px_minmax(0,1fr)_auto]"
    data-tabled={(inHand && 'rows' in question.how) || undefined}
  >
    <span
      class="mark w-2 h-2 mt-2 border-[1.5px] border-quiet rounded-full"
      role="img"
      aria-label={problems.length > 0
        ? 'refused'
        : standing === 'said'
          ? 'answered'
          : standing === 'none'
            ? 'left out'
            : standing}
    ></span>
    <span class="title pt-1 group-data-tabled/line:col-[2_/_4]">{title}</span>
    <span
      class="min-w-0 max-[900px]:col-start-2 -col-end-1 max-[900px]:row-[2] group-data-tabled/line:col-start-2 -col-end-1 group-data-tabled/line:row-[2]"
    >
      {#if 'rows' in question.how}
        {#if inHand}
          <AnswerTable {question} table={question.how} label={title} next={go} />
        {:else}
          <button
            type="button"
            class="truncate max-w-full min-h-6 px-1 border-b border-b-copper text-ink font-mono text-left"
            data-answer
            aria-label="{title}: {summary || 'nothing yet'}"
            onfocus={() => void open()}
            onclick={() => void open()}>{summary || '–'}</button
          >
        {/if}
      {:else}
        <AnswerField
          form={'form' in question.how ? question.how.form : { is: 'figure', units: question.how.units }}
          value={text}
          {settled}
          label={title}
          choices={choicesAt(desk.read.tree, question.pattern)}
          invalid={problems.length > 0}
          take={(said) => desk.answer(question, said)}
          typed={(said) => desk.type(key, said)}
          next={go}
        />
        {#if units.length > 0 && text === '' && question.assumed === null}<span class="unit">{units[0]}</span>{/if}
        {#if text === '' && question.assumed !== null && standing === 'open'}<span class="unit whitespace-nowrap"
            >else {question.assumed}</span
          >{/if}
      {/if}
    </span>
    <span class="from pt-1 group-data-tabled/line:col-[4] group-data-tabled/line:row-[1]">
      {#if standing === 'proposed'}
        <Button data-confirm onclick={go}>Yes</Button>
      {:else if standing === 'none'}
        <Button kind="bare" onclick={() => desk.none(question, false)}>left out</Button>
      {:else if answer?.source}<span class="unit" title={answer.source.title}>{sourceWords(answer.source)}</span>{/if}
    </span>
  </div>
  {#each besides as beside (beside.kind)}<p class="unit mb-0.5 ml-5">
      {sourceWords({ kind: beside.kind, title: beside.from })} says {beside.says} ({beside.from})
    </p>{/each}
  {#each problems as problem (problem)}<p role="alert" class="text-danger mb-0.5 ml-5">{problem}</p>{/each}
  {#each doubts as doubt (doubt)}<p class="mb-0.5 ml-5 pl-2 border-l-3 border-l-caution">{doubt}</p>{/each}
  {#if inHand}<div class="hidden max-[900px]:block max-[900px]:py-1 max-[900px]:pr-0 max-[900px]:pl-5">
      <InHand {question} />
    </div>{/if}
</div>

<style>
  .said .mark {
    background: var(--pass);
    border-color: var(--pass);
  }
  .proposed .mark {
    border-color: var(--copper);
    background: linear-gradient(90deg, var(--copper) 50%, transparent 50%);
  }
  .refused .mark {
    border: 2.5px solid var(--danger);
    border-radius: 0;
  }
  .none .mark {
    border-style: dashed;
  }
</style>
