<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Fitting;
use App\Models\Setup;
use Illuminate\Validation\ValidationException;

/**
 * A setup of a fitting with its sleeve turned and its weights moved: the one that is made so already, or a new one branched from it. All
 * else that it is made of stays.
 */
final readonly class TurnSetup
{
    /** What it keeps. */
    private const KEPT = ['head_id', 'shaft_id', 'grip_id', 'ball_id', 'length_mm', 'tee_mm', 'cue', 'shaft', 'ball'];

    public function __construct(private AddSetup $add, private BuildSetup $build)
    {
    }

    /** @param  array<string, float>  $masses  g by slot */
    public function __invoke(Fitting $fitting, Setup $from, string $sleeve, array $masses): Setup
    {
        $there = $this->there($from, $sleeve, $masses);
        if ($there === null) {
            return ($this->add)($fitting, self::columns($from, $sleeve, $masses), $from->id);
        }
        if ($there->shelf !== '') {
            // What was put aside and is hit again is on the trail again.
            $there->update(['shelf' => '', 'shelf_reason' => '']);
        }

        return $there;
    }

    /**
     * As it would be, not saved; refused where it cannot be built.
     *
     * @param  array<string, float>  $masses
     */
    public function unsaved(Setup $from, string $sleeve, array $masses): Setup
    {
        $setup = ($this->build)(
            new Setup(['fitting_id' => $from->fitting_id, 'tag' => '', 'position' => 0, 'is_baseline' => false]),
            self::columns($from, $sleeve, $masses),
        );
        $setup->tag = implode('/', [$setup->head, $setup->sleeve_label, $setup->weights]);

        return $setup->load(Setup::MADE_OF);
    }

    /**
     * The setup of the fitting that is made so; one on the trail before one that was put aside.
     *
     * @param  array<string, float>  $masses
     */
    public function there(Setup $from, string $sleeve, array $masses): ?Setup
    {
        $grams = static function (?array $m): array {
            $m = array_filter(array_map(floatval(...), $m ?? []), static fn (float $g): bool => $g > 0);
            ksort($m);

            return $m;
        };

        return Setup::query()->where('fitting_id', $from->fitting_id)->where('sleeve_label', $sleeve)->orderBy('position')->get()
            ->filter(fn (Setup $s): bool => $s->only(self::KEPT) == $from->only(self::KEPT) && $grams($s->masses) === $grams($masses))
            ->sortBy(fn (Setup $s): int => $s->shelf === '' ? 0 : 1)->first();
    }

    /**
     * @param  array<string, float>  $masses
     * @return array<string, mixed>
     */
    private static function columns(Setup $from, string $sleeve, array $masses): array
    {
        if ($from->head_id === null) {
            throw ValidationException::withMessages([
                'sleeve' => "Setup {$from->tag} is only described, so its other positions are not known: put its head on the rack.",
            ]);
        }

        return $from->only(self::KEPT) + [
            'sleeve_label' => $sleeve, 'masses' => $masses, 'weights' => '', 'note' => '', 'typed' => [], 'swing_weight_source' => 'measured',
        ];
    }
}
