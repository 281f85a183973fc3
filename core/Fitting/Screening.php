<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;

/**
 * Which shots an average is made of: the fitting's screening policy, named on every average. Warm-up shots and a monitor's errors
 * are no shots of a trial under any policy.
 *
 * - `all`: every shot, also those that the fitter left out as mishits
 * - `flagged`: those that the fitter left out stay out, and topped balls (the default)
 * - `best K of N`: of those, the K of every N with the longest carry
 * - `robust`: of those, all; a value further than 2.5 robust SD from the setup's median is pulled in to there (winsorised; Tukey
 * 1962, from memory)
 */
final readonly class Screening
{
    /** The policies that a verdict is looked at under beside the fitting's own. */
    public const USUAL = ['flagged', 'all', 'robust', 'best 6 of 8'];

    /** What a fitter may choose from. */
    public const OFFERED = [...self::USUAL, 'best 4 of 5'];

    public const NEVER = ['warm-up', 'monitor error'];

    private function __construct(public string $name, private int $best = 1, private int $of = 1)
    {
    }

    /**
     * @param  string  $name  all, flagged, robust, or "best K of N" with 1 ≤ K < N ≤ 20
     *
     * @throws InvalidInput when there is no such policy
     */
    public static function named(string $name): self
    {
        if (in_array($name, ['all', 'flagged', 'robust'], true)) {
            return new self($name);
        }
        if (preg_match('/^best (\d{1,2}) of (\d{1,2})$/', $name, $m) === 1 && $m[1] >= 1 && $m[1] < $m[2] && $m[2] <= 20) {
            return new self($name, (int) $m[1], (int) $m[2]);
        }

        throw InvalidInput::of(
            'screening', "'{$name}' is not a screening policy; use all, flagged, robust, or best K of N such as 'best 6 of 8'.",
        );
    }

    /** As it is named on averages. */
    public function label(): string
    {
        return match ($this->name) {
            'all' => 'all shots', 'flagged' => 'flagged shots out', 'robust' => 'robust: far values pulled in',
            default => "{$this->name} by carry",
        };
    }

    /** What choosing this policy does to the figures; empty where there is nothing to warn of. */
    public function warning(): string
    {
        return $this->best < $this->of
            ? 'Keeping the best shots adds about 2 % of carry and takes about 30 % off the spread of side: more than the differences judged.'
            : '';
    }

    /**
     * The shots of one setup that count, in their order. One that could not be computed never does.
     *
     * @param  list<array{shot: LaunchShot, leftOut: string|null, visit?: int|null}>  $shots
     */
    public function of(string $tag, array $shots): ShotSet
    {
        $kept = array_values(array_filter($shots, fn (array $s): bool => $s['shot']->failure === null
            && ($s['leftOut'] === null ? $this->name === 'all' || ! $s['shot']->isTopped()
                : $this->name === 'all' && ! in_array($s['leftOut'], self::NEVER, true))));
        if ($this->best < $this->of) {
            $carry = array_map(static fn (array $s): float => $s['shot']->value(Measure::Carry) ?? 0.0, $kept);
            arsort($carry);
            $in = array_flip(array_slice(array_keys($carry), 0, (int) ceil(count($kept) * $this->best / $this->of)));
            $kept = array_values(array_intersect_key($kept, $in));
        }

        return new ShotSet(
            $tag, array_column($kept, 'shot'), $this->name === 'robust',
            array_map(static fn (array $s): int => $s['visit'] ?? 0, $kept),
        );
    }
}
