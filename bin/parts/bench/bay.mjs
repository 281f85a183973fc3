// Load on the bay feed: bays that post a shot every few seconds, screens that watch. The monitors do what monitors do: they count anew and use their ids again, name no session or a new one, lose
// answers, send twice, set their clocks; every fitting changes between two setups. Prints latencies, and from the database what is on record, with which setup, and what is there twice.
// With "kill" each part of the server is killed with kill -9 meanwhile, and so are the monitors that run as processes (bin/monitor). Uses bays of its own, made through the same API the screens use.
// node bin/parts/bench/bay.mjs ADDRESS [bays 50] [seconds 600] [pace 5] [kill]
import { execFileSync, spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import http from 'node:http';

const [address, bays = 50, seconds = 600, pace = 5] = [process.argv[2], ...process.argv.slice(3, 6).map(Number)];
const kills = process.argv[6] === 'kill';
/** Bays whose monitor is bin/monitor, a process of its own. */
const PROCESSES = Math.min(3, Math.floor(bays / 10));
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
/** From the database itself. */
const sql = (query) =>
    execFileSync('bash', ['-c', '. bin/parts/common.sh && sql -N -e "$1" mintcarry_demo', 'sql', query], { encoding: 'utf8', maxBuffer: 1e8 }).trim();
/** The same request until it is answered: a part of the server may be down. */
async function until200(method, path, body) {
    for (;;) {
        try {
            const answer = await call(method, path, { body });
            if (answer.status < 300) return answer.json();
            if (answer.status < 500 && answer.status !== 419) throw new Error(`${path}: ${answer.status} ${answer.text.slice(0, 200)}`);
        } catch (e) {
            if (!e.code) throw e;
        }
        await sleep(400);
    }
}
const places = [];
for (let i = 0; i < bays; i++) {
    const fitting = await must(call('POST', '/api/fittings', { body: { name: `Load ${i + 1}`, hand: i % 2 ? 'left' : 'right' } }), 'fitting');
    const setups = [];
    for (const head of ['Curlew L', 'Tern 460']) {
        const body = { head, statedLoftDeg: 9, isBaseline: setups.length === 0 };
        setups.push((await must(call('POST', `/api/fittings/${fitting.id}/setups`, { body }), 'setup')).id);
    }
    await must(call('PATCH', `/api/fittings/${fitting.id}`, { body: { version: (await call('GET', `/api/fittings/${fitting.id}`)).json().version, benchmarkSetupId: setups[0] } }), 'benchmark');
    const bay = await must(call('POST', '/api/bays', { body: { name: `Load bay ${i + 1} ${Date.now() % 1e8}` } }), 'bay');
    const { token } = await must(call('POST', `/api/bays/${bay.id}/token`), 'token');
    await must(call('PATCH', `/api/bays/${bay.id}`, { body: { fittingId: fitting.id } }), 'into the bay');
    const place = {
        i,
        fitting: fitting.id,
        setups,
        bay: bay.id,
        token,
        hits: 0,
        trials: 0,
        acknowledged: new Map(),
        truth: new Map(),
        posted: new Map(),
        seen: new Set(),
        queue: [],
        process: i >= bays - PROCESSES,
    };
    // The first trial is over before the run: from the second on it is asked of every shot whether it came late, the dearer path.
    await change(place);
    const view = await change(place);
    place.live = view.live;
    places.push(place);
}
/** Another setup is in the hand. */
async function change(place) {
    const view = await until200('POST', `/api/fittings/${place.fitting}/trials`, { setupId: place.setups[place.trials++ % 2] });
    place.setup = view.running.setupId;
    return view;
}
const posts = [];
const screens = [];
/** From the last shot to a judgement of all shots. */
const judged = [];
let retries = 0;
let twice = 0;
let restarts = 0;
let steps = 0;
let over = false;
const start = performance.now();
const until = Date.now() + seconds * 1000;
const iso = (ms) => new Date(ms).toISOString();

/** Hits on time, whatever the network does; what was hit waits in the queue until its own answer comes. */
async function player(place) {
    await sleep((place.i * pace * 1000) / bays);
    let count = 0;
    let session = 0;
    let off = (place.i - bays / 2) * 97_000;
    while (Date.now() < until) {
        const due = Date.now() + pace * 1000;
        // Every ninth shot the club is changed; nobody hits meanwhile.
        if (place.hits > 0 && place.hits % 9 === 0) {
            await change(place);
            await sleep(Math.min(2500, pace * 500));
        }
        if (place.hits > 0 && place.hits % 7 === 0) [count, session, restarts] = [0, session + 1, restarts + 1];
        if (place.hits > 0 && place.hits % 23 === 0) [off, steps] = [off + (place.hits % 2 ? 1 : -1) * 1_800_000, steps + 1];
        place.hits++;
        count++;
        const spin = 1500 + place.hits;
        place.truth.set(spin, place.setup);
        place.posted.set(spin, (place.lastAt = Date.now()));
        place.isJudged = false;
        place.queue.push({
            spin,
            off,
            shot: {
                id: String(count),
                ...(place.i % 2 ? { session: `${place.bay}-${session}` } : {}),
                sequence: count,
                at: iso(Date.now() + off),
                values: { ballSpeedMps: 62 + (place.hits % 7), launchDeg: 12.5, spinRpm: spin, directionDeg: (place.hits % 5) - 2, spinAxisDeg: 1 },
            },
        });
        place.wake?.();
        await sleep(Math.max(0, due - Date.now()));
    }
    place.done = true;
    place.wake?.();
}
async function sender(place) {
    while (!place.done || place.queue.length) {
        if (!place.queue.length) {
            await new Promise((wake) => (place.wake = wake));
            continue;
        }
        const batch = place.queue.slice(0, 50);
        const begun = performance.now();
        let answers = null;
        try {
            const answer = await call('POST', `/api/bays/${place.bay}/shots`, {
                session: false,
                headers: { Authorization: `Bearer ${place.token}` },
                body: { ...(place.i % 3 ? { sentAt: iso(Date.now() + batch.at(-1).off) } : {}), shots: batch.map((b) => b.shot) },
            });
            if (answer.status === 200) answers = answer.json().results;
        } catch {
            // sent again below
        }
        // Now and then the answer gets lost, or the shot is sent again though it came.
        const isLost = answers && Math.random() < 0.04;
        if (!answers || isLost) {
            retries++;
            await sleep(300);
            continue;
        }
        posts.push([begun - start, performance.now() - begun]);
        answers.forEach((a, k) => place.acknowledged.set(batch[k].spin, a.status));
        if (Math.random() < 0.04) twice++;
        else place.queue.splice(0, batch.length);
    }
}
/** bin/monitor with its faults, begun again whenever it ends or is killed. */
async function machine(place) {
    const env = { ...process.env, MINT_TOKEN: place.token };
    while (Date.now() < until - 4000) {
        const run = spawn(
            'bin/monitor',
            [
                '--address',
                address,
                '--bay',
                String(place.bay),
                '--count',
                '6',
                '--pace',
                String(pace / 2),
                '--faults',
                'drop,duplicate,restart,reuse,step,nameless',
            ],
            { env },
        );
        run.stdout.on('data', (text) => (place.said = (place.said ?? 0) + (String(text).match(/^\S+ (stored|held)(:.*)?$/gm) ?? []).length));
        place.run = run;
        await new Promise((done) => run.on('close', done));
    }
    // What a killed run left behind is sent by the next.
    const last = spawn('bin/monitor', ['--address', address, '--bay', String(place.bay), '--count', '1', '--pace', '0'], { env });
    await new Promise((done) => last.on('close', done));
}
/** The bay's judge, as the front end asks: a moment after a change, and when the live signal says that a judgement is ready. */
async function look(place) {
    const answer = await call('GET', `/api/fittings/${place.fitting}/judge`);
    if (answer.status === 429) place.refused = (place.refused ?? 0) + 1;
    if (answer.status !== 200) return;
    const { age } = answer.json();
    if (age.isCurrent && age.of >= place.seen.size && !place.isJudged && place.lastAt) {
        place.isJudged = true;
        judged.push(Date.now() - place.lastAt);
    }
}
/** A screen: looks at the fitting's file as the front end does, and fetches when it changed. */
async function screen(place) {
    let last = null;
    let ready = null;
    let askAt = Infinity;
    while (!over) {
        try {
            const [now, judgement] = (await call('GET', `/live/${place.live}`, { session: false })).text.trim().split(' ');
            if (judgement !== ready || Date.now() > askAt) {
                [ready, askAt] = [judgement, Infinity];
                await look(place);
            }
            if (now !== last) {
                last = now;
                askAt = Date.now() + 700;
                const view = (await call('GET', `/api/fittings/${place.fitting}/bay${place.stamp ? `?stamp=${encodeURIComponent(place.stamp)}` : ''}`)).json();
                place.stamp = view.stamp;
                for (const shot of view.shots) {
                    const spin = shot.measured.spinRpm;
                    if (!place.seen.has(spin) && place.posted.has(spin)) {
                        place.seen.add(spin);
                        screens.push(Date.now() - place.posted.get(spin));
                    }
                }
            }
        } catch {
            last = null;
        }
        await sleep(350);
    }
}
/** Kills each part in turn: a worker of the feed, nginx, php-fpm, the database, a monitor. bin/start brings the first four back. */
async function killer() {
    const pid = (file) => Number(readFileSync(`var/run/${file}`, 'utf8'));
    const parts = [
        [
            'a worker of the feed',
            () => Number(execFileSync('pgrep', ['-P', String(pid('web/fpm.pid')), '-f', 'pool feed'], { encoding: 'utf8' }).split('\n')[0]),
        ],
        ['nginx', () => pid('web/nginx.pid')],
        ['php-fpm', () => pid('web/fpm.pid')],
        ['the database', () => pid('db.pid')],
        ['bin/monitor', () => places.find((p) => p.process && p.run?.exitCode === null)?.run.pid ?? 0],
    ];
    const every = (seconds * 1000) / (parts.length + 2);
    for (const [name, of] of parts) {
        await sleep(every);
        const victim = of();
        if (victim) process.kill(victim, 'SIGKILL');
        console.log(`killed ${name}${victim ? '' : ': not there'}`);
    }
}
const simple = places.filter((p) => !p.process);
const watching = places.map(screen);
await Promise.all([...simple.map(player), ...simple.map(sender), ...places.filter((p) => p.process).map(machine), ...(kills ? [killer()] : [])]);
await sleep(2500);
over = true;
await Promise.all(watching);

// What is in the database, held against what was hit.
const tally = { inDatabase: 0, right: 0, flagged: 0, wrong: 0, doubled: 0, lost: 0, held: 0, byProcess: 0, lostByProcess: 0 };
for (const place of places) {
    const rows = sql(`select setup_id, json_value(measured, '$.spinRpm'), json_length(flags), measured from shots where fitting_id = ${place.fitting}`)
        .split('\n')
        .filter(Boolean)
        .map((line) => line.split('\t'));
    tally.held += Number(sql(`select count(*) from held_shots where fitting_id = ${place.fitting}`));
    tally.doubled += rows.length - new Set(rows.map((r) => r[3])).size;
    if (place.process) {
        tally.byProcess += rows.length;
        tally.lostByProcess += Math.max(0, (place.said ?? 0) - rows.length);
        continue;
    }
    tally.inDatabase += rows.length;
    const found = new Map(rows.map((r) => [Number(r[1]), r]));
    for (const [spin, setup] of place.truth) {
        const row = found.get(spin);
        if (!row) tally.lost += place.acknowledged.has(spin) ? 1 : 0;
        else if (Number(row[0]) === setup) tally.right++;
        else if (Number(row[2]) > 0) tally.flagged++;
        else tally.wrong++;
    }
}
for (const place of places) {
    await call('PATCH', `/api/bays/${place.bay}`, { body: { fittingId: null } });
    await call('DELETE', `/api/bays/${place.bay}/token`);
}
const sent = simple.reduce((n, p) => n + p.truth.size, 0);
const acknowledged = simple.reduce((n, p) => n + p.acknowledged.size, 0);
const seen = simple.reduce((n, p) => n + p.seen.size, 0);
console.log(
    `${bays} bays (${PROCESSES} with bin/monitor), a shot every ${pace} s, ${bays} screens, ${seconds} s; ${restarts} restarts of a count, ${steps} steps of a clock, ${retries} sent again unanswered, ${twice} sent again answered`,
);
console.log(
    `shots sent ${sent}, acknowledged ${acknowledged}, in the database ${tally.inDatabase}: with the setup they were hit with ${tally.right}, elsewhere and flagged ${tally.flagged}, elsewhere in silence ${tally.wrong}`,
);
console.log(
    `doubled ${tally.doubled}, acknowledged and lost ${tally.lost}, held ${tally.held}; of bin/monitor in the database ${tally.byProcess}, acknowledged and lost ${tally.lostByProcess}; seen on screens ${seen}`,
);
const minutes = [];
for (const [when, ms] of posts) (minutes[Math.floor(when / 60000)] ??= []).push(ms);
console.log(`post p95 minute by minute: ${minutes.map((m) => at(m, 0.95).toFixed(0)).join(' ')} ms`);
posts.splice(0, posts.length, ...posts.map((p) => p[1]));
console.log(`post            p50 ${at(posts, 0.5).toFixed(0)} ms   p95 ${at(posts, 0.95).toFixed(0)} ms   (target p95 under 25)`);
const refused = places.reduce((n, p) => n + (p.refused ?? 0), 0);
console.log(`last shot to its judgement  p50 ${at(judged, 0.5)} ms   p95 ${at(judged, 0.95)} ms   most ${at(judged, 1)} ms, of ${judged.length} (targets with 8 bays 2000 and 4000, with 50 bays 30000); judge refused ${refused}`);
console.log(`post to screen  p50 ${at(screens, 0.5)} ms   p95 ${at(screens, 0.95)} ms   (target p95 under 500)`);
agent.destroy();
process.exit(acknowledged === sent && tally.inDatabase === sent && tally.wrong + tally.doubled + tally.lost + tally.lostByProcess === 0 ? 0 : 1);
