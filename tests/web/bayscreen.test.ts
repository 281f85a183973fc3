import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { BayView, Fitting, HandView, Setup } from '../../resources/web/api/generated/types';
import { current, session } from '../../resources/web/lib/session.svelte';
import { BayScreen } from '../../resources/web/views/bay/bay.svelte';
import { actionOf, keysOf, nextIntent } from '../../resources/web/views/bay/keys';

// What the bay's screen does with its keys and buttons, without a page. The server's part is a list of what it was asked; the real one is met in tests/browser.

vi.mock('svelte-spa-router', () => ({ push: vi.fn() }));

const setup = (id: number, tag: string, more: Partial<Setup> = {}): Setup => ({ id, tag, shelf: '', starred: false, ...more }) as Setup;
const fitting = {
    id: 7,
    version: 3,
    benchmarkSetupId: 1,
    player: { hand: 'right' },
    setups: [setup(1, 'A'), setup(2, 'B'), setup(3, 'C', { shelf: 'parked' })],
} as Fitting;
const view = (more: Partial<BayView> = {}): BayView =>
    ({
        stamp: '1/1',
        counts: {},
        running: null,
        shots: [],
        verdicts: [],
        bays: [{ id: 1, name: 'Bay 1', fittingId: 7 }],
        changeOver: [{ setupId: 2, steps: ['Sleeve: from N to +1', 'Torque every screw'], wrenchChanges: 1 }],
        confirm: null,
        blind: null,
        asks: null,
        ...more,
    }) as unknown as BayView;

let asked: string[] = [];
let answer: BayView;
let open: BayScreen[] = [];
function screen(more: Partial<BayView> = {}): BayScreen {
    answer = view(more);
    const bay = new BayScreen(() => fitting);
    open.push(bay);
    bay.view = answer;
    bay.chosen = 2;
    return bay;
}

beforeEach(() => {
    asked = [];
    current.fitting = fitting;
    session.user = {
        name: 'F',
        id: 1,
        zone: 'UTC',
        studio: 'S',
        isDemo: false,
        takesSimulated: true,
        role: 'fitter',
        lockMinutes: 30,
        wantsSecondFactor: false,
    };
    vi.stubGlobal('document', { cookie: '' });
    vi.stubGlobal('fetch', async (path: string, { method, body }: RequestInit) => {
        asked.push(`${method} ${path.replace('/api/', '')}${body ? ` ${String(body)}` : ''}`);
        return new Response(JSON.stringify(path.endsWith('fittings/7') ? fitting : answer));
    });
});
// What a screen of one test still waits to ask would take the answer of the next.
afterEach(async () => {
    for (const bay of open) {
        await bay.settled();
        bay.leave();
    }
    open = [];
    vi.unstubAllGlobals();
});

test('one key ticks the whole change-over, and then begins the trial; a step can be ticked alone', async () => {
    const bay = screen();
    bay.ticked = ['Sleeve: from N to +1'];
    expect([bay.ticked.length, bay.ready]).toEqual([1, false]);
    const forward = () => actionOf('Enter', bay)!();
    forward();
    expect([bay.ticked.length, bay.ready, asked.length]).toEqual([2, true, 0]);
    forward();
    await vi.waitFor(() => expect(asked).toContain('POST fittings/7/trials {"setupId":2,"kind":"trial"}'));
});

test('what is begun is begun once, however often the key is hit, and what is in the hand without a shot is not begun again', async () => {
    const bay = screen({ changeOver: [] });
    void bay.begin();
    void bay.begin();
    await vi.waitFor(() => expect(asked.at(-1)).toMatch(/^GET fittings\/7\/bay/));
    expect(asked.filter((a) => a.startsWith('POST'))).toHaveLength(1);
    const held = screen({ changeOver: [], running: { id: 4, number: 2, setupId: 2, tag: 'B', kind: 'trial' } as BayView['running'] });
    asked = [];
    held.forward();
    await held.settled();
    expect(asked).toEqual([]);
});

