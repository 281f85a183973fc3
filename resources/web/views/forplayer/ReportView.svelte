<script lang="ts">
    import { ApiError, blob } from '../../api/client';
    import type { ReportPage } from '../../api/generated/types';
    import type { Words } from '../../lib/words';
    import ReportBody from './ReportBody.svelte';

    // The report on a phone, to be taken along on paper. Nothing of the fitter's steps.
    let { token, report, words }: { token: string; report: ReportPage; words: Words } = $props();
    const say = $derived(words.say);
    let busy = $state(false);
    let problem = $state('');
    async function paper() {
        busy = true;
        problem = '';
        try {
            const file = await blob('for-player/report.pdf', { token, language: words.language });
            const link = document.createElement('a');
            link.href = URL.createObjectURL(file);
            link.download = 'report.pdf';
            link.click();
        } catch (error) {
            problem = error instanceof ApiError && error.status === 0 ? say('error.connection') : say('error.server');
        } finally {
            busy = false;
        }
    }
</script>

<ReportBody {report} {words} />
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
<button disabled={busy} onclick={paper}>{say('report.pdf')}</button>

<style>
    .problem {
        color: var(--brick);
    }
    button {
        min-height: 48px;
        font-size: 16px;
    }
</style>
