<script lang="ts">
    import { push } from 'svelte-spa-router';
    import { remove } from '../api/client';
    import { madeUpText } from '../format/setups';
    import Icon from './Icon.svelte';
    import Simulated from './Simulated.svelte';
    import { digitOf } from '../lib/digits';
    import { session, signedOut } from '../lib/session.svelte';
    import { isDark, setDark } from '../lib/theme';
    import { phone } from '../lib/width';
    import type { Fitting, Missing } from '../api/generated/types';

    let {
        fitting = null,
        step = null,
        place = 'book',
    }: { fitting?: Fitting | null; step?: keyof Missing | null; place?: string } = $props();

    const ALL: [keyof Missing, string][] = [
        ['brief', 'Brief'],
        ['bench', 'Bench'],
        ['bay', 'Bay'],
        ['answer', 'Answer'],
        ['sheet', 'Sheet'],
    ];
    const isDesk = $derived(session.user?.role === 'desk');
    /** The front desk sees what was decided and no judging. */
    const STEPS = $derived(isDesk ? ALL.filter(([name]) => name === 'sheet') : ALL);
    /** Said on every screen of a fitting. */
    const madeUp = $derived(fitting ? madeUpText(fitting.setups) : '');
    let dark = $state(isDark());

    function flip() {
        dark = !isDark();
        setDark(dark);
    }
    async function leave() {
        await remove('session');
        signedOut();
        push('/');
    }
    function keys(event: KeyboardEvent) {
        const target = event.target as HTMLElement;
        if (!fitting || event.ctrlKey || event.metaKey || event.altKey || target.matches('input, textarea, select')) return;
        const wanted = STEPS[Number(digitOf(event)) - 1];
        if (wanted) push(`/fitting/${fitting.id}/${wanted[0]}`);
    }
</script>

<svelte:window onkeydown={keys} />

