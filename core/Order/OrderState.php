<?php

declare(strict_types=1);

namespace MintCarry\Core\Order;

use MintCarry\Core\Errors\InvalidInput;

/** Where an ordered club is, and where it can go from there. */
enum OrderState: string
{
    case Asked = 'asked';
    case Ordered = 'ordered';
    case Arrived = 'arrived';
    case Built = 'built';
    case Checked = 'checked';
    case HandedOver = 'handed over';
    case Returned = 'returned';
    case Cancelled = 'cancelled';

    /** @return list<self> */
    public function next(): array
    {
        return match ($this) {
            self::Asked => [self::Ordered, self::Cancelled],
            self::Ordered => [self::Arrived, self::Cancelled],
            self::Arrived => [self::Built, self::Returned],
            self::Built => [self::Checked, self::Returned],
            self::Checked => [self::HandedOver, self::Built, self::Returned],
            self::HandedOver => [self::Returned],
            self::Returned => [self::Ordered, self::Built, self::Cancelled],
            self::Cancelled => [self::Asked],
        };
    }

    /** What it waits for; empty where nothing is open. */
    public function waitsFor(): string
    {
        return match ($this) {
            self::Asked => 'to be ordered',
            self::Ordered => 'for the parts',
            self::Arrived => 'to be built',
            self::Built => 'for gauge and balance',
            self::Checked => 'to be handed over',
            self::Returned => 'for its replacement',
            self::HandedOver, self::Cancelled => '',
        };
    }

    /** Is there a club, or are there parts of it, in the house or with the player? */
    public function hasArrived(): bool
    {
        return in_array($this, [self::Arrived, self::Built, self::Checked, self::HandedOver], true);
    }

    /** @throws InvalidInput saying in a sentence why it cannot be */
    public function requireNext(self $to): void
    {
        if ($to === $this || in_array($to, $this->next(), true)) {
            return;
        }
        throw InvalidInput::of('state', match (true) {
            $to === self::Cancelled && $this->hasArrived() => 'It has arrived, so it cannot be cancelled any more: send it back, and say why. Nothing was changed.',
            $to === self::HandedOver => 'It is handed over once it was checked on gauge and balance. Nothing was changed.',
            $to === self::Checked => 'It is checked on gauge and balance once it was built. Nothing was changed.',
            default => sprintf(
                'It is %s; from there it can be %s. Nothing was changed.', $this->value,
                implode(' or ', array_map(static fn (self $s): string => $s->value, $this->next())),
            ),
        });
    }
}
