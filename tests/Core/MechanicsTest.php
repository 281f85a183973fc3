<?php

declare(strict_types=1);

use Eris\Generator;
use Eris\TestTrait;
use MintCarry\Core\Club\EquipmentRules;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\Matrix3;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Fitting\LaunchWindow;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Calibration;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\DeliveryEstimate;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Statistics\Normal;
use MintCarry\Core\Statistics\Summary;
use Random\Engine\Mt19937;
use Random\Randomizer;

uses(TestTrait::class);

/**
 * Momentum and energy of head and ball before and after, from the impulse alone.
 *
 * @return array{before: float, after: float, momentum: float, angular: float}
 */
function balance(Head $head, Delivery $delivery, Strike $strike): array
{
    ['impulse' => $j, 'normal' => $n, 'contact' => $r, 'headVelocity' => $u] = (new Impact($head))->impulse($delivery, $strike);
    $m = Aerodynamics::BALL_MASS_KG;
    $radius = Aerodynamics::BALL_RADIUS_M;
    $cross = fn (array $a, array $b): array => [
        $a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0],
    ];
    $dot = fn (array $a, array $b): float => $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    $mass = $head->massG / 1000;
    $headAfter = array_map(fn (int $i): float => $u[$i] - $j[$i] / $mass, [0, 1, 2]);
    $torque = $cross($r, $j);
    $headSpin = array_map(fn (float $x): float => -1e7 * $x, Matrix3::apply(Matrix3::inverse($head->inertiaGcm2), $torque));
    $ballV = array_map(fn (float $x): float => $x / $m, $j);
    $ballSpin = array_map(
        fn (float $x): float => $x / (0.4 * $m * $radius * $radius),
        $cross(array_map(fn (float $x): float => -$radius * $x, $n), $j),
    );
    $inertia = array_map(fn (array $row): array => array_map(fn (float $x): float => $x * 1e-7, $row), $head->inertiaGcm2);
    $headL = Matrix3::apply($inertia, $headSpin);
    // Angular momentum about the contact point: head's own + r_head × p + ball's own + r_ball × p, must stay what it was.
    $toHead = array_map(fn (float $x): float => -$x, $r);
    $toBall = array_map(fn (float $x): float => $radius * $x, $n);
    $before = $cross($toHead, array_map(fn (float $x): float => $mass * $x, $u));
    $angular = 0.0;
    foreach ([0, 1, 2] as $i) {
        $after =
            $headL[$i] +
            $cross($toHead, array_map(fn (float $x): float => $mass * $x, $headAfter))[$i] +
            0.4 * $m * $radius * $radius * $ballSpin[$i] +
            $cross($toBall, $j)[$i];
        $angular = max($angular, abs($after - $before[$i]));
    }

    return [
        'before' => 0.5 * $mass * $dot($u, $u),
        'after' => 0.5 * $mass * $dot($headAfter, $headAfter) +
            0.5 * $dot($headSpin, $headL) +
            0.5 * $m * $dot($ballV, $ballV) +
            0.5 * 0.4 * $m * $radius * $radius * $dot($ballSpin, $ballSpin),
        'momentum' => max(array_map(fn (int $i): float => abs($mass * $headAfter[$i] + $m * $ballV[$i] - $mass * $u[$i]), [0, 1, 2])),
        'angular' => $angular,
    ];
}

function plainSwing(float $loft = 12, float $face = 0, float $path = 0, float $attack = 0, float $mps = 45): Delivery
{
    return new Delivery($mps, $attack, $path, $loft, $face);
}

it('conserves momentum and angular momentum, and never gains energy', function (): void {
    $this->forAll(
        Generator\choose(-25, 25), Generator\choose(-15, 15), Generator\choose(3, 30), Generator\choose(-8, 8),
        Generator\choose(-8, 8),
    )->then(function (int $toe, int $high, int $loft, int $face, int $attack): void {
        $b = balance(Head::preset('middle'), plainSwing($loft, $face, -$face, $attack), new Strike($toe, $high));
        expect($b['momentum'])->toBeLessThan(1e-9)
            ->and($b['angular'])->toBeLessThan(1e-9)
            ->and($b['after'])->toBeLessThan($b['before']);
    });
});

