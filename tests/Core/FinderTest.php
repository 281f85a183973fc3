<?php

declare(strict_types=1);

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Finder\BallCloud;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Finder;
use MintCarry\Core\Finder\FlightTable;
use MintCarry\Core\Finder\Predicted;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Finder\Search;
use MintCarry\Core\Finder\Trade;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\DecisionRule;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Flight\Turf;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Statistics\Matrix;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once dirname(__DIR__).'/MadeRack.php';

// Every legal setup judged for a player: the belief and its update, the surfaces in place of flights, the pricing, the advice.

/** @return array{Belief, Belief} before and after */
function believed(PlayerModel $player, Hand $hand = Hand::Right, int $n = 4, array $at = [0, 5, 8], bool $club = true): array
{
    $rack = rackOf($hand);
    $tested = [['spec' => ownClub($hand), 'shots' => hitWith(ownClub($hand), $player, $n, 11, $club), 'order' => 0.1]];
    foreach ($at as $k => $i) {
        $tested[] = ['spec' => $rack[$i], 'shots' => hitWith($rack[$i], $player, $n, 21 + $k, $club), 'order' => 0.3 + 0.2 * $k];
    }
    $prior = Belief::prior(ownClub($hand), 44.0, ['Tern 460', 'Plover 445'], array_column($tested, 'spec'), 0.5);

    return [$prior, $prior->after($tested)];
}
function findFor(Belief $prior, Belief $belief, ?Brief $brief = null, ?array $rack = null): Finder
{
    return Finder::of(
        PredictedDraws::of($prior, $belief, $rack ?? rackOf($belief->own->hand), new BallFlight),
        $brief ?? new Brief,
    );
}

it('factors as the algebra says by hand, and inverts', function (): void {
    // L by hand: √4; 2/2, √(5−1); 0.6/2, (1−0.3)/2, √(3−0.09−0.1225).
    $a = [[4.0, 2.0, 0.6], [2.0, 5.0, 1.0], [0.6, 1.0, 3.0]];
    $l = Matrix::cholesky($a);
    expect($l[0])->toEqualWithDelta([2.0, 0.0, 0.0], 1e-12)
        ->and($l[1])->toEqualWithDelta([1.0, 2.0, 0.0], 1e-12)
        ->and($l[2])->toEqualWithDelta([0.3, 0.35, sqrt(2.7875)], 1e-12);
    foreach (Matrix::inverse($a) as $i => $row) {
        expect(Matrix::times($a, $row)[$i])->toEqualWithDelta(1.0, 1e-12);
    }
    expect(fn () => Matrix::cholesky([[1.0, 2.0], [2.0, 1.0]]))->toThrow(ModelFailure::class);
});

it('updates a mean as the textbook’s normal with known variance', function (): void {
    // Prior N(m, s²), n readings of variance v: precision 1/s² + n/v (Gelman et al., "Bayesian Data Analysis", 2.5; from memory).
    // Club speed is seen alone, so it is such a case; t weights of near readings are 1.
    $own = ownClub();
    $prior = Belief::prior($own, 44.0, [], [$own], 0.5);
    $ball = Swing::of(Belief::apply($prior->rows($own), $prior->mean))->ball(new Impact($own->body));
    $shots = array_map(fn (float $v): LaunchShot => LaunchShot::of(['clubSpeedMps' => $v] + $ball, new BallFlight), [
        46.0, 46.0, 46.0, 46.0,
    ]);
    $after = $prior->after([['spec' => $own, 'shots' => $shots, 'order' => 0.0]]);
    expect($after->mean[0])->toBeGreaterThan(44.3)->toBeLessThan(46.0)
        ->and($after->spread->covariance(0, 0))->toBeLessThan(0.2 * $prior->spread->covariance(0, 0))
        ->and(count($after->mean))->toBe(count($prior->mean));
});

