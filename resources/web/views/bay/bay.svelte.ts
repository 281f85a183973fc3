import { push } from 'svelte-spa-router';
import { untrack } from 'svelte';
import { get, getToWrite, patch, post, say, Unreached } from '../../api/client';
import type { BayChange, BayView, Fitting, HandView, Judge, Setup, Shot, Turned } from '../../api/generated/types';
import { builtLike, builtWith, isWith, sameMasses, type Part } from '../../format/setups';
import { watchLive } from '../../lib/live';
import { current, loadFitting, session, showFitting } from '../../lib/session.svelte';
import { MENU } from './keys';
import type { Noting } from './NoteField.svelte';

/** From then on the fitter is told that an answer is long in coming. */
const LATE_MS = 5000;
/** Shots seldom come alone in the same moment. */
const SOON_MS = 700;
/** A screen stands in a bay: what it entered last it proposes again. */
const LAST_BAY = 'last-bay';

/** The live screen of a fitting: what it shows, and everything that can be done on it. */
export class BayScreen {
    view = $state<BayView | null>(null);
    problem = $state('');
    /** What this screen wanted to read did not come: it asks again by itself. */
    behind = $state(false);
    unread = $state('');
    reached = $state(true);
    /** What was pressed waits for an answer that is long in coming; the keys after it wait with it. */
    isLate = $state(false);
    big = $state(false);
    menu = $state(false);
    /** The flight from the side in place of the map. */
    fromSide = $state(false);
    sound = $state(false);
    /** A head, a shaft, a ball or a length is being looked for. */
    palette = $state(false);
    /** The setup for the next trial, or the one that is turned for it, by id. */
    chosen = $state<number | null>(null);
    /** What its head can be turned to and weighted with. */
    hand = $state<HandView | null>(null);
    /** Where it is turned to before anybody begins: null while it is as the setup is. */
    turned = $state<{ sleeve: string; masses: Record<string, number> } | null>(null);
    /** What the server says of it: what changes, what is to be done, and whether it was hit before. */
    told = $state<Turned | null>(null);
    /** What else than confidence the player is asked, once the fitter wants it. */
    private more = $state(false);
    /** The player is asked before the trial has all of its shots: the fitter goes on to the next. */
    private early = $state<number | null>(null);
    player = $state('steady');
    ticked = $state<string[]>([]);
    /** The blind setting is shown to the fitter. */
    showing = $state(false);
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
    /** Somebody works without a bay. */
    bayless = $state(false);
    /** Nothing begins before it is known in which bay. */
    readonly asksBay = $derived(!this.bay && !this.running && !!this.view && !this.view.blind && !this.view.confirm && !this.bayless);
    /** Free bays, the one that this screen used last first. */
    readonly free = $derived.by(() => {
        const last = Number(localStorage.getItem(LAST_BAY));
        const free = (this.view?.bays ?? []).filter((b) => !b.fittingId);
        return [...free.filter((b) => b.id === last), ...free.filter((b) => b.id !== last)];
    });
    readonly next = $derived(this.setup(this.chosen));
    readonly isTurned = $derived(this.turned !== null);
    /** Where the head stands or is turned to, in words of its own. */
    readonly to = $derived.by(() => {
        if (!this.hand) return null;
        const at = this.turned ?? this.hand;
        const found = this.hand.arrangements.find((a) => sameMasses(a.masses, at.masses));
        return { sleeve: at.sleeve, masses: at.masses, weights: found?.words ?? this.hand.arrangements[0]?.words ?? '' };
    });
    readonly expected = $derived(this.told?.expected ?? null);
    readonly steps = $derived(
        this.isTurned ? (this.told?.steps ?? []) : (this.view?.changeOver.find((c) => c.setupId === this.chosen)?.steps ?? []),
    );
    /** Every step of the change-over is ticked off: the first shot may count. */
    readonly ready = $derived(this.steps.every((s) => this.ticked.includes(s)));
    /** What the player is asked now: when the trial has its shots, or when the fitter goes on to another. */
    readonly asked = $derived.by(() => {
        const asks = this.view?.asks ?? null;
        if (!asks || (!asks.due && this.early !== asks.trialId)) return null;
        const open = asks.open.filter((k) => this.more || asks.first.includes(k));
        return open.length ? { trialId: asks.trialId, open, more: !this.more && asks.open.some((k) => !asks.first.includes(k)) } : null;
    });
    /** Which of the blind settings the player may think it was. */
    readonly guesses = $derived(this.view?.blind?.guess ?? null);
    /** May the chosen setup be put aside? */
    readonly maySet = $derived(this.next !== null && this.next.id !== this.fitting.benchmarkSetupId && !this.isTurned);
    readonly shown = $derived(this.fitting.setups.filter((s) => s.shelf === ''));
    readonly aside = $derived(this.fitting.setups.filter((s) => s.shelf !== ''));
    /** What must never come, and likely comes more often with what is in the hand. */
    readonly barredBy = $derived(this.judged?.judge?.setups.find((s) => s.tag === this.running?.tag)?.barredBy ?? []);
    /** The setup in the hand may be made the benchmark: it is better on the declared measure. */
    readonly offers = $derived(
        !this.isBenchmark &&
            this.barredBy.length === 0 &&
            this.running !== null &&
            (this.view?.verdicts.some((v) => v.declared && v.verdict === 'better') ?? false),
    );
    readonly confirm = $derived(this.view?.confirm ?? null);
    /** The leg in hand has its shots: the next one may be built. */
    readonly legDone = $derived(this.confirm !== null && (this.confirm.leg === 0 || this.confirm.n >= this.confirm.shotsEach));
    /** Only where the studio asked for made-up shots. */
    readonly simulates = $derived(session.user?.takesSimulated ?? false);

