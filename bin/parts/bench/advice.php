<?php

// The advice over hidden players that do not obey our own model. Truth: what each setup costs a player is counted from flown shots of that
// player, with wind; losses are against the best of the rack.
//   php bin/parts/bench/advice.php [players 300] [--seed 1] [--world first|second] [--width 1] [--swings 40] [--prior 1] [--only PART]
// PART: losses (against the usual way), decide (caution, chances, expected loss), cover (intervals), follow (the next trial against random).
// Also run short by tests/Core/AdviceBenchTest.php.

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Air\Atmosphere;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Discrepancy;
use MintCarry\Core\Finder\Finder;
use MintCarry\Core\Finder\Lesson;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Effort;
use MintCarry\Core\Fitting\Option;
use MintCarry\Core\Fitting\Pick;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Launch\BayCalibration;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Memory\LearnedFitting;
use MintCarry\Core\Memory\Learning;
use MintCarry\Core\Memory\StudioMemory;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/../../../vendor/autoload.php';
require_once __DIR__.'/hidden.php';
require_once __DIR__.'/second.php';

/**
 * One bench session: a player, their own club, a rack and a brief.
 *
 * @phpstan-type Tested list<array{spec: SetupSpec, shots: list<LaunchShot>, order: float}>
 */
final class Advice
{
    private const PER_TRIAL = 4;

    /** Share of what heads do of their own that they do for every player of a studio. */
    private const SHARED = 0.7;

    /** So many fittings taught the memory that is also tried with its heads swapped. */
    private const WRONG = 60;

    private ?StudioMemory $memory = null;

    private ?LearnedFitting $lesson = null;

    private const HEADS = ['Head P', 'Head Q', 'Head R', 'Head S'];

    public function __construct(
        private readonly Randomizer $random, private readonly string $world = 'first', private readonly float $width = 1.0,
        private readonly float $priorWidth = 1.0, private readonly int $truthShots = 60, private readonly bool $calibrates = true,
    ) {
    }

    private function player(int $i): Player
    {
        $hand = $i % 2 === 0 ? Hand::Right : Hand::Left;
        $own = new SetupSpec('own', 'Old club', new Head(10.5, 200.0, 0.0, 34.0, -4.0), 10.2, 10.2, 0.0, hand: $hand);
        do {
            $player = $this->world === 'second' ? new Second($this->random, $hand, $this->width) : new Hidden($this->random, $hand, $this->width);
            // Who tops the ball or hits it straight up is for a coach.
            $launches = array_filter(array_map(fn (): ?float => $player->shot($own, $own, $this->random)['launchDeg'] ?? null, range(1, 8)));
        } while (count($launches) < 8 || min($launches) < 3 || max($launches) > 27);

        return $player;
    }

    private function own(Hand $hand): SetupSpec
    {
        return new SetupSpec(
            'own', 'Old club', new Head(10.5, 200.0, 0.0, 34.0, -4.0), 10.2 + Normal::draw($this->random), 10.2, 0.3 * Normal::draw($this->random),
            hand: $hand,
        );
    }

    private function brief(bool $aimFree = true): Brief
    {
        $left = new Trouble(Normal::uniform($this->random) < 0.4 ? 'water' : 'rough');

        return new Brief(corridor: new Corridor(30.0, $left, new Trouble('trees')), aimFree: $aimFree);
    }

