<script lang="ts">
    import type { UnitChoice } from '../../api/generated/types';
    import Field from '../../parts/Field.svelte';
    import { errorNames, type BriefField, type Values } from './fields';

    // One section of the brief, field by field as the table says.
    let {
        fields,
        values = $bindable(),
        units,
        err,
        theirs = [],
    }: {
        fields: BriefField[];
        values: Values;
        units: UnitChoice;
        err: (field: string) => string;
        /** fields that say what the player said by link */
        theirs?: string[];
    } = $props();

    const wrong = (field: string) =>
        errorNames(field)
            .map(err)
            .find((text) => text !== '') ?? '';
    const text = (field: string) => String(values[field] ?? '');
    const picked = (field: string) => values[field] as string[];
    function pick(f: BriefField, option: string, on: boolean) {
        values[f.field] = f.options!.filter((o) => (o === option ? on : picked(f.field).includes(o)));
    }
</script>

{#each fields.filter((f) => f.shows?.(values) ?? true) as f (f.field)}
    {#if f.kind === 'chips'}
        <fieldset class="chips full" class:harm={f.field === 'never'}>
            <legend
                >{f.label}{#if theirs.includes(f.field)}<small class="theirs"> as they said by link</small>{/if}</legend
            >
            {#each f.options! as o (o)}<label class:on={picked(f.field).includes(o)}
                    ><input type="checkbox" checked={picked(f.field).includes(o)} onchange={(e) => pick(f, o, e.currentTarget.checked)} />
                    {o}</label
                >{/each}
        </fieldset>
    {:else if f.kind === 'check'}
        <label class="check full"
            ><input type="checkbox" checked={values[f.field] === true} onchange={(e) => (values[f.field] = e.currentTarget.checked)} />
            {f.label}</label
        >
    {:else}
        <div class={f.width ?? ''}>
            <Field
                label={f.label}
                hint={[f.hint?.(units) ?? '', theirs.includes(f.field) ? 'as they said by link' : ''].filter(Boolean).join(' · ')}
                error={wrong(f.field)}
            >
                {#if f.kind === 'choice'}<select value={text(f.field)} onchange={(e) => (values[f.field] = e.currentTarget.value)}
                        >{#each f.options! as o (o)}<option value={o}>{f.called?.[o] ?? o}</option>{/each}</select
                    >{:else if f.kind === 'words'}<textarea
                        rows={f.rows}
                        maxlength={f.most}
                        value={text(f.field)}
                        oninput={(e) => (values[f.field] = e.currentTarget.value)}></textarea>{:else}<input
                        inputmode={f.kind === 'text' ? undefined : f.numeric ? 'numeric' : 'decimal'}
                        maxlength={f.most}
                        aria-label={f.name}
                        placeholder={f.placeholder}
                        disabled={f.off?.(values) ?? false}
                        value={text(f.field)}
                        oninput={(e) => (values[f.field] = e.currentTarget.value)}
                    />{/if}
            </Field>
        </div>
    {/if}
{/each}

<style>
    .half {
        grid-column: span 2;
    }
    .full {
        grid-column: 1 / -1;
    }
    .chips {
        border: 0;
        padding: 0;
        margin: 0;
        display: flex;
        flex-wrap: wrap;
        gap: 6px;
    }
    .chips legend {
        font-size: var(--small);
        font-weight: 550;
        padding-bottom: 4px;
    }
    .chips label {
        border: 1px solid var(--hair);
        border-radius: 16px;
        padding: 3px 11px 3px 7px;
        background: var(--sheet);
        cursor: pointer;
    }
    .chips .on {
        background: var(--mint-wash);
        border-color: var(--mint);
    }
    .harm .on {
        background: var(--brick-wash);
        border-color: var(--brick);
    }
    .check {
        display: flex;
        gap: 8px;
        align-items: baseline;
    }
</style>
