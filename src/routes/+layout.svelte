<script lang="ts">
  import '../lib/styles/fonts.css';
  import '../lib/styles/tokens.css';
  import '../lib/styles/base.css';
  import Toaster from '../lib/components/Toaster.svelte';
  import UpdateNotice from '../lib/components/UpdateNotice.svelte';
  import { House, setHouse } from '../lib/frame/house.svelte.js';
  import HouseKeys from '../lib/frame/HouseKeys.svelte';
  import type { LayoutProps } from './$types.js';

  let { children }: LayoutProps = $props();
  const house = setHouse(new House());
</script>

{@render children()}
<HouseKeys {house} />
<UpdateNotice />
<Toaster />
