import { get } from '../api/client';
import type { Fitting, SignedIn } from '../api/generated/types';

export const session = $state<{ user: SignedIn | null; known: boolean }>({ user: null, known: false });

export const current = $state<{ fitting: Fitting | null }>({ fitting: null });

export async function loadFitting(id: string | number): Promise<Fitting> {
    if (current.fitting?.id !== Number(id)) current.fitting = null;
    current.fitting = await get<Fitting>(`fittings/${id}`);
    return current.fitting;
}
