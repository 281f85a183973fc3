import { untrack } from 'svelte';
import { get } from '../api/client';
import type { Fitting, JudgementAge } from '../api/generated/types';
import { watchLive } from './live';

/** What the live signal told of the fitting that is shown: counters, so that whoever follows them asks again. */
const news = $state({ changed: 0, judged: 0, old: 0 });
/** How old the newest judgement is that the screen shows; null before one came. */
export const shown = $state<{ age: JudgementAge | null }>({ age: null });

/** Changes whenever a newer judgement is ready. */
export const judgedTurn = () => news.judged;

/** A newer judgement is signalled when it is ready; where no signal came for so long, the screen asks again. */
const LATE_MS = 5000;
const SOON_MS = 500;

/** A part of a fitting's judgement, as new as there is. */
export async function getJudged<T extends { age?: JudgementAge }>(path: string): Promise<T> {
    const part = await get<T>(path);
    if (part.age) {
        shown.age = part.age;
        if (!part.age.isCurrent) news.old++;
    }
    return part;
}

/** Follows the live signal of the fitting that is shown. To be called while the frame is made. */
export function watchFitting(of: () => Fitting | null, changed: () => void): void {
    const key = $derived(of()?.live);
    $effect(() => {
        shown.age = null;
        if (!key) return;
        const change = () => {
            news.changed++;
            changed();
        };
        return watchLive(
            key,
            change,
            () => {},
            () => news.judged++,
        );
    });
}

/**
 * Reads a screen's parts of the judgement, and again when a newer one is ready. To be called while the component is made.
 *
 * @param of  what the screen is of: it is read anew where this changes
 */
export function followJudgement(load: () => unknown, of: () => unknown): void {
    $effect(() => {
        void of();
        void news.judged;
        untrack(() => void load());
    });
    // Whoever asks after a change has the worker judge it.
    const after = (since: () => number, ms: number) => {
        $effect(() => {
            if (since() === 0) return;
            const timer = setTimeout(() => void load(), ms);
            return () => clearTimeout(timer);
        });
    };
    after(() => news.changed, SOON_MS);
    after(() => news.old, LATE_MS);
}
