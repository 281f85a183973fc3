<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** A fitting, its player and its setups. Lengths m, speeds m/s, angles °; direction and side + = right. */
#[Shape('Presented', [
    'loftDeg' => 'number',
    'faceOpenDeg' => 'number',
    'lieDeg' => 'number',
])]
#[Shape('Setup', [
    'id' => 'integer',
    'tag' => 'string',
    'position' => 'integer',
    'isBaseline' => 'boolean',
    'branchedFromId' => 'integer | null',
    'head' => 'string',
    'statedLoftDeg' => 'number',
    'measuredLoftDeg' => 'number | null',
    'measuredLieDeg' => 'number | null',
    'measuredFaceOpenDeg' => 'number | null',
    'sleeveLabel' => 'string',
    'sleeveLoftDeg' => 'number | null',
    'sleeveFaceOpenDeg' => 'number | null',
    'sleeveLieDeg' => 'number | null',
    'weights' => 'string',
    'shaft' => 'string',
    'grip' => 'string',
    'lengthMm' => 'number | null',
    'lengthPlan' => 'LengthPlan | null',
    'ball' => 'string',
    'note' => 'string',
    'headId' => 'integer | null',
    'asItComes' => 'boolean',
    'masses' => 'Record<string, number> | null',
    'shaftId' => 'integer | null',
    'gripId' => 'integer | null',
    'ballId' => 'integer | null',
    'teeMm' => 'number | null',
    'cue' => 'string',
    // byStandIn: what is known of it was made up
    'playing' => '{ plays: Presented; squared: Presented; soled: Presented; lieAssumed: boolean; loftFromPrint: boolean; byStandIn: boolean }',
    'loftOffDeg' => 'number | null',
    'body' => '{ massG: number; cgToeMm: number; cgBackMm: number; cgUpMm: number; assumed: string[] } | null',
    'swingWeight' => '{ label: string; points: number; measured: boolean; source: string } | null',
    'warnings' => 'string[]',
    // '', parked or dropped
    'shelf' => 'string',
    'shelfReason' => 'string',
    'starred' => 'boolean',
    'shots' => 'integer',
    'counted' => 'integer',
    // of its shots, those that were made up
    'simulated' => 'integer',
])]
#[Shape('Missing', [
    'brief' => 'string',
    'bench' => 'string',
    'bay' => 'string',
    'answer' => 'string',
    'sheet' => 'string',
], about: 'What each step still needs; empty where nothing is missing.')]
#[Shape('Screening', [
    'name' => 'string',
    'label' => 'string',
    'warning' => 'string',
])]
#[Shape('TrialName', [
    'id' => 'integer',
    'number' => 'integer',
    'kind' => 'string',
    'tag' => 'string',
    'visit' => 'integer | null',
])]
#[Shape('EarlierFitting', [
    'id' => 'integer', 'at' => 'string', 'wish' => 'string', 'decided' => 'string | null',
    'clubs' => '{ id: integer; tag: string; name: string }[]',
], about: 'An earlier fitting of a player; its clubs with the one that was decided first.')]
#[Shape('KnownPlayer', [
    'id' => 'integer', 'name' => 'string', 'hand' => 'Hand', 'units' => 'UnitChoice', 'fittings' => 'EarlierFitting[]',
])]
#[Shape('Truth', [
    'player' => 'string', 'clubSpeedMps' => 'number', 'attackDeg' => 'number', 'pathDeg' => 'number', 'faceDeg' => 'number',
    'squares' => 'number', 'own' => 'string | null', 'pick' => 'string',
    'setups' => '{ tag: string; carryM: number; share: number }[]',
], about: 'Who a made-up player was, and what each setup that was hit truly does for them.')]
#[Shape('Fitting', [
    'id' => 'integer',
    'version' => 'integer',
    // the name of its live file
    'live' => 'string',
    // a made-up player hits, and nobody tells who
    'practice' => 'boolean',
    // how many earlier fittings it began with the memory of
    'remembered' => 'integer | null',
    'player' => 'Player',
    'brief' => 'Brief',
    // the brief's numbers as they were typed, by field with dots, as far as that is what stands
    'typed' => 'Record<string, { value: string; unit: string }>',
    // How far this player squares the face at address, 0 to 1.
    'squaringShare' => 'number',
    // the club that was ordered after it, and as it was built where it was taken
    'order' => '{ id: integer; standing: OrderStanding; built: ClubFigures | null } | null',
    // what the player said by link; null: nothing
    'intake' => 'PlayersWords | null',
    'briefAgreedAt' => 'string | null',
    'benchmarkSetupId' => 'integer | null',
    'createdAt' => 'string',
    'updatedAt' => 'string',
    'setups' => 'Setup[]',
    // what each is called among the others, by tag: its head, and just what differs
    'names' => 'Record<string, { head: string; loftDeg?: number; sleeve?: string; weights?: string; shaft?: string; lengthMm?: number; '
        .'grip?: string; ball?: string; teeMm?: number; cue?: string }>',
    // tags of setups whose head is for the other hand
    'wrongHand' => 'string[]',
    // of the same player, newest first
    'earlier' => 'EarlierFitting[]',
    'visits' => 'integer[]',
    'trials' => 'TrialName[]',
    // mean of what the player said, 1 to 5, by setup id and kind
    'ratings' => 'Record<string, Record<string, number>>',
    'unrated' => '{ trialId: integer; tag: string }[]',
    'screening' => 'Screening',
    'tieOrder' => 'string[]',
    'asksRatings' => 'boolean',
    'decision' => 'Decision | null',
    'missing' => 'Missing',
])]
#[Shape('DayBookEntry', [
    'id' => 'integer',
    'player' => 'Player',
    'wants' => 'string',
    'setups' => '{ tag: string; counted: integer }[]',
    // how many of its shots were made up
    'simulated' => 'integer',
    'decided' => 'string | null',
    // what became of the decision; null: nothing was ordered
    'order' => 'OrderStanding | null',
    'missing' => 'Missing',
    'updatedAt' => 'string',
])]
final class FittingShapes
{
}
