<script lang="ts">
  import Select from '../components/Select.svelte';
  import type { ReleaseSession } from './release.svelte.js';

  let { session }: { session: ReleaseSession } = $props();
  const SHEETS = [
    { value: 'a4', text: 'A4' },
    { value: 'letter', text: 'Letter' },
  ] as const;
  const PRINTS = [
    { value: 'normal', text: 'normal' },
    { value: 'large', text: 'large' },
  ] as const;
</script>

<Select
  label="Paper"
  shown
  value={session.sheet}
  options={SHEETS}
  chosen={(sheet: 'a4' | 'letter') => (session.sheet = sheet)}
/>
<Select
  label="Print"
  shown
  value={session.print}
  options={PRINTS}
  chosen={(print: 'normal' | 'large') => (session.print = print)}
/>
