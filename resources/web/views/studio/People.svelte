<script lang="ts">
    import { get, patch, post, remove } from '../../api/client';
    import type { Bay, LinkShown, Person, Role } from '../../api/generated/types';
    import { moment } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import Field from '../../parts/Field.svelte';
    import LinkShownBox from '../../parts/LinkShown.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import Scroll from '../../parts/Scroll.svelte';

    const ROLES: [Role, string, string][] = [
        ['fitter', 'Fitter', 'all of the work: players, bays, rack, judging'],
        ['owner', 'Owner', 'the work, and people, data and backups'],
        ['desk', 'Front desk', 'who comes and what was handed over; no shots, no judging'],
        ['guest', 'Guest screen', 'looks at one bay and changes nothing'],
    ];
    const nameOfRole = (role: Role) => ROLES.find(([r]) => r === role)?.[1] ?? role;
    const reading = new Loader<Person[]>();
    const bays = new Loader<Bay[]>();
    const load = () => void reading.load(() => get<Person[]>('people'));
    $effect(load);
    $effect(() => void bays.load(() => get<Bay[]>('bays')));

    const inviting = new Form<{ name: string; email: string; role: Role; bayId: number | null }>({
        name: '',
        email: '',
        role: 'fitter',
        bayId: null,
    });
    let link = $state<LinkShown | null>(null);
    async function invite(event: SubmitEvent) {
        event.preventDefault();
        const { name, email, role, bayId } = inviting.values;
        const body = role === 'guest' ? { name, role, bayId } : { name, role, email };
        if (await inviting.send(async () => (link = await post<LinkShown>('people', body)))) {
            inviting.values = { name: '', email: '', role: 'fitter', bayId: null };
            load();
        }
    }
    const acting = new Form();
    let asked = $state<number | null>(null);
    const act = async (what: () => Promise<unknown>) => {
        if (await acting.send(what)) load();
    };
    function stands(p: Person): string {
        if (p.removedAt) return `removed ${moment(p.removedAt)}`;
        if (p.isInvited) return 'invited, has not come in yet';
        return [p.open ? `${p.open} open session${p.open === 1 ? '' : 's'}` : 'not signed in', p.seenAt ? `seen ${moment(p.seenAt)}` : '']
            .filter(Boolean)
            .join(', ');
    }
</script>

<div class="two">
    <section aria-label="People">
        {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
        {#if acting.problem}<Notice kind="error">{acting.problem}</Notice>{/if}
        {#if link}<LinkShownBox {link} />{/if}
        {#if reading.value}
            <Scroll label="People"
                ><table>
                    <thead
                        ><tr
                            ><th>Name</th><th class="words">Is</th><th class="words">Second factor</th><th class="words">State</th><th
                            ></th></tr
                        ></thead
                    >
                    <tbody>
                        {#each reading.value as p (p.id)}
                            <tr class:gone={p.removedAt}>
                                <td><b>{p.name}</b><small>{p.email ?? `in ${p.bay}`}</small></td>
                                <td class="words"
                                    >{#if p.removedAt || p.role === 'guest'}{nameOfRole(p.role)}{:else}<select
                                            aria-label="What {p.name} is"
                                            value={p.role}
                                            onchange={(e) => act(() => patch(`people/${p.id}`, { role: e.currentTarget.value }))}
                                            >{#each ROLES.filter(([r]) => r !== 'guest') as [r, label] (r)}<option value={r}>{label}</option
                                                >{/each}</select
                                        >{/if}</td
                                >
                                <td class="words"
                                    >{p.role === 'guest'
                                        ? '–'
                                        : p.hasSecondFactor
                                          ? 'in force'
                                          : 'none'}{#if p.hasSecondFactor}&nbsp;<button
                                            class="plain"
                                            onclick={() => act(() => remove(`people/${p.id}/second-factor`))}>lost?</button
                                        >{/if}</td
                                >
                                <td class="words">{stands(p)}</td>
                                <td class="actions"
                                    >{#if !p.removedAt}
                                        <button
                                            class="plain"
                                            onclick={() => act(async () => (link = await post<LinkShown>(`people/${p.id}/link`, {})))}
                                            >{p.role === 'guest' || p.isInvited ? 'New link' : 'Link for a new password'}<span
                                                class="visually-hidden"
                                            >
                                                for {p.name}</span
                                            ></button
                                        >
                                        {#if p.open}<button class="plain" onclick={() => act(() => remove(`people/${p.id}/sign-ins`))}
                                                >End sessions<span class="visually-hidden"> of {p.name}</span></button
                                            >{/if}
                                        {#if asked === p.id}<button
                                                class="plain"
                                                onclick={() => act(async () => (await remove(`people/${p.id}`), (asked = null)))}
                                                >Yes, remove {p.name}</button
                                            >{:else}<button class="plain" onclick={() => (asked = p.id)}
                                                >Remove<span class="visually-hidden"> {p.name}</span></button
                                            >{/if}
                                    {/if}</td
                                >
                            </tr>
                        {/each}
                    </tbody>
                </table></Scroll
            >
            <p class="small">When somebody is removed, what they did stays under their name.</p>
        {:else if !reading.problem}<Outline what="Opening …" blocks={['table']} />{/if}
    </section>
    <form class="panel" onsubmit={invite}>
        <h2>Invite</h2>
        <Field label="As"
            ><select bind:value={inviting.values.role}
                >{#each ROLES as [r, label] (r)}<option value={r}>{label}</option>{/each}</select
            ></Field
        >
        <p class="small">{ROLES.find(([r]) => r === inviting.values.role)?.[2]}</p>
        <Field label={inviting.values.role === 'guest' ? 'Name of the screen' : 'Name'} error={inviting.err('name')}
            ><input required maxlength="80" bind:value={inviting.values.name} /></Field
        >
        {#if inviting.values.role === 'guest'}
            <Field label="Shows" error={inviting.err('bayId')}
                ><select required bind:value={inviting.values.bayId}
                    ><option value={null}>choose a bay</option>{#each bays.value ?? [] as b (b.id)}<option value={b.id}>{b.name}</option
                        >{/each}</select
                ></Field
            >
        {:else}
            <Field label="E-mail" error={inviting.err('email')}
                ><input type="email" required maxlength="254" bind:value={inviting.values.email} /></Field
            >
        {/if}
        {#if inviting.problem && Object.keys(inviting.problems).length === 0}<Notice kind="error">{inviting.problem}</Notice>{/if}
        <button disabled={inviting.busy}>{inviting.values.role === 'guest' ? 'Make the screen' : 'Invite'}</button>
        <p class="small">You are shown a link that opens once. Nothing is sent unless the server has been told how to send mail.</p>
    </form>
</div>

<style>
    .two {
        display: grid;
        grid-template-columns: 1fr 290px;
        gap: 26px;
        align-items: start;
    }
    section,
    form {
        display: grid;
        gap: 12px;
        min-width: 0;
    }
    td small {
        display: block;
    }
    .words,
    .actions {
        text-align: left;
    }
    .actions button {
        margin-right: 8px;
    }
    .gone {
        color: var(--ink-2);
    }
    @media (max-width: 960px) {
        .two {
            grid-template-columns: 1fr;
        }
    }
</style>
