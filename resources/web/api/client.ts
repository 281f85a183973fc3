/** Same-origin JSON with the session cookie and the CSRF token. A failure says what was wrong; nothing typed is thrown away by it. */
export class ApiError extends Error {
    constructor(
        message: string,
        readonly status: number,
        readonly fields: Record<string, string[]> = {},
        readonly body: unknown = null,
    ) {
        super(message);
    }
}

/** The server could not be reached at all. */
export class Lost extends ApiError {}

/** Nothing was being sent, only read: whoever watches can simply look again. */
export class Unreached extends Lost {}

const waiting = new Set<() => void>();
/** Calls back once when the server can be reached again; from a screen that was left meanwhile nothing is called. */
export function whenReached(what: () => void): void {
    const on = screen;
    waiting.add(() => {
        if (on === screen) what();
    });
    if (waiting.size > 1) return;
    const look = async () => {
        const answer = await fetch('/favicon.svg', { cache: 'no-store', method: 'HEAD' }).catch(() => null);
        if (answer === null) return void setTimeout(look, 1000);
        const now = [...waiting];
        waiting.clear();
        for (const one of now) one();
    };
    setTimeout(look, 1000);
}

/** Asks whoever is at the screen to sign in once more; false where they would rather not. */
let signInAgain: (() => Promise<boolean>) | null = null;
export const whenSignedOut = (ask: (() => Promise<boolean>) | null) => (signInAgain = ask);

/** Nobody waits longer for an answer; the server gives up before. Files that are sent take as long as they take. */
const WAIT_MS = 65_000;

/** What the screen asked for that is shown now; of one that was left no answer is taken any more. */
let screen = new AbortController();
/** One screen of an address: a step of a fitting, a player, a head, or a place whose tabs and days are one. */
const screenOf = (hash: string) => /^#\/(?:fitting\/\d+(?:\/[\w-]+)?|player\/\d+|rack\/head\/\d+|[\w-]*)/.exec(hash)?.[0] ?? '';
let shown = screenOf(globalThis.location?.hash ?? '');
globalThis.addEventListener?.(
    'hashchange',
    () => {
        const now = screenOf(location.hash);
        if (now === shown) return;
        shown = now;
        screen.abort();
        screen = new AbortController();
    },
    true,
);

/** How often something is asked for again that the server is too busy to work out. */
const PATIENCE = 12;

function token(): string {
    const found = document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN='));
    return found ? decodeURIComponent(found.slice('XSRF-TOKEN='.length)) : '';
}

/** Called when the server says that this screen is locked. */
let locked: () => void = () => {};
export const whenLocked = (what: () => void) => (locked = what);

export async function call<T>(method: string, path: string, body?: unknown, toWrite = false): Promise<T> {
    const isForm = body instanceof FormData;
    let response: Response;
    let text: string;
    // What is only read goes with the screen that wanted it; what is written is finished whatever is looked at meanwhile.
    const left = method === 'GET' && !toWrite ? screen.signal : null;
    let late: AbortSignal | null = null;
    const once = () => {
        late = isForm ? null : AbortSignal.timeout(WAIT_MS);
        const signals = [left, late].filter((s) => s !== null);
        return fetch(`/api/${path}`, {
            method,
            headers: {
                Accept: 'application/json',
                'X-XSRF-TOKEN': token(),
                ...(body !== undefined && !isForm ? { 'Content-Type': 'application/json' } : {}),
            },
            body: body === undefined ? undefined : isForm ? body : JSON.stringify(body),
            signal: signals.length ? AbortSignal.any(signals) : undefined,
        });
    };
    try {
        response = await once();
        // Signed out meanwhile, here or in another tab: nothing was done, and it is done after the sign-in.
        if ([401, 419].includes(response.status) && signInAgain && !path.startsWith('session') && (await signInAgain()))
            response = await once();
        // The server is busy judging and did nothing: it says when to ask again.
        for (let tries = 0; response.status === 429 && response.headers.has('X-Busy') && tries < PATIENCE; tries++) {
            await new Promise((done) => setTimeout(done, Math.min(5, Number(response.headers.get('Retry-After')) || 1) * 1000));
            response = await once();
        }
        text = await response.text();
    } catch {
        // Nobody is there any more to take an answer or an error.
        if (left?.aborted) return new Promise<never>(() => undefined);
        if ((late as AbortSignal | null)?.aborted)
            throw new ApiError(
                method === 'GET'
                    ? 'The studio’s server took too long to answer. Try again.'
                    : 'The studio’s server took too long to answer: look whether it was kept, and try again. What you typed is still on this screen.',
                0,
            );
        if (method === 'GET') throw new Unreached('No connection to the studio’s server. Try again when it is back.', 0);
        throw new Lost('No connection to the studio’s server. What you typed is kept on this screen; try again when it is back.', 0);
    }
    let json: { message?: string; errors?: Record<string, string[]> } | null;
    try {
        json = text === '' ? null : JSON.parse(text);
    } catch {
        json = null;
    }
    if (!response.ok) {
        if (response.status === 423) locked();
        const fields = json?.errors ?? {};
        const first = Object.values(fields)[0]?.[0];
        throw new ApiError(
            first ?? json?.message ?? `The server answered with an error (${response.status}). What you typed is kept on this screen.`,
            response.status,
            fields,
            json,
        );
    }
    // What is no JSON is given as it came: a calendar's file.
    return (json === null && !(response.headers.get('Content-Type') ?? '').includes('json') ? text : json) as T;
}

/** What stands behind the question mark: of what is null nothing is asked. */
export function asked(what: Record<string, string | number | null>): string {
    const said = Object.entries(what).flatMap(([k, v]) => (v === null ? [] : [[k, String(v)]]));
    return said.length ? `?${new URLSearchParams(said).toString()}` : '';
}

export const get = <T>(path: string) => call<T>('GET', path);
/** What has to be known for something that is then written: it is read to its end, whatever is looked at meanwhile. */
export const getToWrite = <T>(path: string) => call<T>('GET', path, undefined, true);
export const post = <T>(path: string, body: unknown) => call<T>('POST', path, body);
export const put = <T>(path: string, body: unknown) => call<T>('PUT', path, body);
export const patch = <T>(path: string, body: unknown) => call<T>('PATCH', path, body);
export const remove = <T>(path: string, body?: unknown) => call<T>('DELETE', path, body);

/** A file that is made when it is asked for. */
export async function blob(path: string, body: unknown): Promise<Blob> {
    const response = await fetch(`/api/${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'X-XSRF-TOKEN': token() },
        body: JSON.stringify(body),
    }).catch(() => {
        throw new ApiError('No connection to the studio’s server.', 0);
    });
    if (!response.ok) throw new ApiError(`The server answered with an error (${response.status}).`, response.status);
    return response.blob();
}

export function say(error: unknown): string {
    return error instanceof Error ? error.message : 'Something went wrong; what you typed is kept on this screen.';
}
