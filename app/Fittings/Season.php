<?php

declare(strict_types=1);

namespace App\Fittings;

use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Memory;
use App\Models\Order;
use App\Models\RackHead;
use App\Models\Setup;
use App\Models\Studio;
use Illuminate\Support\Carbon;
use MintCarry\Core\FollowUp\HandOver;
use MintCarry\Core\FollowUp\Kept;
use MintCarry\Core\FollowUp\Ledger;
use MintCarry\Core\Order\OrderState;
use MintCarry\Core\Report\HeadMemory;

/** A studio's months: what was fitted, what came back, which stock never wins, and what its promises were worth. */
final class Season
{
    /** @return array<string, mixed> */
    public static function of(Studio $studio, int $months, bool $tellsMemory): array
    {
        $from = now()->subMonthsNoOverflow($months);
        $decisions = self::decisions($studio, $from);
        $orders = Order::query()->where('studio_id', $studio->id)->where('created_at', '>=', $from)->whereHas('fitting')
            ->get(['id', 'fitting_id', 'decision_id', 'state', 'why', 'steps']);
        $state = static fn (OrderState ...$of): int => $orders->whereIn('state', $of)->count();
        $returned = $orders->filter(static fn (Order $o): bool => $o->wasEver(OrderState::Returned));

        return [
            'months' => $months, 'fittings' => Fitting::query()->where('studio_id', $studio->id)->where('created_at', '>=', $from)->count(), 'decided' => count($decisions),
            'keptOwn' => count(array_filter($decisions, static fn (Decision $d): bool => $d->setup->is_baseline)),
            'overruled' => count(array_filter($decisions, static fn (Decision $d): bool => $d->setup_id !== $d->advised_setup_id)),
            'ordered' => $orders->count() - $state(OrderState::Cancelled), 'handedOver' => $state(OrderState::HandedOver),
            'returned' => $returned->count(),
            'cancelled' => $state(OrderState::Cancelled), 'why' => array_values($returned->pluck('why')->filter()->all()),
            'heads' => self::heads($studio, $from, $decisions, $orders->all()),
            'ledger' => get_object_vars(Ledger::of(self::handOvers($studio))), 'memory' => $tellsMemory ? self::memory($studio) : null,
        ];
    }

    /** @return array<string, mixed>|null what going through the earlier fittings says the memory is worth */
    private static function memory(Studio $studio): ?array
    {
        $content = Memory::latest($studio)->content ?? [];
        $replay = $content['replay'] ?? null;

        return $replay === null ? null : [
            'fittings' => $content['fittings'], 'heads' => $replay['heads'],
            'effects' => array_map(
                static fn (string $effect, int $k): array => ['effect' => $effect] + $replay['effects'][$k],
                array_keys(HeadMemory::EFFECTS), array_values(HeadMemory::EFFECTS),
            ),
        ];
    }

    /**
     * Every hand-over there ever was: a promise takes longer to show than a season.
     *
     * @return list<HandOver>
     */
    private static function handOvers(Studio $studio): array
    {
        $out = [];
        $orders = Order::query()->where('studio_id', $studio->id)
            ->whereIn('state', [OrderState::HandedOver->value, OrderState::Returned->value])
            ->whereHas('fitting')->with('setup:id,head')->orderBy('id')->get(['id', 'fitting_id', 'setup_id', 'steps']);
        $followUps = FollowUps::ofStudio($studio);
        foreach ($orders as $order) {
            if (! $order->wasEver(OrderState::HandedOver)) {
                continue;
            }
            $promise = $followUps->promise($order->fitting_id);
            $seen = $followUps->hasRounds($order->fitting_id) ? $followUps->of($order->fitting_id) : null;
            $out[] = new HandOver(
                $order->setup->head, $promise?->shareGain(), $promise?->chanceBetter, $promise->isOverruled ?? false, $seen?->gain,
                $seen->fairways ?? Kept::NotYet, $seen?->difference,
            );
        }

        return $out;
    }

