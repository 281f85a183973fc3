<script lang="ts">
    import { get } from '../../api/client';
    import type { ReportPage } from '../../api/generated/types';
    import { judgement } from '../../format/judged';
    import { Loader } from '../../lib/load.svelte';
    import { session } from '../../lib/session.svelte';
    import { wordsOf, type Words } from '../../lib/words';
    import Frame from '../../parts/Frame.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import ReportBody from '../forplayer/ReportBody.svelte';
    import SheetBar from './SheetBar.svelte';
    import Truth from './Truth.svelte';
    import { say } from './words';
    import Workshop from './Workshop.svelte';

    /** The report as the player reads it, in their language; the workshop's page behind it. */
    let { params }: { params: { id: string } } = $props();
    let tab = $state<'report' | 'workshop'>('report');
    let language = $state('');
    const reading = new Loader<{ page: ReportPage; words: Words }>();
    $effect(() => {
        const query = language ? `?language=${language}` : '';
        void reading.load(async () => {
            const told = await get<{ language: string; page: ReportPage }>(`fittings/${params.id}/report${query}`);
            return { page: told.page, words: await wordsOf(told.language) };
        });
    });
    const isDesk = $derived(session.user?.role === 'desk');
</script>

<Frame id={params.id} step="sheet" isBare>
    {#snippet children(fitting)}
        {@const decision = fitting.decision}
        {#if !decision}
            <h1>{say('sheet.none')}</h1>
            <p><a href="#/fitting/{fitting.id}/answer">{say('sheet.decide')}</a></p>
        {:else}
            {@const setup = fitting.setups.find((s) => s.id === decision.setupId)!}
            <SheetBar {fitting} {decision} bind:tab bind:language />
            {#if decision.advice.pick !== decision.tag && judgement(decision.advice, decision.tag) && tab === 'report'}<p
                    class="aside no-print"
                >
                    {say('sheet.overruled', { pick: decision.advice.pick, tag: decision.tag })}
                </p>{/if}
            {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
            <article
                aria-label={say('sheet.what', { name: fitting.player.name })}
                lang={tab === 'report' ? reading.value?.words.language : 'en'}
            >
                {#if tab === 'workshop'}<Workshop {fitting} {setup} />
                {:else if reading.value}<ReportBody report={reading.value.page} words={reading.value.words} />
                {:else if !reading.problem}<Outline what={say('sheet.waiting')} blocks={['lines', 'picture', 'table']} />{/if}
            </article>
            {#if !isDesk}<p class="aside no-print">
                    <a href="#/fitting/{fitting.id}/follow-up">{say('sheet.rounds')}</a>
                    <a href="/api/fittings/{fitting.id}/file" download>{say('sheet.file')}</a>
                </p>{/if}
            {#if fitting.practice}<Truth fittingId={fitting.id} units={fitting.player.units} />{/if}
        {/if}
    {/snippet}
</Frame>

<style>
    article,
    .aside {
        max-width: 860px;
        margin: 0 auto;
        width: 100%;
    }
    article {
        background: var(--sheet);
        border: 1px solid var(--hair);
        border-radius: 10px;
        padding: 30px 40px;
        display: grid;
        gap: 14px;
    }
    .aside {
        display: flex;
        gap: 20px;
    }
    @media (max-width: 600px) {
        article {
            padding: 16px;
            border: 0;
        }
    }
    @media print {
        article {
            border: 0;
            padding: 0;
            max-width: none;
        }
    }
</style>
