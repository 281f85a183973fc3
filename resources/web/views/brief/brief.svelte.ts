import { untrack } from 'svelte';
import { ApiError, get, patch, post } from '../../api/client';
import type { Brief, BriefChange, Fitting, Hand, Outlook, UnitChoice } from '../../api/generated/types';
import { factor, plain } from '../../format/units';
import { Form } from '../../lib/form.svelte';
import { current } from '../../lib/session.svelte';
import { bodyOf, sketchOf, valuesOf, type Sketch, type Values } from './fields';

interface Typed {
    name: string;
    hand: Hand;
    brief: Values;
}

/** The brief of a fitting as it is filled in. What is typed stays until it is saved, whatever happens on the way. */
export class BriefScreen extends Form<Typed> {
    why = $state('');
    outlook = $state<Outlook | null>(null);
    /** What the outlook was worked out for: the words beside it speak of that, not of what cannot be read yet. */
    seen = $state<{ school: string; sketch: Sketch } | null>(null);
    changes = $state<BriefChange[]>([]);

    units!: UnitChoice;
    private of!: () => Fitting;
    private readonly id: number;
    private readonly key: string;
    private saved = $state('');

    readonly dirty = $derived(JSON.stringify(this.values) !== this.saved);
    readonly agreed = $derived(this.of().briefAgreedAt !== null);
    readonly sketch = $derived(sketchOf(this.values.brief, this.units));

    constructor(of: () => Fitting) {
        const was = untrack(of);
        const fresh: Typed = { name: was.player.name, hand: was.player.hand, brief: valuesOf(was.brief, was.player.units) };
        const key = `typed-brief-${was.id}`;
        const kept = localStorage.getItem(key);
        const typed = kept === null ? null : (JSON.parse(kept) as Typed);
        super(typed?.brief ? { ...typed, brief: { ...fresh.brief, ...typed.brief } } : fresh);
        this.of = of;
        [this.id, this.key, this.units] = [was.id, key, was.player.units];
        this.saved = JSON.stringify(fresh);
        if (typed?.brief) this.note = 'Answers that were not saved yet are back on this screen.';
    }

    /** Keeps what is typed on this device, and asks what follows from it. To be called while the component is made. */
    watch(): void {
        $effect(() => void this.history());
        $effect(() => {
            const typed = JSON.stringify(this.values);
            if (typed !== untrack(() => this.saved)) localStorage.setItem(this.key, typed);
            const wait = setTimeout(() => void this.look(), 250);
            return () => clearTimeout(wait);
        });
    }

    private async look(): Promise<void> {
        const { school } = this.values.brief;
        const sketch = this.sketch;
        try {
            const brief = bodyOf(this.values.brief, this.units);
            this.outlook = await post<Outlook>(`fittings/${this.id}/brief/outlook`, { brief });
            this.seen = { school: String(school), sketch };
            this.problems = {};
        } catch (e) {
            if (e instanceof ApiError && e.status === 422) this.problems = e.fields;
        }
    }

    private async history(): Promise<void> {
        this.changes = await get<BriefChange[]>(`fittings/${this.id}/brief/changes`).catch(() => []);
    }

    save = async (event: SubmitEvent): Promise<void> => {
        event.preventDefault();
        const typed = JSON.stringify(this.values);
        const { name, hand, brief } = this.values;
        const { player } = this.of();
        const done = await this.send(async () => {
            let version = current.fitting?.version ?? this.of().version;
            if (name !== player.name || hand !== player.hand) {
                version = (await patch<Fitting>(`fittings/${this.id}`, { version, name, hand })).version;
            }
            const body = { version, brief: bodyOf(brief, this.units), why: this.why };
            current.fitting = await patch<Fitting>(`fittings/${this.id}/brief`, body);
        });
        if (!done) return this.tellConflict();
        this.saved = typed;
        localStorage.removeItem(this.key);
        this.note = 'Saved.';
        this.why = '';
        await this.history();
    };

    /** Another screen was first: what stands there now is told, what was typed here stays. */
    private tellConflict(): void {
        const e = this.failure;
        if (!(e instanceof ApiError) || e.status !== 409) return;
        const now = (e.body as { current: Fitting }).current;
        this.problem += ` There: ${this.short(now.brief)}.`;
        current.fitting = now;
    }

    private short({ wish, corridor, scoring }: Brief): string {
        const { distance } = this.units;
        const width = plain(corridor.widthM * factor(distance), 0);
        return `${wish ? `“${wish}”, ` : ''}corridor ${width} ${distance}, ${corridor.left.kind} left, ${corridor.right.kind} right, ${scoring}`;
    }
}