it('learns the swing that hit the shots, and is surer after more of them', function (): void {
    $player = new PlayerModel(
        clubSpeedMps: 46.0, attackDeg: 2.0, pathDeg: -3.0, faceDeg: -1.0, dynamicLoftDeg: 14.0, toeMm: 3.0, mishitShare: 0.0,
    );
    [, $few] = believed($player, n: 3, at: []);
    [, $many] = believed($player, n: 25, at: []);
    foreach ([46.0, 2.0, -3.0, 14.0, -1.0, 3.0] as $i => $true) {
        $at = [0, 1, 2, 3, 4, 5][$i];
        expect(abs($many->mean[$at] - $true))->toBeLessThan(3.2 * sqrt($many->spread->covariance($at, $at)) + 0.6)
            ->and($many->spread->covariance($at, $at))->toBeLessThan($few->spread->covariance($at, $at));
    }
});

it('leaves the belief as it was where nothing was hit', function (): void {
    $prior = Belief::prior(ownClub(), 44.0, ['Tern 460'], [ownClub()], 0.5);
    $after = $prior->after([]);
    expect($after->mean)->toEqualWithDelta($prior->mean, 1e-9);
});

it('learns more of how loft carries through from two lofts than from one', function (): void {
    $player = new PlayerModel(loftCarriesThrough: 1.0, squares: 1.0, mishitShare: 0.0);
    [$prior, $one] = believed($player, n: 8, at: []);
    [, $two] = believed($player, n: 8, at: [0, 4]);
    expect($two->factor('loftCarryThrough')['sd'])->toBeLessThan(0.9 * $one->factor('loftCarryThrough')['sd'])
        ->and($one->factor('loftCarryThrough')['sd'])->toEqualWithDelta($prior->factor('loftCarryThrough')['sd'], 1e-6);
});

it('predicts a cloud’s mean within 0.3 yd of flying every shot of it', function (array $at): void {
    $spec = ownClub();
    $flight = new BallFlight;
    $scatter = Belief::prior($spec, 44.0, [], [$spec], 0.5)->scatter;
    $cloud = BallCloud::of($spec, [...$at, 0.0, 0.0], $scatter);
    $table = FlightTable::for($flight);
    $l = Matrix::cholesky($scatter);
    $random = new Randomizer(new Mt19937(9));
    $impact = new Impact($spec->body);
    foreach ([[0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0], [0.5, 0.6, -0.8, 0.8, 0.9, 2.0, -1.5, 0.004, 0.02]] as $shift) {
        $sum = [0.0, 0.0, 0.0];
        $n = 0;
        for ($k = 0; $k < 3000; $k++) {
            $z = array_map(fn (): float => Normal::draw($random), range(1, 7));
            foreach ([1, -1] as $way) {
                $x = [...$at, 0.0, 0.0];
                foreach ($shift as $i => $d) {
                    $x[$i] += $d;
                }
                for ($i = 0; $i < 7; $i++) {
                    for ($j = 0; $j <= $i; $j++) {
                        $x[$i] += $way * $l[$i][$j] * $z[$j];
                    }
                }
                $ball = Swing::of($x)->launch($impact);
                if ($ball !== null) {
                    $flown = $flight->fly($ball);
                    $sum = [$sum[0] + $flown->carryM, $sum[1] + $flown->sideM, $sum[2] + $flown->sideM ** 2];
                    $n++;
                }
            }
        }
        $mean = $cloud->means([$shift], $table)[0];
        // 0.3 yd is 0.27 m; what a common shift of all setups leaves cancels in the differences that are shown.
        expect($mean[0])->toEqualWithDelta($sum[0] / $n, 1.2)
            // Far from the mean swing the ball is told by its slopes: path, face and strike together bend it a little more.
            ->and($mean[2])->toEqualWithDelta($sum[1] / $n, array_sum($shift) === 0.0 ? 0.9 : 1.6)
            ->and($cloud->spreads($table)[2])->toEqualWithDelta(sqrt($sum[2] / $n - ($sum[1] / $n) ** 2), 2.0);
    }
})->with([[[44.0, 0.0, 0.0, 13.0, 0.0, 0.0, 2.0]], [[50.0, 2.0, -2.0, 13.5, -1.0, 3.0, 1.0]]]);

