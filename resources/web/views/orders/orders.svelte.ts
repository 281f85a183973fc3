import { ApiError, get, patch, post } from '../../api/client';
import type { LogEntry, Order } from '../../api/generated/types';
import { Form } from '../../lib/form.svelte';
import { Loader } from '../../lib/load.svelte';

/** Orders as they stand, and what is done with one. */
export class OrdersPlace {
    readonly reading = new Loader<Order[]>();
    readonly acting = new Form();
    open = $state<number | null>(null);
    last = $state<LogEntry | null>(null);

    async load(): Promise<void> {
        await Promise.all([this.reading.load(() => get<Order[]>('orders')), this.look()]);
    }
    private async look(): Promise<void> {
        const log = await get<LogEntry[]>('studio-log').catch(() => []);
        this.last = log.find((e) => e.undoable && !e.words.startsWith('took back')) ?? null;
    }
    /** One order takes the place of what stood there; what another screen did meanwhile is shown. */
    private put(now: Order): void {
        this.reading.value = (this.reading.value ?? []).map((o) => (o.id === now.id ? now : o));
    }
    private act(what: () => Promise<Order>): Promise<boolean> {
        return this.acting.send(async () => {
            try {
                this.put(await what());
            } catch (error) {
                const current =
                    error instanceof ApiError && error.status === 409 ? (error.body as { current?: Order } | null)?.current : undefined;
                if (current) this.put(current);
                throw error;
            } finally {
                await this.look();
            }
        });
    }
    change = (order: Order, what: Record<string, unknown>) =>
        this.act(() => patch<Order>(`orders/${order.id}`, { version: order.version, ...what }));
    read = (order: Order, figures: Record<string, unknown>) =>
        this.act(() => post<Order>(`orders/${order.id}/acceptances`, { version: order.version, ...figures }));
    take = (order: Order, why: string) => this.act(() => post<Order>(`orders/${order.id}/take`, { version: order.version, why }));

    async undo(): Promise<void> {
        const entry = this.last;
        if (!entry) return;
        const ok = await this.acting.send(() => post(`studio-log/${entry.id}/undo`, {}));
        await this.load();
        if (ok) this.acting.note = `Taken back: ${entry.words}.`;
    }
}
