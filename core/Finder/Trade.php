<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Statistics\Matrix;

use function count;

/**
 * Carry against the share in the corridor over all setups: the front (nothing is both longer and straighter; Pareto), and the
 * lines of equal gain, fitted to the gains themselves by least squares so that they agree with the ranking as well as two figures
 * can.
 */
final readonly class Trade
{
    /**
     * @param  list<string>  $front  tags, from the straightest to the longest
     * @param  float  $perCarryM  gain per metre of carry
     * @param  float  $perShare  gain for the whole of the share, 0 to 1
     * @param  float  $agreement  share of the gains' variance that the two explain
     */
    private function __construct(
        public array $front, public float $perCarryM, public float $perShare, public float $level, public float $agreement,
    ) {
    }

    /** @param  list<Predicted>  $setups */
    public static function of(array $setups): self
    {
        $byCarry = $setups;
        usort($byCarry, static fn (Predicted $a, Predicted $b): int => $b->carryM <=> $a->carryM ?: $b->share <=> $a->share);
        $front = [];
        $most = -INF;
        foreach ($byCarry as $p) {
            if ($p->share > $most) {
                $front[] = $p->spec->tag;
                $most = $p->share;
            }
        }
        $n = max(1, count($setups));
        [$mc, $ms, $mg] = [0.0, 0.0, 0.0];
        foreach ($setups as $p) {
            [$mc, $ms, $mg] = [$mc + $p->carryM / $n, $ms + $p->share / $n, $mg + $p->gain / $n];
        }
        $a = [[1e-6, 0.0], [0.0, 1e-9]];
        $b = [0.0, 0.0];
        $all = 0.0;
        foreach ($setups as $p) {
            [$c, $s, $g] = [$p->carryM - $mc, $p->share - $ms, $p->gain - $mg];
            $a[0][0] += $c * $c;
            $a[0][1] += $c * $s;
            $a[1][0] += $c * $s;
            $a[1][1] += $s * $s;
            $b[0] += $c * $g;
            $b[1] += $s * $g;
            $all += $g * $g;
        }
        [$perCarry, $perShare] = Matrix::times(Matrix::inverse($a), $b);
        $told = $perCarry * $b[0] + $perShare * $b[1];

        return new self(
            array_reverse($front), $perCarry, $perShare, $mg - $perCarry * $mc - $perShare * $ms,
            $all > 0 ? max(0.0, min(1.0, $told / $all)) : 0.0,
        );
    }
}
