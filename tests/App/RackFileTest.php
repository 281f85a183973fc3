<?php

declare(strict_types=1);

use App\Models\RackHead;
use App\Models\Studio;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

beforeEach(function (): void {
    $this->user = $this->practising();
    $this->actingAs($this->user);
    $this->import = fn (string $bytes, bool $keep = true): TestResponse => $this->post(
        'api/rack/import', ['file' => UploadedFile::fake()->createWithContent('rack.json', $bytes), 'keep' => $keep ? '1' : '0'],
        ['Accept' => 'application/json'],
    );
});

it('carries a whole rack from one studio to another', function (): void {
    app(DemoSeeder::class)->run();
    $demo = User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail();
    $file = (string) $this->actingAs($demo)->get('api/rack.json')->assertOk()->getContent();
    $this->actingAs($this->user);
    $done = ($this->import)($file)->assertOk()->json();
    expect(count($done['added']))->toBe(17)->and($done['there'])->toBe([]);
    $again = json_decode((string) $this->get('api/rack.json')->getContent(), true);
    $first = json_decode($file, true);
    foreach ([&$again, &$first] as &$rack) {
        foreach ($rack['heads'] as &$head) {
            foreach ($head['readings'] ?? [] as $i => $r) {
                unset($head['readings'][$i]['at']);
            }
        }
    }
    expect($again)->toEqual($first);
    // Once more: everything is there, nothing is added, nothing is changed.
    $second = ($this->import)($file)->json();
    expect($second['added'])->toBe([])->and($second['there'])->toHaveCount(17)
        ->and(RackHead::query()->where('studio_id', $this->user->studio_id)->count())->toBe(6);
});

it('looks at a file without adding anything', function (): void {
    $file = json_encode(['format' => 'mint-carry-rack/1', 'heads' => [['label' => 'New', 'hand' => 'right', 'statedLoftDeg' => 9]]]);
    ($this->import)($file, false)->assertOk()->assertJsonPath('added', ['New']);
    expect(RackHead::query()->count())->toBe(0);
});

it('adds all of a file or nothing, and names what is wrong', function (array $rack, string $says): void {
    $rack += ['format' => 'mint-carry-rack/1', 'parts' => []];
    $rack['heads'] = [['label' => 'Sound', 'hand' => 'right', 'statedLoftDeg' => 9], ...$rack['heads'] ?? []];
    expect(($this->import)((string) json_encode($rack))->assertUnprocessable()->json('errors.file.0'))
        ->toContain($says)->toContain('Nothing was added')
        ->and(RackHead::query()->count())->toBe(0);
})->with([
    'loft 105' => [
        ['heads' => [['label' => 'Bad', 'hand' => 'right', 'statedLoftDeg' => 105]]],
        "heads 2 ('Bad'): The stated loft field must be between 4 and 20.",
    ],
    'a sleeve from nowhere' => [
        ['heads' => [['label' => 'Bad', 'hand' => 'right', 'statedLoftDeg' => 10, 'sleeve' => 'Nowhere']]],
        "The sleeve 'Nowhere' is neither in the file nor on the rack",
    ],
    'a misspelt key' => [
        ['heads' => [['label' => 'Bad', 'hand' => 'right', 'statedLoftDeg' => 10, 'wieght' => 200]]],
        "'wieght' is not something a head has",
    ],
    'a reading of nothing' => [
        ['heads' => [['label' => 'Bad', 'hand' => 'right', 'statedLoftDeg' => 10, 'readings' => [['values' => []]]]]],
        'at least one value',
    ],
    'a grip of a tonne' => [['parts' => [['kind' => 'grip', 'label' => 'G', 'data' => ['massG' => 1e6]]]], "parts 1 ('G')"],
    'a part of no kind' => [['parts' => [['kind' => 'glove', 'label' => 'G']]], "parts 1 ('G')"],
    'a sleeve without positions' => [['sleeves' => [['name' => 'S', 'kind' => 'single', 'positions' => []]]], "sleeves 1 ('S')"],
    'a word that is no list' => [['players' => []], "'players' is not part of a rack file"],
]);

it('refuses what is no rack file', function (string $bytes, string $says): void {
    expect(($this->import)($bytes)->assertUnprocessable()->json('message'))->toContain($says);
})->with([
    ['{"heads": [', 'not JSON'],
    ['{"format": "other/3"}', 'is not a rack'],
    ["a,b\n1,2\n", 'kind and label'],
    ["\x89PNG\r\n\x1a\n", 'picture'],
]);

it('carries what fits into a table as CSV, and back', function (): void {
    app(DemoSeeder::class)->run();
    $this->actingAs(User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail());
    $csv = (string) $this->get('api/rack.csv')->assertOk()->getContent();
    expect($csv)->toContain('head,"Tern 460","Shoreline Works",left')->toContain('shaft,"Saltmarsh 65 X"');
    $this->actingAs($this->user);
    $without = str_replace([',Saltbox,', ',Weathercock,', ',Tidewheel,'], ',,', $csv);
    expect(($this->import)($without)->assertOk()->json('added'))->toHaveCount(14);
    $tern = RackHead::query()
        ->where('studio_id', $this->user->studio_id)->where('label', 'Tern 460')->where('hand', 'left')->firstOrFail();
    expect($tern->stated_loft_deg)->toBe(10.5)
        ->and($tern->mass_g)->toBe(203.0)
        ->and($tern->supply['lofts'])->toEqual([9, 10.5, 12])
        ->and($tern->supply['inStock'])->toBeTrue();
    // Semicolons and decimal commas are as good.
    ($this->import)("kind;label;hand;statedLoftDeg;massG\nhead;Komma;left;10,5;201,5\n")->assertOk()->assertJsonPath('added', ['Komma']);
    expect(RackHead::query()->where('label', 'Komma')->firstOrFail()->mass_g)->toBe(201.5);
});

it('makes a label that looks like a formula harmless in the table, and reads it back as it was', function (): void {
    $this->postJson('api/parts', ['kind' => 'ball', 'label' => '=1+1'])->assertCreated();
    $csv = (string) $this->get('api/rack.csv')->getContent();
    expect($csv)->toContain("'=1+1");
    $other = $this->fitter('Other');
    $this->actingAs($other);
    ($this->import)($csv)->assertJsonPath('added', ['=1+1']);
    expect(Studio::query()->count())->toBe(2);
});

it('exports what its published schema describes', function (): void {
    app(DemoSeeder::class)->run();
    $this->actingAs(User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail());
    $schema = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/docs/schemas/rack.schema.json'), true);
    $rack = json_decode((string) $this->get('api/rack.json')->getContent(), true);
    $known = fn (string $list): array => array_keys($schema['$defs'][$list]['properties']);
    foreach (['sleeves' => 'sleeve', 'heads' => 'head', 'parts' => 'part'] as $list => $def) {
        foreach ($rack[$list] as $item) {
            expect(array_diff(array_keys($item), $known($def)))->toBe([])
                ->and(array_diff($schema['$defs'][$def]['required'], array_keys($item)))->toBe([]);
        }
    }
    expect(array_diff(array_keys($rack), array_keys($schema['properties'])))->toBe([]);
});
