import { INTENTS } from '../../api/generated/vocabulary';
import type { BayScreen } from './bay.svelte';

/** Every key of the bay, for the help and for whoever reads the code. No letter: letters are setups. */
export const KEYS: [string, string][] = [
    ['< >', 'previous and next setup'],
    ['=', 'tick the next step of the change-over, then begin; in a blind trial the next setting, in a confirm run the next leg'],
    ['/', 'back to the benchmark'],
    ['-', 'leave the last shot out, or bring it back'],
    ['\\', 'how the last shot was meant: normal, full out, smooth, shaped on purpose'],
    ['+', 'make this setup the benchmark, once it is offered'],
    ['*', 'star the setup'],
    ['[ ]', 'park the setup, drop it'],
    ['. ,', 'hit one simulated shot, hit five'],
    [';', 'blind trial: for the fitter’s eyes'],
    ['0', 'big figures, and back'],
    ['Backspace', 'undo'],
    ['1 to 8', 'the steps; while ratings are asked, 1 to 5 answer them'],
    ['?', 'these keys'],
];

/** Keys that do nothing where the studio takes no simulated shots. */
export const SIMULATES = ['.', ','];

/** The keys that a studio has. */
export const keysOf = (simulates: boolean): [string, string][] =>
    simulates ? KEYS : KEYS.filter(([key]) => !SIMULATES.some((k) => key.includes(k)));

/** How the shot was meant, one further. */
export const nextIntent = (intent: string): string => INTENTS[(INTENTS.findIndex((i) => i === intent) + 1) % INTENTS.length]!;

/** What a key does on the bay's screen as it is now; undefined where it does nothing. */
export function actionOf(key: string, bay: BayScreen): (() => unknown) | undefined {
    // While the player is asked, digits are answers, not steps.
    if (bay.asks && /^[0-5]$/.test(key)) return () => (key === '0' ? bay.skipRating() : bay.rate(null, Number(key)));
    if (SIMULATES.includes(key) && !bay.simulates) return undefined;
    const { last } = bay;
    const actions: Record<string, () => unknown> = {
        '<': () => bay.step(-1),
        '>': () => bay.step(1),
        '=': bay.forward,
        '/': bay.back,
        '-': () => last && bay.leaveOut(last, last.leftOut ? null : 'mishit'),
        '\\': () => last && bay.meant(last, nextIntent(last.intent)),
        '+': bay.promote,
        '*': bay.star,
        '[': () => (bay.shelf = 'parked'),
        ']': () => (bay.shelf = 'dropped'),
        ';': () => bay.view?.blind && (bay.showing = !bay.showing),
        '?': () => (bay.helping = !bay.helping),
        Escape: () => (bay.helping = false),
        '.': () => bay.hit(1),
        ',': () => bay.hit(5),
        '0': () => (bay.big = !bay.big),
        Backspace: bay.takeBack,
    };
    return actions[key];
}

/** Does the key belong to whoever types, or to the browser? */
export function isTyping(event: KeyboardEvent): boolean {
    const at = event.target as HTMLElement;
    return event.ctrlKey || event.metaKey || event.altKey || at.matches('input:not([type=radio]):not([type=checkbox]), textarea, select');
}
