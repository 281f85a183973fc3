<?php

declare(strict_types=1);

use App\Access\Role;
use App\Data\Eraser;
use App\Data\Pruning;
use App\Live\ChangeSignal;
use App\Models\BinEntry;
use App\Models\Fitting;
use App\Models\HeldShot;
use App\Models\ImportFile;
use App\Models\Player;
use App\Models\RackHead;
use App\Models\Setup;
use App\Models\Shot;
use App\Models\Trial;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;

// Whose data they are: seen, taken along, thrown away, brought back, erased.

/** Words that are in nothing but what this person said or is called. */
const SECRET_WORDS = ['Quillon', 'Zephyrine', 'knee', 'sliced', 'aunt', 'sidecar'];

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->actingAs($this->user);
    $this->url = "api/fittings/{$this->case->id}";
    /** Fills a fitting with everything that may name a person. */
    $this->fill = function (): void {
        $this->patchJson($this->url, ['version' => 1, 'name' => 'Quillon Zephyrine'])->assertOk();
        $this->patchJson("{$this->url}/brief", ['version' => 2, 'brief' => ['wish' => 'my knee hurts', 'feel' => 'sliced by an aunt']])->assertOk();
        $this->patchJson("{$this->url}/brief", ['version' => 3, 'brief' => ['wish' => 'knee again'], 'why' => 'Zephyrine asked'])->assertOk();
        [$this->a, $this->b] = [$this->addSetup($this->case, ['note' => 'for Quillon']), $this->addSetup($this->case)];
        foreach ([$this->a, $this->b] as $setup) {
            $this->postJson("{$this->url}/trials", ['setupId' => $setup->id])->assertCreated();
            $this->hitAbout($this->user, $setup, n: 8);
        }
        $trial = Trial::query()->latest('id')->firstOrFail();
        $this->patchJson("api/trials/{$trial->id}", ['note' => 'sliced, aunt watching', 'was' => ''])->assertOk();
        $shot = Shot::query()->where('fitting_id', $this->case->id)->firstOrFail();
        $this->patchJson("api/shots/{$shot->id}", ['leftOut' => ['reason' => 'other', 'note' => 'knee']])->assertSuccessful();
        Shot::query()->whereKey($shot->id)->update(['beside' => '{"sidecar":"Quillon"}', 'note' => 'Zephyrine']);
        $file = $this->postJson("{$this->url}/files", [
            'file' => UploadedFile::fake()->createWithContent('Quillon.csv', "Ball Speed (mph),Launch,Spin,Note\n151,12,2400,knee\n"),
        ])->assertCreated();
        $this->postJson('api/files/'.$file->json('id').'/confirm', ['map' => $file->json('map'), 'setupId' => $this->a->id])->assertCreated();
        $bay = $this->postJson('api/bays', ['name' => 'Bay 9'])->json('id');
        HeldShot::query()->create([
            'studio_id' => $this->user->studio_id, 'bay_id' => $bay, 'fitting_id' => $this->case->id, 'sender_id' => 'x',
            'body' => ['who' => 'Quillon'], 'reason' => 'x',
        ]);
        $this->postJson("{$this->url}/decisions", ['setupId' => $this->b->id, 'reason' => 'Quillon’s knee'])->assertCreated();
        $decision = DB::table('decisions')->max('id');
        $this->postJson("api/decisions/{$decision}/lock", [])->assertOk();
        $this->patchJson("api/players/{$this->case->player_id}/consent", [
            'given' => true, 'text' => 'I, Quillon, agree', 'isMinor' => true, 'guardian' => 'an aunt',
        ])->assertOk();
        ChangeSignal::begin($this->case);
        $this->getJson($this->url)->assertOk();
    };
    /** All of the database but what says who works in the studio, as text. */
    $this->everything = fn (): string => collect(DB::select('SHOW TABLES'))->map(fn (object $t): string => array_values((array) $t)[0])
        ->reject(fn (string $t): bool => in_array($t, ['users', 'studios', 'migrations', 'cache'], true))
        ->map(fn (string $t): string => json_encode(
            DB::table($t)->get()->map(fn (object $r): array => array_map(
                fn (mixed $v): mixed => is_string($v) && ! mb_check_encoding($v, 'UTF-8') ? bin2hex($v) : $v, (array) $r,
            )), JSON_UNESCAPED_UNICODE,
        )." in {$t}")->implode("\n");
});