it('takes draws into the wind and onto firm ground as flying their balls there would', function (float $fromDeg, Turf $turf): void {
    $record = caseOf(['A' => [64.0, 12.0, 3.0, 8]]);
    $draws = Search::of($record)->drawsOfHit();
    $there = $record->flight->elsewhere(new Atmosphere(18.0), new Wind(5.0, $fromDeg), $turf);
    $moved = $draws->elsewhere($record->flight, $there)->figures[0];
    // Figures of a draw: carry, total, side, apex; launch 11, spin 12, direction 13, ball speed 14, axis 15.
    foreach ([0, 1, 2, 3] as $f) {
        $byMoving = $byFlying = 0.0;
        foreach ($draws->figures[0][0] as $d => $_) {
            $of = array_map(static fn (array $all): float => $all[$d], $draws->figures[0]);
            $fly = static function (BallFlight $flight) use ($of, $f): float {
                $it = $flight->fly(new Launch($of[14], $of[11], $of[12], $of[13], $of[15]));

                return [$it->carryM, $it->totalM, $it->sideM, $it->apexM][$f];
            };
            $byMoving += ($moved[$f][$d] - $of[$f]) / count($draws->figures[0][0]);
            $byFlying += ($fly($there) - $fly($record->flight)) / count($draws->figures[0][0]);
        }
        // The cloud about each mean ball bends the change a little: 4 % of it, or half a metre.
        expect($byMoving)->toEqualWithDelta($byFlying, max(0.5, 0.04 * abs($byFlying)));
    }
})->with([[0.0, Turf::Medium], [180.0, Turf::Firm], [270.0, Turf::Soft], [90.0, Turf::Medium]]);

it('tells the difference of two setups within 0.3 yd of flying them both', function (): void {
    $flight = new BallFlight;
    foreach (rackOf() as $spec) {
        $at = [45.0, 0.5, 0.0, 13.0, 0.5, 1.0, 1.0, 0.0, 0.0];
        $none = array_fill(0, 7, array_fill(0, 7, 0.0));
        $cloud = BallCloud::of($spec, $at, $none);
        $table = FlightTable::for($flight);
        foreach (
            [
                [0.4, 0, 0, 0, 0, 0, 0, 0, 0], [0, 0, 0, 0.8, 0, 0, 0, 0, 0], [0, 0, 0, 0, 1.0, 0, 0, 0, 0],
                [0.3, 0, 0, 0.5, -0.6, 1.5, 1.0, 0.003, 0.02],
            ] as $shift
        ) {
            $x = array_map(fn (float $a, float $d): float => $a + $d, $at, $shift);
            $flown = $flight->fly(Swing::of($x)->launch(new Impact($spec->body)) ?? new Launch(60, 12, 2500));
            expect($cloud->means([$shift], $table)[0][0])->toEqualWithDelta($flown->carryM, 0.32)
                ->and($cloud->means([$shift], $table)[0][2])->toEqualWithDelta($flown->sideM, 0.2743)
                ->and($cloud->means([$shift], $table)[0][4])->toEqualWithDelta($flown->totalSideM, 0.35);
        }
    }
});

it('prices a cloud as counting its drives one by one would', function (): void {
    $brief = new Brief(corridor: new Corridor(32.0, new Trouble('water', 22.0), new Trouble('rough')));
    $price = new Strokes($brief, 0.0);
    $table = $brief->strokes();
    $random = new Randomizer(new Mt19937(3));
    $sum = 0.0;
    for ($i = 0; $i < 40_000; $i++) {
        $side = -4.0 + 14.0 * Normal::draw($random);
        $left = 370.0 - 225.0;
        $sum +=
            1 +
            ($side < -22
                ? $table->afterTrouble(new Trouble('water', 22.0), $left, 370.0)
                : $table->from(abs($side) <= 16 ? 'fairway' : 'rough', $left));
    }
    expect($price->aimFixed(-4.0, 14.0, 225.0))->toEqualWithDelta($sum / 40_000, 0.006);
});

