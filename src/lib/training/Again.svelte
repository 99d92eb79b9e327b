<script lang="ts">
  import { goto } from '$app/navigation';
  import { beginPractice, troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { offering } from '../frame/house.svelte.js';
  import type { PracticeSheet } from '../training.js';

  let { sheet }: { sheet: Pick<PracticeSheet, 'what' | 'level'> } = $props();
  let making = $state(false);

  async function again(): Promise<void> {
    if (making) return;
    making = true;
    try {
      const { what, level } = sheet;
      await goto(`/trainer/${await beginPractice({ what, level, school: null, terms: null, from: null })}`);
    } catch (error) {
      toasts.say(`No practice pattern was made. ${troubleIn(error)}`);
    }
    making = false;
  }

  offering({ practise: () => void again() });
</script>

<Button weight="firm" title="N" disabled={making} onclick={() => void again()}>Another of this level</Button>
<a href="/trainer">All that you have done</a>
