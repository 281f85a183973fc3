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

let wanted = 0;
/** The fitting that was asked for last is the current one, whichever answer comes last. */
export async function loadFitting(id: string | number): Promise<Fitting> {
    wanted = Number(id);
    if (current.fitting?.id !== wanted) current.fitting = null;
    const fitting = await get<Fitting>(`fittings/${id}`);
    if (wanted === fitting.id) current.fitting = fitting;
    return fitting;
}
