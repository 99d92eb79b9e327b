<script lang="ts">
  import { download } from '../download.js';
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import type { Shape } from '../../core/index.js';
  import { notKept } from '../client.js';
  import Button from '../components/Button.svelte';
  import Check from '../components/Check.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { addPhotograph, describePhotograph } from '../releasing/asking.js';
  import { dyesOf } from './dyes.js';
  import { asPng, stillOf } from './picture.js';
  import type { ShapeSession } from './shape.svelte.js';
  import type { Turntable } from './turntable.js';
  import { cm } from './words.js';

  let { session, shape, pattern }: { session: ShapeSession; shape: Shape; pattern: string } = $props();
  let canvas: HTMLCanvasElement;
  let table = $state.raw<Turntable | null>(null);
  let trouble = $state('');
  let turning = $state(!matchMedia('(prefers-reduced-motion: reduce)').matches);
  let coarse = $state(1);
  let frame = $state(0);
  let sending = $state(false);
  let held: number | null = null;
  const part = $derived(shape.parts[session.part]);

  onMount(() => {
    let open = true;
    const watch = new ResizeObserver(([entry]) => {
      if (entry) table?.resize(entry.contentRect.width, entry.contentRect.height);
    });
    import('./turntable.js')
      .then((module) => {
        if (!open) return;
        const made = new module.Turntable(canvas);
        made.coarser = (patches, milliseconds) => ([coarse, frame] = [patches, milliseconds]);
        made.start();
        table = made;
        watch.observe(canvas.parentElement ?? canvas);
      })
      .catch(() => (trouble = 'This browser can’t draw in the round. The outline shows the same figures.'));
    return () => {
      open = false;
      watch.disconnect();
      table?.close();
    };
  });

  $effect(() => {
    table?.show({
      shape,
      part: session.part,
      over: session.over,
      colours: dyesOf(shape, session.settings.dyes),
      lit: '#3f86b5',
    });
  });

  $effect(() => table?.light(session.ring));
  $effect(() => {
    if (table) table.turning = turning;
  });

  /** All parts side by side, as they would go out. */
  const still = () => stillOf(shape, session.text, session.settings.dyes);

  function save(): void {
    const picture = still();
    if (picture === null) return;
    download('shape.svg', new Blob([picture], { type: 'image/svg+xml' }));
  }

  async function toRelease(): Promise<void> {
    const picture = still();
    if (picture === null) return;
    sending = true;
    try {
      const added = await addPhotograph(pattern, await asPng(picture));
      await describePhotograph(
        pattern,
        added.id,
        `${shape.parts.map(({ name }) => name).join(', ')}, drawn from the counts`,
      );
      toasts.say('It stands among the photographs of the release.', {
        text: 'See it',
        act: () => void goto(`/release/${pattern}`),
      });
    } catch (error) {
      toasts.say(notKept(error));
    } finally {
      sending = false;
    }
  }

  function drag(event: PointerEvent): void {
    if (!table || held !== event.pointerId) return;
    table.turn += event.movementX * 0.01;
    table.tilt = Math.min(1.4, Math.max(-1.4, table.tilt + event.movementY * 0.01));
    if (!turning) table.draw();
  }

  function onkeydown(event: KeyboardEvent): void {
    const by = { ArrowLeft: [-0.15, 0], ArrowRight: [0.15, 0], ArrowUp: [0, -0.1], ArrowDown: [0, 0.1] }[event.key];
    if (!by || !table || event.altKey) return;
    event.preventDefault();
    table.turn += by[0] ?? 0;
    table.tilt += by[1] ?? 0;
    table.draw();
  }
</script>

<figure>
  <div>
    <!-- svelte-ignore a11y_no_interactive_element_to_noninteractive_role -->
    <canvas
      bind:this={canvas}
      role="application"
      aria-label="{part?.name ?? ''} in the round. Arrow keys turn it; the table of figures says the same in numbers."
      tabindex="0"
      {onkeydown}
      onpointerdown={(event) => {
        held = event.pointerId;
        event.currentTarget.setPointerCapture(event.pointerId);
      }}
      onpointermove={drag}
      onpointerup={() => (held = null)}
    ></canvas>
    {#if trouble}<p role="alert">{trouble}</p>{/if}
  </div>
  <figcaption>
    <span>
      {part?.name}{#if session.ringHere}, {session.ringHere.label}{/if}{#if part?.size}: {cm(part.size.height)} tall, {cm(
          part.size.width,
        )} wide{/if}. A check of the sums, not a photograph: each patch is {coarse > 1
        ? `${coarse * coarse} stitches`
        : 'a stitch'}, where the outline puts it.
      {#if coarse > 1}Drawn coarser, as a frame took {Math.round(frame)} ms.{/if}
    </span>
    <span class="doing">
      <Check bind:checked={turning}>Turning</Check>
      <Button weight="quiet" onclick={save}>Save the picture</Button>
      <Button weight="quiet" disabled={sending} onclick={() => void toRelease()}>Put it into the release</Button>
    </span>
  </figcaption>
</figure>

<style>
  figure {
    display: grid;
    grid-template-rows: minmax(0, 1fr) auto;
    min-height: 0;
    margin: 0;
    padding: var(--space-3) var(--space-4);
  }

  div {
    position: relative;
    min-height: 14rem;
    overflow: hidden;
  }

  canvas {
    position: absolute;
    inset: 0;
    width: 100%;
    height: 100%;
    cursor: grab;
    touch-action: none;
  }

  .doing {
    display: flex;
    align-items: center;
    white-space: nowrap;
  }

  figcaption {
    display: flex;
    flex-wrap: wrap;
    align-items: start;
    justify-content: space-between;
    gap: var(--space-4);
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
