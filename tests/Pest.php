<?php

declare(strict_types=1);

use Tests\AppTestCase;

pest()->extend(AppTestCase::class)->in('App');

/**
 * bin/mint as a person runs it: a process of its own, JSON in, JSON out.
 *
 * @return array{int, string, string} exit code, standard output, standard error
 */
function mint(string $arguments, string $input): array
{
    $stdin = tmpfile();
    fwrite($stdin, $input);
    rewind($stdin);
    $process = proc_open('exec '.escapeshellarg(dirname(__DIR__).'/bin/mint').' '.$arguments, [$stdin, ['pipe', 'w'], ['pipe', 'w']], $pipes);
    $out = (string) stream_get_contents($pipes[1]);
    $error = (string) stream_get_contents($pipes[2]);

    return [proc_close($process), $out, $error];
}

/** @return array<string, mixed> */
function minted(string $arguments, string $input): array
{
    [$code, $out, $error] = mint($arguments, $input);
    expect($error)->toBe('')->and($code)->toBe(0);

    return json_decode($out, true, flags: JSON_THROW_ON_ERROR);
}
