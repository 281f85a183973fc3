<?php

declare(strict_types=1);

use App\Models\ImportFile;
use App\Models\Shot;
use Illuminate\Http\UploadedFile;

// Launch data in workbooks, as spreadsheets save them: the same shots as from the same table as text.

beforeEach(function (): void {
    $this->user = $this->fitter();
    $this->case = $this->fitting($this->user);
    $this->a = $this->addSetup($this->case);
    $this->actingAs($this->user);
    $this->upload = fn (string $bytes, string $name) => $this->postJson("api/fittings/{$this->case->id}/files", [
        'file' => UploadedFile::fake()->createWithContent($name, $bytes),
    ]);
});

/** @param  array<string, string>  $parts  by name in the archive */
function zipOf(array $parts): string
{
    $path = (string) tempnam(sys_get_temp_dir(), 'mint');
    $zip = new ZipArchive;
    $zip->open($path, ZipArchive::OVERWRITE);
    foreach ($parts as $name => $text) {
        $zip->addFromString($name, $text);
    }
    $zip->close();
    $bytes = (string) file_get_contents($path);
    unlink($path);

    return $bytes;
}

/**
 * @param  list<list<string|float>>  $rows
 * @param  string  $more  rows of XML below them
 * @param  array<string, string>  $parts  of the archive besides
 */
function xlsxOf(array $rows, string $more = '', array $parts = []): string
{
    $cell = fn (int $r, int $c, string|float $v): string => is_string($v)
        ? sprintf('<c r="%s%d" t="inlineStr"><is><t>%s</t></is></c>', chr(65 + $c), $r + 1, htmlspecialchars($v))
        : sprintf('<c r="%s%d"><v>%s</v></c>', chr(65 + $c), $r + 1, json_encode($v));
    $xml = '';
    foreach ($rows as $r => $row) {
        $xml .= '<row r="'.($r + 1).'">'.implode('', array_map(fn (int $c): string => $cell($r, $c, $row[$c]), array_keys($row))).'</row>';
    }
    $main = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
    $office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
    $package = 'http://schemas.openxmlformats.org/package/2006';
    $sheet = fn (string $data): string => "<?xml version=\"1.0\"?><worksheet xmlns=\"{$main}\"><sheetData>{$data}</sheetData></worksheet>";

    return zipOf($parts + [
        '[Content_Types].xml' => "<?xml version=\"1.0\"?><Types xmlns=\"{$package}/content-types\"><Default Extension=\"rels\" "
            .'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>'
            .'<Override PartName="/xl/workbook.xml" ContentType="application/vnd.openxmlformats-officedocument.spreadsheetml.sheet.main+xml"/></Types>',
        '_rels/.rels' => "<?xml version=\"1.0\"?><Relationships xmlns=\"{$package}/relationships\"><Relationship Id=\"rId1\" "
            ."Type=\"{$office}/officeDocument\" Target=\"xl/workbook.xml\"/></Relationships>",
        'xl/workbook.xml' => "<?xml version=\"1.0\"?><workbook xmlns=\"{$main}\" xmlns:r=\"{$office}\"><sheets>"
            .'<sheet name="Cover" sheetId="1" r:id="rId1"/><sheet name="Shots" sheetId="2" r:id="rId2"/></sheets></workbook>',
        'xl/_rels/workbook.xml.rels' => "<?xml version=\"1.0\"?><Relationships xmlns=\"{$package}/relationships\">"
            ."<Relationship Id=\"rId1\" Type=\"{$office}/worksheet\" Target=\"worksheets/sheet1.xml\"/>"
            ."<Relationship Id=\"rId2\" Type=\"{$office}/worksheet\" Target=\"worksheets/sheet2.xml\"/></Relationships>",
        'xl/worksheets/sheet1.xml' => $sheet('<row r="1"><c r="A1" t="inlineStr"><is><t>A cover</t></is></c></row>'),
        'xl/worksheets/sheet2.xml' => $sheet($xml.$more),
    ]);
}

/**
 * @param  list<list<string|float>>  $rows
 * @param  string  $more  rows of XML below them
 */
function odsOf(array $rows, string $more = ''): string
{
    $cell = fn (string|float $v): string => is_string($v)
        ? '<table:table-cell office:value-type="string"><text:p>'.htmlspecialchars($v).'</text:p></table:table-cell>'
        : '<table:table-cell office:value-type="float" office:value="'.json_encode($v).'"><text:p>'.json_encode($v).'</text:p></table:table-cell>';
    $body = implode('', array_map(
        fn (array $row): string => '<table:table-row>'.implode('', array_map($cell, $row)).'</table:table-row>', $rows,
    ));
    $ns = 'urn:oasis:names:tc:opendocument:xmlns';

    return zipOf([
        'mimetype' => 'application/vnd.oasis.opendocument.spreadsheet',
        'META-INF/manifest.xml' => "<?xml version=\"1.0\"?><manifest:manifest xmlns:manifest=\"{$ns}:manifest:1.0\"/>",
        'meta.xml' => "<?xml version=\"1.0\"?><office:document-meta xmlns:office=\"{$ns}:office:1.0\"/>",
        'styles.xml' => "<?xml version=\"1.0\"?><office:document-styles xmlns:office=\"{$ns}:office:1.0\" "
            ."xmlns:table=\"{$ns}:table:1.0\" xmlns:text=\"{$ns}:text:1.0\" xmlns:style=\"{$ns}:style:1.0\"/>",
        'settings.xml' => "<?xml version=\"1.0\"?><office:document-settings xmlns:office=\"{$ns}:office:1.0\"/>",
        'content.xml' => "<?xml version=\"1.0\"?><office:document-content xmlns:office=\"{$ns}:office:1.0\" xmlns:table=\"{$ns}:table:1.0\" "
            ."xmlns:text=\"{$ns}:text:1.0\" office:version=\"1.2\"><office:body><office:spreadsheet><table:table table:name=\"Shots\">{$body}{$more}"
            .'</table:table></office:spreadsheet></office:body></office:document-content>',
    ]);
}

