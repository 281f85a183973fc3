<?php

declare(strict_types=1);

namespace MintCarry\Core\Record;

use ArrayObject;
use Closure;
use MintCarry\Core\Fitting\Screening;
use MintCarry\Core\Fitting\ShotSet;
use WeakMap;

/** The sets of a record under each policy, made once: a judge asks for them many times, and each keeps what was asked of it before. */
final class KnownSets
{
    /** @var WeakMap<FittingRecord, ArrayObject<string, array<string, ShotSet>>>|null by name of the policy */
    private static ?WeakMap $known = null;

    /**
     * @param  Closure(): array<string, ShotSet>  $make
     * @return array<string, ShotSet> by tag
     */
    public static function of(FittingRecord $record, Screening $policy, Closure $make): array
    {
        self::$known ??= new WeakMap;
        /** @var ArrayObject<string, array<string, ShotSet>> $ofRecord */
        $ofRecord = self::$known[$record] ??= new ArrayObject;

        return $ofRecord[$policy->name] ??= $make();
    }
}
