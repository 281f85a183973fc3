<?php

// The advice against the usual way, over hidden players that do not obey our own model:
//   php bin/parts/bench/advice.php [players 500] [seed 1] [swings 40] [prior width 1]
// Also run short by tests/Core/AdviceBenchTest.php. Truth: what each setup costs a player is counted from flown shots of that
// player, with wind; losses are against the best of the rack.

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Discrepancy;
use MintCarry\Core\Finder\Finder;
use MintCarry\Core\Finder\Predicted;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\BayCalibration;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/../../../vendor/autoload.php';
require_once __DIR__.'/hidden.php';

final class Advice
{
    private const PER_TRIAL = 4;

    public function __construct(
        private readonly Randomizer $random, private readonly float $priorWidth = 1.0, private readonly int $truthShots = 60,
        private readonly bool $calibrates = true, private readonly float $width = 1.0,
    ) {
    }

    /** @return list<SetupSpec> four heads, eight positions, four arrangements */
    public static function rack(): array
    {
        $out = [];
        foreach (
            [
                ['Head P', 33.0, -4.2, 200.0, 0.0], ['Head Q', 36.0, -3.8, 203.0, 0.4], ['Head R', 39.0, -3.4, 204.0, -0.3],
                ['Head S', 30.0, -4.6, 199.0, 0.7],
            ] as [$name, $back, $up, $mass, $loftOff]
        ) {
            foreach (
                [[0.0, 0.0], [0.75, -0.4], [1.5, -0.8], [-0.75, 0.4], [-1.5, 0.8], [0.0, 0.9], [0.0, -0.9], [0.75, 0.6]] as $p => [$loft, $face]
            ) {
                foreach ([[0.0, 0.0], [-2.6, 0.0], [2.6, 0.0], [0.0, -4.0]] as $w => [$toe, $moved]) {
                    $out[] = new SetupSpec(
                        "{$name}/{$p}/{$w}", $name, new Head(10.5 + $loftOff, $mass, $toe, $back + $moved, $up),
                        10.5 + $loftOff + $loft, 10.5 + $loftOff, $face, (string) $p, (string) $w,
                    );
                }
            }
        }

        return $out;
    }

    /** @return array<string, float> */
    public function run(int $players, int $swings = 40): array
    {
        $sum = [];
        $add = function (string $name, float $value) use (&$sum): void {
            $sum[$name] = ($sum[$name] ?? 0.0) + $value;
        };
        $covered = ['carry' => 0, 'side' => 0, 'strokes' => 0, 'compared' => 0];
        for ($i = 0; $i < $players; $i++) {
            $player = new Hidden($this->random, $i % 2 === 0 ? Hand::Right : Hand::Left);
            $rack = self::rack();
            $own = new SetupSpec(
                'own', 'Old club', new Head(10.5, 200.0, 0.0, 34.0, -4.0), 10.2 + Normal::draw($this->random), 10.2,
                0.3 * Normal::draw($this->random),
            );
            $brief = fn (bool $free): Brief => new Brief(
                corridor: new Corridor(
                    30.0, new Trouble(Normal::uniform($this->random) < 0.4 ? 'water' : 'rough'), new Trouble('trees'),
                ),
                aimFree: $free,
            );
            $free = $brief(true);
            $truth = $this->truth($player, [$own, ...$rack], $own, $free);
            foreach (['free', 'fixed'] as $aim) {
                $costs = $truth[$aim];
                $best = $costs === [] ? 0.0 : min($costs);
                $add("{$aim}: own club", $costs['own'] - $best);
                $add("{$aim}: random", array_sum($costs) / count($costs) - $best);
                foreach ([20, $swings] as $budget) {
                    $usual = $this->usual(
                        $player, $rack, $own, $aim === 'free' ? $free : new Brief(corridor: $free->corridor, aimFree: false),
                        $budget,
                    );
                    $add("{$aim}: usual way, {$budget} swings", $costs[$usual] - $best);
                    $add("{$aim}: usual way worse than own, {$budget} swings", $costs[$usual] > $costs['own'] + 1e-9 ? 1.0 : 0.0);
                    $found = $this->ours(
                        $player, $rack, $own, $aim === 'free' ? $free : new Brief(corridor: $free->corridor, aimFree: false),
                        $budget,
                    );
                    $pick = $found->pick->spec->tag;
                    $add("{$aim}: ours, {$budget} swings", $costs[$pick] - $best);
                    $add("{$aim}: ours without the keep-own rule, {$budget} swings", $costs[$found->best->spec->tag] - $best);
                    $add("{$aim}: ours worse than own, {$budget} swings", $costs[$pick] > $costs['own'] + 1e-9 ? 1.0 : 0.0);
                    $add("{$aim}: ours, expected loss, {$budget} swings", $found->expectedLoss);
                    if ($aim === 'free' && $budget === 20) {
                        $this->cover($found, $truth, $player->hand->sign(), $covered);
                    }
                }
            }
        }
        $out = array_map(static fn (float $v): float => $v / $players, $sum);
        foreach (['carry', 'side', 'strokes'] as $what) {
            $out["95 % intervals of differences from own that hold: {$what}"] = $covered[$what] / max(1, $covered['compared']);
        }

        return $out;
    }

