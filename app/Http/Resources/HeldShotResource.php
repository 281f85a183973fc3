<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\HeldShot;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin HeldShot */
final class HeldShotResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var HeldShot $held */
        $held = $this->resource;
        $sent = $held->posted();

        return self::line($held) + [
            'senderId' => $held->sender_id,
            'session' => $held->sender_session,
            'sequence' => $sent->sequence,
            'hitAt' => $sent->at,
            'values' => (object) array_map(self::shown(...), $sent->values),
            'sent' => $held->sent(),
        ];
    }

    /** @return array{id: int, reason: string, at: string, source: string} what the tray shows of each */
    public static function line(HeldShot $held): array
    {
        return ['id' => $held->id, 'reason' => $held->reason, 'at' => $held->created_at->toIso8601String(), 'source' => $held->source];
    }

    /** A value as a field can show it: what is nested too deep for that stands in the text that was sent. */
    private static function shown(mixed $value): mixed
    {
        if (! is_array($value)) {
            return $value;
        }

        return is_scalar($value['value'] ?? null) ? array_intersect_key($value, ['value' => 1, 'unit' => 1]) : ['value' => '…'];
    }
}