    /**
     * Four heads, eight positions, four arrangements; or three heads and the own one, five positions, two arrangements.
     *
     * @return list<SetupSpec>
     */
    public static function rack(Hand $hand = Hand::Right, ?SetupSpec $own = null): array
    {
        $heads = [
            ['Head P', 33.0, -4.2, 200.0, 0.0], ['Head Q', 36.0, -3.8, 203.0, 0.4], ['Head R', 39.0, -3.4, 204.0, -0.3],
            ['Head S', 30.0, -4.6, 199.0, 0.7],
        ];
        $positions = [[0.0, 0.0], [0.75, -0.4], [1.5, -0.8], [-0.75, 0.4], [-1.5, 0.8], [0.0, 0.9], [0.0, -0.9], [0.75, 0.6]];
        $weights = [[0.0, 0.0], [-2.6, 0.0], [2.6, 0.0], [0.0, -4.0]];
        if ($own !== null) {
            [$heads, $positions, $weights] = [[...array_slice($heads, 0, 3), null], array_slice($positions, 0, 5), array_slice($weights, 0, 2)];
        }
        $out = [];
        foreach ($heads as $head) {
            foreach ($positions as $p => [$loft, $face]) {
                foreach ($weights as $w => [$toe, $moved]) {
                    if ($head === null && $own !== null) {
                        $body = $own->body;
                        $turned = new SetupSpec(
                            "own/{$p}/{$w}", $own->head, new Head(10.5, $body->massG, $toe, $body->cgBackMm + $moved, $body->cgUpMm),
                            $own->squaredLoftDeg + $loft, $own->soledLoftDeg, $own->soledFaceOpenDeg + $face, (string) $p, (string) $w, hand: $hand,
                        );
                        if ($p + $w > 0) {
                            $out[] = $turned;
                        }

                        continue;
                    }
                    [$name, $back, $up, $mass, $off] = $head ?? $heads[0];
                    $out[] = new SetupSpec(
                        "{$name}/{$p}/{$w}", $name, new Head(10.5 + $off, $mass, $toe, $back + $moved, $up), 10.5 + $off + $loft, 10.5 + $off,
                        $face, (string) $p, (string) $w, hand: $hand,
                    );
                }
            }
        }

        return $out;
    }

    /**
     * Against the usual way, with the aim free and fixed, after 20 and more swings.
     *
     * @return array<string, float>
     */
    public function losses(int $players, int $swings = 40): array
    {
        $sum = [];
        $add = function (string $name, float $value) use (&$sum): void {
            $sum[$name] = ($sum[$name] ?? 0.0) + $value;
        };
        for ($i = 0; $i < $players; $i++) {
            $player = $this->player($i);
            $own = $this->own($player->hand());
            $rack = self::rack($player->hand());
            $free = $this->brief();
            $truth = $this->truth($player, [$own, ...$rack], $own, $free);
            foreach (['free', 'fixed'] as $aim) {
                $brief = $aim === 'free' ? $free : new Brief(corridor: $free->corridor, aimFree: false);
                $costs = $truth[$aim];
                $best = $costs === [] ? 0.0 : min($costs);
                $add("{$aim}: own club", $costs['own'] - $best);
                $add("{$aim}: random", array_sum($costs) / count($costs) - $best);
                foreach ([20, $swings] as $budget) {
                    $usual = $this->usual($player, $rack, $own, $brief, $budget);
                    $add("{$aim}: usual way, {$budget} swings", $costs[$usual] - $best);
                    $add("{$aim}: usual way worse than own, {$budget} swings", $costs[$usual] > $costs['own'] + 1e-9 ? 1.0 : 0.0);
                    $found = Finder::of($this->drawn($player, $rack, $own, $this->spread($rack, $budget))[0], $brief);
                    $pick = $found->pick->spec->tag;
                    $add("{$aim}: ours, {$budget} swings", $costs[$pick] - $best);
                    $add("{$aim}: ours without the keep-own rule, {$budget} swings", $costs[$found->best->spec->tag] - $best);
                    $add("{$aim}: ours worse than own, {$budget} swings", $costs[$pick] > $costs['own'] + 1e-9 ? 1.0 : 0.0);
                    $add("{$aim}: ours, expected loss, {$budget} swings", $found->expectedLoss);
                }
            }
        }

        return array_map(static fn (float $v): float => $v / $players, $sum);
    }

