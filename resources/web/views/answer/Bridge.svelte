<script lang="ts">
    import type { JudgedSetup, UnitChoice } from '../../api/generated/types';
    import WhyBridge from '../../charts/WhyBridge.svelte';
    import Picture from '../../parts/Picture.svelte';
    import { factor, MEASURES, plain, signed, unitOf } from '../../format/units';
    import { digits } from './figures';
    import { say } from './words';

    let { others, benchmark, units }: { others: JudgedSetup[]; benchmark: string; units: UnitChoice } = $props();
    let bridged = $state('');
    let measure = $state('carryM');
    const k = (m: string) => factor(unitOf(m, units));
    const withBridge = $derived(others.filter((s) => s.bridges.length));
    const why = $derived(withBridge.find((s) => s.tag === bridged) ?? withBridge[0] ?? null);
    const bridge = $derived(why?.bridges.find((b) => b.measure === measure) ?? why?.bridges[0] ?? null);
</script>

{#if why && bridge}
    <Picture
        title={say('answer.why.bridge', { tag: why.tag, benchmark })}
        name="why-{why.tag}-{measure}"
        head={['Cause', `Happened ${unitOf(bridge.measure, units)}`, `Would repeat ${unitOf(bridge.measure, units)}`, 'Standard error', '']}
        rows={[
            ...bridge.lines.map((l) => [
                l.cause,
                signed(l.happened * k(bridge.measure), digits(bridge.measure)),
                signed(l.repeats * k(bridge.measure), digits(bridge.measure)),
                plain(l.error * k(bridge.measure), digits(bridge.measure)),
                l.noise ? 'noise' : '',
            ]),
            ['difference', signed(bridge.difference * k(bridge.measure), digits(bridge.measure)), '', '', ''],
        ]}
    >
        <div class="choose no-print">
            <label
                >{say('answer.why.setup')}
                <select value={why.tag} onchange={(e) => (bridged = e.currentTarget.value)}
                    >{#each withBridge as s (s.tag)}<option>{s.tag}</option>{/each}</select
                ></label
            >
            <label
                >{say('answer.why.figure')}
                <select bind:value={measure}
                    >{#each why.bridges as b (b.measure)}<option value={b.measure}>{MEASURES[b.measure]!.label}</option>{/each}</select
                ></label
            >
        </div>
        <WhyBridge {bridge} tag={why.tag} {benchmark} {units} />
    </Picture>
{/if}

<style>
    .choose {
        display: flex;
        gap: 16px;
    }
    .choose label {
        white-space: nowrap;
        display: flex;
        gap: 6px;
        align-items: center;
    }
</style>
