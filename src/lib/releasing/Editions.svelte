<script lang="ts">
  import Check from '../components/Check.svelte';
  import Select from '../components/Select.svelte';
  import { troubleIn } from '../client.js';
  import { draftPage } from './asking.js';
  import LayoutChoice from './LayoutChoice.svelte';
  import type { ReleaseSession } from './release.svelte.js';
  import type { ReleaseData } from './releaseData.js';

  interface Props {
    data: ReleaseData;
    session: ReleaseSession;
    style: (styled: boolean) => void;
  }

  let { data, session, style }: Props = $props();
  let terms = $state<'us' | 'uk'>('us');
  let page = $state('');
  let trouble = $state('');
  const asked = $derived({
    terms,
    sheet: session.sheet,
    print: session.print,
    styled: data.styled ? 'yes' : 'no',
  });
  const href = (form: string) =>
    `/api/patterns/${data.id}/release/draft?${new URLSearchParams({ ...asked, form }).toString()}`;

  // Each of them is laid out by the server; the last one that was asked for is shown.
  $effect(() => {
    const wanted = asked;
    let stale = false;
    void draftPage(data.id, wanted).then(
      (html) => {
        if (!stale) [page, trouble] = [html, ''];
      },
      (error: unknown) => {
        if (!stale) trouble = troubleIn(error);
      },
    );
    return () => {
      stale = true;
    };
  });
</script>

<div class="choices">
  <Select
    label="Terms"
    shown
    value={terms}
    options={[
      { value: 'us', text: 'US' },
      { value: 'uk', text: 'UK' },
    ]}
    chosen={(wanted: 'us' | 'uk') => (terms = wanted)}
  />
  <LayoutChoice {session} />
  <Check checked={data.styled} changed={style}>In house style</Check>
  <span class="forms">
    {#each ['pdf', 'docx', 'html', 'md', 'txt'] as form (form)}<a href={href(form)} download>.{form}</a>{/each}<a
      href="/api/patterns/{data.id}/understood"
      title="The pattern as understood, for other programs"
      download>.json</a
    >
  </span>
</div>
{#if data.readiness}
  <ul class="anew">
    {#each data.readiness.anew as words (words)}<li>{words}</li>{/each}
  </ul>
{/if}
{#if trouble}
  <p role="alert">{trouble}</p>
{:else if page === ''}
  <p class="soft">Laying it out …</p>
{:else}
  <iframe title="The edition in {terms.toUpperCase()} terms, as it would go out" srcdoc={page} sandbox=""></iframe>
{/if}

<style>
  .choices {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-4);
  }

  .forms {
    display: flex;
    gap: var(--space-3);
    margin-left: auto;
  }

  .anew {
    padding: var(--space-2) 0;
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  iframe {
    display: block;
    width: 100%;
    height: calc(100dvh - 17rem);
    min-height: 24rem;
    border: 1px solid var(--rule);
    background: var(--paper-raised);
  }

  .soft {
    color: var(--ink-soft);
  }
</style>
