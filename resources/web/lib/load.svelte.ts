import { say, Unreached, whenReached } from '../api/client';

/** Something that is read from the server. Only the latest answer counts: one that was asked for earlier and comes later is thrown away. */
export class Loader<T> {
    value = $state<T | null>(null);
    problem = $state('');
    waiting = $state(false);
    /** What went wrong last, for whoever has to look closer. */
    failure = $state.raw<unknown>(null);
    private turn = 0;

    /** Forgets the answer, and whatever is still on its way. */
    forget(): void {
        this.turn++;
        this.value = null;
        this.problem = '';
        this.waiting = false;
    }

    /** @returns the answer; null where it did not come, or where something else was asked for meanwhile */
    async load(read: () => Promise<T>): Promise<T | null> {
        const turn = ++this.turn;
        this.waiting = true;
        try {
            const value = await read();
            if (turn !== this.turn) return null;
            this.value = value;
            this.problem = '';
            this.failure = null;
            return value;
        } catch (error) {
            if (turn === this.turn) {
                this.failure = error;
                this.problem = say(error);
                if (error instanceof Unreached) whenReached(() => turn === this.turn && void this.load(read));
            }
            return null;
        } finally {
            if (turn === this.turn) this.waiting = false;
        }
    }
}
