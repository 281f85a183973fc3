<script lang="ts">
    import { get } from '../../api/client';
    import type { Rack } from '../../api/generated/types';
    import { lengthText, type Part } from '../../format/setups';
    import { factor, plain } from '../../format/units';
    import { Loader } from '../../lib/load.svelte';
    import { readNumber } from '../../lib/numbers';
    import Notice from '../../parts/Notice.svelte';
    import type { BayScreen } from './bay.svelte';
    import KeyCap from './KeyCap.svelte';

    /** A list of the rack that narrows as one types; Enter puts the first into the hand. */
    let { bay }: { bay: BayScreen } = $props();
    interface Choice {
        kind: string;
        label: string;
        part: Part;
    }
    const SHOWN = 8;
    const reading = new Loader<Rack>();
    $effect(() => void reading.load(() => get<Rack>('rack')));
    let typed = $state('');
    let at = $state(0);
    const { player } = $derived(bay.fitting);
    const base = $derived(bay.next ?? bay.inHand ?? bay.fitting.setups[0]);
    const all = $derived.by((): Choice[] => {
        const rack = reading.value;
        if (!rack || !base) return [];
        const parts = rack.parts.filter((p) => p.kind !== 'grip' && p.id !== (p.kind === 'shaft' ? base.shaftId : base.ballId));
        return [
            ...rack.heads
                .filter((h) => h.hand === player.hand && h.id !== base.headId)
                .map((h) => ({ kind: 'head', label: `${h.label}, ${plain(h.statedLoftDeg, 1)}°`, part: { headId: h.id } })),
            ...parts.map((p) => ({ kind: p.kind, label: p.label, part: p.kind === 'shaft' ? { shaftId: p.id } : { ballId: p.id } })),
        ];
    });
    const shown = $derived.by((): Choice[] => {
        const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
        const fits = all.filter((c) => words.every((w) => `${c.label} ${c.kind}`.toLowerCase().includes(w)));
        // A bare number is a length, where it can be one.
        const mm = (readNumber(typed) ?? 0) / factor(player.units.length);
        const length = mm > 1000 && mm < 1260 ? [{ kind: 'length', label: lengthText(mm, player.units), part: { lengthMm: mm } }] : [];
        return [...length, ...fits].slice(0, SHOWN);
    });
    const one = $derived(shown[at]);
    const focus = (node: HTMLElement) => node.focus();
    function keys(event: KeyboardEvent) {
        const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (event.key === 'Escape') bay.palette = false;
        else if (by) at = (at + by + shown.length) % Math.max(1, shown.length);
        else if (event.key === 'Enter' && one) void bay.putIn(one.part);
        else return;
        event.preventDefault();
        event.stopPropagation();
    }
</script>

<div class="palette" role="dialog" aria-label="Put into the hand">
    <input
        aria-label="Head, shaft, ball or length"
        placeholder="Head, shaft, ball or a length in {player.units.length}"
        role="combobox"
        aria-expanded="true"
        aria-controls="put-in"
        aria-activedescendant={one ? `put-in-${at}` : undefined}
        bind:value={typed}
        oninput={() => (at = 0)}
        onkeydown={keys}
        use:focus
    />
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    <ul id="put-in" role="listbox" aria-label="On the rack">
        {#each shown as c, i (c.kind + c.label)}
            <!-- svelte-ignore a11y_click_events_have_key_events -->
            <li id="put-in-{i}" role="option" aria-selected={i === at} onclick={() => bay.putIn(c.part)}>
                <b>{c.label}</b> <small>{c.kind}</small>
            </li>
        {:else}
            <li class="none" role="option" aria-selected="false">
                {reading.value ? 'Nothing on the rack is called that.' : 'Opening the rack …'}
            </li>
        {/each}
    </ul>
    <p class="small">The rest stays as with {base?.tag ?? '–'}. <KeyCap name="Enter" /> takes it, <KeyCap name="Esc" /> closes.</p>
</div>

<style>
    .palette {
        position: fixed;
        inset: 70px auto auto 50%;
        transform: translateX(-50%);
        z-index: 6;
        width: min(460px, 94vw);
        display: grid;
        gap: 8px;
        padding: 14px 16px;
        background: var(--sheet);
        border: 1.5px solid var(--mint);
        border-radius: 10px;
    }
    input {
        font-size: 19px;
    }
    ul {
        list-style: none;
        padding: 0;
    }
    li {
        padding: 6px 8px;
        border-radius: 6px;
        cursor: pointer;
    }
    [aria-selected='true'] {
        background: var(--mint-wash);
    }
    .none {
        color: var(--ink-2);
    }
</style>
