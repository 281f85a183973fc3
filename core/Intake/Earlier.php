<?php

declare(strict_types=1);

namespace MintCarry\Core\Intake;

use const ARRAY_FILTER_USE_BOTH;

use function array_filter;
use function array_intersect_key;
use function count;

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
     * @param  array<mixed>  $values  by field name, as sent
     */
    public function __construct(
        public string $status,
        public ?int $shot,
        public ?string $reason,
        public ?string $session,
        public float $cameS,
        public array $values = [],
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
     * Is a shot of the same id perhaps this very one, sent again with something changed? Then half of what it measured is the same to the
     * digit; two shots of a player never are. Ids that a monitor uses again as it restarts are no news.
     */
    public function isLikelyAlso(PostedShot $shot): bool
    {
        $both = array_intersect_key($this->values, $shot->values);
        $same = array_filter($both, static fn (mixed $value, string|int $key): bool => $value == $shot->values[$key], ARRAY_FILTER_USE_BOTH);

        return count($both) > 1 && 2 * count($same) >= count($both) && ($shot->session === null || $this->session === $shot->session);
    }
}
