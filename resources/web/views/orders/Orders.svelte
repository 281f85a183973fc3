<script lang="ts">
    import type { Order } from '../../api/generated/types';
    import { session } from '../../lib/session.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import OrderDetail from './OrderDetail.svelte';
    import { OrdersPlace } from './orders.svelte';
    import { dueText, money, STEP_WORDS } from './sentences';

    let { params }: { params?: { id?: string } } = $props();
    const place = new OrdersPlace();
    $effect(() => {
        place.open = params?.id ? Number(params.id) : null;
    });
    $effect(() => void place.load());
    const orders = $derived(place.reading.value);
    // In the order of the work: what the studio can do today first.
    const GROUPS: [string, Order['state'][]][] = [
        ['To be ordered', ['asked', 'returned']],
        ['On the way', ['ordered']],
        ['On the workbench', ['arrived', 'built']],
        ['Ready for the player', ['checked']],
        ['Done with', ['handed over', 'cancelled']],
    ];
    const isDesk = $derived(session.user?.role === 'desk');
    /** The one thing that comes next; the rest stands under the order. */
    const nextOf = (o: Order) =>
        o.next.find((s) => ['ordered', 'arrived', 'built', 'handed over'].includes(s) && !(o.state === 'checked' && s === 'built'));
</script>

<TopBar place="orders" />
<main>
    <div class="top">
        <h1>Orders</h1>
        <span class="ways">
            {#if place.last}<button class="plain" onclick={() => place.undo()}>Undo: {place.last.words}</button>{/if}
            <a href="/api/orders.csv" download="orders.csv">For the till (CSV)</a>
        </span>
    </div>
    {#if place.reading.problem}<Notice kind="error">{place.reading.problem}</Notice>{/if}
    {#if place.acting.problem}<Notice kind="error">{place.acting.problem}</Notice>{/if}
    {#if place.acting.note}<Notice kind="good">{place.acting.note}</Notice>{/if}
    {#if orders === null && !place.reading.problem}<Outline what="Opening the orders …" blocks={['table']} />
    {:else if orders?.length === 0}<p>No order yet. After a decision, order the club from its sheet.</p>
    {:else if orders}
        {#each GROUPS as [title, states] (title)}
            {@const here = orders.filter((o) => states.includes(o.state))}
            {#if here.length}
                <section aria-label={title}>
                    <h2>{title}</h2>
                    <ul>
                        {#each here as o (o.id)}
                            <li class:open={place.open === o.id}>
                                <div class="row">
                                    <button
                                        class="plain who"
                                        aria-expanded={place.open === o.id}
                                        onclick={() => (place.open = place.open === o.id ? null : o.id)}><b>{o.player.name}</b></button
                                    >
                                    <span>{o.club}<small>{o.player.hand}-handed</small></span>
                                    <span class="state" class:late={o.isLate}
                                        >{o.state}{#if o.waitsFor}<small>waits {o.waitsFor}{dueText(o) ? `, ${dueText(o)}` : ''}</small
                                            >{:else if o.why}<small>{o.why}</small>{/if}</span
                                    >
                                    <span class="price">{money(o.total, o.currency)}</span>
                                    <span class="act">
                                        {#if o.state === 'built' && !isDesk}<button onclick={() => (place.open = o.id)}>Read it</button>
                                        {:else if nextOf(o)}<button
                                                disabled={place.acting.busy}
                                                onclick={() => place.change(o, { state: nextOf(o) })}
                                                >{STEP_WORDS[nextOf(o)!]}<span class="visually-hidden">: {o.player.name}</span></button
                                            >{/if}
                                    </span>
                                </div>
                                {#if place.open === o.id}<OrderDetail {place} order={o} />{/if}
                            </li>
                        {/each}
                    </ul>
                </section>
            {/if}
        {/each}
    {/if}
</main>

<style>
    main {
        max-width: 1120px;
        margin: 0 auto;
        padding: 22px 20px;
        display: grid;
        gap: 18px;
    }
    .top,
    .ways {
        display: flex;
        gap: 16px;
        align-items: center;
        justify-content: space-between;
        flex-wrap: wrap;
    }
    ul {
        list-style: none;
        padding: 0;
        margin: 6px 0 0;
        border-top: 1px solid var(--ink);
    }
    li {
        border-bottom: 1px solid var(--hair);
    }
    .row {
        display: grid;
        grid-template-columns: 170px minmax(0, 1fr) 190px 110px 150px;
        gap: 16px;
        align-items: center;
        padding: 9px 6px;
    }
    .row span {
        display: grid;
    }
    .who {
        text-align: left;
        color: var(--ink);
        text-decoration: none;
    }
    .state {
        font-weight: 560;
    }
    .late,
    .late small {
        color: var(--brick);
    }
    .price {
        text-align: right;
    }
    .act {
        justify-items: end;
    }
    .open {
        background: var(--sheet);
    }
    @media (max-width: 860px) {
        main {
            padding: 14px;
        }
        .row {
            grid-template-columns: 1fr 1fr;
        }
        .price {
            text-align: left;
        }
    }
</style>
