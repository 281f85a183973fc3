<?php

declare(strict_types=1);

namespace App\Http\Input;

use Illuminate\Http\Request;

/** Which swing of several is asked about; null: the one that most shots were hit with. */
final class Swing
{
    public static function asked(Request $request): ?string
    {
        return $request->validate(['swing' => ['nullable', 'string', 'max:20']])['swing'] ?? null;
    }
}
