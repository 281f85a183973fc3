<?php

// Does the belief come to the shots? Hidden players hit their own club and one other setup many times:
//   php bin/parts/bench/belief.php [players 100] [seed 1] [shots of each 30] [ball: nothing of the club is seen]
// Also run short by tests/Core/BeliefTest.php.

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Discrepancy;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/../../../vendor/autoload.php';
require_once __DIR__.'/hidden.php';

final class BeliefBench
{
    private const CLUB = ['clubSpeedMps', 'attackDeg', 'pathDeg', 'strikeToeMm', 'strikeHighMm'];

    public function __construct(private readonly Randomizer $random)
    {
    }

    /** @return array<string, float> */
    public function run(int $players, int $shots, bool $ballOnly): array
    {
        $off = ['carry' => [], 'side' => [], 'share' => [], 'sd' => []];
        $told = ['gain' => [], 'holds' => 0, 'gains' => 0];
        for ($i = 0; $i < $players; $i++) {
            $hand = $i % 2 === 0 ? Hand::Right : Hand::Left;
            $player = new Hidden($this->random, $hand);
            [$own, $other] = $this->setups($hand, $i);
            $tested = [];
            // In turns of at most ten: no setup has the fresh player for itself.
            $hit = ['own' => [], $other->tag => []];
            for ($from = 0; $from < $shots; $from += 10) {
                foreach ([$own, $other] as $k => $spec) {
                    $n = min(10, $shots - $from);
                    $order = (2 * $from + $k * $n) / 20;
                    $turn = $this->hit($player, $spec, $own, $n, $order, $ballOnly);
                    $tested[] = ['spec' => $spec, 'shots' => $turn, 'order' => $order + $n / 40];
                    $hit[$spec->tag] = [...$hit[$spec->tag], ...$turn];
                }
            }
            $speed = $player->mean[0];
            $prior = Belief::prior($own, $speed, [$own->head, $other->head], [$own, $other], 0.5);
            $belief = $prior->after($tested);
            $draws = PredictedDraws::of($prior, $belief, [$other], new BallFlight, missed: Discrepancy::among($belief, $tested, new BallFlight));
            $means = [];
            foreach ([$own, $other] as $k => $spec) {
                $carries = array_map(fn (LaunchShot $s): float => $s->known['carryM'], $hit[$spec->tag]);
                $rests = array_map(fn (LaunchShot $s): float => $s->known['totalSideM'], $hit[$spec->tag]);
                [$mean, $side] = [self::mean($carries), self::mean($rests)];
                $sd = sqrt(array_sum(array_map(fn (float $v): float => ($v - $side) ** 2, $rests)) / (count($rests) - 1));
                $figures = $draws->figures[$k];
                $means[$k] = $mean;
                $off['carry'][] = self::mean($figures[0]) / $mean - 1;
                $off['side'][] = self::mean($figures[6]) - $side;
                $off['sd'][] = self::mean($figures[7]) / $sd - 1;
                $share = self::mean(array_map(fn (float $m, float $s): float => self::within($m, $s), $figures[6], $figures[7]));
                $off['share'][] = $share - self::within($side, $sd);
            }
            $seen = $means[1] - $means[0];
            $gaps = array_map(fn (float $a, float $b): float => $b - $a, $draws->figures[0][0], $draws->figures[1][0]);
            $told['holds'] += Interval::middleOf($gaps)->contains($seen) ? 1 : 0;
            if (abs($seen) > 6.0) {
                $told['gains']++;
                $told['gain'][] = self::mean($gaps) / $seen;
            }
        }
        $rms = fn (array $v): float => sqrt(array_sum(array_map(fn (float $x): float => $x * $x, $v)) / count($v));
        $under = fn (array $v, float $most): float => count(array_filter($v, fn (float $x): bool => abs($x) <= $most)) / count($v);

        return [
            'carry told over shown, bias %' => 100 * self::mean($off['carry']), 'carry, rms %' => 100 * $rms($off['carry']),
            'carry within 1 %' => $under($off['carry'], 0.01), 'carry, worst %' => 100 * max([0.0, ...array_map(abs(...), $off['carry'])]),
            'side, rms m' => $rms($off['side']), 'side within 1 m' => $under($off['side'], 1.0),
            'spread of side told over shown, bias %' => 100 * self::mean($off['sd']),
            'share, rms' => $rms($off['share']), 'share within .05' => $under($off['share'], 0.05),
            'interval of the gain holds the measured one' => $told['holds'] / $players,
            'share of a gain over 6 m that is told' => $told['gain'] === [] ? 1.0 : self::mean($told['gain']),
            'least share told' => $told['gain'] === [] ? 1.0 : min($told['gain']),
        ];
    }

