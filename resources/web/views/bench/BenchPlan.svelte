<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { get, post } from '../../api/client';
    import type { BenchPlan, Fitting, Setup } from '../../api/generated/types';
    import { builtLike, sameMasses } from '../../format/setups';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Glyph from '../../parts/Glyph.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { money } from '../orders/sentences';

    // What to lay out before the player comes: a few setups far apart, in the order that needs the fewest turns of the wrench.
    let { fitting, made }: { fitting: Fitting; made: () => Promise<unknown> } = $props();
    const reading = new Loader<BenchPlan>();
    const plan = $derived(reading.value);
    const acting = new Form();
    $effect(() => {
        const id = fitting.id;
        void fitting.version;
        void reading.load(() => get<BenchPlan>(`fittings/${id}/bench-plan`));
    });
    const hit = $derived(fitting.setups.some((s) => s.shots > 0));
    type Item = BenchPlan['items'][number];
    const READINGS: Record<string, string> = { loftDeg: 'loft', lieDeg: 'lie', faceOpenDeg: 'face', massG: 'mass' };
    const words = (missing: string[]) => missing.map((m) => READINGS[m] ?? m).join(', ');
    const there = (item: Item) =>
        fitting.setups.find((s) => s.headId === item.headId && s.sleeveLabel === item.sleeve && sameMasses(item.masses, s.masses));
    const own = $derived(fitting.setups.find((s) => s.isBaseline));
    /** To the bay with it: made a setup first, where it is none yet. */
    const putInHand = (item: Item) =>
        acting.send(async () => {
            const { tag } = there(item) ?? (await post<Setup>(`fittings/${fitting.id}/setups`, builtLike(item, fitting)));
            await made();
            await push(`/fitting/${fitting.id}/bay/${tag}`);
        });
</script>

{#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
{#if plan}
    <section aria-label="Prepared bench">
        <h2>{hit ? 'Laid out' : 'Lay out before they come'}</h2>
        {#if plan.nothing}<p>{plan.nothing}</p>{:else}
            <p class="small">
                In the order that needs the fewest turns of the wrench: {plan.wrenchChanges}. About {plan.swings} swings with the own club{plan.budget
                    ? ` of ${plan.budget} in the brief`
                    : ''}.
                {#if plan.own === null}The own club is not on the bench yet.{:else if plan.own.missing.length}Not read yet on the own club: {words(
                        plan.own.missing,
                    )}.{/if}
            </p>
            <ol>
                {#each plan.items as item, i (`${item.headId} ${item.sleeve} ${item.weights}`)}
                    {@const setup = there(item)}
                    <li>
                        <span
                            ><span><b>{item.head}</b>, sleeve {item.sleeve}{item.weights ? `, ${item.weights}` : ''}</span><small
                                >{item.why}</small
                            ></span
                        >
                        <span class="small"
                            >{item.steps.join(' · ')}{i > 0 || own
                                ? ` (${item.wrenchChanges} ${item.wrenchChanges === 1 ? 'turn' : 'turns'})`
                                : ''}</span
                        >
                        <span class="small">
                            {#if !item.inStock}<b class="late">not in stock{item.leadDays === null ? '' : `, ${item.leadDays} days`}</b
                                >{/if}
                            {#if item.missing.length}not read: {words(item.missing)}{/if}
                            {#if item.price !== null}<span class:late={item.isTooDear}
                                    >{money(item.price, item.currency)}{item.isTooDear ? ', over the budget' : ''}</span
                                >{/if}
                        </span>
                        <span class="hand">
                            {#if setup}<Glyph tag={setup.tag} r={11} open={setup.counted === 0} /><span class="small"
                                    >{setup.counted ? `${setup.counted} count` : 'not hit yet'}</span
                                >{/if}
                            {#if own && item.headId !== null}<button class="quiet" disabled={acting.busy} onclick={() => putInHand(item)}
                                    >In the hand<span class="visually-hidden">: {item.head}, sleeve {item.sleeve}</span></button
                                >{/if}
                        </span>
                    </li>
                {/each}
            </ol>
        {/if}
        {#if acting.problem}<Notice kind="error">{acting.problem}</Notice>{/if}
    </section>
{/if}

<style>
    section {
        display: grid;
        gap: 8px;
    }
    ol {
        list-style: none;
        margin: 0;
        padding: 0;
        border-top: 1px solid var(--hair);
    }
    li {
        display: grid;
        grid-template-columns: minmax(220px, 3fr) minmax(200px, 3fr) minmax(120px, 2fr) auto;
        gap: 6px 18px;
        align-items: center;
        padding: 8px 0;
        border-bottom: 1px solid var(--hair);
    }
    li > span {
        display: grid;
    }
    .hand {
        display: flex;
        gap: 8px;
        align-items: center;
        justify-content: end;
    }
    .late {
        color: var(--amber);
    }
    @media (max-width: 860px) {
        li {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
