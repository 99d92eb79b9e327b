<script lang="ts">
  import { Virtualizer } from 'virtua/svelte';
  import { LINE_ROLES } from '../../core/index.js';
  import { KEYS, ROLE_WORDS } from './corrections.js';
  import RoleBar from './RoleBar.svelte';
  import type { IntakeSession, Taken } from './intake.svelte.js';

  let { session }: { session: IntakeSession } = $props();
  let list = $state<Virtualizer<string>>();
  let box = $state<HTMLElement>();

  const TAKEN: Readonly<Record<Taken, string>> = { ...ROLE_WORDS, blank: '', unplaced: 'not placed' };
  /** A screenful, for the keys that go so far. */
  const PAGE = 20;

  const roles = $derived.by(() => {
    let before = '';
    return session.lines.map((_, line) => {
      const { taken, said } = session.takenFor(line);
      const first = taken !== before && taken !== 'blank';
      if (taken !== 'blank') before = taken;
      return { taken, said, first };
    });
  });
  const unread = $derived(new Set(session.doubts.filter(({ why }) => why === 'not read').map(({ line }) => line - 1)));
  const remarked = $derived(session.remarks);

  /** From here on the keys say what lines are. */
  export function focus(): void {
    box?.focus({ preventScroll: true });
  }

  // Where one is, is seen.
  $effect(() => {
    list?.scrollToIndex(session.at, { align: 'nearest' });
  });

  function onkeydown(event: KeyboardEvent): void {
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    const role = LINE_ROLES.find((one) => KEYS[one].toLowerCase() === event.key.toLowerCase());
    const steps: Readonly<Record<string, () => void>> = {
      ArrowDown: () => session.step(1, event.shiftKey),
      ArrowUp: () => session.step(-1, event.shiftKey),
      PageDown: () => session.goTo(session.at + PAGE, event.shiftKey),
      PageUp: () => session.goTo(session.at - PAGE, event.shiftKey),
      Home: () => session.goTo(0, event.shiftKey),
      End: () => session.goTo(session.lines.length - 1, event.shiftKey),
      Backspace: () => void session.setRole(null),
    };
    if (role) void session.setRole(role);
    else if (steps[event.key]) steps[event.key]?.();
    else return;
    event.preventDefault();
  }

  function point(event: MouseEvent, line: number): void {
    session.goTo(line, event.shiftKey);
    box?.focus({ preventScroll: true });
  }
</script>

<section aria-label="The text as it came">
  <RoleBar {session} />
  <div
    class="lines"
    role="listbox"
    aria-label="Lines"
    aria-multiselectable="true"
    aria-activedescendant="line-{session.at}"
    tabindex="0"
    bind:this={box}
    {onkeydown}
  >
    <Virtualizer bind:this={list} data={session.lines as string[]} getKey={(_, line) => line} itemSize={25}>
      {#snippet children(text: string, line: number)}
        {@const role = roles[line]}
        <!-- The keys are those of the list. -->
        <!-- svelte-ignore a11y_click_events_have_key_events -->
        <div
          class="line {role?.taken}"
          class:first={role?.first}
          class:unread={unread.has(line)}
          role="option"
          tabindex="-1"
          id="line-{line}"
          aria-selected={line >= session.selected.from && line <= session.selected.to}
          onclick={(event) => point(event, line)}
        >
          <span class="role" class:said={role?.said}>{role?.first || role?.said ? TAKEN[role.taken] : ''}</span>
          <span class="number">{line + 1}</span>
          <span class="text"
            >{text}{#each remarked.get(line) ?? [] as { by, text: words }, i (i)}<span class="remark"
                >{by === null ? '' : `${by}: `}{words}</span
              >{/each}</span
          >
        </div>
      {/snippet}
    </Virtualizer>
  </div>
</section>

<style>
  section {
    display: flex;
    flex-direction: column;
    min-width: 0;
    min-height: 0;
  }

  .lines {
    flex: 1;
    min-height: 0;
    padding: var(--space-2) 0;
    overflow-y: auto;
    overflow-anchor: none;
    scrollbar-width: thin;
  }

  .lines:focus-visible {
    outline-offset: -2px;
  }

  .line {
    display: grid;
    grid-template-columns: 6rem 2.6rem minmax(0, 1fr);
    gap: 0 var(--space-3);
    min-height: 1.55rem;
    padding: 0.06rem var(--space-4) 0.06rem 0;
    border-left: 3px solid transparent;
    cursor: default;
  }

  [aria-selected='true'] {
    background: var(--woad-wash);
  }

  .role {
    padding-right: var(--space-2);
    border-right: 1px solid var(--rule);
    color: var(--ink-soft);
    font-size: var(--size-small);
    text-align: right;
  }

  .role.said {
    color: var(--woad);
    font-weight: 620;
  }

  .number {
    color: var(--ink-soft);
    font-size: var(--size-small);
    text-align: right;
  }

  .text {
    font-family: var(--text-face);
    white-space: pre-wrap;
    overflow-wrap: anywhere;
  }

  .title .text,
  .heading .text {
    font-weight: 640;
  }

  .talk .text,
  .assembly .text,
  .materials .text,
  .abbreviations .text {
    color: var(--ink-soft);
  }

  .round .role {
    border-right-color: var(--sage);
  }

  .unplaced {
    border-left-color: var(--madder);
  }

  .unplaced .role {
    color: var(--madder);
    font-weight: 650;
  }

  .unread {
    border-left-color: var(--weld);
  }

  .remark {
    display: block;
    color: var(--woad);
    font-family: var(--figure-face);
    font-size: var(--size-small);
  }

  @media (max-width: 900px) {
    .lines {
      max-height: 70dvh;
    }

    .line {
      grid-template-columns: 4.6rem 1.9rem minmax(0, 1fr);
      gap: 0 var(--space-2);
    }
  }
</style>
