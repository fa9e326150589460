<!-- The catalogue, to take a part from. -->
<script lang="ts">
  import { Command } from 'bits-ui';
  import { addPart, chosenOffer, type Card } from '@idle-breadboard/core';
  import Sheet from '../kit/Sheet.svelte';
  import { money } from '../kit/words';
  import { view } from '../state/view.svelte';
  import { workbench } from '../state/workbench.svelte';

  const KINDS: readonly (readonly [Card['kind'], string])[] = [
    ['source', 'sources of power'],
    ['regulator', 'regulators'],
    ['controller', 'controllers'],
    ['module', 'modules'],
    ['driver', 'drivers'],
  ];
  const close = () => (view.sheet = null);
  const groups = $derived(
    KINDS.map(([kind, name]) => ({
      name,
      cards: [...workbench.library.values()].filter((card) => card.kind === kind),
    })),
  );
  const price = (card: Card) => {
    const offer = chosenOffer(card, workbench.plan?.rules.buying ?? 'fast');
    return offer ? money(offer.price / offer.pack, offer.currency) : '';
  };

  function take(card: Card) {
    close();
    const circuit = workbench.study?.circuit;
    if (!circuit) return;
    workbench.edit(addPart(circuit, workbench.library, card).plan, `add ${card.name}`);
    view.say(`${card.name} added.`);
  }
</script>

<Sheet open={view.sheet === 'add-part'} title="Add a part" {close}>
  <Command.Root class="flex min-h-0 flex-col" label="catalogue" loop>
    <Command.Input class="field m-2 min-h-8" placeholder="name or class" />
    <Command.List class="find-list" tabindex={0} aria-label="found">
      <Command.Viewport>
        <Command.Empty class="unit p-3">No card of that name.</Command.Empty>
        {#each groups as group (group.name)}
          <Command.Group>
            <Command.GroupHeading class="eyebrow px-3 pt-2">{group.name}</Command.GroupHeading>
            <Command.GroupItems>
              {#each group.cards as card (card.id)}
                <Command.Item
                  class="find-item"
                  value={card.id}
                  keywords={[card.name, card.class, group.name]}
                  onSelect={() => take(card)}
                >
                  <span class="min-w-0"
                    ><span class="block truncate">{card.name}</span><span class="unit block truncate">{card.class}</span
                    ></span
                  ><span class="value unit">{price(card)}</span>
                </Command.Item>
              {/each}
            </Command.GroupItems>
          </Command.Group>
        {/each}
      </Command.Viewport>
    </Command.List>
  </Command.Root>
</Sheet>
