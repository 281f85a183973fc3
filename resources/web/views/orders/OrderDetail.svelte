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
    import { clubFigure, effectTexts, FIGURES, mendTexts, offText, STEP_WORDS, verdictText } from './sentences';

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
</script>

<div class="detail">
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
            <a href="#/fitting/{order.fittingId}/sheet">The sheet</a>
        </p>
    </form>
    <div class="beside">
        {#if !isDesk}
            {#if order.state === 'built' || order.state === 'checked'}<AcceptanceForm {place} {order} />{/if}
            {#if last}
                {@const report = last.report}
                <section aria-label="As it was read">
                    <h3>
                        Read {moment(last.at)} by {last.by}
                        {#if last.source === 'simulated'}<Simulated />{/if}
                    </h3>
                    <p class:bad={!report.isGood}><b>{verdictText(report)}</b></p>
                    <table>
                        <thead><tr><th></th><th>Ordered</th><th>Delivered</th><th>Off</th><th>May be</th></tr></thead>
                        <tbody>
                            {#each report.checks as c (c.name)}
                                <tr class:bad={c.isWithin === false}
                                    ><td>{FIGURES[c.name]}</td><td>{c.ordered === null ? '–' : clubFigure(c.name, c.ordered, units)}</td><td
                                        >{clubFigure(c.name, c.delivered, units)}</td
                                    ><td>{offText(c.name, c.off, units)}{c.isWithin === false ? ' ✗' : c.isWithin ? ' ✓' : ''}</td><td
                                        >± {offText(c.name, c.tolerance, units).replace('+', '')}</td
                                    ></tr
                                >
                            {/each}
                        </tbody>
                    </table>
                    {#if report.effect}
                        <p><b>For this player’s ball, by the models:</b> {effectTexts(report, units).join(' ')}</p>
                    {/if}
                    {#each mendTexts(report, units) as text (text)}<p>{text}</p>{/each}
                    {#if last.acceptedAt}<p class="small">Taken {moment(last.acceptedAt)}{last.why ? `: ${last.why}` : ''}.</p>
                    {:else if report.isHandRight && order.state === 'built'}
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
                </section>
            {/if}
        {/if}
        <p class="acts">
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
        <ol class="small">
            {#each order.steps as s (s.at + s.state)}<li>{s.state}: {moment(s.at)}, {s.by}</li>{/each}
        </ol>
    </div>
</div>

<style>
    .detail {
        display: grid;
        grid-template-columns: minmax(280px, 5fr) 7fr;
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