    /**
     * @param onlook of a screen that only looks on: reads its fitting in a way of its own, and asks for no judging
     * @param wanted the tag of the setup that is to be in the hand next
     */
    constructor(
        private readonly of: () => Fitting,
        private readonly onlook: (() => Promise<unknown>) | null = null,
        wanted = '',
    ) {
        this.id = untrack(of).id;
        this.chosen = untrack(of).setups.find((s) => s.tag === wanted)?.id ?? null;
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
        $effect(() => () => this.leave());
        const key = $derived(this.view?.live);
        $effect(() => {
            if (key)
                return watchLive(
                    key,
                    () => void this.load(),
                    (ok) => (this.reached = ok),
                    () => {
                        if (this.judgedOf !== this.standsAt) this.askJudge(0);
                    },
                );
        });
        $effect(() => {
            void this.chosen;
            void this.turned;
            this.ticked = [];
        });
        if (!this.onlook) {
            $effect(() => {
                const [id, version] = [this.chosen, this.fitting.version];
                void version;
                if (id !== null) untrack(() => void this.readHand(id));
            });
            $effect(() => {
                const [from, to, held, shots] = [this.chosen, this.turned, this.running?.setupId, this.judgedOf];
                void shots;
                if (from === null || this.view?.blind) return;
                const wait = setTimeout(() => untrack(() => void this.expect(from, to, held ?? null)), 90);
                return () => clearTimeout(wait);
            });
        }
        $effect(() => {
            const { confirm } = this;
            if (confirm && this.legDone && confirm.next)
                this.chosen = this.fitting.setups.find((s) => s.tag === confirm.next)?.id ?? this.chosen;
        });
    }

    private requests = 0;
    private laid = 0;
    /** From this request on everything is asked for, until such an answer came: bays and tokens change without the stamp. */
    private wholeSince = Infinity;

