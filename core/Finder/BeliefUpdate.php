<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Impact\Impact;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Statistics\Arrow;
use MintCarry\Core\Statistics\Matrix;

use function abs;
use function array_fill;
use function array_filter;
use function array_flip;
use function array_keys;
use function array_map;
use function array_values;
use function count;
use function explode;
use function implode;
use function in_array;
use function max;
use function min;
use function sqrt;

/**
 * What shots do to a `Belief`: the linearised impact model, fitted anew a few times by iterated reweighted least
 * squares (a robust Bayesian linear update, Gelman et al., "Bayesian Data Analysis", ch. 14, with t weights of 6
 * degrees of freedom, Lange, Little & Taylor 1989; both from memory; checked against R in tests/reference/finder.R).
 * docs/judging.md, "The model".
 *
 * Each round takes the shots of each setup in turn: they add to the precision of θ, to what pulls at it, and to the
 * moments of the scatter. A shot far from where its setup's shots are believed to be counts less.
 */
final class BeliefUpdate
{
    /** At least so many rounds, and at most so many: it ends where another round moves no ball any more. */
    private const ROUNDS = [10, 40];

    /** Rounds after which the widths of effects are learned. */
    private const WIDTHS_AFTER = [4, 6, 9];

    /**
     * A ball that moves less than this in a round stands: m/s, °, rpm, °, °. Together half a metre of carry at
     * most.
     */
    private const STANDS = [
        'ballSpeedMps' => 0.03, 'launchDeg' => 0.03, 'spinRpm' => 8.0, 'directionDeg' => 0.03, 'spinAxisDeg' => 0.12,
    ];

    /** So little does the spread of a field move in a round that stands, as a share of it. */
    private const SPREAD_STANDS = 0.01;

    /**
     * In the first rounds every shot counts and the scatter stays: a setup far from what was believed must not be
     * taken for bad shots.
     */
    private const SETTLING = 2;

    private const WEIGHT_DOF = 6;

    /** Below it an effect is none: what the own club does of its own. */
    private const LEAST_VARIANCE = 1e-6;

    /** Steps are clipped to so many prior SD: the model is linear only nearby. */
    private const LONGEST_STEP_SD = 3;

    private const MIRRORED = ['directionDeg', 'spinAxisDeg', 'pathDeg', 'faceDeg'];

    /** @var array<int, array<int, float>> of θ */
    private array $precision = [];

    /** @var array<int, float> precision times where θ is pulled to */
    private array $pull = [];

    /** @var array<int, array<int, float>> weighted sum of the squares of the scatter */
    private array $moments = [];

    /** How many shots the moments are worth. */
    private float $weight = 0.0;

    /** Rounds after it stands: a test asks whether more would move anything. */
    public static int $extraRounds = 0;

    private bool $isRobust = false;

    /** Share of each step that is gone: halved where a step turns back, since the model is linear only nearby. */
    private float $pace = 1.0;

    /** @var array<int, float> the last step */
    private array $lastStep = [];

    /** @var array<string, float> what a shot of each setup was believed to show in the last round, by setup and field */
    private array $shown = [];

    /** @var array<string, float> in this round */
    private array $showing = [];

    /** @var array<int, float> by how much an effect's prior is narrower (above 1) than usual, in variance, by place in θ */
    private array $narrower = [];

    /** @var array<string, float> how many times the usual variance quirks and effects of heads have with this player */
    private array $wider = ['quirk' => 1.0, 'head' => 1.0];

    /**
     * @param  array<int, float>  $theta  where the model is linearised
     * @param  array<int, array<int, float>>  $scatter
     */
    private function __construct(private readonly Belief $before, private array $theta, private array $scatter)
    {
    }

