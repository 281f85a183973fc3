<script lang="ts">
    import { ApiError, post, say } from '../../api/client';
    import type { LinkPage } from '../../api/generated/types';
    import { ownLanguage, wordsOf, type Words } from '../../lib/words';
    import IntakeForm from './IntakeForm.svelte';
    import ReportView from './ReportView.svelte';
    import RoundForm from './RoundForm.svelte';

    // What a player opens by a private link, on a phone: no account, their own language, nothing of the fitter's.
    let { params }: { params: { token: string } } = $props();
    let page = $state<LinkPage | null>(null);
    let words = $state.raw<Words | null>(null);
    let problem = $state('');

    async function look(language: string | null) {
        try {
            page = await post<LinkPage>('for-player/look', { token: params.token, language });
            problem = '';
        } catch (error) {
            words = await wordsOf(language ?? ownLanguage());
            const status = error instanceof ApiError ? error.status : 500;
            problem = status === 0 ? words.say('error.connection') : status >= 500 ? words.say('error.server') : say(error);
        }
        words = await wordsOf(page?.language ?? language ?? ownLanguage());
        document.documentElement.lang = words.language;
    }
    $effect(() => void look(null));
</script>

<svelte:head><meta name="robots" content="noindex" /></svelte:head>
<header>
    <b>{page?.studio ?? ''}</b>
    {#if page && page.languages.length > 1}<span class="tongues"
            >{#each page.languages as l (l)}<button class="plain" aria-current={l === page.language} lang={l} onclick={() => look(l)}
                    >{l.toUpperCase()}</button
                >{/each}</span
        >{/if}
</header>
<main>
    {#if problem}<p class="problem" role="alert">{problem}</p>
    {:else if page && words}
        {#if page.intake}<IntakeForm token={params.token} {page} intake={page.intake} {words} />
        {:else if page.report}<ReportView token={params.token} report={page.report} {words} />
        {:else if page.rounds}<RoundForm token={params.token} {page} rounds={page.rounds} {words} />{/if}
    {/if}
</main>

<style>
    header,
    main {
        max-width: 560px;
        margin: 0 auto;
        padding: 12px 18px;
    }
    header {
        display: flex;
        justify-content: space-between;
        align-items: center;
        gap: 12px;
        border-bottom: 2px solid var(--ink);
    }
    .tongues {
        display: flex;
        gap: 4px;
    }
    .tongues button {
        min-width: 44px;
        min-height: 44px;
    }
    .tongues [aria-current='true'] {
        font-weight: 700;
        color: var(--ink);
        text-decoration: none;
    }
    .problem {
        padding: 24px 0;
        font-size: var(--lead);
    }
</style>
