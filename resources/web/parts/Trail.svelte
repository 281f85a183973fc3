<script lang="ts">
    import type { Fitting, Setup } from '../api/generated/types';
    import { changes, parentOf } from '../format/setups';
    import { phone } from '../lib/width';
    import Glyph from './Glyph.svelte';

    let {
        fitting,
        chosen = [],
        onpick = undefined,
        marks = {},
    }: {
        fitting: Fitting;
        chosen?: string[];
        onpick?: (setup: Setup) => void;
        /** better, worse, same or open, by tag */ marks?: Record<string, string>;
    } = $props();
    const WORDS: Record<string, string> = { better: 'better', worse: 'worse', same: 'the same', open: 'open question' };

    const ROOM = 6;
    let unfolded = $state(false);
    /** The first two, the last three, and the benchmark and what is chosen stay; what lies between them folds, and says how many it is. */
    const stops = $derived.by(() => {
        const n = fitting.setups.length;
        const stays = (s: Setup, i: number) =>
            unfolded ||
            n <= ROOM ||
            i < 2 ||
            i >= n - 3 ||
            s.id === fitting.benchmarkSetupId ||
            s.id === fitting.decision?.setupId ||
            chosen.includes(s.tag);
        const out: (Setup | { id: string; hidden: number })[] = [];
        fitting.setups.forEach((s, i) => {
            const last = out.at(-1);
            if (stays(s, i)) out.push(s);
            else if (last && 'hidden' in last) last.hidden++;
            else out.push({ id: `fold ${s.id}`, hidden: 1 });
        });
        return out;
    });

    function mark(setup: Setup): string {
        if (fitting.decision?.setupId === setup.id) return 'chosen';
        if (fitting.benchmarkSetupId === setup.id) return 'benchmark';
        if (setup.shelf) return setup.shelf;
        if (setup.counted > 0 && marks[setup.tag]) return WORDS[marks[setup.tag]!] ?? '';
        return setup.counted === 0 ? 'to hit' : '';
    }
    function line(setup: Setup): string {
        const parent = parentOf(setup, fitting);
        const what = changes(setup, parent, fitting.player.units);
        return what.length ? what.join(', ') : setup.isBaseline ? setup.head : `same as ${parent?.tag ?? '–'}`;
    }
</script>

{#snippet stop(setup: Setup)}
    <li class:branch={setup.position > 1 && parentOf(setup, fitting)?.position !== setup.position - 1}>
        <button
            class="stop"
            aria-pressed={onpick ? chosen.includes(setup.tag) : undefined}
            onclick={() => onpick?.(setup)}
            disabled={!onpick}
        >
            <span class="node" class:aside={setup.shelf}><Glyph tag={setup.tag} r={10} open={setup.counted === 0} /></span>
            <span class="words">
                <b>{setup.isBaseline ? 'Own club' : `from ${parentOf(setup, fitting)?.tag ?? '–'}`}{setup.starred ? ' ★' : ''}</b>
                <span class="what" title={setup.shelf ? `${setup.shelf}: ${setup.shelfReason}` : line(setup)}>{line(setup)}</span>
                <span class="small"
                    >{setup.counted} shot{setup.counted === 1 ? '' : 's'}{setup.simulated === 0
                        ? ''
                        : setup.simulated >= setup.shots
                          ? ', simulated'
                          : `, ${setup.simulated} simulated`}{#if mark(setup)}&nbsp;· <em class={mark(setup).replace(' ', '-')}
                            >{mark(setup)}</em
                        >{/if}</span
                >
            </span>
        </button>
    </li>
{/snippet}

{#snippet list()}
    <ol class="no-print" aria-label="Trail of setups">
        {#each stops as s (s.id)}
            {#if 'hidden' in s}<li class="fold">
                    <button class="quiet" onclick={() => (unfolded = true)}>{s.hidden} between</button>
                </li>{:else}{@render stop(s)}{/if}
        {/each}
        {#if fitting.setups.length === 0}<li class="empty">The trail begins with the player’s own club.</li>{/if}
    </ol>
{/snippet}

{#if phone.current && fitting.setups.length}<details class="no-print">
        <summary
            >{#each fitting.setups.slice(0, 8) as s (s.id)}<Glyph tag={s.tag} r={6} open={s.counted === 0} lettered={false} />{/each}
            {fitting.setups.length === 1 ? '1 setup' : `${fitting.setups.length} setups`}</summary
        >
        {@render list()}
    </details>{:else}{@render list()}{/if}

<style>
    ol {
        display: flex;
        list-style: none;
        margin: 0;
        padding: 8px 20px;
        background: var(--sheet);
        border-bottom: 1px solid var(--hair);
        overflow-x: auto;
        min-height: 76px;
        align-items: center;
    }
    li {
        flex: 1 1 0;
        min-width: 168px;
        position: relative;
    }
    li + li::before {
        content: '';
        position: absolute;
        top: 18px;
        left: -30%;
        width: 28%;
        border-top: 1.5px solid var(--hair);
    }
    /* A line that does not come from the stop before it. */
    .branch::before {
        border-top-style: dashed;
    }
    .stop {
        display: flex;
        gap: 8px;
        align-items: flex-start;
        background: none;
        border: 0;
        padding: 2px 6px;
        color: inherit;
        text-align: left;
        opacity: 1;
        position: relative;
        max-width: 100%;
    }
    .node {
        border-radius: 50%;
        line-height: 0;
    }
    .stop[aria-pressed='true'] .node {
        box-shadow: 0 0 0 2px var(--ink);
    }
    .words {
        display: grid;
        line-height: 1.25;
        min-width: 0;
    }
    b {
        font-weight: 620;
        font-size: 14px;
    }
    .what {
        font-size: var(--small);
        color: var(--ink-2);
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
        max-width: 170px;
    }
    em {
        font-style: normal;
        font-weight: 620;
        color: var(--mint);
    }
    .aside {
        opacity: 0.45;
    }
    em.worse {
        color: var(--brick);
    }
    em.open-question,
    em.the-same {
        color: var(--ink-2);
    }
    em.parked,
    em.dropped,
    em.to-hit {
        color: var(--amber);
    }
    summary {
        padding: 4px 12px;
        border-bottom: 1px solid var(--hair);
        font-size: var(--small);
        cursor: pointer;
    }
    .fold {
        flex: 0 0 auto;
        min-width: 110px;
    }
    .empty {
        color: var(--ink-2);
    }
</style>
