<script lang="ts">
    import Router from 'svelte-spa-router';
    import { get, post, whenLocked } from './api/client';
    import type { SessionState } from './api/generated/types';
    import { watchIdle } from './lib/idle';
    import { session } from './lib/session.svelte';
    import Lock from './parts/Lock.svelte';
    import Account from './views/account/Account.svelte';
    import Bay from './views/bay/Bay.svelte';
    import Bench from './views/bench/Bench.svelte';
    import Brief from './views/brief/Brief.svelte';
    import Calendar from './views/calendar/Calendar.svelte';
    import Compare from './views/compare/Compare.svelte';
    import DayBook from './views/daybook/DayBook.svelte';
    import Decide from './views/decide/Decide.svelte';
    import FollowUp from './views/followup/FollowUp.svelte';
    import ForPlayer from './views/forplayer/ForPlayer.svelte';
    import Finder from './views/finder/Finder.svelte';
    import HeadPage from './views/rack/HeadPage.svelte';
    import Orders from './views/orders/Orders.svelte';
    import Player from './views/player/Player.svelte';
    import Screen from './views/screen/Screen.svelte';
    import Season from './views/season/Season.svelte';
    import Studio from './views/studio/Studio.svelte';
    import Welcome from './views/welcome/Welcome.svelte';
    import NotFound from './views/NotFound.svelte';
    import Rack from './views/rack/Rack.svelte';
    import Sheet from './views/sheet/Sheet.svelte';
    import Shots from './views/shots/Shots.svelte';
    import SignIn from './views/signin/SignIn.svelte';

    const routes = {
        '/': DayBook,
        '/fitting/:id': Bench,
        '/rack': Rack,
        '/rack/head/:id': HeadPage,
        '/rack/:tab': Rack,
        '/fitting/:id/brief': Brief,
        '/fitting/:id/bench': Bench,
        '/fitting/:id/bay': Bay,
        '/fitting/:id/shots': Shots,
        '/fitting/:id/compare': Compare,
        '/fitting/:id/finder': Finder,
        '/fitting/:id/decide': Decide,
        '/fitting/:id/sheet': Sheet,
        '/fitting/:id/follow-up': FollowUp,
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
    $effect(() => {
        get<SessionState>('session')
            .then((r) => ([session.user, session.locked] = [r.user, r.locked]))
            .catch(() => undefined)
            .finally(() => (session.known = true));
    });
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
    <Screen />
{:else if session.user}
    <Router {routes} />
    {#if session.locked}<Lock />{/if}
{:else if session.known}
    <Router routes={ofLink} />
{/if}
