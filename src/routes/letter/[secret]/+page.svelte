<script lang="ts">
  import PlainPage from '../../../lib/components/PlainPage.svelte';
  import LetterPage from '../../../lib/designers/LetterPage.svelte';
  import type { PageProps } from './$types.js';

  let { data, params }: PageProps = $props();
</script>

<svelte:head>
  <title>{data.letter ? `Queries on ${data.letter.pattern}` : 'No letter'} · Dostik</title>
  <!-- The address is a secret. -->
  <meta name="referrer" content="no-referrer" />
</svelte:head>

{#if data.letter}
  <LetterPage letter={data.letter} to="/api/letter/{params.secret}" />
{:else}
  <PlainPage heading="This leads nowhere" above="Dostik"><p>{data.nowhere}</p></PlainPage>
{/if}
