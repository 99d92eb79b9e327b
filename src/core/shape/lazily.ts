/** A value that is worked out when it is first asked for. */
export function lazily<Value>(work: () => Value): () => Value {
  let known: { readonly value: Value } | null = null;
  return () => (known ??= { value: work() }).value;
}
