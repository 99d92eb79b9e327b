<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import { untrack } from 'svelte';
  import type { Attachment } from 'svelte/attachments';
  import { createManuscript } from './manuscript.js';
  import type { Spot } from './rounds.js';

  interface Props {
    id: string;
    text: string;
    ready: (view: EditorView) => void;
    changed: (text: string) => void;
    moved: (spot: Spot, offset: number) => void;
    tick: (key: string) => void;
    /** A file was dropped on the manuscript. */
    dropped: (event: DragEvent) => void;
  }

  let { id, text, ready, changed, moved, tick, dropped }: Props = $props();

  // The editor owns the text from here on; an attachment that read state would be built anew with each key.
  const editor: Attachment<HTMLElement> = (host) =>
    untrack(() => {
      const view = createManuscript(host, { id, text, changed, moved, tick });
      ready(view);
      return () => view.destroy();
    });
</script>

<div class="manuscript" role="presentation" ondropcapture={dropped}>
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

    display: grid;
    grid-template-rows: auto minmax(0, 1fr);
    min-height: 0;
    min-width: 0;
  }

  .heads,
  .host :global(.rail-row) {
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

  .host :global(.cm-editor) {
    height: 100%;
    background: var(--paper);
    color: var(--ink);
    outline: none;
  }

  .host :global(.cm-scroller) {
    font-family: var(--text-face);
    font-size: var(--size-text);
    line-height: 1.72;
    overflow-anchor: none;
  }

  .host :global(.cm-content) {
    padding: var(--space-4) 0 40vh;
    caret-color: var(--ink);
  }

  .host :global(.cm-line) {
    padding: 0 var(--space-3) 0 var(--space-5);
  }

  .host :global(.cm-activeLine) {
    /* Translucent: the selection is drawn underneath. */
    background: color-mix(in srgb, var(--paper-raised) 55%, transparent);
    box-shadow: inset 3px 0 var(--woad);
  }

  .host :global(.cm-cursor) {
    border-left: 2px solid var(--ink);
  }

  .host :global(.cm-editor .cm-selectionBackground),
  .host :global(.cm-editor.cm-focused .cm-selectionBackground) {
    background: color-mix(in srgb, var(--woad) 26%, transparent) !important;
  }

  .host :global(.cm-selectionMatch) {
    background: var(--weld-wash);
  }

  .host :global(.cm-gutters.cm-gutters-before) {
    display: none;
  }

  .host :global(.cm-gutters.cm-gutters-after) {
    border: 0;
    border-left: 1px solid var(--rule);
    background: var(--paper);
    color: var(--ink);
    padding-right: var(--space-4);
  }

  .host :global(.rail-row) {
    /* Smaller figures on the baseline of the text. */
    position: relative;
    top: 0.12rem;
    padding-left: var(--space-2);
    font-family: var(--figure-face);
    font-size: var(--size-body);
    line-height: inherit;
    font-feature-settings: 'tnum', 'lnum';
    text-align: right;
    white-space: nowrap;
  }

  .host :global(.rail .cm-gutterElement) {
    line-height: calc(var(--size-text) * 1.72);
  }

  .host :global(.rail-row .uses),
  .host :global(.rail-row .change) {
    color: var(--ink-soft);
  }

  .host :global(.rail-row .change) {
    text-align: left;
    font-size: var(--size-small);
  }

  .host :global(.rail-row .tick) {
    position: relative;
    align-self: stretch;
    cursor: pointer;
  }

  .host :global(.rail-row .tick::before) {
    content: '';
    position: absolute;
    top: 50%;
    right: 2px;
    width: 11px;
    height: 11px;
    margin-top: -6px;
    border: 1.5px solid var(--rule-strong);
    border-radius: 2px;
  }

  .host :global(.rail-row.ticked .tick::before) {
    border-color: var(--sage);
    background: var(--sage);
  }

  .host :global(.rail-row .tick:hover::before) {
    border-color: var(--woad);
  }

  /* Not simply read: worked out from the counts, or words passed over. */
  .host :global(.rail-row.doubted .made) {
    text-decoration: underline dotted;
    text-underline-offset: 3px;
  }

  .host :global(.rail-row .made) {
    font-weight: 640;
  }

  .host :global(.rail-mark) {
    width: 16px;
    height: 16px;
    align-self: center;
    justify-self: end;
    fill: none;
    stroke: currentcolor;
    stroke-width: 2;
    stroke-linecap: round;
    stroke-linejoin: round;
  }

  .host :global(.agrees .rail-mark),
  .host :global(.counted .rail-mark) {
    color: var(--sage);
  }

  .host :global(.on-trust .rail-mark) {
    color: var(--weld);
  }

  .host :global(.rail-row.off),
  .host :global(.rail-row.unreadable) {
    background: var(--madder-wash);
    color: var(--madder);
    border-radius: var(--radius);
  }

  .host :global(.rail-row.off .uses),
  .host :global(.rail-row.off .change),
  .host :global(.rail-row.unreadable .uses),
  .host :global(.rail-row.unreadable .change) {
    color: inherit;
  }

  .host :global(.found) {
    text-decoration: underline 2px var(--madder);
    text-underline-offset: 0.28em;
    text-decoration-skip-ink: none;
  }

  .host :global(.found.warning) {
    text-decoration-color: var(--weld);
    text-decoration-style: dashed;
  }

  .host :global(.found.hint) {
    text-decoration-color: var(--woad);
    text-decoration-style: dotted;
  }

  .host :global(.lit) {
    background: var(--woad-wash);
    box-shadow: 0 0 0 2px var(--woad-wash);
    border-radius: 2px;
  }

  .host :global(.folded) {
    padding: 0 var(--space-2);
    margin-left: var(--space-2);
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-sunk);
    color: var(--ink-soft);
    font: inherit;
    font-family: var(--figure-face);
    font-size: var(--size-small);
    cursor: pointer;
  }

  .host :global(.cm-panels) {
    border-bottom: 1px solid var(--rule);
    background: var(--paper-sunk);
    color: var(--ink);
    font-family: var(--figure-face);
  }

  .host :global(.cm-textfield),
  .host :global(.cm-button) {
    border: 1px solid var(--rule-strong);
    border-radius: var(--radius);
    background: var(--paper-raised);
    color: var(--ink);
    font: inherit;
    font-size: var(--size-small);
  }

  .host :global(.cm-searchMatch) {
    background: var(--weld-wash);
  }

  @media (max-width: 720px) {
    .manuscript {
      --rail: 2.2rem 1.2rem 1.9rem;
    }

    .heads {
      display: none;
    }

    .host :global(.rail-row .uses),
    .host :global(.rail-row .change),
    .host :global(.rail-row .stated) {
      display: none;
    }

    .host :global(.rail-row .tick::before) {
      width: 17px;
      height: 17px;
      margin-top: -9px;
    }

    .host :global(.cm-line) {
      padding: 0 var(--space-2) 0 var(--space-4);
    }

    .host :global(.cm-gutters.cm-gutters-after) {
      padding-right: var(--space-2);
    }
  }
</style>