    /**
     * Counts how often the intervals of every eighth setup hold the truth.
     *
     * @param  array{free: array<string, float>, fixed: array<string, float>, figures: array<string, array{float, float}>}  $truth
     * @param  array{carry: int, side: int, strokes: int, compared: int}  $covered
     */
    private function cover(Finder $found, array $truth, int $sign, array &$covered): void
    {
        [$costs, $t] = [$truth['free'], $truth['figures']];
        foreach ($found->setups as $k => $p) {
            if ($p->spec->tag === 'own' || $k % 8 !== 0) {
                continue;
            }
            $covered['compared']++;
            $covered['carry'] += $p->carryGainInterval->contains($t[$p->spec->tag][0] - $t['own'][0]) ? 1 : 0;
            $covered['strokes'] += $p->gainInterval->contains($costs['own'] - $costs[$p->spec->tag]) ? 1 : 0;
            $covered['side'] += $this->sideCovered($p, $found->base, $t, $sign) ? 1 : 0;
        }
    }

    /** @param  array<string, array{float, float}>  $truth */
    private function sideCovered(Predicted $p, Predicted $own, array $truth, int $sign): bool
    {
        $half = ($p->sideInterval->high - $p->sideInterval->low) / 2;

        return abs(($p->sideM - $own->sideM) - $sign * ($truth[$p->spec->tag][1] - $truth['own'][1])) <= $half;
    }

    /**
     * What each setup truly costs this player on the course, in strokes, with the aim free and fixed; and its carry and side in the bay.
     *
     * @param  list<SetupSpec>  $all
     * @return array{free: array<string, float>, fixed: array<string, float>, figures: array<string, array{float, float}>,
     *   spread: array<string, float>}
     */
    private function truth(Hidden $player, array $all, SetupSpec $own, Brief $brief, ?int $shots = null): array
    {
        $free = $fixed = $figures = $spread = [];
        $price = new Strokes($brief, 0.0);
        $shots ??= $this->truthShots;
        $sign = $player->hand->sign();
        $seed = $this->random->getInt(0, PHP_INT_MAX);
        foreach ($all as $spec) {
            // The same luck for every setup: differences are what counts.
            $random = new Randomizer(new Mt19937($seed));
            $sides = $totals = $bays = [];
            $carry = $bay = 0.0;
            for ($k = 0; $k < $shots; $k++) {
                $hit = $player->hit($spec, $own, $random);
                if ($hit === null) {
                    continue;
                }
                $course = $player->course->fly($hit[0]);
                $inBay = $player->range->fly($hit[0]);
                [$sides[], $totals[], $carry, $bay] = [
                    $sign * $course->totalSideM, $course->totalM, $carry + $inBay->carryM, $bay + $inBay->sideM,
                ];
                $bays[] = $inBay->sideM;
            }
            $n = max(1, count($sides));
            $mean = array_sum($sides) / $n;
            $sd = sqrt(array_sum(array_map(static fn (float $s): float => ($s - $mean) ** 2, $sides)) / max(1, $n - 1));
            $total = array_sum($totals) / $n;
            $free[$spec->tag] = $price->free($mean, $sd, $total)[0];
            $fixed[$spec->tag] = $price->aimFixed($mean, $sd, $total);
            $figures[$spec->tag] = [$carry / $n, $bay / $n];
            $spread[$spec->tag] = sqrt(array_sum(array_map(static fn (float $s): float => $s ** 2, $bays)) / $n - ($bay / $n) ** 2);
        }

        return ['free' => $free, 'fixed' => $fixed, 'figures' => $figures, 'spread' => $spread];
    }

