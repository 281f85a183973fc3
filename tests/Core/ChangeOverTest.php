<?php

declare(strict_types=1);

use MintCarry\Core\Club\ChangeOver;
use MintCarry\Core\Club\ClubBuild;
use MintCarry\Core\Club\SetupParts;

/** @param  array<string, mixed>  $more  parts by name, those of the build among them */
function parts(array $more = []): SetupParts
{
    $of = $more + [
        'head' => 'Tern 460', 'sleeve' => 'N', 'masses' => ['back' => 12.0], 'weights' => '12 g back', 'shaft' => 'Reedline',
        'ball' => 'Mallow', 'teeMm' => 45.0, 'cue' => '', 'lengthMm' => null, 'grip' => '', 'points' => null,
    ];

    return new SetupParts(
        $of['head'], $of['sleeve'], $of['masses'], $of['weights'],
        new ClubBuild($of['shaft'], $of['lengthMm'], $of['ball'], $of['teeMm'], $of['cue']), $of['grip'], $of['points'],
    );
}

it('says nothing where nothing changes', function (): void {
    $over = ChangeOver::between(parts(), parts());
    expect($over->steps)->toBe([])->and($over->wrenchChanges)->toBe(0);
});

it('says each change once, in the order it is done, and to torque what was opened', function (): void {
    $over = ChangeOver::between(
        parts(),
        parts([
            'sleeve' => '−0.75', 'masses' => ['back' => 8.0, 'toe' => 4.0], 'weights' => '8 g back, 4 g toe',
            'shaft' => 'Saltmarsh', 'ball' => 'Mallow Two', 'teeMm' => 40.0,
        ]),
    );
    expect($over->steps)
        ->toBe([
            'Sleeve: from N to −0.75', 'Weights: 8 g for 12 g in back', 'Weights: 4 g into toe', 'Shaft: Saltmarsh',
            'Torque every screw to the maker’s click', 'Check the swing weight', 'Ball: Mallow Two', 'Tee: 40 mm',
        ])
        ->and($over->wrenchChanges)->toBe(4);
});

it('takes weights out before nothing takes their place', function (): void {
    expect(ChangeOver::between(parts(), parts(['masses' => ['heel' => 12.0], 'weights' => '12 g heel']))->steps)->toBe([
        'Weights: 12 g out of back', 'Weights: 12 g into heel', 'Torque every screw to the maker’s click',
    ]);
});

it('counts another head as one change with all that comes on it', function (): void {
    $over = ChangeOver::between(
        parts(),
        parts([
            'head' => 'Curlew L', 'sleeve' => 'FL', 'masses' => ['front' => 10.0], 'weights' => '10 g front',
            'shaft' => 'Saltmarsh',
        ]),
    );
    expect($over->steps)
        ->toBe([
            'Head: Curlew L, sleeve at FL, 10 g front', 'Shaft: Saltmarsh', 'Torque every screw to the maker’s click', 'Check the swing weight',
        ])
        ->and($over->wrenchChanges)->toBe(1);
});

it('begins from nothing in the hand', function (): void {
    expect(ChangeOver::between(null, parts())->steps[0])->toBe('Head: Tern 460, sleeve at N, 12 g back');
});

it('needs no wrench for ball, tee and cue', function (): void {
    $over = ChangeOver::between(parts(), parts(['ball' => '', 'cue' => 'ball forward', 'teeMm' => null]));
    expect($over->steps)->toBe(['Ball: none', 'Cue: ball forward'])->and($over->wrenchChanges)->toBe(0);
});

it('puts queued setups into the order of fewest wrench changes', function (): void {
    $up = parts(['sleeve' => '+0.75']);
    $heel = parts(['masses' => ['heel' => 12.0], 'weights' => '12 g heel']);
    $upHeel = parts(['sleeve' => '+0.75', 'masses' => ['heel' => 12.0], 'weights' => '12 g heel']);
    // From N with 12 g back: straight through costs 1 + 3 + 1; sleeve first, then weights, then sleeve back costs 1 + 2 + 1.
    [$order, $changes] = ChangeOver::order(parts(), [$up, $heel, $upHeel]);
    expect($order)->toBe([0, 2, 1])->and($changes)->toBe(4);
});

it('never does worse than the order given, however long the queue', function (int $count): void {
    $queue = array_map(
        fn (int $i): SetupParts => parts([
            'sleeve' => ['N', '+0.75', '−0.75'][$i % 3], 'masses' => $i % 2 ? ['heel' => 12.0] : ['back' => 12.0],
            'head' => $i % 5 === 4 ? 'Curlew L' : 'Tern 460',
        ]),
        range(0, $count - 1),
    );
    $given = 0;
    $at = parts();
    foreach ($queue as $to) {
        $given += ChangeOver::between($at, $to)->wrenchChanges;
        $at = $to;
    }
    [$order, $changes] = ChangeOver::order(parts(), $queue);
    expect($changes)->toBeLessThanOrEqual($given)
        ->and($order)->toHaveCount($count)
        ->and(array_unique($order))->toHaveCount($count);
})->with([1, 3, 6, 7, 12]);

it('has nothing to order in an empty queue', function (): void {
    expect(ChangeOver::order(parts(), []))->toBe([[], 0]);
});

it('knows length and grip, and has the swing weight checked wherever the club becomes another on the balance', function (): void {
    $from = parts(['lengthMm' => 1149.35, 'grip' => 'Round 58']);
    expect(ChangeOver::between($from, parts(['lengthMm' => 1136.65, 'grip' => 'Round 60', 'points' => 32.0]))->steps)->toBe([
        'Length: 44.75 in (1137 mm)', 'Grip: Round 60', 'Check the swing weight: D2',
    ])
        // Two readings of one length, a length or a grip that nobody told, and weight moved within the head change nothing on the balance.
        ->and(ChangeOver::between($from, parts(['lengthMm' => 1149.6, 'grip' => 'Round 58']))->steps)->toBe([])
        ->and(ChangeOver::between(parts(), parts(['lengthMm' => 1149.35]))->steps)->toBe([])
        ->and(ChangeOver::between(parts(), parts(['masses' => ['heel' => 12.0], 'weights' => '12 g heel']))->steps)
        ->not->toContain('Check the swing weight')
        ->and(ChangeOver::between(parts(), parts(['masses' => ['back' => 8.0], 'weights' => '8 g back']))->steps)
        ->toContain('Check the swing weight');
});