    /**
     * @param  list<array{spec: SetupSpec, shots: list<LaunchShot>, order: float, visit?: int|null}>  $tested  order: how far into
     *   the session the setup was hit, in units of 20 shots
     */
    public static function of(Belief $belief, array $tested): Belief
    {
        $update = new self($belief, $belief->mean, $belief->scatter);
        $tested = array_values(array_filter($tested, static fn (array $t): bool => $t['shots'] !== []));
        $setups = [];
        $sum = $shots = 0.0;
        foreach ($tested as $t) {
            $sum += count($t['shots']) * $t['order'];
            $shots += count($t['shots']);
            $setups[] = [$belief->rows($t['spec'], $t['order'], $t['visit'] ?? null), new Impact($t['spec']->body), $update->groups($t['shots'])];
        }
        $extra = self::$extraRounds;
        for ($round = 1; $round <= self::ROUNDS[1]; $round++) {
            $update->isRobust = $round > self::SETTLING;
            $update->begin();
            foreach ($setups as $n => [$rows, $impact, $groups]) {
                $update->take($n, $rows, $impact, $groups);
            }
            $update->step();
            if (in_array($round, self::WIDTHS_AFTER, true)) {
                $update->learnWidths();
            }
            if ($update->stands() && $round > self::ROUNDS[0] && $extra-- <= 0) {
                break;
            }
        }

        return $belief->updated(
            array_values($update->theta), $update->spread(), $update->scatter, $update->weight, $update->wider['quirk'],
            $shots > 0 ? $sum / $shots : 0.0, $update->narrower,
        );
    }

    /**
     * The shots by the fields that they show, mirrored for a left-hander. Shots without ball speed, launch or spin
     * say nothing here.
     *
     * @param  list<LaunchShot>  $shots
     * @return array<string, list<array<string, float>>>
     */
    private function groups(array $shots): array
    {
        $sign = $this->before->own->hand->sign();
        $out = [];
        foreach ($shots as $shot) {
            $values = [];
            foreach (PlayerPriors::MONITOR_NOISE as $field => $_) {
                $value = $shot->measured[$field] ?? null;
                if ($value !== null) {
                    $values[$field] = in_array($field, self::MIRRORED, true) ? $sign * $value : $value;
                }
            }
            if (isset($values['ballSpeedMps'], $values['launchDeg'], $values['spinRpm'])) {
                $out[implode(',', array_keys($values))][] = $values;
            }
        }

        return $out;
    }

    /** A round begins with what was believed before any shot. */
    private function begin(): void
    {
        $this->showing = [];
        $this->precision = [];
        foreach ($this->before->priorVariance as $i => $variance) {
            $this->precision[$i][$i] = ($this->narrower[$i] ?? 1.0) / $variance;
            $this->pull[$i] = $this->precision[$i][$i] * $this->before->mean[$i];
        }
        foreach ($this->before->scatter as $i => $row) {
            $this->moments[$i] = array_map(static fn (float $v): float => PlayerPriors::SCATTER_SHOTS * $v, $row);
        }
        $this->weight = PlayerPriors::SCATTER_SHOTS;
    }

    /**
     * Takes one setup's shots.
     *
     * @param  int  $n  which of those that were hit
     * @param  array<int, array<int, float>>  $rows  how θ makes the setup's mean swing
     * @param  array<string, list<array<string, float>>>  $groups
     */
    private function take(int $n, array $rows, Impact $impact, array $groups): void
    {
        $swing = Belief::apply($rows, $this->theta);
        $ball = Swing::of($swing)->ball($impact);
        $near = $ball === null || $groups === [] ? null : SeenFields::around($impact, $swing, $ball, $this->scatter);
        if ($ball === null || $near === null) {
            return;
        }
        [$slopes, $bend] = $near;
        foreach ($groups as $shots) {
            $seen = SeenFields::of(array_keys($shots[0]), $swing, $ball, $slopes, $bend, $rows);
            $byScatter = $this->byScatter($seen);
            $covariance = $this->covariance($seen, $byScatter);
            foreach ($seen->names as $f => $name) {
                $this->showing["{$n}/{$name}"] = $seen->predicted[$f];
                $this->showing["{$n}/{$name}/spread"] = sqrt($covariance[$f][$f]);
            }
            $inverse = Matrix::inverse($covariance);
            [$weight, $residuals] = $this->weigh($seen, $shots, $byScatter, $inverse);
            $this->addUnseen($weight, $byScatter, $inverse);
            $this->addInformation($seen, $weight, $residuals, $inverse);
        }
    }

    /**
     * Covariance of the fields with the swing's scatter, J Σ.
     *
     * @return array<int, array<int, float>>
     */
    private function byScatter(SeenFields $seen): array
    {
        $out = [];
        foreach ($seen->bySwing as $f => $slopes) {
            for ($i = 0; $i < Swing::SCATTERING; $i++) {
                $sum = 0.0;
                for ($k = 0; $k < Swing::SCATTERING; $k++) {
                    $sum += $slopes[$k] * $this->scatter[$k][$i];
                }
                $out[$f][$i] = $sum;
            }
        }

        return $out;
    }

