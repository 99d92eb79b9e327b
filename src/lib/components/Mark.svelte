<script lang="ts">
  import { MARKS, MARK_WORDS, type MarkName } from './marks.js';

  let { name, silent = false }: { name: MarkName; silent?: boolean } = $props();
</script>

<svg
  class="mark {name}"
  viewBox="0 0 16 16"
  role={silent ? undefined : 'img'}
  aria-label={silent ? undefined : MARK_WORDS[name]}
  aria-hidden={silent || undefined}
>
  {#each MARKS[name] as path (path)}<path d={path} />{/each}
</svg>

<style>
  svg {
    width: 1em;
    height: 1em;
    flex: none;
    fill: none;
    stroke: currentcolor;
    stroke-width: 2;
    stroke-linecap: round;
    stroke-linejoin: round;
    vertical-align: -0.12em;
  }

  .agrees,
  .counted {
    color: var(--sage);
  }

  .off,
  .unreadable,
  .error {
    color: var(--madder);
  }

  .on-trust,
  .warning {
    color: var(--weld);
  }

  .hint {
    color: var(--woad);
  }
</style>
