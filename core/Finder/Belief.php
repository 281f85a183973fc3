<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\CoreException;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Impact\Delivery;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\Strike;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Statistics\Matrix;

use function abs;
use function array_combine;
use function array_fill;
use function array_keys;
use function array_map;
use function array_unique;
use function array_values;
use function count;
use function max;
use function min;
use function sqrt;

/**
 * What is believed of one player, before and after shots: the mean swing, how far a change of the club reaches the ball, what each head does of its own, and the scatter from swing to swing.
 *
 * A linear-normal belief about θ, updated through the linearised impact model by iterated reweighted least squares (the loop of docs/judging.md, "The model"; a robust Bayesian linear update: t weights with 6 degrees of freedom). θ, in this order:
 * nine means (club speed m/s, attack °, path °, dynamic loft °, face °, toe mm, high mm, restitution, spin share), eight factors (`FACTORS`), then for each head, and for each build that is not the usual one, seven effects of its own (speed, loft, face, toe, high, restitution, spin),
 * then for each tested setup six quirks (speed, loft, face, toe, high, spin). Face + right; a left-hander is mirrored at the edge, so that the belief is that of a right-hander.
 *
 * How far the player squares the face, q, moves loft and face together: loft reaches the ball by 0.2 + 0.7 q, face by 0.6 − 0.45 q, each with a width of its own (common practice, no source).
 */