test('keys go through the setups that are not put aside, by their letters, and back to what is in the hand', () => {
    const bay = screen({ running: { id: 4, number: 2, setupId: 1, tag: 'A', kind: 'trial' } as BayView['running'] });
    actionOf('PageDown', bay)!();
    expect(bay.chosen).toBe(1);
    actionOf('PageUp', bay)!();
    expect(bay.chosen).toBe(2);
    actionOf('A', bay)!();
    expect(bay.chosen).toBe(1);
    actionOf('B', bay)!();
    expect([bay.chosen, actionOf('C', bay)]).toEqual([2, undefined]);
    actionOf('Escape', bay)!();
    expect(bay.chosen).toBe(1);
});

const positions = (
    [
        ['+1', 11, -1],
        ['N', 10, 0],
        ['N up', 10, 0.02],
        ['−1', 9, 1],
    ] as const
).map(([label, loftDeg, faceOpenDeg]) => ({ label, loftDeg, faceOpenDeg, lieDeg: 58 }));
const arrangement = (words: string, masses: Record<string, number>, cgToeMm: number, cgBackMm: number) => ({
    words,
    masses,
    massG: 200,
    cgToeMm,
    cgBackMm,
});
const hand: HandView = {
    head: 'Tern 460',
    sleeve: 'N',
    home: 'N',
    masses: { back: 12 },
    positions,
    arrangements: [
        arrangement('12 g back', { back: 12 }, 0, 30),
        arrangement('12 g toe', { toe: 12 }, 3, 26),
        arrangement('12 g heel', { heel: 12 }, -3, 26),
        arrangement('12 g front', { front: 12 }, 0, 22),
    ],
};

test('an arrow steps to the next position that way, Home and End go to the ends, Shift moves weight; a left-hander’s face is mirrored', () => {
    const bay = screen();
    bay.hand = hand;
    const at = () => [bay.to?.sleeve, bay.to?.weights];
    actionOf('ArrowUp', bay)!();
    expect([...at(), bay.isTurned]).toEqual(['+1', '12 g back', true]);
    actionOf('ArrowUp', bay)!(); // there is no more loft
    expect(at()[0]).toBe('+1');
    actionOf('End', bay)!();
    expect(at()[0]).toBe('−1');
    actionOf('Home', bay)!();
    actionOf('ArrowRight', bay)!();
    expect(at()[0]).toBe('N');
    // Turned back to where it stands, nothing is turned.
    expect(bay.isTurned).toBe(false);
    actionOf('Shift+ArrowRight', bay)!();
    expect(at()[1]).toBe('12 g toe');
    actionOf('Shift+ArrowLeft', bay)!();
    actionOf('Shift+ArrowLeft', bay)!();
    expect(at()[1]).toBe('12 g heel');
    actionOf('Shift+ArrowUp', bay)!();
    expect(at()[1]).toBe('12 g front');
    const left = new BayScreen(() => ({ ...fitting, player: { hand: 'left' } }) as Fitting);
    left.view = answer;
    left.chosen = 2;
    left.hand = hand;
    left.turn(1, 0);
    expect(left.to?.sleeve).toBe('+1');
});

test('a setup that is turned is made as its trial begins, and not before it is known what is to be done', async () => {
    const bay = screen();
    bay.hand = hand;
    bay.turn(0, 1);
    expect(asked.filter((a) => a.startsWith('POST'))).toEqual([]);
    bay.told = { setupId: null, steps: ['Sleeve: from N to +1'], wrenchChanges: 1, loftDeg: 11, faceOpenDeg: -1, expected: null };
    bay.forward();
    bay.forward();
    await vi.waitFor(() =>
        expect(asked).toContain('POST fittings/7/trials {"turned":{"setupId":2,"sleeve":"+1","masses":{"back":12}},"kind":"trial"}'),
    );
});

