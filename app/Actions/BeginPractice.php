<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Bay;
use App\Models\Fitting;
use App\Models\Part;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\User;
use App\Support\Transaction;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;

/** A fitting of a made-up player, for whoever is new here: a club on the bench, a bay, and a swing that nobody tells before the end. */
final readonly class BeginPractice
{
    /** Who may turn up (`HiddenPlayers`). */
    private const WHO = ['slicer', 'hooker', 'fast', 'slow'];

    private const UNITS = ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in'];

    public function __construct(private AddSetup $add)
    {
    }

    public function __invoke(User $user): Fitting
    {
        return Transaction::run(function () use ($user): Fitting {
            $studioId = $user->studio_id;
            $head = RackHead::query()->where('studio_id', $studioId)->where('hand', Hand::Right->value)->whereNull('retired_at')
                ->whereNotNull('sleeve_id')->orderBy('id')->first()
                ?? throw ValidationException::withMessages(['rack' => 'The rack has no adjustable head for a right-hander to practise with.']);
            $player = Player::query()->create([
                'studio_id' => $studioId, 'name' => 'Practice player', 'hand' => Hand::Right, 'units' => self::UNITS,
            ]);
            $fitting = Fitting::query()->create([
                'studio_id' => $studioId, 'player_id' => $player->id, 'typed' => [], 'wants' => '',
                'brief' => (new Brief(corridor: new Corridor(29.0), holeLengthM: 370))->toArray(),
                'practice' => self::WHO[random_int(0, count(self::WHO) - 1)],
            ]);
            $shaft = Part::query()->where('studio_id', $studioId)->where('kind', 'shaft')->orderBy('id')->first();
            ($this->add)($fitting, [
                'head' => '', 'head_id' => $head->id, 'sleeve_label' => '', 'masses' => $head->standard, 'shaft_id' => $shaft?->id, 'shaft' => '',
                'grip_id' => null, 'ball_id' => null, 'ball' => '', 'length_mm' => 1149.35, 'tee_mm' => null, 'cue' => '', 'weights' => '',
                'note' => '', 'typed' => [], 'swing_weight_source' => 'measured',
            ]);
            $bay = Bay::query()->where('studio_id', $studioId)->whereNull('fitting_id')->orderBy('id')->lockForUpdate()->first()
                ?? Bay::query()->create(['studio_id' => $studioId, 'name' => 'Practice bay '.$fitting->id]);
            $bay->update(['fitting_id' => $fitting->id]);

            return $fitting->refresh();
        });
    }
}
