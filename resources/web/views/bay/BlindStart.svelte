<script lang="ts">
    import type { Fitting } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';

    let { fitting, begin }: { fitting: Fitting; begin: (setupIds: number[], rounds: number, shotsEach: number) => void } = $props();
    let chosen = $state<number[]>([]);
    let rounds = $state(2);
    let shotsEach = $state(3);
    const offered = $derived(fitting.setups.filter((s) => s.shelf === ''));
    const ready = $derived(chosen.length === 2 || chosen.length === 3);
</script>

<details>
    <summary>Blind trial</summary>
    <p class="small">
        Two or three settings in random order. The screen tells which was which only at the end. A player who knows the setting aims against
        it.
    </p>
    <form onsubmit={(e) => (e.preventDefault(), begin(chosen, rounds, shotsEach))}>
        <fieldset>
            <legend class="visually-hidden">Settings of the blind trial</legend>
            {#each offered as s (s.id)}<label
                    ><input type="checkbox" value={s.id} aria-label="Blind {s.tag}" bind:group={chosen} /><Glyph tag={s.tag} r={9} /></label
                >{/each}
        </fieldset>
        <label
            >Rounds <select bind:value={rounds}
                >{#each [1, 2, 3, 4] as n (n)}<option value={n}>{n}</option>{/each}</select
            ></label
        >
        <label
            >Shots each <select bind:value={shotsEach}
                >{#each [2, 3, 4, 5] as n (n)}<option value={n}>{n}</option>{/each}</select
            ></label
        >
        <button class="quiet" disabled={!ready}>Begin blind{ready ? `: ${chosen.length * rounds * shotsEach} swings` : ''}</button>
    </form>
</details>

<style>
    form,
    fieldset {
        display: flex;
        flex-wrap: wrap;
        gap: 8px;
        align-items: center;
        border: 0;
        padding: 0;
        margin: 0;
    }
    form {
        padding-top: 6px;
    }
    label {
        display: flex;
        gap: 4px;
        align-items: center;
    }
</style>
