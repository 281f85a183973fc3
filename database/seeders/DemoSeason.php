<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\AddSetup;
use App\Actions\StoreShots;
use App\Fittings\FittingLoader;
use App\Models\Acceptance;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Intake;
use App\Models\Order;
use App\Models\Part;
use App\Models\Player;
use App\Models\PlayerLink;
use App\Models\RackHead;
use App\Models\Round;
use App\Models\Setup;
use App\Models\Studio;
use App\Models\User;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\PlayersWords;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\FollowUp\PlayedRound;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Order\Acceptance as Held;
use MintCarry\Core\Order\ClubFigures;
use MintCarry\Core\Order\OrderState;
use MintCarry\Core\Report\AdviceReport;
use MintCarry\Core\Report\DeliveredReport;

/** What lies around the hour in a made-up studio: an order in each state, six players who told of their rounds, and one who wrote before they come. */
final readonly class DemoSeason
{
    /** Player, days ago, state of the order, fairways before and after on fourteen holes each, misses left and right after, feel. */
    private const FITTED = [
        ['Nessa Winterslow', 2, OrderState::Asked, [], [], 0, 0, 0], ['Oskar Lindqvarn', 24, OrderState::Ordered, [], [], 0, 0, 0],
        ['Saskia Venhorst', 12, OrderState::Arrived, [], [], 0, 0, 0], ['Yara Emmerling', 16, OrderState::Built, [], [], 0, 0, 0],
        ['Lucan Pettifer-Rowe', 19, OrderState::Checked, [], [], 0, 0, 0],
        ['Mirel Tashkova', 70, OrderState::HandedOver, [4, 5, 4], [9, 8, 9], 2, 3, 5],
        ['Peregrine Thule', 64, OrderState::HandedOver, [6, 7, 6], [7, 6, 7], 1, 6, 4],
        ['Cass Underhay', 58, OrderState::HandedOver, [5, 5, 6], [8, 9, 7], 2, 3, 4],
        ['Bram Estvale-Roe', 52, OrderState::HandedOver, [], [8, 7, 8], 3, 3, 4],
        ['Wendeline Aske', 47, OrderState::HandedOver, [7, 6, 7], [3, 4, 3], 5, 5, 2],
        ['Joss Harkaway', 41, OrderState::Returned, [5, 6], [6, 5], 3, 5, 2],
        ['Dorrit Fennimore', 30, OrderState::Cancelled, [], [], 0, 0, 0],
    ];

    public function __construct(private AddSetup $addSetup, private StoreShots $storeShots)
    {
    }

    public function run(Studio $studio, User $fitter): void
    {
        foreach (self::FITTED as $i => [$name, $days, $state, $before, $after, $left, $right, $feel]) {
            $player = DemoCalendar::player($studio, $name, $i);
            $fitting = $this->fitted($studio, $fitter, $player, $i, $days);
            $this->ordered($fitting, $fitter, $state, $days);
            foreach (['before' => $before, 'new' => $after] as $club => $rounds) {
                foreach ($rounds as $at => $hit) {
                    $isNew = $club === 'new';
                    self::round($fitting, $club, $hit, $isNew ? $left : 3, $isNew ? $right : min(14 - $hit - 3, 5), $isNew ? $feel : null, $isNew ? max(1, $days - 21 - 5 * $at) : $days + 30 - 6 * $at, $at);
                }
            }
            $fitting->newQuery()->toBase()->where('id', $fitting->id)->update(['created_at' => now()->subDays($days), 'updated_at' => now()->subDays($days)]);
        }
        $this->written($studio, $fitter);
    }

    private function fitted(Studio $studio, User $fitter, Player $player, int $i, int $days): Fitting
    {
        $fitting = new Fitting(['studio_id' => $studio->id, 'player_id' => $player->id, 'typed' => [], 'brief_agreed_at' => now()->subDays($days)]);
        $fitting->setBrief(new Brief(
            shape: 'fade', miss: 'right', carryM: 200 + 3 * $i, handicap: 6.0 + $i, wants: ['fairways'], wish: 'More fairways without losing length', turf: 'medium',
            corridor: new Corridor(30, new Trouble('rough'), new Trouble($i % 2 === 0 ? 'trees' : 'water')), ball: 'Mallow Four', habit: 'soled', swings: 50, minutes: 90,
            labour: 40.0, currency: 'EUR', consent: true,
        ));
        $fitting->save();
        $fitting->refresh();
        $hand = $player->hand;
        $side = $hand === Hand::Right ? 1 : -1;
        $shots = new DemoShots(900 + $i);
        $own = $this->setup($fitting, 'Plover 445', 'FL', ['heel' => 6.0, 'toe' => 6.0]);
        $new = $this->setup($fitting, 'Tern 460', $i % 3 === 1 ? '−0.75' : 'N', $i % 2 === 0 ? ['heel' => 12.0] : ['back' => 12.0], $own);
        $model = static fn (float $loft, float $face): PlayerModel => new PlayerModel(42.0 + 0.6 * $i, -0.5, 1.0 * $side, $side * $face, $loft, -3, 0, 0.8, 0.0);
        $this->store($fitting, $own, $shots->hit($model(12.6, 3.6), Head::preset('middle'), $hand, 8, false));
        $this->store($fitting, $new, $shots->hit($model(13.6, 1.0), Head::preset('forgiving'), $hand, 8, false));
        $advice = AdviceReport::of((new FittingLoader($fitting->refresh()))->record());
        $pick = Setup::query()->where('fitting_id', $fitting->id)->where('tag', $advice['pick'])->firstOrFail();
        $decision = Decision::query()->create([
            'studio_id' => $studio->id, 'fitting_id' => $fitting->id, 'setup_id' => $new->id, 'advised_setup_id' => $pick->id,
            'reason' => 'It starts where they look.',
            'advice' => $advice, 'decided_by' => $fitter->id,
        ]);
        $decision->newQuery()->toBase()->where('id', $decision->id)->update(['created_at' => now()->subDays($days)]);

        return $fitting;
    }

    private function ordered(Fitting $fitting, User $fitter, OrderState $state, int $days): void
    {
        $decision = Decision::query()->where('fitting_id', $fitting->id)->firstOrFail();
        $setup = Setup::query()->with(Setup::MADE_OF)->findOrFail($decision->setup_id);
        $record = (new FittingLoader($fitting))->record();
        $wanted = DeliveredReport::ordered($setup->record(), $record);
        $way = match ($state) {
            OrderState::Cancelled => ['asked', 'cancelled'],
            OrderState::Returned => ['asked', 'ordered', 'arrived', 'built', 'checked', 'handed over', 'returned'],
            default => array_slice(['asked', 'ordered', 'arrived', 'built', 'checked', 'handed over'], 0, 1 + (int) array_search(
                $state->value, ['asked', 'ordered', 'arrived', 'built', 'checked', 'handed over'], true,
            )),
        };
        $order = Order::query()->create([
            'studio_id' => $fitting->studio_id, 'player_id' => $fitting->player_id, 'fitting_id' => $fitting->id,
            'decision_id' => $decision->id, 'setup_id' => $setup->id,
            'state' => $state, 'labour' => 40, 'currency' => 'EUR', 'days' => 14, 'due_on' => now()->subDays($days - 14)->format('Y-m-d'),
            'figures' => $wanted->toArray(),
            'tolerances' => [], 'why' => ['returned' => 'The sole came scratched', 'cancelled' => 'Moved away'][$state->value] ?? '',
            'lines' => [['what' => 'head', 'label' => 'Tern 460', 'price' => 540.0], ['what' => 'shaft', 'label' => $setup->shaft, 'price' => 120.0]],
            'steps' => array_map(static fn (string $s, int $at): array => [
                'state' => $s, 'at' => now()->subDays(max(0, $days - 3 * $at))->toIso8601String(), 'by' => $fitter->name,
            ], $way, array_keys($way)),
        ]);
        $isRead = in_array('checked', $way, true) || $state === OrderState::Built;
        if (! $isRead) {
            return;
        }
        // The one on the workbench came with its face closed and too light; the others are as ordered.
        $off = $state === OrderState::Built ? ['faceOpenDeg' => -1.4, 'swingWeightPoints' => -1.8] : ['loftDeg' => 0.2];
        $read = $wanted->toArray();
        foreach ($off as $name => $by) {
            $read[$name] = $read[$name] === null ? null : $read[$name] + $by;
        }
        $delivered = ClubFigures::fromArray($read, $wanted->hand);
        $held = Held::of($wanted, $delivered);
        Acceptance::query()->create([
            'studio_id' => $fitting->studio_id, 'order_id' => $order->id, 'figures' => $delivered->toArray(), 'typed' => [],
            'source' => 'simulated', 'read_by' => $fitter->id,
            'report' => ['checks' => $held->checks, 'isHandRight' => true, 'isGood' => $held->isGood()] + DeliveredReport::of($record, $setup->record(), $delivered, $held),
            'accepted_at' => $state === OrderState::Built ? null : now()->subDays(max(0, $days - 12)),
        ]);
    }

    private static function round(Fitting $fitting, string $club, int $hit, int $left, int $right, ?int $feel, int $daysAgo, int $at): void
    {
        $course = ['Tarn Hollow', 'Reedmere', 'Tarn Hollow'][$at % 3];
        $played = PlayedRound::of($course, $club === 'new' ? 'new' : 'before', 14, $hit, $left, $right, min(1, 14 - $hit), [200.0 + $at, 207.0], $feel);
        Round::query()->create([
            'studio_id' => $fitting->studio_id, 'player_id' => $fitting->player_id, 'fitting_id' => $fitting->id,
            'sent_key' => "demo {$fitting->id} {$club} {$at}",
            'played_on' => now()->subDays($daysAgo)->format('Y-m-d'), 'course' => $course, 'course_key' => $played->courseKey(),
            'club' => $played->club,
            'holes' => 14, 'hit' => $hit, 'missed_left' => $left, 'missed_right' => $right, 'lost' => $played->lost,
            'drives_m' => $played->drivesM, 'typed' => [],
            'feel' => $feel, 'words' => $at === 0 && $feel !== null ? ($feel > 3 ? 'It goes where I look' : 'I cannot find the middle with it') : '',
        ]);
    }

    /** Somebody who comes next week has said by link what they want. */
    private function written(Studio $studio, User $fitter): void
    {
        $player = Player::query()->where('studio_id', $studio->id)->where('name', 'Wendeline Aske')->firstOrFail();
        $link = PlayerLink::grant('intake', $player, null, $fitter);
        Intake::query()->create([
            'studio_id' => $studio->id, 'player_id' => $player->id, 'link_id' => $link->id, 'sent_key' => 'demo',
            'pain' => 'A stiff left shoulder since autumn',
            'said' => PlayersWords::of([
                'shape' => 'fade', 'miss' => 'right', 'wish' => 'Find the middle again', 'course' => 'Tarn Hollow', 'width' => 'narrow',
                'right' => 'trees',
                'club' => 'The Tern from September',
            ])->toArray(),
        ]);
        $link->update(['used_at' => now(), 'opened_at' => now()]);
    }

    /** @param  array<string, float>  $masses */
    private function setup(Fitting $fitting, string $head, string $position, array $masses, ?Setup $from = null): Setup
    {
        $part = static fn (string $kind, string $label): int => Part::query()
            ->where('studio_id', $fitting->studio_id)->where('kind', $kind)->where('label', $label)->firstOrFail()->id;
        $racked = RackHead::query()->where('studio_id', $fitting->studio_id)->where('label', $head)->where('hand', $fitting->player->hand->value)->firstOrFail();

        return ($this->addSetup)($fitting, [
            'head_id' => $racked->id, 'sleeve_label' => $position, 'masses' => $masses, 'shaft_id' => $part('shaft', 'Reedline 55 R'),
            'grip_id' => $part('grip', 'Tallow round'), 'ball_id' => $part('ball', 'Mallow Four'), 'length_mm' => 1143, 'tee_mm' => 45,
            'typed' => [],
        ], $from?->id);
    }

    /** @param  list<array<string, float>>  $shots */
    private function store(Fitting $fitting, Setup $setup, array $shots): void
    {
        $flight = $fitting->flight();
        ($this->storeShots)($fitting, array_map(static fn (array $measured): array => [
            'setupId' => $setup->id, 'measured' => $measured, 'typed' => [], 'key' => ShotRow::keyOf($measured, null),
            'flags' => array_map(static fn ($issue): string => $issue->message, LaunchShot::of($measured, $flight)->issues()),
        ], $shots), 'simulated');
    }
}
