<?php

declare(strict_types=1);

use App\Models\HeldShot;
use App\Models\Shot;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use MintCarry\Core\Fitting\Brief;

// Every request that writes, mangled: each value in turn gone, or of another kind, or absurd. No answer may be a breakdown, every
// refusal says what is wrong, and what is refused has changed nothing.

/** One query for how much there is, so that a refusal can be held against it. */
function stock(): string
{
    $tables = [
        'fittings', 'players', 'setups', 'shots', 'held_shots', 'trials', 'visits', 'blinds', 'confirms', 'decisions', 'ratings',
        'log_entries', 'heads', 'readings', 'sleeves', 'parts', 'bays', 'import_files', 'brief_changes',
    ];

    return json_encode(
        DB::selectOne(
            'select '.
                implode(
                    ', ',
                    array_map(
                        fn (string $t): string => "(select concat(count(*), ' ', coalesce(max(id), 0)) from {$t}) as {$t}", $tables,
                    ),
                ).
                ', (select group_concat(version) from fittings) as versions',
        ),
        JSON_THROW_ON_ERROR,
    );
}

const MAP = [
    'headerRow' => 0, 'unitsRow' => null,
    'columns' => [
        ['measure' => 'ballSpeedMps', 'unit' => 'mph'], ['measure' => 'launchDeg', 'unit' => 'deg'],
        ['measure' => 'spinRpm', 'unit' => 'rpm'],
    ],
    'keepSummaryRows' => false, 'keepRepeats' => true,
];

const SPEED = ['value' => '150', 'unit' => 'mph'];

