<script lang="ts">
    import { untrack } from 'svelte';
    import { ApiError, get, patch, post, say } from '../../api/client';
    import type { Brief, BriefChange, Fitting, Outlook, Trouble, UnitChoice } from '../../api/generated/types';
    import CorridorSketch from '../../charts/CorridorSketch.svelte';
    import Ridge from '../../charts/Ridge.svelte';
    import Field from '../../parts/Field.svelte';
    import Notice from '../../parts/Notice.svelte';
    import { current } from '../../state/session.svelte';
    import { factor, plain, when } from '../../format/units';
    import { apexText, CHOICES, HABIT_WORDS, priceText, shownValue, speedText, targetText, WIND } from './sentences';

    let { fitting }: { fitting: Fitting } = $props();
    // A form of its own: what is typed stays until it is saved, whatever happens on the way.
    const was = untrack(() => fitting);
    const units: UnitChoice = was.player.units;
    const KEY = `typed-brief-${was.id}`;
    const back = (v: number | null, unit: string, digits = 0) => (v === null ? '' : plain(v * factor(unit), digits).replace('−', '-'));
    const number = (v: number | null) => (v === null ? '' : String(v));

    function start(b: Brief) {
        return {
            ...b,
            carryM: back(b.carryM, units.distance),
            clubSpeedMps: back(b.clubSpeedMps, units.speed),
            handicap: number(b.handicap),
            windMps: back(b.windMps, units.speed, units.speed === 'm/s' ? 1 : 0),
            windFromDeg: String(b.windFromDeg),
            altitudeM: back(b.altitudeM, units.distance),
            temperatureC: number(b.temperatureC),
            holeLengthM: back(b.holeLengthM, units.distance),
            sixIronApexM: back(b.sixIronApexM, units.height),
            swings: number(b.swings),
            minutes: number(b.minutes),
            money: number(b.money),
            width: back(b.corridor.widthM, units.distance),
            left: { kind: b.corridor.left.kind, at: back(b.corridor.left.atM, units.distance) },
            right: { kind: b.corridor.right.kind, at: back(b.corridor.right.atM, units.distance) },
            weights: {
                carry: '',
                run: '',
                fairways: '',
                height: '',
                ...Object.fromEntries(Object.entries(b.weights).map(([k, v]) => [k, String(v)])),
            },
            name: was.player.name,
            hand: was.player.hand as string,
        };
    }
    const fresh = start(was.brief);
    const kept = localStorage.getItem(KEY);
    let form = $state<typeof fresh>(kept ? { ...fresh, ...JSON.parse(kept) } : fresh);
    let saved = $state(JSON.stringify(fresh));
    let why = $state('');
    let outlook = $state<Outlook | null>(null);
    /** What the outlook was worked out for: the words beside it speak of that, not of what cannot be read yet. */
    let seen = $state<{ school: string; brief: typeof sketch } | null>(null);
    let errors = $state<Record<string, string[]>>({});
    let problem = $state('');
    let note = $state(kept ? 'Answers that were not saved yet are back on this screen.' : '');
    let busy = $state(false);
    let changes = $state<BriefChange[]>([]);
    const dirty = $derived(JSON.stringify(form) !== saved);
    const agreed = $derived(fitting.briefAgreedAt !== null);

    /** The form as the server takes it: lengths and speeds with their unit. */
    function body(): Record<string, unknown> {
        const f = $state.snapshot(form);
        const q = (value: string, unit: string) => ({ value, unit });
        const side = (s: { kind: string; at: string }) => ({ kind: s.kind, atM: s.kind === 'rough' ? null : q(s.at, units.distance) });
        return {
            shape: f.shape,
            miss: f.miss,
            wants: f.wants,
            never: f.never,
            wish: f.wish,
            turf: f.turf,
            ball: f.ball,
            habit: f.habit,
            feel: f.feel,
            currency: f.currency,
            purchase: f.purchase,
            startSide: f.startSide,
            school: f.school,
            scoring: f.scoring,
            aimFree: f.aimFree,
            consent: f.consent,
            minor: f.minor,
            guardian: f.guardian,
            handicap: f.handicap,
            temperatureC: f.temperatureC,
            windFromDeg: f.windFromDeg,
            swings: f.swings,
            minutes: f.minutes,
            money: f.money,
            carryM: q(f.carryM, units.distance),
            clubSpeedMps: q(f.clubSpeedMps, units.speed),
            windMps: q(f.windMps || '0', units.speed),
            altitudeM: q(f.altitudeM || '0', units.distance),
            holeLengthM: q(f.holeLengthM, units.distance),
            sixIronApexM: q(f.sixIronApexM, units.height),
            corridor: { widthM: q(f.width, units.distance), left: side(f.left), right: side(f.right) },
            weights: f.scoring === 'own weights' ? f.weights : {},
        };
    }
    $effect(() => {
        const typed = JSON.stringify(form);
        if (typed !== untrack(() => saved)) localStorage.setItem(KEY, typed);
        const wait = setTimeout(() => {
            post<Outlook>(`fittings/${was.id}/brief/outlook`, { brief: body() })
                .then((o) => {
                    outlook = o;
                    seen = { school: form.school, brief: $state.snapshot(sketch) };
                    errors = {};
                })
                .catch((e) => {
                    if (e instanceof ApiError && e.status === 422) errors = e.fields;
                });
        }, 250);
        return () => clearTimeout(wait);
    });
    async function history() {
        changes = await get<BriefChange[]>(`fittings/${was.id}/brief/changes`).catch(() => []);
    }
    $effect(() => void history());

    async function save(event: SubmitEvent) {
        event.preventDefault();
        busy = true;
        problem = note = '';
        try {
            const typed = JSON.stringify(form);
            let version = current.fitting?.version ?? fitting.version;
            if (form.name !== fitting.player.name || form.hand !== fitting.player.hand) {
                version = (await patch<Fitting>(`fittings/${was.id}`, { version, name: form.name, hand: form.hand })).version;
            }
            current.fitting = await patch<Fitting>(`fittings/${was.id}/brief`, { version, brief: body(), why });
            saved = typed;
            localStorage.removeItem(KEY);
            errors = {};
            note = 'Saved.';
            why = '';
            await history();
        } catch (e) {
            problem = say(e);
            if (e instanceof ApiError) {
                errors = e.fields;
                if (e.status === 409) {
                    const now = (e.body as { current: Fitting }).current;
                    problem += ` There: ${now.brief.wish ? `“${now.brief.wish}”, ` : ''}corridor ${back(now.brief.corridor.widthM, units.distance)} ${units.distance}, ${now.brief.corridor.left.kind} left, ${now.brief.corridor.right.kind} right, ${now.brief.scoring}.`;
                    current.fitting = now;
                }
            }
        }
        busy = false;
    }
    function pick(field: 'wants' | 'never', option: string, on: boolean) {
        form[field] = CHOICES[field].filter((o) => (o === option ? on : form[field].includes(o)));
    }
    const err = (field: string) => errors[field]?.[0] ?? '';
    // The picture follows what is typed where it can be read.
    const read = (text: string, unit: string, otherwise: number | null) => {
        const v = Number(text.replace(',', '.'));
        return text.trim() !== '' && Number.isFinite(v) ? v / factor(unit) : otherwise;
    };
    const sketch = $derived({
        corridor: {
            widthM: Math.max(5, read(form.width, units.distance, 30)!),
            left: { kind: form.left.kind, atM: form.left.kind === 'rough' ? null : read(form.left.at, units.distance, null) } as Trouble,
            right: {
                kind: form.right.kind,
                atM: form.right.kind === 'rough' ? null : read(form.right.at, units.distance, null),
            } as Trouble,
        },
        holeLengthM: read(form.holeLengthM, units.distance, 370)!,
        sixIronApexM: read(form.sixIronApexM, units.height, null),
        handicap: read(form.handicap, '', null),
        carryM: read(form.carryM, units.distance, null),
        windMps: read(form.windMps, units.speed, 0)!,
        windFromDeg: Number(form.windFromDeg),
    });
