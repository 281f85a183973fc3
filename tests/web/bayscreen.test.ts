import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { BayView, Fitting, Setup } from '../../resources/web/api/generated/types';
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
    setups: [setup(1, 'A'), setup(2, 'B'), setup(3, 'C', { shelf: 'parked' })],
} as Fitting;
const view = (more: Partial<BayView> = {}): BayView =>
    ({
        stamp: '1/1',
        counts: {},
        running: null,
        shots: [],
        verdicts: [],
        bays: [],
        changeOver: [{ setupId: 2, steps: ['Sleeve: from N to +1', 'Torque every screw'], wrenchChanges: 1 }],
        confirm: null,
        blind: null,
        asks: null,
        ...more,
    }) as unknown as BayView;

let asked: string[] = [];
let answer: BayView;
function screen(more: Partial<BayView> = {}): BayScreen {
    answer = view(more);
    const bay = new BayScreen(() => fitting);
    bay.view = answer;
    bay.chosen = 2;
    return bay;
}

beforeEach(() => {
    asked = [];
    current.fitting = fitting;
    session.user = {
        name: 'F',
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
afterEach(() => vi.unstubAllGlobals());

test('one key ticks the change-over step by step, and then begins the trial', async () => {
    const bay = screen();
    const forward = () => actionOf('=', bay)!();
    forward();
    expect([bay.ticked.length, bay.ready, asked.length]).toEqual([1, false, 0]);
    forward();
    expect(bay.ready).toBe(true);
    forward();
    await vi.waitFor(() => expect(asked).toContain('POST fittings/7/trials {"setupId":2,"kind":"trial"}'));
});

test('what is begun is begun once, however often the key is hit', async () => {
    const bay = screen({ changeOver: [] });
    void bay.begin(bay.next);
    void bay.begin(bay.next);
    await vi.waitFor(() => expect(asked.at(-1)).toMatch(/^GET fittings\/7\/bay/));
    expect(asked.filter((a) => a.startsWith('POST'))).toHaveLength(1);
});

test('keys go through the setups that are not put aside, and back to the benchmark', () => {
    const bay = screen();
    actionOf('>', bay)!();
    expect(bay.chosen).toBe(1);
    actionOf('<', bay)!();
    expect(bay.chosen).toBe(2);
    actionOf('/', bay)!();
    expect(bay.chosen).toBe(1);
});

test('while the player is asked, digits are answers', async () => {
    const bay = screen({ asks: { trialId: 9, open: ['feel', 'confidence'] } });
    await actionOf('4', bay)!();
    expect(asked[0]).toBe('POST trials/9/ratings {"kind":"feel","stars":4}');
    asked = [];
    await actionOf('0', bay)!();
    expect(asked[0]).toBe('PATCH trials/9 {"ratingSkipped":true}');
    expect(actionOf('7', screen())).toBeUndefined();
});

test('the last shot is left out, brought back, and meant otherwise', async () => {
    const shot = { id: 5, intent: 'smooth', leftOut: null } as unknown as BayView['shots'][number];
    await actionOf('-', screen({ shots: [shot] }))!();
    await actionOf('-', screen({ shots: [{ ...shot, leftOut: { reason: 'mishit', note: null, at: '' } }] }))!();
    await actionOf('\\', screen({ shots: [shot] }))!();
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
    expect(actionOf('+', screen({ running, verdicts: [verdict] }))!()).toBeUndefined();
    await actionOf('+', screen({ running, verdicts: [{ ...verdict, verdict: 'better' }] }))!();
    expect(asked).toContain('PATCH fittings/7 {"version":3,"benchmarkSetupId":2}');
});

test('a studio that takes nothing made up has no keys for it', () => {
    session.user = {
        name: 'F',
        studio: 'S',
        isDemo: false,
        takesSimulated: false,
        role: 'fitter',
        lockMinutes: 30,
        wantsSecondFactor: false,
    };
    const bay = screen();
    expect([actionOf('.', bay), actionOf(',', bay)]).toEqual([undefined, undefined]);
    expect(keysOf(false).map(([key]) => key)).not.toContain('. ,');
    expect(keysOf(true).map(([key]) => key)).toContain('. ,');
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