dataset('writes', [
    'a fitting' => [
        'POST', 'api/fittings',
        ['name' => 'N', 'hand' => 'left', 'units' => ['speed' => 'mph', 'distance' => 'yd', 'height' => 'ft', 'length' => 'in']],
    ],
    'a change of a fitting' => [
        'PATCH', 'api/fittings/{fitting}',
        [
            'version' => '{version}', 'benchmarkSetupId' => '{setup}', 'screening' => 'best 4 of 5',
            'tieOrder' => ['price', 'apex'], 'asksRatings' => false,
        ],
    ],
    'a brief' => [
        'PATCH', 'api/fittings/{fitting}/brief',
        [
            'version' => '{version}', 'why' => 'asked',
            'brief' => [
                'wish' => 'w', 'carryM' => ['value' => '230', 'unit' => 'yd'], 'wants' => [Brief::LISTS['wants'][0]],
                'scoring' => 'own weights', 'weights' => ['carry' => '2', 'height' => 1],
                'corridor' => [
                    'widthM' => ['value' => '30', 'unit' => 'm'],
                    'left' => ['kind' => 'water', 'atM' => ['value' => '20', 'unit' => 'yd']],
                ],
            ],
        ],
    ],
    'an outlook' => [
        'POST', 'api/fittings/{fitting}/brief/outlook', ['brief' => ['clubSpeedMps' => ['value' => '95', 'unit' => 'mph']]],
    ],
    'a trial' => ['POST', 'api/fittings/{fitting}/trials', ['setupId' => '{setup}', 'kind' => 'warm-up']],
    'a blind trial' => [
        'POST', 'api/fittings/{fitting}/blind', ['setupIds' => ['{setup}', '{other}'], 'rounds' => 1, 'shotsEach' => 2],
    ],
    'a described setup' => [
        'POST', 'api/fittings/{fitting}/setups',
        [
            'head' => 'H', 'statedLoftDeg' => '10,5', 'measuredLoftDeg' => '10', 'length' => ['value' => '45', 'unit' => 'in'],
            'branchedFromId' => '{setup}', 'note' => 'n',
        ],
    ],
    'a setup of the rack' => [
        'POST', 'api/fittings/{fitting}/setups',
        [
            'headId' => '{head}', 'sleeveLabel' => 'N', 'masses' => ['back' => '12', 'heel' => 4], 'shaftId' => '{shaft}',
            'gripId' => null, 'cue' => 'c',
        ],
    ],
    'a look at a setup' => [
        'POST', 'api/fittings/{fitting}/setups/preview',
        ['headId' => '{head}', 'sleeveLabel' => '+1.4', 'masses' => ['back' => 12]],
    ],
    'shots that are typed' => [
        'POST', 'api/fittings/{fitting}/shots',
        [
            'setupId' => '{setup}',
            'shots' => [
                [
                    'clientId' => 'c', 'note' => 'n',
                    'values' => [
                        'ballSpeedMps' => SPEED, 'launchDeg' => ['value' => '12', 'unit' => 'deg'],
                        'spinRpm' => ['value' => '2400', 'unit' => 'rpm'],
                    ],
                ],
            ],
        ],
    ],
    'a hit of the simulated monitor' => [
        'POST', 'api/fittings/{fitting}/simulate', ['count' => 1, 'player' => 'steady', 'clubData' => true],
    ],
    'a shot left out' => [
        'PATCH', 'api/shots/{shot}',
        ['leftOut' => ['reason' => 'mishit', 'note' => 'n'], 'intent' => 'smooth', 'note' => 'n', 'was' => ''],
    ],
    'a setup on the shelf' => ['PATCH', 'api/setups/{other}/shelf', ['shelf' => 'parked', 'reason' => 'r', 'starred' => true]],
    'a trial’s note' => ['PATCH', 'api/trials/{trial}', ['note' => 'n', 'was' => '', 'ratingSkipped' => true]],
    'a rating' => ['POST', 'api/trials/{trial}/ratings', ['kind' => 'feel', 'stars' => 4]],
    'a confirm run' => ['POST', 'api/fittings/{fitting}/confirm', ['setupId' => '{other}', 'shotsEach' => 5, 'rested' => true]],
    'a decision' => ['POST', 'api/fittings/{fitting}/decisions', ['setupId' => '{setup}', 'reason' => 'r']],
    'a bay' => ['POST', 'api/bays', ['name' => 'Bay 9']],
    'a fitting into a bay' => ['PATCH', 'api/bays/{bay}', ['fittingId' => '{fitting}']],
    'a held shot put right' => [
        'PATCH', 'api/held/{held}', ['values' => ['ballSpeedMps' => SPEED, 'launchDeg' => 12, 'spinRpm' => 2400]],
    ],
    'a head' => [
        'POST', 'api/heads',
        [
            'label' => 'L', 'hand' => 'right', 'type' => 'middle', 'sleeveId' => '{sleeve}', 'statedLoftDeg' => '9', 'cgToeMm' => 1,
            'cgBackMm' => 30, 'cgUpMm' => -2, 'massG' => 200, 'inertiaGcm2' => [[2800, 0, 0], [0, 3300, 0], [0, 0, 4900]],
            'slots' => [
                ['name' => 'back', 'toeMm' => 0, 'backMm' => 104, 'upMm' => -12, 'fromG' => 2, 'toG' => 20, 'mayBeEmpty' => true],
                ['name' => 'heel', 'toeMm' => -30, 'backMm' => 60, 'upMm' => -12],
            ],
            'stockG' => [4, 8], 'standard' => ['back' => 8],
            'supply' => [
                'price' => 300, 'currency' => 'EUR', 'leadDays' => 3, 'lofts' => [9, 10.5], 'hands' => ['left'], 'inStock' => true,
            ],
        ],
    ],
    'a head’s weights' => [
        'POST', 'api/heads/{head}/weigh',
        ['masses' => ['back' => 12], 'shaftId' => '{shaft}', 'gripMassG' => 50, 'lengthMm' => 1143],
    ],
    'readings' => [
        'POST', 'api/heads/{head}/readings',
        [
            'values' => ['loftDeg' => ['10,1', 10.2, '10.0']], 'position' => 'N', 'readAs' => 'soled', 'way' => 'hand',
            'note' => 'n', 'confirm' => true,
        ],
    ],
    'a sleeve' => [
        'POST', 'api/sleeves',
        [
            'spec' => [
                'name' => 'S', 'kind' => 'single', 'tiltDeg' => 1, 'home' => 'N', 'printedFor' => 'squared',
                'positions' => [
                    ['label' => 'N', 'clockDeg' => 90],
                    ['label' => 'U', 'clockDeg' => 180, 'loftDeg' => 1, 'faceOpenDeg' => -1, 'lieDeg' => 0],
                ],
            ],
        ],
    ],
    'a sleeve’s check' => [
        'POST', 'api/sleeves/check',
        [
            'spec' => [
                'name' => 'S', 'kind' => 'rings', 'ringTiltsDeg' => [0.6, 0.6], 'home' => 'N',
                'positions' => [
                    ['label' => 'N', 'clocksDeg' => [90, 270]], ['label' => 'U', 'clocksDeg' => [90, 90], 'loftDeg' => 1.2],
                ],
            ],
            'loftDeg' => 10, 'lieDeg' => 58,
        ],
    ],
    'a shaft' => [
        'POST', 'api/parts',
        [
            'kind' => 'shaft', 'label' => 'Reed 60', 'data' => ['rawMassG' => 62, 'flex' => 'S', 'torqueDeg' => 3.5],
            'supply' => ['price' => '90', 'currency' => 'EUR', 'inStock' => false],
        ],
    ],
    'a launch file’s mapping' => ['POST', 'api/files/{file}/preview', ['map' => MAP]],
    'a launch file' => [
        'POST', 'api/files/{file}/confirm',
        ['map' => MAP, 'setupId' => '{setup}', 'tags' => [['tag' => '', 'setupId' => '{setup}']]],
    ],
]);

