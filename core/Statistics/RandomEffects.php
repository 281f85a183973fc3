<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use function array_fill;
use function array_keys;
use function count;
use function exp;
use function log;
use function min;

/**
 * What groups do on average, learned from blocks of figures that several groups share. In block p
 *
 *     y = Z a + 1 o + d + e,   a ~ N(0, A),  o ~ N(0, O),  d ~ N(0, D),  e ~ N(0, R) with R known,
 *
 * with a for each group, o for each block, d for each figure. The three variances maximise the marginal likelihood times an inverse gamma
 * prior for each, worth some figures of what is usual. Without a fixed effect this is REML as well (Harville 1977; crossed effects: Bates
 * and others, "Fitting linear mixed-effects models using lme4", 2015; both from memory). Checked against R's lme4 in tests/reference.
 *
 * A block far from what it should be weighs less: w = min(1, (ν + n) / (ν + rᵀ S⁻¹ r)) with ν = 6 (Lange, Little and Taylor 1989).
 */
final class RandomEffects
{
    private const ROBUST_DOF = 6.0;

    /** Search over the logarithm of a variance: how far on either side, and in how many steps of the golden section. */
    private const SEARCH = [[3.0, 10], [1.0, 8], [0.3, 7]];

    private const GOLDEN = 0.6180339887498949;

    /** @var array<int, float> by block */
    private array $weights;

    /** @var array<int, array<int, float>> by group: the precision that the blocks give */
    private array $information = [];

    /** @var array<int, float> */
    private array $pull = [];

    /**
     * @param  list<array{y: list<float>, error: list<list<float>>, groups: list<array<int, float>>, hasOffset: bool}>  $blocks  groups:
     *   by figure, group => factor; hasOffset: whether o is there; else it is a figure more like d, the same for the block
     * @param  array{group: float, offset: float, own: float}  $usual  A, O and D before any figure
     * @param  float  $worth  of how many figures the usual variances are worth; 0: the figures alone
     */
    private function __construct(
        private readonly array $blocks, private readonly int $groups, private array $usual, private readonly float $worth,
    ) {
        $this->weights = array_fill(0, count($blocks), 1.0);
    }

    /**
     * @param  list<array{y: list<float>, error: list<list<float>>, groups: list<array<int, float>>, hasOffset: bool}>  $blocks
     * @param  array{group: float, offset: float, own: float}  $usual
     * @return array{mean: list<float>, variance: list<float>, group: float, offset: float, own: float, weights: array<int, float>} mean and
     *   variance of a by group; A, O, D; the weight of each block
     */
    public static function of(array $blocks, int $groups, array $usual, float $worth, bool $isRobust = true): array
    {
        $fit = new self($blocks, $groups, $usual, $worth);
        $at = $usual;
        foreach (self::SEARCH as [$reach, $steps]) {
            foreach ($blocks === [] ? [] : array_keys($usual) as $which) {
                $at[$which] = $fit->best($at, $which, $reach, $steps);
            }
            if ($isRobust) {
                $fit->weigh($at);
            }
        }
        [$mean, $variance] = $fit->groupsAt($at);

        return ['mean' => $mean, 'variance' => $variance, 'weights' => $fit->weights] + $at;
    }

    /**
     * @param  array{group: float, offset: float, own: float}  $at
     * @param  'group'|'offset'|'own'  $which
     */
    private function best(array $at, string $which, float $reach, int $steps): float
    {
        $value = fn (float $log): float => $this->logLikelihood([$which => exp($log)] + $at);
        $middle = log($at[$which]);
        [$low, $high] = [$middle - $reach, $middle + $reach];
        [$left, $right] = [$high - self::GOLDEN * ($high - $low), $low + self::GOLDEN * ($high - $low)];
        [$atLeft, $atRight] = [$value($left), $value($right)];
        for ($i = 0; $i < $steps; $i++) {
            if ($atLeft > $atRight) {
                [$high, $right, $atRight] = [$right, $left, $atLeft];
                $left = $high - self::GOLDEN * ($high - $low);
                $atLeft = $value($left);
            } else {
                [$low, $left, $atLeft] = [$left, $right, $atRight];
                $right = $low + self::GOLDEN * ($high - $low);
                $atRight = $value($right);
            }
        }

        return exp($atLeft > $atRight ? $left : $right);
    }

