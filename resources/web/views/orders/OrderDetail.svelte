<script lang="ts">
    import { untrack } from 'svelte';
    import type { Order } from '../../api/generated/types';
    import { shownNumber, typed } from '../../lib/numbers';
    import { session } from '../../lib/session.svelte';
    import Field from '../../parts/Field.svelte';
    import Simulated from '../../parts/Simulated.svelte';
    import { moment } from '../../format/times';
    import AcceptanceForm from './AcceptanceForm.svelte';
    import type { OrdersPlace } from './orders.svelte';
    import Dial from './Dial.svelte';
    import { effectTexts, FIGURES, mendTexts, money, STEP_WORDS, verdictText } from './sentences';

    let { place, order }: { place: OrdersPlace; order: Order } = $props();
    const units = $derived(order.player.units);
    const isDesk = $derived(session.user?.role === 'desk');
    const from = () => ({
        lines: order.lines.map((l) => ({ what: l.what, label: l.label, price: shownNumber(l.price) })),
        labour: shownNumber(order.labour),
        currency: order.currency,
        days: shownNumber(order.days),
        dueOn: order.dueOn ?? '',
        note: order.note,
    });
    let v = $state(untrack(from));
    let why = $state('');
    let asked = $state<'returned' | 'cancelled' | null>(null);
    const err = (field: string) => place.acting.err(field);
    async function save(event: SubmitEvent) {
        event.preventDefault();
        const ok = await place.change(order, {
            lines: v.lines.map((l) => ({ ...l, price: typed(l.price) })),
            labour: typed(v.labour) ?? 0,
            currency: v.currency,
            days: typed(v.days),
            dueOn: v.dueOn || null,
            note: v.note,
        });
        if (ok) v = from();
    }
    async function leave(to: 'returned' | 'cancelled') {
        if (await place.change(order, { state: to, why })) [asked, why] = [null, ''];
    }
    const others = $derived(order.next.filter((s) => s !== 'checked' && !['ordered', 'arrived', 'handed over'].includes(s)));
    const last = $derived(order.acceptances[0] ?? null);
    const mends = $derived(last ? mendTexts(last.report, units) : []);
    /** What was ordered, before it was read too. */
    const dials = $derived(
        Object.keys(FIGURES).map((name) => {
            const check = last?.report.checks.find((c) => c.name === name);
            return {
                name,
                ordered: order.figures[name as keyof typeof order.figures] as number | null,
                delivered: check?.delivered ?? null,
                off: check?.off ?? null,
                tolerance: check?.tolerance ?? order.tolerances[name] ?? 1,
            };
        }),
    );
</script>

