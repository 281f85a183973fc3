<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

/** A shot that came from the same sending session a little before, as far as it tells of the sender's clock and count. */
final readonly class RecentShot
{
    /**
     * @param  int  $run  how often the sender's count had begun anew by then
     * @param  int|null  $sequence  the sender's count
     * @param  float|null  $saidS  when it was hit by the sender's clock, s since 1970
     * @param  float  $cameS  when it came by ours
     * @param  int|null  $trial  that it was laid to
     */
    public function __construct(public int $run, public ?int $sequence, public ?float $saidS, public float $cameS, public ?int $trial)
    {
    }
}
