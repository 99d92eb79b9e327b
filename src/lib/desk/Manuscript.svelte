<script lang="ts">
  import { untrack } from 'svelte';
  import type { Attachment } from 'svelte/attachments';
  import { preferences } from '../frame/preferences.svelte.js';
  import { Manuscript } from './manuscript.js';
  import './manuscript.css';
  import type { Spot } from './rounds.js';

  interface Props {
    id: string;
    text: string;
    /** The caret is where the Desk opens: until then it is not shown. */
    opened: boolean;
    ready: (editor: Manuscript) => void;
    changed: (text: string) => void;
    moved: (spot: Spot, offset: number, byHand: boolean) => void;
    tick: (key: string) => void;
    /** A file was dropped on the manuscript. */
    dropped: (event: DragEvent) => void;
  }

  let { id, text, opened, ready, changed, moved, tick, dropped }: Props = $props();
  let shown: Manuscript | undefined;

  // The editor owns the text from here on; an attachment that read state would be built anew with each key.
  const editor: Attachment<HTMLElement> = (host) =>
    untrack(() => {
      const manuscript = new Manuscript(host, { id, text, changed, moved, tick });
      shown = manuscript;
      ready(manuscript);
      return () => manuscript.destroy();
    });

  $effect(() => {
    shown?.measureFor(preferences.density);
  });
</script>

<div class="manuscript {preferences.density}" class:opening={!opened} role="presentation" ondropcapture={dropped}>
  <div class="heads" aria-hidden="true">
    <span class="uses">uses</span><span class="made">makes</span><span class="change"></span><span class="stated"
      >stated</span
    ><span></span><span></span>
  </div>
  <div class="host" {@attach editor}></div>
</div>

<style>
  .manuscript {
    --rail: 3.4rem 2.6rem 2.2rem 2.6rem 1.35rem 1.5rem;
    --letters: 1.0625rem;
    --leading: 1.8125rem;
    --figures: 0.9375rem;

    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
    min-width: 0;
  }

  /* A line is always whole pixels high, so that the rail keeps step with the text. */
  .even {
    --letters: 1rem;
    --leading: 1.5rem;
    --figures: 0.9375rem;
  }

  .close {
    --letters: 0.9375rem;
    --leading: 1.3125rem;
    --figures: 0.875rem;
  }

  .heads,
  .manuscript :global(.rail-row) {
    display: grid;
    grid-template-columns: var(--rail);
    justify-content: end;
    column-gap: 0.25rem;
  }

  .heads {
    padding: var(--space-1) calc(var(--space-4) + 0.6rem) var(--space-1) 0;
    border-bottom: 1px solid var(--rule);
    font-size: 0.75rem;
    color: var(--ink-soft);
    text-align: right;
  }

  .host {
    min-height: 0;
  }

  @media (max-width: 720px) {
    .manuscript {
      --rail: 2.2rem 1.2rem 1.9rem;
    }

    .heads {
      display: none;
    }
  }
</style>
