<script lang="ts">
  import type { ChecklistLine, ChecklistRest } from '../../core/index.js';
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import Mark from '../components/Mark.svelte';
  import When from '../components/When.svelte';
  import type { ReleaseSession } from './release.svelte.js';

  interface Props {
    line: ChecklistLine;
    pattern: string;
    session: ReleaseSession;
    /** Takes a line of the house out; null for one that is always there. */
    drop: (() => void) | null;
  }

  let { line, pattern, session, drop }: Props = $props();
  const { id } = $derived(line);
  /** So many of them are shown at once. */
  const FEW = 6;
  /** Where a line that is not about a place in the text is put right. */
  const ELSEWHERE: Readonly<Record<string, readonly [href: string, text: string]>> = {
    queries: ['/queries/', 'To the queries'],
    editions: ['/terms/', 'To the terms'],
    terms: ['/terms/', 'To the terms'],
  };
  const elsewhere = $derived(ELSEWHERE[id]);
  const { length: rests } = $derived(line.rests);
  /** One thing that stands against it says it all. */
  const said = $derived(rests === 1 && line.rests[0]?.words === line.words);
  const shown = $derived(!line.holds && rests <= FEW);
  let asked = $state('');
  let reason = $state('');

  async function trust(event: SubmitEvent, { key }: ChecklistRest): Promise<void> {
    event.preventDefault();
    if (reason.trim() !== '' && (await session.trust(key, reason.trim()))) [asked, reason] = ['', ''];
  }
</script>

<li class:against={!line.holds}>
  {#if line.person}
    <span class="sign">
      <Check
        checked={line.holds}
        label={line.text}
        partly={line.person.lapsed}
        changed={(on: boolean) => void session.confirm(line, on)}
      />
    </span>
  {:else}<span class="sign"><Mark name={line.holds ? 'agrees' : 'off'} /></span>{/if}
  <div class="words">
    <p class="text">{line.text}</p>
    {#if !said}
      <p class="why">
        {line.words}
        {#if line.person?.at}<When at={line.person.at} />{/if}
        {#if drop}<Button weight="quiet" onclick={drop}>Take the line out</Button>{/if}
      </p>
    {/if}
    {#if shown}{@render all()}{:else if rests > 0}
      <details>
        <summary>What it rests on</summary>
        {@render all()}
      </details>
    {/if}
    {#if elsewhere && !line.holds}<a href="{elsewhere[0]}{pattern}">{elsewhere[1]}</a>{/if}
  </div>
</li>

{#snippet all()}
  <ul>
    {#each line.rests as rest, i (i)}
      <li class:stands={rest.reason === '' && !line.holds}>
        <span class="rest">
          {#if rest.line !== null}<a href="/desk/{pattern}?line={rest.line}">{rest.words}</a>{:else}{rest.words}{/if}
          {#if rest.reason !== '' && rest.reason !== rest.words}<em>{rest.reason}</em>{/if}
        </span>
        {#if rest.key !== ''}
          {#if rest.reason !== ''}
            <Button weight="quiet" onclick={() => void session.trust(rest.key, '')}>Take the reason back</Button>
          {:else if asked === rest.key}
            <form onsubmit={(event) => void trust(event, rest)}>
              <!-- svelte-ignore a11y_autofocus -->
              <input aria-label="Why it is all right" bind:value={reason} autofocus placeholder="Why" />
              <Button type="submit" disabled={session.busy}>Say so</Button>
            </form>
          {:else}<Button weight="quiet" onclick={() => (asked = rest.key)}
              >{id === 'rounds' ? 'Take it on trust …' : 'It is all right …'}</Button
            >{/if}
        {/if}
      </li>
    {/each}
  </ul>
{/snippet}

<style>
  li {
    display: grid;
    grid-template-columns: 1.6rem minmax(0, 1fr);
    gap: var(--space-3);
    padding: var(--space-2) 0;
    border-bottom: 1px solid var(--rule);
  }

  .sign {
    display: grid;
    justify-items: center;
    align-content: start;
    padding-top: 0.2rem;
    font-size: 1.125rem;
  }

  .words {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 var(--space-4);
  }

  .text {
    font-weight: 600;
  }

  .words > ul {
    flex: 1 0 100%;
  }

  .why {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: 0 var(--space-3);
    color: var(--ink-soft);
  }

  .against .why {
    color: var(--madder);
  }

  details[open] {
    flex: 1 0 100%;
  }

  summary {
    width: fit-content;
    color: var(--ink-soft);
    font-size: var(--size-small);
    cursor: pointer;
  }

  ul li {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    justify-content: space-between;
    gap: 0 var(--space-3);
    padding: 0.15rem 0;
    border: 0;
  }

  .rest {
    flex: 1 1 18rem;
    overflow-wrap: anywhere;
  }

  a {
    color: var(--ink);
    text-decoration-color: var(--rule-strong);
  }

  .stands {
    color: var(--madder);
  }

  .stands a {
    color: inherit;
    text-decoration-color: currentcolor;
  }

  em {
    margin-left: 0.6em;
    color: var(--ink-soft);
    font-family: var(--text-face);
  }

  form {
    display: flex;
    gap: var(--space-2);
  }

  input {
    padding: 0 var(--space-2);
  }
</style>
