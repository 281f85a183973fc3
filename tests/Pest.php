<?php

declare(strict_types=1);

use MintCarry\Cli\Program;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\RackedHead;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Club\WeightSlot;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Record\SetupRecord;
use MintCarry\Core\Record\ShotRecord;
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
    $process = proc_open(
        'exec '.escapeshellarg(dirname(__DIR__).'/bin/mint').' '.$arguments, [$stdin, ['pipe', 'w'], ['pipe', 'w']], $pipes,
    );
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

/** @return array<string, mixed> a small whole fitting: own club only described, two setups from a head on the rack */
function fittingFile(array $more = []): array
{
    $shot = fn (string $tag, int $i, float $mps, float $launch): array => [
        'setup' => $tag, 'sequence' => $i, 'trial' => $tag === 'A' ? 1 : 2,
        'measured' => [
            'ballSpeedMps' => $mps + 0.4 * ($i % 3), 'launchDeg' => $launch + 0.5 * ($i % 4), 'spinRpm' => 2400 + 90 * ($i % 5),
            'directionDeg' => 1.5 * ($i % 3) - 1.5, 'spinAxisDeg' => 2.0 * ($i % 4) - 3.0,
        ],
    ];

    return $more + [
        'format' => FittingFile::FORMAT,
        'seed' => 41,
        'player' => [
            'name' => 'Someone', 'hand' => 'right',
            'units' => ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
        ],
        'brief' => ['holeLengthM' => 360, 'corridor' => ['widthM' => 28, 'left' => ['kind' => 'water', 'atM' => 20]]],
        'benchmark' => 'A',
        'rack' => [
            'sleeves' => [
                [
                    'name' => 'Turn', 'kind' => 'single', 'tiltDeg' => 1.0, 'home' => 'N',
                    'positions' => [['label' => 'N', 'clockDeg' => 0], ['label' => 'F', 'clockDeg' => 180]],
                ],
            ],
            'heads' => [
                [
                    'label' => 'Tern 460', 'hand' => 'right', 'sleeve' => 'Turn', 'statedLoftDeg' => 10.5, 'cgBackMm' => 34,
                    'slots' => [['name' => 'back', 'toeMm' => 0, 'backMm' => 100, 'upMm' => -12, 'fromG' => 2, 'toG' => 20]],
                    'stockG' => [8, 10, 12], 'standard' => ['back' => 10], 'supply' => ['price' => 300, 'currency' => 'EUR'],
                    'readings' => [['values' => ['loftDeg' => [10.9, 11.1]], 'position' => 'N', 'readAs' => 'soled']],
                ],
            ],
        ],
        'setups' => [
            [
                'tag' => 'A', 'head' => 'Old one', 'statedLoftDeg' => 9.5, 'measuredLoftDeg' => 10.1, 'shaft' => 'Reedline 55 R',
                'lengthMm' => 1150,
            ],
            [
                'tag' => 'B', 'head' => 'Tern 460', 'onRack' => true, 'statedLoftDeg' => 10.5, 'sleeveLabel' => 'F',
                'branchedFrom' => 'A',
            ],
        ],
        'trials' => [['number' => 1, 'setup' => 'A'], ['number' => 2, 'setup' => 'B']],
        'shots' => [
            ...array_map(fn (int $i): array => $shot('A', $i, 63.0, 10.5), range(1, 5)),
            ...array_map(fn (int $i): array => $shot('B', $i + 5, 64.0, 12.0), range(1, 6)),
            [
                'setup' => 'B', 'sequence' => 12, 'measured' => ['ballSpeedMps' => 50, 'launchDeg' => 4, 'spinRpm' => 5000],
                'leftOut' => 'mishit',
            ],
        ],
        'ratings' => [
            ['trial' => 2, 'setup' => 'B', 'kind' => 'confidence', 'stars' => 4],
            ['trial' => 2, 'setup' => 'B', 'kind' => 'looks', 'stars' => 1],
        ],
    ];
}

/** @return array{int, string, string} exit code, out, error */
function mintRun(array $arguments, string $in = ''): array
{
    [$i, $o, $e] = array_map(fn () => fopen('php://temp', 'r+'), range(0, 2));
    fwrite($i, $in);
    rewind($i);
    $code = (new Program($i, $o, $e))->run($arguments);

    return [$code, (string) stream_get_contents($o, offset: 0), (string) stream_get_contents($e, offset: 0)];
}

/**
 * The body with each of its values in turn replaced or gone.
 *
 * @param  array<mixed>  $body
 * @return Generator<string, array<mixed>>
 */
