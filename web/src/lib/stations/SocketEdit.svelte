<!-- Where a part that fits a socket of another goes: into it, or onto the board and leads. Nothing is said of a part that fits none. -->
<script lang="ts">
  import Select from '../kit/Select.svelte';
  import { socketsFor, straightIn, type Circuit, type Netlist, type Socket } from '@idle-breadboard/core/circuit';
  import { setOn } from '@idle-breadboard/core/plan';
  import { say } from '@idle-breadboard/core/words';
  import { workbench } from '../state/workbench.svelte';

  let { circuit, netlist, part }: { circuit: Circuit; netlist: Netlist; part: string } = $props();
  const node = $derived(circuit.parts.get(part));
  const key = (on: Socket) => [on.part, on.header, on.at, on.turned ? 'turned' : 'straight'].join(' ');
  const sockets = $derived(node?.choice && !node.helper ? socketsFor(circuit, netlist, part) : []);
  const now = $derived(node?.choice?.on);
  const says = ({ part: host, header, at, turned }: Socket) =>
    `in the socket ${header} of ${say(circuit.parts.get(host)?.label ?? host)}, from pin ${at}${turned ? ', turned' : ''}`;
  // A socket that it does not belong into is shown, too: the proof says what is wrong with it.
  const shown = $derived(now && !sockets.some((on) => key(on) === key(now)) ? [now, ...sockets] : sockets);

  /** Where its order fits if pins beside it are given to it. */
  const MAX_WAYS = 6;
  const ways = $derived(
    node?.choice && !node.helper
      ? straightIn(circuit, part)
          .filter(({ on }) => !shown.some((other) => key(other) === key(on)))
          .slice(0, MAX_WAYS)
      : [],
  );
  const pinsSaid = (count: number) => (count === 0 ? '' : count === 1 ? ', a pin feeds it' : `, ${count} pins feed it`);

  function put(to: string) {
    const way = ways.find(({ on: socket }) => key(socket) === to);
    if (way && node) return workbench.edit(way.plan, `where ${say(node.label)} stands`);
    const on = shown.find((socket) => key(socket) === to) ?? null;
    if (workbench.plan && node) workbench.edit(setOn(workbench.plan, part, on), `where ${say(node.label)} stands`);
  }
</script>

{#if shown.length + ways.length > 0}
  <Select
    label="where {say(node?.label)} stands"
    value={now ? key(now) : ''}
    choices={[
      { value: '', label: 'on the board, with leads' },
      ...shown.map((socket) => ({ value: key(socket), label: says(socket) })),
      ...ways.map(({ on, power }) => ({ value: key(on), label: `${says(on)}${pinsSaid(power)}` })),
    ]}
    ahead
    change={put}
  />
{/if}
