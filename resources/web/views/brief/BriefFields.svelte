<script lang="ts">
    import type { UnitChoice } from '../../api/generated/types';
    import Field from '../../parts/Field.svelte';
    import { errorNames, type BriefField, type Values } from './fields';
    import { say } from './words';

    // Fields of the brief, one by one as the table says.
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

    /** What is not known is not tapped: a second tap takes the first back. */
    const NONE = 'unknown';
    const wrong = (field: string) =>
        errorNames(field)
            .map(err)
            .find((text) => text !== '') ?? '';
    const text = (field: string) => String(values[field] ?? '');
    const picked = (field: string) => values[field] as string[];
    function pick(f: BriefField, option: string, on: boolean) {
        const rest = picked(f.field).filter((o) => o !== option);
        const all = on ? [...rest, option] : rest;
        values[f.field] = f.ordered ? all : f.options!.filter((o) => all.includes(o));
    }
    const hintOf = (f: BriefField) =>
        [f.hint?.(units) ?? '', theirs.includes(f.field) ? say('brief.theirs') : ''].filter(Boolean).join(' · ');
</script>

{#each fields.filter((f) => f.shows?.(values) ?? true) as f (f.field)}
    {#if f.kind === 'chips' || f.kind === 'pick'}
        <fieldset class="full" class:harm={f.field === 'never'}>
            <legend class:visually-hidden={f.isTitled}
                >{f.label}{#if hintOf(f)}&nbsp;<small>{hintOf(f)}</small>{/if}</legend
            >
            {#each f.options!.filter((o) => f.kind !== 'pick' || o !== NONE) as o (o)}
                {@const on = f.kind === 'pick' ? values[f.field] === o : picked(f.field).includes(o)}
                <label class:on
                    ><input
                        type={f.kind === 'pick' ? 'radio' : 'checkbox'}
                        name={f.field}
                        checked={on}
                        onchange={(e) => (f.kind === 'pick' ? (values[f.field] = o) : pick(f, o, e.currentTarget.checked))}
                        onclick={() => f.kind === 'pick' && on && f.options!.includes(NONE) && (values[f.field] = NONE)}
                        onkeydown={(e) => on && f.options!.includes(NONE) && /^(Backspace|Delete)$/.test(e.key) && (values[f.field] = NONE)}
                    />{#if f.ordered && on}<i aria-hidden="true">{picked(f.field).indexOf(o) + 1}</i>{/if}{f.called?.[o] ?? o}</label
                >
            {/each}
        </fieldset>
    {:else if f.kind === 'check'}
        <label class="check full"
            ><input type="checkbox" checked={values[f.field] === true} onchange={(e) => (values[f.field] = e.currentTarget.checked)} />
            {f.label}</label
        >
    {:else}
        <div class={f.width ?? ''}>
            <Field label={f.label} hint={hintOf(f)} error={wrong(f.field)}>
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
    fieldset {
        border: 0;
        padding: 0;
        margin: 0;
        display: flex;
        flex-wrap: wrap;
        gap: 5px;
    }
    legend {
        font-size: var(--small);
        font-weight: 550;
        padding-bottom: 4px;
    }
    fieldset label {
        border: 1px solid var(--hair);
        border-radius: 16px;
        padding: 2px 9px;
        font-size: 14px;
        line-height: 22px;
        cursor: pointer;
    }
    /* The whole chip is the box that is tapped. */
    fieldset label {
        position: relative;
    }
    fieldset input {
        position: absolute;
        inset: 0;
        margin: 0;
        width: 100%;
        height: 100%;
        opacity: 0;
        cursor: pointer;
    }
    fieldset label:focus-within {
        outline: 3px solid var(--mint);
        outline-offset: 2px;
    }
    fieldset .on {
        background: var(--mint-wash);
        border-color: var(--mint);
        font-weight: 600;
    }
    .harm .on {
        background: var(--brick-wash);
        border-color: var(--brick);
    }
    i {
        font-style: normal;
        font-size: var(--small);
        color: var(--mint);
        margin-right: 6px;
    }
    .check {
        display: flex;
        gap: 8px;
        align-items: baseline;
    }
    /* A line to write on, as on paper. */
    div :global(:is(input, select, textarea)) {
        border-width: 0 0 1px;
        border-radius: 0;
        padding: 4px 2px;
        background: none;
    }
</style>
