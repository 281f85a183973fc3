<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { get } from '../../api/client';
    import type { Rack, Sleeve } from '../../api/generated/types';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import Tabs from '../../parts/Tabs.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import { faceWords, plain } from '../../format/units';
    import HeadForm from './HeadForm.svelte';
    import Parts from './Parts.svelte';
    import RackFile from './RackFile.svelte';
    import SleeveEditor from './SleeveEditor.svelte';
    import { loftAgainstPrint, supplyText, weightsText } from './sentences';

    let { params }: { params?: { tab?: string } } = $props();
    const TABS = [
        ['heads', 'Heads'],
        ['sleeves', 'Sleeves'],
        ['shafts', 'Shafts'],
        ['grips', 'Grips'],
        ['balls', 'Balls'],
        ['file', 'In and out'],
    ] as const;
    const reading = new Loader<Rack>();
    const rack = $derived(reading.value);
    let adding = $state(false);
    let sleeve = $state<Sleeve | null | 'new'>(null);
    const tab = $derived(params?.tab ?? 'heads');

    const load = () => void reading.load(() => get<Rack>('rack'));
    $effect(load);
</script>

<TopBar place="rack" />
<main>
    <Tabs place="rack" title="Rack" tabs={TABS} now={tab} />
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    {#if rack}
        {#if tab === 'heads'}
            {#if adding}
                <HeadForm sleeves={rack.sleeves} onsaved={(h) => push(`/rack/head/${h.id}`)} oncancel={() => (adding = false)} />
            {:else}
                <div><button onclick={() => (adding = true)}>Add a head</button></div>
            {/if}
            {#if rack.heads.length === 0}<p>No head on the rack yet. Add one by hand, or bring a rack file in.</p>{:else}
                <Scroll label="Heads">
                    <table>
                        <thead
                            ><tr
                                ><th>Head</th><th>Stated loft</th><th class="words">On the gauge</th><th class="words">Sits at home</th><th
                                    >Mass <small>g</small></th
                                ><th class="words">Sleeve</th><th class="words">Weights, as it comes</th><th class="words">Availability</th
                                ></tr
                            ></thead
                        >
                        <tbody>
                            {#each rack.heads as h (h.id)}
                                <tr>
                                    <td
                                        ><a href="#/rack/head/{h.id}"><b>{h.label}</b></a><small
                                            >{h.hand}-handed{h.maker ? `, ${h.maker}` : ''}</small
                                        ></td
                                    >
                                    <td>{plain(h.statedLoftDeg, 1)}°</td>
                                    <td class="words" class:warn={h.loftOffWarn} class:unread={h.loftOffDeg === null}
                                        >{loftAgainstPrint(h)}</td
                                    >
                                    <td class="words"
                                        >{h.home ? `${faceWords(h.home.faceOpenDeg)}, lie ${plain(h.home.lieDeg, 1)}°` : ''}</td
                                    >
                                    <td
                                        >{plain(h.body.massG, 1)}{#if h.assumed.includes('mass')}<small>assumed</small>{/if}</td
                                    >
                                    <td class="words"
                                        >{h.sleeveName || 'fixed'}<small
                                            >{h.positions.length > 1 ? `${h.positions.length} positions` : ''}</small
                                        ></td
                                    >
                                    <td class="words">{h.slots.length ? weightsText(h.standard) : 'no slots'}</td>
                                    <td class="words">{supplyText(h.supply)}</td>
                                </tr>
                            {/each}
                        </tbody>
                    </table>
                </Scroll>
                <p class="small">
                    Where there is a gauge reading, it counts instead of the print. Amber: print and gauge differ by more than 1°.
                </p>
            {/if}
        {:else if tab === 'sleeves'}
            {#if sleeve}
                {#key sleeve}
                    <SleeveEditor
                        sleeve={sleeve === 'new' ? null : sleeve}
                        onsaved={() => {
                            sleeve = null;
                            void load();
                        }}
                        oncancel={() => (sleeve = null)}
                    />
                {/key}
            {:else}
                <div><button onclick={() => (sleeve = 'new')}>Add a sleeve</button></div>
                <Scroll label="Sleeves"
                    ><table>
                        <thead
                            ><tr
                                ><th class="words">Sleeve</th><th>Kind</th><th>Positions</th><th>Print against geometry</th><th>On</th><th
                                ></th></tr
                            ></thead
                        >
                        <tbody>
                            {#each rack.sleeves as s (s.id)}
                                {@const off = s.check.filter((c) => !c.agrees)}
                                <tr>
                                    <td><b>{s.name}</b></td>
                                    <td>{{ single: 'one tilt, turned', rings: 'two rings', card: 'printed card' }[s.spec.kind]}</td>
                                    <td>{s.check.map((c) => c.label).join(' · ')}</td>
                                    <td class:warn={off.length}
                                        >{off.length ? `${off.map((c) => c.label).join(', ')}: print is off` : 'agree'}</td
                                    >
                                    <td>{s.heads} head{s.heads === 1 ? '' : 's'}</td>
                                    <td
                                        ><button class="plain" onclick={() => (sleeve = s)}
                                            >Open<span class="visually-hidden"> {s.name}</span></button
                                        ></td
                                    >
                                </tr>
                            {/each}
                        </tbody>
                    </table></Scroll
                >
            {/if}
        {:else if tab === 'shafts' || tab === 'grips' || tab === 'balls'}
            {@const kind = tab.slice(0, -1) as 'shaft' | 'grip' | 'ball'}
            {#key kind}<Parts {kind} parts={rack.parts.filter((p) => p.kind === kind)} onchange={load} />{/key}
        {:else}
            <RackFile onchange={load} />
        {/if}
    {:else if !reading.problem}
        <Outline what="Opening the rack …" blocks={['table']} />
    {/if}
</main>

<style>
    td small {
        display: block;
        white-space: nowrap;
    }
    .words {
        text-align: left;
    }
    .warn {
        color: var(--amber);
        font-weight: 600;
    }
    .unread {
        color: var(--ink-2);
    }
</style>