    /**
     * One case a player for a setup that was hit and one for a setup that was not: how often 95 % intervals of differences from the own
     * club hold the truth.
     *
     * @return array<string, float>
     */
    public function coverage(int $players, int $swings = 20): array
    {
        $held = $spread = [];
        for ($i = 0; $i < $players; $i++) {
            $player = $this->player($i);
            $own = $this->own($player->hand());
            $rack = self::rack($player->hand(), $own);
            $brief = $this->brief();
            $tried = $this->spread($rack, $swings);
            $others = array_values(array_filter($rack, static fn (SetupSpec $s): bool => ! in_array($s, $tried, true)));
            $which = ['hit' => $tried[$i % count($tried)], 'not hit' => $others[$this->random->getInt(0, count($others) - 1)]];
            [$draws] = $this->drawn($player, array_values($which), $own, $tried);
            $found = Finder::of($draws, $brief);
            $truth = $this->truth($player, [$own, ...array_values($which)], $own, $brief, 300);
            $sign = $player->hand()->sign();
            foreach ($which as $kind => $spec) {
                [$s, $t] = [(int) $draws->index($spec->tag), $truth['figures']];
                $p = array_values(array_filter($found->setups, static fn ($p): bool => $p->spec->tag === $spec->tag))[0];
                $gap = static fn (int $f): Interval => Interval::middleOf(Pick::gaps($draws->figures[0][$f], $draws->figures[$s][$f]));
                foreach ([
                    'carry' => $gap(0)->contains($t[$spec->tag][0] - $t['own'][0]),
                    'side' => $gap(2)->contains($sign * ($t[$spec->tag][1] - $t['own'][1])),
                    'strokes' => $p->gainInterval->contains($truth['free']['own'] - $truth['free'][$spec->tag]),
                ] as $what => $isHeld) {
                    $held["{$kind}: {$what}"] = ($held["{$kind}: {$what}"] ?? 0) + ($isHeld ? 1 : 0);
                }
            }
            $spread[] = array_sum($draws->figures[0][4]) / count($draws->figures[0][4]) / $truth['spread']['own'];
        }

        return array_map(static fn (int $n): float => $n / $players, $held) + ['spread of side, told over true' => array_sum($spread) / $players];
    }

    /**
     * Caution and honesty of the advice: how often it is worse than the own club, what it loses and said it would lose, told chances against
     * what came true, and how often an identical twin is bought.
     *
     * @return array<string, float>
     */
    public function decide(int $players, int $swings = 28): array
    {
        $sum = [
            'loss' => 0.0, 'loss of keeping the own club' => 0.0, 'expected loss' => 0.0, 'worse than own' => 0.0,
            'worse by more than .015' => 0.0, 'own club kept' => 0.0,
        ];
        $bins = [];
        $failed = 0;
        for ($i = 0; $i < $players; $i++) {
            $player = $this->player($i);
            $own = $this->own($player->hand());
            $rack = self::rack($player->hand(), $own);
            $brief = $this->brief();
            try {
                [$draws] = $this->drawn($player, $rack, $own, $this->spread($rack, $swings));
            } catch (ModelFailure) {
                $failed++; // the application judges such a player by the shots alone, and says so

                continue;
            }
            $found = Finder::of($draws, $brief, offer: self::offer(...));
            $pick = $found->pick->spec->tag;
            $asked = [];
            foreach ($found->setups as $k => $p) {
                if ($p->spec->tag !== 'own' && $k % 5 === $i % 5) {
                    $asked[$p->spec->tag] = $p->chance;
                }
            }
            $truth = $this->sharp($player, $rack, $own, $brief, [$pick, ...array_keys($asked)]);
            $least = min([INF, ...array_values($truth)]);
            $worse = $truth[$pick] - $truth['own'];
            foreach ([
                'loss' => $truth[$pick] - $least, 'loss of keeping the own club' => $truth['own'] - $least,
                'expected loss' => $found->expectedLoss, 'worse than own' => $worse > 1e-9, 'worse by more than .015' => $worse > 0.015,
                'own club kept' => $pick === 'own',
            ] as $what => $value) {
                $sum[$what] += (float) $value;
            }
            foreach ($asked as $tag => $chance) {
                $bin = sprintf('%.1f', floor(min(0.999, $chance) * 10) / 10);
                $bins[$bin] ??= [0, 0.0, 0];
                $bins[$bin] = [$bins[$bin][0] + 1, $bins[$bin][1] + $chance, $bins[$bin][2] + ($truth[$tag] < $truth['own'] ? 1 : 0)];
            }
        }
        $out = array_map(static fn (float $v): float => $v / max(1, $players - $failed), $sum) + ['players whom the models fail on' => $failed];
        ksort($bins);
        foreach ($bins as $bin => [$n, $told, $true]) {
            $out[sprintf('chance from %s told %.3f, true (%d cases)', $bin, $told / $n, $n)] = $true / $n;
        }

        return $out + ['identical twin bought' => $this->twins($players)];
    }