test('keys that come before it is known what is to be done are taken then, in their order', async () => {
    const bay = screen();
    bay.hand = hand;
    const told = { setupId: null, steps: ['Sleeve: from N to +1'], wrenchChanges: 1, loftDeg: 11, faceOpenDeg: -1, expected: null };
    vi.stubGlobal('fetch', async (path: string, { method, body }: RequestInit) => {
        asked.push(`${method} ${path.replace('/api/', '')}${body ? ` ${String(body)}` : ''}`);
        return new Response(JSON.stringify(path.endsWith('hand/turned') ? told : path.endsWith('fittings/7') ? fitting : answer));
    });
    bay.turn(0, 1);
    bay.forward();
    bay.forward();
    await vi.waitFor(() =>
        expect(asked.filter((a) => a.includes('trials'))).toEqual([
            'POST fittings/7/trials {"turned":{"setupId":2,"sleeve":"+1","masses":{"back":12}},"kind":"trial"}',
        ]),
    );
});

test('another part goes into the hand with the rest as it is; what is on the bench already is taken, in its own sleeve position', async () => {
    const built = { head: 'Tern', headId: 5, sleeveLabel: 'N', masses: { back: 12 }, shaftId: 1, shaft: 'Reed', ballId: null, ball: '' };
    const more = { ...built, gripId: null, lengthMm: 1150, teeMm: 40, cue: '', asItComes: true } as Partial<Setup>;
    const turned = setup(2, 'B', { ...more, sleeveLabel: '+1', asItComes: false });
    const setups = [setup(1, 'A', more), turned, setup(4, 'D', { ...more, shaftId: 2, shaft: 'Sedge' })];
    const racked = { ...fitting, setups } as Fitting;
    const bay = new BayScreen(() => racked);
    open.push(bay);
    answer = view();
    bay.view = answer;
    const put = async (tag: string, part: Parameters<BayScreen['putIn']>[0]) => {
        asked = [];
        bay.choose(setups.find((s) => s.tag === tag)!);
        await bay.putIn(part);
        const sent = asked.find((a) => a.startsWith('POST fittings/7/setups'));
        return sent === undefined ? bay.next?.tag : (JSON.parse(sent.slice(sent.indexOf('{'))) as Record<string, unknown>);
    };
    expect(await put('A', { shaftId: 2 })).toBe('D');
    expect(await put('D', { shaftId: 1 })).toBe('A');
    // B stands at +1: D does not, so it is another setup. The shaft is called what the rack calls it.
    const made = await put('B', { shaftId: 2 });
    expect(made).toMatchObject({ headId: 5, sleeveLabel: '+1', masses: { back: 12 }, shaftId: 2, length: 1150, branchedFromId: 2 });
    expect(made).not.toHaveProperty('shaft');
    expect(await put('B', { lengthMm: 1130 })).toMatchObject({ sleeveLabel: '+1', shaft: 'Reed', length: 1130 });
    // Another head comes as it comes.
    expect(await put('B', { headId: 6 })).toEqual({
        ...{
            headId: 6,
            shaftId: 1,
            shaft: 'Reed',
            length: 1150,
            gripId: null,
            ballId: null,
            ball: '',
            tee: 40,
            cue: '',
            branchedFromId: 2,
        },
    });
});

test('nothing begins before it is known in which bay; the one that this screen used last is proposed', async () => {
    const kept = new Map([['last-bay', '3']]);
    vi.stubGlobal('localStorage', { getItem: (k: string) => kept.get(k) ?? null, setItem: (k: string, v: string) => kept.set(k, v) });
    const bays = [1, 2, 3].map((id) => ({ id, name: `Bay ${id}`, fittingId: id === 1 ? 9 : null })) as BayView['bays'];
    const bay = screen({ bays });
    expect([bay.asksBay, bay.free.map((b) => b.id)]).toEqual([true, [3, 2]]);
    bay.forward();
    await bay.settled();
    expect(asked).toContain('PATCH bays/3 {"fittingId":7}');
    asked = [];
    bay.bayless = true;
    bay.forward();
    bay.forward();
    await vi.waitFor(() => expect(asked).toContain('POST fittings/7/trials {"setupId":2,"kind":"trial"}'));
});