it('gives everything about a person in one file', function (): void {
    ($this->fill)();
    $answer = $this->get("api/data/players/{$this->case->player_id}/file")->assertOk();
    $text = (string) $answer->getContent();
    $file = json_decode($text, true, flags: JSON_THROW_ON_ERROR);
    foreach (SECRET_WORDS as $word) {
        expect(str_contains($text, $word) || str_contains(base64_decode($file['rows']['import_files'][0]['raw']), $word))
            ->toBeTrue($word);
    }
    expect($file['fittings'][0]['shots'])->toHaveCount(17)
        ->and($file['rows']['consents'][0])->toMatchArray(['guardian' => 'an aunt', 'taken_by' => $this->user->id])
        ->and($file['rows']['log_entries'])->not->toBe([])
        ->and($file['rows']['looks'])->not->toBe([]);
    expect($this->getJson('api/data/looks?exports=1')->json('0'))->toMatchArray(['what' => 'exported everything', 'by' => 'A fitter']);
});

it('erases a person from every corner, and keeps what was hit', function (): void {
    ($this->fill)();
    $figures = $this->getJson("{$this->url}/comparison")->assertOk()->json();
    $live = base_path('var/live/').ChangeSignal::key($this->case);
    $before = ($this->everything)();
    expect($before)->toContain('Quillon')->and(is_file($live))->toBeTrue();
    $erase = fn (string $name) => $this->postJson("api/data/players/{$this->case->player_id}/erase", ['name' => $name]);
    $erase('Somebody')->assertUnprocessable();
    expect(($this->everything)())->toContain('Quillon');
    $erase('Quillon Zephyrine')->assertOk()->assertJson(['erased' => true, 'keeps' => Eraser::STAYS]);
    $after = ($this->everything)();
    foreach (SECRET_WORDS as $word) {
        expect($after)->not->toContain($word);
    }
    expect(Shot::query()->count())->toBe(17)->and(Setup::query()->count())->toBe(2)->and(is_file($live))->toBeFalse();
    // Every screen of what is left opens, with the same figures.
    foreach (['', '/bay', '/shots', '/judging', '/judge', '/advice', '/grounds', '/schools', '/decisions', '/log', '/file', '/brief/changes', '/held'] as $what) {
        $this->getJson($this->url.$what)->assertOk();
    }
    $now = $this->getJson("{$this->url}/comparison")->assertOk()->json();
    expect($now['rows'] ?? $now['setups'] ?? $now)->toEqual($figures['rows'] ?? $figures['setups'] ?? $figures);
    $erase("Erased player {$this->case->player_id}")->assertOk()->assertJson(['erased' => false]);
});

it('erases again whom an older backup brought back', function (): void {
    ($this->fill)();
    app(Eraser::class)->erase($this->case->player_id, $this->user->id);
    DB::table('players')->where('id', $this->case->player_id)->update(['name' => 'Quillon Zephyrine', 'erased_at' => null]);
    $this->artisan('mint:erase', ['--again' => true])->assertSuccessful();
    expect(Player::query()->findOrFail($this->case->player_id)->name)->not->toContain('Quillon');
});

it('erases whom the studio keeps no longer, and nobody who was here since', function (): void {
    $this->putJson('api/studio/rules', ['retentionMonths' => 12])->assertOk()->assertJsonPath('retentionMonths', 12);
    $other = $this->fitting($this->user);
    DB::table('players')->update(['updated_at' => now()->subMonths(14)]);
    DB::table('fittings')->where('id', $this->case->id)->update(['updated_at' => now()->subMonths(13)]);
    $elsewhere = $this->fitting($this->fitter('Keeps all'));
    DB::table('players')->where('id', $elsewhere->player_id)->update(['updated_at' => now()->subYears(9)]);
    DB::table('fittings')->where('id', $elsewhere->id)->update(['updated_at' => now()->subYears(9)]);
    $this->artisan('mint:retain')->assertSuccessful();
    expect(Player::query()->pluck('erased_at', 'id')->map(fn ($at): bool => $at !== null)->all())->toBe([
        $this->case->player_id => true, $other->player_id => false, $elsewhere->player_id => false,
    ]);
});

