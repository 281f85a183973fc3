<?php

declare(strict_types=1);

use App\Models\Fitting;
use App\Models\LogEntry;
use Illuminate\Http\UploadedFile;
use Tests\MadeFitting;

// The side that must never come holds everywhere: what brings more of it becomes the benchmark only with a reason, and is not laid out.

beforeEach(function (): void {
    $this->bring = function (string $hand): Fitting {
        $this->actingAs($this->fitter());
        $brief = ['never' => ['left'], 'corridor' => ['widthM' => 32, 'left' => ['kind' => 'water', 'atM' => 28], 'right' => ['kind' => 'rough', 'atM' => null]]];
        $file = MadeFitting::of($hand, $brief, 1)->head('Old 10', 10.5)->head('Tern 460', 10.5)
            ->hit('A', 'Old 10', 10, [150, 13, 2700, 0, 1])->hit('E', 'Tern 460', 10, [157, 13, 2500, -2.2, -5])->toArray();
        $made = $this->postJson('api/fittings/import', [
            'keep' => true, 'file' => UploadedFile::fake()->createWithContent('x.json', json_encode($file, JSON_THROW_ON_ERROR)),
        ])->assertOk();

        return Fitting::query()->findOrFail($made->json('fittingId'));
    };
});

it('makes a setup that brings the forbidden side the benchmark only with a reason, which the log keeps', function (string $hand, string $side): void {
    $fitting = ($this->bring)($hand);
    $id = $fitting->setups()->where('tag', 'E')->firstOrFail()->id;
    $ask = fn (?string $reason) => $this->patchJson("api/fittings/{$fitting->id}", [
        'version' => $fitting->refresh()->version, 'benchmarkSetupId' => $id,
    ] + ($reason === null ? [] : ['reason' => $reason]));
    foreach ([null, '', '   '] as $none) {
        expect($ask($none)->assertUnprocessable()->json('errors.reason.0'))->toContain("E likely brings more of what must never come ({$side})");
    }
    expect($fitting->refresh()->benchmark_setup_id)->not->toBe($id);
    $ask('He hits it from the left edge')->assertOk()->assertJsonPath('benchmarkSetupId', $id);
    $told = LogEntry::query()->where('fitting_id', $fitting->id)->pluck('words')->implode(' ');
    expect($told)->toContain('made E the benchmark')->toContain('He hits it from the left edge');
})->with([['right', 'left'], ['left', 'right']]);

it('asks for no reason where nothing is forbidden, or where the setup brings no more of it', function (): void {
    $fitting = ($this->bring)('right');
    $a = $fitting->setups()->where('tag', 'A')->firstOrFail()->id;
    $this->patchJson("api/fittings/{$fitting->id}", ['version' => $fitting->version, 'benchmarkSetupId' => $a])->assertOk();
});
