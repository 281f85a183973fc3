<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\OpenAir;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Judging\GuardRailKind;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\JudgingReport;

// Outdoors the wind and the air are typed, and taken out of what is compared. The wind's effect here is that of the flight model,
// which the checks of docs/physics.md hold to the trade's facts about wind.

const HIT_LIKE_THIS = ['ballSpeedMps' => 66.0, 'launchDeg' => 13.0, 'spinRpm' => 2500.0, 'directionDeg' => 1.0, 'spinAxisDeg' => 3.0];

/** @return array<string, float> what a faultless monitor shows of one launch in this wind and air */
function seenIn(OpenAir $openAir): array
{
    $f = (new BallFlight)->in($openAir)->fly(new Launch(66.0, 13.0, 2500.0, 1.0, 3.0));

    return HIT_LIKE_THIS + ['carryM' => $f->carryM, 'sideM' => $f->sideM, 'apexM' => $f->apexM, 'descentDeg' => $f->descentDeg];
}

it('takes wind and air out, so that a launch is the same shot whatever it blew', function (float $mps, float $from, float $celsius): void {
    $openAir = new OpenAir(new Wind($mps, $from), new Atmosphere($celsius, 300.0));
    $seen = seenIn($openAir);
    $shot = LaunchShot::of($seen, new BallFlight, $openAir);
    $still = LaunchShot::of(HIT_LIKE_THIS, new BallFlight);
    foreach ([Measure::Carry, Measure::Side, Measure::Apex, Measure::Descent, Measure::Total, Measure::Curve, Measure::TotalSide] as $m) {
        expect($shot->value($m))->toEqualWithDelta($still->value($m), 1e-6);
    }
    expect($shot->asSeen)->toBe(array_diff_key($seen, HIT_LIKE_THIS))
        ->and($shot->isWindLeftIn())->toBeFalse()
        ->and(array_filter($shot->issues(), fn ($i) => $i->field === 'carryM'))->toBe([]);
})->with([[5.0, 0.0, 18.0], [8.0, 180.0, 18.0], [6.0, 90.0, 18.0], [6.0, 270.0, 8.0], [0.0, 0.0, 35.0], [19.0, 45.0, 25.0]]);

it('keeps what a shot had of its own over the model, and says which wind it had', function (): void {
    $into = new OpenAir(new Wind(6.0, 0.0), new Atmosphere);
    $seen = seenIn($into);
    $seen['carryM'] += 4.0;
    $shot = LaunchShot::of($seen, new BallFlight, $into);
    expect($shot->value(Measure::Carry))->toEqualWithDelta(LaunchShot::of(HIT_LIKE_THIS, new BallFlight)->value(Measure::Carry) + 4.0, 1e-6)
        // Into the wind the ball fell short: what is compared is longer than what was seen.
        ->and($shot->value(Measure::Carry) - $shot->asSeen['carryM'])->toBeGreaterThan(10.0);
});

it('mirrors: the twin in the wind from the other side is the same shot on the other side', function (): void {
    $right = LaunchShot::of(seenIn($r = new OpenAir(new Wind(7.0, 60.0), new Atmosphere)), new BallFlight, $r);
    $left = new OpenAir(new Wind(7.0, 300.0), new Atmosphere);
    $twin = ['directionDeg' => -1.0, 'spinAxisDeg' => -3.0, 'sideM' => -$right->asSeen['sideM']] + $right->asSeen + HIT_LIKE_THIS;
    $shot = LaunchShot::of($twin, new BallFlight, $left);
    expect($shot->value(Measure::Side))->toEqualWithDelta(-$right->value(Measure::Side), 1e-6)
        ->and($shot->value(Measure::Carry))->toEqualWithDelta($right->value(Measure::Carry), 1e-6);
});

it('leaves in what it cannot take out, and says so', function (): void {
    $into = new OpenAir(new Wind(6.0, 0.0), new Atmosphere);
    $shot = LaunchShot::of(['carryM' => 190.0, 'sideM' => 4.0, 'clubSpeedMps' => 45.0], new BallFlight, $into);
    expect($shot->isWindLeftIn())->toBeTrue()->and($shot->value(Measure::Carry))->toBe(190.0);
});

