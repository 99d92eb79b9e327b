<script lang="ts">
  import { download } from '../download.js';
  import Button from '../components/Button.svelte';
  import When from '../components/When.svelte';
  import { fileName, type FileKind, type LayoutWanted } from '../release.js';
  import LayoutChoice from './LayoutChoice.svelte';
  import { VERSION_FILES, type ReleaseSession } from './release.svelte.js';
  import type { ReleaseData } from './releaseData.js';

  let { data, session }: { data: ReleaseData; session: ReleaseSession } = $props();
  const hrefOf = (version: string, kind: FileKind, form: LayoutWanted['form']) =>
    `/api/patterns/${data.id}/release/versions/${version}/${fileName({ kind, form, sheet: session.sheet, print: session.print })}`;

  async function all(version: string): Promise<void> {
    const bytes = await session.all(version);
    if (!bytes) return;
    download(`${data.name} ${version}.zip`, new Blob([bytes], { type: 'application/zip' }));
  }

  function known(files: FileList | null | undefined): void {
    const [file] = files ?? [];
    if (file) void session.know(file);
  }
</script>

{#if data.versions.length === 0}
  <p class="none">
    No version is signed yet. Once every line of the checklist holds, it can be, and its files stand here.
  </p>
{:else}
  <div class="choices">
    <LayoutChoice {session} />
    <label
      class="known"
      ondragover={(event) => event.preventDefault()}
      ondrop={(event) => {
        event.preventDefault();
        known(event.dataTransfer?.files);
      }}
    >
      Is it ours? Drop a file here, or choose one
      <input
        class="unseen"
        type="file"
        onchange={(event) => {
          known(event.currentTarget.files);
          event.currentTarget.value = '';
        }}
      />
    </label>
  </div>
  {#if session.known}<p role="status" class="answer">{session.known}</p>{/if}
  {#each data.versions as { number, signer, note, fingerprint, at } (number)}
    <section aria-label="Version {number}">
      <header>
        <h2>{number}</h2>
        <p>Signed by {signer}, <When {at} /></p>
        <Button disabled={session.making !== null} onclick={() => void all(number)}>All files in one</Button>
      </header>
      {#if note}<p class="note">{note}</p>{/if}
      {#if session.making?.version === number}
        <progress value={session.making.done} max={session.making.of} aria-label="Files that are made"></progress>
      {/if}
      {#if session.told.version === number}
        <ul class="told">
          {#each session.told.words as words (words)}<li>{words}</li>{/each}
        </ul>
      {/if}
      <table>
        <tbody>
          {#each VERSION_FILES as { kind, text, forms } (kind)}
            <tr>
              <th scope="row">{text}</th>
              <td
                >{#each forms as form (form)}<a href={hrefOf(number, kind, form)} download>.{form}</a>{/each}</td
              >
            </tr>
          {/each}
        </tbody>
      </table>
      <p class="print">SHA-256 {fingerprint}</p>
    </section>
  {/each}
{/if}

<style>
  .none {
    max-width: 36rem;
    padding: var(--space-5) 0;
  }

  .choices {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: var(--space-2) var(--space-4);
  }

  .known {
    padding: var(--space-2) var(--space-3);
    border: 1px dashed var(--rule-strong);
    color: var(--woad);
    cursor: pointer;
  }

  .known:focus-within {
    outline: 2px solid var(--woad);
    outline-offset: 2px;
  }

  .answer {
    padding: var(--space-3) 0 0;
  }

  section {
    max-width: 52rem;
    padding: var(--space-4) 0;
    border-bottom: 1px solid var(--rule);
  }

  header {
    display: flex;
    flex-wrap: wrap;
    align-items: baseline;
    gap: var(--space-2) var(--space-4);
  }

  header p {
    flex: 1;
    color: var(--ink-soft);
  }

  h2 {
    font-size: var(--size-title);
  }

  .note {
    font-family: var(--text-face);
  }

  .told {
    color: var(--ink-soft);
    font-size: var(--size-small);
  }

  progress {
    width: 100%;
    accent-color: var(--woad);
  }

  th {
    padding: 0.3rem var(--space-5) 0.3rem 0;
    font-weight: 550;
    text-align: left;
  }

  td a {
    margin-right: var(--space-3);
  }

  .print {
    color: var(--ink-soft);
    font-size: var(--size-small);
    overflow-wrap: anywhere;
  }
</style>
