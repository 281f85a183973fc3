<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Fitting;
use Illuminate\Support\Facades\Log;

/** What the models failed on, in the log: what was being computed, of which fitting, and the reference that stands on the screen. */
final class FailureLog
{
    /**
     * @param  array<string, mixed>  $report  with `failures`
     * @return array<string, mixed> the same
     */
    public static function noted(array $report, Fitting $fitting): array
    {
        foreach ($report['failures'] ?? [] as $failure) {
            Log::error($failure['line'], [
                'computing' => $failure['computing'], 'reference' => $failure['reference'], 'fitting' => $fitting->id,
            ]);
        }

        return $report;
    }
}