function mangled(array $body): Generator
{
    $absurd = [
        'null' => null, 'true' => true, 'an empty word' => '', 'markup' => '<b onload=x>', 'an empty list' => [],
        'a list in a list' => [['x' => [1]]], 'minus one' => -1, 'endless' => 1e308, 'no number' => 'NaN',
        'four hundred nines' => str_repeat('9', 400), 'a zero byte' => "a\0b", 'broken letters' => "\u{FFFE}\u{202E}٣",
    ];
    $walk = function (array $at, array $path) use (&$walk): Generator {
        foreach ($at as $key => $value) {
            yield [...$path, $key];
            if (is_array($value)) {
                yield from $walk($value, [...$path, $key]);
            }
        }
    };
    foreach ($walk($body, []) as $path) {
        $last = array_pop($path);
        $change = function (callable $how) use ($body, $path, $last): array {
            $copy = $body;
            $at = &$copy;
            foreach ($path as $key) {
                $at = &$at[$key];
            }
            $how($at, $last);

            return $copy;
        };
        $name = implode('.', [...$path, $last]);
        yield "{$name} gone" => $change(function (array &$at, int|string $key): void {
            unset($at[$key]);
        });
        foreach ($absurd as $what => $value) {
            yield "{$name} is {$what}" => $change(function (array &$at, int|string $key) use ($value): void {
                $at[$key] = $value;
            });
        }
    }
}

/** Two heads on the rack; the second stands 1.5° stronger in loft and costs money. */
function twoHeads(Hand $hand = Hand::Right): array
{
    $make = fn (string $label, float $loft, array $supply): RackedHead => new RackedHead(
        $label, $hand, ($stated = new HeadReading($loft, 58.0, 0.0)),
        SleeveSystem::fromArray(
            [
                'name' => 'Turn', 'kind' => 'single', 'tiltDeg' => 1.0, 'home' => 'N',
                'positions' => [
                    ['label' => 'N', 'clockDeg' => 0], ['label' => 'F', 'clockDeg' => 180], ['label' => 'T', 'clockDeg' => 90],
                ],
            ],
            $stated,
        ),
        cgBackMm: 34.0,
        slots: [new WeightSlot('heel', -36, 70, -13, 2, 14, false), new WeightSlot('toe', 38, 70, -13, 2, 14, false)],
        stockG: [4.0, 10.0, 4.0, 10.0], standard: ['heel' => 4.0, 'toe' => 10.0], supply: $supply,
    );

    return [$make('Own head', 10.5, []), $make('New head', 9.0, ['price' => 400.0, 'currency' => 'EUR'])];
}
/** A shot by ball data, mirrored for a left-hander. */
function ballShot(int $i, float $mps, float $launch, float $direction, Hand $hand = Hand::Right): LaunchShot
{
    $s = $hand->sign();

    return LaunchShot::of(
        [
            'ballSpeedMps' => $mps + 0.5 * (($i % 3) - 1), 'launchDeg' => $launch + 0.7 * (($i % 4) - 1.5),
            'spinRpm' => 2500 + 120.0 * (($i % 5) - 2), 'directionDeg' => $s * ($direction + 1.6 * (($i % 4) - 1.5)),
            'spinAxisDeg' => $s * (2.0 * (($i % 3) - 1)), 'clubSpeedMps' => $mps / 1.46,
        ],
        new BallFlight(),
    );
}
/** @param  array<string, array{float, float, float, int}>  $hits  ball speed, launch, direction and shots by tag */
function caseOf(array $hits, ?Brief $brief = null, Hand $hand = Hand::Right, array $confidence = []): FittingRecord
{
    [$own, $new] = twoHeads($hand);
    $setups = [
        'A' => new SetupRecord('A', 'Own head', $own, $own->sleeve, 'N', $own->standard, $own->sayWeights($own->standard)),
        'B' => new SetupRecord('B', 'Own head', $own, $own->sleeve, 'F', $own->standard, $own->sayWeights($own->standard)),
        'C' => new SetupRecord('C', 'New head', $new, $new->sleeve, 'N', $new->standard, $new->sayWeights($new->standard)),
    ];
    $sequence = 0;
    $shots = [];
    foreach ($setups as $tag => $_) {
        [$mps, $launch, $direction, $n] = $hits[$tag] ?? [0, 0, 0, 0];
        $shots[$tag] = $n === 0 ? [] : array_map(function (int $i) use ($mps, $launch, $direction, $hand, &$sequence): ShotRecord {
            return new ShotRecord(ballShot($i, $mps, $launch, $direction, $hand), ++$sequence);
        }, range(1, $n));
    }

    return new FittingRecord(
        7, $hand, $brief ?? new Brief(), Screening::named('flagged'), new BallFlight(), $setups, $shots, 'A', [$own, $new], 'A',
        $confidence,
    );
}
