<?php

// The advice against the usual way, over hidden players that do not obey our own model. php bin/parts/bench/advice.php [players
// 500] [seed 1] [swings 40] [prior width 1] Also run short by tests/Core/AdviceBenchTest.php. Truth: what each setup costs a
// player is counted from flown shots of that player, with wind; losses are against the best of the rack.

declare(strict_types=1);

namespace MintCarry\Bench;

use MintCarry\Core\Air\Wind;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Finder\Belief;
use MintCarry\Core\Finder\Finder;
use MintCarry\Core\Finder\Predicted;
use MintCarry\Core\Finder\PredictedDraws;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Strokes;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/../../../vendor/autoload.php';

/**
 * A player as nature made them: other restitution and tangential laws, a different drag, closure of the face with the strike,
 * heads and setups with peculiarities, guided swings.
 */
final class Hidden
{
    /** @var list<float> */
    public array $mean;

    public float $kF;

    public float $kL;

    public float $kb;

    public float $kt;

    /** Strike and speed for a point of swing weight. */
    public float $ks;

    public float $kv;

    public float $loose;

    /** Degrees that the face closes for each millimetre of strike toward the toe. */
    public float $closure;

    public float $guides;

    /** @var array<string, list<float>> speed, loft, face, toe, high, ball speed share, spin share */
    public array $heads = [];

    /** @var array<string, list<float>> */
    public array $quirks = [];

    public float $restitution;

    public float $tangential;

    public BallFlight $range;

    public BallFlight $course;

    public function __construct(private readonly Randomizer $random, public readonly Hand $hand)
    {
        $n = fn (float $sd): float => $sd * Normal::draw($random);
        $u = fn (float $low, float $high): float => Normal::uniform($random, $low, $high);
        // 80 to 120 mph.
        $this->mean = [$u(35.8, 53.6), $n(2.5), $n(3.0), 13.0 + $n(1.8), $n(1.2), $n(4.5), $n(3.5)];
        // The own club is already played near the middle: the face is what brings it there.
        $this->mean[4] = 0.18 * $this->mean[2] + $n(0.9);
        [$this->kF, $this->kL, $this->kb, $this->kt] = [0.38 + $n(0.4), 0.55 + $n(0.3), max(0.0, 0.35 + $n(0.15)), 0.10 + $n(0.045)];
        [$this->ks, $this->kv] = [-0.3 + $n(0.5), -0.045 + $n(0.067)];
        $this->loose = $u(0.75, 1.3);
        $this->closure = $u(-0.02, 0.05);
        $this->guides = $u(0, 1) < 0.25 ? $u(0.1, 0.4) : 0.0;
        $this->restitution = 0.87 + $n(0.012);
        $this->tangential = -0.32 + $n(0.06);
        $drag = new Aerodynamics($n(0.006), $n(0.008));
        $this->range = new BallFlight(aerodynamics: $drag);
        $this->course = new BallFlight(wind: new Wind(abs($n(3.0)), $u(0, 360)), aerodynamics: $drag);
    }

    /** @return list<float> */
    private function effect(array $sd): array
    {
        return array_map(fn (float $s): float => $s * Normal::draw($this->random), $sd);
    }

