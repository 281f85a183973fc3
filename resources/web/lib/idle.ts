/**
 * Calls back when nobody touched the screen for a while. What happens on the screen by itself, such as shots that come in, is told by `touch`.
 *
 * @returns touch, and a function that ends the watch
 */
export function watchIdle(minutes: () => number, left: () => void): { touch: () => void; end: () => void } {
    let last = Date.now();
    const touch = () => (last = Date.now());
    const events = ['pointerdown', 'keydown', 'wheel', 'touchstart'] as const;
    for (const name of events) window.addEventListener(name, touch, { passive: true, capture: true });
    const timer = setInterval(() => {
        if (Date.now() - last >= minutes() * 60_000) left();
    }, 5000);
    return {
        touch,
        end: () => {
            clearInterval(timer);
            for (const name of events) window.removeEventListener(name, touch, { capture: true });
        },
    };
}