    /** @return list<Decision> the newest of each fitting */
    private static function decisions(Studio $studio, Carbon $from): array
    {
        $all = Decision::query()->where('studio_id', $studio->id)->where('created_at', '>=', $from)->whereHas('fitting')
            ->with('setup:id,head_id,is_baseline,head,stated_loft_deg,sleeve_label')->orderByDesc('id')
            ->get(['id', 'fitting_id', 'setup_id', 'advised_setup_id', 'created_at']);

        return array_values($all->unique('fitting_id')->all());
    }

    /**
     * @param  list<Decision>  $decisions
     * @param  array<int, Order>  $orders
     * @return list<array<string, mixed>> heads that stand on the rack, those that never win first
     */
    private static function heads(Studio $studio, Carbon $from, array $decisions, array $orders): array
    {
        $out = [];
        $hit = Setup::query()->where('studio_id', $studio->id)->whereNotNull('head_id')->where('created_at', '>=', $from)
            ->where('is_baseline', false)
            ->has('shots')->groupBy('head_id')->selectRaw('head_id, count(distinct fitting_id) as fittings')->pluck('fittings', 'head_id');
        $won = $ordered = [];
        foreach ($decisions as $decision) {
            if (! $decision->setup->is_baseline) {
                $won[$decision->id] = $decision->setup->head_id;
            }
        }
        foreach ($orders as $order) {
            if (isset($won[$order->decision_id]) && $order->state !== OrderState::Cancelled) {
                $ordered[$won[$order->decision_id]][] = $order;
            }
        }
        $wins = array_count_values(array_filter($won));
        foreach (RackHead::query()->where('studio_id', $studio->id)->whereNull('retired_at')->orderBy('id')->get() as $head) {
            $out[] = [
                'id' => $head->id, 'label' => $head->label, 'hand' => $head->hand->value,
                'inStock' => (bool) ($head->supply['inStock'] ?? true), 'hit' => (int) ($hit[$head->id] ?? 0),
                'won' => $wins[$head->id] ?? 0, 'ordered' => count($ordered[$head->id] ?? []),
                'returned' => count(array_filter($ordered[$head->id] ?? [], static fn (Order $o): bool => $o->wasEver(OrderState::Returned))),
            ];
        }
        usort($out, static fn (array $a, array $b): int => [$a['won'] > 0, -$a['hit']] <=> [$b['won'] > 0, -$b['hit']]);

        return $out;
    }

    /**
     * A line a decision, with nothing in it that says who: no name, no number of theirs, no day, no words.
     *
     * @return list<list<string>>
     */
    public static function table(Studio $studio, int $months): array
    {
        $out = [['month', 'hand', 'head', 'stated loft', 'sleeve', 'kept own', 'overruled', 'promised fairways of 14',
            'promised carry m', 'chance', 'order', 'came of 14', 'kept']];
        $followUps = FollowUps::ofStudio($studio);
        $states = Order::query()->where('studio_id', $studio->id)->orderBy('id')->pluck('state', 'fitting_id');
        $hands = Fitting::query()->where('fittings.studio_id', $studio->id)
            ->join('players', 'players.id', '=', 'fittings.player_id')->pluck('players.hand', 'fittings.id');
        foreach (self::decisions($studio, now()->subMonthsNoOverflow($months)) as $decision) {
            $id = $decision->fitting_id;
            $promise = $followUps->promise($id);
            $seen = $followUps->hasRounds($id) ? $followUps->of($id) : null;
            $number = static fn (?float $v, int $digits): string => $v === null ? '' : number_format($v, $digits, '.', '');
            $came = $seen?->gain;
            $out[] = [
                $decision->created_at->format('Y-m'), (string) ($hands[$id] ?? ''), $decision->setup->head,
                $number($decision->setup->stated_loft_deg, 1),
                $decision->setup->sleeve_label, $decision->setup->is_baseline ? 'yes' : 'no', $promise?->isOverruled ? 'yes' : 'no',
                $number($promise?->shareGain() === null ? null : 14 * $promise->shareGain(), 1), $number($promise?->carryGainM, 1),
                $number($promise?->chanceBetter, 2),
                ($states[$id] ?? null)->value ?? '', $number($came === null ? null : 7 * ($came->low + $came->high), 1),
                $seen->fairways->value ?? '',
            ];
        }

        return $out;
    }
}
