<?php

// Simulated sessions against the rules of judging: how often they are wrong, how often they see what is there. php
// bin/parts/bench/judging.php [sessions 5000] [seed 1] Also run short by tests/Core/JudgingBenchTest.php. Players are made up;
// their spreads and mishits are not those the rules assume.

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Comparison;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\CorridorShare;
use MintCarry\Core\Fitting\LiveVerdict;
use MintCarry\Core\Fitting\Mishits;
use MintCarry\Core\Fitting\Scoring;
use MintCarry\Core\Fitting\ShotSet;
use MintCarry\Core\Fitting\SideEstimate;
use MintCarry\Core\Fitting\Verdict;
use MintCarry\Core\Fitting\Wanted;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Impact\SetupEffect;
use MintCarry\Core\Impact\ShotMaker;
use MintCarry\Core\Judging\Evidence;
use MintCarry\Core\Judging\LikeForLike;
use MintCarry\Core\Judging\SessionSpeeds;
use MintCarry\Core\Judging\Verdicts;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/../../../vendor/autoload.php';

final class Judging
{
    private readonly BallFlight $flight;

    public function __construct(private readonly Randomizer $random)
    {
        $this->flight = new BallFlight;
    }

    /** @return array<string, float> */
    public function run(int $sessions): array
    {
        $count = [
            'clean' => 0, 'cleanPanel' => 0, 'rough' => 0, 'roughPanel' => 0, 'power' => 0, 'settledAfter' => 0, 'covered' => 0,
            'alikeCovered' => 0, 'compared' => 0, 'twins' => 0, 'twinsDrifting' => 0, 'withheld' => 0, 'withheldCalm' => 0, 'returned' => 0,
        ];
        $error = ['measured' => 0.0, 'alike' => 0.0];
        $share = [4 => [0, 0.0, 0], 8 => [0, 0.0, 0], 12 => [0, 0.0, 0]];
        $mishits = ['costly' => 0, 'found' => 0, 'good' => 0, 'alarms' => 0];
        for ($s = 0; $s < $sessions; $s++) {
            $calm = $this->player(0.0, 0.0);
            [$better, $panel] = $this->looked($calm, 0.0);
            $count['clean'] += $better;
            $count['cleanPanel'] += $panel;
            $rough = $this->player(0.06, 0.0008);
            [$better, $panel] = $this->looked($rough, 0.0);
            $count['rough'] += $better;
            $count['roughPanel'] += $panel;
            // One SD of carry is about 9 m: 2.4 m/s of ball speed.
            [$better, , $after] = $this->looked($calm, 1.0);
            $count['power'] += $better;
            $count['settledAfter'] += $better ? $after : 0;
            [$marked, $withheld] = $this->twins($calm, false);
            $count['twins'] += $marked;
            $count['withheldCalm'] += $withheld;
            [$marked, $withheld] = $this->twins($rough, false);
            $count['twinsDrifting'] += $marked;
            $count['withheld'] += $withheld;
            $count['returned'] += $this->twins($rough, true)[0];
            if ($s % 4 === 0) {
                $this->alike($calm, $count, $error);
                $this->shares($this->player(0.03, 0.0), $share);
                $this->mishits($rough, $mishits);
            }
        }
        $of = static fn (int|float $n, int|float $all): float => $all > 0 ? $n / $all : 0.0;

        return [
            'false better, clean' => $of($count['clean'], $sessions),
            'false better of any measure, clean' => $of($count['cleanPanel'], $sessions),
            'false better, mishits and tiring' => $of($count['rough'], $sessions),
            'false better of any measure, mishits and tiring' => $of($count['roughPanel'], $sessions),
            'any mark on identical setups, no drift' => $of($count['twins'], $sessions),
            'any mark on identical setups, mishits and tiring' => $of($count['twinsDrifting'], $sessions),
            'the same, after a return to the benchmark' => $of($count['returned'], $sessions),
            'marks withheld, no drift' => $of($count['withheldCalm'], $sessions),
            'marks withheld, mishits and tiring' => $of($count['withheld'], $sessions),
            'power at one SD' => $of($count['power'], $sessions),
            'shots to a verdict, where there is one' => $of($count['settledAfter'], $count['power']),
            'coverage of the like-for-like interval' => $of($count['alikeCovered'], $count['compared']),
            'RMSE of a carry difference, measured, m' => sqrt($of($error['measured'], $count['compared'])),
            'RMSE of a carry difference, like for like, m' => sqrt($of($error['alike'], $count['compared'])),
            'share, RMSE at 4' => sqrt($of($share[4][1], $share[4][0])),
            'share, RMSE at 8' => sqrt($of($share[8][1], $share[8][0])),
            'share, RMSE at 12' => sqrt($of($share[12][1], $share[12][0])),
            'share, coverage at 4' => $of($share[4][2], $share[4][0]), 'share, coverage at 8' => $of($share[8][2], $share[8][0]),
            'share, coverage at 12' => $of($share[12][2], $share[12][0]),
            'costly mishits found' => $of($mishits['found'], $mishits['costly']),
            'false alarms' => $of($mishits['alarms'], $mishits['good']),
        ];
    }