it('throws a fitting, a player, a file and what stands on the rack away, and brings each back within a day', function (Closure $what): void {
    ($this->fill)();
    [$uri, $isThere] = $what->call($this);
    expect($isThere())->toBeTrue();
    $this->deleteJson($uri)->assertOk();
    expect($isThere())->toBeFalse();
    $entry = $this->getJson('api/bin')->assertOk()->json('0');
    $this->travel(23)->hours();
    $this->postJson("api/bin/{$entry['id']}/restore")->assertOk();
    expect($isThere())->toBeTrue()->and($this->getJson('api/bin')->json())->toBe([]);
    $this->postJson("api/bin/{$entry['id']}/restore")->assertUnprocessable();
    // Thrown away again, and a day later gone for good.
    $this->deleteJson($uri)->assertOk();
    $again = BinEntry::query()->latest('id')->firstOrFail();
    $this->travel(25)->hours();
    $this->postJson("api/bin/{$again->id}/restore")->assertUnprocessable();
    $this->artisan('mint:prune')->assertSuccessful();
    expect($isThere())->toBeFalse()->and($again->fresh()->emptied_at)->not->toBeNull();
})->with([
    'a fitting' => [fn (): array => [
        $this->url, fn (): bool => $this->getJson($this->url)->isOk() && count($this->getJson('api/fittings')->json()) === 1,
    ]],
    'a player' => [fn (): array => [
        "api/players/{$this->case->player_id}",
        fn (): bool => $this->getJson("api/players/{$this->case->player_id}")->isOk() && $this->getJson($this->url)->isOk(),
    ]],
    'a file' => [function (): array {
        $file = ImportFile::query()->firstOrFail()->id;

        return ["api/files/{$file}", fn (): bool => $this->get("api/files/{$file}/raw")->isOk() && Shot::query()->count() === 17];
    }],
    'a head' => [function (): array {
        $head = $this->rackHead($this->user)['id'];

        return ["api/heads/{$head}", fn (): bool => count($this->getJson('api/rack')->json('heads')) === 1];
    }],
    'a part' => [function (): array {
        $part = $this->postJson('api/parts', ['kind' => 'grip', 'label' => 'Soft', 'data' => ['massG' => 50]])->json('id');

        return ["api/parts/{$part}", fn (): bool => count($this->getJson('api/rack')->json('parts')) === 1];
    }],
]);

it('leaves nothing of a fitting behind that lay in the bin for a day, and nothing of any other is touched', function (): void {
    $other = $this->fitting($this->user);
    $this->hitAbout($this->user, $this->addSetup($other), n: 3);
    $kept = Shot::query()->count();
    ($this->fill)();
    $this->deleteJson("api/players/{$this->case->player_id}")->assertOk();
    $this->travel(25)->hours();
    $this->artisan('mint:prune')->assertSuccessful();
    $left = ($this->everything)();
    foreach (SECRET_WORDS as $word) {
        expect($left)->not->toContain($word);
    }
    expect(Shot::query()->count())->toBe($kept)->and(Fitting::withTrashed()->pluck('id')->all())->toBe([$other->id]);
});

it('shows nothing of a fitting that was thrown away: not its shots, its setups, nor its bay', function (): void {
    ($this->fill)();
    [$bay, $token] = $this->bay($this->user, $this->case);
    $this->deleteJson($this->url)->assertOk();
    $shot = Shot::query()->firstOrFail();
    $this->patchJson("api/shots/{$shot->id}", ['leftOut' => null])->assertNotFound();
    $this->patchJson("api/setups/{$this->a->id}", ['head' => 'x'])->assertNotFound();
    $this->patchJson("api/bays/{$bay}", ['fittingId' => $this->case->id])->assertUnprocessable();
    $answer = $this->postJson("api/bays/{$bay}/shots", [
        'id' => 'late', 'values' => ['ballSpeedMps' => 66, 'launchDeg' => 12, 'spinRpm' => 2400],
    ], ['Authorization' => "Bearer {$token}"]);
    expect($answer->json('results.0.status'))->toBe('held');
});

