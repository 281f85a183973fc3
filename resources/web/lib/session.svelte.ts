import { get } from '../api/client';
import type { Fitting, SignedIn } from '../api/generated/types';

export const session = $state<{ user: SignedIn | null; known: boolean; locked: boolean }>({ user: null, known: false, locked: false });

/** Back at the sign-in. Typed drafts stay with the person who typed them. */
export function signedOut(): void {
    session.user = null;
    session.locked = false;
    current.fitting = null;
    for (const key of Object.keys(localStorage)) if (key.startsWith('typed-')) localStorage.removeItem(key);
}

export const current = $state<{ fitting: Fitting | null }>({ fitting: null });

/** Is another fitting shown by now? */
function isLeft(id: number): boolean {
    const shown = /^#\/fitting\/(\d+)/.exec(globalThis.location?.hash ?? '')?.[1];
    return shown !== undefined && Number(shown) !== id;
}

/** What a change of a fitting answered is shown, unless another fitting is by now. */
export function showFitting(fitting: Fitting): void {
    if (!isLeft(fitting.id)) current.fitting = fitting;
}

let wanted = 0;
/**
 * The fitting that was asked for last is the current one, whichever answer comes last. A screen that was left for another fitting's
 * may still be writing, and then read: it gets no answer, and changes nothing of what is shown.
 */
export async function loadFitting(id: string | number): Promise<Fitting> {
    if (isLeft(Number(id))) return new Promise(() => undefined);
    wanted = Number(id);
    if (current.fitting?.id !== wanted) current.fitting = null;
    const fitting = await get<Fitting>(`fittings/${id}`);
    if (wanted === fitting.id) current.fitting = fitting;
    return fitting;
}
