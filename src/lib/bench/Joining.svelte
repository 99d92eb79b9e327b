<script lang="ts">
  import PlainPage from '../components/PlainPage.svelte';
  import type { BenchCall } from '../bench.js';
  import Check from '../components/Check.svelte';
  import type { BenchSession } from './bench.svelte.js';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  let name = $state('');
  let read = $state(false);
  let busy = $state(false);
  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' });
  const wanted = $derived(
    [
      ['Yarn', call.wanted.yarn],
      ['Hook', call.wanted.hook],
      ['Gauge', call.wanted.gauge],
      ['Wanted by', call.wanted.by && day.format(new Date(`${call.wanted.by}T12:00`))],
      ['Photographs', call.wanted.photographs],
    ].filter(([, value]) => value !== ''),
  );

  async function join(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    busy = true;
    await session.join(name);
    busy = false;
  }
</script>

<PlainPage heading={call.name} above="You are asked to test">
  <p>
    {call.course.parts.length === 1 ? 'One part' : `${call.course.parts.length} parts`},
    {session.progress?.share.of ?? 0} rounds in all. You follow it here, round by round; the editor sees where you stumble.
  </p>
  {#if wanted.length > 0}
    <dl>
      {#each wanted as [term, value] (term)}<dt>{term}</dt>
        <dd>{value}</dd>{/each}
    </dl>
  {/if}
  {#if session.unkept}<p class="trouble" role="alert">{session.unkept}</p>{/if}
  <form onsubmit={(event) => void join(event)}>
    <label for="tester">The name you want to be known by</label>
    <input id="tester" bind:value={name} maxlength="60" autocomplete="nickname" required />
    {#if call.wanted.smallParts}
      <p class="caution">{call.wanted.smallParts}</p>
      <span class="read"><Check bind:checked={read}>I have read this</Check></span>
    {/if}
    {#if session.trouble}<p class="trouble" role="alert">{session.trouble}</p>{/if}
    <button disabled={busy || name.trim() === '' || (call.wanted.smallParts !== '' && !read)}>Begin</button>
  </form>
</PlainPage>

<style>
  dl {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: var(--space-2) var(--space-4);
    padding: var(--space-3) 0;
    margin: var(--space-4) 0;
    border: solid var(--rule-strong);
    border-width: 1px 0;
  }

  dt {
    color: var(--ink-soft);
  }

  form {
    display: grid;
    gap: var(--space-3);
    margin-top: var(--space-4);
  }

  input {
    min-height: 3rem;
    padding: 0 var(--space-3);
  }

  button {
    min-height: 3.5rem;
    background: var(--ink);
    color: var(--paper);
    font-weight: 600;
    text-align: center;
  }

  button:disabled {
    opacity: 0.5;
  }

  .read :global(label) {
    width: 100%;
    min-height: 3rem;
  }

  .caution {
    padding-left: var(--space-3);
    border-left: 3px solid var(--weld);
  }

  .trouble {
    color: var(--madder);
  }
</style>