    /**
     * What setups truly cost, from many shots of those that matter: the own club, the named ones, and those that may be the best.
     *
     * @param  list<SetupSpec>  $rack
     * @param  list<string>  $named
     * @return array<string, float>
     */
    private function sharp(Player $player, array $rack, SetupSpec $own, Brief $brief, array $named): array
    {
        $rough = $this->truth($player, $rack, $own, $brief, 30)['free'];
        asort($rough);
        $matter = [...$named, ...array_slice(array_keys($rough), 0, 5)];
        $specs = array_values(array_filter($rack, static fn (SetupSpec $s): bool => in_array($s->tag, $matter, true)));

        return $this->truth($player, [$own, ...$specs], $own, $brief, 240)['free'];
    }

    /** Share of sessions in which a head that does nothing else than the own one is advised. */
    private function twins(int $players): float
    {
        $bought = 0;
        for ($i = 0; $i < $players; $i++) {
            $player = $this->player($i);
            $own = $this->own($player->hand());
            // The same head under another name: it is hit as the own club is.
            $twin = new SetupSpec(...['tag' => 'twin', 'head' => 'Twin'] + get_object_vars($own));
            $tested = [];
            foreach ([$own, $twin, $own, $twin] as $k => $spec) {
                $tested[] = ['spec' => $spec, 'shots' => $this->trial($player, $own, $own, 6, 0.3 * $k), 'order' => 0.3 * $k];
            }
            [$draws] = $this->judged([$twin], $own, $tested);
            $bought += Finder::of($draws, $this->brief(), offer: self::offer(...))->pick->spec->tag === 'twin' ? 1 : 0;
        }

        return $bought / $players;
    }

    private static function offer(SetupSpec $spec): Option
    {
        return new Option(effort: $spec->tag === 'own' ? Effort::Nothing : ($spec->head === 'Old club' ? Effort::Turn : Effort::InStock));
    }

    /**
     * Follows the next trial until it says stop, and beside it hits random setups: what each loses, after how many swings, and how many of
     * them were expected worse than the own club.
     *
     * @return array<string, float>
     */
    public function follow(int $players): array
    {
        $gaps = $shots = [];
        $sum = ['following' => 0.0, 'random' => 0.0, 'swings following' => 0.0, 'swings random' => 0.0, 'worse following' => 0.0, 'worse random' => 0.0];
        for ($i = 0; $i < $players; $i++) {
            $player = $this->player($i);
            $own = $this->own($player->hand());
            $rack = self::rack($player->hand(), $own);
            $brief = $this->brief();
            $first = ['spec' => $own, 'shots' => $this->trial($player, $own, $own, 8, 0.2), 'order' => 0.2];
            $picked = [];
            foreach (['following', 'random'] as $way) {
                $tested = [$first];
                for ($k = 1; $k <= 5; $k++) {
                    [$draws] = $this->judged($rack, $own, $tested);
                    $found = Finder::of($draws, $brief, static fn (SetupSpec $s): int => 1, offer: self::offer(...));
                    if ($way === 'following' && ($found->mayStop || $found->next === null)) {
                        break;
                    }
                    $to = $way === 'following' ? $found->next['spec'] : $rack[$this->random->getInt(0, count($rack) - 1)];
                    $gain = array_column(array_map(static fn ($p): array => [$p->spec->tag, $p->carryGainM], $found->setups), 1, 0)[$to->tag] ?? 0.0;
                    $sum["worse {$way}"] += $gain < 0 ? 5 : 0;
                    $tested[] = ['spec' => $to, 'shots' => $this->trial($player, $to, $own, 5, 0.25 * $k + 0.3), 'order' => 0.25 * $k + 0.3];
                }
                [$draws] = $this->judged($rack, $own, $tested);
                $picked[$way] = Finder::of($draws, $brief, offer: self::offer(...))->pick->spec->tag;
                $sum["swings {$way}"] += array_sum(array_map(static fn (array $t): int => count($t['shots']), $tested));
            }
            $truth = $this->sharp($player, $rack, $own, $brief, array_values($picked));
            $least = min([INF, ...array_values($truth)]);
            foreach ($picked as $way => $tag) {
                $sum[$way] += $truth[$tag] - $least;
            }
            $gaps[] = $truth[$picked['following']] - $truth[$picked['random']];
        }
        $mean = array_sum($gaps) / $players;
        $sd = sqrt(array_sum(array_map(static fn (float $g): float => ($g - $mean) ** 2, $gaps)) / max(1, $players - 1));

        return array_map(static fn (float $v): float => $v / $players, $sum)
            + ['following less random' => $mean, 'standard error of it' => $sd / sqrt($players)];
    }

