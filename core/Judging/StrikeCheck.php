<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Impact\Swing;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;

use function array_column;
use function array_map;
use function array_sum;
use function count;
use function hypot;
use function max;
use function sqrt;

/**
 * Four shots after something was done about a strike: did it come nearer to the line of the CG? Along the way from where the strikes
 * were to the line, the mean of the new shots against that of the old, each by the pooled, shrunken spread of `LiveVerdict`, and before
 * any shot by a prior as wide as another setup moves a strike. Told from four shots on.
 */
final readonly class StrikeCheck
{
    public const SHOTS = 4;

    private const SURE = 0.8;

    /** So much nearer is nearer, mm; less nobody would see. */
    private const WORTH_MM = 1.0;

    /** How far something that is done about a strike moves it, before anybody saw it, mm (assumption). */
    private const PRIOR_MM = 5.0;

    /**
     * @param  'nearer'|'not'|'open'|'few'  $verdict
     * @param  float  $nearerMm  how much nearer the line the strikes came, along the way to it
     * @param  int|null  $moreShots  about how many more would tell; null where that is told, or would take more than anybody hits
     */
    private function __construct(
        public string $verdict, public int $n, public float $nearerMm, public Interval $interval, public float $chance,
        public ?int $moreShots,
    ) {
    }

    public static function between(Evidence $was, Evidence $is): self
    {
        [$before, $after] = [self::off($was), self::off($is)];
        $mean = static fn (array $all, int $i): float => array_sum(array_column($all, $i)) / max(1, count($all));
        $from = [$mean($before, 0), $mean($before, 1)];
        $far = max(1e-9, hypot($from[0], $from[1]));
        $way = [-$from[0] / $far, -$from[1] / $far];
        $along = static fn (array $all): array => array_map(static fn (array $p): float => $p[0] * $way[0] + $p[1] * $way[1], $all);
        [$a, $b] = [$along($before), $along($after)];
        [$n, $m] = [count($a), count($b)];
        $usual = hypot(PlayerPriors::SCATTER_SD[Swing::TOE] * $way[0], PlayerPriors::SCATTER_SD[Swing::HIGH] * $way[1]);
        $variance = (8 * $usual ** 2 + self::squares($a) + self::squares($b)) / (8 + max(0, $n - 1) + max(0, $m - 1));
        $seen = array_sum($b) / max(1, $m) - array_sum($a) / max(1, $n);
        $tell = static function (int $m) use ($variance, $n, $seen): array {
            $error = $variance * (1 / max(1, $n) + 1 / max(1, $m));
            $share = self::PRIOR_MM ** 2 / (self::PRIOR_MM ** 2 + $error);

            return [$share * $seen, sqrt($share * $error)];
        };
        [$value, $sd] = $tell($m);
        $chance = 1 - Normal::cdf((self::WORTH_MM - $value) / $sd);
        $verdict = match (true) {
            $m < self::SHOTS => 'few', $chance >= self::SURE => 'nearer', $chance <= 1 - self::SURE => 'not', default => 'open',
        };

        return new self($verdict, $m, $value, new Interval($value - 1.96 * $sd, $value + 1.96 * $sd), $chance, match ($verdict) {
            'few' => self::SHOTS - $m, 'open' => self::more($tell, $m), default => null,
        });
    }

    /** @param  callable(int): array{float, float}  $tell */
    private static function more(callable $tell, int $m): ?int
    {
        for ($extra = 1; $extra <= 24; $extra++) {
            [$value, $sd] = $tell($m + $extra);
            $chance = 1 - Normal::cdf((self::WORTH_MM - $value) / $sd);
            if ($chance >= self::SURE || $chance <= 1 - self::SURE) {
                return $extra;
            }
        }

        return null;
    }

    /** @return list<array{float, float}> each strike from the line of the CG, mm toward toe and high */
    private static function off(Evidence $e): array
    {
        [$toe, $high] = $e->spec->body->inLineWithCg();
        $out = [];
        foreach ($e->set->shots as $shot) {
            [$t, $h] = [$shot->value(Measure::StrikeToe), $shot->value(Measure::StrikeHigh)];
            if ($t !== null && $h !== null) {
                $out[] = [$t - $toe, $h - $high];
            }
        }

        return $out;
    }

    /** @param  array<float>  $values */
    private static function squares(array $values): float
    {
        $mean = array_sum($values) / max(1, count($values));

        return array_sum(array_map(static fn (float $v): float => ($v - $mean) ** 2, $values));
    }
}