    /** @return list<LaunchShot> */
    private function trial(Hidden $player, SetupSpec $spec, SetupSpec $own, int $n, float $order): array
    {
        $shots = [];
        for ($k = 0; $k < $n; $k++) {
            $hit = $player->hit($spec, $own, $this->random, $order);
            if ($hit !== null) {
                [$ball, $club, $strike] = $hit;
                $noise = fn (float $v, float $sd): float => $v + $sd * Normal::draw($this->random);
                $s = $player->hand->sign();
                $flown = $player->range->fly($ball);
                $shots[] = LaunchShot::of(
                    [
                        'carryM' => max(21.0, $noise($flown->carryM, 1.5)), 'apexM' => max(1.5, $noise($flown->apexM, 0.7)),
                        'ballSpeedMps' => $noise($ball->ballSpeedMps, 0.25), 'launchDeg' => $noise($ball->launchDeg, 0.25),
                        'spinRpm' => max(300.0, $noise($ball->spinRpm, 60)),
                        'directionDeg' => $s * $noise($ball->directionDeg, 0.25),
                        'spinAxisDeg' => max(-85.0, min(85.0, $s * $noise($ball->spinAxisDeg, 1.0))),
                        'clubSpeedMps' => $noise($club->clubSpeedMps, 0.3), 'attackDeg' => $noise($club->attackDeg, 0.5),
                        'pathDeg' => $s * $noise($club->pathDeg, 0.5), 'strikeToeMm' => $noise($strike->toeMm, 1.5),
                        'strikeHighMm' => $noise($strike->highMm, 1.5),
                    ],
                    $player->range,
                );
            }
        }

        return $shots;
    }

    /** @param  list<SetupSpec>  $rack */
    private function ours(Hidden $player, array $rack, SetupSpec $own, Brief $brief, int $swings): Finder
    {
        [$draws] = $this->drawn($player, $rack, $own, $swings);

        return Finder::of($draws, $brief);
    }

