<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { get, remove } from '../../api/client';
    import type { HeadDetail, Rack } from '../../api/generated/types';
    import FaceMap from '../../charts/FaceMap.svelte';
    import SetupPlane from '../../charts/SetupPlane.svelte';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import { faceWords, plain } from '../../format/units';
    import HeadForm from './HeadForm.svelte';
    import Readings from './Readings.svelte';
    import Remembered from './Remembered.svelte';
    import Weights from './Weights.svelte';
    import { loftAgainstPrint, supplyText } from './sentences';

    let { params }: { params: { id: string } } = $props();
    let head = $state<HeadDetail | null>(null);
    let rack = $state<Rack | null>(null);
    let masses = $state<Record<string, number>>({});
    let at = $state('');
    let changing = $state(false);
    const reading = new Loader<[HeadDetail, Rack]>();
    const sending = new Form();

    async function open(id: string) {
        const answer = await reading.load(() => Promise.all([get<HeadDetail>(`heads/${id}`), get<Rack>('rack')]));
        if (!answer) return;
        [head, rack] = answer;
        masses = { ...answer[0].standard };
        at = answer[0].plane.home;
    }
    $effect(() => void open(params.id));
    const retire = () =>
        sending.send(async () => {
            await remove(`heads/${params.id}`);
            push('/rack');
        });
</script>

<TopBar place="rack" />
<main>
    {#if reading.problem || sending.problem}<Notice kind="error">{reading.problem || sending.problem}</Notice>{/if}
    {#if head}
        <div class="top">
            <div>
                <h1>{head.label}</h1>
                <p>
                    {head.maker ? `${head.maker}, ` : ''}{head.hand}-handed, stated {plain(head.statedLoftDeg, 1)}°,
                    <b class:warn={head.loftOffWarn}>{loftAgainstPrint(head)}</b>{#if head.home}. At {head.home.label || 'its fixed hosel'} it
                        sits {plain(head.home.loftDeg, 1)}°, {faceWords(head.home.faceOpenDeg)}, lie {plain(head.home.lieDeg, 1)}°{/if}
                </p>
                <p class="small">
                    {head.sleeveName ? `Sleeve ${head.sleeveName}` : 'Not adjustable'} · {supplyText(head.supply)}{head.note
                        ? ` · ${head.note}`
                        : ''}
                </p>
                {#each head.warnings as w (w)}<p class="small warn">{w}</p>{/each}
            </div>
            <div class="acts">
                <button class="quiet" onclick={() => (changing = !changing)}>Change</button>
                <button class="plain" onclick={retire}>Take off the rack</button>
            </div>
        </div>
        {#if changing && rack}
            <HeadForm
                {head}
                sleeves={rack.sleeves}
                onsaved={(h) => {
                    head = h;
                    masses = { ...h.standard };
                    changing = false;
                }}
                oncancel={() => (changing = false)}
            />
        {/if}
        <div class="columns">
            <section class="panel">
                <h2>On the gauge</h2>
                <Readings {head} onsaved={(h) => (head = h)} />
            </section>
            <div class="right">
                {#if head.memory}<Remembered memory={head.memory} />{/if}
                <section>
                    <h2>Weights</h2>
                    <Weights {head} hand={head.hand} bind:masses />
                </section>
                <div class="pair">
                    <section>
                        <h2>Setup plane</h2>
                        <SetupPlane plane={head.plane} hand={head.hand} {at} from={head.plane.home} onpick={(l) => (at = l)} />
                    </section>
                    <section>
                        <h2>Loft and ball speed over the face</h2>
                        <FaceMap map={head.faceMap} hand={head.hand} />
                    </section>
                </div>
            </div>
        </div>
    {:else if !reading.problem}
        <Outline what="Weighing it and drawing its face …" blocks={['lines', 'picture']} />
    {/if}
</main>

<style>
    .top {
        display: flex;
        flex-wrap: wrap;
        justify-content: space-between;
        gap: 20px;
        align-items: start;
    }
    .top > :first-child {
        flex: 1 1 300px;
    }
    .acts {
        display: grid;
        justify-items: end;
        gap: 4px;
    }
    .columns {
        display: grid;
        grid-template-columns: 410px minmax(0, 1fr);
        gap: 24px;
        align-items: start;
    }
    .right,
    section {
        display: grid;
        gap: 10px;
        align-content: start;
    }
    .pair {
        display: grid;
        grid-template-columns: 1fr 1fr;
        gap: 20px;
    }
    @media (max-width: 1000px) {
        .columns,
        .pair {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
