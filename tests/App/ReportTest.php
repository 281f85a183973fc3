<?php

declare(strict_types=1);

use App\Models\Decision;
use App\Models\PlayerLink;
use App\Models\Rating;
use App\Models\User;
use App\Reports\Drawing;
use App\Reports\ReportPictures;
use App\Reports\SquareCode;
use App\Words\Words;
use Database\Seeders\DemoSeeder;
use Illuminate\Support\Facades\Process;

// What a player takes home: on paper and on a phone. Read back with Debian's poppler.

/** A tool of poppler over the bytes of a PDF. */
function poppler(array $command, string $pdf): string
{
    $file = tempnam(sys_get_temp_dir(), 'pdf');
    file_put_contents((string) $file, $pdf);
    try {
        return Process::run([...$command, $file, ...($command[0] === 'pdftotext' ? ['-'] : [])])->throw()->output();
    } finally {
        unlink((string) $file);
    }
}

beforeEach(function (): void {
    app(DemoSeeder::class)->run();
    $this->owner = User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail();
    $this->actingAs($this->owner);
    // Imke: left-handed, in metres.
    $this->decision = Decision::query()->with(['fitting.player', 'setup'])->oldest('id')->firstOrFail();
    $this->url = "api/fittings/{$this->decision->fitting_id}";
    $this->pdf = fn (string $query = ''): string => (string) $this->get("{$this->url}/report.pdf{$query}")->assertOk()
        ->assertHeader('Content-Type', 'application/pdf')->getContent();
});

it('prints one page, on A4 and on Letter, in the shipped face, as text that can be selected', function (string $query, string $size, array $says): void {
    $pdf = ($this->pdf)($query);
    $info = poppler(['pdfinfo'], $pdf);
    $text = preg_replace('/\s+/', ' ', poppler(['pdftotext', '-layout'], $pdf));
    $fonts = poppler(['pdffonts'], $pdf);
    expect($info)->toMatch('/Pages:\s+1\n/')->and($info)->toContain($size)->and($fonts)->toContain('HankenGrotesk')->not->toContain('Helvetica')
        ->and(substr_count($fonts, ' yes yes yes '))->toBe(substr_count($fonts, 'SUB'));
    foreach ($says as $words) {
        expect($text)->toContain($words);
    }
})->with([
    ['', '595', ['Imke Dorsay: your driver', 'left-handed', 'metres farther', 'Fourteen drives', 'Three rounds, one minute each', 'reads 11.2°', '12 g back']],
    ['?paper=Letter&language=de', '612', ['Imke Dorsay: Ihr Driver', 'Linkshänder', 'Meter weiter', 'Vierzehn Abschläge', 'gemessen 11,2°', '12 g hinten', 'vorher']],
]);

it('tells the same figures as the decision that was saved', function (): void {
    $text = preg_replace('/\s+/', ' ', poppler(['pdftotext', '-layout'], ($this->pdf)()));
    $judged = collect($this->decision->advice['setups'])->keyBy('tag');
    $own = $judged['A'];
    $now = $judged[$this->decision->setup->tag];
    $spin = fn (array $j): string => (10 * round($j['flight']['spinRpm']['value'] / 10)).' rpm';
    // What was asked for comes first; launch, spin, height and descent stand beside what is wanted.
    expect($text)->toContain('+'.round($now['carryGainM']).' m')
        ->and($text)->toContain('You asked for a fade that holds')
        ->and($text)->toContain('You asked for more fairways: '.round(14 * $now['share']).' instead of '.round(14 * $own['share']).' of 14 fairways.')
        ->and($text)->toContain('Spin '.$spin($now))->and($text)->toContain('wanted')
        ->and($text)->toContain(round(100 * $now['chanceBetter']).' in 100');
});

it('draws in vectors: no picture of dots is in it', function (): void {
    $pdf = ($this->pdf)();
    expect(poppler(['pdfimages', '-list'], $pdf))->not->toMatch('/image\s+\d+\s+\d+/')->and(strlen($pdf))->toBeLessThan(200_000);
});

