<?php

declare(strict_types=1);

use MintCarry\Core\Club\Head;
use MintCarry\Core\Finder\SeenFields;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Judging\Forgiveness;
use MintCarry\Core\Launch\Measure;

require_once dirname(__DIR__).'/Swings.php';

// What planted faults in the impact model, in what a monitor shows and in forgiveness once changed without any test of behaviour noticing.

it('takes spin loft in three dimensions', function (Delivery $d, float $deg): void {
    expect($d->spinLoftDeg())->toEqualWithDelta($deg, 1e-6);
})->with([
    'loft less attack in one plane' => [new Delivery(45, 3, 0, 14, 0), 11.0],
    'a face beside the path, level' => [new Delivery(45, 0, -4, 0, 6), 10.0],
    'the same both ways' => [new Delivery(45, 0, 5, 0, 5), 0.0],
    // Spherical law of cosines: cos s = sin a sin l + cos a cos l cos d.
    'both' => [new Delivery(45, 2, -3, 13, 4), rad2deg(acos(sin(deg2rad(2)) * sin(deg2rad(13)) + cos(deg2rad(2)) * cos(deg2rad(13)) * cos(deg2rad(7))))],
]);

it('slips on a steep blow: friction carries no more than 0.4 of the normal impulse', function (): void {
    // A blow of 44° of loft slides up the face. Along the normal the ball gets what a smooth face gives, and the tangential share is 0.4.
    $impact = new Impact(new Head(20.0));
    $slow = $impact->strike(new Delivery(30, 0, 0, 44, 0), new Strike(0, 0));
    $fast = $impact->strike(new Delivery(60, 0, 0, 44, 0), new Strike(0, 0));
    // Scale-free: twice the speed is twice the ball and twice the spin, sliding or not.
    expect($fast->ballSpeedMps / $slow->ballSpeedMps)->toEqualWithDelta(2.0, 1e-6)->and($fast->spinRpm / $slow->spinRpm)->toEqualWithDelta(2.0, 1e-6)
        ->and($slow->launchDeg)->toBeBetween(25.0, 44.0);
});

it('shows of a swing what the monitor shows: club fields themselves, ball fields by the impact model', function (): void {
    $impact = new Impact(Head::preset('middle'));
    $swing = [45.0, 1.0, -1.0, 13.0, 0.5, 3.0, -2.0, 0.0, 0.0];
    $scatter = array_map(static fn (int $i): array => array_map(static fn (int $k): float => $i === $k ? PlayerPriors::SCATTER_SD[$i] ** 2 : 0.0, range(0, 6)), range(0, 6));
    $ball = Swing::of($swing)->ball($impact);
    [$slopes, $bend] = SeenFields::around($impact, $swing, $ball, $scatter);
    $rows = array_map(static fn (int $i): array => [$i => 1.0], range(0, 8));
    $seen = SeenFields::of(['ballSpeedMps', 'spinRpm', 'pathDeg', 'strikeToeMm'], $swing, $ball, $slopes, $bend, $rows);

    expect($seen->predicted[2])->toBe(-1.0)->and($seen->predicted[3])->toBe(3.0)
        ->and($seen->predicted[0])->toEqualWithDelta($ball['ballSpeedMps'] + $bend['ballSpeedMps'], 1e-9)
        // Off centre every ball is slower, so that the mean of many is slower than the ball of the mean strike.
        ->and($bend['ballSpeedMps'])->toBeLessThan(-0.1)
        ->and($seen->noise[0])->toEqualWithDelta(PlayerPriors::MONITOR_NOISE['ballSpeedMps'] * $seen->predicted[0], 1e-9)
        ->and($seen->noise[2])->toBe(PlayerPriors::MONITOR_NOISE['pathDeg'])
        ->and($seen->bySwing[2])->toBe([0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 0.0])
        ->and($seen->byTheta[0][Swing::RESTITUTION])->toEqualWithDelta($seen->predicted[0] / 1.87, 1e-9)
        ->and($seen->byTheta[1][Swing::SPIN_SHARE])->toEqualWithDelta($seen->predicted[1], 1e-9)
        ->and($seen->byTheta[0])->not->toHaveKey(Swing::SPIN_SHARE);
    // Slopes are differences of the model itself.
    foreach ([Swing::CLUB_SPEED => 0.3, Swing::LOFT => 0.5, Swing::FACE => 0.5] as $i => $step) {
        [$up, $down] = [$swing, $swing];
        $up[$i] += $step;
        $down[$i] -= $step;
        $slope = (Swing::of($up)->ball($impact)['ballSpeedMps'] - Swing::of($down)->ball($impact)['ballSpeedMps']) / (2 * $step);
        expect($slopes[$i]['ballSpeedMps'])->toEqualWithDelta($slope, 1e-9);
    }
    // A cloud of strikes bends by half its variance times the second difference.
    $second = static function (int $i, float $h) use ($impact, $swing, $ball): float {
        [$up, $down] = [$swing, $swing];
        $up[$i] += $h;
        $down[$i] -= $h;

        return (Swing::of($up)->ball($impact)['ballSpeedMps'] - 2 * $ball['ballSpeedMps'] + Swing::of($down)->ball($impact)['ballSpeedMps']) / $h ** 2;
    };
    expect($bend['ballSpeedMps'])->toEqualWithDelta(0.5 * (7.0 ** 2 * $second(Swing::TOE, 9.0) + 5.5 ** 2 * $second(Swing::HIGH, 7.0)), 1e-9);
});