it('finds the aim that a fine search finds', function (float $side, float $sd): void {
    $price = new Strokes(new Brief(corridor: new Corridor(32.0, new Trouble('out of bounds', 24.0), new Trouble('trees', 30.0))), 0.0);
    [$best, $aim, $middle] = $price->free($side, $sd, 230.0);
    $least = INF;
    for ($k = -200; $k <= 200; $k++) {
        $least = min($least, $price->aimFixed($side + 230.0 * deg2rad($k / 50), $sd, 230.0));
    }
    expect($best)->toEqualWithDelta($least, 3e-4)
        ->and(abs($aim))->toBeLessThanOrEqual(4.0)
        ->and($middle)->toEqualWithDelta($side + 230.0 * deg2rad($aim), 1e-9)
        ->and($best)->toBeLessThanOrEqual($price->aimFixed($side, $sd, 230.0) + 1e-9);
})->with([[0.0, 14.0], [12.0, 16.0], [-20.0, 12.0], [40.0, 20.0]]);

it('gives a left-handed twin the mirrored pick, the same gains and the mirrored aim', function (): void {
    $brief = fn (string $left, string $right): Brief => new Brief(corridor: new Corridor(30.0, new Trouble($left), new Trouble($right)));
    $right = new PlayerModel(pathDeg: 3.0, faceDeg: 1.2, headPeculiarity: 1.0, mishitShare: 0.0);
    $left = new PlayerModel(pathDeg: -3.0, faceDeg: -1.2, headPeculiarity: 1.0, mishitShare: 0.0);
    [$rp, $rb] = believed($right);
    // The same swings in a mirror: path, face, direction and axis change their sign.
    $rack = rackOf(Hand::Left);
    $mirror = fn (array $shots): array => array_map(function (LaunchShot $s): LaunchShot {
        $m = $s->measured;
        foreach (['directionDeg', 'spinAxisDeg', 'pathDeg', 'faceDeg'] as $f) {
            if (isset($m[$f])) {
                $m[$f] = -$m[$f];
            }
        }

        return LaunchShot::of($m, new BallFlight);
    }, $shots);
    $tested = [['spec' => ownClub(Hand::Left), 'shots' => $mirror(hitWith(ownClub(), $right, 4, 11)), 'order' => 0.1]];
    foreach ([0, 5, 8] as $k => $i) {
        $tested[] = ['spec' => $rack[$i], 'shots' => $mirror(hitWith(rackOf()[$i], $right, 4, 21 + $k)), 'order' => 0.3 + 0.2 * $k];
    }
    $lp = Belief::prior(ownClub(Hand::Left), 44.0, ['Tern 460', 'Plover 445'], array_column($tested, 'spec'), 0.5);
    $r = findFor($rp, $rb, $brief('water', 'rough'));
    $l = findFor($lp, $lp->after($tested), $brief('rough', 'water'));
    expect($l->pick->spec->tag)->toBe($r->pick->spec->tag)
        ->and($l->best->spec->tag)->toBe($r->best->spec->tag)
        ->and($left->pathDeg)->toBe(-$right->pathDeg);
    $of = fn (Finder $f): array => array_column(array_map(fn (Predicted $p): array => [$p->spec->tag, $p], $f->setups), 1, 0);
    foreach ($of($r) as $tag => $p) {
        expect($of($l)[$tag]->gain)->toEqualWithDelta($p->gain, 1e-9)
            ->and($of($l)[$tag]->sideM)->toEqualWithDelta(-$p->sideM, 1e-9)
            ->and($of($l)[$tag]->aimDeg)->toEqualWithDelta(-$p->aimDeg, 0.21);
    }
});

