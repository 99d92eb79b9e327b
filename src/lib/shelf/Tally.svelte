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
  /** All strokes of a kind as one path: a long shelf has many thousands of them. */
  const strokes = $derived.by(() => {
    const paths = { agrees: '', off: '', trust: '' };
    Array.from(tally).forEach((letter, i) => {
      const { kind, from, to } = LOOKS[letter] ?? COUNTED;
      paths[kind as keyof typeof paths] += `M${i * 5 + 2} ${from}V${to}`;
    });
    return Object.entries(paths).filter(([, path]) => path !== '');
  });
</script>

<svg
  viewBox="0 0 {Math.max(4, tally.length * 5)} 20"
  style:width="{tally.length * 5}px"
  preserveAspectRatio="none"
  aria-hidden="true"
>
  {#each strokes as [kind, path] (kind)}<path class={kind} d={path} />{/each}
</svg>

<style>
  svg {
    display: block;
    height: 20px;
    max-width: 100%;
  }

  path {
    fill: none;
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
