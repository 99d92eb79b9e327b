<script lang="ts">
  import type { LayoutProps } from './$types.js';

  let { children }: LayoutProps = $props();
</script>

<svelte:head>
  <link rel="manifest" href="/bench.webmanifest" />
  <meta name="theme-color" content="#f7f2e7" media="(prefers-color-scheme: light)" />
  <meta name="theme-color" content="#1c1813" media="(prefers-color-scheme: dark)" />
</svelte:head>

{@render children()}
