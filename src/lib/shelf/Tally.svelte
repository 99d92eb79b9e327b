<script lang="ts">
  /** One stroke a round, as on a counter's slip: short where it comes out, long where it doesn't. */
  let { tally }: { tally: string } = $props();

  const COUNTED = { kind: 'agrees', from: 9, to: 14 };
  const LOOKS: Record<string, { kind: string; from: number; to: number }> = {
    a: { kind: 'agrees', from: 6, to: 14 },
    c: COUNTED,
    o: { kind: 'off', from: 0, to: 20 },
    u: { kind: 'off', from: 3, to: 17 },
    t: { kind: 'trust', from: 6, to: 14 },
  };
  const strokes = $derived(Array.from(tally, (letter, i) => ({ x: i * 5 + 2, ...(LOOKS[letter] ?? COUNTED) })));
</script>

<svg
  viewBox="0 0 {Math.max(4, tally.length * 5)} 20"
  style:width="{tally.length * 5}px"
  preserveAspectRatio="none"
  aria-hidden="true"
>
  {#each strokes as { x, kind, from, to } (x)}<line class={kind} x1={x} x2={x} y1={from} y2={to} />{/each}
</svg>

<style>
  svg {
    display: block;
    height: 20px;
    max-width: 100%;
  }

  line {
    stroke-width: 2;
    vector-effect: non-scaling-stroke;
  }

  .agrees {
    stroke: var(--sage);
    opacity: 0.75;
  }

  .off {
    stroke: var(--madder);
  }

  .trust {
    stroke: var(--weld);
    stroke-dasharray: 2 2;
  }
</style>
