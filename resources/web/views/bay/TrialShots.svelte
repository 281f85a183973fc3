<script lang="ts">
    import type { BayView, Shot, UnitChoice } from '../../api/types';
    import { REASONS } from '../../parts/ShotTable.svelte';
    import { figure } from '../../units/units';
    import { INTENTS, mishitText } from './words';

    let {
        view,
        units,
        leaveOut,
        meant,
        noted,
        trialNoted,
    }: {
        view: BayView;
        units: UnitChoice;
        leaveOut: (shot: Shot, reason: string | null) => void;
        meant: (shot: Shot, intent: string) => void;
        noted: (shot: Shot, note: string) => void;
        trialNoted: (note: string) => void;
    } = $props();
    let noting = $state<number | 'trial' | null>(null);
    let draft = $state('');
    const running = $derived(view.running);

    function openNote(of: number | 'trial', now: string) {
        noting = of;
        draft = now;
    }
    function keep(event: SubmitEvent, how: (note: string) => void) {
        event.preventDefault();
        how(draft);
        noting = null;
    }

    function choose(shot: Shot, value: string) {
        if (value.startsWith('meant:')) meant(shot, value.slice(6));
        else if (value === 'note') openNote(shot.id, shot.note ?? '');
        else if (value) leaveOut(shot, value);
    }
    const focus = (node: HTMLElement) => node.focus();
</script>

{#snippet noteField(label: string, how: (note: string) => void)}
    <form onsubmit={(e) => keep(e, how)}>
        <input aria-label={label} maxlength="500" bind:value={draft} use:focus onkeydown={(e) => e.key === 'Escape' && (noting = null)} />
        <button class="plain">Keep</button>
    </form>
{/snippet}

<div>
    <ol class="shots" aria-label="Shots of this trial">
        {#each view.shots.slice(-5).reverse() as s (s.id)}
            <li class:out={s.leftOut}>
                <b>{s.sequence}</b>
                <span>{figure('carryM', s.measured.carryM ?? s.computed.carryM, units)} · {figure('sideM', s.measured.sideM ?? s.computed.sideM, units)}</span>
                {#if noting === s.id}
                    {@render noteField(`Note on shot ${s.sequence}`, (note) => noted(s, note))}
                {:else if s.leftOut}
                    <span class="small">{s.leftOut.reason}</span><button class="plain" onclick={() => leaveOut(s, null)}
                        >Bring back<span class="visually-hidden"> shot {s.sequence}</span></button
                    >
                {:else}
                    {#if view.mishits[s.id]}<button class="hint" title={mishitText(view.mishits[s.id]!, units)} onclick={() => leaveOut(s, 'mishit')}
                            >mishit?<span class="visually-hidden"> Leave shot {s.sequence} out: {mishitText(view.mishits[s.id]!, units)}</span></button
                        >{/if}
                    <select aria-label="Shot {s.sequence}" value="" onchange={(e) => (choose(s, e.currentTarget.value), (e.currentTarget.value = ''))}
                        ><option value="">{s.intent === 'normal' ? 'counts' : s.intent}{s.note ? ' · note' : ''}</option>
                        <optgroup label="Leave out"
                            >{#each REASONS as r (r)}<option>{r}</option>{/each}</optgroup
                        >
                        <optgroup label="It was meant"
                            >{#each INTENTS as i (i)}<option value="meant:{i}">{i}</option>{/each}</optgroup
                        >
                        <option value="note">Note …</option></select
                    >
                {/if}
            </li>
        {/each}
    </ol>
    {#if running}
        <p class="small trial">
            {#if noting === 'trial'}{@render noteField(`Note on trial ${running.number}`, trialNoted)}{:else}
                {running.note}
                <button class="plain" onclick={() => openNote('trial', running.note)}>{running.note ? 'Change the note' : 'Note on this trial'}</button>
            {/if}
        </p>
    {/if}
</div>

<style>
    .shots {
        list-style: none;
        margin: 0;
        padding: 0;
        display: grid;
        align-content: start;
    }
    li {
        display: flex;
        gap: 8px;
        align-items: center;
        border-top: 1px solid var(--hair);
        min-height: 32px;
    }
    b {
        min-width: 24px;
    }
    select {
        margin-left: auto;
        width: 112px;
        padding: 1px 4px;
        border-color: var(--hair);
    }
    form {
        display: flex;
        gap: 4px;
        flex: 1;
    }
    form input {
        width: 100%;
        padding: 1px 4px;
    }
    .hint {
        background: none;
        border: 0;
        border-bottom: 1px dotted var(--amber);
        color: var(--amber);
        padding: 4px 2px;
        font-weight: 600;
        margin-left: auto;
        min-height: 24px;
    }
    .hint + select {
        margin-left: 0;
    }
    .out {
        color: var(--ink-2);
    }
    .out button {
        margin-left: auto;
    }
</style>
