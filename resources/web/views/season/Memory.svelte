<script lang="ts">
    import type { MemoryEffect, Season } from '../../api/generated/types';
    import { plain } from '../../format/units';
    import Scroll from '../../parts/Scroll.svelte';
    import { say } from './words';

    /** What going through the earlier fittings says the memory is worth. */
    let { memory }: { memory: NonNullable<Season['memory']> } = $props();
    const DIGITS: Record<string, [by: number, digits: number]> = { spinShare: [100, 1], toeMm: [1, 1], highMm: [1, 1] };
    const figure = (e: MemoryEffect, value: number) => {
        const [by, digits] = DIGITS[e.effect] ?? [1, 2];
        return say('season.memory.figure', { value: plain(value * by, digits), effect: e.effect });
    };
</script>

<section aria-label={say('season.memory')}>
    <h2>{say('season.memory')}</h2>
    <p>{say('season.memory.how', { fittings: memory.fittings, heads: memory.heads })}</p>
    <Scroll label={say('season.memory')}
        ><table>
            <thead
                ><tr
                    ><th>{say('season.memory.head')}</th><th>{say('season.memory.without')}</th><th>{say('season.memory.with')}</th><th
                        >{say('season.memory.verdict')}</th
                    ></tr
                ></thead
            >
            <tbody>
                {#each memory.effects as e (e.effect)}<tr
                        ><td>{say('season.memory.effect', { effect: e.effect })}</td><td>{figure(e, e.without)}</td><td
                            >{figure(e, e.with)}</td
                        ><td>{say('season.memory.is', { verdict: e.verdict })}</td></tr
                    >{/each}
            </tbody>
        </table></Scroll
    >
</section>