    /**
     * Own club, then one setup of each head in turn, lofts and faces far apart.
     *
     * @param  list<SetupSpec>  $rack
     * @return array{PredictedDraws, list<string>} and the setups that were hit
     */
    private function drawn(Hidden $player, array $rack, SetupSpec $own, int $swings): array
    {
        $hand = $player->hand;
        $mirrored = array_map(
            static fn (SetupSpec $b): SetupSpec => new SetupSpec(
                $b->tag, $b->head, $b->body, $b->squaredLoftDeg, $b->soledLoftDeg, $b->soledFaceOpenDeg, $b->sleeve, $b->weights,
                hand: $hand,
            ),
            $rack,
        );
        $ownHere = new SetupSpec(
            'own', $own->head, $own->body, $own->squaredLoftDeg, $own->soledLoftDeg, $own->soledFaceOpenDeg, hand: $hand,
        );
        $heads = array_values(array_unique(array_map(static fn (SetupSpec $b): string => $b->head, $rack)));
        $plan = [17, 46, 72, 118, 8, 55, 90, 101, 30];
        $tested = [['spec' => $ownHere, 'shots' => $this->trial($player, $own, $own, self::PER_TRIAL, 0.1), 'order' => 0.1]];
        for ($k = 1; $k < intdiv($swings, self::PER_TRIAL); $k++) {
            $i = $plan[($k - 1) % count($plan)];
            $tested[] = [
                'spec' => $mirrored[$i], 'shots' => $this->trial($player, $rack[$i], $own, self::PER_TRIAL, 0.2 * $k),
                'order' => 0.2 * $k,
            ];
        }
        $speeds = array_map(static fn (LaunchShot $s): float => $s->measured['clubSpeedMps'], $tested[0]['shots']);
        $prior = Belief::prior(
            $ownHere, $speeds === [] ? 44.0 : array_sum($speeds) / count($speeds), $heads, array_column($tested, 'spec'), 0.5,
            $this->priorWidth,
        );
        $seen = [];
        foreach (array_merge(...array_column($tested, 'shots')) as $shot) {
            $seen[] = ['monitor' => 'bay', 'visit' => 1, 'values' => $shot->measured, 'air' => null];
        }
        $flight = $this->calibrates ? BayCalibration::of($seen, new BallFlight, new Atmosphere)->flight : new BallFlight;
        // What the calibration says of the air holds for what was not measured of the shots, too.
        foreach ($tested as $t => $trial) {
            $tested[$t]['shots'] = array_map(static fn (LaunchShot $s): LaunchShot => LaunchShot::of($s->measured, $flight), $trial['shots']);
        }
        $belief = $prior->after($tested);

        return [
            PredictedDraws::of($prior, $belief, $mirrored, $flight, missed: Discrepancy::among($belief, $tested, $flight)),
            array_map(static fn (array $t): string => $t['spec']->tag, $tested),
        ];
    }

    /**
     * One case a player for a setup that was hit and one for a setup that was not: how often 95 % intervals of differences from the own
     * club hold the truth.
     *
     * @return array<string, float>
     */
    public function coverage(int $players, int $swings = 20): array
    {
        $held = $seen = [];
        $spread = [];
        for ($i = 0; $i < $players; $i++) {
            $player = new Hidden($this->random, $i % 2 === 0 ? Hand::Right : Hand::Left, $this->width);
            $rack = self::rack();
            $own = new SetupSpec(
                'own', 'Old club', new Head(10.5, 200.0, 0.0, 34.0, -4.0), 10.2 + Normal::draw($this->random), 10.2,
                0.3 * Normal::draw($this->random),
            );
            $brief = new Brief(corridor: new Corridor(30.0, new Trouble(Normal::uniform($this->random) < 0.4 ? 'water' : 'rough'), new Trouble('trees')));
            [$draws, $hit] = $this->drawn($player, $rack, $own, $swings);
            $found = Finder::of($draws, $brief);
            $byTag = [];
            foreach ($found->setups as $p) {
                $byTag[$p->spec->tag] = $p;
            }
            $others = array_values(array_filter($rack, static fn (SetupSpec $s): bool => ! in_array($s->tag, $hit, true)));
            $which = ['hit' => $hit[1 + $i % (count($hit) - 1)], 'not hit' => $others[$this->random->getInt(0, count($others) - 1)]->tag];
            $specs = [$own, ...array_values(array_filter($rack, static fn (SetupSpec $s): bool => in_array($s->tag, $which, true)))];
            $truth = $this->truth($player, $specs, $own, $brief, 240);
            $sign = $player->hand->sign();
            foreach ($which as $kind => $tag) {
                [$p, $t] = [$byTag[$tag], $truth['figures']];
                $seen[$kind] = ($seen[$kind] ?? 0) + 1;
                foreach ([
                    'carry' => $p->carryGainInterval->contains($t[$tag][0] - $t['own'][0]), 'side' => $this->sideCovered($p, $found->base, $t, $sign),
                    'strokes' => $p->gainInterval->contains($truth['free']['own'] - $truth['free'][$tag]),
                ] as $what => $isHeld) {
                    $held["{$kind}: {$what}"] = ($held["{$kind}: {$what}"] ?? 0) + ($isHeld ? 1 : 0);
                }
            }
            $spread[] = $byTag['own']->sideSpreadM / $truth['spread']['own'];
        }
        $out = [];
        foreach ($held as $name => $n) {
            $out[$name] = $n / $seen[explode(':', $name)[0]];
        }

        return $out + ['spread of side, told over true' => array_sum($spread) / count($spread)];
    }

