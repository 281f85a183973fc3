<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/**
 * The little 3×3 linear algebra the club needs. Row-major arrays of arrays; vectors are lists of three.
 *
 * @phpstan-type Vector array{float, float, float}
 * @phpstan-type Matrix array{array{float, float, float}, array{float, float, float}, array{float, float, float}}
 */
final class Matrix3
{
    /**
     * @param  Vector  $axis  of length 1
     * @return Matrix rotation by `angle` radians about `axis` (Rodrigues)
     */
    public static function rotation(array $axis, float $angle): array
    {
        [$x, $y, $z] = $axis;
        $c = cos($angle);
        $s = sin($angle);
        $v = 1 - $c;

        return [
            [$c + $x * $x * $v, $x * $y * $v - $z * $s, $x * $z * $v + $y * $s],
            [$y * $x * $v + $z * $s, $c + $y * $y * $v, $y * $z * $v - $x * $s],
            [$z * $x * $v - $y * $s, $z * $y * $v + $x * $s, $c + $z * $z * $v],
        ];
    }

    /**
     * @param  Matrix  $m
     * @param  Vector  $v
     * @return Vector
     */
    public static function apply(array $m, array $v): array
    {
        return [
            $m[0][0] * $v[0] + $m[0][1] * $v[1] + $m[0][2] * $v[2],
            $m[1][0] * $v[0] + $m[1][1] * $v[1] + $m[1][2] * $v[2],
            $m[2][0] * $v[0] + $m[2][1] * $v[1] + $m[2][2] * $v[2],
        ];
    }

    /**
     * Inverse of a symmetric matrix.
     *
     * @param  Matrix  $m
     * @return Matrix
     */
    public static function inverse(array $m): array
    {
        [[$a, $d, $e], [, $f, $g], [, , $h]] = $m;
        $c0 = $f * $h - $g * $g;
        $c1 = $e * $g - $d * $h;
        $c2 = $d * $g - $e * $f;
        $det = $a * $c0 + $d * $c1 + $e * $c2;
        $k = 1 / $det;
        $m01 = $k * $c1;
        $m02 = $k * $c2;
        $m12 = $k * ($d * $e - $a * $g);

        return [[$k * $c0, $m01, $m02], [$m01, $k * ($a * $h - $e * $e), $m12], [$m02, $m12, $k * ($a * $f - $d * $d)]];
    }

    /**
     * Symmetric and positive definite (Sylvester's criterion)?
     *
     * @param  Matrix  $m
     */
    public static function isPositiveDefinite(array $m): bool
    {
        $size = max(abs($m[0][0]), abs($m[1][1]), abs($m[2][2]));
        if (abs($m[0][1] - $m[1][0]) > 1e-6 * $size || abs($m[0][2] - $m[2][0]) > 1e-6 * $size || abs($m[1][2] - $m[2][1]) > 1e-6 * $size) {
            return false;
        }
        $minor = $m[0][0] * $m[1][1] - $m[0][1] * $m[1][0];
        $det =
            $m[0][0] * ($m[1][1] * $m[2][2] - $m[1][2] * $m[2][1]) -
            $m[0][1] * ($m[1][0] * $m[2][2] - $m[1][2] * $m[2][0]) +
            $m[0][2] * ($m[1][0] * $m[2][1] - $m[1][1] * $m[2][0]);

        return $m[0][0] > 0 && $minor > 0 && $det > 0;
    }
}
