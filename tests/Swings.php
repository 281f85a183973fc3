<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\SideEstimate;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Judging\Diagnosis;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\Finding;
use MintCarry\Core\Judging\GuardRail;
use MintCarry\Core\Launch\LaunchShot;
use Random\Engine\Mt19937;
use Random\Randomizer;

// What the shots say, why, and what to hit next. Shots here are made by the impact model from deliveries that the test names, so
// that what should be found is known.

function sameFlight(): BallFlight
{
    static $flight = null;

    return $flight ??= new BallFlight;
}
/** @param  array<string, mixed>  $more */
function specOf(string $tag, array $more = []): SetupSpec
{
    return new SetupSpec(
        ...$more + [
            'tag' => $tag, 'head' => 'Tern 460', 'body' => new Head, 'squaredLoftDeg' => 10.5, 'soledLoftDeg' => 10.5,
            'soledFaceOpenDeg' => 0.0,
        ],
    );
}
/**
 * Shots about a mean delivery (speed, attack, path, loft, face, toe, high), spread evenly so that the means are exactly those.
 *
 * @param  list<float>  $mean
 * @param  list<string>  $hide  fields that the monitor does not give
 */
function swings(array $mean, int $n = 6, Hand $hand = Hand::Right, array $hide = [], float $spread = 1.0, ?Head $head = null): array
{
    $shots = [];
    for ($i = 0; $i < $n; $i++) {
        $at = $n === 1 ? 0.0 : 2 * $i / ($n - 1) - 1;
        $turn = $n === 1 ? 0.0 : 2 * (($i + intdiv($n, 2)) % $n) / ($n - 1) - 1;
        $way = $hand === Hand::Right ? $spread : -$spread;
        [$speed, $attack, $path, $loft, $face, $toe, $high] = [
            $mean[0] + 0.5 * $spread * $at, $mean[1] + 0.6 * $spread * $turn, $mean[2] + 0.8 * $way * $at,
            $mean[3] + 0.7 * $spread * $turn, $mean[4] + 1.2 * $way * $at, $mean[5] + 3 * $spread * $turn,
            $mean[6] + 2 * $spread * $at,
        ];
        $ball = (new Impact($head ?? new Head, $hand))->strike(
            new Delivery($speed, $attack, $path, $loft, $face), new Strike($toe, $high),
        );
        $values = [
            'ballSpeedMps' => $ball->ballSpeedMps, 'launchDeg' => $ball->launchDeg, 'spinRpm' => $ball->spinRpm,
            'directionDeg' => $ball->directionDeg, 'spinAxisDeg' => $ball->spinAxisDeg, 'clubSpeedMps' => $speed,
            'attackDeg' => $attack, 'pathDeg' => $path, 'dynamicLoftDeg' => $loft, 'faceDeg' => $face, 'strikeToeMm' => $toe,
            'strikeHighMm' => $high,
        ];
        $shots[] = LaunchShot::of(array_diff_key($values, array_flip($hide)), sameFlight());
    }

    return $shots;
}
/** @param  list<float>  $mean */
function evidence(string $tag, array $mean, array $more = [], int $n = 6, array $hide = []): Evidence
{
    $spec = specOf($tag, $more);
    $found = Evidence::of($spec, new ShotSet($tag, swings($mean, $n, $spec->hand, $hide, 1.0, $spec->body)), sameFlight());

    return $found ?? throw new LogicException('no evidence');
}
const CLUB = ['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg', 'strikeToeMm', 'strikeHighMm'];
const USUAL = [45.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0];
function shareOf(ShotSet $set, float $widthM = 30.0): CorridorShare
{
    return CorridorShare::of(
        SideEstimate::of($set, SideEstimate::pooledSpread([$set])), new Corridor($widthM), new Randomizer(new Mt19937(4)),
    );
}
/** @return list<string> */
function kinds(array $findings): array
{
    return array_map(fn (Finding|GuardRail $f): string => $f->kind->value, $findings);
}
/** @return array<string, Finding> by kind */
function foundOf(Evidence $e, ?Evidence $benchmark = null): array
{
    $out = [];
    foreach (Diagnosis::of($e, shareOf($e->set), $benchmark) as $finding) {
        $out[$finding->kind->value] = $finding;
    }

    return $out;
}
