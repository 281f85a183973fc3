<script lang="ts">
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import type { Row } from './figures';
    import { say } from './words';

    /** Figures of setups beside each other: a row for each measure. */
    let {
        label,
        tags,
        held,
        counts,
        rows,
        onhold = undefined,
    }: {
        label: string;
        tags: string[];
        held: string | null;
        counts: Record<string, number>;
        rows: Row[];
        /** The others shall be held against this one. */
        onhold?: (tag: string) => void;
    } = $props();
</script>

<Scroll {label}>
    <table>
        <thead
            ><tr
                ><th><span class="visually-hidden">{say('answer.figures.measure')}</span></th>{#each tags as tag (tag)}<th
                        ><Glyph {tag} r={9} /><br /><small>{say('answer.card.shots', { n: counts[tag] ?? 0 })}</small><br
                        />{#if tag === held}<b>{say('answer.card.benchmark')}</b>{:else if onhold}<button
                                class="plain no-print"
                                onclick={() => onhold(tag)}>{say('answer.figures.hold')}<span class="visually-hidden">: {tag}</span></button
                            >{/if}</th
                    >{/each}</tr
            ></thead
        >
        <tbody
            >{#each rows as row (row.name)}<tr
                    ><td>{row.name} <small>{row.unit}</small></td>{#each row.cells as cell, i (i)}<td class={cell.tone}
                            >{cell.big}{#if cell.small}<small>{cell.small}</small>{/if}</td
                        >{/each}</tr
                >{/each}</tbody
        >
    </table>
</Scroll>

<style>
    td small {
        display: block;
        font-weight: 400;
    }
    td:first-child small {
        display: inline;
    }
    td:not(:first-child) {
        font-weight: 600;
    }
    td.weak {
        color: var(--ink-2);
        font-weight: 400;
    }
    .harm {
        color: var(--brick);
    }
    .computed {
        font-style: italic;
    }
</style>
