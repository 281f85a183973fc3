<?php

declare(strict_types=1);

use App\Exchange\CsvCell;
use App\Models\ImportFile;
use App\Models\Shot;
use App\Models\User;
use Database\Seeders\DemoSeeder;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->a = $this->addSetup($this->case);
    $this->b = $this->addSetup($this->case, ['head' => 'Tern 460']);
    $this->actingAs($this->user);
    $this->upload = fn (string $bytes, string $name = 'shots.csv'): TestResponse => $this->postJson(
        "api/fittings/{$this->case->id}/files", ['file' => UploadedFile::fake()->createWithContent($name, $bytes)],
    );
});

it('stores nothing until it is confirmed, then shots, raw file and cells as typed', function (): void {
    $bytes = "Ball Speed (mph),Launch,Spin,Carry (yds)\n150.5,12.1,\"2,450\",231\n151,12.9,2500,--\n";
    $preview = ($this->upload)($bytes)->assertCreated();
    expect(Shot::query()->count())->toBe(0)
        ->and($preview->json('counts.shot'))->toBe(2)
        ->and($preview->json('map.columns.3.unit'))->toBe('yd');
    $id = $preview->json('id');
    $this->postJson("api/files/{$id}/confirm", ['map' => $preview->json('map')])->assertUnprocessable(); // with which setup?
    $this->postJson("api/files/{$id}/confirm", ['map' => $preview->json('map'), 'setupId' => $this->b->id])
        ->assertCreated()->assertJson(['stored' => 2, 'already' => 0]);
    $this->postJson("api/files/{$id}/confirm", ['map' => $preview->json('map'), 'setupId' => $this->b->id])->assertUnprocessable();
    $shot = Shot::query()->orderBy('sequence')->firstOrFail();
    expect($shot->typed)->toBe(['ballSpeedMps' => '150.5', 'launchDeg' => '12.1', 'spinRpm' => '2,450', 'carryM' => '231'])
        ->and($shot->line)->toBe(2)
        ->and($shot->setup_id)->toBe($this->b->id);
    expect($this->get("api/files/{$id}/raw")->assertOk()->getContent())->toBe($bytes);
});

it('recognises the same file and the same shots', function (): void {
    $bytes = "Ball Speed (mph),Launch,Spin\n150.5,12.1,2450\n151,12.9,2500\n";
    $first = ($this->upload)($bytes);
    $this->postJson("api/files/{$first->json('id')}/confirm", ['map' => $first->json('map'), 'setupId' => $this->a->id])->assertJson([
        'stored' => 2,
    ]);
    $again = ($this->upload)($bytes, 'copy.csv');
    expect($again->json('earlier.shots'))->toBe(2)->and($again->json('counts.already'))->toBe(2);
    $this->postJson("api/files/{$again->json('id')}/confirm", ['map' => $again->json('map'), 'setupId' => $this->a->id])->assertJson([
        'stored' => 0, 'already' => 2,
    ]);
    $more = ($this->upload)("Ball Speed (mph),Launch,Spin\n150.5,12.1,2450\n149,11.2,2410\n");
    $this->postJson("api/files/{$more->json('id')}/confirm", ['map' => $more->json('map'), 'setupId' => $this->a->id])->assertJson([
        'stored' => 1, 'already' => 1,
    ]);
    expect(Shot::query()->count())->toBe(3);
});

it('sends the shots of a setup column where they belong', function (): void {
    $preview = ($this->upload)("Setup,Ball Speed (mph),Launch,Spin\nA,150,12,2450\ntern 460,152,12,2300\ndriver x,151,13,2500\n");
    expect($preview->json('tags'))->toBe([
        ['tag' => 'A', 'shots' => 1, 'setupId' => $this->a->id, 'make' => false],
        ['tag' => 'tern 460', 'shots' => 1, 'setupId' => $this->b->id, 'make' => false],
        ['tag' => 'driver x', 'shots' => 1, 'setupId' => null, 'make' => false],
    ]);
    $this->postJson("api/files/{$preview->json('id')}/confirm", [
        'map' => $preview->json('map'), 'tags' => $preview->json('tags'),
    ])->assertJson(['stored' => 2]);
    expect($this->a->shots()->count())->toBe(1)
        ->and($this->b->shots()->count())->toBe(1);
});

