<?php

declare(strict_types=1);

use App\Console\Commands\DescribeApi;
use App\Contract\Contract;
use App\Contract\TypeText;
use App\Models\Fitting;
use App\Models\RackHead;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\Route;

// The API is said once, in the attributes of the controllers. What routes really answer is held against it in every test of the
// application (tests/AgreedApi.php); here is what no single request shows.

it('describes every route, and no route that there is not', function (): void {
    $real = [];
    foreach (Route::getRoutes() as $route) {
        foreach (str_starts_with($route->uri(), 'api/') ? array_diff($route->methods(), ['HEAD']) : [] as $method) {
            $real[] = strtolower($method).' /'.$route->uri();
        }
    }
    $said = [];
    foreach (Contract::document()['paths'] as $path => $operations) {
        foreach (array_keys($operations) as $method) {
            $said[] = "{$method} {$path}";
        }
    }
    sort($real);
    sort($said);
    expect($said)->toBe($real);
});

it('has the description and what the front end takes from it as the attributes say now', function (): void {
    foreach (DescribeApi::files() as $path => $text) {
        expect((string) file_get_contents(base_path($path)))->toBe(
            $text, "{$path} is not as the attributes say: php artisan mint:api writes it anew.",
        );
    }
});

it('says of nothing that it could be anything', function (): void {
    $bare = [];
    $walk = function (mixed $schema, string $at) use (&$walk, &$bare): void {
        if (
            is_array($schema) &&
            ($schema['type'] ?? null) === 'object' &&
            ! isset($schema['properties']) &&
            ! isset($schema['additionalProperties'])
        ) {
            $bare[] = $at;
        }
        foreach (is_array($schema) ? $schema : [] as $key => $inner) {
            $walk($inner, "{$at}/{$key}");
        }
    };
    $document = Contract::document();
    $walk($document['components']['schemas'], 'schemas');
    $walk($document['paths'], 'paths');
    expect($bare)->toBe([]);
});

it('answers the demo as it says, on every screen', function (): void {
    app(DemoSeeder::class)->run();
    $this->actingAs(User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail());
    foreach (Fitting::query()->whereHas('shots')->get() as $fitting) {
        foreach (
            [
                '', '/bay', '/brief/changes', '/log', '/held', '/shots', '/files', '/comparison', '/judging', '/finder?only=all',
                '/advice', '/grounds', '/schools', '/decisions', '/file',
            ] as $what
        ) {
            $this->getJson("api/fittings/{$fitting->id}{$what}")->assertOk();
        }
        $stamp = $this->getJson("api/fittings/{$fitting->id}/bay")->json('stamp');
        expect($this->getJson("api/fittings/{$fitting->id}/bay?stamp={$stamp}")->assertOk()->json())->not->toHaveKey('bays');
    }
    foreach (
        ['session', 'players', 'fittings?q=dors', 'rack', 'rack.json', 'heads/'.RackHead::query()->value('id').'?squaringShare=0.3'] as $what
    ) {
        $this->getJson("api/{$what}")->assertOk();
    }
});

it('refuses a key that it does not know, by name, and keeps nothing', function (
    string $method, string $uri, array $body, string $unknown,
): void {
    $user = $this->fitter();
    $case = $this->fitting($user);
    $head = $this->rackHead($user);
    $uri = str_replace(['{fitting}', '{head}'], [(string) $case->id, (string) $head['id']], $uri);
    $answer = $this->json($method, $uri, $body)->assertUnprocessable();
    expect($answer->json('errors'))->toHaveKey($unknown)
        ->and($answer->json('message'))->toContain("'{$unknown}' is not something this takes")->toContain('Nothing was saved')
        ->and($this->getJson("api/fittings/{$case->id}")->json('version'))->toBe(1)
        ->and($this->getJson("api/fittings/{$case->id}")->json('setups'))->toBe([]);
})->with([
    'a misspelt loft' => ['POST', 'api/fittings/{fitting}/setups', ['head' => 'Tern', 'statedLoft' => 10.5], 'statedLoft'],
    'a column of the database' => ['PATCH', 'api/fittings/{fitting}', ['version' => 1, 'studio_id' => 1], 'studio_id'],
    'inside a list' => [
        'POST', 'api/fittings/{fitting}/shots', ['setupId' => 1, 'shots' => [['clientId' => 'a', 'values' => [], 'spin' => 1]]],
        'shots.0.spin',
    ],
    'inside an object' => [
        'PATCH', 'api/fittings/{fitting}/brief', ['version' => 1, 'brief' => ['corridor' => ['width' => 30]]],
        'brief.corridor.width',
    ],
    'a field of the brief' => [
        'PATCH', 'api/fittings/{fitting}/brief', ['version' => 1, 'brief' => ['handycap' => 3]], 'brief.handycap',
    ],
    'a slot of a head' => [
        'PATCH', 'api/heads/{head}', ['slots' => [['name' => 'back', 'toeMm' => 0, 'backMm' => 100, 'upMm' => 0, 'gramms' => 3]]],
        'slots.0.gramms',
    ],
    'behind the question mark' => ['GET', 'api/fittings/{fitting}/finder?onyl=own', [], 'onyl'],
    'where nothing is taken' => ['POST', 'api/fittings/{fitting}/trials/end', ['now' => true], 'now'],
]);

it('tells whose a thing is before it looks at what was said', function (): void {
    $theirs = $this->fitting($this->fitter('Other studio'));
    $this->actingAs($this->fitter())->patchJson("api/fittings/{$theirs->id}", ['nonsense' => 1])->assertNotFound();
});

it('reads types as they are written', function (string $type, array $schema): void {
    expect(json_decode((string) json_encode(TypeText::schema($type)), true))->toBe($schema);
})->with([
    ['integer', ['type' => 'integer']],
    ['string | null', ['anyOf' => [['type' => 'string'], ['type' => 'null']]]],
    ["'left' | 'right'", ['type' => 'string', 'enum' => ['left', 'right']]],
    ['(Setup | null)[]', ['type' => 'array', 'items' => ['anyOf' => [['$ref' => '#/components/schemas/Setup'], ['type' => 'null']]]]],
    [
        '[number, number]',
        ['type' => 'array', 'prefixItems' => [['type' => 'number'], ['type' => 'number']], 'minItems' => 2, 'maxItems' => 2],
    ],
    ['Record<string, integer>', ['type' => 'object', 'additionalProperties' => ['type' => 'integer']]],
    [
        '{ tag: string; note?: string | null }',
        [
            'type' => 'object',
            'properties' => ['tag' => ['type' => 'string'], 'note' => ['anyOf' => [['type' => 'string'], ['type' => 'null']]]],
            'required' => ['tag'], 'additionalProperties' => false,
        ],
    ],
]);

it('does not read what is no type', function (string $text): void {
    TypeText::schema($text);
})->with(['', 'strng', '{ tag string }', 'number |', '[number', 'string]'])->throws(LogicException::class);
