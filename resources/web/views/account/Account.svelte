<script lang="ts">
    import { get, post, put, remove } from '../../api/client';
    import type { Account } from '../../api/generated/types';
    import { moment } from '../../format/times';
    import { Form } from '../../lib/form.svelte';
    import { Loader } from '../../lib/load.svelte';
    import { session } from '../../lib/session.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import Outline from '../../parts/Outline.svelte';
    import QrCode from '../../parts/QrCode.svelte';
    import Scroll from '../../parts/Scroll.svelte';
    import TopBar from '../../parts/TopBar.svelte';

    const reading = new Loader<Account>();
    const account = $derived(reading.value);
    const load = () => void reading.load(() => get<Account>('account'));
    $effect(load);

    const changing = new Form({ current: '', password: '', again: '' });
    async function change(event: SubmitEvent) {
        event.preventDefault();
        const { current, password, again } = changing.values;
        if (password !== again) {
            changing.clear();
            changing.problems = { password: ['The two are not the same. Type the second again.'] };
            return;
        }
        let ended = 0;
        if (await changing.send(async () => (ended = (await put<{ ended: number }>('account/password', { current, password })).ended))) {
            changing.values = { current: '', password: '', again: '' };
            changing.note = `The password is changed.${ended ? ` ${ended} other session${ended === 1 ? ' was' : 's were'} ended.` : ''}`;
            load();
        }
    }

    const factor = new Form({ current: '', code: '' });
    let pending = $state<{ secret: string; address: string } | null>(null);
    let codes = $state<string[]>([]);
    const begin = () =>
        factor.send(async () => {
            pending = await post<{ secret: string; address: string }>('account/second-factor', { current: factor.values.current });
        });
    const confirm = () =>
        factor.send(async () => {
            codes = (await put<{ recoveryCodes: string[] }>('account/second-factor', { code: factor.values.code })).recoveryCodes;
            pending = null;
            factor.values = { current: '', code: '' };
            if (session.user) session.user.wantsSecondFactor = false;
            load();
        });
    const renew = () =>
        factor.send(async () => {
            codes = (await post<{ recoveryCodes: string[] }>('account/recovery-codes', { current: factor.values.current })).recoveryCodes;
            factor.values.current = '';
            load();
        });
    const drop = () =>
        factor.send(async () => {
            await remove('account/second-factor', { current: factor.values.current });
            factor.values.current = '';
            codes = [];
            load();
        });

    const ending = new Form();
    const end = (path: string) =>
        ending.send(async () => {
            await remove(path);
            load();
        });
    const ROLES = { owner: 'owner', fitter: 'fitter', desk: 'front desk', guest: 'guest screen' };
</script>

