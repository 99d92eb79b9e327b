<script lang="ts">
  import Button from '../components/Button.svelte';
  import Dialog from '../components/Dialog.svelte';
  import Select from '../components/Select.svelte';
  import type { PlanEntry } from '../plan.js';

  interface Props {
    unlisted: readonly { readonly id: string; readonly name: string }[];
    lists: readonly string[];
    today: string;
    put: (id: string, entry: PlanEntry) => void;
    onclose: () => void;
  }

  let { unlisted, lists, today, put, onclose }: Props = $props();
  // svelte-ignore state_referenced_locally
  let id = $state(unlisted[0]?.id ?? '');
  // svelte-ignore state_referenced_locally
  let list = $state(lists.at(-1) ?? '');
  let release = $state('');
  let problem = $state('');

  function add(): void {
    if (release === '') {
      problem = 'Say on which day it is to come out.';
      return;
    }
    put(id, { list: list.trim(), release, editor: '', hours: null, after: [], done: {}, moved: {} });
  }
</script>

<Dialog title="Put a pattern on the plan" {onclose}>
  {#if unlisted.length === 0}
    <p>Every pattern of the shelf is on the plan.</p>
  {:else}
    <form
      onsubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <Select
        label="Pattern"
        shown
        value={id}
        options={unlisted.map((one) => ({ value: one.id, text: one.name }))}
        chosen={(value: string) => (id = value)}
      />
      <label
        >Comes out on <input
          type="date"
          bind:value={release}
          aria-invalid={problem !== '' || undefined}
          aria-describedby="add-problem"
        /></label
      >
      <label>List <input bind:value={list} list="known-lists" maxlength="80" placeholder="Spring list" /></label>
      <datalist id="known-lists"
        >{#each lists as one (one)}<option value={one}></option>{/each}</datalist
      >
      <p id="add-problem" class="problem" role="alert">
        {problem || (release !== '' && release < today ? 'This day has passed. It is planned all the same.' : '')}
      </p>
      <div><Button weight="firm" type="submit">Put it on the plan</Button></div>
    </form>
  {/if}
</Dialog>

<style>
  form {
    display: grid;
    gap: var(--space-3);
  }

  label {
    display: flex;
    align-items: center;
    gap: var(--space-2);
  }

  input {
    min-height: 2.125rem;
    padding: 0 var(--space-2);
  }

  .problem {
    min-height: 1.5em;
    color: var(--madder);
  }
</style>
