// Load on the bay feed: bays that post a shot every few seconds, screens that watch. Prints latencies and what was lost. Uses a studio's own bays, made for the run through the same API the screens use.
// node bin/parts/bench/bay.mjs ADDRESS [bays 50] [seconds 600] [pace 5]
import http from 'node:http';

const [address, bays = 50, seconds = 600, pace = 5] = [process.argv[2], ...process.argv.slice(3).map(Number)];
const agent = new http.Agent({ keepAlive: true, maxSockets: 200 });
let cookies = {};
function call(method, path, { body, headers = {}, session = true } = {}) {
    return new Promise((done, fail) => {
        const url = new URL(path, address);
        const own = session
            ? {
                  Cookie: Object.entries(cookies)
                      .map(([k, v]) => `${k}=${v}`)
                      .join('; '),
                  'X-XSRF-TOKEN': decodeURIComponent(cookies['XSRF-TOKEN'] ?? ''),
              }
            : {};
        const request = http.request(
            url,
            { method, agent, headers: { Accept: 'application/json', ...(body ? { 'Content-Type': 'application/json' } : {}), ...own, ...headers } },
            (response) => {
                let text = '';
                response.setEncoding('utf8');
                response.on('data', (c) => (text += c));
                response.on('end', () => {
                    if (session) for (const c of response.headers['set-cookie'] ?? []) cookies[c.split('=')[0]] = c.split(';')[0].slice(c.indexOf('=') + 1);
                    done({ status: response.statusCode, text, json: () => JSON.parse(text) });
                });
            },
        );
        request.on('error', fail);
        if (body) request.write(JSON.stringify(body));
        request.end();
    });
}
const must = async (promise, what) => {
    const answer = await promise;
    if (answer.status >= 300) throw new Error(`${what}: ${answer.status} ${answer.text.slice(0, 300)}`);
    return answer.json();
};
const at = (list, p) => [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * p))] ?? NaN;
const sleep = (ms) => new Promise((r) => setTimeout(r, ms));

await call('GET', '/api/session');
await must(call('POST', '/api/session', { body: { email: 'fitter@demo.example', password: 'minted-demo' } }), 'sign-in');
const places = [];
for (let i = 0; i < bays; i++) {
    const fitting = await must(call('POST', '/api/fittings', { body: { name: `Load ${i + 1}`, hand: i % 2 ? 'left' : 'right' } }), 'fitting');
    const setup = await must(call('POST', `/api/fittings/${fitting.id}/setups`, { body: { head: 'Curlew L', statedLoftDeg: 9 } }), 'setup');
    const bay = await must(call('POST', '/api/bays', { body: { name: `Load bay ${i + 1} ${Date.now() % 1e8}` } }), 'bay');
    const { token } = await must(call('POST', `/api/bays/${bay.id}/token`), 'token');
    await must(call('PATCH', `/api/bays/${bay.id}`, { body: { fittingId: fitting.id } }), 'into the bay');
    // From the second trial on it is asked of every shot whether it came late: the dearer path.
    const begin = () => must(call('POST', `/api/fittings/${fitting.id}/trials`, { body: { setupId: setup.id } }), 'trial');
    await begin();
    const view = await begin();
    places.push({ fitting: fitting.id, bay: bay.id, token, live: view.live, posted: new Map(), seen: new Set() });
}
const posts = [];
const screens = [];
let retries = 0;
let over = false;
const start = performance.now();
const until = Date.now() + seconds * 1000;

async function monitor(place, i) {
    await sleep((i * pace * 1000) / bays);
    for (let n = 1; Date.now() < until; n++) {
        const due = Date.now() + pace * 1000;
        const id = `shot-${n}`;
        place.posted.set(id, Date.now());
        for (;;) {
            const begun = performance.now();
            try {
                const answer = await call('POST', `/api/bays/${place.bay}/shots`, {
                    session: false,
                    headers: { Authorization: `Bearer ${place.token}` },
                    body: {
                        id,
                        sequence: n,
                        at: new Date().toISOString(),
                        values: { ballSpeedMps: 62 + (n % 7), launchDeg: 12.5, spinRpm: 2400 + n, directionDeg: (n % 5) - 2, spinAxisDeg: 1 },
                    },
                });
                if (answer.status === 200) {
                    posts.push([begun - start, performance.now() - begun]);
                    break;
                }
            } catch {
                // sent again below
            }
            retries++;
            await sleep(300);
        }
        await sleep(Math.max(0, due - Date.now()));
    }
}
/** A screen: looks at the fitting's file as the front end does, and fetches when it changed. */
async function screen(place) {
    let last = null;
    while (!over) {
        try {
            const now = (await call('GET', `/live/${place.live}`, { session: false })).text;
            if (now !== last) {
                last = now;
                const view = (await call('GET', `/api/fittings/${place.fitting}/bay${place.stamp ? `?stamp=${encodeURIComponent(place.stamp)}` : ''}`)).json();
                place.stamp = view.stamp;
                for (const shot of view.shots) {
                    const id = `shot-${shot.typed.spinRpm - 2400}`;
                    if (!place.seen.has(id) && place.posted.has(id)) {
                        place.seen.add(id);
                        screens.push(Date.now() - place.posted.get(id));
                    }
                }
            }
        } catch {
            last = null;
        }
        await sleep(350);
    }
}
const watching = places.map(screen);
await Promise.all(places.map(monitor));
await sleep(2500);
over = true;
await Promise.all(watching);
let stored = 0;
let doubled = 0;
for (const place of places) {
    const shots = await must(call('GET', `/api/fittings/${place.fitting}/shots`), 'shots');
    stored += shots.length;
    doubled += shots.length - new Set(shots.map((s) => s.typed.spinRpm)).size;
    await call('PATCH', `/api/bays/${place.bay}`, { body: { fittingId: null } });
    await call('DELETE', `/api/bays/${place.bay}/token`);
}
const sent = places.reduce((n, p) => n + p.posted.size, 0);
const seen = places.reduce((n, p) => n + p.seen.size, 0);
console.log(`${bays} bays, a shot every ${pace} s, ${bays} screens, ${seconds} s`);
console.log(`shots sent ${sent}, stored ${stored}, twice ${doubled}, lost ${sent - (stored - doubled)}, seen on screens ${seen}, retries ${retries}`);
const minutes = [];
for (const [when, ms] of posts) (minutes[Math.floor(when / 60000)] ??= []).push(ms);
console.log(`post p95 minute by minute: ${minutes.map((m) => at(m, 0.95).toFixed(0)).join(' ')} ms`);
posts.splice(0, posts.length, ...posts.map((p) => p[1]));
console.log(`post            p50 ${at(posts, 0.5).toFixed(0)} ms   p95 ${at(posts, 0.95).toFixed(0)} ms   (target p95 under 25)`);
console.log(`post to screen  p50 ${at(screens, 0.5)} ms   p95 ${at(screens, 0.95)} ms   (target p95 under 1000)`);
agent.destroy();
process.exit(stored - doubled === sent && doubled === 0 ? 0 : 1);
