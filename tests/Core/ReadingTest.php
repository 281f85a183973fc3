<?php

declare(strict_types=1);

use MintCarry\Core\Club\Hand;
use MintCarry\Core\Errors\InvalidInput;
use MintCarry\Core\Errors\UnreadableFile;
use MintCarry\Core\Flight\BallFlight;
use MintCarry\Core\Flight\Launch;
use MintCarry\Core\Launch\Cell;
use MintCarry\Core\Launch\ColumnGuess;
use MintCarry\Core\Launch\ColumnMap;
use MintCarry\Core\Launch\LaunchShot;
use MintCarry\Core\Launch\Measure;
use MintCarry\Core\Launch\ShotFile;
use MintCarry\Core\Launch\ShotRow;
use MintCarry\Core\Launch\TextFile;
use MintCarry\Core\Launch\TypedShot;

/** @return list<ShotRow> */
function readRows(string $bytes, Hand $hand = Hand::Right, ?callable $change = null): array
{
    $file = TextFile::read($bytes);
    $map = ColumnGuess::of($file)->toArray();
    $map = $change === null ? $map : $change($map);

    return (new ShotFile($file, ColumnMap::fromArray($map), $hand))->rows();
}

/** @return array<string, float> */
function firstShot(string $bytes, Hand $hand = Hand::Right, ?callable $change = null): array
{
    foreach (readRows($bytes, $hand, $change) as $row) {
        if ($row->kind === 'shot') {
            return $row->values;
        }
    }
    throw new RuntimeException('no shot was read');
}

const PLAIN = "Ball Speed (mph),Launch Angle,Spin Rate\n150.0,12.5,2450\n151,12.9,2500\n";

it('reads commas, semicolons and tabs alike', function (string $delimiter): void {
    expect(firstShot(str_replace(',', $delimiter, PLAIN)))->toEqualWithDelta(
        ['ballSpeedMps' => 67.056, 'launchDeg' => 12.5, 'spinRpm' => 2450.0], 1e-9,
    );
})->with([',', ';', "\t"]);

it('reads every encoding people save in', function (string $bytes, string $name): void {
    $text = TextFile::read($bytes);
    expect($text->encoding)->toContain($name)->and($text->rows[0][1][1])->toBe('Größe°');
})->with([
    'UTF-8 with mark' => ["\xEF\xBB\xBFa,Größe°\n1,2\n", 'UTF-8'], 'UTF-8' => ["a,Größe°\n1,2\n", 'UTF-8'],
    'UTF-16 with mark' => ["\xFF\xFE".mb_convert_encoding("a,Größe°\n1,2\n", 'UTF-16LE', 'UTF-8'), 'UTF-16'],
    'UTF-16 big end first' => [mb_convert_encoding("a,Größe°\n1,2\n", 'UTF-16BE', 'UTF-8'), 'UTF-16'],
    'Windows' => [mb_convert_encoding("a,Größe°\n1,2\n", 'Windows-1252', 'UTF-8'), 'Windows-1252'],
]);

it('refuses what is no table of text, and says what it is', function (string $bytes, string $says): void {
    expect(fn () => TextFile::read($bytes))->toThrow(UnreadableFile::class, $says);
})->with([
    'png' => ["\x89PNG\r\n\x1a\n....", 'picture (PNG)'],
    'jpeg' => ["\xFF\xD8\xFF\xE0", 'JPEG'],
    'workbook' => ["PK\x03\x04aaaa", 'workbook'],
    'pdf' => ['%PDF-1.7', 'PDF'],
    'nothing' => ['', 'empty'],
    'a mark alone' => ["\xEF\xBB\xBF \n", 'empty'],
    'binary' => ["a,b\x01\x02\x03", 'binary'],
    'too large' => [str_repeat('a,b', 5_000_000), '12 MB'],
    'too many rows' => [str_repeat("1,2\n", 20_100), '20,000'],
]);

