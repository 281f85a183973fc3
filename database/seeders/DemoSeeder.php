<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Access\Role;
use App\Actions\AddSetup;
use App\Actions\StoreShots;
use App\Fittings\FittingLoader;
use App\Models\Bay;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\LongClub;
use App\Models\Part;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Studio;
use App\Models\User;
use Closure;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Fitting\Trouble;
use MintCarry\Core\Flight\Aerodynamics;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Report\AdviceReport;

/** A made-up studio with three made-up players: one fitting finished, one in the middle, one new. */
final readonly class DemoSeeder
{
    public const EMAIL = 'fitter@demo.example';

    public const PASSWORD = 'minted-demo';

    public function __construct(private AddSetup $addSetup, private StoreShots $storeShots)
    {
    }

    /** @param  (Closure(Studio): mixed)|null  $before  what happened before these players came */
    public function run(?Closure $before = null): void
    {
        $studio = Studio::query()->create(['name' => 'Lantern Yard Fitting', 'is_demo' => true, 'time_zone' => 'Europe/Berlin']);
        $fitter = User::query()->create([
            'studio_id' => $studio->id, 'name' => 'Odile Farrant', 'email' => self::EMAIL, 'password' => self::PASSWORD,
            'role' => Role::Owner, 'password_at' => now(),
        ]);
        foreach (['Bay 1', 'Bay 2'] as $name) {
            Bay::query()->create(['studio_id' => $studio->id, 'name' => $name]);
        }
        $heads = (new DemoRack($studio, $fitter))->heads();
        if ($before !== null) {
            $before($studio);
        }
        $this->newPlayer($studio, $heads);
        $this->inTheMiddle($studio, $heads);
        $this->finished($studio, $fitter, $heads);
        DemoCalendar::book($studio, $fitter);
    }

    /**
     * Tobin: slow, low, right-handed in yards. Own club on the bench, brief not talked through, no ball hit yet.
     *
     * @param  array<string, RackHead>  $heads
     */
    private function newPlayer(Studio $studio, array $heads): void
    {
        $fitting = $this->fitting(
            $studio, 'Tobin Wexcroft', Hand::Right, ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
            new Brief(
                wish: 'More height; the drive never stops running into the same bunker', corridor: new Corridor(27.4),
                holeLengthM: 320,
            ),
            false,
        );
        $this->setup($fitting, $heads['plover right'], 'FL', ['heel' => 6.0, 'toe' => 6.0], 'Reedline 50 A', 45.5 * 25.4);
    }

    /**
     * Rafe: fast, right-handed in yards, club data; trees right. Three setups hit, nothing decided.
     *
     * @param  array<string, RackHead>  $heads
     */
    private function inTheMiddle(Studio $studio, array $heads): void
    {
        $fitting = $this->fitting(
            $studio, 'Rafe Quillon', Hand::Right, ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'],
            new Brief(
                shape: 'fade', miss: 'right', carryM: 247, handicap: 4, wants: ['fairways', 'carry'], never: ['right'],
                wish: 'Take the right side out without losing carry', turf: 'firm',
                corridor: new Corridor(29.3, new Trouble('rough'), new Trouble('trees')), holeLengthM: 395, sixIronApexM: 31,
                ball: 'Mallow Four', habit: 'squared', swings: 60, minutes: 90, money: 700, currency: 'EUR',
                school: 'guarded height', consent: true,
            ),
        );
        $shots = new DemoShots(2031);
        $own = $this->setup($fitting, $heads['curlew right'], 'N', ['front' => 10.0, 'back' => 4.0], 'Saltmarsh 65 X', 45.25 * 25.4);
        $new = $this->setup($fitting, $heads['tern right'], 'N', ['back' => 12.0], 'Saltmarsh 65 X', 45.25 * 25.4, $own);
        $down = $this->setup($fitting, $heads['tern right'], '−0.75', ['back' => 12.0], 'Saltmarsh 65 X', 45.25 * 25.4, $new);
        $player = fn (float $loft, float $face): PlayerModel => new PlayerModel(49.6, 1.0, 1.8, $face, $loft, -2, 2, 0.9, 0.08);
        // A monitor that sees the flight, and a little more drag in it than physics does.
        $tracks = new BallFlight(aerodynamics: new Aerodynamics(dragFactor: 1.025, liftFactor: 0.99));
        $this->store($fitting, $own, $shots->hit($player(13.4, 2.6), Head::preset('low-spin'), Hand::Right, 10, true, $tracks));
        $this->store($fitting, $new, $shots->hit($player(12.9, 1.2), Head::preset('forgiving'), Hand::Right, 7, true, $tracks));
        $this->store($fitting, $down, $shots->hit($player(12.2, 1.6), Head::preset('forgiving'), Hand::Right, 5, true, $tracks));
        $this->longClubs($fitting, $heads['tern right']);
    }

    /** What stands in Rafe's bag under the driver, as carries were typed. The two woods have the driver's sleeve. */
    private function longClubs(Fitting $fitting, RackHead $tern): void
    {
        $ball = ['ballSpeedMps' => 66.2, 'launchDeg' => 11.8, 'spinRpm' => 3650.0];
        $clubs = [
            ['Tern 3 wood', 'fairway wood', 15.0, true, [[236, $ball], [239, $ball], [232, $ball], [238, $ball]]],
            ['Tern 5 wood', 'fairway wood', 18.0, true, [[224, []], [227, []], [221, []]]],
            ['Heath hybrid', 'hybrid', 22.0, false, [[201, []], [205, []], [203, []], [198, []]]],
        ];
        foreach ($clubs as [$name, $kind, $loft, $turns, $carries]) {
            LongClub::query()->create([
                'studio_id' => $fitting->studio_id, 'fitting_id' => $fitting->id, 'name' => $name, 'kind' => $kind, 'loft_deg' => $loft,
                'lie_deg' => 57.0, 'sleeve' => $turns ? $tern->sleeve?->spec : null,
                'sleeve_label' => $turns ? (string) ($tern->sleeve->spec['home'] ?? '') : '',
                'shots' => array_map(static fn (array $c): array => [
                    'values' => ['carryM' => round($c[0] * 0.9144, 2)] + $c[1], 'typed' => ['carry' => "{$c[0]} yd"],
                ], $carries),
            ]);
        }
    }

    /**
     * Imke: left-handed, metres and km/h, ball data only; water left. Four setups, a mishit left out, decided.
     *
     * @param  array<string, RackHead>  $heads
     */
    private function finished(Studio $studio, User $fitter, array $heads): void
    {
        $fitting = $this->fitting(
            $studio, 'Imke Dorsay', Hand::Left, ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'],
            new Brief(
                shape: 'fade', miss: 'left', carryM: 192, handicap: 12, wants: ['hold a fade', 'fairways'], never: ['left'],
                wish: 'Keep a small fade, never the water on the left', turf: 'soft', windMps: 4, windFromDeg: 45, temperatureC: 14,
                corridor: new Corridor(32, new Trouble('water', 28), new Trouble('rough')), holeLengthM: 345, sixIronApexM: 24,
                ball: 'Mallow Four', habit: 'soled', swings: 45, minutes: 75, money: 550, currency: 'EUR',
                purchase: 'adjust before buying', startSide: 'right', consent: true,
            ),
        );
        $shots = new DemoShots(77);
        $own = $this->setup($fitting, $heads['plover left'], 'FL', ['heel' => 6.0, 'toe' => 6.0], 'Reedline 55 R', 1143);
        $other = $this->setup($fitting, $heads['tern left'], 'N', ['back' => 12.0], 'Reedline 55 R', 1143, $own);
        $sleeve = $this->setup($fitting, $heads['tern left'], '−0.75', ['back' => 12.0], 'Reedline 55 R', 1143, $other);
        $heel = $this->setup($fitting, $heads['tern left'], 'N', ['heel' => 12.0], 'Reedline 55 R', 1143, $other);
        $player = fn (float $loft, float $face, float $toe = 0.0): PlayerModel => new PlayerModel(
            42.3, -1.0, -1.5, $face, $loft, $toe, 0, 0.85, 0.0,
        );
        $this->store($fitting, $own, $shots->hit($player(11.2, -5.4, -6), Head::preset('middle'), Hand::Left, 10, false));
        $this->store($fitting, $other, $shots->hit($player(13.8, -3.0), Head::preset('forgiving'), Hand::Left, 8, false));
        $this->store($fitting, $sleeve, $shots->hit($player(13.1, -3.6), Head::preset('forgiving'), Hand::Left, 6, false));
        $this->store($fitting, $heel, $shots->hit($player(13.8, -0.6), Head::preset('forgiving'), Hand::Left, 10, false));
        $this->store(
            $fitting, $heel,
            $shots->hit(new PlayerModel(41.0, -2, -2, -3, 12.0, -18, -8, 0.5, 0.0), Head::preset('forgiving'), Hand::Left, 1, false),
        );
        Shot::query()
            ->where('setup_id', $heel->id)->orderByDesc('sequence')->firstOrFail()
            ->update([
                'left_out_reason' => 'mishit', 'left_out_note' => 'Low heel, felt it at once', 'left_out_by' => $fitter->id,
                'left_out_at' => now(),
            ]);

        $judged = new FittingLoader($fitting->refresh());
        $advice = AdviceReport::of($judged->record());
        $pick = Setup::query()->where('fitting_id', $fitting->id)->where('tag', $advice['pick'])->firstOrFail();
        Decision::query()->create([
            'studio_id' => $studio->id, 'fitting_id' => $fitting->id, 'setup_id' => $pick->id, 'advised_setup_id' => $pick->id,
            'reason' => 'She sees it start away from the water and trusts it.', 'advice' => $advice, 'decided_by' => $fitter->id,
        ]);
    }

    /** @param  array{speed: string, distance: string, height: string, length: string}  $units */
    private function fitting(Studio $studio, string $name, Hand $hand, array $units, Brief $brief, bool $agreed = true): Fitting
    {
        $player = Player::query()->create(['studio_id' => $studio->id, 'name' => $name, 'hand' => $hand, 'units' => $units]);
        $fitting = new Fitting([
            'studio_id' => $studio->id, 'player_id' => $player->id, 'typed' => [], 'brief_agreed_at' => $agreed ? now() : null,
        ]);
        $fitting->setBrief($brief);
        $fitting->save();

        return $fitting->refresh();
    }

    /** @param  array<string, float>  $masses */
    private function setup(
        Fitting $fitting, RackHead $head, string $position, array $masses, string $shaft, float $lengthMm, ?Setup $from = null,
    ): Setup {
        $part = fn (string $kind, string $label): int => Part::query()
            ->where('studio_id', $fitting->studio_id)->where('kind', $kind)->where('label', $label)->firstOrFail()->id;

        return ($this->addSetup)(
            $fitting,
            [
                'head_id' => $head->id, 'sleeve_label' => $position, 'masses' => $masses, 'shaft_id' => $part('shaft', $shaft),
                'grip_id' => $part('grip', 'Tallow round'), 'ball_id' => $part('ball', 'Mallow Four'), 'length_mm' => $lengthMm,
                'tee_mm' => 45, 'typed' => [],
            ],
            $from?->id,
        );
    }

    /** @param  list<array<string, float>>  $shots */
    private function store(Fitting $fitting, Setup $setup, array $shots): void
    {
        $flight = $fitting->flight();
        $rows = [];
        foreach ($shots as $measured) {
            $rows[] = ['setupId' => $setup->id, 'measured' => $measured, 'typed' => [], 'key' => ShotRow::keyOf($measured, null),
                'flags' => array_map(fn ($issue): string => $issue->message, LaunchShot::of($measured, $flight)->issues())];
        }
        ($this->storeShots)($fitting, $rows, 'simulated');
    }
}
