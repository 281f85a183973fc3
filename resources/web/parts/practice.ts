import type { Fitting, Missing } from '../api/generated/types';

interface Hint {
    where: keyof Missing;
    /** Where to go on from there, where nothing has to be done first. */
    then?: keyof Missing;
    text: string;
    done: (fitting: Fitting, sawBench: boolean) => boolean;
}

/** A trial tells something from so many shots on. */
const ENOUGH = 4;
const own = (f: Fitting) => f.setups.find((s) => s.isBaseline);
const enough = (f: Fitting) => f.setups.filter((s) => s.counted >= ENOUGH).length;

/** From the brief to the sheet, in eight. */
export const HINTS: Hint[] = [
    {
        where: 'brief',
        text: 'Talk first. Tick what the player wants more of and what must never come, then agree the brief.',
        done: (f) => f.briefAgreedAt !== null,
    },
    {
        where: 'bench',
        then: 'bay',
        text: 'The player’s own club lies here already: everything is held against it.',
        done: (f, saw) => saw || (own(f)?.shots ?? 0) > 0,
    },
    {
        where: 'bay',
        text: 'Enter ticks off the change-over, Enter again begins the trial. Space hits a ball.',
        done: (f) => (own(f)?.shots ?? 0) > 0,
    },
    {
        where: 'bay',
        text: 'Hit five. After the last one the player says how sure they feel: one digit.',
        done: (f) => (own(f)?.counted ?? 0) >= ENOUGH,
    },
    {
        where: 'bay',
        text: '9 takes what the finder would hit next, arrows turn it as you like; what it should change is told first. Enter, Enter, and hit.',
        done: (f) => f.setups.some((s) => !s.isBaseline && s.shots > 0),
    },
    {
        where: 'bay',
        text: '✓ and ✗ are told by the shots, ? is not yet. Give this one four or five; then another, or decide.',
        done: (f) => enough(f) >= 2,
    },
    {
        where: 'answer',
        text: 'What to take, how sure it is, and what it costs. Try more in the bay if you like; then lock what you choose.',
        done: (f) => f.decision !== null,
    },
    { where: 'sheet', text: 'What the player takes home. Below it stands who the player really was.', done: () => false },
];

/** The first that is not done: which hint is shown. */
export const hintNow = (fitting: Fitting, sawBench: boolean): number => {
    const at = HINTS.findIndex((h) => !h.done(fitting, sawBench));
    // A decision ends it, whatever was passed over.
    return fitting.decision ? HINTS.length - 1 : at;
};