    /**
     * Hits one shot with a setup, in the bay or on the course. Everything right-handed; the bench mirrors at the edge. @return
     * array{Launch, Delivery, Strike}|null
     */
    public function hit(SetupSpec $spec, SetupSpec $own, Randomizer $random, float $order = 0.0): ?array
    {
        $head = $this->heads[$spec->head] ??=
            $spec->head === $own->head ? array_fill(0, 7, 0.0) : $this->effect([0.36, 0.64, 0.8, 2.4, 2.4, 0.004, 0.056]);
        $quirk = $this->quirks[$spec->tag] ??=
            $spec->tag === $own->tag ? array_fill(0, 7, 0.0) : $this->effect([0.107, 0.36, 0.42, 1.2, 1.2, 0.001, 0.024]);
        $z = fn (float $sd): float => $this->loose * $sd * Normal::draw($random);
        $same = $spec->isSameHeadAs($own);
        $open =
            $this->kF * (1 - $this->guides) * ($spec->soledFaceOpenDeg - $own->soledFaceOpenDeg) +
            $this->kt * ($spec->body->cgToeMm - $own->body->cgToeMm);
        $loft =
            $this->kL * ($spec->squaredLoftDeg - $own->squaredLoftDeg) +
            $this->kb * ($same ? 1.0 : 0.35) * ($spec->body->cgBackMm - $own->body->cgBackMm);
        $heavier = $spec->heavierBy($own);
        $mishit = Normal::uniform($random) < 0.04;
        $toe =
            $this->mean[5] +
            $head[3] +
            $quirk[3] +
            $this->ks * $heavier +
            ($mishit ? (Normal::uniform($random) < 0.5 ? -1 : 1) * Normal::uniform($random, 11, 20) : $z(6.5));
        $path = $z(1.5);
        $swing = [
            max(20.0, $this->mean[0] + $head[0] + $quirk[0] + $this->kv * $heavier - 0.3 * $order + $z(0.6)),
            $this->mean[1] + $z(1.1), $this->mean[2] + $path, $this->mean[3] + $loft + $head[1] + $quirk[1] + $z(1.2),
            $this->mean[4] + $open + $head[2] + $quirk[2] - $this->closure * ($toe - $this->mean[5]) + 0.35 * $path + $z(2.0),
            max(-40.0, min(40.0, $toe)),
            max(-22.0, min(22.0, $this->mean[6] + $head[4] + $quirk[4] + ($mishit ? -5.0 : 0.0) + $z(5.0))),
        ];
        try {
            $body = $spec->body;
            $impact = new Impact(
                new Head(
                    $body->loftDeg, $body->massG, $body->cgToeMm, $body->cgBackMm, $body->cgUpMm, $body->inertiaGcm2, 290.0, 290.0,
                    max(0.7, min(0.95, $this->restitution - (0.00006 * $toe ** 2) / 4)), max(-0.6, min(0.0, $this->tangential)),
                ),
            );
            $delivery = new Delivery($swing[0], $swing[1], $swing[2], max(2.0, $swing[3]), $swing[4]);
            $strike = new Strike($swing[5], $swing[6]);
            $ball = $impact->strike($delivery, $strike);

            return [
                new Launch(
                    $ball->ballSpeedMps * (1 + $head[5] + $quirk[5]), max(0.7, $ball->launchDeg),
                    max(400.0, $ball->spinRpm * (1 + $head[6] + $quirk[6])), $ball->directionDeg, $ball->spinAxisDeg,
                ),
                $delivery, $strike,
            ];
        } catch (InvalidInput) {
            return null;
        }
    }
}

final class Advice
{
    private const PER_TRIAL = 4;

    public function __construct(
        private readonly Randomizer $random, private readonly float $priorWidth = 1.0, private readonly int $truthShots = 60,
    ) {
    }

