<!-- The catalogue, to take a part from. -->
<script lang="ts">
  import Button from '../kit/Button.svelte';
  import type { Card } from '@idle-breadboard/core/card';
  import { chosenOffer } from '@idle-breadboard/core/plan';
  import { addPart } from '@idle-breadboard/core/solve';
  import Picker from '../kit/Picker.svelte';
  import type { PickerGroup } from '../kit/picker';
  import Sheet from '../kit/Sheet.svelte';
  import { money } from '../kit/words';
  import { drawer } from '../state/drawer.svelte';
  import { telling } from '../state/telling.svelte';
  import { view } from '../state/view.svelte';
  import { circuitNow } from '../state/circuit-now';
  import { workbench } from '../state/workbench.svelte';

  const KINDS: readonly (readonly [Card['kind'], string])[] = [
    ['source', 'sources of power'],
    ['regulator', 'regulators'],
    ['controller', 'controllers'],
    ['module', 'modules'],
    ['driver', 'drivers'],
  ];
  const close = () => (view.sheet = null);
  const price = (card: Card) => {
    const offer = chosenOffer(card, workbench.buying);
    return offer ? money(offer.price / offer.pack, offer.currency) : '';
  };

  function take(card: Card) {
    close();
    const circuit = circuitNow();
    if (!circuit) return;
    workbench.edit(addPart(circuit, workbench.library, card).plan, `add ${card.name}`);
    telling.say(`${card.name} added.`);
  }

  const groups = $derived<PickerGroup[]>(
    KINDS.map(([kind, name]) => ({
      name,
      entries: [...workbench.library.values()]
        .filter((card) => card.kind === kind && (!drawer.ownOnly || drawer.isOwn(card.id)))
        .sort((a, b) => Number(drawer.isOwn(b.id)) - Number(drawer.isOwn(a.id)))
        .map((card) => ({
          id: card.id,
          name: card.name,
          detail: card.class,
          hint: price(card),
          run: () => take(card),
        })),
    })),
  );
</script>

<Sheet open={view.sheet === 'add-part'} title="Add a part" {close}>
  <Picker label="catalogue" placeholder="name or class" nothing="No card of that name." {groups} />
  <p class="m-0 border-t border-line p-2">
    Not among them? <Button onclick={() => view.enterPart()}>Enter it at the desk</Button>
  </p>
</Sheet>
