<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

/** What a bay got before under the same sender's id: a shot on record, or one that was held. */
final readonly class Earlier
{
    /**
     * A sender that names no session may repeat itself for this long, s: longer than any outage it would bridge, shorter than a
     * day’s count needs to begin anew.
     */
    public const REPEATED_FOR_S = 3600.0;

    /**
     * @param  string  $status  the answer it got: stored or held
     * @param  int|null  $shot  its number in the answer
     * @param  string|null  $reason  that it was held for
     * @param  float  $cameS  when it came, s since 1970
     */
    public function __construct(
        public string $status,
        public ?int $shot,
        public ?string $reason,
        public ?string $session,
        public float $cameS,
    ) {
    }

    /**
     * Is a shot with the same id and the same content, which comes now, this one sent again? Within a session that the sender names,
     * always; without one, within an hour. A clock of ours that was set back makes the time since negative: that is within the hour.
     */
    public function isRepeatedBy(PostedShot $shot, float $nowS): bool
    {
        return $this->session !== null || $shot->session !== null
            ? $this->session === $shot->session
            : $nowS - $this->cameS < self::REPEATED_FOR_S;
    }

    /**
     * Does this one share the id with a shot of other content where an id should name one shot? Between sessions that the sender names
     * ids are free.
     */
    public function sharesIdWith(PostedShot $shot): bool
    {
        return $shot->session === null || $this->session === $shot->session;
    }
}
