<script lang="ts">
  import { encode } from 'uqr';

  /** An address as a code that a camera reads. */
  let { text, label }: { text: string; label: string } = $props();
  const code = $derived(encode(text, { border: 2 }));
  const path = $derived(
    code.data.flatMap((row, y) => row.flatMap((dark, x) => (dark ? `M${x} ${y}h1v1h-1z` : []))).join(''),
  );
</script>

<!-- Dark on light in any scheme: cameras want it so. -->
<svg viewBox="0 0 {code.size} {code.size}" role="img" aria-label={label} shape-rendering="crispEdges">
  <rect width={code.size} height={code.size} fill="#fff" />
  <path d={path} fill="#000" />
</svg>

<style>
  svg {
    display: block;
    width: 12rem;
    max-width: 100%;
  }
</style>
