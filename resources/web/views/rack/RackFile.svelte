<script lang="ts">
    import FileIn from '../../parts/FileIn.svelte';

    let { onchange }: { onchange: () => void } = $props();
    interface Seen {
        added: string[];
        there: string[];
        leftOut: string[];
    }
    function done(answer: Seen): string {
        onchange();
        return `${answer.added.length} added to the rack.`;
    }
</script>

<div class="two">
    <section>
        <h2>Take the rack along</h2>
        <p>
            <a href="/api/rack.json" download>Rack as JSON</a>: everything, with readings, slots and weights.
            <a href="/api/rack.csv" download>Rack as CSV</a>: what fits into a table.
        </p>
        <p class="small">The JSON follows the published schema in docs/schemas/rack.schema.json.</p>
    </section>
    <section>
        <h2>Bring one in</h2>
        <p class="small">What is already on the rack stays as it is; only what is new is added.</p>
        <FileIn label="Choose a rack file, JSON or CSV" accept=".json,.csv,.txt" path="rack/import" {done}>
            {#snippet look(seen: Seen, name: string, keep: () => void)}
                {name}: {seen.added.length} new{seen.added.length
                    ? ` (${seen.added.slice(0, 6).join(', ')}${seen.added.length > 6 ? ' …' : ''})`
                    : ''}, {seen.there.length} already here.
                {#if seen.leftOut.length}Not taken, for this studio takes nothing made up: {seen.leftOut.join(', ')}.{/if}
                {#if seen.added.length}<button class="plain" onclick={keep}>Add {seen.added.length} to the rack</button>{/if}
            {/snippet}
        </FileIn>
    </section>
</div>

<style>
    .two {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
        gap: 30px;
    }
    section {
        display: grid;
        gap: 10px;
        align-content: start;
    }
</style>