it('takes a decimal comma or a thousands comma by what is plausible', function (string $cell, float $rpm): void {
    expect(firstShot("Ball Speed;Launch Angle;Spin Rate\n67,2;12,5;{$cell}\n68,1;11,5;{$cell}\n")['spinRpm'])->toBe($rpm);
})->with([
    ['2450', 2450.0],
    ['2,450', 2450.0],
    ['2.450', 2450.0],
    ['2 450', 2450.0],
    ["2'450", 2450.0],
    ['2.450,5', 2450.5],
    ['2,450.5', 2450.5],
    ["2\u{202F}450", 2450.0],
]);

it('lets the fitter overrule the decimal mark', function (): void {
    $overrule = function (array $map): array {
        $map['columns'][0]['decimalMark'] = '.';
        $map['columns'][0]['unit'] = 'mph';

        return $map;
    };
    $rows = readRows("Ball Speed;Launch Angle;Spin Rate\n150,5;12,5;2450\n", Hand::Right, $overrule);
    expect($rows[0]->kind)->toBe('bad')
        ->and($rows[0]->issues[0]->message)->toContain("'150,5' is not a number");
});

it('finds the header below other lines, and a units row under it', function (): void {
    $rows = readRows(
        "Session;12 March;\nPlayer;X;\nBall Speed;Launch;Spin;Carry\n[km/h];[deg];[rpm];[m]\n240,5;12,1;2400;205\nBall "
            ."Speed;Launch;Spin;Carry\n[km/h];[deg];[rpm];[m]\n241;12;2390;206\n",
    );
    expect(array_map(fn ($r) => $r->kind, $rows))->toBe(['shot', 'header', 'header', 'shot'])
        ->and($rows[0]->line)->toBe(5)
        ->and($rows[0]->values['ballSpeedMps'])->toEqualWithDelta(240.5 / 3.6, 1e-9)
        ->and($rows[0]->values['carryM'])->toBe(205.0);
});

it('guesses a unit that nobody wrote from what driver shots do', function (string $speed, float $mps): void {
    expect(firstShot("Ball Speed,Launch,Spin\n{$speed},12,2400\n")['ballSpeedMps'])->toEqualWithDelta($mps, 0.01);
})->with([['150', 67.06], ['67.1', 67.1], ['241', 66.94]]);

it('reads sides as people write them', function (string $cell, float $sideM): void {
    expect(firstShot("Ball Speed (mph);Launch;Spin;Side (m)\n150;12;2400;{$cell}\n")['sideM'])->toBe($sideM);
})->with([
    ['12.3 L', -12.3],
    ['L 12.3', -12.3],
    ['12.3L', -12.3],
    ['-12.3', -12.3],
    ["\u{2212}12.3", -12.3],
    ['12.3 R', 12.3],
    ['right 4', 4.0],
    ['+4', 4.0],
    ['0', 0.0],
]);

it('asks what a plus means: right, left or toward the toe', function (string $plus, Hand $hand, float $sideM): void {
    $say = function (array $map) use ($plus): array {
        $map['columns'][3]['plus'] = $plus;

        return $map;
    };
    expect(firstShot("Ball Speed (mph),Launch,Spin,Side (m)\n150,12,2400,7\n", $hand, $say)['sideM'])->toBe($sideM)
        ->and(firstShot("Ball Speed (mph),Launch,Spin,Side (m)\n150,12,2400,7 L\n", $hand, $say)['sideM'])->toBe(-7.0);
})->with([
    ['right', Hand::Right, 7.0],
    ['left', Hand::Right, -7.0],
    ['toe', Hand::Right, 7.0],
    ['toe', Hand::Left, -7.0],
    ['heel', Hand::Left, 7.0],
]);

it('reads smash as 1.45 and as 145', function (string $cell): void {
    expect(firstShot("Ball Speed (mph),Launch,Spin,Smash\n150,12,2400,{$cell}\n150,12,2410,{$cell}\n")['smash'])->toEqualWithDelta(
        1.45, 1e-9,
    );
})->with(['1.45', '145', '145 %']);

