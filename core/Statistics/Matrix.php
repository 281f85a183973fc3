<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use MintCarry\Core\Errors\ModelFailure;

use function array_fill;
use function count;
use function sqrt;

/**
 * The little linear algebra of symmetric positive definite matrices that beliefs need: Cholesky factor and inverse (Golub & Van
 * Loan, "Matrix Computations", from memory).
 */
final class Matrix
{
    /**
     * Lower triangle L with L Lᵀ = A.
     *
     * @param  array<int, array<int, float>>  $a  symmetric, positive definite
     * @return list<list<float>>
     */
    public static function cholesky(array $a): array
    {
        $n = count($a);
        $l = [];
        for ($i = 0; $i < $n; $i++) {
            $l[$i] = array_fill(0, $n, 0.0);
            $row = $l[$i];
            for ($j = 0; $j < $i; $j++) {
                $sum = $a[$i][$j];
                $other = $l[$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $row[$k] * $other[$k];
                }
                $row[$j] = $sum / $other[$j];
            }
            $sum = $a[$i][$i];
            for ($k = 0; $k < $i; $k++) {
                $sum -= $row[$k] ** 2;
            }
            if ($sum <= 0) {
                throw ModelFailure::while('A system of equations', 'the matrix is not positive definite');
            }
            $row[$i] = sqrt($sum);
            $l[$i] = array_values($row);
        }

        return array_values($l);
    }

    /**
     * @param  array<int, array<int, float>>  $a  symmetric, positive definite
     * @return list<list<float>>
     */
    public static function inverse(array $a): array
    {
        // A⁻¹ = L⁻ᵀ L⁻¹
        $t = self::triangleInverse(self::cholesky($a));
        $n = count($t);
        $out = [];
        for ($i = 0; $i < $n; $i++) {
            for ($j = 0; $j <= $i; $j++) {
                $sum = 0.0;
                for ($k = $i; $k < $n; $k++) {
                    $sum += $t[$k][$i] * $t[$k][$j];
                }
                $out[$i][$j] = $out[$j][$i] = $sum;
            }
        }
        foreach ($out as $i => $row) {
            ksort($row);
            $out[$i] = array_values($row);
        }

        return array_values($out);
    }

    /**
     * x of A x = b, by forward and back substitution.
     *
     * @param  array<int, array<int, float>>  $a  symmetric, positive definite
     * @param  array<int, float>  $b
     * @return list<float>
     */
    public static function solve(array $a, array $b): array
    {
        $l = self::cholesky($a);
        $n = count($l);
        $x = array_fill(0, $n, 0.0);
        for ($i = 0; $i < $n; $i++) {
            $sum = $b[$i];
            for ($k = 0; $k < $i; $k++) {
                $sum -= $l[$i][$k] * $x[$k];
            }
            $x[$i] = $sum / $l[$i][$i];
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            $sum = $x[$i];
            for ($k = $i + 1; $k < $n; $k++) {
                $sum -= $l[$k][$i] * $x[$k];
            }
            $x[$i] = $sum / $l[$i][$i];
        }

        return array_values($x);
    }

    /**
     * @param  list<list<float>>  $l  lower triangle
     * @return list<list<float>> lower triangle
     */
    public static function triangleInverse(array $l): array
    {
        $n = count($l);
        $t = [];
        for ($i = 0; $i < $n; $i++) {
            $t[$i] = array_fill(0, $n, 0.0);
            $t[$i][$i] = 1 / $l[$i][$i];
            for ($j = 0; $j < $i; $j++) {
                $sum = 0.0;
                for ($k = $j; $k < $i; $k++) {
                    $sum -= $l[$i][$k] * $t[$k][$j];
                }
                $t[$i][$j] = $sum / $l[$i][$i];
            }
        }

        return array_values($t);
    }

    /**
     * @param  array<int, array<int, float>>  $a
     * @param  array<int, float>  $x
     * @return list<float>
     */
    public static function times(array $a, array $x): array
    {
        $out = [];
        foreach ($a as $i => $row) {
            $sum = 0.0;
            foreach ($row as $j => $value) {
                $sum += $value * $x[$j];
            }
            $out[$i] = $sum;
        }

        return array_values($out);
    }
}
