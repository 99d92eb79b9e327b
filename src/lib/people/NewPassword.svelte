<script lang="ts">
  import Field from '../components/Field.svelte';
  import { SHORTEST_PASSWORD } from '../people.js';

  let { password = $bindable(), label = 'Password' }: { password: string; label?: string } = $props();
</script>

<Field
  {label}
  bind:value={password}
  type="password"
  hint="At least {SHORTEST_PASSWORD} characters; four words do."
  autocomplete="new-password"
  minlength={SHORTEST_PASSWORD}
  required
/>