    private function uniform(float $low, float $high): float
    {
        return Normal::uniform($this->random, $low, $high);
    }

    private function player(float $mishits, float $tiring): PlayerModel
    {
        return new PlayerModel(
            clubSpeedMps: $this->uniform(36, 53), attackDeg: $this->uniform(-3, 4), pathDeg: $this->uniform(-4, 4),
            faceDeg: $this->uniform(-1.5, 1.5), dynamicLoftDeg: $this->uniform(11, 16), toeMm: $this->uniform(-6, 6),
            highMm: $this->uniform(-4, 5), looseness: $this->uniform(0.7, 1.4), mishitShare: $mishits, tiringPerSwing: $tiring,
            warmUpSwings: $tiring > 0 ? 5 : 0,
        );
    }

    /** @return array{list<LaunchShot>, list<bool>} shots, and which of them were mishits */
    private function hit(ShotMaker $maker, PlayerModel $player, int $n, float $faster = 0.0): array
    {
        $shots = $missed = [];
        for ($i = 0; $i < $n; $i++) {
            $hit = $maker->hit($player);
            $seen = ShotMaker::seen($hit);
            $seen['ballSpeedMps'] += $faster;
            $shots[] = LaunchShot::of($seen, $this->flight);
            $missed[] = $hit['mishit'];
        }

        return [$shots, $missed];
    }

    /**
     * Twelve benchmark shots, then a trial looked at after every shot up to the twentieth.
     *
     * @return array{int, int, int} declared better, any better, after how many shots
     */
    private function looked(PlayerModel $player, float $sd): array
    {
        $maker = new ShotMaker(new SetupEffect(new Head), Hand::Right, $this->random);
        [$a] = $this->hit($maker, $player, 12);
        $benchmark = new ShotSet('A', $a);
        $faster = $sd * 2.4 * $player->looseness;
        [$b] = $this->hit($maker, $player, 20, $faster);
        $panel = 0;
        for ($n = 3; $n <= 20; $n++) {
            foreach (LiveVerdict::of($benchmark, new ShotSet('B', array_slice($b, 0, $n)), Wanted::of(new Brief(scoring: Scoring::Longest->value))) as $told) {
                if ($told->verdict === Verdict::Better) {
                    if ($told->declared) {
                        return [1, 1, $n];
                    }
                    $panel = 1;
                }
            }
        }

        return [0, $panel, 20];
    }

    /**
     * Two setups that are the same: what is told of their difference of carry, as measured and like for like.
     *
     * @param  array<string, int>  $count
     * @param  array<string, float>  $error
     */
    private function alike(PlayerModel $player, array &$count, array &$error): void
    {
        $maker = new ShotMaker(new SetupEffect(new Head), Hand::Right, $this->random);
        $all = [];
        foreach (['A', 'B'] as $tag) {
            $e = Evidence::of(
                new SetupSpec($tag, 'h', new Head, 10.5, 10.5, 0.0), new ShotSet($tag, $this->hit($maker, $player, 6)[0]),
                $this->flight,
            );
            if ($e === null) {
                return;
            }
            $all[] = $e;
        }
        $alike = LikeForLike::of($all);
        $told = $alike['B']->against($alike['A'], 'carryM');
        if ($told === null) {
            return;
        }
        $count['compared']++;
        $count['alikeCovered'] += $told['interval']->contains(0.0) ? 1 : 0;
        $error['alike'] += $told['value'] ** 2;
        $error['measured'] +=
            ((float) $all[1]->set->summary(Measure::Carry)?->mean - (float) $all[0]->set->summary(Measure::Carry)?->mean) ** 2;
    }