it('takes blanks, dashes and zeros that mean no reading for what they are', function (): void {
    $v = firstShot(
        "Ball Speed (mph),Launch,Spin,Club Speed (mph),Path,Face,Carry,Side\n150,12,2400,0,0,0,--,0\n151,12,2410,102,1.5,0,-,4 R\n",
    );
    expect($v)->not->toHaveKeys(['clubSpeedMps', 'pathDeg', 'faceDeg', 'carryM'])
        ->and($v['sideM'])->toBe(0.0);
    $straight = readRows("Ball Speed (mph),Launch,Spin,Club Speed (mph),Path\n150,12,2400,101,0\n151,12,2410,102,1.5\n")[0]->values;
    expect($straight['pathDeg'])->toBe(0.0);
    expect(firstShot("Ball Speed (mph),Launch,Spin,Path\n150,12,2400,0\n151,12,2410,0\n"))->not->toHaveKey('pathDeg');
});

it('leaves average and deviation rows out unless they are wanted', function (): void {
    $file = "No,Ball Speed (mph),Launch,Spin\n1,150,12,2400\n2,151,12,2410\nAverage,150.5,12,2405\nStd. Dev.,0.7,0,7\n";
    expect(array_map(fn ($r) => $r->kind, readRows($file)))->toBe(['shot', 'shot', 'summary', 'summary'])
        ->and(readRows($file, Hand::Right, fn ($m) => ['keepSummaryRows' => true] + $m)[2]->kind)->toBe('shot');
});

it('names the row and the cell it cannot read, and reads the rest', function (): void {
    $rows = readRows("Ball Speed (mph),Launch,Spin\n150,12,2400\n150,12,\"2,4OO\"\n=1+1,12,2400\n900,12,2400\n150,,2400\n");
    expect(array_map(fn ($r) => $r->kind, $rows))->toBe(['shot', 'bad', 'bad', 'bad', 'bad'])
        ->and($rows[1]->issues[0]->message)->toBe("spin rate '2,4OO' is not a number")
        ->and($rows[1]->line)->toBe(3)
        ->and($rows[2]->issues[0]->message)->toContain("'=1+1' is not a number")
        ->and($rows[3]->issues[0]->message)->toContain('cannot be')
        ->and($rows[4]->issues[0]->message)->toContain('Launch angle is missing');
});

it('takes back and side spin for spin and axis', function (): void {
    $v = firstShot("Ball Speed (mph),Launch,Back Spin,Side Spin\n150,12,2400,-420\n");
    expect($v['spinRpm'])->toEqualWithDelta(hypot(2400, 420), 1e-9)
        ->and($v['spinAxisDeg'])->toEqualWithDelta(rad2deg(atan2(-420, 2400)), 1e-9);
});

it('knows the same shot when it meets it again, also in other units', function (): void {
    $rows = readRows("Ball Speed (mph),Launch,Spin\n150,12,2400\n150,12,2400\n");
    expect($rows[1]->kind)->toBe('repeat')->and($rows[1]->issues[0]->message)->toContain('row 2');
    $kmh = firstShot("Ball Speed (km/h),Launch,Spin\n241.4,12,2400\n");
    expect(ShotRow::keyOf($kmh, null))->toBe(ShotRow::keyOf($rows[0]->values, null));
});

it('refuses a map without ball speed, launch or spin, and one measure twice', function (): void {
    expect(fn () => readRows("Carry,Side\n200,4\n"))
        ->toThrow(InvalidInput::class, 'ball speed, launch angle, spin rate')
        ->and(
            fn () => ColumnMap::fromArray([
                'columns' => [['measure' => 'carryM', 'unit' => 'm'], ['measure' => 'carryM', 'unit' => 'm']],
            ]),
        )
        ->toThrow(InvalidInput::class, 'both set to carry')
        ->and(fn () => ColumnMap::fromArray(['columns' => [['measure' => 'carryM', 'unit' => 'rpm']]]))
        ->toThrow(InvalidInput::class, 'needs a unit of length');
});