it('holds a code that opens the player’s rounds, made anew only where none is good', function (): void {
    ($this->pdf)();
    ($this->pdf)();
    $link = PlayerLink::query()->where('kind', 'rounds')->sole();
    $code = SquareCode::of("https://x.example{$link->path()}", 60, 'x');
    expect($code)->toBeInstanceOf(Drawing::class)->and(substr_count($code->svg(), '<rect'))->toBeGreaterThan(200);
    $this->deleteJson("api/players/{$link->player_id}/links/{$link->id}")->assertOk();
    ($this->pdf)();
    expect(PlayerLink::query()->where('kind', 'rounds')->count())->toBe(2);
});

it('prints the build page with every figure and its tolerance, and the order’s own where there is one', function (): void {
    $text = fn (): string => (string) preg_replace('/\s+/', ' ', poppler(['pdftotext', '-layout'], (string) $this->get("{$this->url}/build.pdf")->assertOk()->getContent()));
    foreach (['left-handed', 'Loft, on its sole', '± 0.5°', 'Length', '1143 mm (45.00 in)', '± 3 mm', 'Swing weight', 'Torque each screw', 'Eye protection', 'Epoxy', 'local rule'] as $words) {
        expect($text())->toContain($words);
    }
    $this->postJson("{$this->url}/orders", ['tolerances' => ['loftDeg' => 0.2]])->assertCreated();
    expect($text())->toContain('± 0.2°')->toContain('order ')
        ->and(poppler(['pdfinfo'], (string) $this->get("{$this->url}/build.pdf")->getContent()))->toMatch('/Pages:\s+1\n/');
});

it('keeps a name of sixty letters, what a player could write, and other alphabets on the page', function (): void {
    $this->decision->fitting->player->update(['name' => 'Łucja <script>alert(1)</script> Szczęśniak-Őrült & Daughters '.str_repeat('x', 12)]);
    $this->decision->update(['reason' => str_repeat('She trusts it & <b>says so</b>. ', 9)]);
    $pdf = ($this->pdf)();
    expect(poppler(['pdftotext', '-layout'], $pdf))->toContain('Łucja <script>alert(1)</script>')->toContain('Szczęśniak-Őrült')->toContain('<b>says so</b>')
        ->and(poppler(['pdffonts'], $pdf))->toContain('HankenGrotesk')->and(poppler(['pdfinfo'], $pdf))->toMatch('/Pages:\s+1\n/');
});

it('reaches no file and no address from what is written', function (): void {
    $this->decision->update(['reason' => '<img src="file:///etc/passwd"><img src="http://127.0.0.1:1/x"><link rel=stylesheet href="/etc/hosts">']);
    expect(poppler(['pdftotext', '-layout'], ($this->pdf)()))->toContain('<img src="file:///etc/passwd">')->not->toContain('root:x:');
});

it('opens on a phone by a link, without the fitter’s notes and steps, until it is ended', function (): void {
    Rating::query()->create([
        'studio_id' => $this->decision->studio_id, 'fitting_id' => $this->decision->fitting_id, 'setup_id' => $this->decision->setup_id,
        'trial_id' => $this->postJson("{$this->url}/trials", ['setupId' => $this->decision->setup_id])->assertCreated()->json('running.id'), 'kind' => 'feel', 'stars' => 4,
        'rated_by' => $this->owner->id,
    ]);
    $this->decision->setup->update(['note' => 'secret of the workshop']);
    $made = $this->postJson("api/players/{$this->decision->fitting->player_id}/links", ['kind' => 'report', 'fittingId' => $this->decision->fitting_id])->assertCreated();
    $token = basename($made->json('path'));
    $this->deleteJson('api/session');
    $seen = $this->postJson('api/for-player/look', ['token' => $token, 'language' => 'en'])->assertOk()->json('report');
    expect($seen['lead'])->toContain('metres farther')->and($seen['ratings'])->toBe('You gave it 4 of 5 for feel.')
        ->and(json_encode($seen))->not->toContain('secret of the workshop')->not->toContain('<script')
        ->and($seen['pictures']['flights'])->toStartWith('<svg xmlns')->and(simplexml_load_string($seen['pictures']['landing']))->not->toBeFalse();
    expect($this->postJson('api/for-player/look', ['token' => $token, 'language' => 'de'])->json('report.lead'))->toContain('Meter weiter');
    $pdf = $this->postJson('api/for-player/report.pdf', ['token' => $token, 'language' => 'de', 'paper' => 'Letter'])->assertOk();
    expect(poppler(['pdftotext', '-layout'], (string) $pdf->getContent()))->toContain('Ihr Driver');
    // A link for one thing opens no other.
    $this->postJson('api/for-player/rounds', ['token' => $token, 'key' => 'x-x-x-x-x', 'playedOn' => '2026-11-01', 'course' => 'x', 'club' => 'new', 'holes' => 14, 'hit' => 2, 'left' => 6, 'right' => 6, 'lost' => 0])
        ->assertUnprocessable()->assertJsonValidationErrors('token');
    $this->travel(401)->days();
    $this->postJson('api/for-player/report.pdf', ['token' => $token])->assertUnprocessable();
});

