<script lang="ts">
    import Router from 'svelte-spa-router';
    import { get } from './api/client';
    import type { SignedIn } from './api/generated/types';
    import { session } from './lib/session.svelte';
    import Bay from './views/bay/Bay.svelte';
    import Bench from './views/bench/Bench.svelte';
    import Brief from './views/brief/Brief.svelte';
    import Compare from './views/compare/Compare.svelte';
    import DayBook from './views/daybook/DayBook.svelte';
    import Decide from './views/decide/Decide.svelte';
    import Finder from './views/finder/Finder.svelte';
    import HeadPage from './views/rack/HeadPage.svelte';
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
        '*': NotFound,
    };
    $effect(() => {
        get<{ user: SignedIn | null }>('session')
            .then((r) => (session.user = r.user))
            .catch(() => undefined)
            .finally(() => (session.known = true));
    });
</script>

{#if session.user}
    <Router {routes} />
{:else if session.known}
    <SignIn />
{/if}
