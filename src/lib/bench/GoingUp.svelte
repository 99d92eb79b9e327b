<script lang="ts">
  import type { BenchCall } from '../bench.js';
  import type { BenchSession } from './bench.svelte.js';
  import { partWords } from './words.js';

  let { session, call }: { session: BenchSession; call: BenchCall } = $props();
  const part = $derived(session.at && call.course.parts[session.at.part]);
  const share = $derived(session.progress?.share ?? { done: 0, of: 0 });
  const UP = {
    up: 'all sent',
    going: 'sending',
    waiting: 'kept here, not sent yet',
    withdrawn: 'kept here, test withdrawn',
  } as const;
</script>

<span class="name">{part && session.at ? partWords(part, session.at.copy) : call.name}</span>
<span class="state" role="status">
  {share.done} of {share.of} rounds
  <span class={['going', session.going]}
    ><svg viewBox="0 0 10 10" aria-hidden="true"
      >{#if session.going === 'up'}<path d="M1.5 5.5 4 8l4.5-6" />{:else}<path d="M5 1v5M5 9v.1" />{/if}</svg
    >{UP[session.going]}{session.going !== 'up' && session.waiting > 0 ? ` (${session.waiting})` : ''}</span
  >
</span>

<style>
  .name {
    display: block;
    overflow: hidden;
    font-family: var(--text-face);
    font-size: var(--size-text);
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .state {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .going {
    display: inline-flex;
    align-items: center;
    gap: var(--space-1);
    color: var(--weld);
  }

  .up {
    color: var(--sage);
  }

  .withdrawn {
    color: var(--madder);
  }

  svg {
    width: 0.7em;
    height: 0.7em;
    fill: none;
    stroke: currentcolor;
    stroke-width: 2;
    stroke-linecap: round;
  }
</style>
