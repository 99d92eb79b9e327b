<script lang="ts">
  import type { Shape } from '../../core/index.js';
  import RowButton from '../components/RowButton.svelte';
  import type { ShapeSession } from './shape.svelte.js';
  import { cm } from './words.js';

  let { session, shape }: { session: ShapeSession; shape: Shape } = $props();
</script>

<h2>Parts</h2>
<ul aria-label="Parts">
  {#each shape.parts as { name, make, size, outlines }, i (i)}
    <li>
      <RowButton
        columns="minmax(0, 1fr) auto"
        aria-current={session.part === i ? 'true' : undefined}
        onclick={() => session.look(i)}
      >
        <span class="name"
          >{name}{#if make > 1}&nbsp;<span class="soft">×{make}</span>{/if}</span
        >
        <span class="size">
          {#if size}{cm(size.height)}{#if outlines.some(({ end }) => end === 'gap')}<span class="soft"
                >&nbsp;at least</span
              >{/if}
          {:else}<span class="soft">no counts</span>{/if}
        </span>
      </RowButton>
    </li>
  {/each}
</ul>

<style>
  h2 {
    padding: var(--space-4) var(--space-4) var(--space-1);
    font-size: var(--size-body);
    font-weight: 680;
  }

  ul {
    padding: 0 var(--space-3);
  }

  .name {
    overflow-wrap: anywhere;
  }

  .size {
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
  }

  .soft {
    color: var(--ink-soft);
  }
</style>