it('conserves energy at full restitution, normal and tangential', function (): void {
    $head = new Head(
        effectiveRestitution: 1.0, tangentialRestitution: 1.0, restitutionFall: 0.0, inertiaGcm2: [[2800, 150, -90], [150, 3300, 60], [-90, 60, 4900]],
    );
    foreach ([[0, 0], [12, -6], [-9, 8]] as [$toe, $high]) {
        $b = balance($head, plainSwing(11, 2, -1, 1), new Strike($toe, $high));
        expect(abs($b['after'] / $b['before'] - 1))->toBeLessThan(1e-9);
    }
});

// Source: a solid sphere that grips a heavy wall keeps 5/7 of its tangential speed (any mechanics text; Cross, "Grip-slip
// behavior of a bouncing ball", 2002, from memory).
it('leaves a gripping ball 5/7 of its tangential speed against an endless mass', function (): void {
    $wall = new Head(10, 1e9, 0, 0, 0, [[1e14, 0, 0], [0, 1e14, 0], [0, 0, 1e14]], 1e7, 1e7, 0.8, 0.0);
    ['impulse' => $j, 'normal' => $n, 'headVelocity' => $u] = (new Impact($wall))->impulse(plainSwing(rad2deg(asin(0.2436))), new Strike); // the angle at which the head's tangential restitution holds
    $un = $u[0] * $n[0] + $u[1] * $n[1] + $u[2] * $n[2];
    $jn = $j[0] * $n[0] + $j[1] * $n[1] + $j[2] * $n[2];
    foreach ([0, 2] as $i) {
        // Seen from the wall the ball came in with −u and leaves with v − u.
        $came = -($u[$i] - $un * $n[$i]);
        $leaves = ($j[$i] - $jn * $n[$i]) / Aerodynamics::BALL_MASS_KG + $came;
        expect($leaves)->toEqualWithDelta(5 / 7 * $came, 1e-6);
    }
    expect($jn / Aerodynamics::BALL_MASS_KG)->toEqualWithDelta(1.8 * $un, 1e-4);
});

it('slips where the tangential impulse would exceed friction', function (): void {
    ['impulse' => $j, 'normal' => $n] = (new Impact(new Head(tangentialRestitution: 0.9)))->impulse(plainSwing(44, 0, 0, -20), new Strike);
    $jn = $j[0] * $n[0] + $j[1] * $n[1] + $j[2] * $n[2];
    expect(sqrt($j[0] ** 2 + $j[1] ** 2 + $j[2] ** 2 - $jn ** 2))->toEqualWithDelta(0.4 * $jn, 1e-9);
});

// Source: docs/physics.md lists these as a prototype's values, not truth; they pin the model, not the world.
it('has the sensitivities it is documented to have', function (
    Delivery $delivery, Strike $strike, Head $head, string $field, float $change, float $within,
): void {
    $base = (new Impact(Head::preset('middle')))->strike(new Delivery(44.704, 0, 0, 13, 0));
    $moved = (new Impact($head))->strike($delivery, $strike);
    expect($moved->{$field} - $base->{$field})->toEqualWithDelta($change, $within);
})->with(function (): array {
    $middle = Head::preset('middle');
    $swing = fn (float $attack = 0, float $path = 0, float $loft = 13, float $face = 0): Delivery => new Delivery(
        44.704, $attack, $path, $loft, $face,
    );

    return [
        'toe 10 mm, axis' => [$swing(), new Strike(10), $middle, 'spinAxisDeg', -7.7, 0.1],
        'toe 20 mm, speed' => [$swing(), new Strike(20), $middle, 'ballSpeedMps', -9.0 * 0.44704, 0.1],
        'high 10 mm, spin' => [$swing(), new Strike(0, 10), $middle, 'spinRpm', -562, 5],
        'low 10 mm, launch' => [$swing(), new Strike(0, -10), $middle, 'launchDeg', -2.3, 0.1],
        'loft +1°, spin' => [$swing(loft: 14), new Strike, $middle, 'spinRpm', 179, 3],
        'attack +1°, launch' => [$swing(1), new Strike, $middle, 'launchDeg', 0.14, 0.02],
        'face +1°, direction' => [$swing(face: 1), new Strike, $middle, 'directionDeg', 0.88, 0.02],
        'path +1°, axis' => [$swing(path: 1), new Strike, $middle, 'spinAxisDeg', -4.0, 0.1],
        'CG 5 mm to the heel, axis' => [$swing(), new Strike, new Head(cgToeMm: -5), 'spinAxisDeg', -8.7, 0.1],
        'CG 5 mm down, spin' => [$swing(), new Strike, new Head(cgUpMm: -9), 'spinRpm', -520, 10],
        'CG 5 mm forward, spin' => [$swing(), new Strike, new Head(cgBackMm: 30), 'spinRpm', -90, 5],
    ];
});