    /**
     * Covariance of one shot's fields, J Σ Jᵀ and the monitor's noise.
     *
     * @param  array<int, array<int, float>>  $byScatter
     * @return array<int, array<int, float>>
     */
    private function covariance(SeenFields $seen, array $byScatter): array
    {
        $out = [];
        foreach ($byScatter as $f => $row) {
            foreach ($seen->bySwing as $g => $slopes) {
                $sum = $f === $g ? $seen->noise[$f] ** 2 : 0.0;
                for ($i = 0; $i < Swing::SCATTERING; $i++) {
                    $sum += $row[$i] * $slopes[$i];
                }
                $out[$f][$g] = $sum;
            }
        }

        return $out;
    }

    /**
     * Weighs each shot by its distance, and adds the part of it that was scatter of the swing to the moments.
     *
     * @param  list<array<string, float>>  $shots
     * @param  array<int, array<int, float>>  $byScatter
     * @param  array<int, array<int, float>>  $inverse  of the covariance of the fields
     * @return array{float, array<int, float>} sum of the weights, and weighted sum of the residuals by field
     */
    private function weigh(SeenFields $seen, array $shots, array $byScatter, array $inverse): array
    {
        $fields = count($seen->names);
        $total = 0.0;
        $sums = array_fill(0, $fields, 0.0);
        foreach ($shots as $shot) {
            $residual = [];
            foreach ($seen->names as $f => $name) {
                $residual[$f] = $shot[$name] - $seen->predicted[$f];
            }
            $scaled = Matrix::times($inverse, $residual);
            $distance = 0.0;
            foreach ($residual as $f => $v) {
                $distance += $v * $scaled[$f];
            }
            $w = $this->isRobust ? min(1.0, (self::WEIGHT_DOF + $fields) / (self::WEIGHT_DOF + $distance)) : 1.0;
            $total += $w;
            $swings = [];
            for ($i = 0; $i < Swing::SCATTERING; $i++) {
                $swings[$i] = 0.0;
                for ($f = 0; $f < $fields; $f++) {
                    $swings[$i] += $byScatter[$f][$i] * $scaled[$f];
                }
            }
            foreach ($swings as $i => $a) {
                foreach ($swings as $k => $c) {
                    $this->moments[$i][$k] += $w * $a * $c;
                }
            }
            foreach ($residual as $f => $v) {
                $sums[$f] += $w * $v;
            }
        }
        $this->weight += $total;

        return [$total, $sums];
    }

    /**
     * What stays unseen of the scatter in every shot, Σ − Σ Jᵀ S⁻¹ J Σ.
     *
     * @param  array<int, array<int, float>>  $byScatter
     * @param  array<int, array<int, float>>  $inverse
     */
    private function addUnseen(float $weight, array $byScatter, array $inverse): void
    {
        $fields = count($inverse);
        for ($i = 0; $i < Swing::SCATTERING; $i++) {
            for ($k = 0; $k < Swing::SCATTERING; $k++) {
                $sum = 0.0;
                for ($f = 0; $f < $fields; $f++) {
                    for ($g = 0; $g < $fields; $g++) {
                        $sum += $byScatter[$f][$i] * $inverse[$f][$g] * $byScatter[$g][$k];
                    }
                }
                $this->moments[$i][$k] += $weight * ($this->scatter[$i][$k] - $sum);
            }
        }
    }

    /**
     * What the shots say of θ: precision += w Hᵀ S⁻¹ H, pull += Hᵀ S⁻¹ (Σ w r + w H θ).
     *
     * @param  array<int, float>  $residuals
     * @param  array<int, array<int, float>>  $inverse
     */
    private function addInformation(SeenFields $seen, float $weight, array $residuals, array $inverse): void
    {
        $target = $residuals;
        $places = [];
        foreach ($seen->byTheta as $f => $row) {
            foreach ($row as $k => $v) {
                $target[$f] += $weight * $v * $this->theta[$k];
            }
            $places += array_flip(array_keys($row));
        }
        $scaled = Matrix::times($inverse, $target);
        $fields = count($inverse);
        $places = array_keys($places);
        foreach ($places as $k) {
            $column = [];
            for ($g = 0; $g < $fields; $g++) {
                $sum = 0.0;
                for ($f = 0; $f < $fields; $f++) {
                    $sum += ($seen->byTheta[$f][$k] ?? 0.0) * $inverse[$f][$g];
                }
                $column[$g] = $sum;
            }
            foreach ($places as $l) {
                $sum = 0.0;
                for ($g = 0; $g < $fields; $g++) {
                    $sum += $column[$g] * ($seen->byTheta[$g][$l] ?? 0.0);
                }
                $this->precision[$k][$l] = ($this->precision[$k][$l] ?? 0.0) + $weight * $sum;
            }
            foreach ($scaled as $f => $v) {
                $this->pull[$k] += ($seen->byTheta[$f][$k] ?? 0.0) * $v;
            }
        }
    }

