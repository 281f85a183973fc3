<?php

declare(strict_types=1);

use MintCarry\Core\Intake\Earlier;
use MintCarry\Core\Intake\Placement;
use MintCarry\Core\Intake\PostedShot;
use MintCarry\Core\Intake\RecentShot;
use MintCarry\Core\Intake\SenderClock;
use MintCarry\Core\Intake\SenderOrder;
use MintCarry\Core\Intake\Trial;

// When a posted shot is a repeat, and which trial it was hit in.

it('knows a repeat within the session that is named, and within an hour where none is', function (
    ?string $was, ?string $is, float $after, bool $repeat,
): void {
    expect(
        (new Earlier('stored', 1, null, $was, 1000.0))->isRepeatedBy(
            PostedShot::read(json_encode(array_filter(['id' => 'a', 'session' => $is]) + ['values' => []])), 1000.0 + $after,
        ),
    )->toBe($repeat);
})->with([
    'at once' => [null, null, 1, true], 'just within the hour' => [null, null, 3599, true],
    'an hour later' => [null, null, 3600, false], 'the next day' => [null, null, 86400, false],
    'after our clock was set back' => [null, null, -86400, true], 'named, a week later' => ['s', 's', 604800, true],
    'another session' => ['s', 't', 1, false], 'named now' => [null, 's', 1, false], 'no longer named' => ['s', null, 1, false],
]);

/** @return list<RecentShot> newest first */
function came(array ...$shots): array
{
    return array_reverse(
        array_map(
            fn (array $s): RecentShot => new RecentShot(
                $s['run'] ?? 1, $s['n'] ?? null, $s['hit'] ?? null, (float) $s['came'], $s['trial'] ?? 1,
            ),
            $shots,
        ),
    );
}

it('learns the lag of a clock from shots that agree, not from one', function (array $shots, ?float $lag, ?float $least = null): void {
    expect(SenderClock::lagS(came(...$shots)))->toBe([$lag, $least]);
})->with([
    'none' => [[], null],
    'one' => [[['hit' => 10.0, 'came' => 70]], null],
    'two that agree' => [[['hit' => 10.0, 'came' => 70], ['hit' => 40.0, 'came' => 101]], 60.0],
    'two that do not' => [[['hit' => 10.0, 'came' => 70], ['hit' => 40.0, 'came' => 160]], null],
    'one kept back among four' => [
        [
            ['hit' => 10.0, 'came' => 70], ['hit' => 40.0, 'came' => 100], ['hit' => 60.0, 'came' => 170],
            ['hit' => 120.0, 'came' => 181],
        ],
        60.0,
    ],
    'a queue that came all at once' => [
        [
            ['hit' => 10.0, 'came' => 10], ['hit' => 20.0, 'came' => 20], ['hit' => 30.0, 'came' => 90],
            ['hit' => 50.0, 'came' => 90], ['hit' => 70.0, 'came' => 90],
        ],
        0.0,
    ],
    'two kept back together, hit together' => [
        [['hit' => 10.0, 'came' => 10], ['hit' => 20.0, 'came' => 20], ['hit' => 30.0, 'came' => 90], ['hit' => 31.0, 'came' => 90]],
        0.0,
    ],
    'a clock that was set' => [
        [
            ['hit' => 10.0, 'came' => 10], ['hit' => 20.0, 'came' => 20], ['hit' => -570.0, 'came' => 30],
            ['hit' => -540.0, 'came' => 60], ['hit' => -510.0, 'came' => 90],
        ],
        600.0,
    ],
    'a clock that was set ahead' => [
        [['hit' => 10.0, 'came' => 10], ['hit' => 20.0, 'came' => 20], ['hit' => 630.0, 'came' => 30], ['hit' => 660.0, 'came' => 60]],
        -600.0,
    ],
    'two kept back equally long' => [
        [['hit' => 10.0, 'came' => 10], ['hit' => 20.0, 'came' => 20], ['hit' => 50.0, 'came' => 95], ['hit' => 130.0, 'came' => 175]],
        0.0,
    ],
    'one alone speaks for less' => [
        [['hit' => 10.0, 'came' => 10], ['hit' => 50.0, 'came' => 95], ['hit' => 130.0, 'came' => 175]], 45.0, 0.0,
    ],
    'set twice: what was before the first is forgotten' => [
        [
            ['hit' => 10.0, 'came' => 10], ['hit' => 20.0, 'came' => 20], ['hit' => 30.0, 'came' => 1530],
            ['hit' => 40.0, 'came' => 1540], ['hit' => 50.0, 'came' => 1550], ['hit' => 60.0, 'came' => 360],
        ],
        1500.0,
    ],
    'one absurd time' => [
        [['hit' => 10.0, 'came' => 10], ['hit' => 4e9, 'came' => 15], ['hit' => 20.0, 'came' => 20], ['hit' => -9e9, 'came' => 25]],
        0.0,
    ],
    'shots without a time' => [[['came' => 10], ['hit' => 20.0, 'came' => 20], ['came' => 25]], null],
]);

