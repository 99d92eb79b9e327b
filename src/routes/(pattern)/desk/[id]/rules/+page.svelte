<script lang="ts">
  import { setRule } from '../../../../../lib/client.js';
  import Frame from '../../../../../lib/frame/Frame.svelte';
  import type { RuleSetting } from '../../../../../lib/ruleSettings.js';
  import RuleList from '../../../../../lib/rules/RuleList.svelte';
  import type { PageProps } from './$types.js';

  let { data, params }: PageProps = $props();
  // svelte-ignore state_referenced_locally
  let own = $state(data.set);
  const set = $derived(Object.keys(own).length);

  async function change(setting: RuleSetting): Promise<void> {
    await setRule(params.id, setting);
    const { [setting.rule]: _before, ...others } = own;
    own = setting.severity === null ? others : { ...others, [setting.rule]: setting.severity };
  }
</script>

<svelte:head><title>Rules of {data.standing.name} · Dostik</title></svelte:head>

<Frame at="pattern-rules" standing={{ ...data.standing, rules: set }} />
<RuleList
  title="Its rules"
  about="What is looked for in this pattern, where that differs from what holds for all."
  cards={data.cards}
  set={data.set}
  everywhere={data.everywhere}
  {change}
/>
