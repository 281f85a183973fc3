<?php

declare(strict_types=1);

namespace App\Contract\Shapes;

use App\Contract\Shape;

/** What is around the hour in the bay: links for players, and what they send. */
#[Shape('PlayerLink', [
    'id' => 'integer',
    'kind' => "'intake' | 'report' | 'rounds'",
    'fittingId' => 'integer | null',
    'by' => 'string',
    'at' => 'string',
    'until' => 'string',
    'isGood' => 'boolean',
    'openedAt' => 'string | null',
    'usedAt' => 'string | null',
    // behind the address of this application; null: it is ended
    'path' => 'string | null',
])]
#[Shape('LinkPage', [
    'kind' => "'intake' | 'report' | 'rounds'",
    'studio' => 'string',
    'language' => 'string',
    'languages' => 'string[]',
    'units' => 'UnitChoice',
    'until' => 'string',
    // by the studio's calendar
    'today' => 'string',
    'intake?' => 'IntakePage',
    'rounds?' => 'RoundsPage',
    'report?' => 'ReportPage',
])]
#[Shape('IntakePage', [
    'isSent' => 'boolean',
    'mayAnswer' => 'boolean',
    'consentText' => 'string',
    'appointment' => '{ at: string; time: string; minutes: integer } | null',
])]
#[Shape('PlayersWords', [
    'at' => 'string',
    // fields of the brief, with dots, that still say what the player said
    'standing' => 'string[]',
    'course' => 'string',
    'club' => 'string',
    // when they agreed to what is kept; null: they did not
    'consentAt' => 'string | null',
    // of the fitter alone
    'pain' => 'string | null',
])]
#[Shape('OrderStanding', [
    'state' => 'OrderState',
    // empty: nothing is open
    'waitsFor' => 'string',
    'dueOn' => 'string | null',
    'isLate' => 'boolean',
])]
#[Shape('Order', [
    'id' => 'integer',
    'version' => 'integer',
    'fittingId' => 'integer',
    'player' => '{ id: integer; name: string; hand: Hand; units: UnitChoice }',
    'club' => 'string',
    'tag' => 'string',
    'sleeveLabel' => 'string',
    'lines' => '{ what: string; label: string; price: number | null }[]',
    'labour' => 'number',
    'total' => 'number',
    'currency' => 'string',
    'days' => 'integer | null',
    'note' => 'string',
    'why' => 'string',
    'next' => 'OrderState[]',
    'steps' => '{ state: string; at: string; by: string }[]',
    'figures' => 'ClubFigures',
    'tolerances' => 'Record<string, number>',
    'acceptances' => 'Acceptance[]',
], of: 'OrderStanding')]
#[Shape('ClubFigures', [
    'hand' => 'Hand',
    'loftDeg' => 'number | null',
    'lieDeg' => 'number | null',
    'faceOpenDeg' => 'number | null',
    'lengthMm' => 'number | null',
    'swingWeightPoints' => 'number | null',
    'massG' => 'number | null',
])]
#[Shape('Acceptance', [
    'id' => 'integer',
    'at' => 'string',
    'by' => 'string',
    'source' => 'string',
    'figures' => 'ClubFigures',
    'report' => 'AcceptanceReport',
    'acceptedAt' => 'string | null',
    'why' => 'string',
])]
#[Shape('AcceptanceReport', [
    'checks' => '{ name: string; ordered: number | null; delivered: number | null; tolerance: number; off: number | null; isWithin: boolean | null }[]',
    'isHandRight' => 'boolean',
    'isGood' => 'boolean',
    // what it does to this player's ball; null: nothing is out, or no model has anything to work from
    'effect' => 'Record<string, { value: number; interval: Interval }> | null',
    'turn' => '{ label: string; loftOffDeg: number; faceOffDeg: number } | null',
    'gramsAtHead' => 'number | null',
    'cutMm' => 'number | null',
    'sendBack' => 'boolean',
    // figures that nothing here mends; reports of before do not say
    'because?' => 'string[]',
])]
#[Shape('ReportPage', [
    'title' => 'string',
    'flight' => '{ name: string; before: string; now: string; wanted: string }[]',
    'fitted' => 'string',
    'lead' => 'string',
    'three' => '{ big: string; small: string; text: string }[]',
    'changes' => 'string[]',
    'gaveUp' => 'string',
    'ratings' => 'string',
    'reason' => 'string',
    'club' => '[string, string][]',
    'air' => 'string',
    'isMadeUp' => 'boolean',
    // vectors, made by the server of shapes and figures alone
    'pictures' => '{ flights: string; landing: string; club: string; fourteen: string }',
])]
#[Shape('BenchPlan', [
    // in the order to hit them
    'items' => '{ headId: integer | null; head: string; sleeve: string; masses: Record<string, number>; weights: string; why: string; missing: string[]; '
        .'inStock: boolean; leadDays: integer | null; price: number | null; currency: string; isTooDear: boolean; steps: string[]; wrenchChanges: integer }[]',
    'wrenchChanges' => 'integer',
    'swings' => 'integer',
    'budget' => 'number | null',
    // of the own club; null: it is not on the bench yet
    'own' => '{ missing: string[] } | null',
    // why there is nothing to lay out; empty where there is
    'nothing' => 'string',
])]
#[Shape('Ledger', [
    'counts' => '{ handedOver: integer; known: integer; kept: integer; broken: integer; notYet: integer; overruled: integer }',
    // shares of fairways; below 0 it was promised too much
    'bias' => '{ value: number; interval: Interval } | null',
    'chances' => '{ from: number; to: number; n: integer; told: number; shows: number; came: number; interval: Interval }[]',
    'heads' => '{ head: string; n: integer; value: number; interval: Interval }[]',
    'overruled' => '{ n: integer; value: number; interval: Interval } | null',
    'verdict' => "'counts only' | 'trust it' | 'too high' | 'too low'",
])]
#[Shape('MemoryEffect', [
    'effect' => 'string', 'without' => 'number', 'with' => 'number', 'verdict' => "'nearer' | 'farther' | 'open'",
])]
#[Shape('Season', [
    'months' => 'integer',
    'fittings' => 'integer',
    'decided' => 'integer',
    'keptOwn' => 'integer',
    'overruled' => 'integer',
    'ordered' => 'integer',
    'handedOver' => 'integer',
    'returned' => 'integer',
    'cancelled' => 'integer',
    // why clubs came back
    'why' => 'string[]',
    'heads' => '{ id: integer; label: string; hand: Hand; inStock: boolean; hit: integer; won: integer; ordered: integer; returned: integer }[]',
    'ledger' => 'Ledger',
    // what earlier fittings foretold of later ones; each figure is how far off, in the effect's unit
    'memory' => '{ fittings: integer; heads: integer; effects: MemoryEffect[] } | null',
])]
#[Shape('RoundsPage', [
    'told' => '{ playedOn: string; course: string; club: string }[]',
    'courses' => 'string[]',
])]
#[Shape('Round', [
    'id' => 'integer',
    'playedOn' => 'string',
    'course' => 'string',
    'club' => "'new' | 'before'",
    'holes' => 'integer',
    'hit' => 'integer',
    'left' => 'integer',
    'right' => 'integer',
    'lost' => 'integer',
    'drivesM' => 'number[]',
    'feel' => 'integer | null',
    'words' => 'string',
    // the studio wrote it down, or the player told it by link
    'byLink' => 'boolean',
])]
#[Shape('FollowUp', [
    // null: nothing was decided
    'promise' => '{ tag: string; own: string; isOverruled: boolean; keepsOwn: boolean; shareBefore: number | null; shareNow: number | null; carryGainM: number | null; '
        .'carryGain: Interval | null; chanceBetter: number | null; carryNowM: number | null } | null',
    'seen' => '{ fairways: Kept; against: string; now: { rounds: integer; drives: integer; hit: integer; left: integer; right: integer; lost: integer }; '
        .'share: Interval | null; before: { rounds: integer; drives: integer; hit: integer } | null; gain: Interval | null; difference: number | null; '
        .'error: number | null; promisedGain: number | null; '
        .'moreDrives: integer | null; miss: string | null; drivesM: number | null; measured: integer; feel: number | null; advice: string } | null',
    'rounds' => 'Round[]',
    'tweaks' => '{ kind: string; to: string; loftDeg: number; faceOpenDeg: number; masses: Record<string, number>; slots: Slot[]; effect: Record<string, { value: number; interval: Interval }> | null }[]',
    // what a new fitting starts from
    'refit' => '{ fittingId: integer; setupId: integer } | null',
])]
final class AroundShapes
{
}
