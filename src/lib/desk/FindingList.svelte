<script lang="ts">
  import { senseInWords, type ReportFinding } from '../../core/index.js';
  import Mark from '../components/Mark.svelte';
  import type { Asking } from './asking.svelte.js';
  import type { DeskSession } from './desk.svelte.js';
  import FindingView from './FindingView.svelte';
  import type { Walking } from './walking.js';

  let { desk, walking, asking }: { desk: DeskSession; walking: Walking; asking: Asking } = $props();
  const MOST = 200;
  const KINDS: Record<string, string> = {
    count: 'Sums',
    frame: 'Frame',
    notation: 'Notation',
    terms: 'Terms',
    make: 'Making',
    materials: 'Materials',
    shape: 'Shape',
    safety: 'Safety',
    rights: 'Rights',
    style: 'House style',
  };
  let kind = $state<string | null>(null);
  let severity = $state<ReportFinding['severity'] | null>(null);
  let showAside = $state(false);

  const kindOf = (finding: ReportFinding) => finding.rule.split('/')[0] ?? '';
  const notes = $derived(desk.notes);
  const open = $derived(desk.findings);
  const aside = $derived(desk.report?.findings.filter(({ key }) => notes.aside.has(key)) ?? []);
  const kinds = $derived([...new Set(open.map(kindOf))]);
  const severities = $derived(
    (['error', 'warning', 'hint'] as const).filter((one) => open.some((finding) => finding.severity === one)),
  );
  const chosen = $derived(
    open.filter(
      (finding) => (kind === null || kindOf(finding) === kind) && (severity === null || finding.severity === severity),
    ),
  );
  const rounds = $derived(desk.rounds.length);
  const count = (test: (finding: ReportFinding) => boolean) => open.filter(test).length;
  const FEW: Record<ReportFinding['severity'], string> = { error: 'Errors', warning: 'Warnings', hint: 'Hints' };
</script>

{#snippet view(finding: ReportFinding)}
  <FindingView
    {finding}
    here={finding === desk.current}
    reason={notes.aside.get(finding.key) ?? null}
    go={() => desk.goTo(finding)}
    fix={(fix) => walking.applied(fix)}
    putAside={(reason: string | null) => void notes.putAside(finding, reason)}
    ask={() => void asking.about(finding)}
  />
{/snippet}

{#if notes.words.size > 0}
  <ul class="settled" aria-label="Words of this pattern">
    {#each notes.words as [word, sense] (word)}
      <li>
        <span>“{word}” means {senseInWords(sense)}</span>
        <button type="button" onclick={() => void notes.mean(word, null)}>Take back</button>
      </li>
    {/each}
  </ul>
{/if}
{#if rounds === 0}
  <div class="calm">
    <h2>No rounds were found</h2>
    <p>
      Looked for: lines that begin with Rnd, Round, R, Row or a number, and go on with stitches. This one can be read:
    </p>
    <p class="sample">Rnd 3: (sc 1, inc) x 6 (18)</p>
    <p>
      If the rounds stand here in another shape, give each its number at the start of a line. Stitches may be written
      sc, single crochet, dc (UK) or X. The text stays as it is, whatever can be read of it.
    </p>
  </div>
{:else if open.length === 0}
  <div class="calm">
    <h2>Nothing left to mend</h2>
    <p>{rounds} instructions were recounted, and every one comes out as it says.</p>
  </div>
{:else}
  {#if kinds.length > 1 || severities.length > 1}
    <div class="filters" role="group" aria-label="Show only">
      {#if severities.length > 1}
        {#each severities as one (one)}
          <button
            type="button"
            aria-pressed={severity === one}
            onclick={() => (severity = severity === one ? null : one)}
            ><Mark name={one} silent /> {FEW[one]} {count((finding) => finding.severity === one)}</button
          >
        {/each}
      {/if}
      {#if kinds.length > 1}
        {#each kinds as one (one)}
          <button type="button" aria-pressed={kind === one} onclick={() => (kind = kind === one ? null : one)}
            >{KINDS[one] ?? one} {count((finding) => kindOf(finding) === one)}</button
          >
        {/each}
      {/if}
    </div>
  {/if}
  <ol>
    {#each chosen.slice(0, MOST) as finding (finding.key)}<li>{@render view(finding)}</li>{/each}
  </ol>
  {#if chosen.length === 0}<p class="more">Nothing of this kind.</p>{/if}
  {#if chosen.length > MOST}
    <p class="more">and {chosen.length - MOST} more. Mend the first ones; many of these will go with them.</p>
  {/if}
{/if}
{#if aside.length > 0}
  <button type="button" class="more" aria-expanded={showAside} onclick={() => (showAside = !showAside)}
    >{aside.length} put aside</button
  >
  {#if showAside}
    <ol>
      {#each aside as finding (finding.key)}<li>{@render view(finding)}</li>{/each}
    </ol>
  {/if}
{/if}

<style>
  .settled {
    display: grid;
    gap: 2px;
    padding: var(--space-2);
    border-bottom: 1px solid var(--rule);
    font-size: var(--size-small);
  }

  .settled li {
    display: flex;
    justify-content: space-between;
    align-items: baseline;
    gap: var(--space-3);
  }

  .settled span {
    overflow-wrap: anywhere;
  }

  .settled button {
    color: var(--woad);
    white-space: nowrap;
  }

  .filters {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1);
    padding: var(--space-2);
    border-bottom: 1px solid var(--rule);
  }

  .filters button {
    padding: 0.1rem 0.5rem;
    border: 1px solid var(--rule);
    border-radius: 1rem;
    color: var(--ink);
    font-size: var(--size-small);
  }

  .filters [aria-pressed='true'] {
    border-color: var(--woad);
    background: var(--woad-wash);
  }

  .calm {
    display: grid;
    gap: var(--space-3);
    padding: var(--space-5) var(--space-2);
    color: var(--ink-soft);
  }

  .calm h2 {
    font-size: 1.125rem;
    color: var(--ink);
  }

  .sample {
    padding: var(--space-2) var(--space-3);
    border-left: 3px solid var(--sage);
    font-family: var(--text-face);
    color: var(--ink);
  }

  .more {
    padding: var(--space-3) var(--space-2);
    border: 0;
    background: none;
    font: inherit;
    font-size: var(--size-small);
    color: var(--ink-soft);
  }

  button.more {
    color: var(--woad);
  }
</style>