</script>

{#snippet choose(label: string, field: 'shape' | 'miss' | 'startSide' | 'purchase' | 'turf', options: string[])}
    <Field {label} error={err(field)}
        ><select bind:value={form[field]}
            >{#each options as o (o)}<option>{o}</option>{/each}</select
        ></Field
    >
{/snippet}
{#snippet chips(label: string, field: 'wants' | 'never', options: string[])}
    <fieldset class="chips" class:harm={field === 'never'}>
        <legend>{label}</legend>
        {#each options as o (o)}<label class:on={form[field].includes(o)}
                ><input type="checkbox" checked={form[field].includes(o)} onchange={(e) => pick(field, o, e.currentTarget.checked)} />
                {o}</label
            >{/each}
    </fieldset>
{/snippet}

<form onsubmit={save} novalidate>
    <div class="talk">
        <h1>
            Brief{#if fitting.briefAgreedAt}<small> agreed {when(fitting.briefAgreedAt)}</small>{/if}
        </h1>
        <section>
            <h2>The player</h2>
            <div class="grid">
                <Field label="Player" error={err('name')}><input required maxlength="80" bind:value={form.name} /></Field>
                <Field label="Hand"
                    ><select bind:value={form.hand}
                        ><option value="right">right-handed</option><option value="left">left-handed</option></select
                    ></Field
                >
                {@render choose('Usual shape', 'shape', CHOICES.shape)}
                {@render choose('Usual miss', 'miss', CHOICES.miss)}
                <Field label="Typical carry" hint={units.distance} error={err('carryM')}
                    ><input inputmode="decimal" bind:value={form.carryM} /></Field
                >
                <Field label="Club speed" hint="{units.speed}, if known" error={err('clubSpeedMps')}
                    ><input inputmode="decimal" bind:value={form.clubSpeedMps} /></Field
                >
                <Field label="Handicap" error={err('handicap')}><input inputmode="decimal" bind:value={form.handicap} /></Field>
                <Field label="Swings in the tank" error={err('swings')}><input inputmode="numeric" bind:value={form.swings} /></Field>
            </div>
        </section>
        <section>
            <h2>Wants</h2>
            {@render chips('More of', 'wants', CHOICES.wants)}
            {@render chips('Must never see', 'never', CHOICES.never)}
            <Field label="Wants, in their words" error={err('wish')}
                ><textarea rows="2" maxlength="500" bind:value={form.wish}></textarea></Field
            >
        </section>
        <section>
            <h2>Where they play</h2>
            <div class="grid">
                {@render choose('Ground', 'turf', CHOICES.turf)}
                <Field label="Wind" hint={units.speed} error={err('windMps')}><input inputmode="decimal" bind:value={form.windMps} /></Field
                >
                <Field label="It comes" error={err('windFromDeg')}
                    ><select bind:value={form.windFromDeg}
                        >{#each WIND as [deg, words] (deg)}<option value={String(deg)}>{words}</option>{/each}</select
                    ></Field
                >
                <Field label="Air" hint="°C" error={err('temperatureC')}><input inputmode="decimal" bind:value={form.temperatureC} /></Field
                >
                <Field label="Corridor" hint={units.distance} error={err('corridorWidthM') || err('corridor.widthM')}
                    ><input inputmode="decimal" bind:value={form.width} /></Field
                >
                <Field label="Driving holes" hint={units.distance} error={err('holeLengthM')}
                    ><input inputmode="decimal" bind:value={form.holeLengthM} /></Field
                >
                <Field label="Altitude" hint={units.distance} error={err('altitudeM')}
                    ><input inputmode="decimal" bind:value={form.altitudeM} /></Field
                >
                <Field label="Six-iron apex" hint={units.height} error={err('sixIronApexM')}
                    ><input inputmode="decimal" bind:value={form.sixIronApexM} /></Field
                >
                {#each ['left', 'right'] as const as side (side)}
                    <Field label="Waits {side}" error={err('trouble')}
                        ><select bind:value={form[side].kind}
                            >{#each CHOICES.trouble as o (o)}<option>{o}</option>{/each}</select
                        ></Field
                    >
                    <Field label="from" hint="{units.distance} off the target line" error={err(`${side}.atM`)}
                        ><input
                            inputmode="decimal"
                            aria-label="Where it begins on the {side}"
                            disabled={form[side].kind === 'rough'}
                            placeholder="just beyond"
                            bind:value={form[side].at}
                        /></Field
                    >
                {/each}
            </div>
        </section>
        <section>
            <h2>Habits and feel</h2>
            <div class="grid">
                <Field label="Ball they play" error={err('ball')}><input maxlength="80" bind:value={form.ball} /></Field>
                <Field label="At address"
                    ><select bind:value={form.habit}
                        >{#each CHOICES.habit as o (o)}<option value={o}>{HABIT_WORDS[o]}</option>{/each}</select
                    ></Field
                >
                {@render choose('Wants to start it', 'startSide', CHOICES.startSide)}
                <div></div>
                <div class="wide">
                    <Field label="Feel notes" error={err('feel')}
                        ><textarea rows="2" maxlength="1000" bind:value={form.feel}></textarea></Field
                    >
                </div>
            </div>
        </section>
        <section>
            <h2>Time and money</h2>
            <div class="grid">
                <Field label="Minutes" error={err('minutes')}><input inputmode="numeric" bind:value={form.minutes} /></Field>
                <Field label="Money" error={err('money')}><input inputmode="decimal" bind:value={form.money} /></Field>
                <Field label="Currency" error={err('currency')}><input maxlength="8" bind:value={form.currency} /></Field>
                {@render choose('Buying', 'purchase', CHOICES.purchase)}
            </div>
        </section>
        <section>
            <h2>How it is judged</h2>
            <div class="grid">
                <div class="two">
                    <Field label="Flight school" error={err('school')}
                        ><select bind:value={form.school}
                            >{#each CHOICES.school as o (o)}<option>{o}</option>{/each}</select
                        ></Field
                    >
                </div>
                <div class="two">
                    <Field label="Best setup is" error={err('scoring')}
                        ><select bind:value={form.scoring}
                            >{#each CHOICES.scoring as o (o)}<option>{o}</option>{/each}</select
                        ></Field
                    >
                </div>
                {#if form.scoring === 'own weights'}
                    {#each ['carry', 'run', 'fairways', 'height'] as const as w (w)}
                        <Field label="Weight of {w}" hint="0 to 10" error={w === 'carry' ? err('weights') : ''}
                            ><input inputmode="decimal" bind:value={form.weights[w]} /></Field
                        >
                    {/each}
                {/if}
                <label class="check wide"
                    ><input type="checkbox" bind:checked={form.aimFree} /> The player may aim elsewhere, by up to 4°, when a setup starts it off
                    line</label
                >
            </div>
        </section>
        <section>
            <h2>Consent</h2>
            <label class="check"
                ><input type="checkbox" bind:checked={form.consent} /> The player agrees that name, answers and shots are kept</label
            >
            <label class="check"><input type="checkbox" bind:checked={form.minor} /> The player is a minor</label>
            {#if form.minor}<Field label="Guardian who agrees" error={err('guardian')}
                    ><input maxlength="80" bind:value={form.guardian} /></Field
                >{/if}
        </section>
        {#if changes.length}
            <section>
                <h2>Changed since it was agreed</h2>
                <ul>
                    {#each changes as c (c.at + c.why)}
                        <li>
                            <b>{c.why}</b> <small>{when(c.at)}, {c.by}</small><br />
                            {#each c.changes as x (x.field)}<span class="small"
                                    >{x.label}: {shownValue(x.from)} → {shownValue(x.to)}.
                                </span>{/each}
                        </li>
                    {/each}
                </ul>
            </section>
        {/if}
    </div>

    <aside>
        <CorridorSketch brief={sketch} {units} />
        {#if outlook && seen}
            <Ridge {outlook} {units} />
            <div class="says" class:stale={Object.keys(errors).length > 0}>
                {#if Object.keys(errors).length}<p class="small">As it was before what cannot be read: see the fields in red.</p>{/if}
                <p><b>{seen.school[0]!.toUpperCase() + seen.school.slice(1)}:</b> {targetText(outlook, units)}</p>
                <p>{apexText(outlook, seen.brief, units)} <span class="small">{speedText(outlook, units)}</span></p>
                <p>{priceText(outlook, seen.brief, units)}</p>
            </div>
        {:else}
            <p class="small">Working out what this means …</p>
        {/if}
        <div class="save">
            {#if agreed && dirty}<Field label="Why does the brief change?" error={err('why')}
                    ><input maxlength="300" bind:value={why} /></Field
                >{/if}
            {#if problem}<Notice kind="error">{problem}</Notice>{/if}
            <div class="row">
                <button disabled={busy || (agreed && !dirty)}>{agreed ? 'Save the change' : 'Agree the brief'}</button><span
                    class="small"
                    role="status">{note}</span
                >
            </div>
        </div>
    </aside>
</form>

<style>
    form {
        display: grid;
        grid-template-columns: minmax(0, 1fr) 430px;
        gap: 28px;
        align-items: start;
    }
    .talk {
        display: grid;
        gap: 16px;
    }
    h1 small {
        font-weight: 400;
        margin-left: 8px;
        letter-spacing: 0;
    }
    section {
        display: grid;
        gap: 8px;
        border-top: 1px solid var(--hair);
        padding-top: 10px;
    }
    .grid {
        display: grid;
        grid-template-columns: repeat(4, minmax(0, 1fr));
        gap: 9px 12px;
        align-items: start;
    }
    .two {
        grid-column: span 2;
    }
    .wide {
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
    aside {
        position: sticky;
        top: 10px;
        display: grid;
        gap: 10px;
        max-height: calc(100vh - 20px);
        overflow: auto;
    }
    .says {
        display: grid;
        gap: 6px;
    }
    .stale {
        color: var(--ink-2);
    }
    .save {
        display: grid;
        gap: 8px;
        position: sticky;
        bottom: 0;
        background: var(--paper);
        padding: 8px 0;
    }
    .row {
        display: flex;
        gap: 12px;
        align-items: center;
    }
    ul {
        margin: 0;
        padding-left: 18px;
        display: grid;
        gap: 6px;
    }
    @media (max-width: 1000px) {
        form {
            grid-template-columns: minmax(0, 1fr);
        }
        aside {
            position: static;
            max-height: none;
        }
        .grid {
            grid-template-columns: 1fr 1fr;
        }
    }
</style>
