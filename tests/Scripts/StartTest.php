<?php

declare(strict_types=1);

// The commands in bin/ as a newcomer meets them when something is wrong. None of these starts or stops anything.

/** @return array{int, string} exit code and all that was said */
function command(string $line): array
{
    exec('cd '.escapeshellarg(dirname(__DIR__, 2)).' && '.$line.' 2>&1', $out, $code);

    return [$code, implode("\n", $out)];
}

it('says how it is used', function (): void {
    [$code, $said] = command('bin/start --help');
    expect($code)->toBe(0)->and($said)->toContain('--port N')->toContain('--reset')->toContain('--detach');
});

it('refuses what it does not know or cannot use, by name', function (string $options, string $says): void {
    [$code, $said] = command("bin/start {$options}");
    expect($code)->toBe(1)->and($said)->toContain($says);
})->with([
    ['--prot 90', "'--prot' is not an option"],
    ['--port ninety', "'ninety' is not a port number"],
    ['--port 80', 'use one from 1024 to 65535'],
    ['--port 99999', 'use one from 1024 to 65535'],
    ['--port', '--port needs a number'],
]);

it('says what the picture script draws when asked for one it does not know', function (): void {
    [$code, $said] = command('bin/screenshots no-such-view');
    expect($code)->not->toBe(0)->and($said)->toContain('no-such-view');
});

it('has scripts that a shell can read', function (string $script): void {
    [$code, $said] = command("bash -n {$script}");
    expect([$code, $said])->toBe([0, '']);
})->with(['bin/start', 'bin/stop', 'bin/test', 'bin/screenshots', 'bin/bench', 'bin/mint', 'bin/parts/common.sh', '.ci/run']);

it('writes no local path, registry or tool into the repository', function (): void {
    [, $said] = command(
        "git grep -nIE '(/home/[a-z]|registry\\.npmjs|packagist\\.org|localhost:[0-9]{4})' -- ':!*.lock' ':!tests/Scripts' || true",
    );
    expect($said)->toBe('');
});

it('links every picture of the README, and shows no picture that nothing links', function (): void {
    $readme = (string) file_get_contents(dirname(__DIR__, 2).'/README.md');
    $pictures = array_map(basename(...), (array) glob(dirname(__DIR__, 2).'/docs/screenshots/*.png'));
    expect(count($pictures))->toBeLessThan(20);
    foreach ($pictures as $picture) {
        expect($readme)->toContain('docs/screenshots/'.$picture);
    }
    preg_match_all('~docs/screenshots/([\w-]+\.png)~', $readme, $linked);
    expect(array_diff($linked[1], $pictures))->toBe([]);
});

it('finds over and over with the just-in-time compiler on, as it is served', function (): void {
    // Only a process that ranks many setups again and again compiles these paths; a single answer never shows what that does to them.
    [$code, $said] = command('bin/bench finder');
    expect($code)->toBe(0)->and($said)->toContain('480 setups, full result')->not->toContain('Fatal error');
});
