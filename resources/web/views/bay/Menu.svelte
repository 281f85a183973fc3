<script lang="ts">
    import type { BayScreen } from './bay.svelte';
    import { keysOf, MENU } from './keys';
    import KeyCap from './KeyCap.svelte';

    // What is done seldom: one key opens it, a digit chooses. And every key of the bay, for whoever is new here.
    let { bay }: { bay: BayScreen } = $props();
    const items = $derived(MENU.map((item, i) => ({ ...item, digit: String(i + 1), does: item.does(bay) })));
</script>

<div class="menu" role="dialog" aria-label="More, and all keys">
    <ul>
        {#each items as item (item.digit)}
            <li>
                <button class="quiet" disabled={!item.does} onclick={() => bay.fromMenu(item.digit)}
                    ><KeyCap name={item.digit} /> {item.label(bay)}</button
                >
            </li>
        {/each}
    </ul>
    <section aria-label="Keys">
        <h2>Keys</h2>
        <dl>
            {#each keysOf(bay.simulates) as [keys, what] (what)}<dt>
                    {#each keys as key (key)}<KeyCap name={key} />
                    {/each}
                </dt>
                <dd>{what}</dd>{/each}
        </dl>
    </section>
    <button class="plain" onclick={() => (bay.menu = false)}>Close <KeyCap name="Esc" /></button>
</div>

<style>
    .menu {
        position: fixed;
        inset: 54px auto auto 50%;
        transform: translateX(-50%);
        width: min(820px, 94vw);
        max-height: 88vh;
        overflow-y: auto;
        background: var(--sheet);
        border: 1.5px solid var(--ink);
        border-radius: 10px;
        padding: 16px 20px;
        z-index: 5;
        display: grid;
        grid-template-columns: minmax(200px, 270px) 1fr;
        gap: 12px 26px;
    }
    ul {
        list-style: none;
        margin: 0;
        padding: 0;
        display: grid;
        gap: 6px;
        align-content: start;
    }
    li button {
        width: 100%;
        text-align: left;
        border-color: var(--hair);
    }
    dl {
        display: grid;
        grid-template-columns: auto 1fr;
        gap: 4px 12px;
        margin: 8px 0 12px;
    }
    dd {
        margin: 0;
    }
    .menu > button {
        justify-self: start;
    }
    @media (max-width: 620px) {
        .menu {
            grid-template-columns: minmax(0, 1fr);
        }
    }
</style>
