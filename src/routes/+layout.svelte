<script lang="ts">
  import '@fontsource-variable/literata';
  import '@fontsource-variable/figtree';
  import '../lib/styles/tokens.css';
  import '../lib/styles/base.css';
  import Toaster from '../lib/components/Toaster.svelte';
  import UpdateNotice from '../lib/components/UpdateNotice.svelte';
  import type { LayoutProps } from './$types.js';

  let { children }: LayoutProps = $props();
</script>

{@render children()}
<UpdateNotice />
<Toaster />
