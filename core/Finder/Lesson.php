<?php

declare(strict_types=1);

namespace MintCarry\Core\Finder;

use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Impact\PlayerPriors;
use MintCarry\Core\Memory\LearnedFitting;
use MintCarry\Core\Memory\StudioMemory;
use MintCarry\Core\Statistics\Matrix;

use function array_keys;
use function array_map;

/**
 * What a fitting leaves for those that follow: what each head did beyond geometry, and how far changes reached the ball, by the shots
 * alone. From a normal belief N(m, C) with prior N(μ, P) over some unknowns the shots by themselves say N(y, R) with
 * R⁻¹ = C⁻¹ − P⁻¹ and y = R (C⁻¹ m − P⁻¹ μ), all other unknowns as they were believed.
 */
final class Lesson
{
    /** What the shots do not tell at all is known from so little of the prior. */
    private const LEAST = 1e-3;

    /** @param  list<SetupSpec>  $hit */
    public static function of(Belief $prior, Belief $after, array $hit, bool $isOwnRacked): ?LearnedFitting
    {
        $own = $after->own;
        $places = [];
        foreach ($hit as $spec) {
            if ($spec->model() !== $own->model() && isset($after->heads[$spec->model()])) {
                $places[StudioMemory::keyOf($spec->model(), $own->hand)] = $after->heads[$spec->model()];
            }
        }
        if ($hit === [] || $hit === [$own]) {
            return null;
        }
        $effects = $errors = $factors = [];
        foreach (array_keys(PlayerPriors::OWN_EFFECT_SD) as $k) {
            [$effects[], $errors[]] = self::alone($prior, $after, array_map(static fn (int $at): int => $at + $k, array_values($places)));
        }
        foreach (Belief::learned() as $name => $at) {
            [$value, $variance] = self::alone($prior, $after, [$at]);
            $factors[$name] = ['value' => $value[0], 'variance' => $variance[0][0]];
        }

        return new LearnedFitting(
            $isOwnRacked ? StudioMemory::keyOf($own->model(), $own->hand) : null, array_keys($places), $effects, $errors, $factors,
        );
    }

    /**
     * @param  list<int>  $places  of θ
     * @return array{list<float>, list<list<float>>} y and R
     */
    private static function alone(Belief $prior, Belief $after, array $places): array
    {
        if ($places === []) {
            return [[], []];
        }
        $covariance = [];
        foreach ($places as $i => $a) {
            foreach ($places as $k => $b) {
                $covariance[$i][$k] = $after->spread->covariance($a, $b);
            }
        }
        $said = Matrix::inverse($covariance);
        $pull = Matrix::times($said, array_map(static fn (int $at): float => $after->mean[$at], $places));
        foreach ($places as $i => $at) {
            $was = ($after->narrower[$at] ?? 1.0) / $prior->priorVariance[$at];
            $said[$i][$i] -= (1 - self::LEAST) * $was;
            $pull[$i] -= (1 - self::LEAST) * $was * $prior->mean[$at];
        }
        try {
            $error = Matrix::inverse($said);
        } catch (ModelFailure) {
            // Rounding made less than nothing of it.
            $error = array_map(
                static fn (array $row): array => array_map(static fn (float $v): float => $v / self::LEAST, array_values($row)),
                array_values($covariance),
            );
        }

        return [Matrix::times($error, $pull), $error];
    }
}
