<?php

declare(strict_types=1);

namespace MintCarry\Core\FollowUp;

use MintCarry\Core\Statistics\Binomial;
use MintCarry\Core\Statistics\Interval;
use MintCarry\Core\Statistics\Normal;
use MintCarry\Core\Statistics\StudentT;

use function array_filter;
use function array_map;
use function array_sum;
use function array_values;
use function count;
use function sqrt;

/**
 * What was promised against what came, over all hand-overs: whether a studio may trust the tool. Hand-overs are weighted by how surely what came is
 * known (random effects after DerSimonian & Laird 1986, from memory); below `FROM` only counts are told.
 */
final readonly class Ledger
{
    /** Hand-overs of which both is known, from which on something is said. */
    public const FROM = 30;

    private const FROM_A_HEAD = 6;

    /** An honest studio is called off in fewer than 4 of 100 seasons. */
    private const LEVEL = 0.975;

    /** Chances are told in these bands. */
    private const BANDS = [0.0, 0.6, 0.75, 0.9, 1.0001];

    /**
     * @param  array{handedOver: int, known: int, kept: int, broken: int, notYet: int, overruled: int}  $counts
     * @param  array{value: float, interval: Interval}|null  $bias  what came less what was promised, share of fairways; below 0 it was promised too much
     * @param  list<array{from: float, to: float, n: int, told: float, shows: float, came: float, interval: Interval}>  $chances  by band: the chance as it
     *   was told, how often it would show on so few drives if it were true, and how often it came
     * @param  list<array{head: string, n: int, value: float, interval: Interval}>  $heads  as bias, of each head; the intervals hold together
     * @param  array{n: int, value: float, interval: Interval}|null  $overruled  what came where the fitter chose otherwise, less what came where not
     * @param  'counts only'|'trust it'|'too high'|'too low'  $verdict
     */
    private function __construct(
        public array $counts, public ?array $bias, public array $chances, public array $heads, public ?array $overruled, public string $verdict,
    ) {
    }

    /** @param  list<HandOver>  $all */
    public static function of(array $all): self
    {
        $is = static fn (Kept $kept): int => count(array_filter($all, static fn (HandOver $h): bool => $h->kept === $kept));
        $known = array_values(array_filter($all, static fn (HandOver $h): bool => $h->promised !== null && $h->came !== null));
        $counts = [
            'handedOver' => count($all), 'known' => count($known), 'kept' => $is(Kept::Kept), 'broken' => $is(Kept::Broken),
            'notYet' => $is(Kept::NotYet),
            'overruled' => count(array_filter($all, static fn (HandOver $h): bool => $h->isOverruled)),
        ];
        if (count($known) < self::FROM) {
            return new self($counts, null, [], [], null, 'counts only');
        }
        $bias = self::pooled($known, self::LEVEL);
        $verdict = match (true) {
            $bias['interval']->high < 0 => 'too high', $bias['interval']->low > 0 => 'too low', default => 'trust it'
        };

        return new self($counts, $bias, self::chances($known), self::heads($known), self::overruled($known), $verdict);
    }

    /**
     * @param  list<HandOver>  $of
     * @return array{value: float, interval: Interval}
     */
    private static function pooled(array $of, float $level): array
    {
        $off = array_map(static fn (HandOver $h): array => [($h->gain() ?? 0.0) - ($h->promised ?? 0.0), ($h->error() ?? 1.0) ** 2], $of);
        $weights = array_map(static fn (array $o): float => 1 / $o[1], $off);
        $sum = array_sum($weights);
        $mean = array_sum(array_map(static fn (array $o, float $w): float => $w * $o[0], $off, $weights)) / $sum;
        $q = array_sum(array_map(static fn (array $o, float $w): float => $w * ($o[0] - $mean) ** 2, $off, $weights));
        $c = $sum - array_sum(array_map(static fn (float $w): float => $w * $w, $weights)) / $sum;
        // What differs between hand-overs beside counting.
        $between = $c > 0 ? max(0.0, ($q - (count($off) - 1)) / $c) : 0.0;
        $weights = array_map(static fn (array $o): float => 1 / ($o[1] + $between), $off);
        $sum = array_sum($weights);
        $mean = array_sum(array_map(static fn (array $o, float $w): float => $w * $o[0], $off, $weights)) / $sum;
        // By Student's t and the spread that is there: few hand-overs do not know how much they differ (Hartung & Knapp 2001, from memory).
        $spread = array_sum(array_map(static fn (array $o, float $w): float => $w * ($o[0] - $mean) ** 2, $off, $weights));
        $half = StudentT::quantile(1 - (1 - $level) / 2, count($off) - 1) * sqrt($spread / ((count($off) - 1) * $sum));

        return ['value' => $mean, 'interval' => new Interval($mean - $half, $mean + $half)];
    }

    /**
     * @param  list<HandOver>  $known
     * @return list<array{from: float, to: float, n: int, told: float, shows: float, came: float, interval: Interval}>
     */
    private static function chances(array $known): array
    {
        $out = [];
        for ($b = 0; $b + 1 < count(self::BANDS); $b++) {
            $in = array_values(array_filter(
                $known, static fn (HandOver $h): bool => $h->chance !== null && $h->chance >= self::BANDS[$b] && $h->chance < self::BANDS[$b + 1],
            ));
            if ($in === []) {
                continue;
            }
            $better = count(array_filter($in, static fn (HandOver $h): bool => ($h->gain() ?? 0.0) > 0));
            $out[] = [
                'from' => self::BANDS[$b], 'to' => min(1.0, self::BANDS[$b + 1]), 'n' => count($in),
                'told' => array_sum(array_map(static fn (HandOver $h): float => (float) $h->chance, $in)) / count($in),
                'shows' => array_sum(array_map(self::shows(...), $in)) / count($in), 'came' => $better / count($in),
                'interval' => Binomial::interval($better, count($in)),
            ];
        }

        return $out;
    }

    /** The chance that more fairways are counted, where the promise is true: what is promised is unsure, and counting is too. */
    private static function shows(HandOver $h): float
    {
        [$gain, $error] = [(float) $h->promised, (float) $h->error()];
        $z = Normal::quantile(min(0.999, max(0.001, (float) $h->chance)));
        $own = abs($z) < 1e-6 || $gain * $z <= 0 ? 0.0 : $gain / $z;

        return Normal::cdf($gain / sqrt($own * $own + $error * $error));
    }

    /**
     * @param  list<HandOver>  $known
     * @return list<array{head: string, n: int, value: float, interval: Interval}>
     */
    private static function heads(array $known): array
    {
        $by = [];
        foreach ($known as $one) {
            $by[$one->head][] = $one;
        }
        $by = array_filter($by, static fn (array $of): bool => count($of) >= self::FROM_A_HEAD);
        $out = [];
        foreach ($by as $head => $of) {
            // All heads together are wrong once in twenty studios, not each.
            $out[] = ['head' => (string) $head, 'n' => count($of)] + self::pooled($of, 1 - 0.05 / count($by));
        }
        usort($out, static fn (array $a, array $b): int => $b['n'] <=> $a['n']);

        return $out;
    }

    /**
     * @param  list<HandOver>  $known
     * @return array{n: int, value: float, interval: Interval}|null
     */
    private static function overruled(array $known): ?array
    {
        $pick = static fn (bool $wanted): array => array_values(array_filter($known, static fn (HandOver $h): bool => $h->isOverruled === $wanted));
        [$other, $advised] = [$pick(true), $pick(false)];
        if (count($other) < self::FROM_A_HEAD || count($advised) < self::FROM_A_HEAD) {
            return null;
        }
        $mean = static function (array $of): array {
            $weights = array_map(static fn (HandOver $h): float => 1 / (($h->error() ?? 1.0) ** 2 + 0.01), $of);
            $value = array_sum(array_map(static fn (HandOver $h, float $w): float => $w * (float) $h->gain(), $of, $weights)) / array_sum($weights);

            return [$value, 1 / array_sum($weights)];
        };
        [[$a, $va], [$b, $vb]] = [$mean($other), $mean($advised)];
        $half = 1.959964 * sqrt($va + $vb);

        return ['n' => count($other), 'value' => $a - $b, 'interval' => new Interval($a - $b - $half, $a - $b + $half)];
    }
}