final readonly class Belief
{
    public const MEANS = 9;

    /** Places after the means: squaring; face and loft of the club that reach the ball apart from it; ° of loft for a mm of CG back, ° open for a mm toward the toe; drift of speed in m/s for 20 shots; mm of strike and m/s of speed for a point of swing weight. */
    private const FACTORS = ['q' => 9, 'face' => 10, 'loft' => 11, 'kb' => 12, 'kt' => 13, 'drift' => 14, 'ks' => 15, 'kv' => 16];

    private const PER_Q = ['face' => -0.45, 'loft' => 0.7];

    /** What is told of a player, each a sum over factors. */
    private const LEARNED = ['q' => ['q' => 1.0], 'kL' => ['loft' => 1.0, 'q' => self::PER_Q['loft']], 'kF' => ['face' => 1.0, 'q' => self::PER_Q['face']], 'kb' => ['kb' => 1.0], 'kt' => ['kt' => 1.0], 'ks' => ['ks' => 1.0], 'kv' => ['kv' => 1.0]];

    private const MEAN_SD = [2.2, 3.0, 4.0, 3.5, 4.0, 7.0, 6.0, 0.012, 0.08];

    /** Of a head, and of another shaft, length, ball, tee or cue (that as wide as a head's: assumption). */
    private const EFFECT_SD = [0.36, 0.64, 0.8, 2.4, 2.4, 0.0064, 0.056];

    private const QUIRK_SD = [0.107, 0.36, 0.42, 1.2, 1.2, 0.024];

    /** Where effects and quirks act on the nine means. */
    private const EFFECT_AT = [0, 3, 4, 5, 6, 7, 8];

    private const QUIRK_AT = [0, 3, 4, 5, 6, 8];

    public const SCATTER_SD = [0.56, 1.1, 1.5, 1.2, 2.2, 7.0, 5.5];

    private const SCATTER_DOF = 10.0;

    private const FACE_WITH_PATH = 0.3;

    private const ROUNDS = 7;

    private const SETTLING = 2;

    private const STEP = [0.3, 0.5, 0.5, 0.5, 0.5, 2.0, 2.0];

    /** How noisy a monitor's figures are: ball speed share, launch °, spin share, direction °, axis °; club speed share, attack °, path °, loft °, face °, strike mm. */
    private const NOISE = ['ballSpeedMps' => 0.004, 'launchDeg' => 0.3, 'spinRpm' => 0.025, 'directionDeg' => 0.3, 'spinAxisDeg' => 1.2, 'clubSpeedMps' => 0.008, 'attackDeg' => 0.6, 'pathDeg' => 0.6, 'dynamicLoftDeg' => 0.8, 'faceDeg' => 0.8, 'strikeToeMm' => 1.5, 'strikeHighMm' => 1.5];

    /**
     * @param  list<float>  $mean  of θ
     * @param  array<int, array<int, float>>  $covariance  of θ
     * @param  array<int, array<int, float>>  $scatter  covariance of the first seven means from swing to swing
     * @param  array<string, int>  $heads  place of each head's effects in θ
     * @param  array<string, int>  $builds  place of the effects of each build that is not the usual one, by its key
     * @param  array<string, int>  $quirks  place of each tested setup's quirks in θ
     * @param  float  $dof  how many shots the scatter is known from
     */
    private function __construct(public SetupSpec $own, public array $mean, public array $covariance, public array $scatter, private ClubBuild $usual, public array $heads, public array $builds, public array $quirks, public float $priorWidth, public float $dof, private float $sign)
    {
    }

    /**
     * What is believed before any shot of this player but the speed is known.
     *
     * @param  list<string>  $heads  names of all heads on the rack
     * @param  list<SetupSpec>  $tested  setups that were hit, in the order of hitting
     * @param  float  $squares  how far the player is taken to square the face, 0 … 1
     * @param  float  $priorWidth  multiplies every prior SD; 1 is honest
     */
    public static function prior(SetupSpec $own, float $clubSpeedMps, array $heads, array $tested, float $squares, float $priorWidth = 1.0): self
    {
        // Less is known of a player of whom nobody said how they put the club down.
        $qSd = abs($squares - 0.5) < 0.1 ? 0.3 : 0.25;
        $apart = static fn (float $sd, string $what): float => sqrt($sd ** 2 - (self::PER_Q[$what] * $qSd) ** 2);
        $mean = [$clubSpeedMps, 0.0, 0.0, $own->squaredLoftDeg + 2.5, 0.0, 0.0, 0.0, 0.0, 0.0, $squares, 0.6, 0.2, 0.35, 0.10, 0.0, -0.3, -0.045];
        $sd = [...self::MEAN_SD, $qSd, $apart(0.45, 'face'), $apart(0.33, 'loft'), 0.15, 0.045, 0.45, 0.5, 0.067];
        $add = static function (array $of) use (&$mean, &$sd): int {
            $at = count($mean);
            array_push($sd, ...$of);
            array_push($mean, ...array_fill(0, count($of), 0.0));

            return $at;
        };
        // The own club is the zero of all effects: what it does is in the means.
        $none = static fn (array $of): array => array_fill(0, count($of), 1e-4);
        $headAt = $buildAt = $quirkAt = [];
        foreach (array_values(array_unique([$own->head, ...$heads])) as $head) {
            $headAt[$head] = $add($head === $own->head ? $none(self::EFFECT_SD) : self::EFFECT_SD);
        }
        $usual = ClubBuild::usual($own->build(), array_map(static fn (SetupSpec $b): ClubBuild => $b->build(), $tested));
        foreach ($tested as $spec) {
            $build = $spec->build()->by($usual)->key();
            if ($build !== $usual->key()) {
                $buildAt[$build] ??= $add(self::EFFECT_SD);
            }
            $quirkAt[$spec->tag] ??= $add($spec->tag === $own->tag ? $none(self::QUIRK_SD) : self::QUIRK_SD);
        }
        $covariance = [];
        foreach ($sd as $i => $s) {
            $covariance[$i] = array_fill(0, count($sd), 0.0);
            $covariance[$i][$i] = ($s * ($i < self::MEANS ? 1.0 : $priorWidth)) ** 2;
        }

        return new self($own, $mean, $covariance, self::usualScatter(), $usual, $headAt, $buildAt, $quirkAt, $priorWidth, self::SCATTER_DOF, $own->hand->sign());
    }

    /** @return list<list<float>> */
    private static function usualScatter(): array
    {
        $out = [];
        foreach (self::SCATTER_SD as $i => $s) {
            $out[$i] = array_fill(0, 7, 0.0);
            $out[$i][$i] = $s * $s;
        }
        $out[2][4] = $out[4][2] = self::FACE_WITH_PATH * self::SCATTER_SD[2] * self::SCATTER_SD[4];

        return $out;
    }

    /**
     * How θ makes the nine values of a setup: row by row, place in θ => factor.
     *
     * @param  float  $order  how far into the session, in units of 20 shots
     * @return array<int, array<int, float>>
     */
    public function rows(SetupSpec $spec, float $order = 0.0): array
    {
        $same = $spec->isSameHeadAs($this->own);
        $loft = $spec->squaredLoftDeg - $this->own->squaredLoftDeg;
        $open = $spec->soledFaceOpenDeg - $this->own->soledFaceOpenDeg; // + = right for the right-hander that this is
        $back = ($spec->body->cgBackMm - $this->own->body->cgBackMm) * ($same ? 1.0 : 0.35);
        $toe = $spec->body->cgToeMm - $this->own->body->cgToeMm;
        $rows = [];
        for ($i = 0; $i < self::MEANS; $i++) {
            $rows[$i] = [$i => 1.0];
        }
        $heavier = $spec->heavierBy($this->own);
        $rows[0] += [self::FACTORS['drift'] => $order, self::FACTORS['kv'] => $heavier];
        $rows[3] += [self::FACTORS['loft'] => $loft, self::FACTORS['q'] => self::PER_Q['loft'] * $loft, self::FACTORS['kb'] => $back];
        $rows[4] += [self::FACTORS['face'] => $open, self::FACTORS['q'] => self::PER_Q['face'] * $open, self::FACTORS['kt'] => $toe];
        $rows[5] += [self::FACTORS['ks'] => $heavier];
        foreach ([$this->heads[$spec->head] ?? null, $this->builds[$spec->build()->by($this->usual)->key()] ?? null] as $at) {
            foreach ($at === null ? [] : self::EFFECT_AT as $k => $i) {
                $rows[$i][$at + $k] = 1.0;
            }
        }
        if (isset($this->quirks[$spec->tag])) {
            foreach (self::QUIRK_AT as $k => $i) {
                $rows[$i][$this->quirks[$spec->tag] + $k] = 1.0;
            }
        }

        return $rows;
    }

    /**
     * The nine values of a setup under some θ.
     *
     * @param  array<int, array<int, float>>  $rows
     * @param  array<int, float>  $theta
     * @return array<int, float>
     */
    public static function apply(array $rows, array $theta): array
    {
        $out = [];
        foreach ($rows as $i => $row) {
            $sum = 0.0;
            foreach ($row as $j => $factor) {
                $sum += $factor * $theta[$j];
            }
            $out[$i] = $sum;
        }

        return $out;
    }

    /**
     * What is believed of a factor: q (how far the face is squared), kL and kF (share of the club's loft and face that reaches the ball), kb and kt (° for a mm of CG back, toward the toe), ks and kv (mm of strike, m/s of speed for a point of swing weight).
     *
     * @return array{mean: float, sd: float}
     */
    public function factor(string $name): array
    {
        return $this->sum(array_combine(array_map(static fn (string $of): int => self::FACTORS[$of], array_keys(self::LEARNED[$name])), self::LEARNED[$name]));
    }

    /** @return list<string> names of the factors */
    public static function factors(): array
    {
        return array_keys(self::LEARNED);
    }

    /**
     * What is believed of effects of their own: by what they belong to (head or build) and value.
     *
     * @param  int  $at  where they begin in θ
     * @return array<string, array{mean: float, sd: float}> speed m/s, loft °, face °, toe mm, high mm, spin share
     */
    public function effects(int $at): array
    {
        $out = [];
        foreach (['speedMps' => 0, 'loftDeg' => 1, 'faceDeg' => 2, 'toeMm' => 3, 'highMm' => 4, 'spin' => 6] as $name => $k) {
            $out[$name] = $this->sum([$at + $k => 1.0]);
        }
        $out['faceDeg']['mean'] *= $this->sign;

        return $out;
    }

    /**
     * @param  array<int, float>  $of  factor by place in θ
     * @return array{mean: float, sd: float}
     */
    private function sum(array $of): array
    {
        $mean = $variance = 0.0;
        foreach ($of as $i => $a) {
            $mean += $a * $this->mean[$i];
            foreach ($of as $j => $b) {
                $variance += $a * $b * $this->covariance[$i][$j];
            }
        }

        return ['mean' => $mean, 'sd' => sqrt($variance)];
    }

    /**
     * Extra variance of a setup that nobody hit: its quirk, on the nine values.
     *
     * @return array<int, float> by place
     */
    public function quirkVariance(SetupSpec $spec): array
    {
        $out = [];
        if (! isset($this->quirks[$spec->tag])) {
            foreach (self::QUIRK_AT as $k => $i) {
                $out[$i] = (self::QUIRK_SD[$k] * $this->priorWidth) ** 2;
            }
        }

        return $out;
    }

    /**
     * The belief after these shots.
     *
     * @param  list<array{spec: SetupSpec, shots: list<LaunchShot>, order: float}>  $tested  order: how far into the session the setup was hit, in units of 20 shots
     */
    public function after(array $tested): self
    {
        $tested = array_values(array_filter($tested, static fn (array $t): bool => $t['shots'] !== []));
        $n = count($this->mean);
        $prior = [];
        foreach ($this->covariance as $i => $row) {
            $prior[$i] = 1 / $row[$i];
        }
        $theta = $this->mean;
        $scatter = $this->scatter;
        $usual = $scatter;
        $lambda = [];
        $weights = self::SCATTER_DOF;
        $impacts = array_map(static fn (array $t): Impact => new Impact($t['spec']->body), $tested);
        $designs = array_map(fn (array $t): array => $this->rows($t['spec'], $t['order']), $tested);
        $seen = array_map(fn (array $t): array => $this->seen($t['shots']), $tested);
        for ($round = 0; $round < self::ROUNDS; $round++) {
            // First to where the shots are; only then what is left over is scatter, and a far shot counts less. Else a setup far from what was believed is taken for bad shots.
            $settling = $round < self::SETTLING;
            $lambda = [];
            $b = [];
            for ($i = 0; $i < $n; $i++) {
                $lambda[$i] = array_fill(0, $n, 0.0);
                $lambda[$i][$i] = $prior[$i];
                $b[$i] = $prior[$i] * $this->mean[$i];
            }
            $m = [];
            foreach ($usual as $i => $row) {
                $m[$i] = array_map(static fn (float $v): float => self::SCATTER_DOF * $v, $row);
            }
            $weights = self::SCATTER_DOF;
            foreach ($tested as $s => $_) {
                $this->absorb($designs[$s], $impacts[$s], $seen[$s], $theta, $scatter, ! $settling, $lambda, $b, $m, $weights);
            }
            foreach (Matrix::solve($lambda, $b) as $i => $value) {
                // Steps clipped to three prior SD: the model is linear only nearby.
                $limit = 3 / sqrt($prior[$i]);
                $theta[$i] += max(-$limit, min($limit, $value - $theta[$i]));
            }
            foreach ($settling ? [] : $m as $i => $row) {
                $scatter[$i] = array_map(static fn (float $v): float => $v / $weights, $row);
            }
        }

        return new self($this->own, array_values($theta), Matrix::inverse($lambda), $scatter, $this->usual, $this->heads, $this->builds, $this->quirks, $this->priorWidth, $weights, $this->sign);
    }

    /**
     * The shots as the update takes them, mirrored for a left-hander: one list of fields for all, and for each shot those that it has.
     *
     * @param  list<LaunchShot>  $shots
     * @return list<array<string, float>>
     */
    private function seen(array $shots): array
    {
        $out = [];
        foreach ($shots as $shot) {
            $values = [];
            foreach (self::NOISE as $field => $_) {
                $value = $shot->measured[$field] ?? null;
                if ($value !== null) {
                    $values[$field] = in_array($field, ['directionDeg', 'spinAxisDeg', 'pathDeg', 'faceDeg'], true) ? $this->sign * $value : $value;
                }
            }
            if (isset($values['ballSpeedMps'], $values['launchDeg'], $values['spinRpm'])) {
                $out[] = $values;
            }
        }

        return $out;
    }

    /**
     * One setup's shots into Λ, b and the scatter's moments.
     *
     * @param  array<int, array<int, float>>  $rows
     * @param  list<array<string, float>>  $shots
     * @param  array<int, float>  $theta
     * @param  array<int, array<int, float>>  $scatter
     * @param  array<int, array<int, float>>  $lambda
     * @param  array<int, float>  $b
     * @param  array<int, array<int, float>>  $m
     */
    private function absorb(array $rows, Impact $impact, array $shots, array $theta, array $scatter, bool $robust, array &$lambda, array &$b, array &$m, float &$weights): void
    {
        $x = self::apply($rows, $theta);
        $base = self::ball($impact, $x);
        if ($base === null || $shots === []) {
            return;
        }
        /** @var array<int, array<string, float>> $slopes by state place */
        $slopes = [];
        foreach (self::STEP as $i => $h) {
            $up = $down = $x;
            $up[$i] += $h;
            $down[$i] -= $h;
            [$u, $d] = [self::ball($impact, $up), self::ball($impact, $down)];
            if ($u === null || $d === null) {
                return;
            }
            foreach ($base as $field => $_) {
                $slopes[$i][$field] = ($u[$field] - $d[$field]) / (2 * $h);
            }
        }
        // Shots that show the same fields share their covariance.
        $groups = [];
        foreach ($shots as $shot) {
            $groups[implode(',', array_keys($shot))][] = $shot;
        }
        foreach ($groups as $group) {
            $fields = array_keys($group[0]);
            $p = count($fields);
            $j7 = $predicted = $noise = $h = [];
            foreach ($fields as $f => $field) {
                $club = array_search($field, ['clubSpeedMps', 'attackDeg', 'pathDeg', 'dynamicLoftDeg', 'faceDeg', 'strikeToeMm', 'strikeHighMm'], true);
                $predicted[$f] = $club === false ? $base[$field] : $x[$club];
                $j7[$f] = [];
                foreach (self::STEP as $i => $_) {
                    $j7[$f][$i] = $club === false ? $slopes[$i][$field] : ($i === $club ? 1.0 : 0.0);
                }
                $noise[$f] = self::NOISE[$field] * (str_ends_with($field, 'Mps') || $field === 'spinRpm' ? $predicted[$f] : 1.0);
                // How θ moves this field.
                $h[$f] = [];
                foreach ($j7[$f] as $i => $slope) {
                    foreach ($rows[$i] as $k => $factor) {
                        $h[$f][$k] = ($h[$f][$k] ?? 0.0) + $slope * $factor;
                    }
                }
                if ($field === 'ballSpeedMps' || $field === 'spinRpm') {
                    $place = $field === 'ballSpeedMps' ? 7 : 8;
                    $per = $field === 'ballSpeedMps' ? $predicted[$f] / 1.87 : $predicted[$f];
                    foreach ($rows[$place] as $k => $factor) {
                        $h[$f][$k] = ($h[$f][$k] ?? 0.0) + $per * $factor;
                    }
                }
            }
            // S = J Σ Jᵀ + R
            $js = $s = [];
            for ($f = 0; $f < $p; $f++) {
                for ($i = 0; $i < 7; $i++) {
                    $sum = 0.0;
                    for ($k = 0; $k < 7; $k++) {
                        $sum += $j7[$f][$k] * $scatter[$k][$i];
                    }
                    $js[$f][$i] = $sum;
                }
            }
            for ($f = 0; $f < $p; $f++) {
                for ($g = 0; $g < $p; $g++) {
                    $sum = $f === $g ? $noise[$f] ** 2 : 0.0;
                    for ($i = 0; $i < 7; $i++) {
                        $sum += $js[$f][$i] * $j7[$g][$i];
                    }
                    $s[$f][$g] = $sum;
                }
            }
            $inverse = Matrix::inverse($s);
            $total = 0.0;
            $sumR = array_fill(0, $p, 0.0);
            foreach ($group as $shot) {
                $r = [];
                foreach ($fields as $f => $field) {
                    $r[$f] = $shot[$field] - $predicted[$f];
                }
                $ir = Matrix::times($inverse, $r);
                $distance = 0.0;
                foreach ($r as $f => $v) {
                    $distance += $v * $ir[$f];
                }
                $w = $robust ? min(1.0, (6 + $p) / (6 + $distance)) : 1.0;
                $total += $w;
                // G r = Σ Jᵀ S⁻¹ r: the part of this shot that was scatter of the swing.
                $gr = [];
                for ($i = 0; $i < 7; $i++) {
                    $gr[$i] = 0.0;
                    for ($f = 0; $f < $p; $f++) {
                        $gr[$i] += $js[$f][$i] * $ir[$f];
                    }
                }
                foreach ($gr as $i => $a) {
                    foreach ($gr as $k => $c) {
                        $m[$i][$k] += $w * $a * $c;
                    }
                }
                foreach ($r as $f => $v) {
                    $sumR[$f] += $w * $v;
                }
            }
            $weights += $total;
            // Σ − G J Σ stays unseen in every shot.
            for ($i = 0; $i < 7; $i++) {
                for ($k = 0; $k < 7; $k++) {
                    $sum = 0.0;
                    for ($f = 0; $f < $p; $f++) {
                        for ($g = 0; $g < $p; $g++) {
                            $sum += $js[$f][$i] * $inverse[$f][$g] * $js[$g][$k];
                        }
                    }
                    $m[$i][$k] += $total * ($scatter[$i][$k] - $sum);
                }
            }
            // Λ += w Hᵀ S⁻¹ H, b += Hᵀ S⁻¹ (Σ w r + w H θ)
            $target = $sumR;
            foreach ($h as $f => $row) {
                foreach ($row as $k => $v) {
                    $target[$f] += $total * $v * $theta[$k];
                }
            }
            $it = Matrix::times($inverse, $target);
            $places = [];
            foreach ($h as $row) {
                $places += array_flip(array_keys($row));
            }
            $places = array_keys($places);
            foreach ($places as $k) {
                $column = [];
                for ($g = 0; $g < $p; $g++) {
                    $sum = 0.0;
                    for ($f = 0; $f < $p; $f++) {
                        $sum += ($h[$f][$k] ?? 0.0) * $inverse[$f][$g];
                    }
                    $column[$g] = $sum;
                }
                foreach ($places as $l) {
                    $sum = 0.0;
                    for ($g = 0; $g < $p; $g++) {
                        $sum += $column[$g] * ($h[$g][$l] ?? 0.0);
                    }
                    $lambda[$k][$l] += $total * $sum;
                }
                foreach ($it as $f => $v) {
                    $b[$k] += ($h[$f][$k] ?? 0.0) * $v;
                }
            }
        }
    }

    /**
     * The ball of the nine values, as a right-hander hits it.
     *
     * @param  array<int, float>  $x
     * @return array<string, float>|null
     */
    public static function ball(Impact $impact, array $x): ?array
    {
        $launch = self::launch($impact, $x);

        return $launch === null ? null : ['ballSpeedMps' => $launch->ballSpeedMps, 'launchDeg' => $launch->launchDeg, 'spinRpm' => $launch->spinRpm, 'directionDeg' => $launch->directionDeg, 'spinAxisDeg' => $launch->spinAxisDeg];
    }

    /** @param  array<int, float>  $x */
    public static function launch(Impact $impact, array $x): ?Launch
    {
        try {
            $ball = $impact->strike(new Delivery($x[0], $x[1], $x[2], $x[3], $x[4]), new Strike($x[5], $x[6]));

            return new Launch($ball->ballSpeedMps * (1 + $x[7] / 1.87), $ball->launchDeg, max(300.0, $ball->spinRpm * (1 + $x[8])), $ball->directionDeg, $ball->spinAxisDeg);
        } catch (CoreException) {
            return null;
        }
    }
}
