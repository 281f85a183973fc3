<?php

declare(strict_types=1);

use MintCarry\Core\Record\FittingFile;
use MintCarry\Core\Report\DecideReport;
use MintCarry\Core\Report\FinderReport;
use MintCarry\Core\Report\JudgingReport;

// Figures of what was hit do not move when something does that has nothing to do with it.

/** @return array<string, mixed> a fitting of the fixtures, as its file has it */
function fixtureFitting(string $name): array
{
    return FittingFile::parse((string) file_get_contents(__DIR__."/../fixtures/figures/{$name}.json"));
}

/**
 * What every screen says of the setups that were hit. What hitting next is worth and what a clairvoyant would gain are about the rack.
 *
 * @param  array<string, mixed>  $file
 * @return array<string, mixed>
 */
function toldOfHit(array $file): array
{
    $record = FittingFile::read($file);
    $plain = static fn (array $report): array => json_decode((string) json_encode($report, JSON_THROW_ON_ERROR), true);
    $decide = $plain(DecideReport::of($record));
    $finder = $plain(FinderReport::of($record));
    $judging = $plain(JudgingReport::of($record));
    $hit = array_values(array_filter($finder['setups'], static fn (array $s): bool => $s['tested']));
    usort($hit, static fn (array $a, array $b): int => $a['tag'] <=> $b['tag']);
    $ofRack = ['tied' => 0, 'price' => 0, 'currency' => 0, 'inStock' => 0, 'orderable' => 0, 'like' => 0, 'rackAt' => 0, 'head' => 0];

    return [
        'advice' => $decide['setups'], 'pick' => $decide['pick'], 'schools' => $decide['schools'], 'days' => $decide['days'],
        'finder' => array_map(static fn (array $s): array => array_diff_key($s, $ofRack), $hit), 'learned' => $finder['learned'],
        'verdicts' => array_column($judging['setups'], 'verdicts', 'tag'),
    ];
}

/** Every number of the one against the other's, to rounding. */
function sameToRounding(mixed $a, mixed $b, string $path = ''): array
{
    if (is_array($a) && is_array($b)) {
        $out = array_keys($a) === array_keys($b) ? [] : ["{$path}: other keys"];
        foreach (array_intersect_key($a, $b) as $key => $value) {
            $out = [...$out, ...sameToRounding($value, $b[$key], "{$path}.{$key}")];
        }

        return $out;
    }
    $isNumber = (is_int($a) || is_float($a)) && (is_int($b) || is_float($b));
    $isSame = $isNumber ? abs($a - $b) <= 1e-6 * max(1.0, abs($a)) : $a === $b;

    return $isSame ? [] : ["{$path}: ".json_encode($a).' became '.json_encode($b)];
}

it('moves no figure of what was hit for a head that nobody hit, wherever it lies on the rack', function (string $name, bool $first): void {
    $file = fixtureFitting($name);
    $new = ['label' => 'Bystander 9', 'hand' => $file['player']['hand'], 'type' => 'low-spin', 'statedLoftDeg' => 9, 'massG' => 199];
    $more = $file;
    $more['rack']['heads'] = $first ? [$new, ...$file['rack']['heads'] ?? []] : [...$file['rack']['heads'] ?? [], $new];
    expect(sameToRounding(toldOfHit($file), toldOfHit($more)))->toBe([]);
})->with(['right-handed-club-seen', 'left-handed-ball-alone'])->with([true, false]);

it('moves no figure for the order of the rack, nor for the names of its heads', function (string $name): void {
    $file = fixtureFitting($name);
    $turned = $file;
    $turned['rack']['heads'] = array_reverse($file['rack']['heads']);
    expect(sameToRounding(toldOfHit($file), toldOfHit($turned)))->toBe([]);
    // As a file brings them where another head of that name lies already.
    $renamed = $file;
    $as = static fn (string $label): string => "{$label} (2)";
    foreach ($renamed['rack']['heads'] as &$head) {
        $head['label'] = $as($head['label']);
    }
    foreach ($renamed['setups'] as &$setup) {
        $setup['head'] = ($setup['onRack'] ?? false) ? $as($setup['head']) : $setup['head'];
    }
    unset($head, $setup);
    expect(sameToRounding(toldOfHit($file), toldOfHit($renamed)))->toBe([]);
})->with(['right-handed-club-seen', 'left-handed-ball-alone']);

