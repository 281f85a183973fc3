<script lang="ts">
    import Router, { replace } from 'svelte-spa-router';
    import { keepTimeOf } from './format/times';
    import { wrap } from 'svelte-spa-router/wrap';
    import { get, getToWrite, post, whenLocked, whenSignedOut } from './api/client';
    import type { SessionState } from './api/generated/types';
    import { watchIdle } from './lib/idle';
    import { session } from './lib/session.svelte';
    import Keyed from './parts/Keyed.svelte';
    import Lock from './parts/Lock.svelte';
    import SignInAgain from './parts/SignInAgain.svelte';
    import Bench from './views/bench/Bench.svelte';
    import Brief from './views/brief/Brief.svelte';
    import DayBook from './views/daybook/DayBook.svelte';
    import NotFound from './views/NotFound.svelte';
    import SignIn from './views/signin/SignIn.svelte';

    // What a visit begins with is there at once; the rest comes when it is opened, or as soon as the browser has nothing else to do.
    const later: (() => Promise<unknown>)[] = [];
    const lazy = <T,>(load: () => Promise<T>) => {
        later.push(load);
        return wrap({ asyncComponent: load as never });
    };
    /** Of one thing, which the address names. */
    const of = (load: () => unknown) => wrap({ component: Keyed as never, props: { load } });
    const lazyOf = (load: () => Promise<unknown>) => {
        later.push(load);
        return of(load);
    };
    /** An address of before leads to a part of the answer. */
    const moved = (part: string) =>
        wrap({
            component: NotFound as never,
            conditions: ({ location }) => {
                void replace(location.replace(/[^/]+$/, `answer/${part}`));
                return false;
            },
        });
    const Answer = lazyOf(() => import('./views/answer/Answer.svelte'));
    const Account = lazy(() => import('./views/account/Account.svelte'));
    const Bay = lazyOf(() => import('./views/bay/Bay.svelte'));
    const Calculators = lazy(() => import('./views/calculators/Calculators.svelte'));
    const Calendar = lazy(() => import('./views/calendar/Calendar.svelte'));
    const FollowUp = lazyOf(() => import('./views/followup/FollowUp.svelte'));
    const ForPlayer = lazy(() => import('./views/forplayer/ForPlayer.svelte'));
    const Gaps = lazyOf(() => import('./views/gaps/Gaps.svelte'));
    const HeadPage = lazyOf(() => import('./views/rack/HeadPage.svelte'));
    const Orders = lazy(() => import('./views/orders/Orders.svelte'));
    const Player = lazyOf(() => import('./views/player/Player.svelte'));
    const Rack = lazy(() => import('./views/rack/Rack.svelte'));
    const Season = lazy(() => import('./views/season/Season.svelte'));
    const Shots = lazyOf(() => import('./views/shots/Shots.svelte'));
    const Sheet = lazyOf(() => import('./views/sheet/Sheet.svelte'));
    const Studio = lazy(() => import('./views/studio/Studio.svelte'));
    const Welcome = lazy(() => import('./views/welcome/Welcome.svelte'));

    $effect(() => {
        if (session.user) (window.requestIdleCallback ?? setTimeout)(() => later.forEach((load) => void load().catch(() => undefined)));
    });

    const routes = {
        '/': DayBook,
        '/fitting/:id': of(() => Bench),
        '/rack': Rack,
        '/rack/head/:id': HeadPage,
        '/rack/:tab': Rack,
        '/fitting/:id/brief': of(() => Brief),
        '/fitting/:id/bench': of(() => Bench),
        '/fitting/:id/bay/:tag?': Bay,
        '/fitting/:id/answer/shots': Shots,
        '/fitting/:id/answer/:part?': Answer,
        '/fitting/:id/shots': Shots,
        '/fitting/:id/compare': moved('figures'),
        '/fitting/:id/finder': moved('rack'),
        '/fitting/:id/decide': moved('choice'),
        '/fitting/:id/sheet': Sheet,
        '/fitting/:id/follow-up': FollowUp,
        '/fitting/:id/gaps': Gaps,
        '/calculators': Calculators,
        '/calculators/:tab': Calculators,
        '/calendar': Calendar,
        '/calendar/:day': Calendar,
        '/season': Season,
        '/orders': Orders,
        '/orders/:id': Orders,
        '/account': Account,
        '/studio': Studio,
        '/studio/:tab': Studio,
        '/player/:id': Player,
        '/welcome/:token': Welcome,
        '/for/:token': ForPlayer,
        '*': NotFound,
    };
    const ofLink = { '/welcome/:token': Welcome, '/for/:token': ForPlayer, '*': SignIn };
    whenLocked(() => (session.locked = true));
    /** One dialog for all that was asked for meanwhile. */
    let again = $state.raw<{ done: Promise<boolean>; end: (is: boolean) => void } | null>(null);
    async function askAgain(): Promise<boolean> {
        // Perhaps another tab signed the same person in already: then this screen only lacks the token that came with it.
        const now = await getToWrite<SessionState>('session').catch(() => null);
        if (now?.user && now.user.id === session.user?.id) return true;
        if (again) return again.done;
        let end: (is: boolean) => void = () => {};
        const done = new Promise<boolean>((is) => (end = is));
        again = { done, end };
        const is = await done;
        again = null;
        return is;
    }
    $effect(() => {
        whenSignedOut(session.user && session.user.role !== 'guest' ? askAgain : null);
    });
    $effect(() => {
        get<SessionState>('session')
            .then((r) => ([session.user, session.locked] = [r.user, r.locked]))
            .catch(() => undefined)
            .finally(() => (session.known = true));
    });
    // Before anything tells a time.
    $effect.pre(() => keepTimeOf(session.user?.zone));
    // A guest screen stays as it is; every other asks for the password once nobody has touched it for a while.
    $effect(() => {
        const minutes = session.user?.lockMinutes;
        if (minutes === undefined || session.user?.role === 'guest') return;
        const idle = watchIdle(
            () => minutes,
            () => {
                if (session.locked) return;
                session.locked = true;
                void post('session/lock', {}).catch(() => undefined);
            },
        );
        return idle.end;
    });
</script>

{#if session.user?.role === 'guest'}
    {#await import('./views/screen/Screen.svelte') then { default: Screen }}<Screen />{/await}
{:else if session.user}
    <Router {routes} />
    {#if session.locked}<Lock />{/if}
    {#if again}<SignInAgain user={session.user} end={again.end} />{/if}
{:else if session.known}
    <Router routes={ofLink} />
{/if}
