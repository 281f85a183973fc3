<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

// What Carbon uses of symfony/clock, which the registry does not carry; drop it when the package is to be had.
if (! class_exists(NativeClock::class, false)) {
    final class NativeClock implements ClockInterface
    {
        private \DateTimeZone $timezone;

        public function __construct(\DateTimeZone|string|null $timezone = null)
        {
            $this->timezone = is_string($timezone)
                ? new \DateTimeZone($timezone)
                : $timezone ?? new \DateTimeZone(date_default_timezone_get());
        }

        public function now(): \DateTimeImmutable
        {
            return new \DateTimeImmutable('now', $this->timezone);
        }

        public function sleep(float|int $seconds): void
        {
            usleep((int) ($seconds * 1e6));
        }

        public function withTimeZone(\DateTimeZone|string $timezone): static
        {
            return new self($timezone);
        }
    }
}
