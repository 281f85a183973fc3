<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Support\Judged;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Fitting\SetupJudgement;

/** The advice for a fitting: each setup's judgement, the pick, what ties with it, and what is missing. */
final class AdviceResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Judged $judged */
        $judged = $this->resource;
        $advice = $judged->advice();
        $tags = array_map(fn ($s): string => $s->tag, $judged->setups);

        return [
            'benchmark' => $advice->benchmark,
            'best' => $advice->best,
            'pick' => $advice->pick,
            'carried' => $advice->carried,
            'ties' => $advice->ties,
            'expectedLoss' => $advice->expectedLoss,
            'scoring' => $advice->scoring->value,
            'unit' => $advice->scoring->unit(),
            'notHit' => array_values(array_diff($tags, array_map(fn (SetupJudgement $s): string => $s->tag, $advice->setups))),
            'setups' => array_map(fn (SetupJudgement $s): array => [
                'tag' => $s->tag,
                'n' => $s->n,
                'carry' => $s->carry,
                'total' => $s->total,
                'share' => $s->share,
                'shareInterval' => $s->shareInterval,
                'sideKnown' => $s->sideKnown,
                'spreadM' => $s->spreadM,
                'strokes' => $s->strokes,
                'strokesInterval' => $s->strokesInterval,
                'heldStrokes' => $s->heldStrokes,
                'chanceBetter' => $s->chanceBetter,
                'aimDeg' => $s->aimDeg,
                'gain' => $s->gain,
                'gainInterval' => $s->gainInterval,
                'expectedLoss' => $s->expectedLoss,
                'trade' => $s->trade === null ? null : ['costM' => $s->trade->costM, 'loftChangeDeg' => $s->trade->loftChangeDeg, 'bestLaunchDeg' => $s->trade->bestLaunchDeg, 'bestSpinRpm' => $s->trade->bestSpinRpm, 'within' => $s->trade->withinOnePercentDeg, 'attackAssumed' => $s->trade->attackAssumed],
            ], $advice->setups),
        ];
    }
}