    /** What this screen's own doing brought: no answer that was asked for before may lie over it. */
    private own(view: BayView): BayView {
        this.laid = ++this.requests;
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
        const turn = ++this.requests;
        if (all) this.wholeSince = turn;
        const whole = turn >= this.wholeSince || this.stamp === null;
        try {
            const known = whole ? '' : `?stamp=${encodeURIComponent(this.stamp ?? '')}`;
            const answer = await get<BayView | BayChange>(`fittings/${this.id}/bay${known}`);
            // What was asked for earlier and comes later is older: it must not lie over what is newer.
            if (turn < this.laid) return;
            if (this.stamp !== null && answer.stamp !== this.stamp) await (this.onlook?.() ?? loadFitting(this.id));
            if (turn < this.laid) return;
            this.laid = turn;
            if (whole && turn >= this.wholeSince) this.wholeSince = Infinity;
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
        this.standsAt = JSON.stringify([now.stamp, now.counts]);
        if (this.standsAt !== this.judgedOf && !now.blind) this.askJudge(SOON_MS);
    }

    /** The newest figures there are. Where those of what stands now follow, the live signal tells of them. */
    private askJudge(afterMs: number): void {
        if (this.onlook) return;
        clearTimeout(this.asking);
        this.asking = setTimeout(() => {
            const of = this.standsAt;
            void get<Judge>(`fittings/${this.id}/judge`).then(
                (answer) => {
                    this.judged = answer;
                    if (answer.age.isCurrent) this.judgedOf = of;
                    else this.askJudge(LATE_MS);
                },
                () => {},
            );
        }, afterMs);
    }

    private isLeft = false;

    /** Nothing is asked any more for a screen that was left. */
    leave(): void {
        this.isLeft = true;
        clearTimeout(this.retry);
        clearTimeout(this.asking);
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
            const late = setTimeout(() => (this.isLate = true), LATE_MS);
            let goOn: () => void = () => {};
            const givenUp = new Promise<void>((go) => (goOn = go));
            this.goOn = goOn;
            const done = (async () => {
                try {
                    await what();
                    await this.load();
                } catch (e) {
                    this.problem = this.failed(e);
                }
            })();
            await Promise.race([done, givenUp]);
            clearTimeout(late);
            this.isLate = false;
        }));
    }

    private goOn: () => void = () => {};
    /** The keys do not wait any longer for what the server has not answered; should it still be done, the screen shows it. */
    waitNoLonger = (): void => this.goOn();

    private handTurn = 0;
    private async readHand(id: number): Promise<void> {
        const turn = ++this.handTurn;
        const hand = await get<HandView>(`fittings/${this.id}/hand?setupId=${id}`).catch(() => null);
        if (turn === this.handTurn) this.hand = hand;
    }

    private expectTurn = 0;
    private async expect(from: number, to: { sleeve: string; masses: Record<string, number> } | null, held: number | null): Promise<void> {
        const turn = ++this.expectTurn;
        if (to === null && (held === null || held === from)) return void (this.told = null);
        const answer = await post<Turned>(this.path('hand/turned'), { setupId: from, heldId: held ?? from, ...(to ?? {}) }).catch((e) => {
            if (turn === this.expectTurn) this.problem = this.failed(e);
            return null;
        });
        if (turn !== this.expectTurn) return;
        this.told = answer;
        // Turned back to what is on the trail already: that setup it is.
        const there = to === null ? null : this.setup(answer?.setupId);
        if (there && there.shelf === '') this.choose(there);
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

    /** Begins with what is in the hand now: a setup of the trail, or one that is made as it begins. */
    begin = (kind = 'trial') => {
        const { next, turned } = this;
        if (!next) return;
        return this.move(async () => {
            const what = turned ? { turned: { setupId: next.id, ...$state.snapshot(turned) } } : { setupId: next.id };
            const view = this.own(await post<BayView>(this.path('trials'), { ...what, kind }));
            await loadFitting(this.id);
            this.chosen = view.running?.setupId ?? next.id;
            [this.turned, this.told, this.ticked, this.more, this.early] = [null, null, [], false, null];
        });
    };
    end = () => this.change(() => post(this.path('trials/end'), {}));
    /** The fitting is hit in this bay from now on. */
    enter = (bayId: number) =>
        this.run(async () => {
            await patch(`bays/${bayId}`, { fittingId: this.id });
            localStorage.setItem(LAST_BAY, String(bayId));
            await this.load(true);
        });
    anotherVisit = () => this.run(async () => this.own(await post<BayView>(this.path('visits'), {})));

    // --- shots ----------------------------------------------------------------------------------------------------------

    hit = (count: number) =>
        this.simulates
            ? this.run(() => post(this.path('simulate'), this.fitting.practice ? { count } : { count, player: this.player }))
            : undefined;
    moveTo = (shot: Shot, trialId: number) => this.run(() => patch(`shots/${shot.id}`, { trialId }));
    leaveOut = (shot: Shot, reason: string | null) =>
        this.run(() => patch(`shots/${shot.id}`, { leftOut: reason === null ? null : { reason } }));
    meant = (shot: Shot, intent: string) => this.run(() => patch(`shots/${shot.id}`, { intent }));
    note = (path: string, label: string, was: string | null) => (this.noting = { path, label, was, draft: was ?? '' });

    // --- the setup in the hand, and what is said of it ------------------------------------------------------------------

    changeFitting = (what: Record<string, unknown>) =>
        this.run(async () => {
            const { version } = await getToWrite<Fitting>(`fittings/${this.id}`);
            showFitting(await patch<Fitting>(`fittings/${this.id}`, { version, ...what }));
        });
    promote = () => (this.offers && this.running ? this.changeFitting({ benchmarkSetupId: this.running.setupId }) : undefined);
    star = () => {
        const setup = this.next;
        return setup ? this.change(() => patch(`setups/${setup.id}/shelf`, { starred: !setup.starred })) : undefined;
    };
    bringBack = (setup: Setup) => this.change(() => patch(`setups/${setup.id}/shelf`, { shelf: '' }));
    /** A pointer answers what it pressed; keys answer one question after another, as the turn of each comes. */
    rate = (kind: string | null, stars: number) => {
        const pressed = this.asked;
        return this.run(() => {
            const asked = kind || this.isLeft ? pressed : this.asked;
            return asked && post(`trials/${asked.trialId}/ratings`, { kind: kind ?? asked.open[0], stars });
        });
    };
    skipRating = () => {
        const pressed = this.asked;
        return this.run(() => pressed && patch(`trials/${pressed.trialId}`, { ratingSkipped: true }));
    };
    askMore = (): void => void (this.more = true);
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
    /** The fitter has set it: from now on no screen shows what it is. */
    blindSet = () =>
        this.run(async () => {
            const { blind } = this.view ?? {};
            if (blind) this.own(await post<BayView>(this.path('blind/set'), { ordinal: blind.ordinal }));
            this.showing = false;
        });
    guess = (setupId: number | null) =>
        this.run(async () => {
            const { guesses } = this;
            if (guesses) this.own(await post<BayView>(`trials/${guesses.trialId}/guess`, { setupId }));
        });
    blindReveal = () =>
        this.move(async () => {
            this.own(await post<BayView>(this.path('blind/reveal'), {}));
            this.showing = false;
            await loadFitting(this.id);
        });
    confirmNext = () =>
        this.move(async () => {
            const wasLast = this.confirm?.next === null; // asked now: the screen may learn of the next leg before the answer is here
            await post(this.path('confirm/next'), {});
            this.ticked = [];
            if (wasLast) void push(`/fitting/${this.id}/answer/choice`);
        });
    confirmEnd = () => this.run(() => post(this.path('confirm/end'), {}));

    // --- what the keys do -----------------------------------------------------------------------------------------------

    /** One key does the next thing: in a blind trial its next stage, else the whole change-over, then the trial. */
    forward = (): void => {
        const { view, confirm } = this;
        if (this.asked || this.guesses) return;
        if (this.asksBay && this.free[0]) return void this.enter(this.free[0].id);
        if (view?.blind) {
            if (!view.blind.set) return void this.blindSet();
            if (view.shots.length < view.blind.shotsEach) return;
            return void (view.blind.ordinal < view.blind.of ? this.blindNext() : this.blindReveal());
        }
        if (confirm) {
            if (!this.legDone) return;
            if (confirm.next !== null && !this.ready) return this.tickAll();
            return void this.confirmNext();
        }
        if (this.isTurned && !this.told) {
            // What is to be done is not known yet: it is asked for, and the key is taken then.
            const [from, to, held] = [this.chosen, this.turned, this.running?.setupId ?? null];
            return void this.run(async () => {
                if (from === null || this.told) return this.forward();
                await this.expect(from, to, held);
                if (this.told) this.forward();
            });
        }
        // The player is asked once, before the setup leaves the hand.
        if (view?.asks && !view.asks.due && this.early === null && view.shots.length > 0) {
            this.early = view.asks.trialId;
            if (this.asked) return;
        }
        if (!this.ready) return this.tickAll();
        const isInHand = !this.isTurned && this.running?.kind === 'trial' && this.running.setupId === this.chosen;
        if (!isInHand || (view?.shots.length ?? 0) > 0) void this.begin();
    };
    tickAll = (): void => void (this.ticked = [...this.steps]);
    /** A setup of the trail is to be in the hand next, as it is. */
    choose = (setup: Setup | null): void => {
        if (!setup) return;
        [this.chosen, this.turned, this.told] = [setup.id, null, null];
    };
    /** What is in the hand is what is chosen again. */
    back = (): void => {
        if (this.big && !this.isTurned) this.big = false;
        this.choose(this.inHand ?? this.benchmark);
    };
    step = (by: number): void => {
        const at = this.shown.findIndex((s) => s.id === this.chosen);
        this.choose(this.shown[(at + by + this.shown.length) % this.shown.length] ?? null);
    };
    fromMenu = (digit: string): void => {
        const does = MENU[Number(digit) - 1]?.does(this);
        this.menu = false;
        void does?.();
    };

    // --- turning what is in the hand ------------------------------------------------------------------------------------

    /** An open face, and the toe, lie to the right as drawn for a right-hander. */
    private get way(): number {
        return this.fitting.player.hand === 'right' ? 1 : -1;
    }
    turnTo = (sleeve: string): void => this.put(sleeve, this.to?.masses ?? {});
    /** The next position that way: right as drawn, up = more loft. */
    turn = (right: number, up: number): void => {
        const { hand, to } = this;
        const at = hand?.positions.find((p) => p.label === to?.sleeve);
        if (!hand || !at) return;
        const { way } = this;
        const one = nearest(
            hand.positions,
            (p) => right * way * (p.faceOpenDeg - at.faceOpenDeg) + up * (p.loftDeg - at.loftDeg),
            (p) => (right === 0 ? p.faceOpenDeg - at.faceOpenDeg : p.loftDeg - at.loftDeg),
            0.05,
        );
        if (one) this.turnTo(one.label);
    };
    /** The end of the travel: most loft (+) or least. */
    extreme = (way: number): void => {
        const all = this.hand?.positions ?? [];
        const one = all.reduce<(typeof all)[number] | null>(
            (best, p) => (best === null || way * (p.loftDeg - best.loftDeg) > 0 ? p : best),
            null,
        );
        if (one) this.turnTo(one.label);
    };
    /** The next legal arrangement whose weight sits farther right as drawn, or farther back. */
    shift = (right: number, back: number): void => {
        const { hand, to } = this;
        const at = hand?.arrangements.find((a) => sameMasses(a.masses, to?.masses ?? {}));
        if (!hand || !at || !to) return;
        const { way } = this;
        const one = nearest(
            hand.arrangements,
            (a) => right * way * (a.cgToeMm - at.cgToeMm) + back * (a.cgBackMm - at.cgBackMm),
            (a) => (right === 0 ? a.cgToeMm - at.cgToeMm : a.cgBackMm - at.cgBackMm) + 2 * Math.abs(a.massG - at.massG),
            0.15,
        );
        if (one) this.put(to.sleeve, one.masses);
    };
    private put(sleeve: string, masses: Record<string, number>): void {
        const { hand } = this;
        if (!hand || this.view?.blind || this.confirm) return;
        this.told = null;
        this.turned = sleeve === hand.sleeve && sameMasses(masses, hand.masses) ? null : { sleeve, masses };
    }
    /** Another head, shaft, ball or length in the hand; the rest stays as it is there. A setup that is on the bench already is taken. */
    putIn = (what: Part): Promise<void> => {
        this.palette = false;
        return this.run(async () => {
            const base = this.next ?? this.inHand ?? this.fitting.setups[0];
            if (!base || this.view?.blind || this.confirm) return;
            const there = this.shown.find((s) => isWith(s, what, base));
            if (there) return this.choose(there);
            const made = await post<Setup>(this.path('setups'), builtWith(what, base));
            await loadFitting(this.id);
            this.choose(made);
        });
    };

    /** What the finder would hit next: its setup, or its head turned so, is to be in the hand. */
    takeNext = async (): Promise<void> => {
        const next = this.judged?.next;
        if (!next) return;
        const there = this.fitting.setups.find((s) => s.tag === next.setupTag) ?? null;
        if (there) return this.choose(there);
        const like = this.fitting.setups.find((s) => s.head === next.head && s.headId !== null);
        if (!like) {
            // A head that is not on the trail yet is built as the finder says.
            await this.change(async () => {
                const made = await post<Setup>(this.path('setups'), builtLike(next, this.fitting));
                this.chosen = made.id;
                this.turned = null;
            });
            return;
        }
        this.choose(like);
        await this.readHand(like.id);
        this.put(next.sleeve, next.masses ?? like.masses ?? {});
    };
}

/** What lies that way and least aside; null where nothing does. */
function nearest<T>(all: T[], along: (one: T) => number, aside: (one: T) => number, least: number): T | null {
    let [best, cost]: [T | null, number] = [null, Infinity];
    for (const one of all) {
        const way = along(one);
        const its = way + 2 * Math.abs(aside(one));
        if (way > least && its < cost) [best, cost] = [one, its];
    }
    return best;
}
