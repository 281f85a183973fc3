import { push } from 'svelte-spa-router';
import { untrack } from 'svelte';
import { get, patch, post, say, Unreached } from '../../api/client';
import type { BayChange, BayView, Fitting, Setup, Shot, Judge } from '../../api/generated/types';
import { watchLive } from '../../lib/live';
import { current, loadFitting, session } from '../../lib/session.svelte';
import type { Noting } from './NoteField.svelte';

/** The live screen of a fitting: what it shows, and everything that can be done on it. */
export class BayScreen {
    view = $state<BayView | null>(null);
    problem = $state('');
    /** What this screen wanted to read did not come: it asks again by itself. */
    behind = $state(false);
    unread = $state('');
    reached = $state(true);
    big = $state(false);
    helping = $state(false);
    /** The setup for the next trial, by id. */
    chosen = $state<number | null>(null);
    player = $state('steady');
    ticked = $state<string[]>([]);
    /** The blind setting is shown to the fitter. */
    showing = $state(false);
    revealed = $state<string[]>([]);
    /** Where the chosen setup is being put: parked or dropped. */
    shelf = $state('');
    noting = $state<Noting | null>(null);
    /** The judge's last figures and the one next thing to do, worked out in the background. */
    judged = $state<Judge | null>(null);
    /** What was judged last, and what stands now: where they differ, a next thing to do would be yesterday's. */
    private judgedOf = $state('');
    private standsAt = $state('');
    readonly isJudged = $derived(this.judged !== null && this.judgedOf === this.standsAt);
    private asking: ReturnType<typeof setTimeout> | undefined;

    readonly id: number;
    private stamp: string | null = null;
    private retry: ReturnType<typeof setTimeout> | undefined;
    private moving = false;
    private doing: Promise<void> = Promise.resolve();

    readonly running = $derived(this.view?.running ?? null);
    readonly last = $derived(this.view?.shots.at(-1) ?? null);
    readonly inHand = $derived(this.setup(this.running?.setupId));
    readonly benchmark = $derived(this.setup(this.fitting.benchmarkSetupId));
    readonly isBenchmark = $derived(this.running !== null && this.running.setupId === this.fitting.benchmarkSetupId);
    readonly bay = $derived(this.view?.bays.find((b) => b.fittingId === this.id) ?? null);
    readonly next = $derived(this.setup(this.chosen));
    readonly steps = $derived(this.view?.changeOver.find((c) => c.setupId === this.chosen)?.steps ?? []);
    /** Every step of the change-over is ticked off: the first shot may count. */
    readonly ready = $derived(this.steps.every((s) => this.ticked.includes(s)));
    readonly asks = $derived(this.view?.asks ?? null);
    readonly shown = $derived(this.fitting.setups.filter((s) => s.shelf === ''));
    readonly aside = $derived(this.fitting.setups.filter((s) => s.shelf !== ''));
    /** The setup in the hand may be made the benchmark: it is better on the declared measure. */
    readonly offers = $derived(
        !this.isBenchmark && this.running !== null && (this.view?.verdicts.some((v) => v.declared && v.verdict === 'better') ?? false),
    );
    readonly confirm = $derived(this.view?.confirm ?? null);
    /** The leg in hand has its shots: the next one may be built. */
    readonly legDone = $derived(this.confirm !== null && (this.confirm.leg === 0 || this.confirm.n >= this.confirm.shotsEach));
    /** Only where the studio asked for made-up shots. */
    readonly simulates = $derived(session.user?.takesSimulated ?? false);

    /** @param onlook of a screen that only looks on: reads its fitting in a way of its own, and asks for no judging */
    constructor(
        private readonly of: () => Fitting,
        private readonly onlook: (() => Promise<unknown>) | null = null,
    ) {
        this.id = untrack(of).id;
    }

    get fitting(): Fitting {
        return this.of();
    }

    private setup(id: number | null | undefined): Setup | null {
        return this.fitting.setups.find((s) => s.id === id) ?? null;
    }

    /** Reads the screen, watches for news, and keeps the choices right. To be called while the component is made. */
    watch(): void {
        $effect(() => void this.load());
        $effect(() => () => (clearTimeout(this.retry), clearTimeout(this.asking)));
        const key = $derived(this.view?.live);
        $effect(() => {
            if (key)
                return watchLive(
                    key,
                    () => void this.load(),
                    (ok) => (this.reached = ok),
                );
        });
        $effect(() => {
            if (this.chosen !== null) this.ticked = [];
        });
        $effect(() => {
            const { confirm } = this;
            if (confirm && this.legDone && confirm.next)
                this.chosen = this.fitting.setups.find((s) => s.tag === confirm.next)?.id ?? this.chosen;
        });
    }

