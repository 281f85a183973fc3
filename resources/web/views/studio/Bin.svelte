<script lang="ts">
    import { get, post } from '../../api/client';
    import type { BinEntry } from '../../api/generated/types';
    import { moment } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';

    const reading = new Loader<BinEntry[]>();
    const load = () => void reading.load(() => get<BinEntry[]>('bin'));
    $effect(load);
    const acting = new Form();
    const back = async (id: number) => {
        if (await acting.send(() => post(`bin/${id}/restore`, {}))) load();
    };
</script>

<p class="small">
    Fittings, players, files and what stands on the rack come back for a day. After that they are gone, but for the rack, where setups go on
    naming them.
</p>
{#if reading.problem || acting.problem}<Notice kind="error">{reading.problem || acting.problem}</Notice>{/if}
{#if reading.value}
    {#if reading.value.length === 0}<p>Nothing was thrown away in the last day.</p>{:else}
        <Scroll label="Thrown away"
            ><table>
                <thead
                    ><tr
                        ><th>What</th><th class="words">By</th><th class="words">When</th><th class="words">Comes back until</th><th
                        ></th></tr
                    ></thead
                >
                <tbody
                    >{#each reading.value as e (e.id)}<tr
                            ><td>{e.words}</td><td class="words">{e.by}</td><td class="words">{moment(e.at)}</td><td class="words"
                                >{moment(e.until)}</td
                            ><td
                                ><button class="quiet" onclick={() => back(e.id)}
                                    >Bring back<span class="visually-hidden"> {e.words}</span></button
                                ></td
                            ></tr
                        >{/each}</tbody
                >
            </table></Scroll
        >
    {/if}
{:else if !reading.problem}<Outline what="Opening …" blocks={['table']} />{/if}

<style>
    .words {
        text-align: left;
    }
</style>
