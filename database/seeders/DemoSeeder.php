<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\AddSetup;
use App\Actions\StoreShots;
use App\Http\Resources\AdviceResource;
use App\Models\Decision;
use App\Models\Fitting;
use App\Models\Player;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Studio;
use App\Models\User;
use App\Support\Judged;
use Illuminate\Http\Request;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\ShotRow;

/** A made-up studio with three made-up players: one fitting finished, one in the middle, one new. */
final readonly class DemoSeeder
{
    public const EMAIL = 'fitter@demo.example';

    public const PASSWORD = 'minted-demo';

    public function __construct(private AddSetup $addSetup, private StoreShots $storeShots)
    {
    }

    public function run(): void
    {
        $studio = Studio::query()->create(['name' => 'Lantern Yard Fitting', 'is_demo' => true]);
        $fitter = User::query()->create(['studio_id' => $studio->id, 'name' => 'Odile Farrant', 'email' => self::EMAIL, 'password' => self::PASSWORD]);
        $this->newPlayer($studio);
        $this->inTheMiddle($studio);
        $this->finished($studio, $fitter);
    }

    /** Tobin: slow, low, right-handed in yards. Own club on the bench, no ball hit yet. */
    private function newPlayer(Studio $studio): void
    {
        $fitting = $this->fitting($studio, 'Tobin Wexcroft', Hand::Right, ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'], [
            'corridor_width_m' => 27.4, 'hole_length_m' => 320, 'turf' => 'medium', 'wants' => 'More height; the drive never stops running into the same bunker',
        ]);
        $this->setup($fitting, 'Plover 445', 9.5, 9.1, 'N', null, null, 'two of 6 g', 'Reedline 50 A', 45.5 * 25.4);
    }

    /** Rafe: fast, right-handed in yards, club data; trees right. Three setups hit, nothing decided. */
    private function inTheMiddle(Studio $studio): void
    {
        $fitting = $this->fitting($studio, 'Rafe Quillon', Hand::Right, ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'], [
            'corridor_width_m' => 29.3, 'trouble_side' => 'right', 'trouble_kind' => 'trees', 'hole_length_m' => 395, 'turf' => 'firm', 'wants' => 'Take the right side out without losing carry',
        ]);
        $shots = new DemoShots(2031);
        $own = $this->setup($fitting, 'Curlew L', 9.0, 10.1, 'N', null, null, '10 g front', 'Saltmarsh 65 X', 45.25 * 25.4);
        $new = $this->setup($fitting, 'Tern 460', 9.0, 8.9, 'N', null, null, '12 g back', 'Saltmarsh 65 X', 45.25 * 25.4, $own);
        $down = $this->setup($fitting, 'Tern 460', 9.0, 8.9, '−0.75', -0.75, 1.2, '12 g back', 'Saltmarsh 65 X', 45.25 * 25.4, $new);
        $player = fn (float $loft, float $face): PlayerModel => new PlayerModel(49.6, 1.0, 1.8, $face, $loft, -2, 2, 0.9, 0.08);
        $this->store($fitting, $own, $shots->hit($player(13.4, 2.6), Head::preset('low-spin'), Hand::Right, 10, true));
        $this->store($fitting, $new, $shots->hit($player(12.9, 1.2), Head::preset('forgiving'), Hand::Right, 7, true));
        $this->store($fitting, $down, $shots->hit($player(12.2, 1.6), Head::preset('forgiving'), Hand::Right, 5, true));
    }

    /** Imke: left-handed, metres and km/h, ball data only; water left. Four setups, a mishit left out, decided. */
    private function finished(Studio $studio, User $fitter): void
    {
        $fitting = $this->fitting($studio, 'Imke Dorsay', Hand::Left, ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'], [
            'corridor_width_m' => 32, 'trouble_side' => 'left', 'trouble_kind' => 'water', 'trouble_at_m' => 28, 'hole_length_m' => 345, 'temperature_c' => 14, 'wants' => 'Keep a small fade, never the water on the left',
        ]);
        $shots = new DemoShots(77);
        $own = $this->setup($fitting, 'Plover 445', 10.5, 9.8, 'N', null, null, 'two of 6 g', 'Reedline 55 R', 1143);
        $other = $this->setup($fitting, 'Tern 460', 10.5, 11.2, 'N', null, null, '12 g back', 'Reedline 55 R', 1143, $own);
        $sleeve = $this->setup($fitting, 'Tern 460', 10.5, 11.2, '−0.75', -0.75, 1.2, '12 g back', 'Reedline 55 R', 1143, $other);
        $heel = $this->setup($fitting, 'Tern 460', 10.5, 11.2, 'N', null, null, '12 g heel', 'Reedline 55 R', 1143, $other);
        $player = fn (float $loft, float $face, float $toe = 0.0): PlayerModel => new PlayerModel(42.3, -1.0, -1.5, $face, $loft, $toe, 0, 0.85, 0.0);
        $this->store($fitting, $own, $shots->hit($player(12.4, -4.4, -5), Head::preset('middle'), Hand::Left, 8, false));
        $this->store($fitting, $other, $shots->hit($player(13.8, -3.0), Head::preset('forgiving'), Hand::Left, 8, false));
        $this->store($fitting, $sleeve, $shots->hit($player(13.1, -3.6), Head::preset('forgiving'), Hand::Left, 6, false));
        $this->store($fitting, $heel, $shots->hit($player(13.8, -1.4), Head::preset('forgiving'), Hand::Left, 9, false));
        $this->store($fitting, $heel, $shots->hit(new PlayerModel(41.0, -2, -2, -3, 12.0, -18, -8, 0.5, 0.0), Head::preset('forgiving'), Hand::Left, 1, false));
        Shot::query()->where('setup_id', $heel->id)->orderByDesc('sequence')->firstOrFail()
            ->update(['left_out_reason' => 'mishit', 'left_out_note' => 'Low heel, felt it at once', 'left_out_by' => $fitter->id, 'left_out_at' => now()]);

        $judged = new Judged($fitting->refresh());
        $advice = (new AdviceResource($judged))->toArray(new Request);
        $pick = Setup::query()->where('fitting_id', $fitting->id)->where('tag', $advice['pick'])->firstOrFail();
        Decision::query()->create(['studio_id' => $studio->id, 'fitting_id' => $fitting->id, 'setup_id' => $pick->id, 'advised_setup_id' => $pick->id,
            'reason' => 'She sees it start away from the water and trusts it.', 'advice' => $advice, 'decided_by' => $fitter->id]);
    }

    /**
     * @param  array{speed: string, distance: string, height: string, length: string}  $units
     * @param  array<string, mixed>  $columns
     */
    private function fitting(Studio $studio, string $name, Hand $hand, array $units, array $columns): Fitting
    {
        $player = Player::query()->create(['studio_id' => $studio->id, 'name' => $name, 'hand' => $hand, 'units' => $units]);

        return Fitting::query()->create(['studio_id' => $studio->id, 'player_id' => $player->id, 'typed' => []] + $columns)->refresh();
    }

    private function setup(Fitting $fitting, string $head, float $stated, float $measured, string $label, ?float $loft, ?float $face, string $weights, string $shaft, float $lengthMm, ?Setup $from = null): Setup
    {
        return ($this->addSetup)($fitting, [
            'head' => $head, 'stated_loft_deg' => $stated, 'measured_loft_deg' => $measured, 'measured_lie_deg' => 58.5, 'measured_face_open_deg' => 0.4,
            'sleeve_label' => $label, 'sleeve_loft_deg' => $loft, 'sleeve_face_open_deg' => $face, 'weights' => $weights, 'shaft' => $shaft, 'length_mm' => $lengthMm, 'ball' => 'Pebble Four', 'typed' => [],
        ], $from?->id);
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
        ($this->storeShots)($fitting, $rows, 'demo');
    }
}