    private asked = 0;
    private laid = 0;

    /** What this screen's own doing brought: no answer that was asked for before may lie over it. */
    private own(view: BayView): BayView {
        this.laid = ++this.asked;
        return (this.view = view);
    }

    /** A note that is on record stands on this screen at once: the next change of it is held against these words. */
    noted(path: string, note: string): void {
        const { view } = this;
        if (!view) return;
        const [kind, id] = path.split('/');
        const on = <T extends { id: number }>(one: T): T => (one.id === Number(id) ? { ...one, note } : one);
        this.own(
            kind === 'shots'
                ? { ...view, shots: view.shots.map(on) }
                : { ...view, trials: view.trials.map(on), running: view.running && on(view.running) },
        );
        void this.load();
    }

    /** What only changes with the stamp is not sent again to a screen that has it. */
    async load(all = false): Promise<void> {
        const turn = ++this.asked;
        try {
            const known = all || this.stamp === null ? '' : `?stamp=${encodeURIComponent(this.stamp)}`;
            const answer = await get<BayView | BayChange>(`fittings/${this.id}/bay${known}`);
            // What was asked for earlier and comes later is older: it must not lie over what is newer.
            if (turn < this.laid) return;
            if (this.stamp !== null && answer.stamp !== this.stamp) await (this.onlook?.() ?? loadFitting(this.id));
            if (turn < this.laid) return;
            this.laid = turn;
            const now = { ...untrack(() => this.view), ...answer } as BayView;
            this.count(now);
            this.stamp = now.stamp;
            this.view = now;
            this.chosen ??= now.running?.setupId ?? this.fitting.benchmarkSetupId;
            this.unread = '';
            this.behind = false;
            this.judge(now);
        } catch (e) {
            this.unread = this.failed(e);
        }
    }

    /** Asks for the judge's figures once nothing has come for a moment; what stands meanwhile is what was judged last, with its shots. */
    private judge(now: BayView): void {
        const of = (this.standsAt = JSON.stringify([now.stamp, now.counts]));
        if (of === this.judgedOf || now.blind || this.onlook) return;
        clearTimeout(this.asking);
        this.asking = setTimeout(() => {
            void get<Judge>(`fittings/${this.id}/judge`).then(
                (answer) => ([this.judged, this.judgedOf] = [answer, of]),
                () => {},
            );
        }, 700);
    }

    /** A shot changes the counts of the trail and nothing else of the fitting. */
    private count(now: BayView): void {
        for (const s of current.fitting?.id === this.id ? current.fitting.setups : []) {
            const c = now.counts[s.id];
            if (c) [s.shots, s.counted, s.simulated] = [c.shots, c.counted, c.simulated];
        }
    }

    /** @returns what to tell; nothing where the notice of a lost connection says it already */
    private failed(e: unknown): string {
        if (!(e instanceof Unreached)) return say(e);
        this.behind = true;
        clearTimeout(this.retry);
        this.retry = setTimeout(() => void this.load(true), 500);
        return '';
    }

    /** One after another, in the order of the keys: each meets the screen as the one before left it. */
    run(what: () => unknown): Promise<void> {
        return (this.doing = this.doing.then(async () => {
            this.problem = '';
            try {
                await what();
                await this.load();
            } catch (e) {
                this.problem = this.failed(e);
            }
        }));
    }

    /** Until all that was pressed so far is done. */
    settled(): Promise<void> {
        return this.doing;
    }

    /** What begins something else is begun once, however often the key was hit meanwhile. */
    private async move(what: () => unknown): Promise<void> {
        if (this.moving) return;
        this.moving = true;
        await this.run(what);
        this.moving = false;
    }

    private readonly path = (what: string): string => `fittings/${this.id}/${what}`;
    /** Does something, and reads the fitting anew. */
    private readonly change = (what: () => unknown) =>
        this.run(async () => {
            await what();
            await loadFitting(this.id);
        });

    // --- trials ---------------------------------------------------------------------------------------------------------

