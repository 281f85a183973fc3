/**
 * Watches a fitting's version file and calls back when it changes. One tiny file from the web server, a few times a second; nothing is held open.
 *
 * @returns a function that ends the watch
 */
export function watchLive(key: string, changed: () => void, reached: (ok: boolean) => void): () => void {
    let last: string | null = null;
    let ended = false;
    let timer: ReturnType<typeof setTimeout>;
    async function look() {
        try {
            const answer = await fetch(`/live/${key}`, { cache: 'no-store' });
            const now = answer.ok ? await answer.text() : '';
            if (ended) return;
            reached(true);
            if (last !== null && now !== last) changed();
            last = now;
        } catch {
            if (!ended) {
                reached(false);
                last = 'lost'; // whatever comes next is news
            }
        }
        if (!ended) timer = setTimeout(look, 350);
    }
    void look();
    return () => {
        ended = true;
        clearTimeout(timer);
    };
}