/** @return list<list<string|float>> */
function shotTable(): array
{
    return [
        ['Shot', 'Ball Speed (mph)', 'Launch Angle', 'Spin Rate', 'Carry (yds)', 'Side', 'Note'],
        [1.0, 148.25, 12.5, 2400.0, 231.0, '6 L', 'max effort'],
        [2.0, 150.0, 11.0, 2615.0, 236.5, '3 R', ''],
        ['Average', 149.1, 11.8, 2507.0, 233.8, '2 L', ''],
    ];
}

it('reads a workbook to the shots of the same table as text', function (string $bytes, string $name): void {
    $read = ($this->upload)($bytes, $name)->assertCreated();
    expect($read->json('counts'))->toMatchArray(['shot' => 2, 'summary' => 1, 'bad' => 0])
        ->and($read->json('encoding'))->toContain('Shots');
    $this->postJson("api/files/{$read->json('id')}/confirm", ['map' => $read->json('map'), 'setupId' => $this->a->id])
        ->assertCreated()->assertJson(['stored' => 2]);
    $shots = Shot::query()->where('fitting_id', $this->case->id)->orderBy('sequence')->get();
    expect($shots[0]->measured['ballSpeedMps'])->toEqualWithDelta(148.25 * 0.44704, 1e-9)
        ->and($shots[0]->measured['carryM'])->toEqualWithDelta(231 * 0.9144, 1e-9)
        ->and($shots[0]->measured['sideM'])->toEqualWithDelta(-6 * 0.9144, 1e-9)
        ->and($shots[0]->note)->toBe('max effort')
        ->and($shots[1]->measured['spinRpm'])->toEqual(2615);
    // It is kept as it came.
    $raw = $this->get("api/files/{$read->json('id')}/raw")->assertOk();
    expect($raw->getContent())->toBe($bytes)->and($raw->headers->get('Content-Disposition'))
        ->toEndWith(pathinfo($name, PATHINFO_EXTENSION).'"');
})->with([
    'XLSX' => [fn () => xlsxOf(shotTable()), 'day one.xlsx'],
    // A sheet is filled to its edge with nothing, and a formula has the value that was saved with it.
    'ODS that is filled up' => [fn () => odsOf(shotTable(), '<table:table-row table:number-rows-repeated="1048000"><table:table-cell table:number-columns-repeated="16384"/></table:table-row>'), 'x.ods'],
    'ODS' => [fn () => odsOf(shotTable()), 'day one.ods'],
]);

it('refuses what is no table, with what it is, and keeps nothing', function (string $bytes, string $says): void {
    expect(($this->upload)($bytes, 'x.xlsx')->assertUnprocessable()->json('message'))->toContain($says)
        ->and(ImportFile::query()->count())->toBe(0);
})->with([
    'another archive' => [fn () => zipOf(['readme.txt' => 'hello']), 'zip archive'],
    'a damaged one' => [fn () => substr(xlsxOf(shotTable()), 0, 200), 'damaged'],
    'an empty one' => [fn () => odsOf([['']]), 'empty'],
    'one that unpacks to a mountain' => [fn () => zipOf(['xl/workbook.xml' => '<a/>', 'xl/big.xml' => str_repeat(' ', 81_000_000)]), 'unpacks to'],
    'one of too many files' => [fn () => zipOf(['xl/workbook.xml' => '<a/>'] + array_fill_keys(array_map(fn (int $i): string => "x/{$i}", range(1, 1000)), '')), 'holds 1,001 files'],
    'one of too many texts' => [fn () => xlsxOf(shotTable(), '', ['xl/other.xml' => '<sst>'.str_repeat('<si/>', 200_001).'</sst>']), 'more different texts; up to 200,000'],
    'one of too many cells' => [fn () => xlsxOf(shotTable(), str_repeat('<row>'.str_repeat('<c/>', 1000).'</row>', 100)), 'more cells; up to 100,000'],
    'one of too many parts' => [fn () => xlsxOf(shotTable(), str_repeat('<x/>', 1_500_000)), 'more parts'],
    'one row repeated for ever' => [fn () => odsOf(shotTable(), '<table:table-row table:number-rows-repeated="1048576"><table:table-cell office:value-type="float" '
        .'office:value="1" table:number-columns-repeated="9"/></table:table-row>'), 'more cells; up to 20,000'],
    'entities' => [fn () => xlsxOf(shotTable(), '', ['_rels/.rels' => '<?xml version="1.0"?><!DOCTYPE a [<!ENTITY x SYSTEM "file:///etc/passwd">]><a>&x;</a>']), 'declares a document type'],
    'formulas that no program worked out' => [fn () => xlsxOf(shotTable(), '<row r="5"><c r="A5"><f>1+1</f></c><c r="B5"><f>2</f></c><c r="C5"><f>3</f></c><c r="D5"><f>4</f></c></row>'),
        'formula in A5, B5, C5 and 1 more'],
    'one whose parts are no XML' => [fn () => zipOf(['xl/workbook.xml' => 'no', '_rels/.rels' => 'no']), 'no sheet holds a table'],
]);

it('shows nothing of the inside of a library that trips over a workbook', function (): void {
    expect(($this->upload)(zipOf(['xl/workbook.xml' => '<a/>']), 'x.xlsx')->assertUnprocessable()->json('message'))
        ->toStartWith('This workbook is not put together')->not->toMatch('#zip://|/tmp|\.php|Undefined|array key#');
});