it('reads a moment only in ISO 8601 with its zone', function (string $text, ?float $seconds): void {
    expect(SenderClock::seconds($text))->toBe($seconds);
})->with([
    ['1970-01-01T00:01:00Z', 60.0], ['1970-01-01T01:01:00.25+01:00', 60.25], ['1970-01-01T00:01:00', null], ['10:42', null],
    ['2026-13-45T99:99:99Z', null], ['', null],
]);

/** @return array{int|null, string|null, int} the earlier trial, the remark, the run */
function placed(array $shot, array $recent, float $now, ?Trial $running = new Trial(2, 2, 1, 100.0)): array
{
    $iso = fn (float $s): string => gmdate('Y-m-d\TH:i:s\Z', (int) $s);
    $posted = PostedShot::read(
        json_encode(
            ['id' => 'x', 'values' => []] +
                array_filter(
                    [
                        'sequence' => $shot['n'] ?? null, 'at' => isset($shot['hit']) ? $iso($shot['hit']) : null,
                        'sentAt' => isset($shot['sent']) ? $iso($shot['sent']) : null,
                    ],
                    fn ($v): bool => $v !== null,
                ),
        ),
    );
    $place = Placement::of(
        $posted, $recent, $now, $running, fn (float $hit): ?Trial => $hit >= 0 && $hit <= 90 ? new Trial(1, 1, 1, 0.0) : null,
    );

    return [$place->earlier?->id, $place->remark, $place->run];
}

it('lays a shot to the trial that runs unless a clock that is known says an earlier one', function (
    array $shot, array $recent, float $now, ?int $trial, ?string $remark,
): void {
    [$earlier, $says] = placed($shot, came(...$recent), $now);
    expect($earlier)->toBe($trial);
    $remark === null ? expect($says)->toBeNull() : expect($says)->toContain($remark);
})->with(function (): array {
    $known = [['hit' => 10.0, 'came' => 10, 'n' => 1], ['hit' => 40.0, 'came' => 40, 'n' => 2]];
    $after = [...$known, ['hit' => 115.0, 'came' => 115, 'n' => 3, 'trial' => 2]];

    return [
        'on time' => [['hit' => 120.0], $known, 120, null, null],
        'as the trial began' => [['hit' => 99.0], $known, 103, null, 'within a moment of the change'],
        'soon after it began' => [['hit' => 102.0], $known, 103, null, null],
        'late within the trial' => [['hit' => 105.0], $known, 160, null, null],
        'kept back, the line was empty since' => [['hit' => 70.0], $known, 120, 1, 'Came late: put with trial 1'],
        'kept back, though the line was up since: out of order, or the clock was set' => [
            ['hit' => 70.0], $after, 130, null, '60 s before it came, in trial 1',
        ],
        'and the count says so too' => [
            ['hit' => 70.0, 'n' => 3], [...$known, ['hit' => 115.0, 'came' => 115, 'n' => 4, 'trial' => 2]], 130, 1, 'Came late',
        ],
        'and the time of sending says so too' => [['hit' => 70.0, 'sent' => 130.0], $after, 130, 1, 'Came late'],
        'the time of sending alone' => [['hit' => 5070.0, 'sent' => 5130.0], [], 130, 1, 'Came late'],
        'the clock was set back by an hour' => [['hit' => 120.0 - 3600], $known, 120, null, '1 h before it came, before this trial began'],
        'and tells that it sent at once' => [['hit' => 120.0 - 3600, 'sent' => 120.0 - 3600], $known, 120, null, null],
        'ours was set ahead by six minutes' => [['hit' => 60.0], $known, 420, null, '6 min before it came, in trial 1'],
        'seven minutes late within the trial, by the lag alone' => [['hit' => 105.0], $known, 530, null, '7 min before it came'],
        'and by the time of sending, which says so itself' => [['hit' => 105.0, 'sent' => 515.0], [], 520, null, null],
        'sent as it was hit, by a clock that was set since' => [['hit' => 105.0, 'sent' => 106.0], $known, 520, null, null],
        'it waited by its time of sending, and by the lag it did not' => [['hit' => 400.0, 'sent' => 740.0], $known, 420, null, 'A clock was set'],
        'counted after one that came in this trial, whatever the clock says' => [['hit' => 9000.0, 'n' => 4], $after, 130, null, null],
        'counted after one that came together with it' => [
            ['hit' => 9000.0, 'n' => 4], [...$known, ['hit' => 128.0, 'came' => 129, 'n' => 3, 'trial' => 2]], 130, null, 'jumped ahead',
        ],
        'the clock jumped ahead' => [['hit' => 7320.0], $known, 120, null, 'jumped ahead by 2 h'],
        'hit between the trials' => [['hit' => 95.0], $known, 130, null, 'before this trial began'],
        'a clock that is not known yet' => [['hit' => 70.0], [['hit' => 10.0, 'came' => 10]], 120, null, null],
        'a count that comes late, no clock' => [
            ['n' => 3], [['n' => 2, 'came' => 40], ['n' => 4, 'came' => 50], ['n' => 5, 'came' => 110, 'trial' => 2]], 120, null,
            'By the monitor’s count, 3,',
        ],
        'a count that comes late within the trial' => [
            ['n' => 6], [['n' => 5, 'came' => 110, 'trial' => 2], ['n' => 7, 'came' => 115, 'trial' => 2]], 120, null, null,
        ],
        'a count that goes on from before it began anew' => [
            ['n' => 9],
            [
                ['n' => 8, 'came' => 50], ['n' => 1, 'came' => 105, 'trial' => 2, 'run' => 2],
                ['n' => 2, 'came' => 110, 'trial' => 2, 'run' => 2],
            ],
            120, null, 'goes on from before',
        ],
    ];
});

