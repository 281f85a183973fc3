<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Fitting;
use App\Models\Setup;

/** An earlier fitting of a player in a line: when, what was decided, and its clubs, the one that was decided first. */
final class EarlierFitting
{
    /** @return array<string, mixed> */
    public static function of(Fitting $fitting): array
    {
        $decided = $fitting->decisions->sortByDesc('version')->first()?->setup_id;
        $clubs = $fitting->setups->sortBy(fn (Setup $s): array => [$s->id === $decided ? 0 : 1, $s->position])->values();

        return [
            'id' => $fitting->id, 'at' => $fitting->created_at->toIso8601String(), 'wish' => $fitting->wants,
            'decided' => $clubs->firstWhere('id', $decided)?->tag,
            'clubs' => $clubs->map(fn (Setup $s): array => [
                'id' => $s->id, 'tag' => $s->tag,
                'name' => implode(', ', array_filter([trim("{$s->head} {$s->sleeve_label}"), $s->weights, $s->shaft])),
            ])->all(),
        ];
    }
}
