<script lang="ts">
  import type { Edition } from '../patterns.js';

  /** The pattern that this one was converted from, and the edition of it in the terms that it goes into. */
  let { source, edition }: { source: Edition | null; edition: Edition | null } = $props();
</script>

{#if source}
  <p class:behind={source.behind}>
    Converted from <a href="/terms/{source.id}">{source.name}</a>{#if source.behind}, which has changed since. Its Terms
      screen brings this edition up to date.{:else}.{/if}
  </p>
{/if}
{#if edition}
  <p class:behind={edition.behind}>
    <a href="/desk/{edition.id}">{edition.name}</a>
    {edition.behind ? 'is behind: this pattern has changed since it was made.' : 'was made from this pattern as it is.'}
  </p>
{/if}

<style>
  p {
    padding: var(--space-1) var(--space-4);
    border-bottom: 1px solid var(--rule);
    color: var(--ink-soft);
    font-size: var(--size-small);
    overflow-wrap: anywhere;
  }

  .behind {
    background: var(--weld-wash);
    color: var(--ink);
  }
</style>
