<?php

declare(strict_types=1);

namespace MintCarry\Core\Club;

/** All that a setup is made of, as somebody puts it together: the head with its sleeve and weights, and what it is built with. */
final readonly class SetupParts
{
    /**
     * @param  string  $head  name of the head; the same name is the same head
     * @param  string  $sleeve  label of the sleeve position
     * @param  array<string, float>  $masses  g by slot; empty where the head is only described
     * @param  string  $weights  the same in words
     * @param  string  $grip  empty: nobody said
     * @param  float|null  $swingWeightPoints  above A0, where it was measured or can be computed
     */
    public function __construct(
        public string $head,
        public string $sleeve = '',
        public array $masses = [],
        public string $weights = '',
        public ClubBuild $build = new ClubBuild,
        public string $grip = '',
        public ?float $swingWeightPoints = null,
    ) {
    }
}
