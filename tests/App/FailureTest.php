<?php

declare(strict_types=1);

use App\Fittings\FailureLog;
use App\Models\Fitting;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Log\Events\MessageLogged;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\ModelFailure;
use MintCarry\Core\Errors\UnreadableFile;

// Whose fault it is, and what is told: a fault of ours is a 500 with a reference that stands in the log too, what was sent wrong
// is a 422 that names its field.

beforeEach(fn () => config(['logging.default' => 'null']));

/** @return array<int, MessageLogged> what is logged meanwhile */
function logged(callable $do): array
{
    $seen = [];
    Log::listen(function (MessageLogged $m) use (&$seen): void {
        $seen[] = $m;
    });
    $do();

    return $seen;
}

it('answers a failure of the models with 500, what it was computing, and a reference that the log has too', function (): void {
    Route::get('api/fails', fn () => throw ModelFailure::while('The flight of a ball of 66.0 m/s', 'it ends nowhere'));
    $answer = null;
    $seen = logged(function () use (&$answer): void {
        $answer = $this->getJson('/api/fails');
    });
    $reference = ModelFailure::while('The flight of a ball of 66.0 m/s', 'it ends nowhere')->reference();
    $answer->assertStatus(500)->assertJson(['reference' => $reference]);
    expect($answer->json('message'))->toContain('The flight of a ball of 66.0 m/s could not be worked out', 'a fault of ours', $reference)
        ->and($answer->json())->not->toHaveKey('errors')
        ->and($seen)->toHaveCount(1)
        ->and($seen[0]->level)->toBe('error')
        ->and($seen[0]->context)->toMatchArray(['computing' => 'The flight of a ball of 66.0 m/s', 'reference' => $reference]);
});

it('answers what was sent wrong with 422 and its field, and logs nothing', function (): void {
    Route::get('api/wrong', fn () => throw InvalidInput::of('loftDeg', 'A loft of 80° is none of a driver.'));
    Route::get('api/unreadable', fn () => throw UnreadableFile::because('This is a picture.'));
    $seen = logged(function (): void {
        $this->getJson('/api/wrong')->assertStatus(422)->assertJson(['errors' => ['loftDeg' => ['A loft of 80° is none of a driver.']]]);
        $this->getJson('/api/unreadable')->assertStatus(422)->assertJsonPath('errors.file.0', 'This is a picture.');
    });
    expect($seen)->toBe([]);
});

it('logs what was left out of a report, with the fitting and the reference that stands on the screen', function (): void {
    app(DemoSeeder::class)->run();
    $fitting = Fitting::query()->firstOrFail();
    $failure = ModelFailure::while('The setup X', 'no flying ball');
    $report = ['failures' => ModelFailure::toArrays([$failure])];
    $seen = logged(fn () => expect(FailureLog::noted($report, $fitting))->toBe($report));
    expect($seen)->toHaveCount(1)
        ->and($seen[0]->message)->toBe($failure->line())
        ->and($seen[0]->context)
        ->toBe(['computing' => 'The setup X', 'reference' => $failure->reference(), 'fitting' => $fitting->id]);
    // The demo has none: its screens say nothing of the kind.
    $this->actingAs(User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail());
    $judged = Fitting::query()->whereHas('shots')->firstOrFail();
    foreach (['judging', 'finder', 'grounds'] as $screen) {
        $this->getJson("/api/fittings/{$judged->id}/{$screen}")->assertOk()->assertJsonPath('failures', []);
    }
});

it('says that it is up, with its version, to anybody', function (): void {
    $this->getJson('/up')->assertOk()->assertJson(['up' => true, 'version' => trim((string) file_get_contents(base_path('VERSION')))]);
});

it('carries its version in what it writes', function (): void {
    $user = $this->fitter();
    $fitting = $this->fitting($user);
    $version = 'Mint Carry '.trim((string) file_get_contents(base_path('VERSION')));
    $this->actingAs($user);
    $file = $this->get("/api/fittings/{$fitting->id}/file")->assertOk()->content();
    $rack = $this->get('/api/rack.json')->assertOk()->content();
    expect(json_decode($file, true)['madeBy'])->toBe($version)
        ->and(json_decode($rack, true)['madeBy'])->toBe($version)
        ->and((string) file_get_contents(base_path('resources/web/api/generated/vocabulary.ts')))
        ->toContain('VERSION = "'.trim((string) file_get_contents(base_path('VERSION'))).'"');
});