    /** @param  array<int, array{int, float, int}>  $share */
    private function shares(PlayerModel $player, array &$share): void
    {
        $maker = new ShotMaker(new SetupEffect(new Head), Hand::Right, $this->random);
        $corridor = new Corridor(30.0);
        $in = 0;
        $true = $this->hit($maker, $player, 160)[0];
        foreach ($true as $shot) {
            // Where it comes to rest, each bounce turning it a little.
            $run = ($shot->value(Measure::Total) ?? 0.0) - ($shot->value(Measure::Carry) ?? 0.0);
            $in += abs(($shot->value(Measure::TotalSide) ?? 99.0) + 0.06 * $run * Normal::draw($this->random)) <= 15.0 ? 1 : 0;
        }
        foreach (array_keys($share) as $n) {
            $set = new ShotSet('A', $this->hit($maker, $player, $n)[0]);
            $told = CorridorShare::of(SideEstimate::of($set, SideEstimate::pooledSpread([$set])), $corridor, $this->random, 200);
            $share[$n][0]++;
            $share[$n][1] += ($told->share - $in / 160) ** 2;
            $share[$n][2] += $told->interval->contains($in / 160) ? 1 : 0;
        }
    }

    /**
     * Three setups that are the same, hit eight times each in turn, as Compare shows them in the end: words and bold differences of all
     * measures.
     *
     * @param  bool  $returns  is the benchmark hit again at the end?
     * @return array{int, int} whether any mark is shown, whether words are withheld of any
     */
    private function twins(PlayerModel $player, bool $returns): array
    {
        $maker = new ShotMaker(new SetupEffect(new Head), Hand::Right, $this->random);
        $sets = $ordered = [];
        foreach (['A', 'B', 'C', ...($returns ? ['A'] : [])] as $tag) {
            $shots = $this->hit($maker, $player, 8)[0];
            foreach ($shots as $shot) {
                $ordered[] = ['tag' => $tag, 'sequence' => count($ordered) + 1, 'shot' => $shot];
            }
            $sets[$tag] = new ShotSet($tag, [...($sets[$tag] ?? null)->shots ?? [], ...$shots]);
        }
        $words = Verdicts::among($sets, 'A', Wanted::of(new Brief), SessionSpeeds::inOrder($ordered));
        $marked = 0;
        foreach ($words->of as $verdicts) {
            foreach ($verdicts as $v) {
                $marked = $v->verdict->isMark() ? 1 : $marked;
            }
        }
        foreach (Comparison::of(array_values($sets), 'A', withheld: array_keys($words->withheld))->rows as $row) {
            foreach ($row['cells'] as $cell) {
                $marked = $cell['clear'] ? 1 : $marked;
            }
        }

        return [$marked, $words->withheld === [] ? 0 : 1];
    }

    /** @param  array<string, int>  $mishits */
    private function mishits(PlayerModel $player, array &$mishits): void
    {
        $maker = new ShotMaker(new SetupEffect(new Head), Hand::Right, $this->random);
        [$shots, $missed] = $this->hit($maker, $player, 16);
        $set = new ShotSet('A', $shots);
        $usual = (float) $set->summary(Measure::Carry)?->median;
        $told = Mishits::among([$set])['A'] ?? [];
        foreach ($shots as $i => $shot) {
            $costly = ($shot->value(Measure::Carry) ?? 0.0) < 0.93 * $usual;
            if ($missed[$i] && $costly) {
                $mishits['costly']++;
                $mishits['found'] += isset($told[$i]) ? 1 : 0;
            } elseif (! $missed[$i]) {
                $mishits['good']++;
                $mishits['alarms'] += isset($told[$i]) ? 1 : 0;
            }
        }
    }
}

if (isset($argv[0]) && realpath($argv[0]) === __FILE__) {
    $sessions = (int) ($argv[1] ?? 5000);
    $begun = hrtime(true);
    echo "{$sessions} simulated sessions\n";
    foreach ((new Judging(new Randomizer(new Mt19937((int) ($argv[2] ?? 1)))))->run($sessions) as $name => $value) {
        printf("  %-52s %7.3f\n", $name, $value);
    }
    printf("  %-52s %7.1f s\n", 'time', (hrtime(true) - $begun) / 1e9);
}