it('reads all the example files', function (string $name, int $shots, int $bad): void {
    $kinds = array_count_values(array_map(fn ($r) => $r->kind, readRows((string) file_get_contents(__DIR__."/../../examples/{$name}"))));
    expect($kinds['shot'])->toBe($shots)->and($kinds['bad'] ?? 0)->toBe($bad);
})->with([
    ['yards-own-club.csv', 9, 0],
    ['yards-new-head.csv', 8, 0],
    ['metric-semicolon-setup-column.csv', 13, 1],
    ['units-row-utf16.csv', 8, 0],
]);

it('computes what was not measured, and says so', function (): void {
    $shot = LaunchShot::of(['ballSpeedMps' => 67.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0, 'carryM' => 215.0], new BallFlight);
    expect($shot->measured)->toHaveKey('carryM')
        ->and($shot->computed)->toHaveKeys(['totalM', 'apexM', 'descentDeg'])->not->toHaveKey('carryM')
        ->and($shot->value(Measure::Total))->toBeGreaterThan(220.0)
        // Side is unknown, not zero, unless direction and axis, or side itself, were measured.
        ->and($shot->value(Measure::Side))->toBeNull()
        ->and(LaunchShot::of($shot->measured + ['directionDeg' => 1.0], new BallFlight)->value(Measure::Side))->toBeNull()
        ->and(LaunchShot::of($shot->measured + ['directionDeg' => 1.0, 'spinAxisDeg' => 5.0], new BallFlight)->value(Measure::Side))
        ->toBeGreaterThan(5.0);
});

it('flags the unlikely and refuses the impossible', function (array $values, bool $refused, string $says): void {
    $issues = LaunchShot::of($values + ['ballSpeedMps' => 67.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0], new BallFlight)->issues();
    expect($issues)->not->toBeEmpty()
        ->and($issues[0]->refused)->toBe($refused)
        ->and($issues[0]->message)->toContain($says);
})->with([
    [['spinRpm' => 9500.0], false, 'unlikely'], [['ballSpeedMps' => 200.0], true, 'cannot be'],
    [['launchDeg' => 70.0], true, 'cannot be'], [['clubSpeedMps' => 38.0], false, 'one of the two is wrong'],
    [['carryM' => 300.0], false, 'this launch flies about'], [['carryM' => 210.0, 'totalM' => 180.0], false, 'swapped'],
]);

it('reads typed values by the same rules', function (): void {
    [$values, $issues] = TypedShot::read(
        [
            'ballSpeedMps' => ['value' => '150,5', 'unit' => 'mph'], 'launchDeg' => ['value' => '12', 'unit' => 'deg'],
            'spinRpm' => ['value' => '2,450', 'unit' => 'rpm'], 'sideM' => ['value' => '12 L', 'unit' => 'yd'],
        ],
        Hand::Left, new BallFlight,
    );
    expect($issues)->toBe([])
        ->and($values['ballSpeedMps'])->toEqualWithDelta(67.28, 0.01)
        ->and($values['spinRpm'])->toBe(2450.0)
        ->and($values['sideM'])->toEqualWithDelta(-10.97, 0.01);
    [, $wrong] = TypedShot::read(
        ['ballSpeedMps' => ['value' => 'fast', 'unit' => 'mph'], 'nonsense' => ['value' => '1']], Hand::Right, new BallFlight,
    );
    expect(implode(' ', array_map(fn ($i) => $i->message, $wrong)))
        ->toContain("'fast' is not a number")->toContain("'nonsense' is not a measure");
});

it('tells digits, sign, side and unit of a cell apart', function (string $text, ?string $digits, bool $negative, ?string $side): void {
    $cell = Cell::parse($text);
    expect([$cell->digits, $cell->negative, $cell->side])->toBe([$digits, $negative, $side]);
})->with([
    ['5 heel', '5', false, 'heel'],
    ['toe 3', '3', false, 'toe'],
    ['165.2 mph', '165.2', false, null],
    ['12°', '12', false, null],
    ['C', '0', false, null],
    ['abc', null, false, null],
    ['12 apples', null, false, null],
    ['-', null, false, null],
]);

