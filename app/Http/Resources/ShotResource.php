<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Shot;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Launch\LaunchShot;

/** @mixin Shot */
final class ShotResource extends JsonResource
{
    public function __construct(Shot $shot, private readonly LaunchShot $read)
    {
        parent::__construct($shot);
    }

    /**
     * What came out after it was stored: its carry is not what its own launch flies by this monitor.
     *
     * @param  list<string>  $flags
     * @return list<string>
     */
    private function newFlags(array $flags): array
    {
        $isTold = array_filter($flags, static fn (string $f): bool => str_starts_with($f, 'Carry ')) !== [];

        return $isTold || ! $this->read->isCarryOff() ? [] : ['Carry is not what this launch flies: another unit, or a wrong reading?'];
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Shot $shot */
        $shot = $this->resource;
        $read = $this->read;

        return [
            'id' => $shot->id,
            'setupId' => $shot->setup_id,
            'trialId' => $shot->trial_id,
            'sequence' => $shot->sequence,
            'line' => $shot->line,
            'source' => $shot->source,
            'measured' => (object) $read->measured,
            'computed' => (object) $read->computed,
            'inWind' => (object) $read->asSeen,
            'typed' => (object) $shot->typed,
            'flags' => [...$shot->flags, ...$this->newFlags($shot->flags)],
            'hitAt' => $shot->hit_at,
            'note' => $shot->note,
            'intent' => $shot->intent,
            'leftOut' => $shot->left_out_reason === null
                    ? null
                    : [
                        'reason' => $shot->left_out_reason, 'note' => $shot->left_out_note,
                        'at' => $shot->left_out_at?->toIso8601String(),
                    ],
        ];
    }
}
