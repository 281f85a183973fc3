<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

/** One thing that could make a comparison unfair, with its evidence in kept units. */
final readonly class GuardRail
{
    /**
     * @param  string  $tag  of the setup it is about; empty for the whole fitting
     * @param  array<string, float|string|list<string>>  $figures
     */
    public function __construct(public string $tag, public GuardRailKind $kind, public array $figures = [])
    {
    }
}