    /**
     * The usual way in its strongest form: one factor at a time, best average strokes, and the old setup is kept unless the new
     * leads by one standard error.
     *
     * @param  list<SetupSpec>  $rack
     */
    private function usual(Hidden $player, array $rack, SetupSpec $own, Brief $brief, int $swings): string
    {
        $price = new Strokes($brief, 4.0);
        $score = function (SetupSpec $spec, int $n, float $order) use ($player, $own, $price, $brief): array {
            $shots = $this->trial($player, $spec, $own, $n, $order);
            $sides = array_map(static fn (LaunchShot $s): float => (float) ($s->computed['sideM'] ?? 0.0), $shots);
            $totals = array_map(static fn (LaunchShot $s): float => (float) ($s->computed['totalM'] ?? 200.0), $shots);
            $m = max(1, count($shots));
            $each = array_map(static fn (float $side, float $total): float => $price->aimFixed($side, 1.0, $total), $sides, $totals);
            $mean = array_sum($sides) / $m;
            $total = array_sum($totals) / $m;
            $var = array_sum(array_map(static fn (float $v): float => ($v - array_sum($each) / $m) ** 2, $each)) / max(1, $m - 1);
            // With a free aim the fitter looks at the pattern, not at where it points.
            $value = $brief->aimFree
                ? array_sum(
                    array_map(static fn (float $side, float $t): float => $price->aimFixed($side - $mean, 1.0, $t), $sides, $totals),
                ) / $m
                : array_sum($each) / $m;

            return [$value, sqrt($var / $m), $total];
        };
        $trials = intdiv($swings, self::PER_TRIAL);
        [$now, $error] = $score($own, self::PER_TRIAL, 0.1);
        $benchmark = 'own';
        // Head, then sleeve, then weights.
        $by = [];
        foreach ($rack as $b) {
            $by[$b->head][(int) $b->sleeve][(int) $b->weights] = $b;
        }
        $remaining = $trials - 1;
        $order = 0.2;
        $try = function (SetupSpec $b) use (&$now, &$error, &$benchmark, &$remaining, &$order, $score): void {
            if ($remaining-- <= 0) {
                return;
            }
            [$value, $e] = $score($b, self::PER_TRIAL, $order);
            $order += 0.2;
            if ($value < $now - hypot($e, $error)) {
                [$now, $error, $benchmark] = [$value, $e, $b->tag];
            }
        };
        foreach ($by as $sleeves) {
            $try($sleeves[0][0]);
        }
        $head = $benchmark === 'own' ? array_key_first($by) : explode('/', $benchmark)[0];
        foreach ([4, 2, 5, 6] as $p) {
            $try($by[$head][$p][0]);
        }
        $sleeve = $benchmark === 'own' || ! str_starts_with($benchmark, (string) $head) ? 0 : (int) explode('/', $benchmark)[1];
        foreach ([1, 2, 3] as $w) {
            $try($by[$head][$sleeve][$w]);
        }

        return $benchmark;
    }
}

if (isset($argv[0]) && realpath($argv[0]) === __FILE__) {
    $players = (int) ($argv[1] ?? 500);
    $begun = hrtime(true);
    echo "{$players} hidden players, priors times ".(float) ($argv[4] ?? 1)."\n";
    $bench = new Advice(new Randomizer(new Mt19937((int) ($argv[2] ?? 1))), (float) ($argv[4] ?? 1), calibrates: ! in_array('plain', $argv, true));
    foreach ($bench->run($players, (int) ($argv[3] ?? 40)) as $name => $value) {
        printf("  %-62s %8.4f\n", $name, $value);
    }
    printf("  %-62s %8.1f s\n", 'time', (hrtime(true) - $begun) / 1e9);
}