{#snippet drawer()}
    <form onsubmit={save}>
        {#each v.lines as line, i (i)}
            <div class="line">
                <Field label={line.what}><input required maxlength="120" bind:value={line.label} /></Field>
                <Field label="Price" error={err(`lines.${i}.price`)}><input inputmode="decimal" bind:value={line.price} /></Field>
                <button type="button" class="plain" aria-label="Remove {line.label}" onclick={() => v.lines.splice(i, 1)}>Remove</button>
            </div>
        {/each}
        <div class="few">
            <Field label="Labour" error={err('labour')}><input inputmode="decimal" bind:value={v.labour} /></Field>
            <Field label="Currency" error={err('currency')}><input maxlength="8" bind:value={v.currency} /></Field>
            <Field label="Days" hint="till it comes" error={err('days')}><input inputmode="numeric" bind:value={v.days} /></Field>
            <Field label="Due" error={err('dueOn')}><input type="date" bind:value={v.dueOn} /></Field>
        </div>
        <Field label="Note"><textarea rows="2" maxlength="500" bind:value={v.note}></textarea></Field>
        <p class="acts">
            <button class="quiet" disabled={place.acting.busy}>Save</button>
            <button type="button" class="plain" onclick={() => v.lines.push({ what: 'other', label: '', price: '' })}>Another line</button>
        </p>
    </form>
{/snippet}

<div class="detail">
    {#if !isDesk}
        <section aria-label="As it was read">
            <div class="dials">
                {#each dials as dial (dial.name)}<Dial {...dial} {units} />{/each}
            </div>
            {#if last}
                <p class="verdict" class:bad={!last.report.isGood}>{verdictText(last.report)}</p>
                {#if mends.length}<p class="mend">{mends[0]}</p>{/if}
                {#if mends.length > 1}<p class="small">Then read it again. {mends.slice(1).join(' ')}</p>{/if}
                {#if last.report.effect}<p>For this player’s ball, by the models: {effectTexts(last.report, units).join(' ')}</p>{/if}
                <p class="small">
                    Read {moment(last.at)} by {last.by}
                    {#if last.source === 'simulated'}<Simulated />{/if}
                </p>
                {#if last.acceptedAt}<p class="small">Taken {moment(last.acceptedAt)}{last.why ? `: ${last.why}` : ''}.</p>
                {:else if last.report.isHandRight && order.state === 'built'}
                    <form
                        class="take"
                        onsubmit={(e) => {
                            e.preventDefault();
                            void place.take(order, why);
                        }}
                    >
                        <Field label="Take it as it is, because" error={err('why')}><input maxlength="300" bind:value={why} /></Field>
                        <button class="quiet">Take it</button>
                    </form>
                {/if}
            {/if}
            {#if order.state === 'built' || order.state === 'checked'}<AcceptanceForm {place} {order} />{/if}
        </section>
    {/if}
    <div class="beside">
        <p class="acts">
            <a href="#/fitting/{order.fittingId}/sheet">The sheet</a>
            {#each others as s (s)}
                {#if s === 'returned' || s === 'cancelled'}<button class="quiet" onclick={() => (asked = s)}>{STEP_WORDS[s]}</button>
                {:else}<button class="quiet" onclick={() => place.change(order, { state: s })}
                        >{s === 'built' ? 'Back to the workbench' : STEP_WORDS[s]}</button
                    >{/if}
            {/each}
        </p>
        {#if asked}
            <form
                class="take"
                onsubmit={(e) => {
                    e.preventDefault();
                    void leave(asked!);
                }}
            >
                <Field label="Why?" error={err('why')}><input maxlength="300" bind:value={why} /></Field>
                <button class="quiet">{STEP_WORDS[asked]}</button>
            </form>
        {/if}
        <details open={isDesk || order.state === 'asked'}>
            <summary>Parts and prices: {money(order.total, order.currency)}</summary>
            {@render drawer()}
        </details>
        <ol class="small">
            {#each order.steps as s (s.at + s.state)}<li>{s.state}: {moment(s.at)}, {s.by}</li>{/each}
        </ol>
    </div>
</div>

<style>
    .detail {
        display: grid;
        grid-template-columns: 7fr minmax(280px, 5fr);
        gap: 28px;
        padding: 8px 6px 20px;
    }
    form,
    .beside,
    section {
        display: grid;
        gap: 10px;
        align-content: start;
    }
    .line {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 100px auto;
        gap: 10px;
        align-items: end;
    }
    .few {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 10px;
    }
    .dials {
        display: grid;
        grid-template-columns: repeat(3, minmax(0, 1fr));
        gap: 8px;
    }
    .verdict {
        font-size: 21px;
        font-weight: 650;
    }
    .mend {
        font-size: var(--lead);
        border-left: 3px solid var(--mint);
        padding-left: 10px;
    }
    details form {
        padding-top: 10px;
    }
    .acts {
        display: flex;
        gap: 12px;
        flex-wrap: wrap;
        align-items: center;
    }
    .take {
        grid-template-columns: minmax(0, 1fr) auto;
        align-items: end;
    }
    .bad {
        color: var(--brick);
    }
    ol {
        padding-left: 18px;
    }
    @media (max-width: 860px) {
        .detail {
            grid-template-columns: minmax(0, 1fr);
        }
        .few {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