{#snippet places()}
    {#if session.user}
        <nav aria-label="Studio">
            <a href="#/" aria-current={place === 'book' ? 'page' : undefined}>Day book</a>
            <a href="#/calendar" aria-current={place === 'calendar' ? 'page' : undefined}>Calendar</a>
            <a href="#/orders" aria-current={place === 'orders' ? 'page' : undefined}>Orders</a>
            {#if !isDesk}<a href="#/rack" aria-current={place === 'rack' ? 'page' : undefined}>Rack</a>
                <a href="#/calculators" aria-current={place === 'calculators' ? 'page' : undefined}>Calculators</a>
                <a href="#/season" aria-current={place === 'season' ? 'page' : undefined}>Season</a>
                <a href="#/studio" aria-current={place === 'studio' ? 'page' : undefined}>Studio</a>{/if}
        </nav>
    {/if}
{/snippet}
{#snippet rest()}
    {#if fitting && !isDesk}<a href="#/rack">Rack</a><a href="#/calculators" class="calc">Calculators</a>{/if}
    <button class="plain" onclick={flip}>{dark ? 'Light' : 'Dark'}</button>
    {#if session.user}{#if !fitting}<a href="#/account" aria-current={place === 'account' ? 'page' : undefined}>Account</a>{/if}<button
            class="plain"
            onclick={leave}>Sign out</button
        >{/if}
{/snippet}

<header class="no-print" class:fitting={fitting !== null}>
    <a class="mark" href="#/" aria-label="Mint Carry: day book">mint<i>carry</i></a>
    {#if fitting}
        <span class="who"
            ><a class="player" href="#/player/{fitting.player.id}"><b>{fitting.player.name}</b></a>
            <span class="plays"> · {fitting.player.hand}-handed</span><span class="more"
                >&nbsp;·
                {fitting.player.units.distance === 'yd' ? 'yards' : 'metres'}, {fitting.player.units.speed} · {fitting.brief.temperatureC} °C,
                {fitting.brief.turf} ground</span
            >
            {#if madeUp}<span class="made" title={madeUp}><Simulated /><span class="visually-hidden">: {madeUp}</span></span>{/if}</span
        >
        <nav aria-label="Steps">
            {#each STEPS as [name, label], i (name)}
                <a
                    href="#/fitting/{fitting.id}/{name}"
                    aria-current={step === name ? 'step' : undefined}
                    title="{i + 1} on the keyboard{fitting.missing[name] ? ` · ${fitting.missing[name]}` : ''}"
                    >{label}{#if fitting.missing[name]}<span class="dot"
                            ><span class="visually-hidden">: {fitting.missing[name]}</span></span
                        >{/if}</a
                >
            {/each}
        </nav>
    {:else}
        <span class="who">{session.user?.studio ?? ''}</span>
        {#if !phone.current}{@render places()}{/if}
    {/if}
    {#if phone.current}<details class="menu">
            <summary aria-label="Menu"><Icon name="menu" /></summary>
            <div>
                {#if !fitting}{@render places()}{/if}{@render rest()}
            </div>
        </details>{:else}<span class="end">{@render rest()}</span>{/if}
</header>
{#if session.user?.wantsSecondFactor && place !== 'account'}
    <p class="factor no-print">
        Your studio asks for a second factor. <a href="#/account">Set it up under Account</a>; until then nothing else opens.
    </p>
{/if}

<style>
    header {
        display: flex;
        align-items: center;
        gap: 18px;
        padding: 7px 20px;
        border-bottom: 1px solid var(--hair);
        flex-wrap: wrap;
    }
    .mark {
        font-weight: 720;
        letter-spacing: -0.01em;
        text-decoration: none;
        color: var(--ink);
        font-size: 17px;
    }
    .mark i {
        font-style: normal;
        color: var(--mint);
    }
    .who {
        color: var(--ink-2);
    }
    .player {
        color: inherit;
        text-decoration: none;
    }
    .player:hover {
        text-decoration: underline;
    }
    .who b {
        color: var(--ink);
        font-weight: 600;
    }
    .made {
        margin-left: 12px;
    }
    .end a,
    .mark {
        display: inline-flex;
        align-items: center;
        min-height: 26px;
    }
    .factor {
        padding: 8px 20px;
        background: var(--amber-wash);
    }
    nav {
        display: flex;
        gap: 2px;
        margin-left: auto;
        flex-wrap: wrap;
    }
    nav a {
        padding: 5px 9px;
        color: var(--ink-2);
        text-decoration: none;
        border-bottom: 3px solid transparent;
    }
    nav a[aria-current] {
        color: var(--ink);
        font-weight: 650;
        border-color: var(--mint);
    }
    .dot {
        display: inline-block;
        width: 7px;
        height: 7px;
        border-radius: 50%;
        border: 1.5px solid var(--amber);
        margin-left: 5px;
        vertical-align: 2px;
    }
    .end {
        display: flex;
        gap: 8px;
        align-items: center;
    }
    header > .who + .end {
        margin-left: auto;
    }
    @media (max-width: 1500px) {
        .end .calc,
        .more {
            display: none;
        }
    }
    .menu {
        position: relative;
    }
    .menu summary {
        list-style: none;
        padding: 6px;
        cursor: pointer;
    }
    .menu summary::-webkit-details-marker {
        display: none;
    }
    .menu div {
        position: absolute;
        right: 0;
        z-index: 5;
        display: grid;
        gap: 10px;
        padding: 12px 16px;
        justify-items: start;
        background: var(--sheet);
        border: 1px solid var(--hair);
        border-radius: 8px;
    }
    /* One row: whose fitting, its steps, and the rest behind a mark. */
    @media (max-width: 700px) {
        header {
            flex-wrap: nowrap;
            gap: 6px;
            padding: 4px 10px;
            justify-content: space-between;
        }
        .who {
            min-width: 0;
            flex: 1 1 0;
            overflow: hidden;
            text-overflow: ellipsis;
            white-space: nowrap;
            font-size: var(--small);
        }
        .made {
            display: block;
            margin: 0;
        }
        .plays,
        .fitting .mark {
            display: none;
        }
        header > nav {
            flex-wrap: nowrap;
        }
        header > nav a {
            padding: 5px 4px;
            font-size: 14px;
        }
        .menu nav {
            display: grid;
            gap: 10px;
            margin: 0;
        }
        .dot {
            margin-left: 2px;
        }
    }
</style>
