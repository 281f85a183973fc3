<?php

declare(strict_types=1);

namespace MintCarry\Core\Statistics;

use MintCarry\Core\CoreException;

use function array_fill;
use function count;
use function sqrt;

/** The little linear algebra of symmetric positive definite matrices that beliefs need: Cholesky factor and inverse (Golub & Van Loan, "Matrix Computations", from memory). */
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
            for ($j = 0; $j <= $i; $j++) {
                $sum = $a[$i][$j];
                for ($k = 0; $k < $j; $k++) {
                    $sum -= $l[$i][$k] * $l[$j][$k];
                }
                if ($i === $j) {
                    if ($sum <= 0) {
                        throw CoreException::invalid('matrix', 'The matrix is not positive definite.');
                    }
                    $l[$i][$i] = sqrt($sum);
                } else {
                    $l[$i][$j] = $sum / $l[$j][$j];
                }
            }
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
