import { asked, get, patch } from '../../api/client';
import { getJudged } from '../../lib/judged.svelte';
import type { Comparison, Fitting, Judge, Judging, Setup, Shot } from '../../api/generated/types';
import { MEASURES } from '../../format/units';
import { Form } from '../../lib/form.svelte';
import { Loader } from '../../lib/load.svelte';
import { loadFitting, showFitting } from '../../lib/session.svelte';

const MOST = 6;

/** What stands beside each other: the benchmark first, then what was chosen, at most six. */
/** So many shots of a setup are drawn; every one of them is in the figures. */
export const DRAWN = 150;

export class Compared {
    comparison = $state<Comparison | null>(null);
    judging = $state<Judging | null>(null);
    shots = $state<Shot[]>([]);
    /** The one next thing to do, as every screen says it. */
    step = $state<Judge | null>(null);
    /** Only the shots of one visit; null: of all, each setup against the benchmark of its day. */
    visit = $state<number | null>(null);
    /** Which of several swings; null: that of most shots. */
    swing = $state<string | null>(null);
    chosen = $state<string[] | null>(null);
    private isPicked = false;
    reading = new Loader<[Comparison, Shot[], Judging, Judge | null]>();
    sending = new Form();

    constructor(private id: () => string) {}

    async load(): Promise<void> {
        const id = this.id();
        const answer = await this.reading.load(() =>
            Promise.all([
                getJudged<Comparison>(`fittings/${id}/comparison${asked({ visit: this.visit, swing: this.swing })}`),
                get<Shot[]>(`fittings/${id}/shots?each=${DRAWN}`),
                getJudged<Judging>(`fittings/${id}/judging${asked({ swing: this.swing })}`),
                getJudged<Judge>(`fittings/${id}/judge`).catch(() => null),
            ]),
        );
        if (answer) this.show(...answer);
    }

    private show(comparison: Comparison, shots: Shot[], judging: Judging, step: Judge | null): void {
        const hit = comparison.sets.map((s) => s.tag);
        // Until somebody chooses, what is hit meanwhile joins.
        const chosen = (this.isPicked ? (this.chosen ?? []) : hit.slice(0, 4)).filter((t) => hit.includes(t));
        this.chosen = comparison.benchmark && !chosen.includes(comparison.benchmark) ? [comparison.benchmark, ...chosen] : chosen;
        [this.comparison, this.shots, this.judging, this.step] = [comparison, shots, judging, step];
    }

    /** Adds a setup to what is compared, or takes it out. The benchmark stays. */
    pick(setup: Setup): void {
        if (!this.comparison || !this.chosen || setup.tag === this.comparison.benchmark || setup.counted === 0) return;
        this.isPicked = true;
        this.chosen = this.chosen.includes(setup.tag)
            ? this.chosen.filter((t) => t !== setup.tag)
            : [...this.chosen, setup.tag].slice(-MOST);
    }

    /** The setup that wants a reason before it is the benchmark. */
    unreasoned = $state('');

    async makeBenchmark(fitting: Fitting, tag: string, reason?: string): Promise<void> {
        const done = await this.sending.send(async () => {
            const benchmarkSetupId = fitting.setups.find((s) => s.tag === tag)!.id;
            showFitting(await patch<Fitting>(`fittings/${fitting.id}`, { version: fitting.version, benchmarkSetupId, reason }));
        });
        this.unreasoned = !done && this.sending.err('reason') ? tag : '';
        if (this.unreasoned) return;
        if (!done) await loadFitting(this.id());
        await this.load();
    }

    get columns(): string[] {
        if (!this.comparison || !this.chosen) return [];
        const benchmark = this.comparison.benchmark;
        const others = this.comparison.sets.map((s) => s.tag).filter((t) => t !== benchmark && this.chosen!.includes(t));
        return benchmark ? [benchmark, ...others] : others;
    }

    /** The verdict that each setup carries on the trail. */
    get marks(): Record<string, string> {
        return Object.fromEntries((this.judging?.setups ?? []).map((s) => [s.tag, s.verdicts.find((x) => x.declared)?.verdict ?? '']));
    }

    get judged() {
        return this.judging?.setups.filter((s) => this.columns.includes(s.tag)) ?? [];
    }

    get others() {
        return this.judged.filter((s) => s.tag !== this.judging?.benchmark);
    }

    get rails() {
        return this.judging?.rails.filter((r) => r.tag === '' || this.columns.includes(r.tag)) ?? [];
    }

    get problem(): string {
        return this.sending.problem || this.reading.problem;
    }
}

const DIGITS: Record<string, number> = { spin: 0, ratio: 2, strike: 0 };

/** Decimals of a difference, one more than those of a figure in the field. */
export const digits = (measure: string): number => DIGITS[MEASURES[measure]?.kind ?? ''] ?? 1;
