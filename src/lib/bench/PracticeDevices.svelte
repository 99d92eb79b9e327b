<script lang="ts">
  import PlainPage from '../components/PlainPage.svelte';
  import { onMount } from 'svelte';
  import { PRACTICE, type Practice } from './devices.js';

  let grams = $state(48.5);
  let channel: BroadcastChannel | null = null;

  const say = (what: Practice) => channel?.postMessage(what);
  const weigh = () => say({ kind: 'grams', grams });

  onMount(() => {
    channel = new BroadcastChannel(PRACTICE);
    channel.onmessage = ({ data }: MessageEvent<{ readonly kind: string }>) => {
      if (data.kind === 'ask') weigh();
    };
    return () => channel?.close();
  });
</script>

<PlainPage heading="Practice devices">
  <p>
    They stand in for a scale and a foot switch: open a test in another window of this browser, choose “Practice scale”
    where yarn is weighed, and see it answer.
  </p>
  <section aria-labelledby="scale">
    <h2 id="scale">Scale</h2>
    <output>{grams.toFixed(1)} g</output>
    <label>
      What lies on it
      <input type="range" min="0" max="250" step="0.5" bind:value={grams} oninput={weigh} />
    </label>
  </section>
  <section aria-labelledby="switch">
    <h2 id="switch">Foot switch</h2>
    <div>
      <button type="button" onclick={() => say({ kind: 'press', what: 'back' })}>Back</button>
      <button type="button" class="on" onclick={() => say({ kind: 'press', what: 'on' })}>On</button>
    </div>
  </section>
</PlainPage>

<style>
  section {
    padding: var(--space-4) 0;
    margin-top: var(--space-4);
    border-top: 1px solid var(--rule-strong);
  }

  output {
    display: block;
    font-size: 3rem;
    font-weight: 600;
    text-align: center;
  }

  input {
    display: block;
    width: 100%;
    min-height: 3rem;
    accent-color: var(--woad);
  }

  div {
    display: grid;
    grid-template-columns: 1fr 2fr;
    gap: var(--space-2);
    margin-top: var(--space-2);
  }

  button {
    min-height: 6rem;
    border: 1px solid var(--rule-strong);
    font-weight: 600;
    text-align: center;
  }

  .on {
    background: var(--paper-sunk);
  }
</style>
