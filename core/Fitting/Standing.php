<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Launch\Measure;

/**
 * A setup against the held benchmark while it is being hit: better, worse or open, looked at after every shot.
 *
 * Pooled spread shrunk to what is usual, s² = (8 σ₀² + (nₐ−1) sₐ² + (n_b−1) s_b²) / (8 + nₐ + n_b − 2), z = (x̄_b − x̄ₐ) / (s √(1/nₐ + 1/n_b)); a word from three shots each on when
 * |z| > 2.5 for the brief's declared measure and 3.0 for any other, which keeps a false word rare under looking after every shot (docs/judging.md; rule of the shared judging page).
 */
final readonly class Standing
{
    public const FROM_SHOTS = 3;

    public const DECLARED_Z = 2.5;

    public const OTHER_Z = 3.0;

    private const PRIOR_DOF = 8;

    /**
     * @param  string  $word  better, worse or open
     * @param  float  $value  difference from the benchmark, kept unit; + = more
     * @param  bool  $declared  is it the one measure that the brief's scoring declares?
     * @param  int|null  $moreShots  about how many more with this setup would settle it; null when it is settled, cannot be told yet, or would take more than 30
     */
    private function __construct(public string $name, public Measure $measure, public string $word, public float $value, public float $z, public ?int $moreShots, public bool $declared = false)
    {
    }

    /** The measures looked at live: name on the screen, which way is better, usual spread from shot to shot. */
    private const MEASURES = ['longer' => [Measure::Carry, 1, 12.0], 'straighter' => [Measure::Side, -1, 9.0], 'faster ball' => [Measure::BallSpeed, 1, 1.1], 'less spin' => [Measure::Spin, -1, 320.0], 'higher' => [Measure::Apex, 1, 4.5]];

    /**
     * @return list<self> by measure; those that both sets have at least three values of
     */
    public static function of(ShotSet $benchmark, ShotSet $trial, Scoring $scoring): array
    {
        $declared = $scoring === Scoring::Straightest ? 'straighter' : 'longer';
        $out = [];
        foreach (self::MEASURES as $name => [$measure, $way, $usual]) {
            // Straighter counts how far from the target line, on either side.
            $values = static fn (ShotSet $set): array => $measure === Measure::Side ? array_map(abs(...), $set->values($measure)) : $set->values($measure);
            $standing = self::between($name, $measure, $values($benchmark), $values($trial), $way, $usual, $name === $declared ? self::DECLARED_Z : self::OTHER_Z, $name === $declared);
            if ($standing !== null) {
                $out[] = $standing;
            }
        }

        return $out;
    }

    /**
     * @param  list<float>  $a  benchmark
     * @param  list<float>  $b
     * @param  int  $way  + 1 when more is better
     */
    public static function between(string $name, Measure $measure, array $a, array $b, int $way, float $usualSd, float $limit, bool $declared = false): ?self
    {
        [$na, $nb] = [count($a), count($b)];
        if ($na < self::FROM_SHOTS || $nb < self::FROM_SHOTS) {
            return null;
        }
        $mean = static fn (array $v): float => array_sum($v) / count($v);
        $squares = static fn (array $v): float => array_sum(array_map(static fn (float $x): float => ($x - array_sum($v) / count($v)) ** 2, $v));
        $s = sqrt((self::PRIOR_DOF * $usualSd ** 2 + $squares($a) + $squares($b)) / (self::PRIOR_DOF + $na + $nb - 2));
        $value = $mean($b) - $mean($a);
        $z = $value / ($s * sqrt(1 / $na + 1 / $nb));
        $word = abs($z) > $limit ? ($z * $way > 0 ? 'better' : 'worse') : 'open';
        $room = ($value / ($limit * $s)) ** 2 - 1 / $na;
        $more = $word !== 'open' || $room <= 0 ? null : (int) max(1, ceil(1 / $room) - $nb);

        return new self($name, $measure, $word, $value, $z, $more !== null && $more <= 30 ? $more : null, $declared);
    }
}