it('takes what was typed, and nothing of a bay or of what cannot be', function (): void {
    expect(OpenAir::of(['temperatureC' => 20, 'altitudeM' => 0, 'windMps' => 0]))->toBeNull()
        ->and(OpenAir::of(['outdoors' => false, 'windMps' => 5]))->toBeNull()
        ->and(OpenAir::of(['outdoors' => true, 'windMps' => 90]))->toBeNull()
        ->and(OpenAir::of(['outdoors' => true, 'windMps' => 'strong']))->toBeNull()
        ->and(OpenAir::of(['outdoors' => true, 'windMps' => 5])->wind->speedMps)->toBe(5.0)
        ->and(OpenAir::of(['outdoors' => true])->isWindy())->toBeFalse();
});

/** A fitting whose trials are hit outdoors: the benchmark with the wind, the other against it. @return array<string, mixed> */
function fittingInWind(bool $typed): array
{
    $shots = $trials = [];
    foreach (['A' => [8.0, 180.0], 'B' => [8.0, 0.0]] as $tag => [$mps, $from]) {
        $n = count($trials) + 1;
        $openAir = new OpenAir(new Wind($mps, $from), new Atmosphere(18.0, 0.0));
        $trials[] = [
            'number' => $n, 'setup' => $tag, 'visit' => 1,
            'place' => $typed ? ['outdoors' => true, 'windMps' => $mps, 'windFromDeg' => $from, 'temperatureC' => 18, 'altitudeM' => 0] : [],
        ];
        foreach (range(1, 6) as $i) {
            $launch = ['ballSpeedMps' => 65.0 + 0.2 * $i, 'launchDeg' => 13.0, 'spinRpm' => 2500.0 + 20 * $i, 'directionDeg' => 0.3 * $i, 'spinAxisDeg' => 0.0];
            $f = (new BallFlight)->in($openAir)->fly(new Launch(...array_values($launch)));
            $shots[] = [
                'setup' => $tag, 'trial' => $n,
                'measured' => $launch + ['carryM' => $f->carryM, 'sideM' => $f->sideM],
            ];
        }
    }
    $file = json_decode((string) file_get_contents(dirname(__DIR__).'/fixtures/figures/right-handed-club-seen.json'), true);
    $setup = $file['setups'][0];

    return [
        'brief' => ['temperatureC' => 18, 'altitudeM' => 0], 'ratings' => [], 'benchmark' => 'A',
        'setups' => [['tag' => 'A', 'branchedFrom' => null] + $setup, ['tag' => 'B', 'branchedFrom' => 'A'] + $setup],
        'trials' => $trials, 'shots' => $shots,
    ] + array_diff_key($file, ['decisions' => 1, 'visits' => 1, 'confirms' => 1, 'blinds' => 1]);
}

it('does not call a setup shorter for the wind it was hit in, and tells it on the sheet', function (): void {
    $judged = JudgingReport::of(FittingFile::read(fittingInWind(typed: true)));
    $rails = array_column($judged['rails'], 'kind');
    $advice = AdviceReport::of(FittingFile::read(fittingInWind(typed: true)));
    expect(abs(array_column($advice['setups'], null, 'tag')['B']['carryGainM']))->toBeLessThan(1.0)
        ->and($rails)->toContain(GuardRailKind::WindTakenOut)
        ->and($advice['outdoors'])->toEqual(['shots' => 12, 'windLeftIn' => 0, 'windMps' => 8.0]);
    // The same shots with nothing typed: by what was measured, the other is tens of metres shorter.
    $file = fittingInWind(typed: false);
    $means = array_map(
        fn (string $tag): float => FittingFile::read($file)->sets()[$tag]->summary(Measure::Carry)->mean, ['A' => 'A', 'B' => 'B'],
    );
    $calm = array_map(
        fn (string $tag): float => FittingFile::read(fittingInWind(typed: true))->sets()[$tag]->summary(Measure::Carry)->mean,
        ['A' => 'A', 'B' => 'B'],
    );
    expect($means['A'] - $means['B'])->toBeGreaterThan(20.0)->and(abs($calm['A'] - $calm['B']))->toBeLessThan(0.01);
});
