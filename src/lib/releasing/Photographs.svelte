<script lang="ts">
  import Button from '../components/Button.svelte';
  import type { ReleaseSession } from './release.svelte.js';
  import type { ReleaseData } from './releaseData.js';

  let { data, session }: { data: ReleaseData; session: ReleaseSession } = $props();
  let picker = $state<HTMLInputElement>();

  function taken(files: FileList | null | undefined): void {
    if (files && files.length > 0) void session.photograph([...files]);
  }
</script>

<section
  aria-label="Photographs"
  ondragover={(event) => event.preventDefault()}
  ondrop={(event) => {
    event.preventDefault();
    taken(event.dataTransfer?.files);
  }}
>
  <h3>Photographs</h3>
  {#each data.photographs as photograph (photograph.id)}
    <figure>
      <img
        src="/api/patterns/{data.id}/photographs/{photograph.id}"
        alt={photograph.alt}
        width={photograph.width}
        height={photograph.height}
        loading="lazy"
      />
      <figcaption>
        <input
          aria-label="What is to be seen on it"
          placeholder="What is to be seen, for who can’t see it"
          value={photograph.alt}
          onchange={(event) => void session.describe(photograph, event.currentTarget.value)}
        />
        <Button weight="quiet" onclick={() => void session.remove(photograph)}>Take it out</Button>
      </figcaption>
    </figure>
  {:else}
    <p>None goes out with it.</p>
  {/each}
  <input
    bind:this={picker}
    class="unseen"
    type="file"
    accept="image/*"
    multiple
    tabindex="-1"
    aria-label="Photographs to take in"
    onchange={(event) => {
      taken(event.currentTarget.files);
      event.currentTarget.value = '';
    }}
  />
  <Button disabled={session.busy} onclick={() => picker?.click()}>Add photographs</Button>
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    justify-items: start;
    margin-top: var(--space-4);
    padding-top: var(--space-4);
    border-top: 1px solid var(--rule);
  }

  h3 {
    font-size: 1.0625rem;
  }

  p {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  figure {
    width: 100%;
    margin: 0;
  }

  img {
    display: block;
    width: 100%;
    height: auto;
    max-height: 12rem;
    object-fit: contain;
    background: var(--paper-sunk);
  }

  figcaption {
    display: flex;
    gap: var(--space-2);
    padding-top: var(--space-1);
  }

  figcaption input {
    flex: 1;
    min-width: 0;
    padding: 0 var(--space-2);
    font-size: var(--size-small);
  }
</style>
