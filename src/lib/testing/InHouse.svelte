<script lang="ts" generics="Props extends Record<string, unknown>">
  import type { Component } from 'svelte';
  import Toaster from '../components/Toaster.svelte';
  import { House, setHouse } from '../frame/house.svelte.js';
  import HouseKeys from '../frame/HouseKeys.svelte';

  /** Something with the keys of the house around it, as every page has them. */
  let { inside: Inside, given }: { inside: Component<Props>; given: Props } = $props();
  const house = setHouse(new House());
</script>

<Inside {...given} />
<HouseKeys {house} />
<Toaster />
