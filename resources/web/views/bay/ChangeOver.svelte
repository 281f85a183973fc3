<script lang="ts">
    let { steps, ticked = $bindable() }: { steps: string[]; ticked: string[] } = $props();
    const tick = (step: string, on: boolean) => (ticked = on ? [...ticked, step] : ticked.filter((s) => s !== step));
</script>

{#if steps.length}
    <fieldset>
        <legend>Change-over</legend>
        {#each steps as step (step)}
            <label class:done={ticked.includes(step)}
                ><input type="checkbox" checked={ticked.includes(step)} onchange={(e) => tick(step, e.currentTarget.checked)} />
                {step}</label
            >
        {/each}
        <p class="small">Nobody beside or ahead of the hitting area. Never hit with a loose head. Stop if something hurts.</p>
    </fieldset>
{/if}

<style>
    fieldset {
        border: 1.5px solid var(--amber);
        border-radius: 8px;
        padding: 2px 10px 6px;
        margin: 0;
        display: grid;
        gap: 1px;
        min-width: 0;
        line-height: 1.2;
        font-size: 14px;
    }
    legend {
        font-weight: 620;
    }
    label {
        display: flex;
        gap: 8px;
        align-items: baseline;
        min-height: 24px;
    }
    .small {
        line-height: 1.2;
    }
    .done {
        color: var(--ink-2);
        text-decoration: line-through;
    }
</style>
