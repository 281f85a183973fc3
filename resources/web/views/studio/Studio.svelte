<script lang="ts">
    import { session } from '../../lib/session.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Tabs from '../../parts/Tabs.svelte';
    import TopBar from '../../parts/TopBar.svelte';
    import Backups from './Backups.svelte';
    import Bin from './Bin.svelte';
    import Data from './Data.svelte';
    import Devices from './Devices.svelte';
    import Hours from './Hours.svelte';
    import People from './People.svelte';
    import Rules from './Rules.svelte';

    let { params }: { params?: { tab?: string } } = $props();
    const isOwner = $derived(session.user?.role === 'owner');
    /** A fitter sees what is of use at work; what concerns people and data is the owner's. */
    const TABS = $derived(
        (
            [
                ['people', 'People', true],
                ['devices', 'Devices', false],
                ['hours', 'Hours', true],
                ['rules', 'Rules', true],
                ['data', 'Data', true],
                ['backups', 'Backups', true],
                ['bin', 'Thrown away', false],
            ] as const
        ).filter(([, , ofOwner]) => isOwner || !ofOwner),
    );
    /** What the server warns of: it works, but not as it should. */
    let warnings = $state<string[]>([]);
    $effect(() => {
        void fetch('/up', { cache: 'no-store' })
            .then((answer) => answer.json() as Promise<{ warnings?: string[] }>)
            .then((up) => (warnings = up.warnings ?? []))
            .catch(() => {});
    });
    const tab = $derived(TABS.find(([name]) => name === params?.tab)?.[0] ?? TABS[0]![0]);
</script>

<TopBar place="studio" />
<main>
    {#each warnings as warning (warning)}<Notice>{warning}</Notice>{/each}
    <Tabs place="studio" title="Studio" tabs={TABS} now={tab} />
    {#if tab === 'people'}<People />
    {:else if tab === 'devices'}<Devices />
    {:else if tab === 'hours'}<Hours />
    {:else if tab === 'rules'}<Rules />
    {:else if tab === 'data'}<Data />
    {:else if tab === 'backups'}<Backups />
    {:else}<Bin />{/if}
</main>

<style>
    main {
        max-width: 1280px;
        margin: 0 auto;
        padding: 22px 20px;
        display: grid;
        gap: 18px;
    }
</style>
