<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Fittings\ConfirmState;
use App\Live\BayView;
use App\Live\ChangeSignal;
use App\Models\Bay;
use App\Models\Blind;
use App\Models\Fitting;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Air\OpenAir;

/**
 * The live screen of a fitting: the running trial, its shots and means, how the setup in the hand stands against the benchmark,
 * the drift of speed, bays and held shots.
 */
final class BayResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Fitting $fitting */
        $fitting = $this->resource;
        $view = new BayView($fitting);
        [$trial, $blind, $secret, $figures] = [$view->trial, $view->blind, $view->secret, $view->figures];
        $by = $view->judged->calibrations;
        // What a screen needs to keep its trail right without asking for the whole fitting at every shot; and what only changes
        // with it is left out for a screen that has it.
        $stamp = $view->stamp();
        [$verdicts, $withheld] = $figures->verdicts();
        $seldom = $request->query('stamp') === $stamp ? [] : self::seldom($request, $view);

        return $seldom + [
            'live' => ChangeSignal::begin($fitting),
            'stamp' => $stamp,
            'counts' => (object) array_map(self::counts(...), $view->judged->shots),
            'running' => $trial === null ? null : self::trial($trial, $blind),
            'trials' => $view->trials->map(fn (Trial $t): array => self::trial($t, $blind))->all(),
            'shots' => $view->shots
                ->map(fn (Shot $s): array => ($secret ? ['setupId' => 0] : []) + (new ShotResource($s, $by->shot($s)))->toArray($request))
                ->all(),
            'mishits' => (object) array_intersect_key($view->judged->mishits(), array_flip($view->shots->pluck('id')->all())),
            'counted' => $view->counted(),
            'mixed' => $figures->mixed(), 'means' => $figures->means(), 'setupMeans' => $figures->setupMeans(), 'benchmarkMeans' => $figures->benchmarkMeans(),
            'verdicts' => $verdicts, 'withheld' => $withheld,
            'flips' => $figures->flips(), 'repeat' => $figures->repeat($view->trials->all()), 'drift' => $figures->drift($blind),
            'queue' => $view->queue(), 'budget' => $view->budget(), 'confirm' => ConfirmState::now($view->judged),
            'blind' => $view->blind(),
            'revealed' => ($revealed = $view->revealed()) === null ? null : $figures->revealed($revealed, $view->trials->all()),
            'pattern' => $figures->pattern(), 'speedSince' => $figures->speedSince(),
            'asks' => $view->asks(),
            'held' => $view->held()->map(HeldShotResource::line(...))->all(),
            'heldInAll' => $view->heldInAll(),
        ];
    }

    /** @return array<string, mixed> what changes only with the trail */
    private static function seldom(Request $request, BayView $view): array
    {
        $policy = $view->fitting->policy();
        $entry = $view->lastDone($request->user()?->getAuthIdentifier());

        return [
            'inLine' => $view->inLine(),
            'screening' => ['name' => $policy->name, 'label' => $policy->label(), 'warning' => $policy->warning()],
            'changeOver' => $view->changeOver(), 'visit' => $view->visit(),
            'lastDone' => $entry === null ? null : LogEntryResource::of($entry, $view->isUndoable($entry)), 'bays' => $view->bays(),
        ];
    }

    /**
     * @param  list<array{leftOut: string|null, simulated: bool}>  $shots
     * @return array{shots: int, counted: int, simulated: int}
     */
    private static function counts(array $shots): array
    {
        return [
            'shots' => count($shots), 'counted' => count(array_filter($shots, fn (array $s): bool => $s['leftOut'] === null)),
            'simulated' => count(array_filter($shots, fn (array $s): bool => $s['simulated'])),
        ];
    }

    /** @return array<string, mixed> */
    public static function bay(Bay $bay): array
    {
        return [
            'id' => $bay->id, 'name' => $bay->name, 'fittingId' => $bay->fitting_id,
            'tokenMadeAt' => $bay->token_made_at?->toIso8601String(),
        ];
    }

    /** @return array<string, mixed> a trial; of a blind one that goes on, not which setup it is */
    private static function trial(Trial $trial, ?Blind $open): array
    {
        $secret = $open !== null && $trial->blind_id === $open->id;

        return [
            'id' => $trial->id, 'number' => $trial->number, 'kind' => $trial->kind, 'setupId' => $secret ? 0 : $trial->setup_id,
            'tag' => $secret ? '' : $trial->setup->tag, 'shots' => (int) ($trial->shots_count ?? 0),
            'beganAt' => $trial->created_at->toIso8601String(), 'ended' => $trial->ended_at !== null, 'note' => $trial->note,
            'blind' => $trial->blind_id !== null,
            'openAir' => OpenAir::of($trial->conditions) === null ? null : array_intersect_key($trial->conditions, OpenAir::NUMBERS),
        ];
    }
}
