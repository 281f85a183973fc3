<?php

declare(strict_types=1);

namespace MintCarry\Core\Booking;

use DateTimeImmutable;
use MintCarry\Core\Errors\InvalidInput;

/** Somebody, somewhere, from here to there. Neither a bay nor a fitter nor a player is in two at once; one may begin as the other ends. */
final readonly class Booking
{
    public const MINUTES = [10, 480];

    public const MOST_SWINGS = 200;

    private function __construct(
        public DateTimeImmutable $start, public DateTimeImmutable $end, public ?int $bayId, public ?int $fitterId, public ?int $playerId,
    ) {
    }

    /** @throws InvalidInput where it is too short or too long */
    public static function of(DateTimeImmutable $start, int $minutes, ?int $bayId, ?int $fitterId, ?int $playerId): self
    {
        if ($minutes < self::MINUTES[0] || $minutes > self::MINUTES[1]) {
            throw InvalidInput::of('minutes', sprintf('An appointment takes %d to %d minutes, not %d.', ...[...self::MINUTES, $minutes]));
        }

        return new self($start, $start->modify("+{$minutes} minutes"), $bayId, $fitterId, $playerId);
    }

    /**
     * What both of them want at the same time.
     *
     * @return 'bay'|'fitter'|'player'|null
     */
    public function clash(self $other): ?string
    {
        if ($this->start >= $other->end || $other->start >= $this->end) {
            return null;
        }

        return match (true) {
            $this->bayId !== null && $this->bayId === $other->bayId => 'bay',
            $this->fitterId !== null && $this->fitterId === $other->fitterId => 'fitter',
            $this->playerId !== null && $this->playerId === $other->playerId => 'player',
            default => null,
        };
    }
}
