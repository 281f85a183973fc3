<script lang="ts">
    import type { BayView, Shot, UnitChoice } from '../../api/generated/types';
    import { LEFT_OUT_REASONS } from '../../api/generated/vocabulary';
    import { figure } from '../../format/units';
    import { INTENTS } from '../../api/generated/vocabulary';
    import { mishitText } from './sentences';

    let {
        view,
        units,
        leaveOut,
        meant,
        moveTo,
        note,
    }: {
        view: BayView;
        units: UnitChoice;
        leaveOut: (shot: Shot, reason: string | null) => void;
        meant: (shot: Shot, intent: string) => void;
        moveTo: (shot: Shot, trialId: number) => void;
        note: (path: string, label: string, was: string | null) => void;
    } = $props();
    const running = $derived(view.running);
    /** Trials that a shot can be moved to, the latest first. */
    const others = $derived(
        view.trials
            .filter((t) => t.id !== running?.id && t.tag !== '')
            .slice(-5)
            .reverse(),
    );

    function choose(shot: Shot, value: string) {
        if (value.startsWith('meant:')) meant(shot, value.slice(6));
        else if (value.startsWith('trial:')) moveTo(shot, Number(value.slice(6)));
        else if (value === 'note') note(`shots/${shot.id}`, `Note on shot ${shot.sequence}`, shot.note);
        else if (value) leaveOut(shot, value);
    }
</script>

<div>
    <ol class="shots" aria-label="Shots of this trial">
        {#each view.shots.slice(-5).reverse() as s (s.id)}
            <li class:out={s.leftOut}>
                <b>{s.sequence}</b>
                {#if s.source === 'simulated'}<span class="small" title="simulated"
                        >sim.<span class="visually-hidden"> simulated</span></span
                    >{/if}
                <span class="figures"
                    >{figure('carryM', s.measured.carryM ?? s.computed.carryM, units)} · {figure(
                        'sideM',
                        s.measured.sideM ?? s.computed.sideM,
                        units,
                    )}</span
                >
                {#if s.leftOut}
                    <span class="small">{s.leftOut.reason}</span><button class="plain" onclick={() => leaveOut(s, null)}
                        >Bring back<span class="visually-hidden"> shot {s.sequence}</span></button
                    >
                {:else}
                    {#if view.mishits[s.id]}<button
                            class="hint"
                            title={mishitText(view.mishits[s.id]!, units)}
                            onclick={() => leaveOut(s, 'mishit')}
                            >mishit?<span class="visually-hidden">
                                Leave shot {s.sequence} out: {mishitText(view.mishits[s.id]!, units)}</span
                            ></button
                        >{/if}
                    <select
                        aria-label="Shot {s.sequence}"
                        value=""
                        onchange={(e) => (choose(s, e.currentTarget.value), (e.currentTarget.value = ''))}
                        title={s.flags.join('; ')}
                        ><option value=""
                            >{s.intent === 'normal' ? 'counts' : s.intent}{s.flags.length ? ' · look' : ''}{s.note ? ' · note' : ''}</option
                        >
                        <optgroup label="Leave out"
                            >{#each LEFT_OUT_REASONS as r (r)}<option>{r}</option>{/each}</optgroup
                        >
                        <optgroup label="It was meant"
                            >{#each INTENTS as i (i)}<option value="meant:{i}">{i}</option>{/each}</optgroup
                        >
                        {#if others.length}<optgroup label="It was hit in"
                                >{#each others as t (t.id)}<option value="trial:{t.id}">trial {t.number} with {t.tag}</option
                                    >{/each}</optgroup
                            >{/if}
                        <option value="note">Note …</option></select
                    >
                {/if}
            </li>
        {/each}
    </ol>
    {#if running}
        <p class="small">
            {running.note}
            <button class="plain" onclick={() => note(`trials/${running.id}`, `Note on trial ${running.number}`, running.note)}
                >{running.note ? 'Change the note' : 'Note on this trial'}</button
            >
        </p>
    {/if}
</div>

<style>
    .shots {
        list-style: none;
        margin: 0;
        padding: 0;
        display: grid;
        grid-template-columns: minmax(0, 1fr);
        align-content: start;
    }
    li {
        display: flex;
        gap: 8px;
        align-items: center;
        border-top: 1px solid var(--hair);
        min-height: 32px;
        overflow-wrap: normal;
    }
    .figures {
        white-space: nowrap;
    }
    b {
        min-width: 24px;
    }
    select {
        margin-left: auto;
        flex: 0 1 128px;
        width: 128px;
        min-width: 80px;
        padding: 1px 4px;
        border-color: var(--hair);
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