    /**
     * Setups far apart: of each head in turn.
     *
     * @param  list<SetupSpec>  $rack
     * @return list<SetupSpec>
     */
    private function spread(array $rack, int $swings): array
    {
        $plan = count($rack) === 128 ? [17, 46, 72, 118, 8, 55, 90, 101, 30] : [4, 13, 22, 33, 9, 17, 28, 36, 1];

        return array_map(
            static fn (int $k): SetupSpec => $rack[$plan[($k - 1) % count($plan)]], range(1, max(1, intdiv($swings, self::PER_TRIAL) - 1)),
        );
    }

    /**
     * What a studio's memory is worth: fittings of random setups teach, and other players of the studio are judged without and with them.
     * Own club and 20 swings each, the same shots in every arm; losses beside those of the strongest usual way with as many swings. The
     * wrong memory is that of the most fittings but the last arm's, each head taken for its neighbour.
     *
     * @param  non-empty-list<int>  $earlier  fittings that teach, by arm
     * @return \Generator<int, array<string, float>>  means over one studio's players
     */
    public function remember(int $studios, int $players, array $earlier): \Generator
    {
        for ($s = 0; $s < $studios; $s++) {
            $sum = [];
            $add = static function (string $name, float $value) use (&$sum): void {
                $sum[$name] = ($sum[$name] ?? 0.0) + $value;
            };
            $shared = [];
            foreach (self::HEADS as $head) {
                $shared[$head] = $this->effects(self::SHARED);
            }
            $someone = function (int $i) use ($shared): Player {
                $player = $this->player(2 * $i);
                foreach ($shared as $head => $effects) {
                    $player->takeHead($head, array_map(
                        fn (float $a, float $b): float => $this->width * ($a + $b), $effects, $this->effects(1 - self::SHARED),
                    ));
                }

                return $player;
            };
            $rack = self::rack();
            $lessons = [];
            for ($i = 0; $i < max($earlier); $i++) {
                $own = $this->own(Hand::Right);
                $tried = array_map(fn (): SetupSpec => $rack[$this->random->getInt(0, count($rack) - 1)], range(1, 4));
                $this->memory = null;
                try {
                    $this->drawn($someone($i), [], $own, array_values(array_unique($tried, SORT_REGULAR)));
                    $lessons[] = $this->lesson;
                } catch (ModelFailure) {
                    // Whose mean swing flies no ball by the models teaches nothing.
                }
            }
            $memories = [];
            foreach ($earlier as $n) {
                $taught = array_values(array_filter(array_slice($lessons, 0, $n)));
                $memories["after {$n}"] = $n === 0 ? null : Learning::of($taught, Belief::usualFactors());
                if ($n === self::WRONG) {
                    $memories["wrong heads, {$n}"] = Learning::of(array_map(self::swapped(...), $taught), Belief::usualFactors());
                }
            }
            for ($i = 0; $i < $players; $i++) {
                $player = $someone($i);
                $own = $this->own(Hand::Right);
                $brief = $this->brief();
                $costs = $this->truth($player, [$own, ...$rack], $own, $brief)['free'];
                $best = $costs === [] ? 0.0 : min($costs);
                $add('own club', $costs['own'] - $best);
                $add('usual way', $costs[$this->usual($player, $rack, $own, $brief, 20)] - $best);
                $tested = [];
                foreach ([$own, ...$this->spread($rack, 20)] as $k => $spec) {
                    $tested[] = ['spec' => $spec, 'shots' => $this->trial($player, $spec, $own, self::PER_TRIAL, 0.2 * $k), 'order' => 0.2 * $k];
                }
                foreach ($memories as $name => $this->memory) {
                    try {
                        $found = Finder::of($this->judged($rack, $own, $tested)[0], $brief);
                    } catch (ModelFailure) {
                        $add('nothing could be said', 1 / count($memories));
                        $add("{$name}: loss", $costs['own'] - $best);
                        $add("{$name}: loss without the keep-own rule", $costs['own'] - $best);

                        continue;
                    }
                    $pick = $found->pick->spec->tag;
                    $add("{$name}: loss", $costs[$pick] - $best);
                    $add("{$name}: loss without the keep-own rule", $costs[$found->best->spec->tag] - $best);
                    $add("{$name}: worse than own", $costs[$pick] > $costs['own'] + 1e-9 ? 1.0 : 0.0);
                    $add("{$name}: chance told that the best is better", $found->best->chance);
                    $add("{$name}: the best is better", $costs[$found->best->spec->tag] < $costs['own'] ? 1.0 : 0.0);
                    foreach ($found->setups as $one) {
                        $add("{$name}: 95 % intervals of strokes that hold the truth",
                            $one->gainInterval->contains($costs['own'] - $costs[$one->spec->tag]) ? 1 / count($found->setups) : 0.0);
                    }
                }
            }
            $this->memory = null;
            yield array_map(static fn (float $v): float => $v / $players, $sum);
        }
    }