it('prints nothing before something was decided', function (): void {
    $empty = $this->fitting($this->owner);
    $this->getJson("api/fittings/{$empty->id}/report.pdf")->assertUnprocessable()->assertSee('Nothing was decided yet');
    $this->getJson("api/fittings/{$empty->id}/build.pdf")->assertUnprocessable();
    $this->getJson("{$this->url}/report.pdf?paper=A0")->assertUnprocessable();
});

it('draws no label of the flights on a curve or on the other, on paper, screen and phone', function (float $apexBefore, float $apexNow, float $carryNow): void {
    $arc = static fn (float $carry, float $apex): array => array_map(
        static fn (int $i): array => [$carry * $i / 40, 4 * $apex * ($i / 40) ** 1.4 * (1 - $i / 40) / 1.18], range(0, 40),
    );
    $side = static fn (float $carry, float $apex): array => [
        'flight' => $arc($carry, $apex), 'carryM' => $carry, 'totalM' => $carry + 12, 'apexM' => $apex, 'descentDeg' => 33.0,
    ];
    $report = ['isOwn' => false, 'before' => $side(190.0, $apexBefore), 'now' => $side($carryNow, $apexNow)];
    $units = ['distance' => 'm', 'speed' => 'km/h', 'height' => 'm', 'length' => 'mm'];
    foreach (Words::languages() as $language) {
        foreach ([[515, 122], [515, 61], [720, 190], [360, 170]] as [$w, $h]) {
            $svg = simplexml_load_string((new ReportPictures($report, Words::in($language), $units, 'left'))->flights($w, $h)->svg());
            $boxes = [];
            foreach ($svg->text as $text) {
                if (! str_contains((string) $text, '°')) {
                    continue;
                }
                $width = 5.0 * mb_strlen((string) $text);
                $left = (float) $text['x'] - ((string) $text['text-anchor'] === 'middle' ? $width / 2 : 0);
                $boxes[] = [$left, (float) $text['y'] - 8, $left + $width, (float) $text['y'] + 1];
            }
            expect($boxes)->toHaveCount(2);
            [$a, $b] = $boxes;
            expect($a[0] < $b[2] && $b[0] < $a[2] && $a[1] < $b[3] && $b[1] < $a[3])->toBeFalse("{$language} {$w}×{$h}: one label on the other");
            foreach ($svg->path as $path) {
                preg_match_all('/(-?[\d.]+) (-?[\d.]+)/', (string) $path['d'], $points);
                foreach ($points[1] as $i => $px) {
                    foreach ($boxes as [$l, $t, $r, $f]) {
                        expect((float) $px > $l && (float) $px < $r && (float) $points[2][$i] > $t && (float) $points[2][$i] < $f)
                            ->toBeFalse("{$language} {$w}×{$h}: a label on a curve");
                    }
                }
            }
        }
    }
})->with([[13.0, 20.0, 205.0], [20.0, 13.0, 205.0], [26.0, 27.0, 192.0], [30.0, 12.0, 170.0], [9.0, 34.0, 215.0], [24.0, 24.0, 190.0]]);
