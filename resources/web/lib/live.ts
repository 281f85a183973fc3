/**
 * Watches a fitting's live file and calls back when the fitting changed, or was judged. One tiny file from the web server, a few times a second;
 * nothing is held open.
 *
 * @returns a function that ends the watch
 */
export function watchLive(key: string, changed: () => void, reached: (ok: boolean) => void, judged: () => void): () => void {
    let last: { changed: string; judged: string } | null = null;
    let ended = false;
    let timer: ReturnType<typeof setTimeout>;
    async function look() {
        try {
            const answer = await fetch(`/live/${key}`, { cache: 'no-store' });
            const [change = '', judgement = ''] = (answer.ok ? await answer.text() : '').trim().split(' ');
            const now = { changed: change, judged: judgement };
            if (ended) return;
            reached(true);
            if (last !== null && now.changed !== last.changed) changed();
            if (last !== null && now.judged !== last.judged) judged();
            last = now;
        } catch {
            if (!ended) {
                reached(false);
                last = { changed: 'lost', judged: 'lost' }; // whatever comes next is news
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
