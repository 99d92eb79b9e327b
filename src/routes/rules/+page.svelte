<script lang="ts">
  import { setRule } from '../../lib/client.js';
  import Frame from '../../lib/frame/Frame.svelte';
  import type { RuleSetting } from '../../lib/ruleSettings.js';
  import RuleList from '../../lib/rules/RuleList.svelte';
  import type { PageProps } from './$types.js';

  let { data }: PageProps = $props();
</script>

<svelte:head><title>Rules · Dostik</title></svelte:head>

<Frame at="rules" />
<RuleList
  title="Rules"
  about="What is looked for in every pattern. A rule set here holds for all of them; each pattern can set it otherwise."
  cards={data.cards}
  set={data.set}
  change={(setting: RuleSetting) => setRule(null, setting)}
/>
