<!-- What goes on paper: the wiring plan with boxes to tick, and the parts list. -->
<script lang="ts">
  import { money } from '../kit/words';
  import { view } from '../state/view.svelte';
  import type { Study } from '../worker/study';

  let { study }: { study: Study } = $props();
  const plan = $derived(study.circuit.plan);
  const verdict = $derived(study.verdict);
  const open = $derived(verdict.findings.filter(({ severity }) => severity === 'danger' || severity === 'fault'));
</script>

<article class="print-only">
  <h1>{plan.name}</h1>
  <p>
    {verdict.status === 'verified'
      ? `Verified, ${verdict.passes.length} proofs, ${verdict.onTrust} on trust`
      : `OPEN: ${open.length} to settle. Do not wire this.`} · fingerprint
    <span class="value">{study.fingerprint}</span>
  </p>
  {#each open as finding (finding.key)}<p><strong>{finding.severity}</strong>: {finding.message}</p>{/each}
  {#if view.station !== 'parts'}
    <h2>Safety</h2>
    <ul>
      {#each study.wiring.cautions as caution (caution.says)}<li>
          <strong>{caution.hazard}</strong>, {caution.part}: {caution.says}
        </li>{/each}
      <li>
        Power off before any wire is moved; check polarity before power on. This plan covers the low-voltage side only
        and is no substitute for local codes and licensed practice.
      </li>
    </ul>
    <h2>Wiring plan</h2>
    {#each study.wiring.steps as step, i (step.key)}
      <section>
        <h3><span class="box"></span>{i + 1}. {step.title}</h3>
        {#if step.leads.length > 0}
          <table>
            <thead><tr><th>Lead</th><th>From</th><th>To</th></tr></thead>
            <tbody>
              {#each step.leads as lead (lead.key)}
                <tr
                  ><td
                    >{lead.kind === 'lead'
                      ? `${lead.colour}, ${lead.ends.join('–')}`
                      : lead.kind === 'own'
                        ? `own wire, ${lead.colour}`
                        : `${lead.kind} ${lead.value}`}</td
                  ><td>{lead.from.label}</td><td>{lead.to.label}</td></tr
                >
              {/each}
            </tbody>
          </table>
        {/if}
        {#if step.check}<p>Check: {step.check}</p>{/if}
      </section>
    {/each}
  {/if}
  <h2>Parts list</h2>
  <table>
    <thead
      ><tr
        ><th class="r">Need</th><th>Part</th><th>For</th><th class="r">Drawer</th><th class="r">Packs</th><th
          >Supplier</th
        ><th class="r">{study.parts.currency}</th></tr
      ></thead
    >
    <tbody>
      {#each study.parts.lines as line (line.card)}
        <tr
          ><td class="r">{line.needed}</td><td>{line.name}</td><td>{line.use}</td><td class="r">{line.inDrawer}</td><td
            class="r">{line.packs}</td
          ><td>{line.packs > 0 ? line.offer?.supplier : ''}</td><td class="r"
            >{line.packs > 0 ? money(line.total, '') : ''}</td
          ></tr
        >
      {/each}
    </tbody>
    <tfoot
      ><tr
        ><td colspan="6">With shipping; the last parcel is here in {study.parts.arrival} days</td><td class="r"
          >{money(study.parts.total, '')}</td
        ></tr
      ></tfoot
    >
  </table>
</article>

<style>
  article {
    font-size: 10pt;
    color: #000;
  }
  h1 {
    font-size: 16pt;
    font-weight: 700;
    border-top: 2px solid #000;
    border-bottom: 1px solid #000;
    margin: 0 0 6pt;
  }
  h2 {
    font-size: 12pt;
    font-weight: 700;
    margin: 10pt 0 4pt;
  }
  h3 {
    font-size: 10.5pt;
    font-weight: 650;
    margin: 6pt 0 2pt;
  }
  section {
    break-inside: avoid;
  }
  .box {
    display: inline-block;
    width: 9pt;
    height: 9pt;
    border: 1px solid #000;
    margin-right: 6pt;
  }
  table {
    width: 100%;
    border-collapse: collapse;
  }
  th,
  td {
    text-align: left;
    vertical-align: top;
    border-bottom: 1px solid #bbb;
    padding: 1pt 6pt 1pt 0;
  }
  .r {
    text-align: right;
  }
  ul {
    list-style: square;
    padding-left: 14pt;
  }
</style>
