<script lang="ts">
  import { setRule } from '../../../../lib/client.js';
  import type { RuleSetting } from '../../../../lib/patterns.js';
  import RuleList from '../../../../lib/rules/RuleList.svelte';
  import type { PageProps } from './$types.js';

  let { data, params }: PageProps = $props();
</script>

<svelte:head><title>Rules for {data.name} · Dostik</title></svelte:head>

<RuleList
  title="Rules for {data.name}"
  back={{ href: `/desk/${params.id}`, text: 'Desk' }}
  about="What is looked for in this pattern, where that differs from what holds for all."
  cards={data.cards}
  set={data.set}
  everywhere={data.everywhere}
  change={(setting: RuleSetting) => setRule(params.id, setting)}
/>