    /** The same lesson, each head taken for its neighbour on the rack. */
    private static function swapped(LearnedFitting $lesson): LearnedFitting
    {
        $to = [];
        foreach (self::HEADS as $k => $head) {
            $to[$head] = self::HEADS[$k ^ 1];
        }
        $heads = array_map(static fn (string $key): string => strtr($key, $to), $lesson->heads);

        return new LearnedFitting($lesson->own, $heads, $lesson->effects, $lesson->errors, $lesson->factors);
    }

    /**
     * Means over studios, and the 95 % interval of each loss against the usual way's by drawing studios anew (Efron 1979).
     *
     * @param  non-empty-list<array<string, float>>  $studios
     * @return array<string, string>
     */
    public static function overStudios(array $studios): array
    {
        $mean = static fn (string $name, array $of): float => array_sum(array_column($of, $name)) / count($of);
        $random = new Randomizer(new Mt19937(7));
        $out = [];
        foreach (array_keys($studios[0]) as $name) {
            $out[$name] = sprintf('%8.4f', $mean($name, $studios));
            if (! str_contains($name, ': loss')) {
                continue;
            }
            $ratios = [];
            for ($k = 0; $k < 2000; $k++) {
                $again = array_map(static fn (): array => $studios[$random->getInt(0, count($studios) - 1)], $studios);
                $ratios[] = $mean($name, $again) / max(1e-9, $mean('usual way', $again));
            }
            sort($ratios);
            $out[$name] .= sprintf(
                '  %.2f of the usual way’s (%.2f to %.2f)', $mean($name, $studios) / $mean('usual way', $studios), $ratios[50], $ratios[1949],
            );
        }

        return $out;
    }

    /** @return list<float> what a head does of its own, with so much of its usual variance */
    private function effects(float $share): array
    {
        return array_map(
            fn (float $sd): float => sqrt($share) * $sd * Normal::draw($this->random), [0.36, 0.64, 0.8, 2.4, 2.4, 0.004, 0.056],
        );
    }

    /**
     * Own club, then these setups, four shots each.
     *
     * @param  list<SetupSpec>  $rack  that are judged
     * @param  list<SetupSpec>  $tried
     * @return array{PredictedDraws}
     */
    private function drawn(Player $player, array $rack, SetupSpec $own, array $tried): array
    {
        $tested = [];
        foreach ([$own, ...$tried] as $k => $spec) {
            $tested[] = ['spec' => $spec, 'shots' => $this->trial($player, $spec, $own, self::PER_TRIAL, 0.2 * $k), 'order' => 0.2 * $k];
        }

        return $this->judged($rack, $own, $tested);
    }

    /**
     * @param  list<SetupSpec>  $rack
     * @param  Tested  $tested
     * @return array{PredictedDraws}
     */
    private function judged(array $rack, SetupSpec $own, array $tested): array
    {
        $heads = [...self::HEADS, ...array_map(static fn (SetupSpec $s): string => $s->head, $rack)];
        $speeds = array_map(static fn (LaunchShot $s): float => $s->measured['clubSpeedMps'], $tested[0]['shots']);
        $prior = Belief::prior(
            $own, $speeds === [] ? 44.0 : array_sum($speeds) / count($speeds), array_values(array_unique($heads)), array_column($tested, 'spec'),
            0.5, $this->priorWidth, memory: $this->memory,
        );
        $seen = [];
        foreach (array_merge(...array_column($tested, 'shots')) as $shot) {
            $seen[] = ['monitor' => 'bay', 'visit' => 1, 'values' => $shot->measured, 'air' => null];
        }
        $flight = $this->calibrates ? BayCalibration::of($seen, new BallFlight, new Atmosphere)->flight : new BallFlight;
        foreach ($tested as $t => $trial) {
            $tested[$t]['shots'] = array_map(static fn (LaunchShot $s): LaunchShot => LaunchShot::of($s->measured, $flight), $trial['shots']);
        }
        $belief = $prior->after($tested);
        $hit = array_column($tested, 'spec');
        $rack = [...$hit, ...array_values(array_filter($rack, static fn (SetupSpec $s): bool => ! in_array($s, $hit, true)))];
        $once = [];
        foreach ($rack as $spec) {
            $once[$spec->tag] ??= $spec;
        }

        $this->lesson = Lesson::of($prior, $belief, $hit, false);

        return [PredictedDraws::of($prior, $belief, array_values($once), $flight, missed: Discrepancy::among($belief, $tested, $flight))];
    }

