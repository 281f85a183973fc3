<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use function array_fill;
use function array_filter;
use function array_flip;
use function array_map;
use function array_merge;
use function array_values;
use function count;
use function ksort;
use function range;

/**
 * A normal distribution by its precision, where most unknowns touch only a few others: blocks that are coupled to a common core and not to
 * one another (an arrow, or bordered block-diagonal matrix). Eliminating the blocks first costs the sum of their cubes and not the cube
 * of the sum (Golub & Van Loan, "Matrix Computations", block elimination and Schur complement; from memory). Forty setups are then no
 * harder than ten times four.
 */
final class Arrow
{
    /** @var list<list<list<float>>> Cholesky factors of the blocks */
    private array $factors = [];

    /** @var list<array<int, array<int, float>>> L⁻¹ P of each block against the core, by place in the block and in the core */
    private array $couplings = [];

    /** @var list<list<float>> Cholesky factor of the core once the blocks are eliminated */
    private array $coreFactor;

    /** @var array<int, list<float>> columns of the covariance that were asked for */
    private array $columns = [];

    /**
     * @param  array<int, array<int, float>>  $precision  symmetric; what is not there is zero
     * @param  list<list<int>>  $blocks  places that touch only one another and the core
     * @param  list<int>  $core  all other places
     */
    public function __construct(array $precision, private readonly array $blocks, private readonly array $core)
    {
        $g = count($core);
        $schur = [];
        foreach ($core as $i => $row) {
            foreach ($core as $j => $column) {
                $schur[$i][$j] = $precision[$row][$column] ?? 0.0;
            }
        }
        foreach ($blocks as $places) {
            $block = [];
            foreach ($places as $i => $row) {
                foreach ($places as $j => $column) {
                    $block[$i][$j] = $precision[$row][$column] ?? 0.0;
                }
            }
            $l = Matrix::cholesky($block);
            $w = [];
            foreach ($places as $i => $row) {
                $w[$i] = [];
                foreach ($core as $c => $column) {
                    $sum = $precision[$row][$column] ?? 0.0;
                    for ($k = 0; $k < $i; $k++) {
                        $sum -= $l[$i][$k] * $w[$k][$c];
                    }
                    $w[$i][$c] = $sum / $l[$i][$i];
                }
            }
            foreach ($w as $row) {
                for ($c = 0; $c < $g; $c++) {
                    if ($row[$c] !== 0.0) {
                        for ($d = 0; $d < $g; $d++) {
                            $schur[$c][$d] -= $row[$c] * $row[$d];
                        }
                    }
                }
            }
            $this->factors[] = $l;
            $this->couplings[] = $w;
        }
        $this->coreFactor = Matrix::cholesky($schur);
    }

    /**
     * x of P x = b.
     *
     * @param  array<int, float>  $b
     * @return array<int, float>
     */
    public function solve(array $b): array
    {
        $core = array_map(static fn (int $at): float => $b[$at], $this->core);
        $forward = [];
        foreach ($this->blocks as $n => $places) {
            $l = $this->factors[$n];
            $y = [];
            foreach ($places as $i => $at) {
                $sum = $b[$at];
                for ($k = 0; $k < $i; $k++) {
                    $sum -= $l[$i][$k] * $y[$k];
                }
                $y[$i] = $sum / $l[$i][$i];
                foreach ($this->couplings[$n][$i] as $c => $w) {
                    $core[$c] -= $w * $y[$i];
                }
            }
            $forward[] = $y;
        }
        $middle = [];
        foreach ($core as $i => $sum) {
            for ($k = 0; $k < $i; $k++) {
                $sum -= $this->coreFactor[$i][$k] * $middle[$k];
            }
            $middle[$i] = $sum / $this->coreFactor[$i][$i];
        }

        return $this->back($forward, $middle);
    }

    /**
     * A draw about zero, from standard normal numbers by place.
     *
     * @param  array<int, float>  $z
     * @return array<int, float>
     */
    public function draw(array $z): array
    {
        $forward = [];
        foreach ($this->blocks as $places) {
            $forward[] = array_map(static fn (int $at): float => $z[$at], $places);
        }

        return $this->back($forward, array_map(static fn (int $at): float => $z[$at], $this->core));
    }

    /**
     * x of Lᵀ x = y, the core first.
     *
     * @param  list<array<int, float>>  $forward  y of the blocks
     * @param  array<int, float>  $core  y of the core
     * @return array<int, float> by place
     */
    private function back(array $forward, array $core): array
    {
        $g = count($core);
        $x = [];
        for ($i = $g - 1; $i >= 0; $i--) {
            $sum = $core[$i];
            for ($k = $i + 1; $k < $g; $k++) {
                $sum -= $this->coreFactor[$k][$i] * $x[$k];
            }
            $x[$i] = $sum / $this->coreFactor[$i][$i];
        }
        $out = [];
        foreach ($this->core as $i => $at) {
            $out[$at] = $x[$i];
        }
        foreach ($this->blocks as $n => $places) {
            [$l, $w] = [$this->factors[$n], $this->couplings[$n]];
            $its = [];
            for ($i = count($places) - 1; $i >= 0; $i--) {
                $sum = $forward[$n][$i];
                foreach ($w[$i] as $c => $by) {
                    $sum -= $by * $x[$c];
                }
                for ($k = $i + 1; $k < count($places); $k++) {
                    $sum -= $l[$k][$i] * $its[$k];
                }
                $its[$i] = $sum / $l[$i][$i];
                $out[$places[$i]] = $its[$i];
            }
        }
        ksort($out);

        return $out;
    }

    /** Covariance of two unknowns. */
    public function covariance(int $i, int $j): float
    {
        if (! isset($this->columns[$j])) {
            $unit = array_fill(0, $this->size(), 0.0);
            $unit[$j] = 1.0;
            $this->columns[$j] = array_values($this->solve($unit));
        }

        return $this->columns[$j][$i];
    }

    private function size(): int
    {
        $n = count($this->core);
        foreach ($this->blocks as $places) {
            $n += count($places);
        }

        return $n;
    }

    /**
     * Places that are in no block.
     *
     * @param  list<list<int>>  $blocks
     * @return list<int>
     */
    public static function coreOf(int $size, array $blocks): array
    {
        $taken = array_flip(array_merge([], ...$blocks));

        return array_values(array_filter(range(0, $size - 1), static fn (int $at): bool => ! isset($taken[$at])));
    }
}
