<script lang="ts" module>
    import type { Comparison } from '../../api/generated/types';

    /** Until somebody chooses, what is hit meanwhile joins. */
    export const firstOf = ({ benchmark, sets }: Comparison, most: number, pick = ''): string[] =>
        [...new Set([benchmark ?? '', pick, ...sets.map((s) => s.tag)])].filter(Boolean).slice(0, most);
</script>

<script lang="ts">
    import Glyph from '../../parts/Glyph.svelte';
    import { say } from './words';

    /** Which setups stand beside each other: what they are held against always, and at most six. */
    let { hit, held, chosen, onpick }: { hit: string[]; held: string | null; chosen: string[]; onpick: (tags: string[]) => void } =
        $props();
    const MOST = 6;
</script>

{#if hit.length > 2}
    <fieldset class="no-print">
        <legend class="visually-hidden">{say('answer.columns')}</legend>
        {#each hit as tag (tag)}
            <label
                ><input
                    type="checkbox"
                    aria-label={say('answer.columns.one', { tag })}
                    checked={chosen.includes(tag)}
                    onchange={(e) => onpick(e.currentTarget.checked ? [...chosen, tag] : chosen.filter((t) => t !== tag))}
                    disabled={tag === held || (chosen.length >= MOST && !chosen.includes(tag))}
                /><Glyph {tag} r={9} /></label
            >
        {/each}
    </fieldset>
{/if}

<style>
    fieldset,
    label {
        display: flex;
        flex-wrap: wrap;
        gap: 4px 14px;
        align-items: center;
        border: 0;
        padding: 0;
        margin: 0;
    }
    label {
        gap: 4px;
        min-height: 24px;
    }
</style>
