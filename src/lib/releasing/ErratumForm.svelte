<script lang="ts">
  import { untrack } from 'svelte';
  import Button from '../components/Button.svelte';
  import Field from '../components/Field.svelte';
  import Select from '../components/Select.svelte';
  import { troubleIn } from '../client.js';
  import type { ErratumTried, VersionText } from '../release.js';
  import { tryErratum, versionText } from './asking.js';
  import type { ReleaseSession } from './release.svelte.js';
  import type { ReleaseData } from './releaseData.js';

  interface Props {
    data: ReleaseData;
    session: ReleaseSession;
    done: () => void;
  }

  let { data, session, done }: Props = $props();
  /** After so long a pause in the typing it is counted; milliseconds. */
  const PAUSE = 350;
  let version = $state(untrack(() => data.versions[0]?.number ?? ''));
  let kept = $state.raw<VersionText | null>(null);
  let line = $state(0);
  let right = $state('');
  let note = $state('');
  let source = $state('');
  let tried = $state.raw<ErratumTried | null>(null);
  let trouble = $state('');
  const lines = $derived(kept?.text.split('\n') ?? []);
  const wrong = $derived(lines[line - 1] ?? '');
  const places = $derived([
    { value: '0', text: 'Choose a round' },
    ...(kept?.rounds.map((round) => ({ value: String(round.line), text: round.place })) ?? []),
  ]);
  const asked = $derived({ version, line, right, note, source });
  const worse = $derived(tried !== null && tried.offAfter > tried.offBefore);
  const changed = $derived(line > 0 && right.trim() !== '' && right.trim() !== wrong.trim());

  $effect(() => {
    void versionText(data.id, version).then(
      (text) => (kept = text),
      (error: unknown) => (trouble = troubleIn(error)),
    );
  });

  $effect(() => {
    tried = null;
    trouble = '';
    if (!changed) return;
    const wanted = { version, line, right, note: '', source: '' };
    const timer = setTimeout(() => {
      void tryErratum(data.id, wanted).then(
        (answer) => (tried = answer),
        (error: unknown) => (trouble = troubleIn(error)),
      );
    }, PAUSE);
    return () => clearTimeout(timer);
  });

  function choose(wanted: string): void {
    line = Number(wanted);
    right = lines[line - 1]?.trim() ?? '';
  }

  function words(figures: ErratumTried['before']): string {
    if (!figures) return 'no round';
    const stated = figures.stated === null ? '' : `, states ${figures.stated}`;
    return `makes ${figures.made ?? '–'}${stated} (${figures.verdict})`;
  }

  async function keep(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    if (tried && (await session.keepErratum(asked))) done();
  }
</script>

<form onsubmit={(event) => void keep(event)}>
  <div class="where">
    <Select
      label="In version"
      shown
      value={version}
      options={data.versions.map(({ number }) => ({ value: number, text: number }))}
      chosen={(number: string) => (version = number)}
    />
    <Select label="Round" shown value={String(line)} options={places} chosen={choose} />
    <label
      >Line <input
        type="number"
        min="1"
        max={lines.length}
        bind:value={line}
        onchange={() => choose(String(line))}
      /></label
    >
  </div>
  {#if line > 0}
    <p class="wrong"><span>It says</span> {wrong.trim() || '(an empty line)'}</p>
    <Field label="It has to read" bind:value={right} lines={2} />
    {#if tried}
      <p role="status" class:good={!worse} class:bad={worse}>
        Before: {words(tried.before)}. After: {words(tried.after)}.
        {tried.offAfter === 0
          ? 'Every round comes out.'
          : `Rounds that are off: ${tried.offBefore} before, ${tried.offAfter} after.`}
      </p>
    {:else if changed && !trouble}<p class="soft">Counting …</p>{/if}
    {#if trouble}<p role="alert">{trouble}</p>{/if}
    <div class="more">
      <Field label="A word to those who have the pattern" bind:value={note} />
      <Field label="Found by" bind:value={source} />
    </div>
  {/if}
  <p>
    <Button type="submit" weight="firm" disabled={!tried || worse || session.busy}>Keep the erratum</Button>
    <Button weight="quiet" onclick={done}>Leave it</Button>
  </p>
</form>

<style>
  form {
    display: grid;
    gap: var(--space-3);
    max-width: 52rem;
    padding: var(--space-4) 0;
    border-bottom: 2px solid var(--ink);
  }

  .where {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2) var(--space-4);
  }

  .where label {
    display: inline-flex;
    align-items: center;
    gap: var(--space-2);
  }

  input {
    width: 5rem;
    padding: 0.3rem var(--space-2);
  }

  .wrong {
    font-family: var(--text-face);
    overflow-wrap: anywhere;
  }

  .wrong span,
  .soft {
    color: var(--ink-soft);
    font-family: var(--figure-face);
    font-size: var(--size-small);
  }

  .more {
    display: grid;
    grid-template-columns: 2fr 1fr;
    gap: var(--space-3);
  }

  .good {
    color: var(--sage);
  }

  .bad {
    color: var(--madder);
  }
</style>
