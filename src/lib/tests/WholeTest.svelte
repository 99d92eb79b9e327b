<script lang="ts">
  import { download } from '../download.js';
  import { onMount } from 'svelte';
  import { Progress, resultTable, type Shape, type ShapeSettings } from '../../core/index.js';
  import AddressHere from '../addresses/AddressHere.svelte';
  import { holds } from '../addresses.js';
  import type { Call } from '../bench.js';
  import { timeWords } from '../bench/words.js';
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import type { StoredPattern } from '../patterns.js';
  import { Shaper } from '../workers/shaper.js';
  import { wholeTest } from './asking.js';
  import { csvOf, type TestsSession } from './tests.svelte.js';
  import Weighed from './Weighed.svelte';

  interface Props {
    session: TestsSession;
    call: Call;
    pattern: StoredPattern;
    settings: ShapeSettings;
    alone: boolean;
  }

  let { session, call, pattern, settings, alone }: Props = $props();
  let shape = $state.raw<Shape | null>(null);
  const HARD = ['', 'easy', 'quite easy', 'medium', 'quite hard', 'hard'] as const;
  const testers = $derived(session.all?.testers ?? []);
  const finished = $derived(testers.filter((one) => one.finished));
  const times = $derived(finished.map(({ spent }) => spent).toSorted((a, b) => a - b));

  onMount(() => {
    const shaper = new Shaper();
    const { text, terms, hand } = pattern;
    shaper
      .shape({ text, terms, hand, settings })
      .then((drawn) => (shape = drawn))
      .catch(() => undefined);
    return () => shaper.close();
  });

  async function save(type: 'csv' | 'json'): Promise<void> {
    try {
      const whole = await wholeTest(pattern.id, call.number);
      const content =
        type === 'csv'
          ? csvOf(
              resultTable(
                whole.course,
                whole.testers.map(({ name, steps }) => ({ name, progress: new Progress(whole.course, steps) })),
              ),
            )
          : JSON.stringify(whole, null, 1);
      const file = new Blob([content], { type: type === 'csv' ? 'text/csv' : 'application/json' });
      download(`${pattern.name}, test ${call.number}.${type}`, file);
    } catch (error) {
      toasts.say(troubleIn(error));
    }
  }
</script>

<section>
  <h2>The address</h2>
  {#if alone && call.address && holds(call.address)}
    <p class="alone">
      This server answers on this machine alone: nobody else can open the address. The README says how to let testers
      in, and nobody further.
    </p>
  {/if}
  <AddressHere
    address={call.address}
    code
    leads="/bench/"
    of="/api/patterns/{pattern.id}/calls/{call.number}/address"
    anew={['dostik:tests', 'dostik:standing']}
    none="This test came from another house; its address leads nowhere here."
    withdrawn="The test is withdrawn. What has come stays here."
  />
</section>
<section>
  <h2>Testers</h2>
  {#if testers.length === 0}<p class="soft">Nobody has joined yet.</p>{/if}
  {#if times.length > 0}
    <p>
      {finished.length} of {testers.length} finished, in {timeWords(times[0] ?? 0)}{times.length > 1
        ? ` to ${timeWords(times.at(-1) ?? 0)}`
        : ''}.
    </p>
  {/if}
  <ul>
    {#each testers as { name, done, of, spent, difficulty, finished: end } (name)}
      <li>
        <strong>{name}</strong>
        <span
          >{end ? 'finished' : `${done} of ${of}`}, {timeWords(spent)}{difficulty ? `, ${HARD[difficulty]}` : ''}</span
        >
        {#if end?.words}<q>{end.words}</q>{/if}
      </li>
    {/each}
  </ul>
</section>
{#if session.all && session.results}
  <Weighed all={session.all} course={session.results.course} {shape} />
{/if}
<p class="files">
  <Button onclick={() => void save('csv')}>Save as .csv</Button>
  <Button onclick={() => void save('json')}>Save as .json</Button>
</p>

<style>
  section {
    margin-bottom: var(--space-4);
  }

  h2 {
    margin-bottom: var(--space-1);
    font-size: var(--size-text);
  }

  .alone {
    margin-bottom: var(--space-2);
    color: var(--weld);
  }

  li {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0 var(--space-2);
    padding: var(--space-1) 0;
    border-top: 1px solid var(--rule);
    overflow-wrap: anywhere;
  }

  li span,
  .soft {
    color: var(--ink-soft);
  }

  strong {
    font-weight: 600;
  }

  q {
    flex-basis: 100%;
    font-family: var(--text-face);
  }

  .files {
    display: flex;
    gap: var(--space-2);
  }
</style>