    /**
     * What each setup truly costs this player on the course, in strokes, with the aim free and fixed; carry and side in the bay, and the
     * spread of side there.
     *
     * @param  list<SetupSpec>  $all
     * @return array{free: array<string, float>, fixed: array<string, float>, figures: array<string, array{float, float}>,
     *   spread: array<string, float>}
     */
    private function truth(Player $player, array $all, SetupSpec $own, Brief $brief, ?int $shots = null): array
    {
        $free = $fixed = $figures = $spread = [];
        $price = new Strokes($brief, 0.0);
        $sign = $player->hand()->sign();
        $seed = $this->random->getInt(0, PHP_INT_MAX);
        foreach ($all as $spec) {
            // The same luck for every setup: differences are what counts.
            $random = new Randomizer(new Mt19937($seed));
            $sides = $totals = $carries = $bays = [];
            for ($k = 0, $most = $shots ?? $this->truthShots; $k < $most; $k++) {
                $hit = $player->shot($spec, $own, $random, onCourse: true);
                if ($hit !== null) {
                    [$sides[], $totals[], $carries[], $bays[]] = [$sign * $hit['courseSideM'], $hit['courseTotalM'], $hit['carryM'], $hit['sideM']];
                }
            }
            [$mean, $sd] = self::meanAndSpread($sides);
            [$bay, $baySd] = self::meanAndSpread($bays);
            $total = array_sum($totals) / max(1, count($totals));
            $free[$spec->tag] = $price->free($mean, $sd, $total)[0];
            $fixed[$spec->tag] = $price->aimFixed($mean, $sd, $total);
            $figures[$spec->tag] = [array_sum($carries) / max(1, count($carries)), $bay];
            $spread[$spec->tag] = $baySd;
        }

        return ['free' => $free, 'fixed' => $fixed, 'figures' => $figures, 'spread' => $spread];
    }

