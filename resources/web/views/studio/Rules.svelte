<script lang="ts">
    import { get, post, put, remove } from '../../api/client';
    import { when } from '../../format/times';
    import type { StudioRules } from '../../api/generated/types';
    import { Form } from '../../lib/form.svelte';
    import { session } from '../../lib/session.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import { say } from './words';

    const form = new Form<{ lock: string; factor: boolean; keep: string; consent: string; remembers: boolean }>({
        lock: '',
        factor: false,
        keep: '',
        consent: '',
        remembers: true,
    });
    let memory = $state<StudioRules['memory']>(null);
    let known = $state(false);
    const show = (r: StudioRules) => {
        form.values = {
            lock: String(r.lockMinutes),
            factor: r.wantsSecondFactor,
            keep: r.retentionMonths === null ? '' : String(r.retentionMonths),
            consent: r.consentText,
            remembers: r.remembers,
        };
        memory = r.memory;
        known = true;
    };
    $effect(() => {
        get<StudioRules>('studio/rules')
            .then(show)
            .catch((e) => form.fail(e));
    });
    async function save(event: SubmitEvent) {
        event.preventDefault();
        const { lock, factor, keep, consent, remembers } = form.values;
        const ok = await form.send(async () => {
            const now = await put<StudioRules>('studio/rules', {
                lockMinutes: Number(lock),
                wantsSecondFactor: factor,
                retentionMonths: keep.trim() === '' ? null : Number(keep),
                consentText: consent,
                remembers,
            });
            show(now);
            if (session.user) session.user.lockMinutes = now.lockMinutes;
        });
        if (ok) form.note = 'Kept.';
    }
    const learn = () => form.send(async () => show(await post<StudioRules>('studio/memory', {})));
    async function take(input: HTMLInputElement) {
        const file = input.files?.[0];
        const body = new FormData();
        if (file) body.append('file', file);
        input.value = '';
        if (await form.send(async () => show(await post<StudioRules>('studio/memory/file', body)))) form.note = say('studio.memory.taken');
    }
    const forget = () => form.send(async () => show(await remove<StudioRules>('studio/memory')));
</script>

{#if known}
    <form class="panel" onsubmit={save}>
        <Field label="Lock a screen that nobody touched for" hint="minutes, 2 to 720" error={form.err('lockMinutes')}
            ><input inputmode="numeric" required bind:value={form.values.lock} /></Field
        >
        <label class="check"
            ><input type="checkbox" bind:checked={form.values.factor} /> Everybody needs a second factor. Who has none can do nothing but set
            one up.</label
        >
        <Field label="Erase players whom nobody saw for" hint="months; empty: nobody is erased" error={form.err('retentionMonths')}
            ><input inputmode="numeric" bind:value={form.values.keep} /></Field
        >
        <p class="small">Checked every night. Erasing takes name and words away; what was hit stays without a name.</p>
        <Field label="What a player agrees to" error={form.err('consentText')}
            ><textarea rows="5" maxlength="4000" bind:value={form.values.consent}></textarea></Field
        >
        <label class="check"
            ><input type="checkbox" bind:checked={form.values.remembers} /> New fittings begin with what earlier ones showed of the heads</label
        >
        <p class="small">
            {memory
                ? say('studio.memory', {
                      when: when(memory.at),
                      fittings: memory.fittings,
                      heads: memory.heads - memory.elsewhere,
                      elsewhere: memory.elsewhere,
                  })
                : say('studio.memory.none')} The studio learns every night, sums over players and no names. A fitting keeps what it began with.
            <button type="button" class="plain" disabled={form.busy || !form.values.remembers} onclick={learn}>Learn now</button>
            {#if memory}<button type="button" class="plain" disabled={form.busy} onclick={forget}>Forget it</button>{/if}
        </p>
        <p class="small">
            {say('studio.memory.others')}
            {#if memory}<a href="/api/studio/memory/file" download="memory.json">{say('studio.memory.give')}</a>{/if}
            <label class="take"
                >{say('studio.memory.take')}
                <input
                    class="visually-hidden"
                    type="file"
                    accept=".json,application/json"
                    disabled={form.busy || !form.values.remembers}
                    onchange={(e) => take(e.currentTarget)}
                /></label
            >
        </p>
        {#if form.err('file')}<Notice kind="error">{form.err('file')}</Notice>{/if}
        {#if form.problem && Object.keys(form.problems).length === 0}<Notice kind="error">{form.problem}</Notice>{/if}
        {#if form.note}<Notice kind="good">{form.note}</Notice>{/if}
        <div><button disabled={form.busy}>Keep</button></div>
    </form>
{:else if form.problem}<Notice kind="error">{form.problem}</Notice>
{:else}<Outline what="Opening …" blocks={['lines']} />{/if}

<style>
    form {
        display: grid;
        gap: 14px;
        max-width: 620px;
    }
    .take {
        text-decoration: underline;
        cursor: pointer;
    }
    .take:focus-within {
        outline: 3px solid var(--mint);
    }
    .check {
        display: flex;
        gap: 8px;
        align-items: baseline;
    }
    input[inputmode] {
        max-width: 110px;
    }
</style>
