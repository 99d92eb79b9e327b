<script lang="ts">
  import { onMount } from 'svelte';
  import { relatively } from './when.js';

  /** Milliseconds since 1970. */
  let { at }: { at: number } = $props();
  const day = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
  const exactly = new Intl.DateTimeFormat('en-GB', { dateStyle: 'full', timeStyle: 'short' });
  /** Known only where the page is read: the server is somewhere else, and at another time. */
  let now = $state<number | null>(null);
  onMount(() => {
    now = Date.now();
  });
</script>

<time datetime={new Date(at).toISOString()} title={now === null ? undefined : exactly.format(at)}
  >{now === null ? day.format(at) : relatively(at, now)}</time
>

<style>
  time {
    white-space: nowrap;
  }
</style>
