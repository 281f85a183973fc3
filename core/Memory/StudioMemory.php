<?php

declare(strict_types=1);

namespace MintCarry\Core\Memory;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Impact\PlayerPriors;

use function abs;
use function array_filter;
use function array_is_list;
use function array_map;
use function count;
use function intdiv;
use function is_array;
use function is_finite;
use function is_numeric;
use function max;
use function round;
use function sprintf;
use function sqrt;

/**
 * What a studio's earlier fittings say of its heads, as later fittings begin with it: sums over players, nobody's name.
 *
 * Of each head the mean over players of its seven effects (`PlayerPriors::OWN_EFFECT_SD`: m/s, °, °, mm, mm, restitution, share of spin;
 * as of a right-hander) and how well it is known; how far heads differ (A), own clubs that nobody knows (O), and one head among players
 * (D). How far a change reaches the ball: its mean over players and its width.
 */
final readonly class StudioMemory
{
    /** Shares of a head's usual variance against the own club: among heads, of an unknown own club, among players (assumptions). */
    public const USUAL = ['group' => 0.35, 'offset' => 0.5, 'own' => 0.15];

    /** What is given to others changes by so many players at a time, and is rounded to this part of a usual width. */
    private const STEP = 5;

    private const ROUNDED_TO = 20;

    /** More than any studio has. */
    private const MOST_HEADS = 2_000;

    /**
     * @param  int  $fittings  that it rests on
     * @param  array<string, array{players: int, mean: list<float>, sd: list<float>, moved: list<int>, elsewhere?: bool}>  $heads  by head;
     *   players: fittings in which it was hit; moved: effects in which its last fittings differ from those before; elsewhere: told by others
     * @param  array{group: list<float>, offset: list<float>, own: list<float>}  $variances  A, O and D by effect, squares of its unit
     * @param  array<string, array{mean: float, sd: float}>  $factors  how far a change reaches the ball, by name
     */
    public function __construct(public int $fittings, public array $heads, public array $variances, public array $factors)
    {
    }

    /** What a head is remembered under: those of the two hands are two castings. */
    public static function keyOf(string $head, Hand $hand): string
    {
        return $hand === Hand::Right ? $head : "{$head}, left";
    }

    /**
     * What is believed of a head against the own club before any shot of this player.
     *
     * @param  string|null  $own  the own club's head, where it stands on the rack
     * @return list<array{mean: float, sd: float}> by effect
     */
    public function effectsOf(string $head, ?string $own): array
    {
        $out = [];
        foreach (PlayerPriors::OWN_EFFECT_SD as $k => $_) {
            $among = $this->variances['own'][$k];
            $part = fn (?array $known, float $else): array => $known === null
                ? [0.0, $else] : [$known['mean'][$k], $known['sd'][$k] ** 2 + $among];
            [$its, $itsVariance] = $part($this->heads[$head] ?? null, $this->variances['group'][$k] + $among);
            [$theirs, $theirVariance] = $part($own === null ? null : $this->heads[$own] ?? null, $this->variances['offset'][$k]);
            $out[] = ['mean' => $its - $theirs, 'sd' => sqrt($itsVariance + $theirVariance)];
        }

        return $out;
    }

    /** The same without heads that few fittings hit: of those it tells nothing. */
    public function ofHeadsHitIn(int $fittings): self
    {
        $heads = array_filter($this->heads, static fn (array $head): bool => $head['players'] >= $fittings);

        return new self($this->fittings, $heads, $this->variances, $this->factors);
    }

    /** The same, where this one knows nothing, with what others know: of heads of the same name, and without any fitting of all. */
    public function with(self $others): self
    {
        $heads = $this->heads;
        foreach ($others->heads as $name => $head) {
            $heads[$name] ??= ['elsewhere' => true] + $head;
        }

        return $this->fittings > 0
            ? new self($this->fittings, $heads, $this->variances, $this->factors) : new self(0, $heads, $others->variances, $others->factors);
    }

    /** As it is given to others: its own heads alone, counted in fives, each figure rounded to a twentieth of its usual width. */
    public function forOthers(): self
    {
        $heads = [];
        foreach (array_filter($this->heads, static fn (array $head): bool => ! ($head['elsewhere'] ?? false)) as $name => $head) {
            $heads[$name] = ['players' => self::inFives($head['players']), 'moved' => []] + $head;
            foreach (PlayerPriors::OWN_EFFECT_SD as $k => $usual) {
                $step = $usual / self::ROUNDED_TO;
                $heads[$name]['mean'][$k] = round(round($head['mean'][$k] / $step) * $step, 6);
                $heads[$name]['sd'][$k] = round(max(1.0, round($head['sd'][$k] / $step)) * $step, 6);
            }
        }
        $rounded = static fn (float $v): float => (float) sprintf('%.2g', $v);

        return new self(
            self::inFives($this->fittings), $heads, array_map(static fn (array $of): array => array_map($rounded, $of), $this->variances),
            array_map(static fn (array $f): array => array_map($rounded, $f), $this->factors),
        );
    }

    /** A count that changes by five at a time. */
    public static function inFives(int $count): int
    {
        return intdiv($count, self::STEP) * self::STEP;
    }

    /** @return array<string, mixed> as it is kept and exported (docs/schemas/memory.schema.json) */
    public function toArray(): array
    {
        return ['fittings' => $this->fittings, 'heads' => $this->heads, 'variances' => $this->variances, 'factors' => $this->factors];
    }

    /**
     * @param  array<string, mixed>  $kept
     * @return self|null null for what is of another shape
     */
    public static function from(array $kept): ?self
    {
        $effects = count(PlayerPriors::OWN_EFFECT_SD);
        $isRow = static fn (mixed $row): bool => is_array($row) && array_is_list($row) && count($row) === $effects &&
            array_filter($row, static fn (mixed $v): bool => is_numeric($v) && is_finite((float) $v) && abs((float) $v) < 1e3) === $row;
        $arePositive = static fn (array $row): bool => array_filter($row, static fn (mixed $v): bool => (float) $v > 0) === $row;
        /** @return list<float> */
        $floats = static fn (array $row): array => array_map(floatval(...), array_values($row));
        if (! is_numeric($kept['fittings'] ?? null) || ! is_array($kept['heads'] ?? null) || ! is_array($kept['factors'] ?? null) ||
            count($kept['heads']) > self::MOST_HEADS) {
            return null;
        }
        foreach (self::USUAL as $which => $_) {
            if (! $isRow($kept['variances'][$which] ?? null) || ! $arePositive($kept['variances'][$which])) {
                return null;
            }
        }
        $heads = $factors = [];
        foreach ($kept['heads'] as $name => $head) {
            if (! is_array($head) || ! $isRow($head['mean'] ?? null) || ! $isRow($head['sd'] ?? null) || ! $arePositive($head['sd'])) {
                return null;
            }
            $heads[(string) $name] = [
                'players' => (int) ($head['players'] ?? 0), 'mean' => $floats($head['mean']), 'sd' => $floats($head['sd']),
                'moved' => array_values(array_map(intval(...), (array) ($head['moved'] ?? []))),
            ] + (($head['elsewhere'] ?? false) === true ? ['elsewhere' => true] : []);
        }
        foreach ($kept['factors'] as $name => $factor) {
            if (! is_array($factor) || ! is_numeric($factor['mean'] ?? null) || ! is_numeric($factor['sd'] ?? null) ||
                ! ((float) $factor['sd'] > 0)) {
                return null;
            }
            $factors[(string) $name] = ['mean' => (float) $factor['mean'], 'sd' => (float) $factor['sd']];
        }

        ['group' => $group, 'offset' => $offset, 'own' => $own] = $kept['variances'];

        return new self(
            (int) $kept['fittings'], $heads, ['group' => $floats($group), 'offset' => $floats($offset), 'own' => $floats($own)], $factors,
        );
    }
}
