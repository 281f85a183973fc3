import { untrack } from 'svelte';
import { ApiError, get, patch, post } from '../../api/client';
import type { Brief, BriefChange, Fitting, Hand, Outlook, UnitChoice } from '../../api/generated/types';
import { factor, plain } from '../../format/units';
import { Form } from '../../lib/form.svelte';
import { showFitting } from '../../lib/session.svelte';
import { bodyOf, inUnits, sketchOf, touchedIn, valuesOf, type Sketch, type Values } from './fields';

interface Filled {
    name: string;
    hand: Hand;
    units: UnitChoice;
    brief: Values;
}
/** What is kept on this device until it is saved: only what was touched, and in which units it was typed. */
interface Draft {
    units: UnitChoice;
    name?: string;
    hand?: Hand;
    brief: Values;
}

/** The brief of a fitting as it is filled in. What is typed stays until it is saved, whatever happens on the way. */
export class BriefScreen extends Form<Filled> {
    why = $state('');
    outlook = $state<Outlook | null>(null);
    /** What the outlook was worked out for: the words beside it speak of that, not of what cannot be read yet. */
    seen = $state<{ school: string; sketch: Sketch } | null>(null);
    changes = $state<BriefChange[]>([]);

    private of!: () => Fitting;
    private readonly id: number;
    private readonly key: string;
    /** The fitting as the form was filled in from, and what it then said. */
    private now: Fitting = $state.raw({} as Fitting);
    private readonly stands = $derived(filledFrom(this.now));
    /** What was touched when it was last kept. */
    private kept: Draft | null = null;

    readonly units = $derived(this.values.units);
    /** What stands, in the units that the form is read in now: only what differs from that was touched. */
    private readonly standsHere = $derived(valuesOf(this.now.brief, this.values.units, this.now.typed));
    readonly draft = $derived.by((): Draft => {
        const { name, hand, units, brief } = this.values;
        return {
            units,
            ...(name === this.stands.name ? {} : { name }),
            ...(hand === this.stands.hand ? {} : { hand }),
            brief: touchedIn(brief, this.standsHere),
        };
    });
    readonly dirty = $derived(
        Object.keys(this.draft.brief).length > 0 ||
            this.draft.name !== undefined ||
            this.draft.hand !== undefined ||
            JSON.stringify(this.values.units) !== JSON.stringify(this.stands.units),
    );
    readonly agreed = $derived(this.of().briefAgreedAt !== null);
    readonly sketch = $derived(sketchOf(this.values.brief, this.units));

    constructor(of: () => Fitting) {
        const was = untrack(of);
        super(filledFrom(was));
        this.of = of;
        [this.id, this.key, this.now] = [was.id, `typed-brief-${was.id}`, was];
        const kept = localStorage.getItem(this.key);
        const draft = kept === null ? null : (JSON.parse(kept) as Draft);
        if (draft?.brief) {
            this.put(draft);
            this.note = 'Answers that were not saved yet are back on this screen.';
        }
    }

    /** Puts what was touched over what stands. */
    private put({ units, name, hand, brief }: Draft): void {
        const to = units ?? this.stands.units;
        this.values = {
            name: name ?? this.stands.name,
            hand: hand ?? this.stands.hand,
            units: to,
            brief: { ...valuesOf(this.now.brief, to, this.now.typed), ...brief },
        };
    }

    /** Keeps what is typed on this device, and asks what follows from it. To be called while the component is made. */
    watch(): void {
        $effect(() => void this.history());
        $effect(() => {
            // What stands was changed, here or elsewhere: what was touched stays on top of it.
            const fitting = this.of();
            untrack(() => fitting.version !== this.now.version && this.rebase(fitting, this.kept));
        });
        $effect(() => {
            if (this.dirty) localStorage.setItem(this.key, JSON.stringify((this.kept = this.draft)));
            else if (this.kept !== null) localStorage.removeItem(this.key);
            if (!this.dirty) this.kept = null;
            void JSON.stringify(this.values);
            const wait = setTimeout(() => void this.look(), untrack(() => this.outlook) ? 250 : 0);
            return () => clearTimeout(wait);
        });
    }

    private rebase(now: Fitting, touched: Draft | null): void {
        this.now = now;
        this.put(touched ?? { units: now.player.units, brief: {} });
    }

    /** Reads the form in other units: what was typed follows, and what was not touched shows the digits that stand. */
    readIn(units: UnitChoice): void {
        const touched = inUnits(this.draft.brief, this.values.units, units);
        this.put({ ...this.draft, units, brief: touched });
    }

    private looks = 0;

    /** An answer that is overtaken by a later one is let go. */
    private async look(): Promise<void> {
        const turn = ++this.looks;
        const { school } = this.values.brief;
        const sketch = this.sketch;
        try {
            const brief = bodyOf(this.values.brief, this.units, this.standsHere);
            const outlook = await post<Outlook>(`fittings/${this.id}/brief/outlook`, { brief });
            if (turn !== this.looks) return;
            this.outlook = outlook;
            this.seen = { school: String(school), sketch };
            this.problems = {};
        } catch (e) {
            if (turn === this.looks && e instanceof ApiError && e.status === 422) this.problems = e.fields;
        }
    }

    private async history(): Promise<void> {
        this.changes = await get<BriefChange[]>(`fittings/${this.id}/brief/changes`).catch(() => []);
    }

    /** All of it in one request, so it is saved whole or not at all. */
    save = async (event: SubmitEvent): Promise<void> => {
        event.preventDefault();
        const typed = JSON.stringify(this.values);
        const { name, hand } = this.draft;
        const { units } = this.values;
        const body = {
            version: this.now.version,
            brief: bodyOf(this.values.brief, units, this.standsHere),
            why: this.why,
            ...(name === undefined ? {} : { name }),
            ...(hand === undefined ? {} : { hand }),
            ...(JSON.stringify(units) === JSON.stringify(this.stands.units) ? {} : { units }),
        };
        const done = await this.send(async () => {
            const now = await patch<Fitting>(`fittings/${this.id}/brief`, body);
            // What was typed while it was on its way stays typed.
            const { brief } = JSON.parse(typed) as Filled;
            this.rebase(now, { units: this.values.units, brief: touchedIn(this.values.brief, brief) });
            showFitting(now);
        });
        if (!done) return this.tellConflict();
        this.note = 'Saved.';
        this.why = '';
        await this.history();
    };

    /** Another screen was first: what stands there now is told, what was typed here stays, and is saved over it the next time. */
    private tellConflict(): void {
        const e = this.failure;
        if (!(e instanceof ApiError) || e.status !== 409) return;
        const now = (e.body as { current: Fitting }).current;
        this.problem += ` There: ${this.short(now.brief)}.`;
        this.rebase(now, this.draft);
        showFitting(now);
    }

    private short({ wish, corridor, scoring }: Brief): string {
        const { distance } = this.units;
        const width = plain(corridor.widthM * factor(distance), 0);
        return `${wish ? `“${wish}”, ` : ''}corridor ${width} ${distance}, ${corridor.left.kind} left, ${corridor.right.kind} right, ${scoring}`;
    }
}

function filledFrom({ player, brief, typed }: Fitting): Filled {
    return { name: player.name, hand: player.hand, units: { ...player.units }, brief: valuesOf(brief, player.units, typed) };
}
