<script lang="ts">
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import Code from '../components/Code.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Select from '../components/Select.svelte';
  import { copied } from '../copied.js';
  import { toasts } from '../components/toasts.svelte.js';
  import When from '../components/When.svelte';
  import { loadAnew } from '../loadAnew.js';
  import type { Member, Role } from '../people.js';
  import AskIn from './AskIn.svelte';
  import { newAddress, putOut, setRole } from './asking.js';
  import { ROLE_NAMES } from './roles.js';

  let { people, me }: { people: readonly Member[]; me: string | null } = $props();
  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' });

  let asking = $state(false);
  let leaving = $state<Member | null>(null);
  let refusals = $state(0);
  /** An address that was just made: it is shown this once. */
  let made = $state<{ readonly name: string; readonly address: string; readonly ends: string } | null>(null);

  const shown = (whose: string, { secret, endsAt }: { readonly secret: string; readonly endsAt: number }) => ({
    name: whose,
    address: `${location.origin}/join/${secret}`,
    ends: day.format(endsAt),
  });

  async function doing(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      toasts.say(troubleIn(error));
      // What was chosen and refused stands there no longer.
      refusals += 1;
    }
    await loadAnew('dostik:people');
  }

  const address = (one: Member) => doing(async () => void (made = shown(one.name, await newAddress(one.id))));

  async function putOutNow(one: Member): Promise<void> {
    leaving = null;
    await doing(async () => {
      await putOut(one.id);
      toasts.say(`${one.name} is out, and signed out everywhere.`);
      if (one.id === me) location.assign('/');
    });
  }
</script>

<p><Button weight="firm" onclick={() => (asking = true)}>Ask somebody in</Button></p>

{#if made}
  <section class="made" aria-label="The address for {made.name}">
    <Code text={made.address} label="The address as a code" />
    <div>
      <h2>The address for {made.name}</h2>
      <p>
        Hand it over yourself: whoever opens it sets the password. It holds until {made.ends}, and once; here it is
        shown only now.
      </p>
      <p class="address">{made.address}</p>
      <Button onclick={() => made && void copied(made.address, 'The address is copied.')}>Copy</Button>
      <Button weight="quiet" onclick={() => (made = null)}>Put by</Button>
    </div>
  </section>
{/if}

<ul>
  {#each people as one (one.id)}
    <li>
      <div class="who">
        <strong>{one.name}</strong>{#if one.id === me}<small>you</small>{/if}
        <span>{one.mail}</span>
      </div>
      <p>
        {#if !one.joined}has not set a password yet{:else if one.seenAt === null}not signed in{:else}here <When
            at={one.seenAt}
          />{/if}
      </p>
      {#key refusals}
        <Select
          label="What {one.name} is"
          value={one.role}
          options={ROLE_NAMES}
          chosen={(value: Role) => void doing(() => setRole(one.id, value))}
        />
      {/key}
      <Button weight="quiet" onclick={() => void address(one)}
        >{one.joined ? 'New password' : 'New address'}<span class="unseen">&nbsp;for {one.name}</span></Button
      >
      <Button weight="quiet" onclick={() => (leaving = one)}>Put out<span class="unseen">&nbsp;{one.name}</span></Button
      >
    </li>
  {/each}
</ul>

{#if asking}
  <AskIn
    alone={people.length === 1}
    onmade={(whose, address) => {
      made = shown(whose, address);
      asking = false;
      void loadAnew('dostik:people');
    }}
    onclose={() => (asking = false)}
  />
{:else if leaving}
  {@const one = leaving}
  <Dialog title="Put {one.name} out?" onclose={() => (leaving = null)}>
    <p>They are signed out everywhere, and can’t sign in any more. What they have done stays.</p>
    <p class="doing">
      <Button weight="firm" onclick={() => void putOutNow(one)}>Put out</Button>
      <Button onclick={() => (leaving = null)}>Leave it</Button>
    </p>
  </Dialog>
{/if}

<style>
  ul {
    display: grid;
    grid-template-columns: minmax(0, 1fr) repeat(4, auto);
    column-gap: var(--space-3);
    margin-top: var(--space-4);
    border-top: 1px solid var(--rule-strong);
  }

  li {
    display: grid;
    grid-template-columns: subgrid;
    grid-column: 1 / -1;
    row-gap: var(--space-2);
    align-items: center;
    justify-items: start;
    padding: var(--space-2) 0;
    border-bottom: 1px solid var(--rule);
  }

  .who {
    overflow-wrap: anywhere;
  }

  .who span {
    display: block;
    color: var(--ink-soft);
  }

  .who small {
    margin-left: var(--space-2);
    color: var(--ink-soft);
  }

  strong {
    font-weight: 600;
  }

  li p {
    color: var(--ink-soft);
  }

  .made {
    display: grid;
    grid-template-columns: 9rem minmax(0, 1fr);
    gap: var(--space-4);
    padding: var(--space-4);
    margin-top: var(--space-4);
    background: var(--paper-sunk);
  }

  h2 {
    font-size: var(--size-text);
  }

  .address {
    margin: var(--space-2) 0;
    font-size: var(--size-small);
    overflow-wrap: anywhere;
    user-select: all;
  }

  .doing {
    display: flex;
    gap: var(--space-2);
    margin-top: var(--space-3);
  }

  @media (width < 700px) {
    ul {
      grid-template-columns: minmax(0, 1fr) auto auto;
    }

    .made {
      grid-template-columns: minmax(0, 1fr);
    }

    .who,
    li p {
      grid-column: 1 / -1;
    }
  }
</style>
