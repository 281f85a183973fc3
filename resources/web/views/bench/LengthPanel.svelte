<script lang="ts">
    import { post, put } from '../../api/client';
    import type { Fitting, LengthBalance, LengthPlan, Setup } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { lengthText } from '../../format/setups';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Balances from '../calculators/Balances.svelte';

    /** A setup brought to another length with its balance held; the way that is chosen stands on the build page. */
    let { fitting, setup, onsaved, oncancel }: { fitting: Fitting; setup: Setup; onsaved: () => void; oncancel: () => void } = $props();
    const units = $derived(fitting.player.units);
    // svelte-ignore state_referenced_locally
    let toLength = $state(
        setup.lengthMm === null ? '' : lengthText(setup.lengthPlan?.lengthMm ?? setup.lengthMm, fitting.player.units).split(' ')[0]!,
    );
    let toSwingWeight = $state('');
    let toTotalG = $state('');
    let seen = $state<LengthBalance | null>(null);
    /** The length that the answer is for, mm. */
    let seenMm = $state(0);
    const sending = new Form();
    const { err } = sending;

    async function ask(event?: SubmitEvent) {
        event?.preventDefault();
        await sending.send(async () => {
            const body = {
                toLength: { value: toLength, unit: units.length },
                toSwingWeight: toSwingWeight || null,
                toTotalG: toTotalG || null,
            };
            const answer = await post<LengthBalance>(`setups/${setup.id}/length`, body);
            seen = answer;
            const first = answer.solutions[0];
            // What is cut off tells the length, in the unit that is kept.
            seenMm = first && setup.lengthMm !== null ? setup.lengthMm - first.tipCutMm - first.buttCutMm : 0;
        });
    }
    async function keep(plan: LengthPlan | null) {
        if (await sending.send(() => put<Setup>(`setups/${setup.id}/length-plan`, { plan }))) onsaved();
    }
</script>

<section class="panel" aria-label="Length and balance of {setup.tag}">
    <h2>Length and balance of {setup.tag}</h2>
    <p class="small">
        Hit at {lengthText(setup.lengthMm, units) || 'no length said'}{setup.swingWeight ? `, ${setup.swingWeight.label}` : ''}. Type the
        length you want. Swing weight and total mass stay the same unless you change them.
    </p>
    <form onsubmit={ask} novalidate>
        <Field label="Length wanted" hint={units.length} error={err('toLength') || err('toLengthMm')}
            ><input inputmode="decimal" required bind:value={toLength} /></Field
        >
        <Field label="Swing weight" hint="D2.5; empty: held" error={err('toSwingWeight') || err('swingWeight') || err('swingWeightPoints')}
            ><input maxlength="8" bind:value={toSwingWeight} /></Field
        >
        <Field label="Total mass" hint="g; empty: held" error={err('toTotalG') || err('totalG')}
            ><input inputmode="decimal" bind:value={toTotalG} /></Field
        >
        <button disabled={sending.busy}>Show the ways</button>
        <button type="button" class="quiet" onclick={oncancel}>Close</button>
        {#if setup.lengthPlan}<button type="button" class="plain" onclick={() => void keep(null)}>Drop the plan</button>{/if}
    </form>
    {#if sending.problem}<Notice kind="error">{sending.problem}</Notice>{/if}
    {#if seen}<Balances
            balance={seen}
            lengthUnit={units.length}
            onkeep={(s) =>
                void keep({
                    lengthMm: seenMm,
                    headG: s.headG,
                    buttG: s.buttG,
                    gripG: s.gripG,
                    tipCutMm: s.tipCutMm,
                    buttCutMm: s.buttCutMm,
                    swingWeightPoints: s.swingWeightPoints,
                    totalG: s.totalG,
                })}
        />{/if}
</section>

<style>
    section {
        display: grid;
        gap: 10px;
    }
    form {
        display: flex;
        flex-wrap: wrap;
        gap: 10px 14px;
        align-items: end;
    }
    form :global(.field) {
        width: 150px;
    }
</style>