    /** @return array{SetupSpec, SetupSpec} the own club; the same head turned, or another head */
    private function setups(Hand $hand, int $i): array
    {
        $own = new SetupSpec('own', 'Old club', new Head(10.5, 200.0, 0.0, 34.0, -4.0), 10.5, 10.5, 0.0, hand: $hand);
        $other = $i % 4 < 2
            ? new SetupSpec('turned', 'Old club', new Head(10.5, 200.0, 0.0, 34.0, -4.0), 12.0, 10.5, -0.8, hand: $hand)
            : new SetupSpec('new', 'Head P', new Head(10.5, 200.0, 0.0, 33.0, -4.2), 10.5, 10.5, 0.0, hand: $hand);

        return [$own, $other];
    }

    /** @return list<LaunchShot> */
    private function hit(Hidden $player, SetupSpec $spec, SetupSpec $own, int $n, float $order, bool $ballOnly): array
    {
        $sign = $player->hand->sign();
        $noise = fn (float $v, float $sd): float => $v + $sd * Normal::draw($this->random);
        $out = [];
        for ($k = 0; $k < $n; $k++) {
            $hit = $player->hit($spec, $own, $this->random, $order + $k / 20);
            if ($hit === null) {
                continue;
            }
            [$ball, $club, $strike] = $hit;
            $values = [
                'ballSpeedMps' => $noise($ball->ballSpeedMps, 0.25), 'launchDeg' => max(0.7, $noise($ball->launchDeg, 0.25)),
                'spinRpm' => max(300.0, $noise($ball->spinRpm, 60)), 'directionDeg' => $sign * $noise($ball->directionDeg, 0.25),
                'spinAxisDeg' => max(-85.0, min(85.0, $sign * $noise($ball->spinAxisDeg, 1.0))),
                'clubSpeedMps' => $noise($club->clubSpeedMps, 0.3), 'attackDeg' => $noise($club->attackDeg, 0.5),
                'pathDeg' => $sign * $noise($club->pathDeg, 0.5), 'strikeToeMm' => $noise($strike->toeMm, 1.5),
                'strikeHighMm' => $noise($strike->highMm, 1.5),
            ];
            $out[] = LaunchShot::of($ballOnly ? array_diff_key($values, array_flip(self::CLUB)) : $values, new BallFlight);
        }

        return $out;
    }

    private static function within(float $mean, float $sd): float
    {
        return Normal::cdf((15 - $mean) / $sd) - Normal::cdf((-15 - $mean) / $sd);
    }

    /** @param  array<int, float>  $v */
    private static function mean(array $v): float
    {
        return array_sum($v) / max(1, count($v));
    }
}

if (isset($argv[0]) && realpath($argv[0]) === __FILE__) {
    $begun = hrtime(true);
    $bench = new BeliefBench(new Randomizer(new Mt19937((int) ($argv[2] ?? 1))));
    foreach ($bench->run((int) ($argv[1] ?? 100), (int) ($argv[3] ?? 30), ($argv[4] ?? '') === 'ball') as $name => $value) {
        printf("  %-48s %8.3f\n", $name, $value);
    }
    printf("  %-48s %8.1f s\n", 'time', (hrtime(true) - $begun) / 1e9);
}
