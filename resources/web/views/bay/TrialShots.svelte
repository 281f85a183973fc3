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

    /** As many as fit; all of them are on Shots. */
    const SHOWN = 10;
    const carryOf = (s: Shot) => figure('carryM', s.measured.carryM ?? s.computed.carryM, units);
    const sideOf = (s: Shot) => figure('sideM', s.measured.sideM ?? s.computed.sideM, units);
    function choose(shot: Shot, value: string) {
        if (value.startsWith('meant:')) meant(shot, value.slice(6));
        else if (value.startsWith('trial:')) moveTo(shot, Number(value.slice(6)));
        else if (value === 'note') note(`shots/${shot.id}`, `Note on shot ${shot.sequence}`, shot.note);
        else if (value === 'back') leaveOut(shot, null);
        else if (value) leaveOut(shot, value);
    }
</script>

<div class="trial">
    <ol class="shots" aria-label="Shots of this trial">
        {#each view.shots.slice(-SHOWN) as s, i (s.id)}
            <li
                class:out={s.leftOut}
                class:last={i === Math.min(SHOWN, view.shots.length) - 1}
                class:hint={view.mishits[s.id] && !s.leftOut}
            >
                <b>{carryOf(s)}</b>
                <span
                    >{s.leftOut
                        ? s.leftOut.reason
                        : view.mishits[s.id]
                          ? 'mishit?'
                          : s.intent !== 'normal'
                            ? s.intent
                            : s.flags.length
                              ? `${sideOf(s)} · look`
                              : sideOf(s)}</span
                >
                <select
                    aria-label="Shot {s.sequence}: {carryOf(s)}, {sideOf(s)}{s.leftOut ? `, left out: ${s.leftOut.reason}` : ''}"
                    value=""
                    onchange={(e) => (choose(s, e.currentTarget.value), (e.currentTarget.value = ''))}
                    title={[...s.flags, view.mishits[s.id] ? mishitText(view.mishits[s.id]!, units) : ''].filter(Boolean).join('; ')}
                    ><option value=""
                        >Shot {s.sequence}{s.source === 'simulated' ? ', simulated' : ''}{s.note ? ', with a note' : ''}{view.mishits[s.id]
                            ? `: ${mishitText(view.mishits[s.id]!, units)}`
                            : ''}</option
                    >
                    {#if s.leftOut}<option value="back">Bring back</option>{/if}
                    <optgroup label="Leave out"
                        >{#each LEFT_OUT_REASONS as r (r)}<option>{r}</option>{/each}</optgroup
                    >
                    <optgroup label="It was meant"
                        >{#each INTENTS as i (i)}<option value="meant:{i}">{i}</option>{/each}</optgroup
                    >
                    {#if others.length}<optgroup label="It was hit in"
                            >{#each others as t (t.id)}<option value="trial:{t.id}">trial {t.number} with {t.tag}</option>{/each}</optgroup
                        >{/if}
                    <option value="note">Note …</option></select
                >
            </li>
        {/each}
    </ol>
    {#if view.shots.length > SHOWN}<p class="small">The last {SHOWN} of {view.shots.length}.</p>{/if}
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
        grid-template-columns: repeat(auto-fill, minmax(58px, 1fr));
        gap: 5px;
        align-content: start;
    }
    li {
        position: relative;
        border: 1px solid var(--hair);
        border-radius: 8px;
        background: var(--sheet);
        padding: 3px 6px;
        line-height: 1.15;
        min-height: 44px;
        overflow-wrap: normal;
        animation: chip 150ms ease-out;
    }
    @keyframes chip {
        from {
            opacity: 0;
            transform: scale(0.9);
        }
    }
    b,
    li span {
        display: block;
    }
    li span {
        font-size: var(--small);
        color: var(--ink-2);
    }
    .last {
        border: 1.5px solid var(--ink);
    }
    .hint {
        border-color: var(--amber);
    }
    .hint span,
    .out span {
        color: var(--amber);
    }
    .out b {
        text-decoration: line-through;
        color: var(--ink-2);
    }
    /* The whole chip opens what can be said of its shot. */
    select {
        position: absolute;
        inset: 0;
        opacity: 0;
        width: 100%;
        height: 100%;
        cursor: pointer;
    }
    li:focus-within {
        outline: 3px solid var(--mint);
        outline-offset: 2px;
    }
</style>