it('has no slopes where the impact model gives no ball nearby', function (): void {
    $impact = new Impact(Head::preset('middle'));
    $scatter = array_fill(0, 7, array_fill(0, 7, 0.0));
    expect(SeenFields::around($impact, [45.0, 1.0, 0.0, 13.0, 0.0, 55.0, 0.0, 0.0, 0.0], Swing::of([45.0, 1.0, 0.0, 13.0, 0.0, 55.0, 0.0])->ball($impact) ?? [], $scatter))->toBeNull();
});

it('counts strikes by zone, on the edge to the middle', function (): void {
    // Strikes from 14 mm heel to 14 mm toe; the edges lie at 8 and 6 mm.
    $f = Forgiveness::of(evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, -14.0, 9.0], n: 6));
    $n = array_column($f->zones, 'n', 'zone');
    expect(array_sum($n))->toBe(6)->and($n['high heel'])->toBeGreaterThan(0)->and($n['high toe'])->toBe(0)->and($n['low heel'])->toBe(0);
    foreach ($f->zones as $zone) {
        expect($zone['carryM'] === null)->toBe($zone['n'] === 0);
    }
});

it('costs by the model at this delivery, corrected by what was seen, and names the worst usual strike', function (): void {
    $e = evidence('A', [45.0, 0.0, 0.0, 13.0, 0.0, 2.0, 1.0], n: 8);
    $f = Forgiveness::of($e);
    $impact = new Impact($e->spec->body);
    [$toe, $high] = $e->spec->body->inLineWithCg();
    $ball = static fn (float $dx, float $dy): float => Swing::of([...array_slice($e->state, 0, 5), $toe + $dx, $high + $dy])->strike($impact)->ballSpeedMps;
    foreach (['heel' => [-10, 0], 'toe' => [10, 0], 'low' => [0, -8], 'high' => [0, 8]] as $name => [$dx, $dy]) {
        expect($f->costs[$name]['ballSpeedMps'])->toEqualWithDelta($f->correction * ($ball($dx, $dy) - $ball(0, 0)), 1e-6);
    }
    expect($f->worstCarryM)->toBeLessThan($e->set->summary(Measure::Carry)->mean)->and(['heel', 'toe', 'low', 'high'])->toContain($f->worstAt)
        ->and($f->seen)->toBe(8);
});