    /**
     * @param  list<float>  $values
     * @return array{float, float}
     */
    private static function meanAndSpread(array $values): array
    {
        $n = max(1, count($values));
        $mean = array_sum($values) / $n;

        return [$mean, sqrt(array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values)) / max(1, $n - 1))];
    }

    /** @return list<LaunchShot> */
    private function trial(Player $player, SetupSpec $spec, SetupSpec $own, int $n, float $order): array
    {
        $shots = [];
        $s = $player->hand()->sign();
        $noise = fn (float $v, float $sd): float => $v + $sd * Normal::draw($this->random);
        for ($k = 0; $k < $n; $k++) {
            $hit = $player->shot($spec, $own, $this->random, $order);
            if ($hit === null) {
                continue;
            }
            $shots[] = LaunchShot::of(
                [
                    'carryM' => max(21.0, $noise($hit['carryM'], 1.5)), 'apexM' => max(1.5, $noise($hit['apexM'], 0.7)),
                    'ballSpeedMps' => $noise($hit['ballSpeedMps'], 0.25), 'launchDeg' => $noise($hit['launchDeg'], 0.25),
                    'spinRpm' => max(300.0, $noise($hit['spinRpm'], 60)), 'directionDeg' => $s * $noise($hit['directionDeg'], 0.25),
                    'spinAxisDeg' => max(-85.0, min(85.0, $s * $noise($hit['spinAxisDeg'], 1.0))),
                    'clubSpeedMps' => $noise($hit['clubSpeedMps'], 0.3), 'attackDeg' => $noise($hit['attackDeg'], 0.5),
                    'pathDeg' => $s * $noise($hit['pathDeg'], 0.5), 'strikeToeMm' => $noise($hit['strikeToeMm'], 1.5),
                    'strikeHighMm' => $noise($hit['strikeHighMm'], 1.5),
                ],
                new BallFlight,
            );
        }

        return $shots;
    }

    /**
     * The usual way in its strongest form: one factor at a time, best average strokes, and the old setup is kept unless the new
     * leads by one standard error.
     *
     * @param  list<SetupSpec>  $rack
     */
    private function usual(Player $player, array $rack, SetupSpec $own, Brief $brief, int $swings): string
    {
        $price = new Strokes($brief, 4.0);
        $score = function (SetupSpec $spec, int $n, float $order) use ($player, $own, $price, $brief): array {
            $shots = $this->trial($player, $spec, $own, $n, $order);
            $sides = array_map(static fn (LaunchShot $s): float => (float) ($s->computed['sideM'] ?? 0.0), $shots);
            $totals = array_map(static fn (LaunchShot $s): float => (float) ($s->computed['totalM'] ?? 200.0), $shots);
            $m = max(1, count($shots));
            $mean = array_sum($sides) / $m;
            // With a free aim the fitter looks at the pattern, not at where it points.
            $off = $brief->aimFree ? $mean : 0.0;
            $each = array_map(static fn (float $side, float $total): float => $price->aimFixed($side - $off, 1.0, $total), $sides, $totals);
            $middle = array_sum($each) / $m;
            $var = array_sum(array_map(static fn (float $v): float => ($v - $middle) ** 2, $each)) / max(1, $m - 1);

            return [$middle, sqrt($var / $m)];
        };
        [$now, $error] = $score($own, self::PER_TRIAL, 0.1);
        $benchmark = 'own';
        // Head, then sleeve, then weights.
        $by = [];
        foreach ($rack as $b) {
            $by[$b->head][(int) $b->sleeve][(int) $b->weights] = $b;
        }
        $remaining = intdiv($swings, self::PER_TRIAL) - 1;
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
    if (($argv[1] ?? '') === 'memory') {
        [$studios, $players] = [(int) ($argv[2] ?? 4), (int) ($argv[3] ?? 20)];
        $begun = hrtime(true);
        $bench = new Advice(new Randomizer(new Mt19937((int) ($argv[4] ?? 1))), $argv[5] ?? 'first');
        $told = [];
        foreach ($bench->remember($studios, $players, [0, 20, 60, 200]) as $studio) {
            $told[] = $studio;
            fprintf(STDERR, "%s\n", json_encode($studio));
        }
        printf("%d studios of the %s world, %d players each\n", count($told), $argv[5] ?? 'first', $players);
        foreach ($told === [] ? [] : Advice::overStudios($told) as $name => $value) {
            printf("  %-70s %s\n", $name, $value);
        }
        printf("  %-70s %8.1f s\n", 'time', (hrtime(true) - $begun) / 1e9);
        exit;
    }
    $options = ['--seed' => '1', '--world' => 'first', '--width' => '1', '--swings' => '40', '--prior' => '1', '--only' => ''];
    $players = 300;
    for ($a = 1; $a < count($argv); $a++) {
        match (true) {
            isset($options[$argv[$a]]) => $options[$argv[$a]] = $argv[++$a] ?? '',
            ctype_digit($argv[$a]) => $players = (int) $argv[$a],
            default => exit("'{$argv[$a]}' is not an option of the bench of the advice.\n"),
        };
    }
    $begun = hrtime(true);
    printf("%d hidden players of the %s world, heads and setups %s times as wide as usual\n", $players, $options['--world'], $options['--width']);
    foreach (['losses', 'decide', 'cover', 'follow'] as $part) {
        if ($options['--only'] !== '' && $options['--only'] !== $part) {
            continue;
        }
        $bench = new Advice(
            new Randomizer(new Mt19937((int) $options['--seed'])), $options['--world'], (float) $options['--width'], (float) $options['--prior'],
        );
        $told = match ($part) {
            'losses' => $bench->losses($players, (int) $options['--swings']), 'decide' => $bench->decide($players),
            'cover' => $bench->coverage($players), 'follow' => $bench->follow($players),
        };
        echo "{$part}\n";
        foreach ($told as $name => $value) {
            printf("  %-62s %8.4f\n", $name, $value);
        }
    }
    printf("  %-62s %8.1f s\n", 'time', (hrtime(true) - $begun) / 1e9);
}
