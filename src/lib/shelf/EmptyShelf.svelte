<div>
  <h2>The shelf is empty.</h2>
  <p>
    Paste a pattern, or drop its files anywhere on this page: Word, PDF, a web page, a message, a table, plain text.
  </p>
</div>

<style>
  div {
    display: grid;
    gap: var(--space-3);
    padding: var(--space-6) 0;
    max-width: 34rem;
    color: var(--ink-soft);
  }

  h2 {
    color: var(--ink);
    font-size: var(--size-title);
  }
</style>
