<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    title: string;
    /** What the page is for, in a sentence or two. */
    about?: string;
    /** What one looks for and does with all that stands below. */
    tools?: Snippet;
  }

  let { title, about, tools }: Props = $props();
</script>

<header>
  <h1 {title}>{title}</h1>
  {#if tools}<div class="tools">{@render tools()}</div>{/if}
  {#if about}<p>{about}</p>{/if}
</header>

<style>
  header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-4);
    padding-bottom: var(--space-3);
  }

  h1 {
    flex: 1;
    min-width: min(16rem, 100%);
    overflow: hidden;
    font-size: var(--size-display);
    line-height: 1.35;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .tools {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-3);
  }

  p {
    flex: 0 0 100%;
    padding-right: max(0px, 100% - 42rem);
    color: var(--ink-soft);
  }

  @media print {
    .tools {
      display: none;
    }
  }
</style>
