<?php

declare(strict_types=1);

namespace MintCarry\Core\Fitting;

use MintCarry\Core\Errors\InvalidInput;

/** The strip the drive should finish in, centred on the target line, and what waits on each side of it. */
final readonly class Corridor
{
    public function __construct(
        public float $widthM = 30.0,
        public Trouble $left = new Trouble('rough'),
        public Trouble $right = new Trouble('rough'),
    ) {
        InvalidInput::requireWithin('corridorWidthM', $widthM, 5, 120, 'm');
        foreach (['left' => $left, 'right' => $right] as $side => $trouble) {
            if ($trouble->atM !== null && $trouble->atM < $widthM / 2) {
                throw InvalidInput::of(
                    "{$side}.atM",
                    sprintf(
                        'The %s on the %s begins %.1f m from the target line, inside the corridor, which reaches to %.1f m.',
                        $trouble->kind, $side, $trouble->atM, $widthM / 2,
                    ),
                );
            }
        }
    }

    public function halfM(): float
    {
        return $this->widthM / 2;
    }

    /**
     * Where trouble begins on the left (negative) and right, m from the target line; infinite where there is none.
     *
     * @return array{float, float}
     */
    public function trouble(): array
    {
        $at = fn (Trouble $t): float => $t->isReal() ? $t->atM ?? $this->halfM() + Trouble::USUAL_GAP_M : INF;

        return [-$at($this->left), $at($this->right)];
    }
}