<TopBar place="account" />
<main>
    <h1>Account</h1>
    {#if reading.problem}<Notice kind="error">{reading.problem}</Notice>{/if}
    {#if account}
        <p>{account.name}, {account.email} · {ROLES[account.role]} of {session.user?.studio}</p>
        <div class="two">
            <form class="panel" onsubmit={change}>
                <h2>Password</h2>
                <p class="small">
                    {account.passwordAt ? `Chosen ${moment(account.passwordAt)}.` : ''} A few words of your own, 12 letters or more.
                </p>
                <Field label="Password now" error={changing.err('current')}
                    ><input type="password" autocomplete="current-password" required bind:value={changing.values.current} /></Field
                >
                <Field label="New password" error={changing.err('password')}
                    ><input type="password" autocomplete="new-password" required bind:value={changing.values.password} /></Field
                >
                <Field label="The same again"
                    ><input type="password" autocomplete="new-password" required bind:value={changing.values.again} /></Field
                >
                {#if changing.problem && !changing.err('current') && !changing.err('password')}<Notice kind="error"
                        >{changing.problem}</Notice
                    >{/if}
                {#if changing.note}<Notice kind="good">{changing.note}</Notice>{/if}
                <button disabled={changing.busy}>Change the password</button>
            </form>
            <section class="panel" aria-label="Second factor">
                <h2>Second factor</h2>
                {#if codes.length}
                    <Notice kind="good"
                        >In force. These ten codes stand in for it when the phone is lost; each opens once, and they are shown only now.</Notice
                    >
                    <ul class="codes">
                        {#each codes as code (code)}<li><code>{code}</code></li>{/each}
                    </ul>
                    <div><button class="quiet" onclick={() => (codes = [])}>I have written them down</button></div>
                {:else if pending}
                    <p class="small">Read this with your authenticator, then type the code that it shows.</p>
                    <QrCode text={pending.address} label="The secret of the second factor, for an authenticator" />
                    <p class="small">Or type the secret: <code>{pending.secret}</code></p>
                    <Field label="Code" error={factor.err('code')}
                        ><input inputmode="numeric" autocomplete="one-time-code" maxlength="12" bind:value={factor.values.code} /></Field
                    >
                    <button disabled={factor.busy} onclick={confirm}>Put it in force</button>
                {:else}
                    <p class="small">
                        {account.secondFactorAt
                            ? `In force since ${moment(account.secondFactorAt)}; ${account.recoveryCodesLeft} of 10 recovery codes are left.`
                            : 'None yet: whoever has your password is you. With one, a code from your phone is asked for too.'}
                    </p>
                    <Field label="Password now" error={factor.err('current')}
                        ><input type="password" autocomplete="current-password" bind:value={factor.values.current} /></Field
                    >
                    <div class="row">
                        {#if account.secondFactorAt}
                            <button class="quiet" disabled={factor.busy} onclick={renew}>Ten new recovery codes</button>
                            <button class="quiet" disabled={factor.busy} onclick={drop}>Take it away</button>
                        {:else}<button disabled={factor.busy} onclick={begin}>Set it up</button>{/if}
                    </div>
                {/if}
                {#if factor.problem && !factor.err('current') && !factor.err('code')}<Notice kind="error">{factor.problem}</Notice>{/if}
            </section>
        </div>
        <section aria-label="Sessions">
            <h2>Where you are signed in</h2>
            <Scroll label="Sessions"
                ><table>
                    <thead
                        ><tr
                            ><th>Device</th><th class="words">Address</th><th class="words">Signed in</th><th class="words">Last seen</th
                            ><th></th></tr
                        ></thead
                    >
                    <tbody
                        >{#each account.signIns as s (s.id)}<tr
                                ><td>{s.device}{s.isThis ? ', this one' : ''}</td><td class="words">{s.from}</td><td class="words"
                                    >{moment(s.at)}</td
                                ><td class="words">{moment(s.seenAt)}</td><td
                                    >{#if !s.isThis}<button class="plain" onclick={() => end(`account/sign-ins/${s.id}`)}
                                            >End<span class="visually-hidden"> the session of {s.device}, {moment(s.at)}</span></button
                                        >{/if}</td
                                ></tr
                            >{/each}</tbody
                    >
                </table></Scroll
            >
            {#if account.signIns.length > 1}<button class="quiet" onclick={() => end('account/sign-ins')}>End all others</button>{/if}
            {#if ending.problem}<Notice kind="error">{ending.problem}</Notice>{/if}
        </section>
    {:else if !reading.problem}<Outline what="Opening your account …" blocks={['lines', 'table']} />{/if}
</main>

<style>
    main {
        max-width: 1000px;
        margin: 0 auto;
        padding: 22px 20px;
        display: grid;
        gap: 18px;
    }
    .two {
        display: grid;
        grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
        gap: 20px;
        align-items: start;
    }
    .panel {
        display: grid;
        gap: 12px;
    }
    .codes {
        columns: 2;
        list-style: none;
        padding: 0;
    }
    .row {
        display: flex;
        flex-wrap: wrap;
        gap: 10px;
    }
    .words {
        text-align: left;
    }
    code {
        overflow-wrap: anywhere;
    }
</style>
