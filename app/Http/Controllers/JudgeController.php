<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Fittings\FailureLog;
use App\Fittings\FittingLoader;
use App\Fittings\KeptDraws;
use App\Fittings\ModelVersion;
use App\Models\Blind;
use App\Models\Fitting;
use Illuminate\Http\JsonResponse;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Finder\RackCandidates;
use MintCarry\Core\Record\FittingRecord;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\NextStep;
use OpenApi\Attributes as OA;

/** The judge's last figures and the one next thing to do: what the bay asks for in the background, and every other screen repeats. */
final class JudgeController
{
    private const OF_CANDIDATE = ['tag' => 1, 'headId' => 1, 'masses' => 1, 'setupTag' => 1, 'head' => 1, 'sleeve' => 1, 'weights' => 1,
        'with' => 1, 'like' => 1];

    #[OA\Get(path: '/api/fittings/{fitting}/judge', operationId: 'judge', summary: 'The judge’s figures and the one next thing to do',
        responses: [new Answer('Judge')])]
    public function __invoke(Fitting $fitting): JsonResponse
    {
        $judged = new FittingLoader($fitting);
        $record = $judged->record();
        $n = $record->countedShots();
        if (Blind::open($fitting) !== null || $record->setups === []) {
            $step = ['kind' => $record->setups === [] ? 'baseline' : 'none', 'tag' => null, 'shots' => null, 'why' => null];

            return response()->json(['n' => $n, 'judge' => null, 'step' => $step, 'next' => null]);
        }
        $only = RackCandidates::preset($record);
        $found = self::orNull(static fn (): array => FailureLog::noted(
            FinderReport::of($record, $only, new KeptDraws($fitting, $only), ModelVersion::now()), $fitting,
        ));
        $at = $found === null ? false : array_search($found['next']['tag'] ?? null, array_column($found['setups'], 'tag'), true);
        $next = $found === null || $at === false ? null : $found['setups'][$at];
        if ($next !== null) {
            $next['headId'] = $next['rackAt'] === null || $next['otherLoftDeg'] !== null ? null : $judged->heads()[$next['rackAt']]?->id;
        }

        return response()->json([
            'n' => $n,
            'judge' => self::orNull(static fn (): array => FailureLog::noted(AdviceReport::of($record), $fitting)),
            'step' => $found['step'] ?? self::without($record),
            'next' => $next === null ? null : array_intersect_key($next, self::OF_CANDIDATE),
        ]);
    }

    /** Where the rack offers nothing, or the own club was not hit with ball data. */
    private static function without(FittingRecord $record): NextStep
    {
        return NextStep::of($record, null, false);
    }

    /**
     * @param  callable(): array<string, mixed>  $make
     * @return array<string, mixed>|null
     */
    private static function orNull(callable $make): ?array
    {
        try {
            return $make();
        } catch (InvalidInput) {
            return null;
        }
    }
}
