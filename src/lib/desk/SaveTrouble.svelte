<script lang="ts">
  import TroubleBar from '../components/TroubleBar.svelte';
  import type { SaveState } from './saver.svelte.js';

  let { state, again }: { state: Extract<SaveState, { kind: 'failed' }>; again: () => void } = $props();
</script>

<TroubleBar grave {again}>
  <strong>Not saved.</strong>
  {state.why}
  {state.kept
    ? 'Your text is kept in this browser'
    : 'This browser has no room to keep your text: copy it before you leave'}{state.again
    ? ', and saving is tried again by itself.'
    : '.'}
</TroubleBar>
