<script lang="ts">
  import { goto } from '$app/navigation';
  import { beginPractice, troubleIn } from '../client.js';
  import Button from '../components/Button.svelte';
  import Choice from '../components/Choice.svelte';
  import Select from '../components/Select.svelte';
  import { toasts } from '../components/toasts.svelte.js';
  import { offering } from '../frame/house.svelte.js';
  import { LEVEL_WORDS, LEVELS, SCHOOL_WORDS, SCHOOLS, type Level, type School, type Wish } from '../training.js';

  interface Props {
    /** The level that one worked at last. */
    last: Level;
    /** Patterns of the shelf in which nothing is wrong. */
    clean: readonly { readonly id: string; readonly name: string }[];
  }

  let { last, clean }: Props = $props();
  let what = $state<Wish['what']>('faults');
  // svelte-ignore state_referenced_locally
  let level = $state<Level>(last);
  let school = $state<School | 'any'>('any');
  let terms = $state<'us' | 'uk' | 'any'>('any');
  let from = $state('made');
  let making = $state(false);

  async function begin(): Promise<void> {
    if (making) return;
    making = true;
    try {
      const own = what === 'faults' && from !== 'made';
      const id = await beginPractice({
        what,
        level,
        school: school === 'any' || own ? null : school,
        terms: terms === 'any' || own ? null : terms,
        from: own ? from : null,
      });
      await goto(`/trainer/${id}`);
    } catch (error) {
      toasts.say(`No practice pattern was made. ${troubleIn(error)}`);
    }
    making = false;
  }

  offering({ practise: () => void begin() });
</script>

<form
  onsubmit={(event) => {
    event.preventDefault();
    void begin();
  }}
>
  <Choice
    label="What to practise"
    name="what"
    value={what}
    options={[
      { value: 'faults', text: 'Find the faults' },
      { value: 'terms', text: 'Turn the terms' },
    ]}
    chosen={(value) => (what = value)}
  />
  <Choice
    label="Level"
    name="level"
    value={String(level)}
    options={LEVELS.map((one) => ({ value: String(one), text: `Level ${one}` }))}
    chosen={(value) => (level = Number(value) as Level)}
  />
  <p class="about">
    {what === 'faults'
      ? `${LEVEL_WORDS[level]}.`
      : `Every word that has another name in the other vocabulary, in a pattern with ${level === 1 ? 'a part or two' : 'more parts'}.`}
  </p>
  <div class="selects">
    {#if what === 'faults' && clean.length > 0}
      <Select
        label="Pattern"
        shown
        value={from}
        options={[
          { value: 'made', text: 'Made up on the spot' },
          ...clean.map(({ id, name }) => ({ value: id, text: name })),
        ]}
        chosen={(value) => (from = value)}
      />
    {/if}
    {#if what === 'terms' || from === 'made'}
      <Select
        label="Written in"
        shown
        value={school}
        options={[
          { value: 'any', text: 'Any way' },
          ...SCHOOLS.map((one) => ({ value: one, text: SCHOOL_WORDS[one] })),
        ]}
        chosen={(value) => (school = value as School | 'any')}
      />
      <Select
        label="Terms"
        shown
        value={terms}
        options={[
          { value: 'any', text: 'Either' },
          { value: 'us', text: 'US' },
          { value: 'uk', text: 'UK' },
        ]}
        chosen={(value) => (terms = value as 'us' | 'uk' | 'any')}
      />
    {/if}
  </div>
  <div>
    <Button weight="firm" type="submit" title="N" disabled={making}>{making ? 'Making one up…' : 'Begin'}</Button>
  </div>
</form>

<style>
  form {
    display: grid;
    gap: var(--space-3);
  }

  .about {
    color: var(--ink-soft);
  }

  .selects {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-3) var(--space-5);
  }
</style>