    private function spread(): Arrow
    {
        $blocks = $this->before->blocks;

        return new Arrow($this->precision, $blocks, Arrow::coreOf(count($this->before->mean), $blocks));
    }

    /**
     * θ moves to where it is pulled, and less far where that turned back; the scatter is what is left over, once θ
     * has settled.
     */
    private function step(): void
    {
        $step = [];
        $alike = 0.0;
        foreach ($this->spread()->solve($this->pull) as $i => $value) {
            $limit = self::LONGEST_STEP_SD * sqrt($this->before->priorVariance[$i]);
            $step[$i] = max(-$limit, min($limit, $value - $this->theta[$i]));
            $alike += $step[$i] * ($this->lastStep[$i] ?? 0.0) / $this->before->priorVariance[$i];
        }
        $this->pace = $alike < 0 ? max(0.25, 0.5 * $this->pace) : min(1.0, 1.2 * $this->pace);
        foreach ($step as $i => $by) {
            $this->theta[$i] += $this->pace * $by;
        }
        $this->lastStep = $step;
        if ($this->isRobust) {
            foreach ($this->moments as $i => $row) {
                $this->scatter[$i] = array_map(fn (float $v): float => $v / $this->weight, $row);
            }
        }
    }

    /** Whether this round moved nothing that a shot shows. */
    private function stands(): bool
    {
        $stands = count($this->shown) === count($this->showing);
        foreach ($this->showing as $key => $value) {
            $was = $this->shown[$key] ?? INF;
            [, $field, $isSpread] = explode('/', $key.'//');
            $most = $isSpread === '' ? self::STANDS[$field] ?? INF : self::SPREAD_STANDS * $value;
            $stands = $stands && ($most === INF || abs($value - $was) <= $most);
        }
        $this->shown = $this->showing;

        return $stands;
    }

    /**
     * How wide effects of heads and quirks are with this player's clubs: all of a kind together (empirical Bayes,
     * Morris 1983), and each one by itself (a t prior by its scale, Lange, Little & Taylor 1989; both from memory).
     * Without shots nothing changes, for the mean of the square of an effect is then what its prior says.
     */
    private function learnWidths(): void
    {
        $spread = $this->spread();
        $kinds = [
            'quirk' => array_values(array_unique($this->before->quirks)),
            'head' => [...array_values($this->before->heads), ...array_values($this->before->builds)],
        ];
        foreach ($kinds as $kind => $starts) {
            $squares = $unseen = [];
            foreach ($starts as $at) {
                for ($i = $at; $i < $at + count(PlayerPriors::OWN_EFFECT_SD); $i++) {
                    $variance = $this->before->priorVariance[$i];
                    // Of what nobody hit there is nothing to learn: its being there moves no figure of what was hit.
                    if (count($this->precision[$i]) === 1) {
                        $unseen[] = $i;
                    } elseif ($variance > self::LEAST_VARIANCE) {
                        $squares[$i] = (($this->theta[$i] - $this->before->mean[$i]) ** 2 + $spread->covariance($i, $i)) / $variance;
                    }
                }
            }
            if ($squares === []) {
                continue;
            }
            $sum = 0.0;
            foreach ($squares as $i => $square) {
                // An effect that stands out says of itself how wide it is, and less of the others.
                $sum += $square * ($this->narrower[$i] ?? 1.0) * $this->wider[$kind];
            }
            $this->wider[$kind] = (PlayerPriors::WIDTHS_WORTH + $sum) / (PlayerPriors::WIDTHS_WORTH + count($squares));
            foreach ($squares as $i => $square) {
                $own = (PlayerPriors::EFFECT_DOF + 1) / (PlayerPriors::EFFECT_DOF + $square / $this->wider[$kind]);
                $this->narrower[$i] = $own / $this->wider[$kind];
            }
            foreach ($unseen as $i) {
                $this->narrower[$i] = 1 / $this->wider[$kind];
            }
        }
    }
}
