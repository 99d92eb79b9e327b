<script lang="ts">
  import type { EditorView } from '@codemirror/view';
  import { untrack } from 'svelte';
  import type { Attachment } from 'svelte/attachments';
  import { createManuscript } from './manuscript.js';

  interface Props {
    text: string;
    ready: (view: EditorView) => void;
    changed: (text: string) => void;
    moved: (line: number) => void;
  }

  let { text, ready, changed, moved }: Props = $props();

  // The editor owns the text from here on; an attachment that read state would be built anew with each key.
  const editor: Attachment<HTMLElement> = (host) =>
    untrack(() => {
      const view = createManuscript(host, { text, changed, moved });
      ready(view);
      return () => view.destroy();
    });
</script>

<div class="manuscript">
  <div class="heads" aria-hidden="true">
    <span class="uses">uses</span><span class="edge">/ edge</span><span class="made">makes</span><span class="stated"
      >stated</span
    ><span></span>
  </div>
  <div class="host" {@attach editor}></div>
</div>

<style>
  .manuscript {
    --rail: 3rem 3.1rem 3.6rem 3rem 1.5rem;

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

  .heads .edge {
    text-align: left;
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
    padding: 0 var(--space-4) 0 var(--space-6);
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
  .host :global(.rail-row .edge) {
    color: var(--ink-soft);
  }

  .host :global(.rail-row .edge) {
    text-align: left;
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
  .host :global(.rail-row.off .edge),
  .host :global(.rail-row.unreadable .uses),
  .host :global(.rail-row.unreadable .edge) {
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
      --rail: 2.7rem 2rem 1.2rem;
    }

    .heads .uses,
    .heads .edge,
    .host :global(.rail-row .uses),
    .host :global(.rail-row .edge) {
      display: none;
    }

    .heads {
      padding-right: calc(var(--space-2) + 1.2rem);
    }

    .heads > :last-child {
      display: none;
    }

    .host :global(.cm-line) {
      padding: 0 var(--space-2) 0 var(--space-4);
    }

    .host :global(.cm-gutters.cm-gutters-after) {
      padding-right: var(--space-2);
    }
  }
</style>
