<script lang="ts">
    import { get } from '../../api/client';
    import type { Appointment, Today } from '../../api/generated/types';
    import { say } from '../../format/sentences';
    import { when } from '../../format/times';
    import { Loader } from '../../lib/load.svelte';
    import { dayWords } from '../calendar/days';

    /** What there is to do today: who comes next, and who waits for what. */
    interface Line {
        href: string;
        who: string;
        what: string;
        late?: boolean;
    }
    const reading = new Loader<Today>();
    $effect(() => void reading.load(() => get<Today>('today')));
    const today = $derived(reading.value);
    const comes = (a: Appointment): Line => ({
        href: a.fittingId ? `#/fitting/${a.fittingId}/brief` : `#/calendar/${a.day}`,
        who: a.player?.name ?? '',
        what: [a.day === today?.today ? '' : dayWords(a.day), a.time, a.bay?.name ?? ''].filter(Boolean).join(', '),
    });
    const groups = $derived.by((): [string, Line[]][] => {
        if (!today) return [];
        const { next, decisions, orders, rounds } = today;
        return [
            ['next', next.map(comes)],
            ['decisions', decisions.map((d) => ({ href: `#/fitting/${d.fittingId}/answer`, who: d.player, what: d.what }))],
            [
                'orders',
                orders.map((o) => ({
                    href: `#/orders/${o.orderId}`,
                    who: o.player,
                    what: say('today.waits', { what: o.what, late: o.isLate ? 'yes' : 'no' }),
                    late: o.isLate,
                })),
            ],
            [
                'rounds',
                rounds.map((r) => ({
                    href: `#/fitting/${r.fittingId}/follow-up`,
                    who: r.player,
                    what: say('today.since', { at: when(r.what) }),
                })),
            ],
        ];
    });
</script>

<section aria-label={say('today')}>
    {#each groups as [name, lines] (name)}
        <div>
            <h2>{say(`today.${name}`)}</h2>
            {#each lines as line (line.href + line.what)}<a href={line.href} class:late={line.late}
                    ><b>{line.who}</b>{#if line.what}<small>{line.what}</small>{/if}</a
                >{:else}<small>{say(`today.${name}.none`)}</small>{/each}
        </div>
    {/each}
</section>

<style>
    section {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 8px 24px;
        min-height: 84px;
    }
    div {
        display: grid;
        gap: 6px;
        align-content: start;
        border-top: 3px solid var(--mint);
        padding-top: 8px;
        min-width: 0;
    }
    a {
        display: grid;
        color: inherit;
        text-decoration: none;
    }
    b {
        text-decoration: underline;
        font-weight: 620;
    }
    small {
        overflow: hidden;
        text-overflow: ellipsis;
        white-space: nowrap;
    }
    .late small {
        color: var(--brick);
        font-weight: 600;
    }
    @media (max-width: 860px) {
        section {
            grid-template-columns: repeat(2, minmax(0, 1fr));
        }
    }
</style>
