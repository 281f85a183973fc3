<?php

declare(strict_types=1);

namespace MintCarry\Core\Impact;

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;

/** Made-up players for the simulated monitor, by a name that tells the fitter how they swing but not how they are made. All invented. */
final class HiddenPlayers
{
    public const NAMES = ['steady', 'fast', 'slow', 'hooker', 'slicer', 'tiring', 'steers'];

    public static function named(string $name, Hand $hand): PlayerModel
    {
        $s = $hand->sign();

        return match ($name) {
            'steady' => new PlayerModel(looseness: 0.7, mishitShare: 0.03, headPeculiarity: 1.0),
            'fast' => new PlayerModel(clubSpeedMps: 50.5, attackDeg: 2.0, dynamicLoftDeg: 12.0, mishitShare: 0.06, headPeculiarity: 1.0),
            'slow' => new PlayerModel(clubSpeedMps: 36.5, attackDeg: -1.0, dynamicLoftDeg: 15.0, headPeculiarity: 1.0),
            'hooker' => new PlayerModel(pathDeg: $s * 4.0, faceDeg: $s * 1.0, toeMm: 4.0, headPeculiarity: 1.0),
            'slicer' => new PlayerModel(
                clubSpeedMps: 41.0, attackDeg: -2.5, pathDeg: $s * -4.5, faceDeg: $s * -0.5, toeMm: -5.0, headPeculiarity: 1.0,
            ),
            'tiring' => new PlayerModel(warmUpSwings: 6, tiringPerSwing: 0.002, headPeculiarity: 1.0),
            'steers' => new PlayerModel(squares: 0.1, steersAgainstFace: 0.8, headPeculiarity: 1.0),
            default => throw InvalidInput::of('player', "There is no made-up player '{$name}'; there are ".implode(', ', self::NAMES).'.'),
        };
    }
}
