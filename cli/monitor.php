<?php

declare(strict_types=1);

use MintCarry\Cli\Monitor;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Impact\HiddenPlayers;

require __DIR__.'/../vendor/autoload.php';

$options = getopt('', ['address:', 'bay:', 'token:', 'player:', 'seed:', 'count:', 'pace:', 'faults:', 'help'], $rest);
$unknown = array_slice($argv, $rest);
$text = static fn (string $name, string $default = ''): string => is_string($options[$name] ?? null) ? $options[$name] : $default;
$help =
    'bin/monitor --bay N --token TOKEN [--address URL] [--player '.
    implode('|', HiddenPlayers::NAMES).
    '] [--seed N] [--count N] [--pace SECONDS] [--faults '.
    implode(',', Monitor::FAULTS).
    "]\n".
    'A simulated launch monitor. The token is made on the bay screen, or taken from MINT_TOKEN. Hits with the setup that '
        ."is in the hand; ends after --count shots (20).\nWhat was not acknowledged when it was killed is sent by the next run "
        ."for the same bay and token.\n";
if (isset($options['help'])) {
    echo $help;
    exit(0);
}
try {
    if ($unknown !== []) {
        throw InvalidInput::of('option', "'{$unknown[0]}' is not an option of bin/monitor.");
    }
    foreach (
        ['bay' => FILTER_VALIDATE_INT, 'seed' => FILTER_VALIDATE_INT, 'count' => FILTER_VALIDATE_INT, 'pace' => FILTER_VALIDATE_FLOAT] as $name => $kind
    ) {
        if (isset($options[$name]) && (filter_var($text($name), $kind) === false || (float) $text($name) < 0)) {
            throw InvalidInput::of($name, "--{$name} needs a number.");
        }
    }
    $token = $text('token', (string) getenv('MINT_TOKEN'));
    if (! isset($options['bay']) || $token === '') {
        throw InvalidInput::of('bay', 'Say which bay and its token: --bay N --token TOKEN.');
    }
    $monitor = new Monitor(
        $text('address', 'http://127.0.0.1:8080'),
        (int) $text('bay'), $token, $text('player', 'steady'), (int) $text('seed', (string) random_int(1, 1 << 30)),
        array_values(array_filter(explode(',', $text('faults')))), __DIR__.'/../var/monitor',
    );
    $done = $monitor->run((int) $text('count', '20'), (float) $text('pace', '2'), function (string $line): void {
        echo $line, "\n";
    });
    echo "{$done['hit']} hit, {$done['stored']} stored, {$done['held']} held".
        ($done['refused'] > 0 ? ", {$done['refused']} refused" : '').
        "\n";
} catch (InvalidInput|UnreadableFile $e) {
    fwrite(STDERR, $e->getMessage()."\n".$help);
    exit(2);
}
