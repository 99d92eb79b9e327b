<script lang="ts">
  import Menu from '../components/Menu.svelte';
  import type { Other } from '../company.js';
  import type { ActionId } from '../frame/actions.js';
  import { houseOf } from '../frame/house.svelte.js';
  import CheckSign from './CheckSign.svelte';
  import type { DeskSession } from './desk.svelte.js';
  import type { SaveState } from './saver.svelte.js';
  import SaveSign from './SaveSign.svelte';

  interface Props {
    desk: DeskSession;
    save: SaveState;
    /** Who else has it open. */
    others: readonly Other[];
  }

  let { desk, save, others }: Props = $props();
  const names = $derived([...new Set(others.map(({ who }) => who || 'another window'))]);
  const where = $derived(others.map(({ who, at }) => `${who || 'Another window'}${at ? `: ${at}` : ''}`).join('\n'));
  const house = houseOf();
  const ticked = $derived(desk.rounds.filter(({ round }) => desk.notes.ticks.has(round.key)).length);

  /** What has no place of its own at the Desk, in the order in which it is wanted. */
  const MENU: readonly ActionId[] = ['keys', 'density', 'style', 'copy', 'print', 'download', 'rename', 'away'];
  const items = $derived(
    MENU.flatMap((id) => {
      const action = house.actions.find((one) => one.id === id);
      return action ? [{ text: action.text, act: action.run, keys: action.keys, grave: id === 'away' }] : [];
    }),
  );
</script>

{#if names.length > 0}
  <p class="others" role="status" title={where}>
    with {names.length > 2 ? `${names.length} others` : names.join(' and ')}
  </p>
{/if}
<p class="ticked">
  {#if desk.rounds.length > 0}{ticked} of {desk.rounds.length} ticked{/if}
</p>
<CheckSign state={desk.checking} />
<SaveSign state={save.kind === 'saved' && desk.notes.saving ? { kind: 'saving' } : save} />
<Menu label="More for this pattern" {items} />

<style>
  .ticked {
    min-width: 6.5rem;
    text-align: right;
    font-size: var(--size-small);
    color: var(--ink-soft);
    white-space: nowrap;
  }

  .others {
    max-width: 12rem;
    overflow: hidden;
    color: var(--woad);
    font-size: var(--size-small);
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  /* The parts say it as well; the places of the pattern need the room. */
  @media (max-width: 1500px) {
    .others + .ticked {
      display: none;
    }
  }

  @media (max-width: 720px) {
    .ticked {
      display: none;
    }
  }
</style>
