// How long it takes from a click on a step until its screen can be used, of a judged fitting of the demo: the median of five, in a browser. The
// screen of before is another step of the same fitting. node bin/parts/bench/views.mjs ADDRESS
import { chromium } from '@playwright/test';
import { browser as launch } from '../browser.mjs';

const address = process.argv[2];
const browser = await chromium.launch(launch);
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: 'reduce' })).newPage();
await page.goto(address);
await page.getByLabel('E-mail').fill('fitter@demo.example');
await page.getByLabel('Password').fill('minted-demo');
await page.getByRole('button', { name: 'Sign in' }).click();
await page.getByRole('heading', { name: 'Day book' }).waitFor();
const list = await (await page.request.get(`${address}/api/fittings?q=Imke`)).json();
const { id } = list.find((f) => f.player.name === 'Imke Dorsay');
/** What is there when a screen can be used. */
const VIEWS = {
    brief: '.says',
    bench: 'section dl',
    shots: 'main table tbody tr',
    bay: '.bottom',
    compare: 'main table tbody tr',
    finder: '.next',
    decide: '.verdict',
    sheet: 'article',
};
// In the page itself, so that no round trip to the browser is measured.
const time = (to, ready) =>
    page.evaluate(
        ([to, ready]) =>
            new Promise((done) => {
                const begun = performance.now();
                location.hash = to;
                const look = () => {
                    const is = document.querySelector(ready);
                    if (is && !document.querySelector('main [aria-busy=true]') && location.hash === to) done(performance.now() - begun);
                    else if (performance.now() - begun > 20_000) done(NaN);
                    else requestAnimationFrame(look);
                };
                requestAnimationFrame(look);
            }),
        [to, ready],
    );
for (const [view, ready] of Object.entries(VIEWS)) {
    const times = [];
    for (let i = 0; i < 6; i++) {
        await page.evaluate((hash) => (location.hash = hash), '#/calendar');
        await page.waitForSelector('main h1');
        await page.waitForTimeout(400);
        times.push(await time(`#/fitting/${id}/${view}`, ready));
    }
    // The first loads the view's script.
    const sorted = times.slice(1).sort((a, b) => a - b);
    console.log(`${view.padEnd(10)} ${sorted[2].toFixed(0).padStart(6)} ms   (limit 250; ${times.map((t) => t.toFixed(0)).join(' ')})`);
}
await browser.close();
