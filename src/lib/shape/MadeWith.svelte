<script lang="ts">
  import { HOOKS, NO_SETTINGS, YARN_WEIGHTS, type Shape } from '../../core/index.js';
  import Select from '../components/Select.svelte';
  import NumberField from './NumberField.svelte';
  import type { ShapeSession } from './shape.svelte.js';
  import { gaugeSource, short } from './words.js';

  let { session, shape }: { session: ShapeSession; shape: Shape } = $props();
  const settings = $derived(session.settings);
  /** What was weighed, and how the yarns look, stays: it is not said otherwise than in the text. */
  const asInText = $derived({ ...NO_SETTINGS, weighed: settings.weighed, dyes: settings.dyes });
  const changed = $derived(JSON.stringify(asInText) !== JSON.stringify(settings));
  const hooks = $derived([
    {
      value: '',
      text:
        shape.said.hook === null ? `not said (${short(shape.hook, 2)} mm)` : `${short(shape.said.hook, 2)} mm, as said`,
    },
    ...HOOKS.map(({ millimetres, us }) => ({
      value: String(millimetres),
      text: `${short(millimetres, 2)} mm${us === null ? '' : ` (${us})`}`,
    })),
  ]);
  const weights = $derived([
    {
      value: '',
      text: shape.said.weight === null ? 'not said' : `${YARN_WEIGHTS[shape.said.weight]?.us.at(-1) ?? ''}, as said`,
    },
    ...YARN_WEIGHTS.map(({ number, us, uk }) => ({
      value: String(number),
      text: us.includes(uk[0] ?? '') ? (uk[0] ?? '') : `${us.at(-1) ?? ''} / ${uk[0] ?? ''}`,
    })),
  ]);
</script>

<section aria-labelledby="made-with">
  <h2 id="made-with">Made with</h2>
  <div class="selects">
    <Select
      label="Hook"
      shown
      value={settings.hook === null ? '' : String(settings.hook)}
      options={hooks}
      chosen={(hook) => void session.set({ hook: hook === '' ? null : Number(hook) })}
    />
    <Select
      label="Yarn"
      shown
      value={settings.weight === null ? '' : String(settings.weight)}
      options={weights}
      chosen={(weight) => void session.set({ weight: weight === '' ? null : Number(weight) })}
    />
  </div>
  <NumberField
    label="Stitches to 10 cm"
    value={settings.stitches}
    otherwise={100 / shape.gauge.width}
    least={2}
    most={100}
    set={(stitches) => void session.set({ stitches })}
  />
  <NumberField
    label="Rounds to 10 cm"
    value={settings.rounds}
    otherwise={100 / shape.gauge.height}
    least={2}
    most={100}
    set={(rounds) => void session.set({ rounds })}
  />
  <NumberField
    label="Metres in 100 g"
    value={settings.metres}
    otherwise={shape.metres}
    least={10}
    most={4000}
    set={(metres) => void session.set({ metres })}
  />
  <NumberField
    label="Grams in a ball"
    value={settings.ball}
    otherwise={shape.ball}
    least={1}
    most={2000}
    set={(ball) => void session.set({ ball })}
  />
  <NumberField
    label="Safety eyes, mm"
    value={settings.eyes}
    otherwise={shape.eyes.size}
    least={2}
    most={60}
    set={(eyes) => void session.set({ eyes })}
  />
  <NumberField
    label="Wanted height, cm"
    value={settings.target}
    otherwise={null}
    least={0.5}
    most={300}
    set={(target) => void session.set({ target })}
  />
  <p>
    {gaugeSource(shape)}
    {#if shape.gauge.square}A round is taken to be as tall as a stitch is wide.{/if}
  </p>
  {#if changed}<button type="button" class="back" onclick={() => void session.set(asInText)}
      >Back to what the text says</button
    >{/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
    padding: var(--space-4);
  }

  h2 {
    font-size: var(--size-body);
    font-weight: 680;
  }

  .selects {
    display: grid;
    gap: var(--space-2);
  }

  p {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  .back {
    justify-self: start;
    color: var(--woad);
    font-size: var(--size-body);
    text-decoration: underline;
  }
</style>