it('tells everything as a difference from the own club, which differs from itself by nothing', function (): void {
    $found = findFor(...believed(new PlayerModel(headPeculiarity: 1.0)));
    expect($found->base->gain)->toBe(0.0)
        ->and($found->base->chance)->toBe(0.5)
        ->and($found->base->gainInterval->low)->toBe(0.0)
        ->and($found->setups)->toHaveCount(13)
        ->and($found->best->gain)->toBe($found->setups[0]->gain)
        ->and(array_filter($found->setups, fn (Predicted $p): bool => $p->expectedLoss < 0))->toBe([]);
});

it('keeps the own club unless a gain is likely enough', function (): void {
    $found = findFor(...believed(new PlayerModel, n: 3, at: []));
    expect($found->pick->spec->tag === 'A' || $found->pick->chance >= DecisionRule::SURE_TO_BUY)->toBeTrue()
        ->and($found->pick->expectedLoss)->toBe($found->expectedLoss);
});

it('gives the same answer to the same shots, and widens it where less was hit', function (): void {
    [$prior, $belief] = believed(new PlayerModel(headPeculiarity: 1.0));
    $a = findFor($prior, $belief);
    $b = findFor($prior, $belief);
    expect($a->setups[3]->gain)->toBe($b->setups[3]->gain);
    $width = fn (Finder $f): float => array_sum(
        array_map(fn (Predicted $p): float => $p->carryGainInterval->high - $p->carryGainInterval->low, $f->setups),
    );
    expect($width($a))->toBeLessThan($width(findFor(...believed(new PlayerModel(headPeculiarity: 1.0), n: 3, at: []))));
});

it('puts on the front what nothing beats in both carry and share, and nothing else', function (): void {
    $found = findFor(...believed(new PlayerModel(headPeculiarity: 1.0)));
    $front = Trade::of($found->setups)->front;
    foreach ($found->setups as $p) {
        $beaten =
            array_filter(
                $found->setups,
                fn (Predicted $q): bool => $q->carryM >= $p->carryM &&
                    $q->share >= $p->share &&
                    ($q->carryM > $p->carryM || $q->share > $p->share),
            ) !== [];
        expect(in_array($p->spec->tag, $front, true))->toBe(! $beaten);
    }
});

it('scores the longest by carry and the straightest by share, as the brief asks', function (): void {
    [$prior, $belief] = believed(new PlayerModel(headPeculiarity: 1.0));
    $long = findFor($prior, $belief, new Brief(scoring: 'longest'));
    $most = max(array_map(fn (Predicted $p): float => $p->carryM, $long->setups));
    expect($long->best->carryM)->toEqualWithDelta($most, 1e-6)
        ->and($long->mayStop)->toBeFalse();
});

it('offers to hit next what was not hit, can be hit, and needs few wrench changes', function (): void {
    [$prior, $belief] = believed(new PlayerModel(headPeculiarity: 1.0));
    $rack = rackOf();
    $hit = [$rack[0]->tag, $rack[5]->tag, $rack[8]->tag, 'A'];
    $draws = PredictedDraws::of($prior, $belief, $rack, new BallFlight);
    $found = Finder::of($draws, new Brief, fn (SetupSpec $b): ?int => $b->head === 'Plover 445' ? null : 1);
    expect($found->next['spec']->tag)->not->toBeIn($hit)
        ->and($found->next['spec']->head)->toBe('Tern 460');
    $none = Finder::of($draws, new Brief, fn (): ?int => null);
    expect($none->next)->toBeNull();
});

it('works with ball data alone, surer of the ball than of the club', function (): void {
    [$prior, $belief] = believed(new PlayerModel, club: false);
    $found = findFor($prior, $belief);
    expect($found->setups)->toHaveCount(13)
        ->and(sqrt($belief->spread->covariance(1, 1)))->toBeGreaterThan(0.5);
});
