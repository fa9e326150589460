<!-- Controllers and carriers against what the chosen parts ask, with what is left over. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import { carrierOf, type Circuit } from '@idle-breadboard/core/circuit';
  import { formatQuantity } from '@idle-breadboard/core/figures';
  import { buyingOf, chosenOffer } from '@idle-breadboard/core/plan';
  import { addCarrier, addPart, controllerFits, removeCarrier, type ControllerFit } from '@idle-breadboard/core/solve';
  import { counted, say } from '@idle-breadboard/core/words';
  import BoardSketch from '../kit/BoardSketch.svelte';
  import Row from '../kit/Row.svelte';
  import Station from '../kit/Station.svelte';
  import { money } from '../kit/words';
  import { telling } from '../state/telling.svelte';
  import { view } from '../state/view.svelte';
  import { circuitNow } from '../state/circuit-now';
  import { workbench } from '../state/workbench.svelte';

  let { circuit }: { circuit: Circuit } = $props();
  const fits = $derived(controllerFits(circuit, workbench.library));
  const carriers = $derived([...workbench.library.values()].filter(({ kind }) => kind === 'carrier'));
  const on = $derived(carrierOf(circuit));
  const here = $derived(circuit.controller?.card.id ?? null);

  const price = (fit: ControllerFit) => {
    const offer = chosenOffer(fit.card, buyingOf(circuit.plan));
    return offer
      ? `${money(offer.price / offer.pack, offer.currency)}, ${counted(offer.leadDays, 'day')}`
      : 'nobody sells it';
  };
  /** A: asleep, what the board itself and its regulator go on taking. */
  const asleep = ({ card }: ControllerFit) => {
    const found = [
      ...card.supplies.flatMap(({ current }) => current?.sleep ?? []),
      ...(card.rails ?? []).flatMap(({ ownLoad }) => ownLoad?.sleep ?? []),
    ].flatMap(({ typ, max }) => typ ?? max ?? []);
    return found.length > 0
      ? `sleeps at ${formatQuantity(
          found.reduce((sum, x) => sum + x, 0),
          'A',
        )}`
      : 'no sleep known';
  };
  const size = (fit: ControllerFit) => {
    const s = fit.card.body?.size;
    return s ? `${Math.round(s.length * 1000)} × ${Math.round(s.width * 1000)} mm` : '';
  };
  /** What one chooses a board by, in one line. */
  const line = (fit: ControllerFit) =>
    [fit.logic ? `${formatQuantity(fit.logic.typ, 'V')} logic` : 'logic as fed', asleep(fit), size(fit), price(fit)]
      .filter(Boolean)
      .join(' · ');

  /** In a large window boards are drawn larger: millimetres are 2.4 px there. */
  const ROOMY = '[@media(min-width:1600px)_and_(min-height:960px)]:[--mm:2.4px]';

  function take(fit: ControllerFit) {
    const now = circuitNow();
    if (!now) return;
    if (!now.controller) {
      workbench.edit(addPart(now, workbench.library, fit.card, 'controller').plan, `take ${fit.card.name}`);
      return;
    }
    const moved = controllerFits(now, workbench.library).find(({ card }) => card.id === fit.card.id)?.moved;
    if (!moved) return;
    workbench.edit(moved.plan, `move to ${fit.card.name}`);
    telling.say(
      `Moved to ${fit.card.name}: ${counted(moved.pins.length, 'line has another pin', 'lines have other pins')}${moved.trouble ? `. ${say(moved.trouble)}` : ''}.`,
    );
  }

  function putOn(id: string) {
    const now = circuitNow();
    const card = workbench.library.get(id);
    const plan = now && card && addCarrier(now, workbench.library, card);
    if (plan) workbench.edit(plan, `put on ${card.name}`);
  }
  const takeOff = () =>
    on && workbench.plan && workbench.edit(removeCarrier(workbench.plan, on.part), 'take the carrier off');
</script>

