<script lang="ts">
  import { onMount } from 'svelte';
  import { goto } from '$app/navigation';
  import Button from '../components/Button.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { patternNames, takeIn, troubleIn } from '../client.js';
  import { drop, keep, keptTexts, type KeptText } from '../desk/kept.js';
  import { whenSaved } from '../desk/saved.js';
  import { saveAsText } from '../desk/saveAsText.js';
  import { LONGEST_NAME } from '../patterns.js';
  import { openWindows, thisWindow } from '../thisWindow.js';

  /** What stands on the shelf; null where that is not known. */
  let patterns = $state.raw<readonly { readonly id: string; readonly name: string }[] | null>(null);
  let texts = $state.raw<readonly KeptText[]>([]);
  const time = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

  /** What is about to be saved is not worth a word; milliseconds. */
  const MOMENT = 600;

  onMount(() => {
    const first = setTimeout(() => void look(), MOMENT);
    const stop = whenSaved(() => void look());
    return () => {
      clearTimeout(first);
      stop();
    };
  });

  /** What other open windows have unsaved is their own business. */
  async function look(): Promise<void> {
    const own = await thisWindow();
    const open = await openWindows();
    const kept = keptTexts().filter(({ window: of }) => of === own || !open?.has(of));
    if (kept.length > 0) patterns = await patternNames().catch(() => null);
    texts = kept;
  }

  const nameOf = ({ pattern, name }: KeptText) => patterns?.find(({ id }) => id === pattern)?.name ?? name;
  const onShelf = ({ pattern }: KeptText) => patterns?.some(({ id }) => id === pattern) ?? true;

  function forget({ pattern, window: of }: KeptText): void {
    drop(pattern, of);
    void look();
  }

  async function asOwn(kept: KeptText): Promise<void> {
    try {
      const id = await takeIn(kept.text, `Kept: ${nameOf(kept)}`.slice(0, LONGEST_NAME));
      forget(kept);
      await goto(`/desk/${id}`);
    } catch (error) {
      toasts.say(troubleIn(error));
    }
  }

  function throwAway(kept: KeptText): void {
    forget(kept);
    toasts.say('The kept text is thrown away.', {
      text: 'Undo',
      act: () => {
        keep(kept.pattern, kept.window, kept);
        void look();
      },
    });
  }
</script>

{#if texts.length > 0}
  <section aria-labelledby="kept">
    <h2 id="kept">Kept in this browser</h2>
    <p class="about">These texts have not reached the server. Nothing of them is lost.</p>
    <ul>
      {#each texts as kept (`${kept.pattern}.${kept.window}`)}
        <li>
          <div>
            <p class="name">{nameOf(kept)}</p>
            <p class="facts">
              {time.format(kept.at)} · {kept.text.length.toLocaleString('en')} characters{onShelf(kept)
                ? ''
                : ' · its pattern is not on the shelf'}
            </p>
          </div>
          <div class="acts">
            {#if onShelf(kept)}<a href="/desk/{kept.pattern}">Open its Desk</a>{/if}
            <Button weight="quiet" onclick={() => void asOwn(kept)}>Take in as its own pattern</Button>
            <Button weight="quiet" onclick={() => saveAsText(nameOf(kept), kept.text)}>Download</Button>
            <Button weight="quiet" onclick={() => throwAway(kept)}>Throw away</Button>
          </div>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    padding: var(--space-4);
    margin-top: var(--space-4);
    border-left: 3px solid var(--weld);
    background: var(--weld-wash);
  }

  h2 {
    font-size: 1.1875rem;
  }

  .about,
  .facts {
    color: var(--ink-soft);
    font-size: var(--size-body);
  }

  ul {
    padding: 0;
    margin: var(--space-2) 0 0;
    list-style: none;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: var(--space-2) var(--space-4);
    padding: var(--space-2) 0;
    border-top: 1px solid var(--rule-strong);
  }

  .name {
    overflow-wrap: anywhere;
    font-family: var(--text-face);
  }

  .acts {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-3);
    font-size: var(--size-body);
  }

  .acts :global(button) {
    padding-inline: 0;
  }
</style>