it('keeps a measured carry and side, and lets only the run be the model’s', function (): void {
    $ball = ['ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0, 'directionDeg' => 1.5, 'spinAxisDeg' => 6.0];
    $model = (new BallFlight)->fly(new Launch(66.0, 12.0, 2500.0, 1.5, 6.0));
    $flown = LaunchShot::of($ball, new BallFlight);
    $measured = LaunchShot::of($ball + ['carryM' => 190.0, 'sideM' => -7.0], new BallFlight);
    expect($flown->value(Measure::TotalSide))->toEqualWithDelta($model->totalSideM, 1e-9)
        ->and($model->totalSideM)->toBeGreaterThan($model->sideM + 0.5)
        ->and($measured->value(Measure::TotalSide))->toEqualWithDelta(-7.0 + $model->totalSideM - $model->sideM, 1e-9)
        ->and($measured->value(Measure::Total))->toEqualWithDelta(190.0 + $model->runM(), 1e-9)
        ->and($measured->value(Measure::Curve))->toEqualWithDelta($model->curveM, 1e-9);
    $mirrored = LaunchShot::of(['directionDeg' => -1.5, 'spinAxisDeg' => -6.0, 'sideM' => 7.0, 'carryM' => 190.0] + $ball, new BallFlight);
    expect($mirrored->value(Measure::TotalSide))->toEqualWithDelta(-$measured->value(Measure::TotalSide), 1e-9);
    // Without direction and axis there is a curve only where side, direction and carry tell it.
    $plain = ['ballSpeedMps' => 66.0, 'launchDeg' => 12.0, 'spinRpm' => 2500.0, 'directionDeg' => 2.0, 'sideM' => 3.0, 'carryM' => 200.0];
    expect(LaunchShot::of($plain, new BallFlight)->value(Measure::Curve))->toEqualWithDelta(3.0 - 200.0 * tan(deg2rad(2.0)), 1e-9)
        ->and(LaunchShot::of(array_diff_key($plain, ['sideM' => 0]), new BallFlight)->value(Measure::Curve))->toBeNull();
});

it('takes a row for a summary only where the cell that names it is such a word', function (string $file, array $kinds): void {
    expect(array_map(fn ($r) => $r->kind, readRows($file)))->toBe($kinds);
})->with([
    'a note that begins with max' => ["Shot,Ball Speed (mph),Launch,Spin,Note\n1,148,12,2400,max effort\n2,150,12,2500,Median of the morning", ['shot', 'shot']],
    'a player called Max' => ["Player,Ball Speed (mph),Launch,Spin\nMax,148,12,2400\nMax Ode,150,12,2500\nMedia,149,12,2500", ['shot', 'shot', 'shot']],
    'a player called Max, behind the numbers' => ["Shot,Ball Speed (mph),Launch,Spin,Golfer\n1,148,12,2400,Max\n2,150,12,2500,Max", ['shot', 'shot']],
    'in the shot column' => ["Shot,Ball Speed (mph),Launch,Spin\n1,148,12,2400\nAverage,148,12,2400\nStd. Dev.,1,1,90\nMax:,150,13,2500", ['shot', 'summary', 'summary', 'summary']],
    'in the setup column' => ["Time,Club,Ball Speed (mph),Launch,Spin\n10:01,A,148,12,2400\n,mean,148,12,2400", ['shot', 'summary']],
    'German' => ["Nr.;Ball Speed (mph);Launch;Spin\n1;148;12;2400\nMittelwert;148;12;2400\nStd.Abw.;1;1;90\nSumme;2;2;2", ['shot', 'summary', 'summary', 'summary']],
    'French' => ["Coup;Ball Speed (mph);Launch;Spin\n1;148;12;2400\nMoyenne;148;12;2400\nÉcart-type;1;1;90\nMédiane;1;1;9", ['shot', 'summary', 'summary', 'summary']],
    'Spanish' => ["Golpe;Ball Speed (mph);Launch;Spin\n1;148;12;2400\nPromedio;148;12;2400\nDesviación estándar;1;1;90\nMáximo;1;1;9", ['shot', 'summary', 'summary', 'summary']],
    'Italian' => ["Colpo;Ball Speed (mph);Launch;Spin\n1;148;12;2400\nMedia;148;12;2400\nDeviazione standard;1;1;90\nMassimo;1;1;9", ['shot', 'summary', 'summary', 'summary']],
    'Dutch' => ["Slag;Ball Speed (mph);Launch;Spin\n1;148;12;2400\nGemiddelde;148;12;2400\nStandaardafwijking;1;1;90\nTotaal;1;1;9", ['shot', 'summary', 'summary', 'summary']],
    'bars between the cells' => ["Shot|Ball Speed (mph)|Launch|Spin\n1|148|12|2400\n2|149|12|2,500", ['shot', 'shot']],
]);

it('reads headers in the languages of its neighbours', function (string $header): void {
    [$row] = readRows("{$header}\nA;160,9;235,0;1,46;-1,2;2,5;12,4;1,8;2450;-3,5;215,0;232,0;7,5;29,0;38,5;6,4\n");
    expect($row->kind)->toBe('shot')->and($row->setupTag)->toBe('A')
        ->and($row->values['clubSpeedMps'])->toEqualWithDelta(160.9 / 3.6, 1e-6)
        ->and($row->values['ballSpeedMps'])->toEqualWithDelta(235 / 3.6, 1e-6)
        ->and($row->values)->toMatchArray([
            'attackDeg' => -1.2, 'pathDeg' => 2.5, 'launchDeg' => 12.4, 'directionDeg' => 1.8, 'spinRpm' => 2450.0, 'spinAxisDeg' => -3.5,
            'carryM' => 215.0, 'totalM' => 232.0, 'sideM' => 7.5, 'apexM' => 29.0, 'descentDeg' => 38.5, 'hangTimeS' => 6.4,
        ]);
})->with([
    'German' => 'Schläger;Schlägerkopfgeschwindigkeit (km/h);Ballgeschwindigkeit (km/h);Smash-Faktor;Eintreffwinkel;Schwungbahn;Abflugwinkel;'
        .'Abflugrichtung;Spinrate;Spinachse;Fluglänge (m);Gesamtlänge (m);Seitenabweichung (m);Scheitelhöhe (m);Landewinkel;Flugzeit',
    'French' => "Club;Vitesse de la tête (km/h);Vitesse de balle (km/h);Facteur de smash;Angle d'attaque;Chemin de club;Angle de lancement;"
        .'Direction de départ;Taux de spin;Axe de spin;Portée (m);Distance totale (m);Écart latéral (m);Hauteur max (m);Angle de descente;Temps de vol',
    'Spanish' => 'Palo;Velocidad del palo (km/h);Velocidad de la bola (km/h);Factor smash;Ángulo de ataque;Trayectoria;Ángulo de lanzamiento;'
        .'Dirección de salida;Spin;Eje de spin;Distancia de vuelo (m);Distancia total (m);Desviación lateral (m);Altura máxima (m);Ángulo de descenso;Tiempo de vuelo',
    'Italian' => 'Bastone;Velocità del bastone (km/h);Velocità della palla (km/h);Fattore smash;Angolo di attacco;Percorso;Angolo di lancio;'
        .'Direzione di lancio;Rotazione;Asse di spin;Distanza di volo (m);Distanza totale (m);Deviazione laterale (m);Altezza massima (m);Angolo di discesa;Tempo di volo',
    'Dutch' => 'Stok;Clubsnelheid (km/h);Balsnelheid (km/h);Smashfactor;Aanvalshoek;Clubpad;Lanceerhoek;Lanceerrichting;Spinsnelheid;Spinas;'
        .'Draagafstand (m);Totale afstand (m);Zijwaartse afwijking (m);Maximale hoogte (m);Landingshoek;Vluchttijd',
]);
