<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Part;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Part */
final class PartResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Part $part */
        $part = $this->resource;

        return [
            'id' => $part->id, 'kind' => $part->kind, 'label' => $part->label, 'data' => (object) $part->data,
            'supply' => (object) $part->supply,
        ];
    }
}
