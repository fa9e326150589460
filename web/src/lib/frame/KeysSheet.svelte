<script lang="ts">
  import Sheet from '../kit/Sheet.svelte';
  import { STATIONS, view } from '../state/view.svelte';

  const keys: readonly (readonly [string, string])[] = [
    ['/', 'find a part, a pin, a net, a finding, or do something'],
    [']', 'the next finding'],
    ['[', 'the finding before'],
    ['m', 'mend all: everything that is open, settled together'],
    ['Enter', 'take the first remedy of the current finding'],
    ['Ctrl+Z', 'take back'],
    ['Ctrl+Shift+Z', 'do again'],
    ['?', 'this list'],
    ['Esc', 'close what is open'],
  ];
</script>

<Sheet open={view.sheet === 'keys'} title="Keys" close={() => (view.sheet = null)}>
  <table class="m-3">
    <tbody>
      {#each STATIONS as station (station.id)}<tr
          ><td><kbd class="value">{station.key}</kbd></td><td>{station.name}</td></tr
        >{/each}
      {#each keys as [key, what] (key)}<tr><td><kbd class="value">{key}</kbd></td><td>{what}</td></tr>{/each}
    </tbody>
  </table>
</Sheet>

<style>
  td {
    padding: 3px 18px 3px 0;
  }
  kbd {
    border: 1px solid var(--line);
    background: var(--raised);
    padding: 1px 7px;
  }
</style>
