import { ApiError, post } from '../../api/client';
import type { Words } from '../../lib/words';

/**
 * What a player writes on their phone: kept there until it was sent, so that a call, a dead battery or a tunnel lose nothing. It has a key of its own: sent twice it is one.
 */
export class Draft<V extends object> {
    values: V = $state({} as V);
    isSent = $state(false);
    busy = $state(false);
    problem = $state('');
    private refused = $state<Record<string, string>>({});
    private key: string;

    constructor(
        private readonly place: string,
        empty: V,
    ) {
        this.key = crypto.randomUUID();
        this.values = empty;
        try {
            const found = JSON.parse(localStorage.getItem(place) ?? '') as { key: string; values: V };
            [this.key, this.values] = [found.key, { ...empty, ...found.values }];
        } catch {
            // Nothing was begun on this phone.
        }
        $effect(() => {
            const values = $state.snapshot(this.values);
            if (!this.isSent) localStorage.setItem(place, JSON.stringify({ key: this.key, values }));
        });
    }

    err = (field: string): string => this.refused[field] ?? '';

    refuse(field: string, why: string): void {
        this.refused = { [field]: why };
    }

    /** Sends it; what is wrong is said in the player's words, and null is given back. */
    async send<T>(path: string, body: Record<string, unknown>, words: Words): Promise<T | null> {
        this.busy = true;
        [this.problem, this.refused] = ['', {}];
        try {
            const answer = await post<T>(path, { language: words.language, key: this.key, ...body });
            this.isSent = true;
            localStorage.removeItem(this.place);
            scrollTo(0, 0);
            return answer;
        } catch (error) {
            const failure = error instanceof ApiError ? error : null;
            this.refused = Object.fromEntries(Object.entries(failure?.fields ?? {}).map(([field, says]) => [field, says[0] ?? '']));
            this.problem =
                failure?.status === 0
                    ? words.say('error.connection')
                    : (failure?.status ?? 500) >= 500
                      ? words.say('error.server')
                      : (this.refused.token ?? this.refused.key ?? words.say('error.field', { name: 'none' }));
            return null;
        } finally {
            this.busy = false;
        }
    }

    /** Another one, after that was sent. */
    another(values: V): void {
        this.key = crypto.randomUUID();
        this.values = values;
        this.isSent = false;
    }
}