it('tells of shots without clock and count that came together, as long as none came alone since the change', function (): void {
    $placed = fn (array $recent, bool $isOneOfMany): ?string => Placement::of(
        PostedShot::read('{"id":"x","values":{}}'), $recent, 130.0, new Trial(2, 2, 1, 100.0), fn (): ?Trial => null, $isOneOfMany,
    )->remark;
    $before = ['came' => 60];
    expect($placed(came($before), true))->toContain('may belong to the setup before')
        // The next of the same lot, and one that came by itself.
        ->and($placed(came($before, ['came' => 129, 'trial' => 2]), true))->toContain('may belong to the setup before')
        ->and($placed(came($before), false))->toBeNull()
        // Whoever came alone in this trial came by a line that was up: what follows was hit since.
        ->and($placed(came($before, ['came' => 110, 'trial' => 2]), true))->toBeNull();
});

it('holds trials and clocks apart after our own clock was set back', function (): void {
    // The trial began at 100 by a clock that now says 20: nothing is late that comes at once.
    $recent = came(['hit' => 10.0, 'came' => 10], ['hit' => 40.0, 'came' => 40], ['hit' => 105.0, 'came' => 105, 'trial' => 2]);
    expect(placed(['hit' => 120.0], $recent, 20.0)[0])
        ->toBeNull()
        ->and(
            placed(
                ['hit' => 130.0],
                came(
                    ['hit' => 110.0, 'came' => 10, 'trial' => 2], ['hit' => 120.0, 'came' => 20, 'trial' => 2],
                    ['hit' => 60.0, 'came' => 60],
                ),
                30.0,
            ),
        )
        ->toBe([null, null, 1]);
});

it('counts a count that begins anew as a new run, in which the clock is learned anew', function (): void {
    $recent = came(['n' => 7, 'hit' => 10.0, 'came' => 10], ['n' => 8, 'hit' => 40.0, 'came' => 40]);
    expect(placed(['n' => 1, 'hit' => 70.0], $recent, 120))->toBe([null, null, 2])
        ->and(placed(['n' => 8, 'hit' => 70.0], $recent, 120)[2])->toBe(2)
        ->and(placed(['n' => 9, 'hit' => 110.0], $recent, 120)[2])->toBe(1)
        ->and(placed(['n' => 5, 'hit' => 110.0], $recent, 120)[2])->toBe(1)
        ->and(placed(['n' => 2], $recent, 120)[2])->toBe(2)
        // On the heels of the one before nothing was switched off and on: it is only out of order.
        ->and(placed(['n' => 1], $recent, 45)[2])->toBe(1)
        ->and(placed(['n' => 7], $recent, 45)[2])->toBe(2);
});

it('says nothing of what there is no other place for', function (): void {
    $first = new Trial(1, 1, 1, 0.0);
    expect(
        placed(
            ['hit' => 99999.0, 'n' => 1], came(['hit' => 10.0, 'came' => 10, 'n' => 5], ['hit' => 20.0, 'came' => 20, 'n' => 6]),
            50.0, $first,
        ),
    )
        ->toBe([null, null, 2])
        // Shots of another fitting came just before: there is one.
        ->and(
            placed(
                ['hit' => 60.0], came(['hit' => 10.0, 'came' => 10, 'trial' => 7], ['hit' => 20.0, 'came' => 20, 'trial' => 7]),
                130.0, new Trial(9, 1, 2, 100.0),
            )[0],
        )
        ->toBe(1);
});

it('orders the shots of one run by its count, in the places that the run has', function (): void {
    expect(SenderOrder::of([['s/1', 3], ['s/1', 1], ['s/1', 2]]))->toBe([1, 2, 0])
        // A count that began anew comes after, whatever it counts; a shot without a count keeps its place.
        ->and(SenderOrder::of([['s/1', 7], [null, null], ['s/2', 1], ['s/1', 6], ['s/2', 2]]))->toBe([3, 1, 2, 0, 4])
        ->and(SenderOrder::of([['s/1', 5], ['s/1', 5]]))->toBe([0, 1])
        ->and(SenderOrder::of([]))->toBe([]);
});
