<script lang="ts">
  import type { Snippet } from 'svelte';
  import { goto } from '$app/navigation';
  import Mark from '../components/Mark.svelte';
  import { goingTo } from './actions.js';
  import { askWhileCounted } from './asking.svelte.js';
  import { houseOf, offering } from './house.svelte.js';
  import { HOUSE, PATTERN, type Here, type Standing } from './places.js';
  import Ways from './Ways.svelte';

  interface Props {
    at: Here;
    /** The pattern that one is at. */
    standing?: Standing | null;
    /** What belongs to the page as a whole: its signs, its menu. */
    tools?: Snippet;
  }

  let { at, standing = null, tools }: Props = $props();
  const house = houseOf();
  const { person } = house;
  const owner = person === null || person.role === 'owner';
  // svelte-ignore state_referenced_locally
  offering(goingTo(standing?.id ?? null, owner, (href) => void goto(href)));
  askWhileCounted(() => standing);

  /** A place further along a line that is longer than the screen is seen all the same. */
  function seen(link: HTMLElement, here: boolean): void {
    if (here) link.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }
</script>

<header class:single={standing === null}>
  <nav aria-label="House" class="house">
    <ul>
      {#each HOUSE as { id, text, href, keys, owners = false } (id)}
        <li class={{ owners }}>
          <a
            {href}
            title={keys}
            aria-current={at === id ? 'page' : undefined}
            {@attach (link: HTMLElement) => seen(link, at === id)}>{text}</a
          >
        </li>
      {/each}
    </ul>
  </nav>
  <Ways {house} />
  {#if standing}
    <h1 title={standing.name}>{standing.name}</h1>
    <nav aria-label="This pattern" class="contents">
      <ul>
        {#each PATTERN as { id, text, href, keys, state } (id)}
          {@const told = state(standing)}
          <!-- What is unsaved here must arrive before another place is made from it: none is fetched ahead. -->
          <li>
            <a
              href={href(standing.id)}
              title={keys}
              aria-current={at === id ? 'page' : undefined}
              data-sveltekit-preload-data="off"
              {@attach (link: HTMLElement) => seen(link, at === id)}
              ><span class="place">{text}</span><span class="state" class:open={told?.mark && told.mark !== 'agrees'}
                >{#key told?.words}{#if told}<span
                      >{#if told.mark}<Mark name={told.mark} silent />{/if}{told.words}</span
                    >{/if}{/key}</span
              ></a
            >
          </li>
        {/each}
      </ul>
    </nav>
    <div class="tools">{@render tools?.()}</div>
  {/if}
</header>

<style>
  header {
    display: grid;
    grid-template-columns: minmax(5rem, auto) minmax(0, 1fr) auto;
    align-items: stretch;
    border-bottom: 2px solid var(--ink);
  }

  .house {
    grid-column: 1 / 3;
    padding-left: var(--space-2);
  }

  ul {
    display: flex;
    height: 100%;
    overflow-x: auto;
    scrollbar-width: none;
  }

  a {
    display: flex;
    align-items: baseline;
    gap: 0.5em;
    height: 100%;
    padding: 0.25rem var(--space-2);
    color: var(--ink-soft);
    text-decoration: none;
    white-space: nowrap;
  }

  .house a {
    font-family: var(--text-face);
    font-size: var(--size-body);
    font-style: italic;
  }

  a:hover {
    color: var(--woad);
    text-decoration: underline;
  }

  a[aria-current] {
    color: var(--ink);
  }

  [aria-current],
  [aria-current] .place {
    font-weight: 660;
  }

  :focus-visible {
    outline-offset: -2px;
  }

  /* Written into the page by the server: nothing moves when the page comes alive. */
  :global(body[data-person]:not([data-person='']):not([data-person*='"owner"'])) .owners {
    display: none;
  }

  h1 {
    align-self: center;
    max-width: clamp(9rem, 14vw, 26rem);
    padding-left: var(--space-4);
    overflow: hidden;
    font-size: 1.1875rem;
    line-height: 2.25rem;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  /* The rule under the head stands open below the place where one is, as a door in a wall. */
  .contents {
    min-width: 0;
    padding-left: var(--space-4);
    margin-bottom: -2px;
  }

  /* More places than fit: the line goes on under its faded end. */
  .contents ul {
    padding-right: var(--space-4);
    mask-image: linear-gradient(to left, transparent, black var(--space-4));
  }

  .contents a {
    gap: 0.35em;
    padding: 0.45rem 0.3rem 0.4rem;
    border: 2px solid transparent;
    border-width: 0 2px;
    background: linear-gradient(var(--ink), var(--ink)) 0 100% / 100% 2px no-repeat;
    background-origin: border-box;
  }

  .contents a[aria-current] {
    border-image: linear-gradient(transparent 62%, var(--ink) 62%) 1;
    background: linear-gradient(var(--paper), var(--paper)) 0 100% / 100% 2px no-repeat;
  }

  .place {
    font-size: var(--size-body);
    font-weight: 550;
  }

  /* What is said of the Desk changes while one works: the places beside it stay where they are. */
  .state {
    min-width: 1.25rem;
    font-size: var(--size-small);
  }

  li:nth-child(2) .state {
    min-width: 4.75rem;
  }

  .state :global(svg) {
    margin-right: 0.3em;
  }

  .open {
    color: var(--ink);
  }

  .tools {
    display: flex;
    align-items: center;
    gap: var(--space-3);
    padding: 3px var(--space-3) 4px;
  }

  @media (max-width: 720px) {
    header {
      grid-template-columns: minmax(0, 1fr) auto;
    }

    .house {
      grid-column: 1;
    }

    .house ul {
      padding-right: var(--space-5);
      scroll-padding-right: var(--space-5);
      mask-image: linear-gradient(to left, transparent, black var(--space-5));
    }

    h1 {
      padding-left: var(--space-3);
      line-height: 1.75rem;
    }

    .tools {
      grid-row: 2;
      grid-column: 2;
      padding: 0 var(--space-2);
    }

    .contents {
      grid-column: 1 / -1;
      padding-left: var(--space-1);
    }

    .contents a {
      padding: 0.25rem var(--space-2);
    }
  }

  @media print {
    header {
      display: none;
    }
  }
</style>
