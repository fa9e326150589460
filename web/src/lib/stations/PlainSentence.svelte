<!-- "show: readings as text, with text, at front" -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { wordsAsChoices } from '../kit/choice';
  import { SERVICES, type Service } from '@idle-breadboard/core/card';
  import type { PlainNeed } from '@idle-breadboard/core/plan';
  import type { Change } from '../state/needs';
  import TextField from '../kit/TextField.svelte';

  let { need, name, change }: { need: PlainNeed; name: string; change: Change<PlainNeed> } = $props();
  const VERB = { show: 'show', drive: 'drive', operate: 'operate' };

  function setService(value: string) {
    const service: Service | undefined = SERVICES.find((s) => s === value);
    change(({ service: _, ...rest }) => (service ? { ...rest, service } : rest), 'what serves a need');
  }
</script>

<span class="unit">{VERB[need.kind]}:</span>
<TextField
  value={need.what}
  label="what to {need.kind}"
  width="16em"
  most={80}
  change={(what) => change((now) => ({ ...now, what }), 'a need')}
/>
with
<Select
  label="what serves {name}"
  value={need.service ?? ''}
  choices={[{ value: '', label: 'a part that I choose' }, ...wordsAsChoices(SERVICES)]}
  ahead
  change={setService}
/>
at <TextField
  value={need.place}
  label="{name}, at"
  width="7.5em"
  change={(place) => change((now) => ({ ...now, place }), 'place of a need')}
/>