    /** Four heads, eight positions, four arrangements. @return list<SetupSpec> */
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
        $covered = ['carry' => 0, 'side' => 0, 'strokes' => 0];
        $compared = 0;
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
            foreach (['free', 'held'] as $aim) {
                $costs = $truth[$aim];
                $best = min($costs);
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
                        foreach (array_slice($found->setups, 0, count($found->setups), true) as $k => $p) {
                            if ($p->spec->tag === 'own' || $k % 8 !== 0) {
                                continue;
                            }
                            $compared++;
                            $t = $truth['figures'];
                            $sign = $player->hand->sign();
                            $covered['carry'] += $p->carryGainInterval->contains($t[$p->spec->tag][0] - $t['own'][0]) ? 1 : 0;
                            $covered['strokes'] += $p->gainInterval->contains($costs['own'] - $costs[$p->spec->tag]) ? 1 : 0;
                            $covered['side'] += $this->sideCovered($p, $found->own, $t, $sign) ? 1 : 0;
                        }
                    }
                }
            }
        }
        $out = array_map(static fn (float $v): float => $v / $players, $sum);
        foreach ($covered as $what => $n) {
            $out["95 % intervals of differences from own that hold: {$what}"] = $n / max(1, $compared);
        }

        return $out;
    }

    /** @param  array<string, array{float, float}>  $truth */
    private function sideCovered(Predicted $p, Predicted $own, array $truth, int $sign): bool
    {
        $half = ($p->sideInterval->high - $p->sideInterval->low) / 2;

        return abs(($p->sideM - $own->sideM) - $sign * ($truth[$p->spec->tag][1] - $truth['own'][1])) <= $half;
    }

    /**
     * What each setup truly costs this player on the course, in strokes, with the aim free and held; and its carry and side in the bay.
     *
     * @param  list<SetupSpec>  $all
     * @return array{free: array<string, float>, held: array<string, float>, figures: array<string, array{float, float}>}
     */
    private function truth(Hidden $player, array $all, SetupSpec $own, Brief $brief): array
    {
        $free = $held = $figures = [];
        $price = new Strokes($brief, 0.0);
        $sign = $player->hand->sign();
        $seed = $this->random->getInt(0, PHP_INT_MAX);
        foreach ($all as $spec) {
            // The same luck for every setup: differences are what counts.
            $random = new Randomizer(new Mt19937($seed));
            $sides = $totals = [];
            $carry = $bay = 0.0;
            for ($k = 0; $k < $this->truthShots; $k++) {
                $hit = $player->hit($spec, $own, $random);
                if ($hit === null) {
                    continue;
                }
                $course = $player->course->fly($hit[0]);
                $inBay = $player->range->fly($hit[0]);
                [$sides[], $totals[], $carry, $bay] = [
                    $sign * $course->totalSideM, $course->totalM, $carry + $inBay->carryM, $bay + $inBay->sideM,
                ];
            }
            $n = max(1, count($sides));
            $mean = array_sum($sides) / $n;
            $sd = sqrt(array_sum(array_map(static fn (float $s): float => ($s - $mean) ** 2, $sides)) / max(1, $n - 1));
            $total = array_sum($totals) / $n;
            $free[$spec->tag] = $price->free($mean, $sd, $total)[0];
            $held[$spec->tag] = $price->aimFixed($mean, $sd, $total);
            $figures[$spec->tag] = [$carry / $n, $bay / $n];
        }

        return ['free' => $free, 'held' => $held, 'figures' => $figures];
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
                $shots[] = LaunchShot::of(
                    [
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

    /** Hits the own club, then setups far apart. */
    private function ours(Hidden $player, array $rack, SetupSpec $own, Brief $brief, int $swings): Finder
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
        // One setup of each head in turn, lofts and faces far apart, after the own club.
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

        return Finder::of(
            PredictedDraws::of($prior, $prior->after($tested), $mirrored, new BallFlight, $this->random), $brief, $this->random,
        );
    }

    /**
     * The usual way in its strongest form: one factor at a time, best average strokes, and the old setup is kept unless the new
     * leads by one standard error.
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
        $held = 'own';
        // Head, then sleeve, then weights.
        $by = [];
        foreach ($rack as $b) {
            $by[$b->head][(int) $b->sleeve][(int) $b->weights] = $b;
        }
        $left = $trials - 1;
        $order = 0.2;
        $try = function (SetupSpec $b) use (&$now, &$error, &$held, &$left, &$order, $score): void {
            if ($left-- <= 0) {
                return;
            }
            [$value, $e] = $score($b, self::PER_TRIAL, $order);
            $order += 0.2;
            if ($value < $now - hypot($e, $error)) {
                [$now, $error, $held] = [$value, $e, $b->tag];
            }
        };
        foreach ($by as $sleeves) {
            $try($sleeves[0][0]);
        }
        $head = $held === 'own' ? array_key_first($by) : explode('/', $held)[0];
        foreach ([4, 2, 5, 6] as $p) {
            $try($by[$head][$p][0]);
        }
        $sleeve = $held === 'own' || ! str_starts_with($held, $head) ? 0 : (int) explode('/', $held)[1];
        foreach ([1, 2, 3] as $w) {
            $try($by[$head][$sleeve][$w]);
        }

        return $held;
    }
}

if (isset($argv[0]) && realpath($argv[0]) === __FILE__) {
    $players = (int) ($argv[1] ?? 500);
    $begun = hrtime(true);
    echo "{$players} hidden players, priors times ".(float) ($argv[4] ?? 1)."\n";
    foreach (
        (new Advice(new Randomizer(new Mt19937((int) ($argv[2] ?? 1))), (float) ($argv[4] ?? 1)))->run($players, (int) ($argv[3] ?? 40)) as $name => $value
    ) {
        printf("  %-62s %8.4f\n", $name, $value);
    }
    printf("  %-62s %8.1f s\n", 'time', (hrtime(true) - $begun) / 1e9);
}
