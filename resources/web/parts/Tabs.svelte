<script lang="ts">
    // The parts of a place, beside its name.
    let {
        place,
        title,
        tabs,
        now,
    }: { place: string; title: string; tabs: readonly (readonly [string, string, ...unknown[]])[]; now: string } = $props();
</script>

<div class="top">
    <h1>{title}</h1>
    <nav aria-label="Parts of the {place}">
        {#each tabs as [name, label] (name)}<a href="#/{place}/{name}" aria-current={now === name ? 'page' : undefined}>{label}</a>{/each}
    </nav>
</div>

<style>
    .top {
        display: flex;
        gap: 28px;
        align-items: baseline;
        flex-wrap: wrap;
    }
    nav {
        display: flex;
        gap: 4px;
        flex-wrap: wrap;
    }
    nav a {
        padding: 4px 12px;
        text-decoration: none;
        color: var(--ink-2);
        border-bottom: 3px solid transparent;
    }
    nav a[aria-current] {
        color: var(--ink);
        font-weight: 650;
        border-color: var(--mint);
    }
</style>