test('a warm-up is no trial: the key begins it, also before a shot', async () => {
    const bay = screen({ changeOver: [], running: { id: 4, number: 1, setupId: 2, tag: 'B', kind: 'warm-up' } as BayView['running'] });
    bay.forward();
    await vi.waitFor(() => expect(asked).toContain('POST fittings/7/trials {"setupId":2,"kind":"trial"}'));
});

test('the player is asked when the trial has its shots, or when the fitter goes on; digits are answers then', async () => {
    const asks = { trialId: 9, open: ['confidence', 'looks'], first: ['confidence'], due: false };
    const shots = [{ id: 1 }] as unknown as BayView['shots'];
    const bay = screen({ asks, shots });
    expect([bay.asked, actionOf('4', bay)]).toEqual([null, undefined]);
    bay.forward();
    expect(bay.asked?.open).toEqual(['confidence']);
    await actionOf('4', bay)!();
    expect(asked[0]).toBe('POST trials/9/ratings {"kind":"confidence","stars":4}');
    const due = screen({ asks: { ...asks, due: true } });
    actionOf('6', due)!();
    expect(due.asked?.open).toEqual(['confidence', 'looks']);
    asked = [];
    await actionOf('0', due)!();
    expect(asked[0]).toBe('PATCH trials/9 {"ratingSkipped":true}');
    expect(actionOf('8', screen())).toBeUndefined();
});

test('a blind setting is set, hit, guessed and left, each by a key', async () => {
    const blind = { ordinal: 1, of: 2, shotsEach: 2, set: false, guess: null };
    const bay = screen({ blind });
    bay.forward();
    await bay.settled();
    expect(asked).toContain('POST fittings/7/blind/set {"ordinal":1}');
    asked = [];
    bay.view = view({ blind: { ...blind, set: true } });
    bay.forward(); // its shots are not hit yet
    bay.view = view({
        blind: {
            ...blind,
            set: true,
            guess: {
                trialId: 9,
                options: [
                    { id: 1, tag: 'A' },
                    { id: 2, tag: 'B' },
                ],
            },
        },
    });
    await actionOf('2', bay)!();
    expect(asked.filter((a) => a.startsWith('POST'))).toEqual(['POST trials/9/guess {"setupId":2}']);
    expect(actionOf('3', bay)).toBeUndefined();
});

test('the last shot is left out, brought back, and meant otherwise', async () => {
    const shot = { id: 5, intent: 'smooth', leftOut: null } as unknown as BayView['shots'][number];
    await actionOf('−', screen({ shots: [shot] }))!();
    await actionOf('−', screen({ shots: [{ ...shot, leftOut: { reason: 'mishit', note: null, at: '' } }] }))!();
    const bay = screen({ shots: [shot] });
    actionOf('Comma', bay)!();
    await actionOf('1', bay)!();
    await bay.settled();
    expect(asked.filter((a) => a.startsWith('PATCH'))).toEqual([
        'PATCH shots/5 {"leftOut":{"reason":"mishit"}}',
        'PATCH shots/5 {"leftOut":null}',
        'PATCH shots/5 {"intent":"shaped on purpose"}',
    ]);
    expect(nextIntent('shaped on purpose')).toBe('normal');
});

test('a setup is held as the benchmark only where the shots say that it is better', async () => {
    const running = { id: 4, number: 2, setupId: 2, tag: 'B', kind: 'trial' } as BayView['running'];
    const verdict = { name: 'longer', declared: true, verdict: 'open' } as BayView['verdicts'][number];
    const promote = async (verdicts: BayView['verdicts']) => {
        const bay = screen({ running, verdicts });
        actionOf('Comma', bay)!();
        await actionOf('5', bay)!();
        await bay.settled();
    };
    await promote([verdict]);
    expect(asked.filter((a) => a.startsWith('PATCH'))).toEqual([]);
    await promote([{ ...verdict, verdict: 'better' }]);
    expect(asked).toContain('PATCH fittings/7 {"version":3,"benchmarkSetupId":2}');
});