    /** @param  array{group: float, offset: float, own: float}  $at */
    private function logLikelihood(array $at): float
    {
        $sum = $this->gather($at);
        $factor = Matrix::cholesky($this->precision($at));
        $forward = [];
        foreach ($factor as $i => $row) {
            $v = $this->pull[$i];
            for ($k = 0; $k < $i; $k++) {
                $v -= $row[$k] * $forward[$k];
            }
            $forward[$i] = $v / $row[$i];
            $sum += 0.5 * $forward[$i] ** 2 - log($row[$i]) - 0.5 * log($at['group']);
        }
        foreach ($at as $which => $variance) {
            $sum -= 0.5 * $this->worth * (log($variance) + $this->usual[$which] / $variance);
        }

        return $sum;
    }

    /**
     * Gathers what the blocks say of the groups.
     *
     * @param  array{group: float, offset: float, own: float}  $at
     * @return float the part of the log-likelihood that no group touches
     */
    private function gather(array $at): float
    {
        $this->information = array_fill(0, $this->groups, array_fill(0, $this->groups, 0.0));
        $this->pull = array_fill(0, $this->groups, 0.0);
        $sum = 0.0;
        foreach ($this->blocks as $p => $block) {
            $l = Matrix::cholesky($this->covariance($p, $at));
            $y = self::solved($l, $block['y']);
            $columns = [];
            foreach ($block['groups'] as $i => $factors) {
                foreach ($factors as $g => $factor) {
                    $columns[$g][$i] = $factor;
                }
            }
            $n = count($y);
            foreach ($columns as $g => $column) {
                $columns[$g] = self::solved($l, $column + array_fill(0, $n, 0.0));
            }
            for ($i = 0; $i < $n; $i++) {
                $sum -= log($l[$i][$i]) + 0.5 * $y[$i] ** 2;
                foreach ($columns as $g => $one) {
                    $this->pull[$g] += $one[$i] * $y[$i];
                    foreach ($columns as $h => $other) {
                        $this->information[$g][$h] += $one[$i] * $other[$i];
                    }
                }
            }
        }

        return $sum;
    }

    /**
     * Of one block's figures once the groups are known.
     *
     * @param  array{group: float, offset: float, own: float}  $at
     * @return array<int, array<int, float>>
     */
    private function covariance(int $p, array $at): array
    {
        $block = $this->blocks[$p];
        $offset = $block['hasOffset'] ? $at['offset'] : $at['own'];
        $out = [];
        foreach ($block['error'] as $i => $row) {
            foreach ($row as $k => $v) {
                $out[$i][$k] = ($v + $offset + ($i === $k ? $at['own'] : 0.0)) / $this->weights[$p];
            }
        }

        return $out;
    }

    /**
     * @param  array{group: float, offset: float, own: float}  $at
     * @return array<int, array<int, float>>
     */
    private function precision(array $at): array
    {
        $out = $this->information;
        for ($g = 0; $g < $this->groups; $g++) {
            $out[$g][$g] += 1 / $at['group'];
        }

        return $out;
    }

    /**
     * @param  array{group: float, offset: float, own: float}  $at
     * @return array{list<float>, list<float>}
     */
    private function groupsAt(array $at): array
    {
        if ($this->groups === 0) {
            return [[], []];
        }
        $this->gather($at);
        $spread = Matrix::inverse($this->precision($at));
        $variance = [];
        for ($g = 0; $g < $this->groups; $g++) {
            $variance[] = $spread[$g][$g];
        }

        return [Matrix::times($spread, $this->pull), $variance];
    }

    /** @param  array{group: float, offset: float, own: float}  $at */
    private function weigh(array $at): void
    {
        [$mean] = $this->groupsAt($at);
        foreach ($this->blocks as $p => $block) {
            $left = $block['y'];
            foreach ($block['groups'] as $i => $factors) {
                foreach ($factors as $g => $factor) {
                    $left[$i] -= $factor * $mean[$g];
                }
            }
            $this->weights[$p] = 1.0;
            $distance = 0.0;
            foreach (self::solved(Matrix::cholesky($this->covariance($p, $at)), $left) as $v) {
                $distance += $v ** 2;
            }
            $this->weights[$p] = min(1.0, (self::ROBUST_DOF + count($left)) / (self::ROBUST_DOF + $distance));
        }
    }

    /**
     * L⁻¹ x.
     *
     * @param  list<list<float>>  $l
     * @param  array<int, float>  $x
     * @return list<float>
     */
    private static function solved(array $l, array $x): array
    {
        $out = [];
        foreach ($l as $i => $row) {
            $v = $x[$i];
            for ($k = 0; $k < $i; $k++) {
                $v -= $row[$k] * $out[$k];
            }
            $out[] = $v / $row[$i];
        }

        return $out;
    }
}