it('is a mirror image for every swing', function (): void {
    $this->forAll(Generator\choose(-20, 20), Generator\choose(-10, 10), Generator\choose(-6, 6), Generator\choose(-6, 6))->then(
        function (int $toe, int $high, int $face, int $path): void {
            $right = (new Impact(new Head(cgToeMm: 2), Hand::Right))->strike(plainSwing(12, $face, $path), new Strike($toe, $high));
            $left = (new Impact(new Head(cgToeMm: 2), Hand::Left))->strike(plainSwing(12, -$face, -$path), new Strike($toe, $high));
            expect(abs($right->directionDeg + $left->directionDeg))->toBeLessThan(1e-9)
                ->and(abs($right->spinAxisDeg + $left->spinAxisDeg))->toBeLessThan(1e-9)
                ->and(abs($right->spinRpm - $left->spinRpm))->toBeLessThan(1e-8);
        },
    );
});

it('flies higher with more backspin, and any legal ball to a finite place', function (): void {
    $flight = new BallFlight;
    $this->forAll(Generator\choose(45, 85), Generator\choose(6, 18), Generator\choose(1200, 3600))->then(function (
        int $mps, int $launch, int $spin,
    ) use ($flight): void {
        $less = $flight->fly(new Launch($mps, $launch, $spin));
        $more = $flight->fly(new Launch($mps, $launch, $spin + 400));
        expect($more->apexM)->toBeGreaterThan($less->apexM)
            ->and($more->descentDeg)->toBeGreaterThan($less->descentDeg)
            ->and(is_finite($less->totalM))->toBeTrue();
    });
});

it('carries less in thicker air, at the best launch', function (): void {
    foreach ([40.0, 46.0, 52.0] as $club) {
        $thin = LaunchWindow::forSwing($club, 0, new BallFlight(new MintCarry\Core\Air\Atmosphere(18, 1500)));
        $thick = LaunchWindow::forSwing($club, 0, new BallFlight(new MintCarry\Core\Air\Atmosphere(0, 0)));
        expect($thin->flight->carryM)->toBeGreaterThan($thick->flight->carryM + 5);
    }
});

// The table of docs/physics.md, pinned: club mph, attack, launch, spin, yards.
it('finds the windows', function (float $mph, float $attack, string $for, float $launch, float $spin, float $yards): void {
    $w = LaunchWindow::forSwing($mph * 0.44704, $attack, new BallFlight, $for);
    expect($w->launch->launchDeg)->toEqualWithDelta($launch, 0.4)
        ->and($w->launch->spinRpm)->toEqualWithDelta($spin, 70)
        ->and(($for === 'total' ? $w->flight->totalM : $w->flight->carryM) / 0.9144)->toEqualWithDelta($yards, 1)
        ->and($w->loftBandDeg[0])->toBeLessThan($w->dynamicLoftDeg - 1)
        ->and($w->loftBandDeg[1])->toBeGreaterThan($w->dynamicLoftDeg + 1);
})->with([
    [80, 0, 'carry', 15.6, 2488, 170],
    [80, 0, 'total', 11.4, 1746, 202],
    [90, -4, 'carry', 12.2, 2922, 196],
    [90, 4, 'carry', 16.0, 2084, 213],
    [90, -4, 'total', 8.5, 2171, 226],
    [100, 0, 'carry', 12.5, 2423, 238],
    [100, 4, 'total', 12.5, 1621, 279],
    [110, -4, 'carry', 9.1, 2788, 260],
    [110, 0, 'total', 8.6, 1809, 301],
]);

it('has a window for a ball speed and spin loft, with that ball speed', function (): void {
    $w = LaunchWindow::forBall(66, 12, new BallFlight);
    expect($w->launch->ballSpeedMps)->toEqualWithDelta(66, 1.0)
        ->and($w->flight->carryM)->toBeGreaterThan((new BallFlight)->fly(new Launch(66, 8, $w->launch->spinRpm))->carryM)
        ->and(fn () => LaunchWindow::forBall(66, 12, new BallFlight, 'height'))->toThrow(InvalidInput::class);
});

// Trade facts: common practice, no source.
it('meets CP04: about four yards of carry per mph of club speed', function (): void {
    $at = fn (float $mph): float => LaunchWindow::forSwing($mph * 0.44704, 0, new BallFlight)->flight->carryM / 0.9144;
    $per = ($at(110) - $at(80)) / 30;
    expect($per)->toBeGreaterThan(3)->toBeLessThan(5);
});

