<?php

declare(strict_types=1);

namespace Database\Seeders;

use App\Actions\AddSetup;
use App\Actions\StoreShots;
use App\Fittings\FittingLoader;
use App\Models\Fitting;
use App\Models\Part;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\Setup;
use App\Models\Studio;
use MintCarry\Core\Club\Hand;
use MintCarry\Core\Club\Head;
use MintCarry\Core\Club\SetupSpec;
use MintCarry\Core\Fitting\Brief;
use MintCarry\Core\Fitting\Corridor;
use MintCarry\Core\Impact\PlayerModel;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Statistics\Normal;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Sixty earlier fittings of hidden players over two seasons, from before this studio kept decisions here: what its memory learns from. Each
 * head does something of its own that neither print nor gauge tells, the same for all, and a little else with each player.
 */
final readonly class DemoPast
{
    private const FITTINGS = 60;

    private const FIRST = ['Arvid', 'Bettine', 'Corwin', 'Dagny', 'Eskil', 'Fenja', 'Gerlof', 'Hedwig', 'Isolde', 'Jorun'];

    private const LAST = ['Aldermoor', 'Brackenholt', 'Cressdale', 'Dunmarsh', 'Elderway', 'Fallowden'];

    /** Speed m/s, loft °, face ° (+ = right, of a right-hander), toe mm, high mm that a head brings beyond its geometry. */
    private const OF_HEADS = [
        'Plover 445' => [0.0, 0.0, 0.0, 0.0, 0.0], 'Tern 460' => [-0.25, 0.5, -0.8, 1.5, 1.0], 'Curlew L' => [0.3, -0.3, 0.5, -2.0, 0.0],
    ];

    private const AMONG_PLAYERS = [0.12, 0.25, 0.3, 0.9, 0.9];

    private const TYPES = ['Plover 445' => 'middle', 'Tern 460' => 'forgiving', 'Curlew L' => 'low-spin'];

    /** Head, sleeve position and weights of what is tried. */
    private const TRIED = [
        ['Tern 460', 'N', ['back' => 12.0]], ['Tern 460', '+0.75', ['back' => 12.0]], ['Curlew L', 'N', ['front' => 10.0, 'back' => 4.0]],
        ['Tern 460', 'N', ['heel' => 12.0]], ['Plover 445', '+', ['heel' => 6.0, 'toe' => 6.0]],
    ];

    private const SHOTS = 4;

    private Randomizer $random;

    public function __construct(private AddSetup $addSetup, private StoreShots $storeShots)
    {
        $this->random = new Randomizer(new Mt19937(445));
    }

    public function run(Studio $studio): void
    {
        $part = static fn (string $kind, string $label): int => Part::query()
            ->where('studio_id', $studio->id)->where('kind', $kind)->where('label', $label)->firstOrFail()->id;
        $parts = [
            'shaft_id' => $part('shaft', 'Reedline 55 R'), 'grip_id' => $part('grip', 'Tallow round'), 'ball_id' => $part('ball', 'Mallow Four'),
            'length_mm' => 1143, 'tee_mm' => 45, 'typed' => [],
        ];
        $heads = RackHead::query()->where('studio_id', $studio->id)->get()->keyBy(static fn (RackHead $h): string => "{$h->label} {$h->hand->value}");
        for ($i = 0; $i < self::FITTINGS; $i++) {
            $hand = $i % 6 === 5 ? Hand::Left : Hand::Right;
            $at = now()->subDays(760 - (int) (11.5 * $i));
            $fitting = $this->fitting($studio, self::FIRST[$i % 10].' '.self::LAST[intdiv($i, 10)], $hand);
            $tried = array_values(array_filter(self::TRIED, static fn (array $t): bool => $heads->has("{$t[0]} {$hand->value}")));
            $tried = [['Plover 445', 'FL', ['heel' => 6.0, 'toe' => 6.0]], ...array_slice($this->random->shuffleArray($tried), 0, 1 + $i % 2)];
            $setups = [];
            foreach ($tried as [$label, $position, $masses]) {
                $head = ['head_id' => $heads->get("{$label} {$hand->value}")?->id, 'sleeve_label' => $position, 'masses' => $masses];
                $setups[] = ($this->addSetup)($fitting, $head + $parts, ($setups[0] ?? null)?->id);
            }
            $this->hit($fitting, $setups, $hand, new DemoShots(4_000 + $i));
            foreach (['fittings', 'shots', 'trials', 'visits', 'setups'] as $table) {
                $fitting->getConnection()->table($table)->where($table === 'fittings' ? 'id' : 'fitting_id', $fitting->id)->update(
                    ['created_at' => $at] + ($table === 'fittings' ? ['updated_at' => $at] : []),
                );
            }
        }
    }

    private function fitting(Studio $studio, string $name, Hand $hand): Fitting
    {
        $player = Player::query()->create([
            'studio_id' => $studio->id, 'name' => $name, 'hand' => $hand,
            'units' => ['speed' => 'km/h', 'distance' => 'm', 'height' => 'm', 'length' => 'mm'],
        ]);
        $fitting = new Fitting(['studio_id' => $studio->id, 'player_id' => $player->id, 'typed' => [], 'brief_agreed_at' => now()]);
        $fitting->setBrief(new Brief(corridor: new Corridor(30), habit: 'soled', consent: true));
        $fitting->save();

        return $fitting->refresh();
    }

    /** @param  list<Setup>  $setups  the own club first */
    private function hit(Fitting $fitting, array $setups, Hand $hand, DemoShots $shots): void
    {
        $any = fn (float $mean, float $sd): float => $mean + $sd * Normal::draw($this->random);
        [$speed, $attack, $path, $face, $loft, $toe, $high] = [
            $any(44, 3.5), $any(0, 1.5), $any(0, 1.5), $any(0, 1.5), $any(13.5, 1), $any(0, 3), $any(0, 3),
        ];
        $specs = array_map(static fn (Setup $s): SetupSpec => FittingLoader::spec($s->loadMissing(Setup::MADE_OF), $hand), $setups);
        $rows = [];
        foreach ($setups as $k => $setup) {
            $does = array_map(
                fn (float $of, float $sd): float => $k === 0 ? 0.0 : $any($of, $sd), self::OF_HEADS[$setup->head], self::AMONG_PLAYERS,
            );
            $opened = 0.4 * ($specs[$k]->soledFaceOpenDeg - $specs[0]->soledFaceOpenDeg) + $does[2];
            $player = new PlayerModel(
                $speed + $does[0], $attack, $hand->sign() * $path, $hand->sign() * ($face + $opened),
                $loft + 0.8 * ($specs[$k]->soledLoftDeg - $specs[0]->soledLoftDeg) + $does[1], $toe + $does[3], $high + $does[4], 0.9, 0.0,
            );
            foreach ($shots->hit($player, Head::preset(self::TYPES[$setup->head]), $hand, self::SHOTS, true) as $measured) {
                $rows[] = ['setupId' => $setup->id, 'measured' => $measured, 'typed' => [], 'key' => ShotRow::keyOf($measured, null), 'flags' => []];
            }
        }
        ($this->storeShots)($fitting, $rows, 'simulated');
    }
}
