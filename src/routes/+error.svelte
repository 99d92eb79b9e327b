<script lang="ts">
  import { page } from '$app/state';

  const title = $derived(page.status === 404 ? 'Not here' : 'This did not work');
</script>

<svelte:head><title>{title} · Dostik</title></svelte:head>

<main>
  <h1>{title}</h1>
  <p>{page.error?.message ?? 'Something went wrong.'}</p>
  <p><a href="/">Back to the shelf</a></p>
</main>

<style>
  main {
    max-width: 34rem;
    margin: 0 auto;
    padding: var(--space-7) var(--space-5);
    display: grid;
    gap: var(--space-3);
  }

  h1 {
    font-size: var(--size-display);
  }
</style>