it('meets CP15: a strike off the CG line against one in line with it', function (): void {
    $impact = new Impact(Head::preset('middle'));
    $off = $impact->strike(new Delivery(100 * 0.44704, 0, 0, 13, 0), new Strike(-10, -6));
    $on = $impact->strike(new Delivery(102 * 0.44704, 0, 0, 13, 0), new Strike(0, 2));
    expect(($on->ballSpeedMps - $off->ballSpeedMps) / 0.44704)->toBeGreaterThan(3)->toBeLessThan(8);
});

it('works back to the delivery and strike that made a shot', function (Hand $hand): void {
    $random = new Randomizer(new Mt19937(12));
    $misses = ['dynamicLoftDeg' => [], 'faceDeg' => [], 'toeMm' => []];
    for ($i = 0; $i < 40; $i++) {
        $delivery = new Delivery(
            45, 1 + Normal::draw($random), 2 * Normal::draw($random), 13 + 2 * Normal::draw($random), 2 * Normal::draw($random),
        );
        $strike = new Strike(6 * Normal::draw($random), 4 * Normal::draw($random));
        $ball = (new Impact(new Head, $hand))->strike($delivery, $strike);
        $e = DeliveryEstimate::of(
            $ball, true, true, ['clubSpeedMps' => 45.0, 'attackDeg' => $delivery->attackDeg, 'pathDeg' => $delivery->pathDeg],
            new Head, $hand,
        )->values;
        $misses['dynamicLoftDeg'][] = $e['dynamicLoftDeg']->value - $delivery->dynamicLoftDeg;
        $misses['faceDeg'][] = $e['faceDeg']->value - $delivery->faceDeg;
        $misses['toeMm'][] = $e['toeMm']->value - $strike->toeMm;
    }
    expect(Summary::of($misses['dynamicLoftDeg'])->sd)->toBeLessThan(0.5)
        ->and(Summary::of($misses['faceDeg'])->sd)->toBeLessThan(0.6)
        ->and(Summary::of($misses['toeMm'])->sd)->toBeLessThan(2.3)
        ->and(abs(Summary::of($misses['faceDeg'])->mean))->toBeLessThan(0.3);
})->with([Hand::Right, Hand::Left]);

it('says what it measured, estimated and had to assume, with wider spreads the less it was told', function (): void {
    $ball = (new Impact(new Head))->strike(plainSwing(14, 2, 1, 1));
    $told = DeliveryEstimate::of($ball, true, true, ['clubSpeedMps' => 45.0, 'attackDeg' => 1.0, 'pathDeg' => 1.0])->values;
    $ballOnly = DeliveryEstimate::of($ball, true, true, [])->values;
    $blind = DeliveryEstimate::of($ball, false, false, [])->values;
    expect($told['attackDeg']->from)->toBe('measured')
        ->and($told['dynamicLoftDeg']->from)->toBe('estimated')
        ->and($ballOnly['dynamicLoftDeg']->sd)->toBeGreaterThan($told['dynamicLoftDeg']->sd)
        ->and($ballOnly['faceDeg']->sd)->toBeGreaterThan($told['faceDeg']->sd)
        ->and($blind['faceDeg']->from)->toBe('assumed')
        ->and($blind['toeMm']->from)->toBe('assumed')
        ->and($blind['dynamicLoftDeg']->from)->toBe('estimated');
});

it('mirrors the inverse with the hand', function (): void {
    $right = DeliveryEstimate::of(new Launch(66, 12, 2500, 2, 8), true, true, ['pathDeg' => 3.0], new Head, Hand::Right)->values;
    $left = DeliveryEstimate::of(new Launch(66, 12, 2500, -2, -8), true, true, ['pathDeg' => -3.0], new Head, Hand::Left)->values;
    expect($left['faceDeg']->value)->toEqualWithDelta(-$right['faceDeg']->value, 1e-9)
        ->and($left['pathDeg']->value)->toBe(-3.0)
        ->and($left['toeMm']->value)->toEqualWithDelta($right['toeMm']->value, 1e-9);
});

