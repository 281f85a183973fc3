<script lang="ts">
    import { get } from '../../api/client';
    import type { Rack } from '../../api/generated/types';
    import Tabs from '../../parts/Tabs.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import Calculator from './Calculator.svelte';
    import { TABS, type Kind } from './specs';

    /** What can be worked out without a fitting. What was typed stands in the address: a link shares it. */
    let { params }: { params?: { tab?: string } } = $props();
    const tab = $derived((TABS.find(([name]) => name === params?.tab)?.[0] ?? 'flight') as Kind);
    /** Another link into the same page: what it says is read again. What is typed here moves the address without a word. */
    let turn = $state(0);
    let sleeves = $state<Rack['sleeves']>([]);
    $effect(
        () =>
            void get<Rack>('rack').then(
                (rack) => (sleeves = rack.sleeves),
                () => undefined,
            ),
    );
</script>

<svelte:window onhashchange={() => turn++} />
<TopBar place="calculators" />
<main>
    <Tabs place="calculators" title="Calculators" tabs={TABS} now={tab} />
    {#key `${tab} ${turn}`}<Calculator kind={tab} {sleeves} />{/key}
</main>
