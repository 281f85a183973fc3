<script lang="ts">
    import type { SwingGroup, UnitChoice } from '../api/generated/types';
    import { swingName } from '../format/speeds';

    // Which of several swings the figures are of. Nothing is told of the mean of them.
    let {
        swing,
        swings,
        units,
        onpick,
    }: { swing?: string | null; swings?: SwingGroup[]; units: UnitChoice; onpick: (name: string) => void } = $props();
</script>

{#if swing && swings && swings.length > 1}
    <fieldset>
        <legend>Two swings were hit: each is judged by itself</legend>
        {#each swings as s (s.name)}
            <label
                ><input type="radio" name="swing" value={s.name} checked={s.name === swing} onchange={() => onpick(s.name)} />
                {swingName(s, units)}</label
            >
        {/each}
    </fieldset>
{/if}

<style>
    fieldset {
        border: 0;
        padding: 0;
        margin: 0;
        display: flex;
        flex-wrap: wrap;
        gap: 4px 18px;
    }
    legend {
        font-weight: 650;
    }
    label {
        display: flex;
        gap: 6px;
        align-items: center;
    }
</style>
