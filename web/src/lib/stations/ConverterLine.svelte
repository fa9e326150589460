<!-- An analog line that a converter reads in place of a pin of the controller: on which of its inputs. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { converterInputs, type Circuit, type Net } from '@idle-breadboard/core/circuit';
  import { parseRef, setPin } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import { workbench } from '../state/workbench.svelte';
  import PinlessLine from './PinlessLine.svelte';

  let { circuit, net }: { circuit: Circuit; net: Net } = $props();
  const choice = $derived.by(() => {
    const { part, own: port = '' } = parseRef(net.of);
    return circuit.parts.get(part)?.choice?.ports[port]?.lines?.[net.line];
  });
  const inputs = $derived(converterInputs(circuit));
  const key = (on: string, input: string) => `${on} ${input}`;

  function choose(value: string) {
    const [on, pin] = value.split(' ');
    const to = on && pin ? { pin, locked: false, on } : { pin: null, locked: false };
    if (workbench.plan) workbench.edit(setPin(workbench.plan, net.of, net.line, to), `what reads ${say(net.label)}`);
  }
</script>

<PinlessLine label={say(net.label)}>
  <span class="grow">{say(net.label)} <span class="unit">is read by</span></span>
  <Select
    label="what reads {say(net.label)}"
    value={choice?.on !== undefined && choice.pin !== null ? key(choice.on, choice.pin) : ''}
    choices={[
      { value: '', label: 'a pin of the controller' },
      ...inputs.map(({ on, input, label, converter }) => ({
        value: key(on, input),
        label: `${label} of ${say(converter)}`,
      })),
    ]}
    ahead
    change={choose}
  />
</PinlessLine>
