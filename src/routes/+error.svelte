<script lang="ts">
  import { page } from '$app/state';
  import Frame from '../lib/frame/Frame.svelte';
  import PageHead from '../lib/frame/PageHead.svelte';

  const title = $derived(page.status === 404 ? 'Not here' : 'This did not work');
</script>

<svelte:head><title>{title} · Dostik</title></svelte:head>

<Frame at={null} />
<main class="page">
  <PageHead {title} about={page.error?.message ?? 'Something went wrong.'} />
  <p>
    {#if page.status === 404}<a href="/away">What was put away</a> can be put back on the <a href="/">shelf</a>.
    {:else}<a href={page.url.pathname} data-sveltekit-reload>Try again</a>, or go back to the
      <a href="/">shelf</a>.{/if}
  </p>
</main>
