<script lang="ts">
  import { holds, type AddressStanding } from '../addresses.js';
  import { troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import Code from '../components/Code.svelte';
  import { copied } from '../copied.js';
  import { toasts } from '../components/toasts.svelte.js';
  import When from '../components/When.svelte';
  import { loadAnew, type Loaded } from '../loadAnew.js';
  import { makeAddress, withdrawAddress } from './asking.js';

  interface Props {
    address: AddressStanding | null;
    /** The page that it leads to: `/bench/`. */
    leads: string;
    /** Where addresses for this are made and withdrawn. */
    of: string;
    /** Shown as a code as well, for who opens it with a phone. */
    code?: boolean;
    /** What is fetched anew afterwards. */
    anew: readonly Loaded[];
    /** Stands where no address holds. */
    none: string;
    /** Said once it is withdrawn. */
    withdrawn: string;
  }

  let { address, leads, of, anew, none, withdrawn, code = false }: Props = $props();
  const whole = $derived(address?.secret ? `${location.origin}${leads}${address.secret}` : null);
  const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'long' });
  let busy = $state(false);

  async function doing(work: () => Promise<void>, said: string): Promise<void> {
    busy = true;
    try {
      await work();
      await loadAnew(...anew);
      toasts.say(said);
    } catch (error) {
      toasts.say(troubleIn(error));
    }
    busy = false;
  }

  const make = () => doing(() => makeAddress(of), 'There is a new address; one before it leads nowhere any more.');
  const withdraw = () => doing(() => withdrawAddress(of), withdrawn);
</script>

{#if address && holds(address)}
  <div class="address">
    {#if whole && code}<Code text={whole} label="The address as a code" />{/if}
    <div>
      {#if whole}<p class="whole">{whole}</p>
      {:else}<p>The address that is out still holds, and can’t be shown any more: it was made with another key.</p>{/if}
      <p class="soft">
        It holds until {day.format(address.endsAt)};
        {#if address.usedAt === null}nobody has come by it yet.{:else}last used <When at={address.usedAt} />.{/if}
      </p>
    </div>
    <p class="doing">
      {#if whole}<Button onclick={() => void copied(whole, 'The address is copied.')}>Copy</Button>{/if}
      <Button weight="quiet" disabled={busy} onclick={() => void withdraw()}>Withdraw</Button>
      <Button weight="quiet" disabled={busy} onclick={() => void make()}>Make another</Button>
    </p>
  </div>
{:else}
  <p class="soft">
    {address === null
      ? none
      : address.withdrawnAt === null
        ? `The address held until ${day.format(address.endsAt)}.`
        : 'The address was withdrawn: it leads nowhere any more.'}
  </p>
  <p class="doing"><Button disabled={busy} onclick={() => void make()}>Make an address</Button></p>
{/if}

<style>
  .address {
    display: grid;
    grid-template-columns: 9rem minmax(0, 1fr);
    gap: var(--space-2) var(--space-4);
    align-items: start;
  }

  .address > div:first-child,
  .address > .doing {
    grid-column: 1 / -1;
  }

  .whole {
    font-size: var(--size-small);
    overflow-wrap: anywhere;
    user-select: all;
  }

  .soft {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .doing {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
  }

  @media (width < 700px) {
    .address {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
