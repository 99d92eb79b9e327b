<script lang="ts">
  import AddressList from '../../lib/addresses/AddressList.svelte';
  import Frame from '../../lib/frame/Frame.svelte';
  import PageHead from '../../lib/frame/PageHead.svelte';
  import FirstAccount from '../../lib/people/FirstAccount.svelte';
  import PeopleList from '../../lib/people/PeopleList.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>People · Dostik</title></svelte:head>

<Frame at="people" />
<main class="page">
  <PageHead
    title="People"
    about={data.people.length === 0
      ? 'You work alone, on this machine, and nobody has to sign in. To ask somebody in, make an account for yourself first; from the second person on everybody signs in.'
      : 'Who works in this house, and what they may do. Testers need no account: each test has an address of its own.'}
  />
  {#if data.people.length === 0}
    <div class="first"><FirstAccount word={false} on="/people" /></div>
  {:else}
    <PeopleList people={data.people} me={data.me} />
  {/if}
  {#if data.people.length > 0}<p class="done"><a href="/deeds">What was done, by whom and when</a></p>{/if}
  <AddressList addresses={data.addresses} />
</main>

<style>
  .done {
    margin-top: var(--space-4);
  }

  .first {
    max-width: 24rem;
  }
</style>
