import { get, patch, post, remove, say } from '../../api/client';
import { ApiError } from '../../api/client';
import type { Appointment, CalendarDays, LogEntry } from '../../api/generated/types';
import { Form } from '../../lib/form.svelte';
import { Loader } from '../../lib/load.svelte';
import { addDays, monday } from './days';

/** The calendar's state: which days, what is marked, what is open, and what can be taken back. */
export class CalendarPlace {
    readonly reading = new Loader<CalendarDays>();
    readonly acting = new Form();
    mode = $state<'week' | 'day'>('week');
    day = $state('');
    /** What the side shows: an appointment, a new one at the mark, or nothing. */
    open = $state<Appointment | 'new' | null>(null);
    mark = $state<{ day: string; minutes: number; bayId: number | null } | null>(null);
    last = $state<LogEntry | null>(null);
    /** What was refused for being outside the hours, and may be wanted all the same. */
    outside = $state<{ says: string; again: () => Promise<boolean> } | null>(null);

    readonly days = $derived(this.reading.value);
    readonly first = $derived(this.mode === 'week' ? monday(this.day) : this.day);

    async load(): Promise<void> {
        const query = this.day === '' ? '' : `?from=${this.first}&days=${this.mode === 'week' ? 7 : 1}`;
        const [days] = await Promise.all([this.reading.load(() => get<CalendarDays>(`calendar${query}`)), this.look()]);
        if (days && this.day === '') {
            this.day = days.today;
            if (this.mode === 'day') await this.load();
        }
    }
    private async look(): Promise<void> {
        const log = await get<LogEntry[]>('studio-log').catch(() => []);
        this.last = log.find((e) => e.undoable && !e.words.startsWith('took back')) ?? null;
    }
    async turn(by: number): Promise<void> {
        this.day = addDays(this.day, by * (this.mode === 'week' ? 7 : 1));
        await this.load();
    }
    async show(mode: 'week' | 'day', day: string): Promise<void> {
        [this.mode, this.day] = [mode, day];
        await this.load();
    }

    /** Changes an appointment; what another screen did meanwhile is shown and not overwritten. */
    change(one: Appointment, what: Record<string, unknown>): Promise<boolean> {
        this.outside = null;
        return this.acting.send(async () => {
            try {
                const now = await patch<Appointment>(`appointments/${one.id}`, { version: one.version, ...what });
                if (this.open !== null && this.open !== 'new' && this.open.id === now.id) this.open = now;
            } catch (error) {
                if (error instanceof ApiError && error.status === 409) {
                    const current = (error.body as { current?: Appointment } | null)?.current;
                    if (current && this.open !== null && this.open !== 'new') this.open = current;
                }
                this.offer(error, () => this.change(one, { ...what, outside: true }));
                throw error;
            } finally {
                await this.load();
            }
        });
    }
    book(what: Record<string, unknown>): Promise<boolean> {
        this.outside = null;
        return this.acting.send(async () => {
            try {
                this.open = await post<Appointment>('appointments', what);
                this.mark = null;
            } catch (error) {
                this.offer(error, () => this.book({ ...what, outside: true }));
                throw error;
            }
            await this.load();
        });
    }
    private offer(error: unknown, again: () => Promise<boolean>): void {
        if (error instanceof ApiError && error.fields.outside) this.outside = { says: say(error), again };
    }
    async undo(): Promise<void> {
        const entry = this.last;
        if (!entry) return;
        const ok = await this.acting.send(() => post(`studio-log/${entry.id}/undo`, {}));
        this.open = null;
        await this.load();
        if (ok) this.acting.note = `Taken back: ${entry.words}.`;
    }
    /** A new secret address; shown once. */
    async feed(): Promise<string> {
        let path = '';
        await this.acting.send(async () => {
            path = (await post<{ path: string }>('calendar/feed', {})).path;
        });
        await this.load();
        return path;
    }
    async closeFeed(): Promise<void> {
        await this.acting.send(() => remove('calendar/feed'));
        await this.load();
    }
}
