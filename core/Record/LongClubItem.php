<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use MintCarry\Core\Club\HeadReading;
use MintCarry\Core\Club\SleeveSystem;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Gaps\LongClub;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;

use function array_keys;
use function array_map;

/** A long club of a fitting file, or of what `bin/mint gaps` is given. */
final class LongClubItem
{
    /** Woods and hybrids lie about so, ° (common practice, no source). */
    private const USUAL_LIE_DEG = 57.0;

    /**
     * `{name, kind, loftDeg, lieDeg?, faceOpenDeg?, sleeve?, position?, shots: [values by measure, or {measured, typed}]}`.
     *
     * @throws InvalidInput naming the key that cannot be
     */
    public static function read(Item $club, BallFlight $flight): LongClub
    {
        $club->only('name', 'kind', 'loftDeg', 'lieDeg', 'faceOpenDeg', 'sleeve', 'position', 'shots');
        $reading = new HeadReading($club->number('loftDeg'), $club->number('lieDeg', self::USUAL_LIE_DEG), $club->number('faceOpenDeg', 0));
        $spec = $club->object('sleeve');
        $sleeve = $spec === null ? null : SleeveSystem::fromArray($spec->all(), $reading);
        $shots = array_map(static fn (Item $shot): LaunchShot => LaunchShot::of(self::measured($shot), $flight), $club->objects('shots'));

        return new LongClub(
            $club->text('name'), $club->choice('kind', LongClub::KINDS, 'fairway wood'), $reading, $sleeve,
            $club->has('position') ? $club->text('position') : ($sleeve->home ?? ''), $shots,
        );
    }

    /** @return array<string, float> by measure, in kept units */
    public static function measured(Item $shot): array
    {
        $of = $shot->has('measured') ? $shot->only('measured', 'typed')->object('measured') ?? $shot : $shot;
        $values = [];
        foreach (array_keys($of->all()) as $key) {
            $measure = Measure::tryFrom((string) $key) ?? throw InvalidInput::of("shots.{$key}", "'{$key}' is not a measure.");
            $values[(string) $key] = $of->number((string) $key);
            InvalidInput::requireWithin("shots.{$key}", $values[(string) $key], ...$measure->possible());
        }

        return $values;
    }
}
