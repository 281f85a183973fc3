import { INTENTS } from '../../api/generated/vocabulary';
import { digitOf } from '../../lib/digits';
import type { BayScreen } from './bay.svelte';

/**
 * Every key of the bay. None needs Shift or AltGr on an English, German or French keyboard, but for the arrows that move weight: digits,
 * comma and period are told by their place on the keyboard, letters and named keys by what they are.
 */
export const KEYS: [string[], string][] = [
    [['Enter'], 'the next thing: tick the whole change-over, then begin'],
    [['←', '→', '↑', '↓'], 'the next sleeve position in that direction'],
    [['Home', 'End'], 'the position with the most loft, with the least'],
    [['Shift', '← → ↑ ↓'], 'move weight: heel, toe, front, back'],
    [['A', 'B', '…'], 'that setup of the trail'],
    [['Page ↑', 'Page ↓'], 'the setup before, and after'],
    [['7'], 'another head, shaft, ball or length: type a part of its name, Enter'],
    [['9'], 'the finder’s next one into the hand'],
    [['Esc'], 'back to what is in the hand'],
    [['1', '…', '5'], 'answers, while the player is asked: 0 skips, 6 asks for looks, feel and sound; else the steps'],
    [['−'], 'leave the last shot out, or bring it back (or Delete)'],
    [['Backspace'], 'undo'],
    [['Period'], 'flight from the side, and the map again'],
    [['0'], 'big figures, and back'],
    [['Comma'], 'more: how the last shot was meant, star, park, drop, benchmark, sound'],
    [['Space'], 'hit a simulated shot'],
];

/** The keys that a studio has: hitting only where it takes simulated shots. */
export const keysOf = (simulates: boolean): [string[], string][] => (simulates ? KEYS : KEYS.filter(([[key]]) => key !== 'Space'));

/** How the shot was meant, one further. */
export const nextIntent = (intent: string): string => INTENTS[(INTENTS.findIndex((i) => i === intent) + 1) % INTENTS.length]!;

/** What is done seldom: behind one key and a digit. `does` is null where it cannot be done now. */
export const MENU: { label: (bay: BayScreen) => string; does: (bay: BayScreen) => (() => unknown) | null }[] = [
    {
        label: (bay) => `The last shot was meant: ${bay.last ? nextIntent(bay.last.intent) : '–'}`,
        does: (bay) => (bay.last ? () => bay.meant(bay.last!, nextIntent(bay.last!.intent)) : null),
    },
    {
        label: (bay) => (bay.next?.starred ? `Take the star off ${bay.next.tag}` : `Star ${bay.next?.tag ?? ''}`),
        does: (bay) => (bay.next ? bay.star : null),
    },
    {
        label: (bay) => `Park ${bay.next?.tag ?? ''}`,
        does: (bay) => (bay.maySet ? () => (bay.shelf = 'parked') : null),
    },
    {
        label: (bay) => `Drop ${bay.next?.tag ?? ''}`,
        does: (bay) => (bay.maySet ? () => (bay.shelf = 'dropped') : null),
    },
    {
        label: (bay) => `Make ${bay.running?.tag ?? ''} the benchmark`,
        does: (bay) => (bay.offers ? bay.promote : null),
    },
    { label: () => 'Begin a warm-up', does: (bay) => (bay.next && !bay.view?.blind ? () => bay.begin('warm-up') : null) },
    { label: () => 'End the trial', does: (bay) => (bay.running && !bay.view?.blind ? bay.end : null) },
    { label: (bay) => `Sound of a shot: ${bay.sound ? 'on' : 'off'}`, does: (bay) => () => (bay.sound = !bay.sound) },
    { label: () => 'Hit five simulated shots', does: (bay) => (bay.simulates && bay.running ? () => bay.hit(5) : null) },
];

/** What a key is, whatever keyboard it is on. */
export function keyName(event: Pick<KeyboardEvent, 'key' | 'code' | 'shiftKey'>): string {
    const { key, code, shiftKey } = event;
    if (key === '-' || key === '−' || key === 'Delete') return '−';
    const digit = digitOf(event);
    if (digit !== undefined) return digit;
    if (code === 'Comma' || code === 'Period') return shiftKey ? '' : code;
    if (key === ' ') return 'Space';
    if (/^[a-z]$/i.test(key)) return key.toUpperCase();
    return shiftKey ? `Shift+${key}` : key;
}

/** What a key does on the bay's screen as it is now; undefined where it does nothing. */
export function actionOf(name: string, bay: BayScreen): (() => unknown) | undefined {
    if (bay.menu) {
        if (name === 'Escape' || name === 'Comma') return () => (bay.menu = false);
        return /^[1-9]$/.test(name) ? () => bay.fromMenu(name) : undefined;
    }
    // While the player is asked, digits are answers, not steps.
    if (bay.asked) {
        if (name === '0') return bay.skipRating;
        if (/^[1-5]$/.test(name)) return () => bay.rate(null, Number(name));
        if (name === '6') return bay.askMore;
    }
    if (bay.guesses) {
        if (name === '0') return () => bay.guess(null);
        const one = bay.guesses.options[Number(name) - 1];
        if (/^[1-3]$/.test(name) && one) return () => bay.guess(one.id);
    }
    const { last } = bay;
    const actions: Record<string, () => unknown> = {
        Enter: bay.forward,
        ArrowLeft: () => bay.turn(-1, 0),
        ArrowRight: () => bay.turn(1, 0),
        ArrowUp: () => bay.turn(0, 1),
        ArrowDown: () => bay.turn(0, -1),
        Home: () => bay.extreme(1),
        End: () => bay.extreme(-1),
        'Shift+ArrowLeft': () => bay.shift(-1, 0),
        'Shift+ArrowRight': () => bay.shift(1, 0),
        'Shift+ArrowUp': () => bay.shift(0, -1),
        'Shift+ArrowDown': () => bay.shift(0, 1),
        PageUp: () => bay.step(-1),
        PageDown: () => bay.step(1),
        '7': () => (bay.palette = true),
        '9': bay.takeNext,
        Escape: bay.back,
        '−': () => last && bay.leaveOut(last, last.leftOut ? null : 'mishit'),
        Period: () => (bay.fromSide = !bay.fromSide),
        Comma: () => (bay.menu = true),
        '0': () => (bay.big = !bay.big),
        Backspace: bay.takeBack,
    };
    if (bay.simulates) actions.Space = () => bay.hit(1);
    const setup = bay.shown.find((s) => s.tag === name);
    return actions[name] ?? (setup ? () => bay.choose(setup) : undefined);
}

const FIELDS = 'input:not([type=radio]):not([type=checkbox]), textarea, select';
/** What a focused control does by itself with a key: it is pressed, opened or stepped. */
const OWN = new Set(['Enter', 'Space', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight']);

/** Does the key belong to whoever types, to what has the focus, or to the browser? */
export function isTyping(event: KeyboardEvent): boolean {
    const at = event.target as HTMLElement;
    if (event.ctrlKey || event.metaKey || event.altKey || event.isComposing || at.matches(FIELDS)) return true;
    return OWN.has(keyName(event)) && at.matches('button, a, summary, input, [role=button]');
}
