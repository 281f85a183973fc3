<script lang="ts">
    import type { Component } from 'svelte';

    // A screen of one thing: of another fitting, player or head it is another screen, with nothing left over from the one before.
    type Screen = Component<{ params: { id: string; part?: string | null } }>;
    let {
        load,
        params = { id: '' },
    }: { load: () => Screen | Promise<{ default: Screen }>; params?: { id: string; part?: string | null } } = $props();
</script>

{#key params.id}
    {#await load() then loaded}
        {@const Shown = 'default' in loaded ? loaded.default : loaded}
        <Shown {params} />
    {/await}
{/key}
