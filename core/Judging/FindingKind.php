<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

/** What can be the matter with a setup's shots. The sentence of each stands in the message catalogue under `finding.` and its value. */
enum FindingKind: string
{
    case UsualMiss = 'usualMiss';
    case OffCgLine = 'offCgLine';
    case SmashLow = 'smashLow';
    case AttackDown = 'attackDown';
    case FaceToPath = 'faceToPath';
    case SpinTooHigh = 'spinTooHigh';
    case SpinTooLow = 'spinTooLow';
    case DescentTooSteep = 'descentTooSteep';
    case DescentTooShallow = 'descentTooShallow';
    case TwoWayMiss = 'twoWayMiss';
    case HiddenCurve = 'hiddenCurve';
    case StartsThere = 'startsThere';
    case CurvesThere = 'curvesThere';
    case DrawsToHeel = 'drawsToHeel';
    case DrawsToToe = 'drawsToToe';
}
