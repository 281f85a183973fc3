<script lang="ts">
    import { get } from '../../api/client';
    import type { KnownPlayer, Look } from '../../api/generated/types';
    import { moment } from '../../format/times';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';

    // Whose data: a person by name, and who looked at whom.
    let wanted = $state('');
    let onlyExports = $state(false);
    const players = new Loader<KnownPlayer[]>();
    const looks = new Loader<Look[]>();
    $effect(() => {
        const q = wanted.trim();
        const wait = setTimeout(() => void players.load(() => get<KnownPlayer[]>(`players?q=${encodeURIComponent(q)}`)), 200);
        return () => clearTimeout(wait);
    });
    $effect(() => {
        const query = onlyExports ? '?exports=1' : '';
        void looks.load(() => get<Look[]>(`data/looks${query}`));
    });
</script>

<section aria-label="A person">
    <h2>A person</h2>
    <p class="small">See all that is kept about somebody, take it along in one file, or erase it: on their page.</p>
    <input type="search" placeholder="Player" aria-label="Search players" bind:value={wanted} />
    {#if players.problem}<Notice kind="error">{players.problem}</Notice>{/if}
    <ul>
        {#each players.value ?? [] as p (p.id)}<li>
                <a href="#/player/{p.id}">{p.name}</a> <span class="small">{p.hand}-handed</span>
            </li>{:else}{#if players.value}<li>No player has that name.</li>{/if}{/each}
    </ul>
</section>
<section aria-label="Who looked">
    <div class="top">
        <h2>Who looked at which player, and took data out</h2>
        <label class="small"><input type="checkbox" bind:checked={onlyExports} /> only data that was taken out</label>
    </div>
    {#if looks.problem}<Notice kind="error">{looks.problem}</Notice>{/if}
    {#if looks.value}
        {#if looks.value.length === 0}<p>Nobody yet.</p>{:else}
            <Scroll label="Looks"
                ><table>
                    <thead
                        ><tr><th>Who</th><th class="words">Did</th><th class="words">Of</th><th class="words">First on that day</th></tr
                        ></thead
                    >
                    <tbody
                        >{#each looks.value as l (l.id)}<tr
                                ><td>{l.by}</td><td class="words">{l.what}{l.fitting ? ` (fitting ${l.fitting})` : ''}</td><td class="words"
                                    >{l.player || 'a player who is gone'}</td
                                ><td class="words">{moment(l.at)}</td></tr
                            >{/each}</tbody
                    >
                </table></Scroll
            >
            <p class="small">Each person, fitting and kind is written down once a day and kept for 400 days. The newest 200 are shown.</p>
        {/if}
    {:else if !looks.problem}<Outline what="Opening …" blocks={['table']} />{/if}
</section>

<style>
    section {
        display: grid;
        gap: 10px;
    }
    input[type='search'] {
        max-width: 280px;
    }
    ul {
        list-style: none;
        padding: 0;
        columns: 260px;
    }
    li {
        break-inside: avoid;
    }
    .top {
        display: flex;
        gap: 20px;
        align-items: baseline;
        flex-wrap: wrap;
    }
    .words {
        text-align: left;
    }
</style>
