<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\RackHead;
use App\Models\Setup;
use Illuminate\Validation\ValidationException;
use MintCarry\Core\Launch\ClubName;

/** Makes setups of the clubs that a file names: of the head on the rack that is called so, else only described. The own club comes first. */
final readonly class MakeSetups
{
    public function __construct(private AddSetup $add)
    {
    }

    /**
     * @param  list<string>  $names  as the file has them
     * @param  string|null  $own  which of them is the player's own club; asked where the fitting has none yet
     * @return array<string, int> ids by name
     *
     * @throws ValidationException where nobody said which the own club is
     */
    public function __invoke(Fitting $fitting, array $names, ?string $own): array
    {
        $hasOwn = Setup::query()->where('fitting_id', $fitting->id)->exists();
        if (! $hasOwn && ! in_array($own, $names, true)) {
            throw ValidationException::withMessages([
                'own' => 'Say which of these is the player’s own club: everything else is held against it. Nothing was stored yet.',
            ]);
        }
        $ordered = $hasOwn ? $names : [(string) $own, ...array_values(array_filter($names, static fn (string $n): bool => $n !== $own))];
        $heads = RackHead::query()->where('studio_id', $fitting->studio_id)->where('hand', $fitting->player->hand->value)
            ->whereNull('retired_at')->get()->keyBy(static fn (RackHead $h): string => ClubName::key($h->label));
        $ids = [];
        foreach ($ordered as $name) {
            $club = ClubName::of($name);
            $head = $heads[ClubName::key($name)] ?? null;
            $ids[$name] = ($this->add)($fitting, [
                'head_id' => $head?->id, 'head' => $head->label ?? $club->label,
                'stated_loft_deg' => $head->stated_loft_deg ?? $club->statedLoftDeg ?? ClubName::USUAL_LOFT_DEG,
                'sleeve_label' => '',
                'note' => match (true) {
                    $head !== null => 'From a file that does not say how sleeve and weights were set: as it comes is taken.',
                    $club->statedLoftDeg !== null => '',
                    default => sprintf('From a file that does not say its loft: %g° is taken. Put it on the gauge.', ClubName::USUAL_LOFT_DEG),
                },
                'typed' => ['fromFile' => $name],
            ])->id;
        }

        return $ids;
    }
}
