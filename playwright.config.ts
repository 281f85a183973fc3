import { defineConfig } from '@playwright/test';
import { browser } from './bin/parts/browser.mjs';
import { address, addresses } from './tests/browser/served';

export default defineConfig({
    testDir: 'tests/browser',
    fullyParallel: false,
    // Each against an application of its own.
    workers: addresses.length,
    timeout: 300_000,
    forbidOnly: true,
    // What passes only at the second try is a fault to be found.
    retries: 0,
    reporter: [['list'], ['junit', { outputFile: process.env.PLAYWRIGHT_JUNIT_OUTPUT_FILE ?? 'var/reports/browser.xml' }]],
    outputDir: 'var/browser',
    // Speed is for bin/bench; a slow machine is not a failed test. A condition that holds ends the wait at once.
    expect: { timeout: 60_000 },
    use: {
        baseURL: address(),
        viewport: { width: 1280, height: 800 },
        screenshot: 'only-on-failure',
        contextOptions: { reducedMotion: 'reduce' },
        launchOptions: browser,
    },
});
