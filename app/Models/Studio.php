<?php

declare(strict_types=1);

namespace App\Models;

use DateTimeZone;
use Illuminate\Database\Eloquent\Model;
use MintCarry\Core\Booking\AppointmentKinds;
use MintCarry\Core\Booking\LocalTime;
use MintCarry\Core\Booking\OpeningHours;

/**
 * @property int $id
 * @property string $name
 * @property bool $is_demo
 * @property bool $takes_simulated somebody switched simulated shots and stand-in readings on
 * @property int $lock_minutes after how long an untouched screen asks for the password
 * @property bool $wants_second_factor
 * @property int|null $retention_months whom nobody saw for so long is erased; null: nobody is
 * @property string|null $consent_text
 * @property string $language of its players, where nothing else says it
 * @property string $time_zone
 * @property array<string, mixed>|null $memory_of_others what other studios know of their heads, as it was taken in
 * @property bool $remembers new fittings begin with what earlier ones showed of the heads
 * @property list<list<array{string, string}>>|null $opening_hours null: the usual ones
 * @property list<array{name: string, minutes: int, swings: int}>|null $appointment_kinds null: the usual ones
 */
final class Studio extends Model
{
    /** What a player agrees to where the studio has no words of its own. */
    public const CONSENT = 'I agree that this studio keeps my name, what I say about my game and what is measured of my shots, to fit clubs '
        .'to me now and later. I can see all of it, have it corrected, and have it erased at any time.';

    protected $guarded = [];

    protected $attributes = ['is_demo' => false, 'takes_simulated' => false, 'lock_minutes' => 30, 'wants_second_factor' => false, 'time_zone' => 'UTC', 'language' => 'en', 'remembers' => true];

    protected function casts(): array
    {
        return [
            'is_demo' => 'boolean', 'takes_simulated' => 'boolean', 'wants_second_factor' => 'boolean', 'remembers' => 'boolean', 'memory_of_others' => 'array',
            'opening_hours' => 'array', 'appointment_kinds' => 'array',
        ];
    }

    /** Made-up shots and readings exist only where everything is made up, or where somebody asked for them. */
    public function takesSimulated(): bool
    {
        return $this->is_demo || $this->takes_simulated;
    }

    public function zone(): DateTimeZone
    {
        return LocalTime::zone($this->time_zone);
    }

    public function hours(): OpeningHours
    {
        return $this->opening_hours === null ? OpeningHours::usual() : OpeningHours::of($this->opening_hours);
    }

    /** @return list<array{name: string, minutes: int, swings: int}> */
    public function kinds(): array
    {
        return $this->appointment_kinds ?? AppointmentKinds::USUAL;
    }
}
