<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Contract\Answer;
use App\Http\Controllers\Concerns\NamesUser;
use App\Http\Resources\AppointmentResource;
use App\Http\Resources\FittingResource;
use App\Http\Resources\OrderResource;
use App\Models\Appointment;
use App\Models\Fitting;
use App\Models\Order;
use App\Models\Round;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use MintCarry\Core\Order\OrderState;
use OpenApi\Attributes as OA;

/** What the studio has to do today: who comes next, and what waits for a decision, an order or a word about rounds. */
final class TodayController
{
    use NamesUser;

    private const MOST = 4;

    /** A fitting that nobody touched for so long waits for nothing any more. */
    private const OPEN_DAYS = 30;

    /** So long after the hand-over the player is asked for rounds. */
    private const ROUNDS_FROM_DAYS = 7;

    private const ROUNDS_TO_DAYS = 120;

    #[OA\Get(path: '/api/today', operationId: 'today.show', summary: 'Who comes next, and what waits for whom',
        responses: [new Answer('Today')])]
    public function __invoke(Request $request): JsonResponse
    {
        $user = self::user($request);

        return response()->json([
            'today' => FittingResource::today($user), 'next' => self::next($user),
            'decisions' => $user->role->isFitter() ? self::decisions($user) : [],
            'orders' => self::orders($user), 'rounds' => self::rounds($user),
        ]);
    }

    /** @return list<array<string, mixed>> */
    private static function next(User $user): array
    {
        return array_values(Appointment::query()->where('studio_id', $user->studio_id)->where('state', 'booked')->whereNotNull('player_id')
            ->where('ends_at', '>', now())->with(['bay', 'fitter', 'player'])->orderBy('starts_at')->orderBy('id')->limit(self::MOST)->get()
            ->map(static fn (Appointment $a): array => AppointmentResource::of($a, $user->studio->zone()))->all());
    }

    /** @return list<array{fittingId: int, player: string, what: string}> two setups were hit, and nothing is decided */
    private static function decisions(User $user): array
    {
        $counted = static fn (Builder $q): Builder => $q->whereNull('left_out_reason');

        return array_values(Fitting::query()->where('studio_id', $user->studio_id)->whereNull('practice')->with('player')
            ->where('updated_at', '>', now()->subDays(self::OPEN_DAYS))->whereDoesntHave('decisions')
            ->whereHas('setups', static fn (Builder $q): Builder => $q->whereHas('shots', $counted), '>=', 2)
            ->orderByDesc('updated_at')->orderByDesc('id')->limit(self::MOST)->get()
            ->map(static fn (Fitting $f): array => ['fittingId' => $f->id, 'player' => $f->player->name, 'what' => $f->wants])->all());
    }

    /** @return list<array{orderId: int, player: string, what: string, isLate: bool}> what the studio can do something about, the late first */
    private static function orders(User $user): array
    {
        $today = FittingResource::today($user);
        $done = [OrderState::HandedOver->value, OrderState::Cancelled->value];
        $late = static fn (Builder $q): Builder => $q->where('state', OrderState::Ordered->value)->where('due_on', '<', $today);

        return array_values(Order::query()->where('studio_id', $user->studio_id)->with(['player', 'fitting'])
            ->whereHas('player', self::inBook(...))->whereHas('fitting', self::inBook(...))
            ->where(static fn (Builder $q): Builder => $q->whereNotIn('state', [...$done, OrderState::Ordered->value])->orWhere($late))
            ->orderByRaw('due_on is null')->orderBy('due_on')->orderBy('id')->limit(self::MOST)->get()
            ->map(static function (Order $o) use ($today): array {
                ['waitsFor' => $waits, 'isLate' => $isLate] = OrderResource::standing($o, $today);

                return ['orderId' => $o->id, 'player' => $o->player->name, 'what' => $waits, 'isLate' => $isLate];
            })->all());
    }

    /** @return list<array{fittingId: int, player: string, what: string}> handed over, and no round was told of */
    private static function rounds(User $user): array
    {
        return array_values(Order::query()->where('studio_id', $user->studio_id)->with('player')
            ->whereHas('player', self::inBook(...))->whereHas('fitting', self::inBook(...))
            ->where('state', OrderState::HandedOver->value)
            ->whereBetween('updated_at', [now()->subDays(self::ROUNDS_TO_DAYS), now()->subDays(self::ROUNDS_FROM_DAYS)])
            ->whereNotIn('fitting_id', Round::query()->where('studio_id', $user->studio_id)->where('club', 'new')->select('fitting_id'))
            ->orderBy('updated_at')->orderBy('id')->limit(self::MOST)->get()
            ->map(static fn (Order $o): array => [
                'fittingId' => $o->fitting_id, 'player' => $o->player->name, 'what' => $o->updated_at->toIso8601String(),
            ])->all());
    }

    /**
     * What lies in the bin waits for nothing.
     *
     * @template T of Model
     *
     * @param  Builder<T>  $query
     * @return Builder<T>
     */
    private static function inBook(Builder $query): Builder
    {
        return $query->whereNull('binned_at');
    }
}