test('a studio that takes nothing made up has no keys for it', () => {
    session.user = {
        name: 'F',
        id: 1,
        zone: 'UTC',
        studio: 'S',
        isDemo: false,
        takesSimulated: false,
        role: 'fitter',
        lockMinutes: 30,
        wantsSecondFactor: false,
    };
    const bay = screen();
    expect(actionOf('Space', bay)).toBeUndefined();
    expect(keysOf(false).map(([[key]]) => key)).not.toContain('Space');
    expect(keysOf(true).map(([[key]]) => key)).toContain('Space');
});

test('in a confirm run the next leg waits until this one has its shots', () => {
    const confirm = { benchmark: 'A', chosen: 'B', shotsEach: 5, leg: 1, tag: 'A', n: 4, next: 'B' };
    const bay = screen({ confirm, changeOver: [] });
    bay.forward();
    expect([bay.legDone, asked.length]).toEqual([false, 0]);
    bay.view = view({ confirm: { ...confirm, n: 5 }, changeOver: [] });
    bay.forward();
    expect(bay.legDone).toBe(true);
});

test('a lost connection is told once, and the screen asks again by itself', async () => {
    const bay = screen();
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no network')));
    await bay.load();
    expect([bay.behind, bay.unread, bay.problem]).toEqual([true, '', '']);
});

test('an answer that was asked for earlier and comes later lies over nothing newer', async () => {
    const bay = screen();
    const held: ((v: Response) => void)[] = [];
    vi.stubGlobal('fetch', () => new Promise<Response>((done) => held.push(done)));
    const first = bay.load();
    const second = bay.load();
    const shot = { id: 5 } as unknown as BayView['shots'][number];
    held[1]!(new Response(JSON.stringify(view({ shots: [shot] }))));
    await second;
    expect(bay.view?.shots).toHaveLength(1);
    held[0]!(new Response(JSON.stringify(view({ shots: [] }))));
    await first;
    expect(bay.view?.shots).toHaveLength(1);
});

test('nor does one that waited for its fitting while a newer one came', async () => {
    const bay = screen();
    await bay.load();
    const shots = (n: number) => Array.from({ length: n }, (_, i) => ({ id: i }) as unknown as BayView['shots'][number]);
    const fittings: (() => void)[] = [];
    const answers = [view({ stamp: '2/1', shots: shots(1) }), view({ stamp: '3/1', shots: shots(2) })];
    vi.stubGlobal('fetch', (path: string) =>
        path.endsWith('fittings/7')
            ? new Promise<Response>((done) => fittings.push(() => done(new Response(JSON.stringify(fitting)))))
            : Promise.resolve(new Response(JSON.stringify(answers.shift()))),
    );
    const older = bay.load();
    await vi.waitFor(() => expect(fittings).toHaveLength(1));
    const newer = bay.load();
    await vi.waitFor(() => expect(fittings).toHaveLength(2));
    fittings[1]!();
    await newer;
    fittings[0]!();
    await older;
    expect(bay.view?.shots).toHaveLength(2);
});

test('a note of this screen stands at once, whatever was asked for before it', async () => {
    const trial = { id: 4, number: 1, note: 'wind' } as BayView['trials'][number];
    const bay = screen({ trials: [trial], running: trial as BayView['running'] });
    const held: ((v: Response) => void)[] = [];
    vi.stubGlobal('fetch', () => new Promise<Response>((done) => held.push(done)));
    const before = bay.load();
    bay.noted('trials/4', 'sun');
    expect([bay.view?.running?.note, bay.view?.trials[0]?.note]).toEqual(['sun', 'sun']);
    held[0]!(new Response(JSON.stringify(view({ trials: [trial], running: trial as BayView['running'] }))));
    await before;
    expect(bay.view?.running?.note).toBe('sun');
});
