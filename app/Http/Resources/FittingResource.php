<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\Input\BriefInput;
use App\Live\ChangeSignal;
use App\Models\Consent;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Rating;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use App\Models\User;
use App\Support\Sealed;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use MintCarry\Core\Fitting\TieBreak;
use MintCarry\Core\Record\SetupNames;
use MintCarry\Core\Record\SetupRecord;

/**
 * A fitting as the screens need it: player, corridor, setups with their shot counts, what is still missing.
 *
 * @mixin Fitting
 */
final class FittingResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        /** @var Fitting $fitting */
        $fitting = $this->resource;
        $setups = $fitting
            ->setups()->with(Setup::MADE_OF)
            ->withCount([
                'shots' => fn (Builder $q) => Shot::revealed($q),
                'shots as counted_count' => fn (Builder $q) => Shot::revealed($q)->whereNull('left_out_reason'),
                'shots as simulated_count' => fn (Builder $q) => Shot::revealed($q)->where('source', 'simulated'),
            ])
            ->get();
        $setups->each(static fn (Setup $s): Setup => $s->setRelation('fitting', $fitting));
        $decision = $fitting
            ->decisions()->with(['setup', 'fitter'])->first();

        return [
            'id' => $fitting->id,
            'version' => $fitting->version,
            'live' => ChangeSignal::begin($fitting),
            'practice' => $fitting->practice !== null, 'remembered' => $fitting->memory_id === null ? null : $fitting->memory()?->fittings,
            'player' => [
                'id' => $fitting->player->id, 'name' => $fitting->player->name, 'hand' => $fitting->player->hand->value,
                'units' => $fitting->player->units,
            ],
            'brief' => $fitting->brief()->toArray(),
            'typed' => (object) BriefInput::stillTyped($fitting->typed, $fitting->brief()),
            'squaringShare' => $fitting->brief()->squaringShare(),
            'order' => self::order($fitting, $request->user()),
            'intake' => self::intake($fitting, $request->user()),
            'briefAgreedAt' => $fitting->brief_agreed_at?->toIso8601String(),
            'benchmarkSetupId' => $fitting->benchmark_setup_id,
            'createdAt' => $fitting->created_at->toIso8601String(),
            'updatedAt' => $fitting->updated_at->toIso8601String(),
            'setups' => SetupResource::collection($setups),
            'names' => (object) SetupNames::of(self::records($setups->all())),
            'wrongHand' => array_values(
                $setups->filter(fn (Setup $s): bool => $s->rackHead !== null && $s->rackHead->hand !== $fitting->player->hand)
                    ->pluck('tag')->all(),
            ),
            'earlier' => Fitting::query()->where('player_id', $fitting->player_id)->where('id', '<', $fitting->id)
                ->with(['setups', 'decisions'])->orderByDesc('id')->limit(5)->get()->map(EarlierFitting::of(...))->all(),
            'visits' => self::visits($fitting),
            'trials' => self::trials($fitting),
            'ratings' => (object) Rating::meansOf($fitting),
            'unrated' => Rating::missingOf($fitting),
            'screening' => [
                'name' => $fitting->policy()->name, 'label' => $fitting->policy()->label(),
                'warning' => $fitting->policy()->warning(),
            ],
            'asksRatings' => $fitting->asks_ratings,
            'decision' => $decision === null ? null : self::decision($decision),
            'tieOrder' => $fitting->tie_order ?? TieBreak::CRITERIA,
            'missing' => self::missing($fitting, $setups->all(), $decision),
        ];
    }

    /** @return array<string, mixed>|null */
    private static function order(Fitting $fitting, mixed $user): ?array
    {
        $order = $fitting->order?->load('acceptances');

        return $order === null ? null : [
            'id' => $order->id, 'standing' => OrderResource::standing($order, self::today($user)), 'built' => $order->taken()?->figures,
        ];
    }

    /** By the clock on the studio's wall. */
    public static function today(mixed $user): string
    {
        return now()->setTimezone($user instanceof User ? $user->studio->zone() : 'UTC')->format('Y-m-d');
    }

    /** @return array<string, mixed>|null pain and injury are shown to who fits, and to nobody else */
    private static function intake(Fitting $fitting, mixed $user): ?array
    {
        $intake = $fitting->intake;
        if ($intake === null) {
            return null;
        }
        $words = $intake->words();

        return [
            'at' => $intake->created_at->toIso8601String(), 'standing' => $words->standingIn($fitting->brief()), 'course' => $words->course,
            'club' => $words->club,
            'consentAt' => Consent::query()->where('player_id', $fitting->player_id)->whereNull('withdrawn_at')->latest('id')->first()
                ?->given_at->toIso8601String(),
            'pain' => $user instanceof User && $user->role->isFitter() ? Sealed::say($intake->getRawOriginal('pain')) : null,
        ];
    }

    /**
     * @param  array<int, Setup>  $setups
     * @return array<string, SetupRecord> by tag
     */
    private static function records(array $setups): array
    {
        $out = [];
        foreach ($setups as $setup) {
            $out[$setup->tag] = $setup->record(false);
        }

        return $out;
    }

    /** @return list<int> numbers of the visits that trials belong to */
    private static function visits(Fitting $fitting): array
    {
        $numbers = Trial::toldOf($fitting)->map(fn (Trial $t): ?int => $t->visit?->number)->filter()->unique()->sort();

        return array_values($numbers->all());
    }

    /**
     * @return list<array{id: int, number: int, kind: string, tag: string, visit: int|null}> which trials a shot can be moved to; none of a blind
     *   trial that goes on
     */
    private static function trials(Fitting $fitting): array
    {
        return array_values(
            Trial::toldOf($fitting)
                ->map(fn (Trial $t): array => [
                    'id' => $t->id, 'number' => $t->number, 'kind' => $t->kind, 'tag' => $t->setup->tag, 'visit' => $t->visit?->number,
                ])
                ->all(),
        );
    }

    /** @return array<string, mixed> */
    public static function decision(Decision $decision): array
    {
        return [
            'id' => $decision->id, 'setupId' => $decision->setup_id, 'tag' => $decision->setup->tag,
            'advisedSetupId' => $decision->advised_setup_id, 'reason' => $decision->reason, 'by' => $decision->fitter->name,
            'at' => $decision->created_at->toIso8601String(), 'advice' => self::asKept($decision, 'advice'),
            'version' => $decision->number, 'lockedAt' => $decision->locked_at?->toIso8601String(),
            'reopenedAt' => $decision->reopened_at?->toIso8601String(), 'reopenWhy' => $decision->reopen_why ?? '',
        ];
    }

    /** JSON as it was kept: an empty object stays one, which PHP's arrays would not tell from an empty list. */
    public static function asKept(Decision $decision, string $column): mixed
    {
        return json_decode((string) ($decision->getAttributes()[$column] ?? 'null'));
    }

    /**
     * What each step still waits for, in a few words; an empty string when it is done.
     *
     * @param  array<int, Setup>  $setups
     * @return array<string, string>
     */
    public static function missing(Fitting $fitting, array $setups, ?Decision $decision): array
    {
        $hit = count(array_filter($setups, static fn (Setup $s): bool => ($s->counted_count ?? 0) > 0));
        $unread = count(array_filter($setups, static fn (Setup $s): bool => $s->isLoftFromPrint()));

        return [
            'brief' => $fitting->brief_agreed_at === null ? 'not talked through' : '',
            'bench' => $setups === [] ? 'no setup yet' : ($unread > 0 ? "{$unread} not on the gauge" : ''),
            'bay' => $hit === 0 ? 'no shots yet' : '',
            'answer' => $decision === null
                    ? ($hit < 2 ? 'needs two setups with shots' : 'not decided')
                    : ($decision->isLocked()
                        ? ''
                        : ($decision->reopened_at !== null
                            ? 'reopened'
                            : 'not locked')),
            'sheet' => $decision === null ? 'after the decision' : '',
        ];
    }
}
