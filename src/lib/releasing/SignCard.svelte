<script lang="ts">
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import Field from '../components/Field.svelte';
  import When from '../components/When.svelte';
  import { plural } from '../plural.js';
  import Photographs from './Photographs.svelte';
  import type { ReleaseSession } from './release.svelte.js';
  import type { ReleaseData } from './releaseData.js';

  interface Props {
    data: ReleaseData;
    session: ReleaseSession;
    /** How many lines of the checklist stand against it. */
    against: number;
    style: (styled: boolean) => void;
    signed: () => void;
  }

  let { data, session, against, style, signed }: Props = $props();
  const last = $derived(data.versions[0]);
  const since = $derived(data.readiness?.since);
  const proposed = $derived(data.readiness?.proposed ?? '');

  async function sign(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (data.readiness && (await session.sign(data.readiness, data.styled))) signed();
  }
</script>

<h2>{last ? `Version ${last.number} is out` : 'Not released yet'}</h2>
{#if last}
  <p class="soft">Signed by {last.signer}, <When at={last.at} />.</p>
  <p class="soft">
    {#if since === 'nothing'}The text is as it was then.
    {:else if since === 'words'}Since then only words have changed.
    {:else}Since then stitches have changed.{/if}
  </p>
{/if}

<div class="name"><Field label="Your name" bind:value={session.who} autocomplete="name" /></div>
{#if data.readiness && since !== 'nothing'}
  <form onsubmit={(event) => void sign(event)}>
    <Field label="Version" bind:value={session.number} placeholder={proposed} inputmode="decimal" />
    <Field label="What is new in it" bind:value={session.note} lines={2} />
    <Check checked={data.styled} changed={style}>In house style</Check>
    <Button type="submit" weight="firm" disabled={session.busy || against > 0}
      >Sign version {session.number || proposed}</Button
    >
    <p class:against={against > 0} role="status">
      {against > 0
        ? `${plural(against, 'line')} of the checklist ${against === 1 ? 'stands' : 'stand'} against it.`
        : 'Everything holds. What is signed is kept as it is, and never changed.'}
    </p>
  </form>
{/if}
<Photographs {data} {session} />

<style>
  h2 {
    font-size: var(--size-title);
  }

  form {
    display: grid;
    gap: var(--space-3);
    justify-items: start;
    padding: var(--space-3) 0 var(--space-5);
  }

  .name {
    padding-top: var(--space-3);
  }

  form > :global(.field) {
    width: 100%;
  }

  p {
    font-size: var(--size-small);
  }

  .soft {
    color: var(--ink-soft);
  }

  .against {
    color: var(--madder);
  }
</style>