<Station title="Control" says="what the parts ask, what a board gives">
  {#each fits as fit (fit.card.id)}
    <Row subjects={fit.card.id === here && circuit.controller ? [circuit.controller.id] : []}>
      {#snippet choose()}
        <span class="flex-none w-[calc(71*var(--mm,1.35px))] {ROOMY} pt-1"><BoardSketch card={fit.card} /></span>
        <span class="grid min-w-0 flex-1">
          <button
            type="button"
            class="text-ink font-semibold text-left min-h-6 hover:text-copper"
            onclick={() => view.openCatalogue(fit.card.id)}>{fit.card.name}</button
          >
          <span class="unit">{fit.card.class}</span>
        </span>
        {#if fit.card.id === here}<span class="text-pass ml-auto">in the plan</span>
        {:else}<Button class="ml-auto" onclick={() => take(fit)}>{here ? 'Move here' : 'Take it'}</Button>{/if}
      {/snippet}
      {#snippet prove()}
        <span class="w-full">{line(fit)}</span>
        <span class="flex flex-wrap gap-x-3.5 w-full min-h-6.5 items-center">
          {#each fit.asks as ask (ask.kind)}
            <span
              class="data-short:text-fault data-short:font-semibold"
              data-short={ask.asked > ask.offered || undefined}
              >{ask.kind} <span class="value">{ask.asked}</span> of <span class="value">{ask.offered}</span>{ask.asked >
              ask.offered
                ? ', too few'
                : ''}</span
            >
          {/each}
          {#each fit.rails as rail (rail.name)}<span class="unit"
              >{rail.name} up to {formatQuantity(rail.limit, 'A')}</span
            >{/each}
        </span>
        {#if fit.moved}
          <details class="w-full">
            <summary
              >{#if fit.moved.trouble}<span class="text-fault font-semibold">{say(fit.moved.trouble)}</span
                >{:else}moving changes {counted(fit.moved.pins.length, 'pin')}, {Math.max(0, fit.left)} left over{/if}</summary
            >
            <ul class="mt-0.5 mb-1 pl-4.5">
              {#each fit.moved.rails as rail (rail.from)}<li>
                  {rail.from} becomes {rail.to ?? 'nothing: what hung on it is not fed'}
                </li>{/each}
              {#each fit.moved.pins as pin (say(pin.line))}<li>
                  {say(pin.line)}: <span class="value">{pin.from ?? 'none'}</span> becomes
                  <span class="value">{pin.to ?? 'none'}</span>
                </li>{/each}
            </ul>
          </details>
        {:else if fit.card.id === here}<span class="unit">{counted(fit.left, 'pin')} left over</span>{/if}
      {/snippet}
    </Row>
  {/each}
  <Row head>{#snippet choose()}<span class="grow">Carriers</span>{/snippet}</Row>
  {#each carriers as card (card.id)}
    {@const fit = here !== null && card.carrier?.fits[here]}
    <Row>
      {#snippet choose()}
        <span class="flex-none w-[calc(71*var(--mm,1.35px))] {ROOMY} pt-1"><BoardSketch {card} /></span>
        <span class="grid min-w-0 flex-1">
          <button
            type="button"
            class="text-ink font-semibold text-left min-h-6 hover:text-copper"
            onclick={() => view.openCatalogue(card.id)}>{card.name}</button
          >
          <span class="unit">{card.class}</span>
        </span>
        {#if on?.card.id === card.id}<Button class="ml-auto" onclick={takeOff}>Take it off</Button>
        {:else}<Button class="ml-auto" disabled={!fit} onclick={() => putOn(card.id)}>Put it on</Button>{/if}
      {/snippet}
      {#snippet prove()}
        <span
          >{#if fit}It leads {card.carrier?.free.join(', ')} out, and brings {card.carrier?.fitted
              .map(
                ({ label, lines }) =>
                  `${label.replace(/ on the carrier$/, '')} (${Object.values(lines)
                    .flatMap((l) => Object.values(l))
                    .map((name) => `${name} = ${fit[name] ?? '?'}`)
                    .join(', ')})`,
              )
              .join(', ')}.
          {:else}<span class="unit"
              >Fits {Object.keys(card.carrier?.fits ?? {})
                .map((id) => workbench.library.get(id)?.name ?? id)
                .join(' and ')}{here ? ', not the controller of this plan' : ''}.</span
            >{/if}</span
        >
      {/snippet}
    </Row>
  {/each}
</Station>
