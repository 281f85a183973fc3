<?php

declare(strict_types=1);

use App\Models\Fitting;
use App\Models\User;
use Database\Seeders\DemoSeeder;

// What the front end's types say is what the server answers: every field of an interface is there, and no field comes that no interface knows.

/** @return array<string, array<string, string>> fields and their types by interface */
function interfaces(): array
{
    $source = (string) file_get_contents(dirname(__DIR__, 2).'/resources/web/api/types.ts');
    preg_match_all('/export interface (\w+)(?: extends \w+)? \{\n(.*?)\n\}/s', $source, $found, PREG_SET_ORDER);
    $out = [];
    foreach ($found as [, $name, $body]) {
        preg_match_all('/^    (\w+)(\??): (.+?)(?:;|\{)?$/m', $body, $fields, PREG_SET_ORDER);
        foreach ($fields as [, $field, , $type]) {
            $out[$name][$field] = $type;
        }
    }

    return $out;
}

/** @param  array<string, mixed>  $answer */
function agree(string $interface, array $answer): void
{
    $fields = interfaces()[$interface];
    $given = array_keys($answer);
    sort($given);
    $wanted = array_keys($fields);
    sort($wanted);
    expect($given)->toBe($wanted, "{$interface}: the server's fields and those of types.ts");
    foreach ($fields as $field => $type) {
        $value = $answer[$field];
        if ($value === null) {
            expect(str_contains($type, 'null'))->toBeTrue("{$interface}.{$field} came as null");
        } elseif (preg_match('/^(number|string|boolean)(?: \| null)?$/', $type, $m) === 1) {
            expect(match ($m[1]) {
                'number' => is_int($value) || is_float($value), 'string' => is_string($value), default => is_bool($value)
            })->toBeTrue("{$interface}.{$field} is not a {$m[1]}");
        } elseif (str_ends_with($type, '[]')) {
            expect($value)->toBeArray();
        }
    }
}

beforeEach(function (): void {
    app(DemoSeeder::class)->run();
    $this->actingAs(User::query()->where('email', DemoSeeder::EMAIL)->firstOrFail());
    $this->decided = Fitting::query()->whereHas('decisions')->firstOrFail()->id;
});

it('answers a fitting and its parts as typed', function (): void {
    $fitting = $this->getJson("api/fittings/{$this->decided}")->assertOk()->json();
    agree('Fitting', $fitting);
    agree('Player', $fitting['player']);
    agree('UnitChoice', $fitting['player']['units']);
    agree('Setup', $fitting['setups'][0]);
    agree('Presented', $fitting['setups'][0]['playing']['squared']);
    agree('Decision', $fitting['decision']);
    $whole = $this->getJson("api/decisions/{$fitting['decision']['id']}")->assertOk()->json();
    agree('DecisionWithProof', array_diff_key($whole, $fitting['decision'])); // what it has beyond a Decision
    expect(array_diff_key($fitting['decision'], $whole))->toBe([]);
});

it('answers the day book and who is signed in as typed', function (): void {
    foreach ($this->getJson('api/fittings')->json() as $entry) {
        agree('DayBookEntry', $entry);
    }
    agree('SignedIn', $this->getJson('api/session')->json('user'));
});

it('answers shots as typed', function (): void {
    $shots = $this->getJson("api/fittings/{$this->decided}/shots")->json();
    expect(count($shots))->toBeGreaterThan(10);
    foreach ($shots as $shot) {
        agree('Shot', $shot);
    }
});

it('answers rack, head, outlook and bay as typed', function (): void {
    $rack = $this->getJson('api/rack')->assertOk()->json();
    agree('Rack', $rack);
    foreach ($rack['parts'] as $part) {
        agree('Part', $part);
    }
    foreach ($rack['heads'] as $head) {
        agree('RackHead', $head);
    }
    $detail = $this->getJson("api/heads/{$rack['heads'][0]['id']}")->json();
    expect(array_diff(array_keys($detail), [...array_keys(interfaces()['RackHead']), 'plane', 'faceMap', 'history']))->toBe([]);
    agree('Plane', $detail['plane']);
    agree('PlanePoint', $detail['plane']['mixed'][0]);
    agree('Weighed', $this->postJson("api/heads/{$rack['heads'][0]['id']}/weigh", ['masses' => (object) []])->json());
    $outlook = $this->postJson("api/fittings/{$this->decided}/brief/outlook", [])->json();
    agree('Outlook', $outlook);
    agree('RidgePoint', $outlook['ridge'][0]);
    agree('Field', $outlook['field']);
    agree('Brief', $this->getJson("api/fittings/{$this->decided}")->json('brief'));
    $fitting = Fitting::query()->findOrFail($this->decided);
    $bay = App\Models\Bay::query()->firstOrFail();
    $this->patchJson("api/bays/{$bay->id}", ['fittingId' => $this->decided])->assertOk();
    $this->postJson("api/fittings/{$this->decided}/trials", ['setupId' => $fitting->setups()->where('tag', 'B')->firstOrFail()->id])->assertCreated();
    $this->postJson("api/fittings/{$this->decided}/simulate", ['count' => 3, 'player' => 'steady'])->assertCreated();
    $view = $this->getJson("api/fittings/{$this->decided}/bay")->assertOk()->json();
    agree('BayView', $view);
    agree('Trial', $view['running']);
    agree('Bay', $view['bays'][0]);
    agree('Standing', $view['standing'][0]);
    agree('DriftPoint', $view['drift'][0]);
    agree('Shot', $view['shots'][0]);
});

it('answers comparison and advice as typed', function (): void {
    $comparison = $this->getJson("api/fittings/{$this->decided}/comparison")->json();
    agree('Comparison', $comparison);
    foreach ($comparison['rows'] as $row) {
        foreach ($row['cells'] as $cell) {
            agree('ComparisonCell', $cell);
            if ($cell['summary'] !== null) {
                agree('Summary', $cell['summary']);
            }
        }
    }
    $advice = $this->getJson("api/fittings/{$this->decided}/advice")->json();
    agree('Advice', $advice);
    foreach ($advice['setups'] as $setup) {
        agree('Judgement', $setup);
        agree('Interval', $setup['strokesInterval']);
    }
});

it('answers the grounds of a decision and a confirm run as typed', function (): void {
    $url = "api/fittings/{$this->decided}";
    $chosen = collect($this->getJson($url)->json('setups'))->firstWhere('tag', 'D')['id'];
    $this->postJson("{$url}/confirm", ['setupId' => $chosen, 'rested' => true])->assertCreated();
    $grounds = $this->getJson("{$url}/decide")->assertOk()->json();
    // Grounds are an advice with more.
    agree('Advice', array_intersect_key($grounds, interfaces()['Advice']));
    agree('Grounds', array_diff_key($grounds, interfaces()['Advice']));
    foreach ($grounds['schools']['rows'] as $row) {
        agree('SchoolRow', $row);
        agree('SchoolCell', $row['cells'][0]);
    }
    agree('Worth', $grounds['worth']);
    agree('TieBreak', $grounds['tieBreak']);
    array_map(fn (array $day) => agree('OtherDay', $day), $grounds['days']);
    agree('ConfirmRun', $grounds['confirm']);
    $found = $this->getJson("{$url}/finder")->json();
    agree('Found', $found);
    agree('FoundSetup', $found['setups'][0]);
});
