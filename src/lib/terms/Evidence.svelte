<script lang="ts">
  import Select from '../components/Select.svelte';
  import type { StoredPattern } from '../patterns.js';
  import type { TermsSession } from './terms.svelte.js';

  let { session }: { session: TermsSession } = $props();
  const { evidence, settled } = $derived(session);
  const NAMES = { us: 'US terms', uk: 'UK terms', mixed: 'Mixed terms', unclear: 'Terms unclear' };
  const SIDES = { us: 'US only', uk: 'UK only', both: 'In both' } as const;
  const words = (tells: 'us' | 'uk' | 'both') =>
    (evidence?.words ?? []).filter((one) => one.tells === tells).slice(0, 6);
  const against = $derived(
    (evidence?.declared ?? []).filter(
      ({ vocabulary }) => evidence?.detected !== vocabulary && evidence?.detected !== 'unclear',
    ),
  );
</script>

<section aria-labelledby="evidence">
  <h2 id="evidence">{settled === 'auto' ? (evidence ? NAMES[evidence.detected] : '…') : NAMES[settled]}</h2>
  {#if evidence}
    <dl>
      <dt>Says so</dt>
      <dd>
        {#each evidence.declared as { vocabulary, line }, i (i)}{i > 0 ? ', ' : ''}{vocabulary.toUpperCase()} in line {line}{:else}nowhere{/each}
      </dd>
      {#each ['us', 'uk', 'both'] as const as tells (tells)}
        {#if words(tells).length > 0}
          <dt>{SIDES[tells]}</dt>
          <dd>
            {#each words(tells) as { word, count, line } (word)}<span title="First in line {line}">{word} {count}</span
              >{/each}
          </dd>
        {/if}
      {/each}
    </dl>
    {#if against.length > 0}
      <p class="wrong">
        It says {against[0]?.vocabulary.toUpperCase()}, and the stitches are {evidence.detected === 'mixed'
          ? 'of both'
          : evidence.detected.toUpperCase()}.
      </p>
    {/if}
    <Select
      label="Read it as"
      shown
      value={settled}
      options={[
        { value: 'auto', text: `what it shows, ${Math.round(evidence.confidence * 100)} %` },
        { value: 'us', text: 'US terms' },
        { value: 'uk', text: 'UK terms' },
      ]}
      chosen={(terms: StoredPattern['terms']) => void session.settle(terms)}
    />
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
  }

  h2 {
    font-size: var(--size-title);
  }

  dl {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0 var(--space-3);
    font-size: var(--size-small);
  }

  dt {
    color: var(--ink-soft);
  }

  dd span {
    display: inline-block;
    margin-right: var(--space-2);
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }

  .wrong {
    color: var(--madder);
    font-size: var(--size-small);
  }
</style>
