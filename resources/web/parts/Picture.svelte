<script lang="ts">
    import type { Snippet } from 'svelte';
    import { say } from '../api/client';
    import { current } from '../lib/session.svelte';
    import { say as said } from '../format/sentences';
    import { madeUpText } from '../format/setups';
    import { csv, png, save, svgText } from './export';
    import Icon from './Icon.svelte';
    import Scroll from './Scroll.svelte';

    /** A picture with the table behind it, which can be taken away as PNG, SVG or CSV. */
    let {
        title,
        name,
        head,
        rows,
        children,
    }: { title: string; name: string; head: string[]; rows: (string | number)[][]; children: Snippet } = $props();
    let box = $state<HTMLElement | null>(null);
    let problem = $state('');
    /** The table is made when somebody looks at it: of a thousand shots it costs more than the picture. */
    let open = $state(false);

    async function take(kind: 'png' | 'svg' | 'csv') {
        problem = '';
        try {
            const svg = box?.querySelector('svg');
            const madeUp = current.fitting ? madeUpText(current.fitting.setups) : '';
            const remark = madeUp && `Simulated: ${madeUp}.`;
            if (kind === 'csv') save(new Blob([csv(head, remark ? [...rows, [remark]] : rows)], { type: 'text/csv' }), `${name}.csv`);
            else if (!svg) problem = said('picture.none');
            else if (kind === 'svg') save(new Blob([svgText(svg, remark)], { type: 'image/svg+xml' }), `${name}.svg`);
            else save(await png(svg, remark), `${name}.png`);
        } catch (e) {
            problem = say(e);
        }
    }
</script>

<section aria-label={title}>
    <h2>{title}</h2>
    <div bind:this={box}>{@render children()}</div>
    {#if problem}<p class="warn">{problem}</p>{/if}
    <details class="no-print" bind:open>
        <summary class="small"><Icon name="files" /> {said('picture.files')}<span class="visually-hidden">: {title}</span></summary>
        {#if open}<p class="take">
                {#each ['png', 'svg', 'csv'] as const as kind (kind)}<button class="plain" onclick={() => take(kind)}
                        >{kind.toUpperCase()}<span class="visually-hidden"> of {title}</span></button
                    >{/each}
            </p>
            <Scroll label="{title}, figures" height="high" framed>
                <table>
                    <thead
                        ><tr
                            >{#each head as h, i (i)}<th>{h}</th>{/each}</tr
                        ></thead
                    >
                    <tbody
                        >{#each rows as row, i (i)}<tr
                                >{#each row as cell, j (j)}<td>{cell}</td>{/each}</tr
                            >{/each}</tbody
                    >
                </table>
            </Scroll>{/if}
    </details>
</section>

<style>
    section {
        display: grid;
        gap: 6px;
        min-width: 0;
    }
    summary {
        list-style: none;
        cursor: pointer;
        min-height: 24px;
    }
    .take {
        display: flex;
        gap: 10px;
        font-size: var(--small);
    }
</style>
