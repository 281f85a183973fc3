<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Judging\FindingKind;
use MintCarry\Core\Judging\GuardRailKind;
use MintCarry\Core\Report\Sentences;

// The message catalogue is read by PHP and TypeScript; tests/web/verdicts.test.ts holds the front end to the same sentences
// (tests/fixtures/sentences.json).

const PLAYERS_OF_BOTH_KINDS = [
    ['right', ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in']],
    ['left', ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm']],
];

/** @return array<string, string> */
function catalogue(): array
{
    return json_decode((string) file_get_contents(dirname(__DIR__, 2).'/resources/messages/en.json'), true, flags: JSON_THROW_ON_ERROR);
}

/** @param  array<string, string>  $units */
function sentences(string $hand, array $units): Sentences
{
    return new Sentences(catalogue(), Hand::from($hand), $units);
}

/** Figures that each kind is told with, in both directions. @return list<array<string, mixed>> */
function figuresOfKinds(): array
{
    $shape = ['curveM' => -20.2, 'startM' => 8.4, 'sideM' => -11.8, 'start' => 'push', 'curve' => 'hook'];

    return [
        'usualMiss' => [
            ['miss' => 'left', 'missShare' => 0.204], ['miss' => 'right', 'missShare' => 0.31],
            ['miss' => 'twoway', 'leftShare' => 0.204, 'rightShare' => 0.238],
            ['miss' => 'low', 'apexM' => 21.3, 'wantedM' => 30.1], ['miss' => 'high', 'apexM' => 41.3, 'wantedM' => 30.1],
            ['miss' => 'heel', 'strike' => 'seen', 'toeMm' => -9.2], ['miss' => 'heel', 'strike' => 'none', 'toeMm' => 0.0],
            ['miss' => 'toe', 'strike' => 'seen', 'toeMm' => 9.2],
        ],
        'offCgLine' => [
            ['toeMm' => -11.2, 'highMm' => 1.0, 'costM' => 6.1], ['toeMm' => 12.0, 'highMm' => -6.4, 'costM' => 0.2],
            ['toeMm' => 1.0, 'highMm' => 8.0, 'costM' => 3.0],
        ],
        'smashLow' => [['smash' => 1.412, 'expectedSmash' => 1.463]],
        'attackDown' => [['attackDeg' => -4.03, 'costM' => 5.2], ['attackDeg' => -2.0, 'costM' => 0.1]],
        'faceToPath' => [
            ['faceToPathDeg' => 4.2, 'sideM' => 18.0, 'faceFrom' => 'measured'],
            ['faceToPathDeg' => -3.1, 'sideM' => -9.7, 'faceFrom' => 'estimated'],
        ],
        'spinTooHigh' => [
            [
                'spinRpm' => 3312.4, 'launchDeg' => 14.2, 'bestSpinRpm' => 2371.0, 'bestLaunchDeg' => 13.04,
                'loftChangeDeg' => -1.6, 'costM' => 6.2,
            ],
        ],
        'spinTooLow' => [
            [
                'spinRpm' => 1712.4, 'launchDeg' => 9.9, 'bestSpinRpm' => 2226.0, 'bestLaunchDeg' => 12.5, 'loftChangeDeg' => 2.06,
                'costM' => 0.4,
            ],
        ],
        'descentTooSteep' => [['descentDeg' => 47.6]],
        'descentTooShallow' => [['descentDeg' => 28.4]],
        'twoWayMiss' => [['leftShare' => 0.204, 'rightShare' => 0.238, 'spreadM' => 20.0]],
        'hiddenCurve' => [$shape, ['start' => 'straight', 'curve' => 'fade'] + $shape],
        'startsThere' => [$shape, ['start' => 'pull', 'curve' => 'straight', 'sideM' => 7.5] + $shape],
        'curvesThere' => [$shape, ['start' => 'straight', 'curve' => 'straight'] + $shape],
        'drawsToHeel' => [['shiftMm' => -9.2, 'heavierPoints' => 4.0], ['shiftMm' => -5.5, 'heavierPoints' => 0.4]],
        'drawsToToe' => [['shiftMm' => 6.0, 'heavierPoints' => -3.0]],
        'fewShots' => [['n' => 1.0], ['n' => 4.0]],
        'printedLoft' => [[]],
        'twoChanges' => [['changed' => ['shaft', 'length']], ['changed' => ['head', 'ball', 'tee']]],
        'otherBall' => [[]],
        'notTheirBall' => [['ball' => 'Peewit Two', 'theirs' => 'Peewit One']],
        'rangeBall' => [['ball' => 'range ball']],
        'windTakenOut' => [
            ['n' => 6.0, 'windMps' => 5.2, 'carryM' => 9.1, 'moved' => 'yes'], ['n' => 1.0, 'windMps' => 2.0, 'carryM' => 0.0,
                'moved' => 'no'],
            ['n' => 6.0, 'windMps' => 5.2, 'carryM' => -7.4, 'moved' => 'yes'],
        ],
        'windLeftIn' => [['n' => 3.0]],
        'otherTee' => [[]],
        'otherVisit' => [[]],
        'otherConditions' => [['what' => 'air: 4']],
        'playerCompensating' => [['expectedDeg' => 1.4, 'seenDeg' => -2.2]],
        'labelAndDataDisagree' => [['expectedDeg' => 1.0, 'seenDeg' => -0.8], ['expectedDeg' => -1.0, 'seenDeg' => 1.3]],
        'speedFalling' => [['speedMps' => -1.12]],
        'speedRising' => [['speedMps' => 0.97]],
        'mixedSpeeds' => [['groups' => ['5 smooth', '4 full out'], 'apartMps' => 4.4], ['groups' => ['3 slower', '3 normal',
            '2 full out'], 'apartMps' => 6.0]],
        'monitorDisagrees' => [
            ['monitor' => 'Bay 2', 'visit' => '3', 'n' => 12.0, 'carryShare' => 0.052],
            ['monitor' => 'none', 'visit' => 'none', 'n' => 4.0, 'carryShare' => -0.041],
        ],
        'toldOff' => [['n' => 6.0, 'carryShare' => -0.09]], 'notMeasured' => [['what' => 'spin rate']], 'carryOff' => [['n' => 1.0], ['n' => 5.0]],
    ];
}

/** @return list<array<string, mixed>|null> setups that give a loft, as `SetupForLoft` tells them */
function givingLoft(): array
{
    $one = [
        'head' => 'Tern 460', 'sleeve' => '+0.75', 'rackAt' => 0, 'loftDeg' => 0.82, 'sdDeg' => 0.5, 'sameHead' => true,
        'statedLoftDeg' => 10.5,
        'readLoftDeg' => 11.2, 'inStock' => true, 'toOrder' => false, 'leadDays' => 12, 'price' => 540.0, 'currency' => 'EUR',
    ];

    return [
        $one, ['head' => 'Tern 460 in 9°', 'loftDeg' => -1.4, 'sdDeg' => 1.2, 'toOrder' => true, 'sleeve' => ''] + $one,
        ['head' => 'Tern 460 in 9°', 'loftDeg' => -1.4, 'toOrder' => true, 'leadDays' => null] + $one, null,
    ];
}

/** @return array<string, list<array<string, mixed>>> what both sides have to say */
function spoken(): array
{
    $out = ['findings' => [], 'guardRails' => [], 'verdicts' => [], 'next' => []];
    foreach (PLAYERS_OF_BOTH_KINDS as [$hand, $units]) {
        $s = sentences($hand, $units);
        foreach (figuresOfKinds() as $kind => $all) {
            foreach ($all as $figures) {
                if (FindingKind::tryFrom($kind) !== null) {
                    $finding = ['tag' => 'B', 'kind' => $kind, 'figures' => $figures + ($kind === 'usualMiss' ? ['tag' => 'B'] : []),
                        'forCoach' => false];
                    $out['findings'][] = ['finding' => $finding, 'hand' => $hand, 'units' => $units, 'says' => $s->finding($finding)];
                    foreach (isset($figures['loftChangeDeg']) ? givingLoft() : [] as $gives) {
                        $asked = $finding + ['gives' => $gives];
                        $out['findings'][] = ['finding' => $asked, 'hand' => $hand, 'units' => $units, 'says' => $s->finding($asked)];
                    }
                } else {
                    $rail = ['tag' => str_starts_with($kind, 'speed') ? '' : 'B', 'kind' => $kind, 'figures' => $figures];
                    $out['guardRails'][] = ['rail' => $rail, 'hand' => $hand, 'units' => $units, 'says' => $s->guardRail($rail)];
                }
            }
        }
        foreach (
            [
                ['better', null, 'longer', 'carryM', 6.3], ['worse', null, 'straighter', 'sideM', 4.0],
                ['same', null, 'longer', 'carryM', -0.3], ['open', 4, 'longer', 'carryM', 2.2],
                ['open', null, 'less spin', 'spinRpm', -101.0], ['better', null, 'faster ball', 'ballSpeedMps', 0.84],
                ['worse', null, 'tighter', 'sideM', 1.42],
            ] as [$verdict, $more, $name, $measure, $value]
        ) {
            $one = [
                'name' => $name, 'measure' => $measure, 'verdict' => $verdict, 'value' => $value,
                'interval' => ['low' => $value - 1.5, 'high' => $value + 1.5], 'declared' => true, 'moreShots' => $more,
            ];
            $setup = ['tag' => 'B', 'n' => 6, 'verdicts' => [$one]];
            $out['verdicts'][] = ['setup' => $setup, 'benchmark' => 'A', 'units' => $units, 'says' => $s->verdict($setup, 'A')];
        }
        $none = ['tag' => 'C', 'n' => 1, 'verdicts' => []];
        $out['verdicts'][] = ['setup' => $none, 'benchmark' => 'A', 'units' => $units, 'says' => $s->verdict($none, 'A')];
        foreach ([['+1.5', '12 g back'], ['', '']] as [$sleeve, $weights]) {
            $effect = fn (float $v, float $by): array => ['value' => $v, 'low' => $v - $by, 'high' => $v + $by];
            $next = [
                'head' => 'Tern 460', 'sleeve' => $sleeve, 'weights' => $weights, 'mends' => 'spinTooLow',
                'effect' => [
                    'launchDeg' => $effect(1.1, 0.6), 'spinRpm' => $effect(182.0, 90.0), 'carryM' => $effect(3.4, 4.1),
                    'sideM' => $effect(-0.2, 2.0),
                ],
            ];
            $out['next'][] = ['next' => $next, 'units' => $units, 'says' => $s->next($next)];
        }
    }

    return $out;
}

it('has a sentence for every finding and guard rail that there is, and what was done about each rail', function (): void {
    $kinds = array_keys(figuresOfKinds());
    foreach ([...FindingKind::cases(), ...GuardRailKind::cases()] as $kind) {
        expect($kinds)->toContain($kind->value);
    }
    foreach (GuardRailKind::cases() as $kind) {
        expect(sentences('right', PLAYERS_OF_BOTH_KINDS[0][1])->say("guardRail.{$kind->value}.done"))->not->toBe('');
    }
    foreach (spoken() as $all) {
        foreach (array_column($all, 'says') as $says) {
            // No hole where a figure or a word was missing.
            expect($says)->not->toContain('{')->not->toContain('  ')->not->toMatch('/\b(none|undefined|plus|minus|yes)\b/');
        }
    }
});

it('says things as a fitter would', function (): void {
    [$right, $left] = array_map(fn (array $p): Sentences => sentences(...$p), PLAYERS_OF_BOTH_KINDS);
    $toPath = ['kind' => 'faceToPath', 'figures' => ['faceToPathDeg' => 4.2, 'sideM' => 18.0, 'faceFrom' => 'measured']];
    expect($right->finding($toPath))->toBe('The face is 4.2° open to the path: it moves the landing 20 yd to the right.')
        ->and($left->finding($toPath))->toBe('The face is 4.2° closed to the path: it moves the landing 18 m to the right.')
        ->and($right->finding(['kind' => 'offCgLine', 'figures' => ['toeMm' => -11.0, 'highMm' => 1.0, 'costM' => 6.0]]))
        ->toBe('The strike is 11 mm to the heel from the line of the CG, worth about 7 yd of carry.')
        ->and($left->guardRail(['tag' => '', 'kind' => 'speedFalling', 'figures' => ['speedMps' => -1.0]]))
        ->toBe(
            'speed falling by 3.6 km/h from the first half to the second — like for like takes speed out; go back to the '
                .'benchmark before deciding.',
        )
        ->and($right->verdict(['tag' => 'B', 'n' => 1, 'verdicts' => []], 'A'))
        ->toBe('1 shot of B: hit at least three of each before anything can be said.');
});

it('says what the front end is held to', function (): void {
    $file = dirname(__DIR__).'/fixtures/sentences.json';
    $now =
        json_encode(
            spoken(),
            JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        )."\n";
    if (getenv('WRITE_SENTENCES') !== false) {
        file_put_contents($file, $now);
    }
    expect($now)->toBe((string) file_get_contents($file));
});

it('fails loudly for a message that there is not', function (): void {
    sentences('right', PLAYERS_OF_BOTH_KINDS[0][1])->say('finding.nothing');
})->throws(LogicException::class, "no message 'finding.nothing'");
