import { ApiError, Lost, say, whenReached } from '../api/client';

/** What somebody fills in: the values, what is wrong with which, and whether it is on its way. What was typed stays whatever happens on the way. */
export class Form<V extends object = Record<string, never>> {
    values: V = $state({} as V);
    /** By field, as the server names it. */
    problems = $state<Record<string, string[]>>({});
    problem = $state('');
    note = $state('');
    busy = $state(false);
    /** What went wrong last, for whoever has to look closer. */
    failure = $state.raw<unknown>(null);

    constructor(values: V = {} as V) {
        this.values = values;
    }

    /** What is wrong with a field; empty where nothing is. */
    err = (field: string): string => this.problems[field]?.[0] ?? '';

    clear(): void {
        this.problem = this.note = '';
        this.problems = {};
        this.failure = null;
    }

    fail(error: unknown): void {
        this.failure = error;
        this.problem = say(error);
        if (error instanceof ApiError) this.problems = error.fields;
        if (error instanceof Lost)
            whenReached(() => {
                if (this.failure !== error) return;
                this.clear();
                this.note = 'The connection is back. What you typed was not sent yet: send it again.';
            });
    }

    /** Does one thing with the server; says whether it was done. */
    async send(what: () => Promise<unknown>): Promise<boolean> {
        this.clear();
        this.busy = true;
        try {
            await what();
            return true;
        } catch (error) {
            this.fail(error);
            return false;
        } finally {
            this.busy = false;
        }
    }
}