    begin = (setup: Setup | null, kind = 'trial') =>
        setup === null
            ? undefined
            : this.move(async () => {
                  this.own(await post<BayView>(this.path('trials'), { setupId: setup.id, kind }));
                  this.chosen = setup.id;
                  this.ticked = [];
                  await loadFitting(this.id);
              });
    end = () => this.change(() => post(this.path('trials/end'), {}));
    anotherVisit = () => this.run(async () => this.own(await post<BayView>(this.path('visits'), {})));

    // --- shots ----------------------------------------------------------------------------------------------------------

    hit = (count: number) => (this.simulates ? this.run(() => post(this.path('simulate'), { count, player: this.player })) : undefined);
    moveTo = (shot: Shot, trialId: number) => this.run(() => patch(`shots/${shot.id}`, { trialId }));
    leaveOut = (shot: Shot, reason: string | null) =>
        this.run(() => patch(`shots/${shot.id}`, { leftOut: reason === null ? null : { reason } }));
    meant = (shot: Shot, intent: string) => this.run(() => patch(`shots/${shot.id}`, { intent }));
    note = (path: string, label: string, was: string | null) => (this.noting = { path, label, was, draft: was ?? '' });

    // --- the setup in the hand, and what is said of it ------------------------------------------------------------------

    changeFitting = (what: Record<string, unknown>) =>
        this.run(async () => {
            const { version } = await loadFitting(this.id);
            current.fitting = await patch<Fitting>(`fittings/${this.id}`, { version, ...what });
        });
    promote = () => (this.offers && this.running ? this.changeFitting({ benchmarkSetupId: this.running.setupId }) : undefined);
    star = () => {
        const setup = this.next;
        return setup ? this.change(() => patch(`setups/${setup.id}/shelf`, { starred: !setup.starred })) : undefined;
    };
    bringBack = (setup: Setup) => this.change(() => patch(`setups/${setup.id}/shelf`, { shelf: '' }));
    rate = (kind: string | null, stars: number) =>
        this.run(() => this.asks && post(`trials/${this.asks.trialId}/ratings`, { kind: kind ?? this.asks.open[0], stars }));
    skipRating = () => this.run(() => this.asks && patch(`trials/${this.asks.trialId}`, { ratingSkipped: true }));
    takeBack = () => {
        const done = this.view?.lastDone;
        return done?.undoable ? this.change(() => post(`log/${done.id}/undo`, {})) : undefined;
    };
    reread = () => this.run(() => loadFitting(this.id));

    // --- blind trials and confirm runs ----------------------------------------------------------------------------------

    blindBegin = (setupIds: number[], rounds: number, shotsEach: number) =>
        this.move(async () => {
            this.own(await post<BayView>(this.path('blind'), { setupIds, rounds, shotsEach }));
            this.showing = true;
        });
    blindNext = () =>
        this.move(async () => {
            this.own(await post<BayView>(this.path('blind/next'), { from: this.view?.blind?.ordinal }));
            this.showing = true;
        });
    blindReveal = () =>
        this.move(async () => {
            const was = this.view?.trials.filter((t) => t.blind && t.tag === '').map((t) => t.id) ?? [];
            const shown = this.own(await post<BayView>(this.path('blind/reveal'), {}));
            this.revealed = shown.trials.filter((t) => was.includes(t.id)).map((t) => t.tag);
            this.showing = false;
            await loadFitting(this.id);
        });
    confirmNext = () =>
        this.move(async () => {
            const wasLast = this.confirm?.next === null; // asked now: the screen may learn of the next leg before the answer is here
            await post(this.path('confirm/next'), {});
            this.ticked = [];
            if (wasLast) void push(`/fitting/${this.id}/decide`);
        });
    confirmEnd = () => this.run(() => post(this.path('confirm/end'), {}));

    // --- what the keys do -----------------------------------------------------------------------------------------------

    /** One key: ticks the next step of the change-over, and when all are done, begins. */
    forward = (): void => {
        const { view, confirm } = this;
        if (view?.blind) return void (view.blind.ordinal < view.blind.of ? this.blindNext() : this.blindReveal());
        if (confirm && !this.legDone) return;
        const open = confirm?.next === null ? undefined : this.steps.find((s) => !this.ticked.includes(s));
        if (open) this.ticked = [...this.ticked, open];
        else void (confirm ? this.confirmNext() : this.begin(this.next));
    };
    back = () => (this.chosen = this.benchmark?.id ?? this.chosen);
    step = (by: number) => {
        const at = this.shown.findIndex((s) => s.id === this.chosen);
        this.chosen = this.shown[(at + by + this.shown.length) % this.shown.length]?.id ?? null;
    };
}