it('remembers how this kind of file is read', function (): void {
    $bytes = fn (string $speed): string => "Club,Ball Speed,Launch,Spin,Offline\nx,{$speed},12,2450,4\n";
    $first = ($this->upload)($bytes('150'));
    $map = $first->json('map');
    $map['columns'][4] = ['measure' => 'sideM', 'unit' => 'm', 'decimalMark' => '.', 'plus' => 'left', 'zeroIsBlank' => false];
    $map['columns'][0]['measure'] = null;
    $this->postJson("api/files/{$first->json('id')}/preview", ['map' => $map])->assertOk()->assertJsonPath('shots.0.values.sideM', -4);
    $this->postJson("api/files/{$first->json('id')}/confirm", ['map' => $map, 'setupId' => $this->a->id])->assertCreated();
    $second = ($this->upload)($bytes('155'));
    expect($second->json('remembered'))->toBeTrue()
        ->and($second->json('map.columns.4.plus'))->toBe('left')
        ->and($second->json('map.columns.4.unit'))->toBe('m');
    // Another studio does not share it.
    $other = $this->fitter('Other');
    $this->actingAs($other);
    expect(
        $this->postJson("api/fittings/{$this->fitting($other)->id}/files", [
            'file' => UploadedFile::fake()->createWithContent('s.csv', $bytes('150')),
        ])->json('remembered'),
    )->toBeFalse();
});

it('answers bad files plainly and stores none of them', function (string $bytes, string $says): void {
    ($this->upload)($bytes)->assertUnprocessable()->assertJsonFragment(['message' => ($this->upload)($bytes)->json('message')]);
    expect(($this->upload)($bytes)->json('message'))->toContain($says)
        ->and(ImportFile::query()->count())->toBe(0);
})->with([
    'png' => ["\x89PNG\r\n\x1a\n0000", 'a picture (PNG)'],
    'nothing' => ['', 'empty'],
    'too large' => [str_repeat("aaaaaaaaa,bbbbbbbbb\n", 700_000), '12 MB'],
]);

it('reads twenty thousand rows, and refuses more', function (): void {
    $rows = fn (int $n): string => "Ball Speed (mph),Launch,Spin\n".
        implode(
            "\n",
            array_map(
                fn (int $i): string => 140 + ($i % 300) / 10 .','.(8 + ($i % 97) / 10).','.(1800 + ($i % 1201)), range(1, $n),
            ),
        );
    $preview = ($this->upload)($rows(20_000))->assertCreated();
    expect($preview->json('counts.shot') + $preview->json('counts.repeat'))->toBe(20_000);
    $this->postJson("api/files/{$preview->json('id')}/confirm", [
        'map' => $preview->json('map'), 'setupId' => $this->a->id,
    ])->assertCreated();
    expect(Shot::query()->count())->toBe($preview->json('counts.shot'));
    ($this->upload)($rows(20_200))->assertUnprocessable();
});

it('exports shots with formulas made harmless and numbers left numbers', function (): void {
    $preview = ($this->upload)("Ball Speed (mph),Launch,Spin,Side (m),Note\n150,12,2450,-12.3,=HYPERLINK(1)\n");
    $this->postJson("api/files/{$preview->json('id')}/confirm", [
        'map' => $preview->json('map'), 'setupId' => $this->a->id,
    ])->assertCreated();
    $csv = $this->get("api/fittings/{$this->case->id}/shots.csv")
        ->assertOk()->streamedContent();
    expect($csv)->toContain(',-12.3,')->toContain("'=HYPERLINK(1)")->not->toContain(',=');
    expect(CsvCell::safe('-12.3'))->toBe('-12.3')
        ->and(CsvCell::safe('+1'))->toBe('+1')
        ->and(CsvCell::safe('@x'))->toBe("'@x")
        ->and(CsvCell::safe('-cmd|x'))->toBe("'-cmd|x")
        ->and(CsvCell::safe("\t=1"))->toBe("'\t=1");
});

it('lets a draft be set aside, and keeps a stored file', function (): void {
    $draft = ($this->upload)("Ball Speed (mph),Launch,Spin\n150,12,2450\n")->json('id');
    $this->deleteJson("api/files/{$draft}")->assertOk();
    expect(ImportFile::query()->count())->toBe(0);
});

it('says what the map lacks, and which value is not one', function (): void {
    $preview = ($this->upload)("Carry (m),Side (m)\n200,4\n")->assertCreated();
    expect($preview->json('problem'))->toContain('ball speed, launch angle, spin rate');
    $this->postJson("api/files/{$preview->json('id')}/preview", ['map' => ['columns' => [['measure' => 'warp speed']]]])
        ->assertUnprocessable()->assertJsonPath('message', "'warp speed' is not a measure.");
});