it('moves no figure from one seed to another', function (string $name): void {
    $file = fixtureFitting($name);
    expect(sameToRounding(toldOfHit($file), toldOfHit(['seed' => 987654] + $file)))->toBe([]);
})->with(['right-handed-club-seen', 'left-handed-ball-alone', 'carry-and-side-measured']);

it('judges the twin in the mirror as the player, to rounding', function (string $name): void {
    $file = fixtureFitting($name);
    $twin = $file;
    $other = $file['player']['hand'] === 'left' ? 'right' : 'left';
    $twin['player']['hand'] = $other;
    foreach ($twin['rack']['heads'] ?? [] as $i => $head) {
        $twin['rack']['heads'][$i]['hand'] = $other;
    }
    $mirrored = ['directionDeg', 'spinAxisDeg', 'sideM', 'totalSideM', 'curveM', 'pathDeg', 'faceDeg', 'faceToPathDeg', 'sideSpinRpm'];
    foreach ($twin['shots'] as $i => $shot) {
        foreach ($mirrored as $field) {
            if (isset($shot['measured'][$field])) {
                $twin['shots'][$i]['measured'][$field] = -$shot['measured'][$field];
            }
        }
    }
    $flip = ['left' => 'right', 'right' => 'left'];
    $corridor = $file['brief']['corridor'];
    $twin['brief'] = [
        'corridor' => ['left' => $corridor['right'], 'right' => $corridor['left']] + $corridor,
        'never' => array_map(fn (string $n): string => $flip[$n] ?? $n, $file['brief']['never'] ?? []),
        'startSide' => $flip[$file['brief']['startSide'] ?? 'any'] ?? $file['brief']['startSide'] ?? 'any',
        'miss' => $flip[$file['brief']['miss'] ?? 'unknown'] ?? $file['brief']['miss'] ?? 'unknown',
        'windFromDeg' => fmod(360 - ($file['brief']['windFromDeg'] ?? 0), 360),
    ] + $file['brief'];
    $mirror = function (mixed $told) use (&$mirror): mixed {
        if (! is_array($told)) {
            return $told;
        }
        $out = [];
        $isSided = in_array($told['figure'] ?? '', ['curveM', 'directionDeg'], true);
        foreach ($told as $key => $value) {
            $out[match ($key) {
                'leftShare' => 'rightShare', 'rightShare' => 'leftShare', default => $key,
            }] = match (true) {
                in_array($key, ['aimDeg', 'sideM', 'faceDeg', 'directionDeg', 'curveM'], true) && is_numeric($value) => -$value,
                $isSided && ($key === 'before' || $key === 'after') => -$value,
                $key === 'sideInterval' => ['low' => -$value['high'], 'high' => -$value['low']],
                $key === 'kind' && isset(['left' => 1, 'right' => 1][$value]) => ['left' => 'right', 'right' => 'left'][$value],
                $key === 'day' => strtr($value, ['left' => 'right', 'right' => 'left']),
                default => $mirror($value),
            };
        }

        return $out;
    };
    $told = $mirror(toldOfHit($twin));
    $byKind = static function (array $told): array {
        $days = array_column($told['days'], null, 'day');
        ksort($days);
        foreach ($told['advice'] as &$setup) {
            ksort($setup);
        }
        foreach ($told['finder'] as &$setup) {
            ksort($setup);
        }

        return ['days' => $days] + $told;
    };
    expect(sameToRounding($byKind(toldOfHit($file)), $byKind($told)))->toBe([]);
})->with(['right-handed-club-seen', 'left-handed-ball-alone', 'carry-and-side-measured']);