it('calibrates to a bay: the offsets come back, and little data moves little', function (): void {
    $bay = new BallFlight(aerodynamics: new Aerodynamics(dragFactor: 1.06, liftFactor: 0.93));
    $shots = fn (int $n): array => array_map(function (int $i) use ($bay): array {
        $launch = new Launch(58 + 0.7 * $i, 10 + $i % 6, 2000 + 70 * $i);
        $flown = $bay->fly($launch);

        return [$launch, $flown->carryM, $flown->apexM];
    }, range(1, $n));
    $much = Calibration::fit($shots(25));
    $little = Calibration::fit($shots(1));
    // Several ways, and the spin, do nearly the same to a flight: one stands for another, and together they give back the bay.
    $inTheBay = new Launch(67, 12.5, 2300);
    $off = static fn (Calibration $c): float => abs(
        (new BallFlight(aerodynamics: $c->aerodynamics))->fly($inTheBay)->carryM - $bay->fly($inTheBay)->carryM,
    );
    $plain = abs((new BallFlight)->fly($inTheBay)->carryM - $bay->fly($inTheBay)->carryM);
    expect($off($much))->toBeLessThan(0.1 * $plain)
        ->and($off($little))->toBeLessThan($plain)->toBeGreaterThan($off($much))
        ->and($much->residualAfterM)->toBeLessThan(0.5)
        ->and($much->residualBeforeM)->toBeGreaterThan(5)
        ->and($little->offsetSds()[0])->toBeGreaterThan($much->offsetSds()[0])
        ->and(fn () => Calibration::fit([[new Launch(60, 12, 2500), null, null]]))
        ->toThrow(InvalidInput::class, 'nothing to calibrate with');
});

it('refuses a tensor that no body can have, and a mass that no head has', function (): void {
    expect(fn () => new Head(inertiaGcm2: [[2800, 4000, 0], [4000, 3300, 0], [0, 0, 4900]]))
        ->toThrow(InvalidInput::class, 'positive definite')
        ->and(fn () => new Head(inertiaGcm2: [[2800, 10, 0], [0, 3300, 0], [0, 0, 4900]]))
        ->toThrow(InvalidInput::class, 'symmetric')
        ->and(fn () => new Head(massG: 0))->toThrow(InvalidInput::class)
        ->and(fn () => Head::preset('huge'))->toThrow(InvalidInput::class, 'not a head preset');
});

it('takes an inertia tensor of three rows of three finite numbers, and no other', function (mixed $tensor, bool $isOne): void {
    $head = fn (): Head => new Head(inertiaGcm2: $tensor);
    $isOne ? expect($head()->inertiaGcm2)->toBe($tensor) : expect($head)->toThrow(InvalidInput::class);
})->with([
    'whole numbers' => [[[2800, 0, 0], [0, 3300, 0], [0, 0, 4900]], true],
    'products of inertia' => [[[2800.0, 50.0, -20.0], [50.0, 3300.0, 10.0], [-20.0, 10.0, 4900.0]], true],
    'a number as text' => [[['2800', 0, 0], [0, 3300, 0], [0, 0, 4900]], false],
    'no number' => [[[2800.0, 0.0, NAN], [0.0, 3300.0, 0.0], [0.0, 0.0, 4900.0]], false],
    'endless' => [[[2800.0, 0.0, 0.0], [0.0, INF, 0.0], [0.0, 0.0, 4900.0]], false],
    'a row that is missing' => [[[2800.0, 0.0, 0.0], [0.0, 3300.0, 0.0]], false],
    'a row that is a number' => [[2800.0, [0.0, 3300.0, 0.0], [0.0, 0.0, 4900.0]], false],
    'a short row' => [[[2800.0, 0.0, 0.0], [0.0, 3300.0], [0.0, 0.0, 4900.0]], false],
    'not symmetric' => [[[2800.0, 9.0, 0.0], [0.0, 3300.0, 0.0], [0.0, 0.0, 4900.0]], false],
    'next to nothing' => [[[99.0, 0.0, 0.0], [0.0, 3300.0, 0.0], [0.0, 0.0, 4900.0]], false],
]);

it('warns of what the equipment rules limit, and never says more than to check them', function (): void {
    $wide = new Head(inertiaGcm2: [[2800, 0, 0], [0, 3300, 0], [0, 0, 6400]]);
    $lines = EquipmentRules::warnings($wide, 480, 1180, 270);
    expect($lines)->toHaveCount(4)->each->toContain('check the current rules');
    expect(EquipmentRules::warnings($wide, lengthMm: 1180)[1])->toContain('and local rules')
        ->and(EquipmentRules::warnings(new Head, 460, 1160, 250))->toBe([]);
});