it('does not bring back what has its name taken by now', function (): void {
    $head = $this->rackHead($this->user)['id'];
    $this->deleteJson("api/heads/{$head}")->assertOk();
    $entry = $this->getJson('api/bin')->json('0.id');
    $this->rackHead($this->user);
    $this->postJson("api/bin/{$entry}/restore")->assertUnprocessable();
    expect(RackHead::query()->whereNull('retired_at')->count())->toBe(1);
});

it('takes a consent down with its words, a guardian for a minor, and keeps that it was taken back', function (): void {
    $url = "api/players/{$this->case->player_id}/consent";
    $this->patchJson($url, ['given' => true, 'text' => 'Words', 'isMinor' => true])->assertUnprocessable()
        ->assertJsonPath('errors.guardian.0', 'For a minor, a parent or guardian agrees: write their name.');
    $this->patchJson($url, ['given' => true, 'text' => 'Words', 'isMinor' => true, 'guardian' => 'M. Parent'])->assertOk()
        ->assertJsonPath('consents.0.guardian', 'M. Parent')->assertJsonPath('consents.0.withdrawnAt', null);
    $this->patchJson($url, ['given' => false])->assertOk();
    $consents = $this->getJson("api/players/{$this->case->player_id}")->json('consents');
    expect($consents)->toHaveCount(1)->and($consents[0]['withdrawnAt'])->not->toBeNull();
});

it('writes down who looked at a person, once a day, and each way of taking data out', function (): void {
    ($this->fill)();
    DB::table('looks')->delete();
    Illuminate\Support\Facades\Cache::store('array')->flush();
    foreach (range(1, 3) as $i) {
        $this->getJson($this->url)->assertOk();
    }
    $this->get("{$this->url}/shots.csv")->assertOk();
    $this->get("{$this->url}/file")->assertOk();
    $this->get('api/files/'.ImportFile::query()->firstOrFail()->id.'/raw')->assertOk();
    expect(DB::table('looks')->orderBy('id')->pluck('what')->all())
        ->toBe(['looked', 'exported the shots', 'exported the fitting', 'exported a launch file']);
    $this->travel(1)->days();
    $this->getJson($this->url)->assertOk();
    expect(DB::table('looks')->where('what', 'looked')->count())->toBe(2)
        ->and($this->getJson('api/data/looks?player='.$this->case->player_id)->json())->toHaveCount(5);
});

it('leaves people’s data to the owner', function (): void {
    $fitter = $this->fitter('Test studio', Role::Fitter);
    $fitter->update(['studio_id' => $this->user->studio_id]);
    $this->actingAs($fitter);
    foreach (['api/data', 'api/data/looks', "api/data/players/{$this->case->player_id}/file"] as $uri) {
        $this->getJson($uri)->assertForbidden();
    }
    $this->postJson("api/data/players/{$this->case->player_id}/erase", ['name' => 'P'])->assertForbidden();
});

it('prunes drafts, ended sessions, used links and old files, and nothing that is in use', function (): void {
    ($this->fill)();
    $this->postJson("{$this->url}/files", [
        'file' => UploadedFile::fake()->createWithContent('draft.csv', "Ball Speed (mph),Launch,Spin\n151,12,2400\n"),
    ])->assertCreated();
    $folder = base_path('var/live/');
    touch($folder.'old-one', time() - 86_400 * (Pruning::LIVE_DAYS + 1));
    $this->artisan('mint:prune')->assertSuccessful();
    expect(ImportFile::query()->pluck('state')->sort()->values()->all())->toBe(['draft', 'stored'])->and(is_file($folder.'old-one'))->toBeFalse();
    $this->travel(Pruning::DRAFT_DAYS + 1)->days();
    $this->artisan('mint:prune')->assertSuccessful();
    expect(ImportFile::query()->pluck('state')->all())->toBe(['stored'])->and(Shot::query()->count())->toBe(17);
});