beforeEach(function (): void {
    $user = $this->practising();
    $fitting = $this->fitting($user);
    $setup = $this->addSetup($fitting);
    $other = $this->addSetup($fitting, ['head' => 'Other', 'stated_loft_deg' => 9]);
    foreach ([$setup, $other] as $s) {
        $this->type(
            $user, $fitting, $s, array_fill(0, 4, ['ballSpeedMps' => '150', 'launchDeg' => '12', 'spinRpm' => '2400']),
        )->assertCreated();
    }
    $head = $this->rackHead($user);
    $bay = $this->postJson('api/bays', ['name' => 'Bay 1'])->assertCreated()->json('id');
    $this->patchJson("api/bays/{$bay}", ['fittingId' => $fitting->id])->assertOk();
    $trial = $this->postJson("api/fittings/{$fitting->id}/trials", ['setupId' => $setup->id])
        ->assertCreated()->json('running.id');
    $this->ids = [
        'fitting' => $fitting->id, 'setup' => $setup->id, 'other' => $other->id, 'shot' => Shot::query()->value('id'),
        'head' => $head['id'], 'sleeve' => $head['sleeveId'], 'bay' => $bay, 'trial' => $trial,
        'shaft' => $this->postJson('api/parts', ['kind' => 'shaft', 'label' => 'Wren 55', 'data' => ['rawMassG' => 58]])
            ->assertCreated()->json('id'),
        'held' => HeldShot::query()->create([
            'studio_id' => $user->studio_id, 'bay_id' => $bay, 'fitting_id' => $fitting->id, 'trial_id' => $trial,
            'sender_id' => 'x', 'body' => ['id' => 'x', 'values' => []], 'reason' => 'x',
        ])->id,
        'file' => $this->postJson("api/fittings/{$fitting->id}/files", [
            'file' => UploadedFile::fake()->createWithContent('x.csv', "Ball Speed (mph),Launch,Spin\n151,12,2400\n"),
        ])
            ->assertCreated()->json('id'),
        'version' => $fitting->refresh()->version,
    ];
    $this->filled = function (mixed $value): mixed {
        return is_array($value)
            ? array_map($this->filled, $value)
            : (is_string($value) && preg_match('/^\{(\w+)\}$/', $value, $m)
                ? $this->ids[$m[1]]
                : $value);
    };
});

it('answers every mangled request with reason, and keeps what stands', function (string $method, string $uri, array $body): void {
    $uri = (string) preg_replace_callback('/\{(\w+)\}/', fn (array $m): string => (string) $this->ids[$m[1]], $uri);
    $body = ($this->filled)($body);
    $before = stock();
    $refused = 0;
    foreach (['as it should be' => $body, 'nothing at all' => []] + iterator_to_array(mangled($body)) as $what => $sent) {
        DB::beginTransaction();
        try {
            $answer = $this->json($method, $uri, $sent);
            $status = $answer->getStatusCode();
            $said =
                $answer->exception === null
                    ? ''
                    : $answer->exception->getMessage().
                        ' at '.
                        basename($answer->exception->getFile()).
                        ':'.
                        $answer->exception->getLine();
            expect($status)->toBeLessThan(500, "{$method} {$uri}: {$what}: {$said}");
            if ($status >= 400) {
                $refused++;
                expect((string) $answer->json('message'))->not->toBe('', "{$uri}: {$what}")
                    ->and(stock())->toBe($before, "{$uri}: {$what} was refused, but something changed");
            } else {
                expect($answer->json())->toBeArray("{$uri}: {$what}");
            }
            if ($what === 'as it should be') {
                expect($status)->toBeLessThan(300, "{$uri} as it should be: ".substr((string) $answer->getContent(), 0, 400));
            }
        } finally {
            DB::rollBack();
        }
    }
    expect($refused)->toBeGreaterThan(0);
})->with('writes');

it('takes a mangled file whole or not at all', function (string $uri, Closure $make): void {
    $before = stock();
    $refused = $taken = 0;
    foreach (['as it should be' => $make($this)] + iterator_to_array(mangled($make($this))) as $what => $file) {
        if ($what !== 'as it should be' && crc32($what) % 8 !== 0) {
            continue; // one in eight, always the same ones
        }
        DB::beginTransaction();
        try {
            $answer = $this->postJson($uri, [
                'keep' => true,
                'file' => UploadedFile::fake()->createWithContent(
                    'x.json', json_encode($file, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION),
                ),
            ]);
            expect($answer->getStatusCode())->toBeLessThan(
                500,
                "{$uri}: {$what}: ".
                    ($answer->exception?->getMessage() ?? '').
                    ' '.
                    basename((string) $answer->exception?->getFile()).
                    ':'.
                    $answer->exception?->getLine(),
            );
            $answer->getStatusCode() >= 400 ? $refused++ : $taken++;
            if ($what === 'as it should be') {
                $answer->assertSuccessful();
            }
            if ($answer->getStatusCode() >= 400) {
                expect((string) $answer->json('message'))->not->toBe('', $what)
                    ->and(stock())->toBe($before, "{$what} was refused, but something changed");
            }
        } finally {
            DB::rollBack();
        }
    }
    expect($refused)->toBeGreaterThan(25)->and($taken)->toBeGreaterThan(0);
})->with([
    'a fitting' => ['api/fittings/import', fn (): array => fittingFile(['shots' => array_slice(fittingFile()['shots'], 0, 2)])],
    'a rack' => ['api/rack/import', fn ($test): array => $test->getJson('api/rack.json')->json()],
]);
