<script lang="ts">
  interface Props {
    settle: (reason: string) => void;
    cancel: () => void;
  }

  let { settle, cancel }: Props = $props();
  let words = $state('');
  const REASONS = ['It is meant so', 'The designer knows', 'Not for this edition'];
  const given = $derived(words.trim());

  function focusFirst(input: HTMLInputElement): void {
    input.focus();
  }
</script>

<form
  onsubmit={(event) => {
    event.preventDefault();
    if (given !== '') settle(given);
  }}
>
  <label
    >Why put it aside?
    <input
      type="text"
      maxlength="500"
      bind:value={words}
      {@attach focusFirst}
      onkeydown={(event) => {
        if (event.key === 'Escape') {
          cancel();
          event.stopPropagation();
        }
      }}
    /></label
  >
  <span>
    {#each REASONS as one (one)}<button type="button" onclick={() => settle(one)}>{one}</button>{/each}
    <button type="submit" disabled={given === ''}>Put aside</button>
  </span>
</form>

<style>
  form {
    display: grid;
    gap: var(--space-1);
    padding-right: var(--space-2);
    font-size: var(--size-small);
  }

  input {
    display: block;
    width: 100%;
    padding: 0.3rem var(--space-2);
  }

  span {
    display: flex;
    flex-wrap: wrap;
    gap: 0 var(--space-3);
  }

  button {
    padding: 0.15rem 0;
    color: var(--woad);
  }

  button:hover {
    text-decoration: underline;
    text-underline-offset: 0.18em;
  }

  button:disabled {
    color: var(--ink-soft);
    cursor: default;
  }

  [type='submit'] {
    margin-left: auto;
    font-weight: 620;
  }
</style>
