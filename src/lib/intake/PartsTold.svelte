<script lang="ts">
  import type { Overview } from '../../core/index.js';
  import type { IntakeSession } from './intake.svelte.js';

  let { session }: { session: IntakeSession } = $props();
  type Part = Overview['parts'][number];

  /** Each by its place: a row stays, with what is being typed in it, when its part gets another name. */
  const parts = $derived(
    (session.overview?.parts ?? []).map((part, i, all) => {
      const place = `${part.line} ${all.slice(0, i).filter(({ line }) => line === part.line).length}`;
      const rounds = session.report?.parts[i]?.rounds ?? [];
      return { part, place, rounds: rounds.length, counted: rounds.filter(({ made }) => made !== null).length };
    }),
  );

  function rename(part: Part, field: HTMLInputElement): void {
    const name = field.value.trim();
    if (name === part.name) return;
    if (name === '') field.value = part.name;
    else void session.setPart(part.line, { name });
  }

  function make(part: Part, field: HTMLInputElement): void {
    const many = Number(field.value);
    if (many === part.make) return;
    if (Number.isInteger(many) && many >= 1 && many <= 99) void session.setPart(part.line, { make: many });
    else field.value = String(part.make);
  }
</script>

<section>
  <h3>Parts</h3>
  {#if parts.length > 0}
    <table>
      <thead>
        <tr
          ><th scope="col">Called</th><th scope="col">Made</th><th scope="col" class="figure">Counted</th><th
            scope="col"><span class="unseen">Where</span></th
          ></tr
        >
      </thead>
      <tbody>
        {#each parts as { part, place, rounds, counted } (place)}
          <tr>
            <td
              ><input
                type="text"
                value={part.name}
                maxlength="80"
                aria-label="Name of the part in line {part.line}"
                onchange={(event) => rename(part, event.currentTarget)}
              /></td
            >
            <td
              ><input
                type="number"
                min="1"
                max="99"
                value={part.make}
                aria-label="How many of {part.name}"
                onchange={(event) => make(part, event.currentTarget)}
              /></td
            >
            <td class="figure" class:short={counted < rounds}>{counted} of {rounds}</td>
            <td
              ><button type="button" title="Line {part.line}" onclick={() => session.goTo(part.line - 1)}
                >line {part.line}</button
              ></td
            >
          </tr>
        {/each}
      </tbody>
    </table>
  {:else}
    <p>No part was found. A line that names one is set apart by a blank line, or is said to be a heading (key H).</p>
  {/if}
</section>

<style>
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: var(--size-small);
  }

  th {
    padding: 0.2rem 0.25rem;
    color: var(--ink-soft);
    font-weight: 450;
    text-align: left;
  }

  td {
    padding: 0.1rem 0.25rem 0.1rem 0;
    border-top: 1px solid var(--rule);
  }

  input {
    width: 100%;
    padding: 0.1rem 0.25rem;
    border-color: transparent;
    background: none;
  }

  input:hover,
  input:focus {
    border-color: var(--rule-strong);
    background: var(--paper-raised);
  }

  input[type='text'] {
    font-family: var(--text-face);
    font-weight: 560;
  }

  input[type='number'] {
    width: 3.4rem;
  }

  .figure {
    text-align: right;
    white-space: nowrap;
  }

  .short {
    color: var(--madder);
    font-weight: 620;
  }

  button {
    padding-left: var(--space-2);
    color: var(--woad);
    white-space: nowrap;
  }

  p {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }
</style>
