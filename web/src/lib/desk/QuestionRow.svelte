<!-- One question: what is asked, the answer, where it is from. In hand it is open, and says more beside or below. -->
<script lang="ts">
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
  class="question {problems.length > 0 ? 'refused' : standing}"
  class:inHand
  data-question={key}
  data-pattern={question.pattern}
  data-standing={standing}
  bind:this={row}
  onfocusin={() => (desk.current = key)}
>
  <div class="line" class:tabled={inHand && 'rows' in question.how}>
    <span
      class="mark"
      role="img"
      aria-label={problems.length > 0
        ? 'refused'
        : standing === 'said'
          ? 'answered'
          : standing === 'none'
            ? 'left out'
            : standing}
    ></span>
    <span class="title">{title}</span>
    <span class="answer">
      {#if 'rows' in question.how}
        {#if inHand}
          <AnswerTable {question} table={question.how} label={title} next={go} />
        {:else}
          <button
            type="button"
            class="summary"
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
    <span class="from">
      {#if standing === 'proposed'}
        <button type="button" class="act" data-confirm onclick={go}>Yes</button>
      {:else if standing === 'none'}
        <button type="button" class="act bare" onclick={() => desk.none(question, false)}>left out</button>
      {:else if answer?.source}<span class="unit" title={answer.source.title}>{sourceWords(answer.source)}</span>{/if}
    </span>
  </div>
  {#each besides as beside (beside.kind)}<p class="unit note">
      {sourceWords({ kind: beside.kind, title: beside.from })} says {beside.says} ({beside.from})
    </p>{/each}
  {#each problems as problem (problem)}<p role="alert" class="note text-danger">{problem}</p>{/each}
  {#each doubts as doubt (doubt)}<p class="note doubt">{doubt}</p>{/each}
  {#if inHand}<div class="below"><InHand {question} /></div>{/if}
</div>

<style>
  .question {
    border-bottom: 1px solid var(--line);
    padding: 2px 12px;
  }
  .question.inHand {
    background: var(--raised);
    box-shadow: inset 3px 0 var(--copper);
  }
  .line {
    display: grid;
    grid-template-columns: 12px minmax(0, 12.5em) minmax(0, 1fr) auto;
    gap: 2px 8px;
    align-items: start;
    min-height: var(--row);
  }
  .tabled .answer {
    grid-column: 2 / -1;
    grid-row: 2;
  }
  .tabled .title {
    grid-column: 2 / 4;
  }
  .tabled .from {
    grid-column: 4;
    grid-row: 1;
  }
  .title,
  .from {
    padding-top: 3px;
  }
  /* A hole: filled once it is settled. */
  .mark {
    width: 9px;
    height: 9px;
    margin-top: 8px;
    border: 1.5px solid var(--quiet);
    border-radius: 50%;
  }
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
  .answer {
    min-width: 0;
  }
  .summary {
    max-width: 100%;
    min-height: 24px;
    padding: 0 0.25rem;
    border: 0;
    border-bottom: 1px solid var(--copper);
    background: transparent;
    color: var(--ink);
    font-family: var(--font-mono);
    text-align: left;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  .note {
    margin: 0 0 2px 20px;
  }
  .doubt {
    padding-left: 8px;
    border-left: 3px solid var(--caution);
  }
  .below {
    display: none;
  }
  @media (max-width: 899px) {
    .line {
      grid-template-columns: 12px minmax(0, 1fr) auto;
    }
    .answer {
      grid-column: 2 / -1;
      grid-row: 2;
    }
    .below {
      display: block;
      padding: 4px 0 4px 20px;
    }
  }
</style>