it('makes the setups of a new fitting from the clubs that a file names, and asks once which is the own', function (): void {
    $new = $this->fitting($this->user);
    $bytes = "Club,Ball Speed (mph),Launch,Spin\nTern 460 9.5°,150,12.1,2450\nMy gamer,148,11.9,2900\nTern 460 9.5°,151,12.6,2400\n"
        ."B,152,13.0,2300\nMy gamer,149,12.2,2800\n";
    $preview = $this->postJson("api/fittings/{$new->id}/files", ['file' => UploadedFile::fake()->createWithContent('day.csv', $bytes)])
        ->assertCreated()->json();
    expect(array_column($preview['tags'], 'make', 'tag'))->toBe(['Tern 460 9.5°' => true, 'My gamer' => true, 'B' => true]);
    $confirm = fn (array $more): TestResponse => $this->postJson("api/files/{$preview['id']}/confirm", [
        'map' => $preview['map'], 'tags' => $preview['tags'],
    ] + $more);
    $confirm([])->assertUnprocessable()->assertJsonValidationErrors('own');
    expect($new->setups()->count())->toBe(0)->and(Shot::query()->count())->toBe(0);
    $confirm(['own' => 'My gamer'])->assertCreated()->assertJson(['stored' => 5, 'made' => 3]);
    $setups = $new->setups()->get();
    expect($setups->pluck('head', 'tag')->all())->toBe(['A' => 'My gamer', 'B' => 'Tern 460 9.5°', 'C' => 'Club B'])
        ->and($setups[0]->is_baseline)->toBeTrue()->and($setups[1]->stated_loft_deg)->toBe(9.5)
        ->and($setups[0]->note)->toContain('does not say its loft: 10.5° is taken')
        ->and($new->fresh()->benchmark_setup_id)->toBe($setups[0]->id)
        ->and(Shot::query()->where('setup_id', $setups[1]->id)->count())->toBe(2);
    $this->getJson("api/fittings/{$new->id}/grounds")->assertOk();
    // Another file of the same clubs finds them again, also the one that has another setup's letter for a name.
    $again = $this->postJson("api/fittings/{$new->id}/files", [
        'file' => UploadedFile::fake()->createWithContent('more.csv', "Club,Ball Speed (mph),Launch,Spin\nB,153,13.3,2310\nmy gamer,147,11,2950\n"),
    ])->json('tags');
    expect(array_column($again, 'setupId'))->toBe([$setups[2]->id, $setups[0]->id])->and(array_column($again, 'make'))->toBe([false, false]);
});

it('takes the head on the rack that is called as the file says, for this hand', function (): void {
    app(DemoSeeder::class)->run();
    $demo = User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail();
    $this->actingAs($demo);
    $new = $this->fitting($demo);
    $preview = $this->postJson("api/fittings/{$new->id}/files", [
        'file' => UploadedFile::fake()->createWithContent('r.csv', "Club,Ball Speed (mph),Launch,Spin\nown,150,12,2450\ntern 460,151,12,2400\n"),
    ])->json();
    $this->postJson("api/files/{$preview['id']}/confirm", ['map' => $preview['map'], 'tags' => $preview['tags'], 'own' => 'own'])
        ->assertCreated();
    $setup = $new->setups()->with('rackHead')->get()[1];
    expect($setup->head)->toBe('Tern 460')->and($setup->head_id)->not->toBeNull()
        ->and($setup->rackHead->hand)->toBe($new->player->hand)->and($setup->note)->toContain('as it comes is taken');
});

it('makes the own club of a file that names none, in a fitting without setups', function (): void {
    $new = $this->fitting($this->user);
    $preview = $this->postJson("api/fittings/{$new->id}/files", [
        'file' => UploadedFile::fake()->createWithContent('own.csv', "Ball Speed (mph),Launch,Spin\n150,12.1,2450\n"),
    ])->json();
    $this->postJson("api/files/{$preview['id']}/confirm", ['map' => $preview['map'], 'make' => 'Own club'])
        ->assertCreated()->assertJson(['stored' => 1, 'made' => 1]);
    expect($new->setups()->first())->toMatchArray(['tag' => 'A', 'head' => 'Own club', 'is_baseline' => true]);
});
