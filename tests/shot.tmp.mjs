import { chromium } from '@playwright/test';
import { browser as launch } from '../bin/parts/browser.mjs'; const b = await chromium.launch(launch);
const p = await b.newPage({ viewport: { width: 1280, height: 800 } });
await p.goto('http://127.0.0.1:8080/');
await p.getByLabel('E-mail').fill('fitter@demo.example'); await p.getByLabel('Password').fill('minted-demo'); await p.getByRole('button', { name: 'Sign in' }).click();
await p.getByRole('heading', { name: 'Day book' }).waitFor();
for (const [i, path] of process.argv.slice(2).entries()) { await p.goto('http://127.0.0.1:8080/#/' + path); await p.waitForTimeout(6000); await p.screenshot({ path: `/tmp/shot${i}.png`, fullPage: true }); }
await b.close();
