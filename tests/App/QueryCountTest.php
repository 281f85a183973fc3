<?php

declare(strict_types=1);

use App\Models\Fitting;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Http\UploadedFile;
use Illuminate\Routing\Route as RouteOf;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Symfony\Component\HttpFoundation\StreamedResponse;

// No answer asks the database more often because there is more in it.

/** What an answer may ask at most, where nothing else is said. */
const MOST_QUERIES = 32;

/**
 * A person's page and file read each of the tables that know of them; the bay is drawn by one answer; whoever asks first of a judgement has all of it
 * made.
 */
const MORE_QUERIES = [
    'api/players/{player}' => 46, 'api/data/players/{player}/file' => 64, 'api/fittings/{fitting}/bay' => 46, 'api/fittings/{fitting}/comparison' => 56, 'api/fittings/{fitting}/grounds' => 56, 'api/season' => 15, 'api/season.csv' => 15,
];

it('asks the database as often for many as for few, on every route that reads', function (): void {
    app(DemoSeeder::class)->run();
    $user = User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail();
    $this->actingAs($user);
    $case = Fitting::query()->whereHas('decisions')->firstOrFail();
    $file = $this->getJson("api/fittings/{$case->id}/file")->assertOk()->getContent();
    $more = function (Fitting $fitting, int $n): void {
        $id = $fitting->id;
        $setups = $this->getJson("api/fittings/{$id}")->json('setups');
        $order = $this->postJson("api/fittings/{$id}/orders")->json('id') ?? DB::table('orders')->where('fitting_id', $id)->value('id');
        DB::table('orders')->where('id', $order)->where('state', 'asked')
            ->update(['state' => 'handed over', 'steps' => json_encode([['state' => 'handed over',
                'at' => now()->toIso8601String(), 'by' => 'x']])]);
        foreach (range(1, $n) as $i) {
            $key = "round {$id} ".bin2hex(random_bytes(6));
            $this->postJson("api/fittings/{$id}/rounds", ['key' => $key, 'playedOn' => now()->format('Y-m-d'),
                'course' => 'Reedmere', 'club' => $i % 2 ? 'new' : 'before', 'holes' => 14, 'hit' => 7, 'left' => 4, 'right' => 3, 'lost' => 0]);
            $this->postJson("api/fittings/{$id}/trials", ['setupId' => $setups[$i % count($setups)]['id']]);
            DB::table('trials')->where('fitting_id', $id)->update(['ended_at' => now()]);
            $this->postJson("api/players/{$fitting->player_id}/links", ['kind' => 'intake']);
            $this->postJson("api/fittings/{$id}/gaps/clubs", ['name' => "Wood {$key}", 'kind' => 'fairway wood', 'loftDeg' => 15]);
        }
    };
    $more($case, 1);
    $count = function () use ($case, $user): array {
        $order = DB::table('orders')->where('fitting_id', $case->id)->value('id');
        $ids = ['fitting' => $case->id, 'player' => $case->player_id, 'order' => $order,
            'head' => DB::table('heads')->value('id'), 'bay' => DB::table('bays')->value('id'), 'person' => $user->id];
        $counts = [];
        foreach (Route::getRoutes() as $route) {
            if (! $route instanceof RouteOf || ! in_array('GET', $route->methods(),
                true) || ! str_starts_with($route->uri(), 'api/') || array_diff($route->parameterNames(), array_keys($ids)) !== []) {
                continue;
            }
            DB::flushQueryLog();
            DB::enableQueryLog();
            $answer = $this->getJson('/'.strtr($route->uri(),
                array_combine(array_map(fn (string $n): string => "{{$n}}", array_keys($ids)), array_values($ids))));
            if ($answer->isOk()) {
                $answer->baseResponse instanceof StreamedResponse && $answer->streamedContent();
                $counts[$route->uri()] = count(DB::getQueryLog());
            }
            DB::disableQueryLog();
        }

        return $counts;
    };
    $few = $count();
    for ($i = 0; $i < 5; $i++) {
        $made = $this->postJson('api/fittings/import', ['keep' => true,
            'file' => UploadedFile::fake()->createWithContent('x.json', (string) $file)])->assertOk()->json('fittingId');
        $more(Fitting::query()->findOrFail($made), 3);
    }
    $more($case, 6);
    $many = $count();
    expect(count($many))->toBeGreaterThan(45)
        ->and(array_filter($many, fn (int $n, string $uri): bool => $n > ($few[$uri] ?? $n), ARRAY_FILTER_USE_BOTH))
        ->toBe([], 'grows with rows')
        ->and(array_filter($many, fn (int $n, string $uri): bool => $n > (MORE_QUERIES[$uri] ?? MOST_QUERIES),
            ARRAY_FILTER_USE_BOTH))->toBe([], 'asks too often');
});
