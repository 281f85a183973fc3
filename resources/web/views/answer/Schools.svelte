<script lang="ts">
    import type { Schools } from '../../api/generated/types';
    import Glyph from '../../parts/Glyph.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import { policyName, schoolsText } from './choice';
    import { say } from './words';

    let { schools, pick, own }: { schools: Schools; pick: string; own: string } = $props();
</script>

<section>
    <h2>{say('answer.schools')}</h2>
    <p>{schoolsText(schools)}</p>
    <Scroll label={say('answer.schools.table')}>
        <table>
            <thead
                ><tr
                    ><th>{say('answer.schools.best')}</th>{#each schools.policies as p (p.name)}<th>{policyName(p.name)}</th>{/each}</tr
                ></thead
            >
            <tbody>
                {#each schools.rows as row (row.scoring)}
                    <tr>
                        <td
                            >{row.scoring}{#if row.declared}&nbsp;<small>{say('answer.schools.asked')}</small>{/if}</td
                        >
                        {#each row.cells as cell, i (i)}
                            <td class:other={cell !== null && cell.pick !== pick}
                                >{#if cell}<Glyph tag={cell.pick} r={9} />
                                    <small
                                        >{cell.ownIsLevel && cell.pick !== own
                                            ? say('answer.schools.level', { own })
                                            : cell.ties.length
                                              ? say('answer.schools.ties', { tags: cell.ties.join(' ') })
                                              : say('answer.schools.alone')}</small
                                    >{:else}–{/if}</td
                            >
                        {/each}
                    </tr>
                {/each}
            </tbody>
        </table>
    </Scroll>
</section>

<style>
    section {
        display: grid;
        gap: 8px;
        align-content: start;
    }
    td > small {
        display: inline-block;
    }
    .other {
        background: var(--amber-wash);
    }
</style>
