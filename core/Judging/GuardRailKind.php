<?php

declare(strict_types=1);

namespace MintCarry\Core\Judging;

/**
 * What can make a comparison unfair. What it is, and what was done about it, stand in the message catalogue under `guardRail.`
 * and its value.
 */
enum GuardRailKind: string
{
    case FewShots = 'fewShots';
    case PrintedLoft = 'printedLoft';
    case TwoChanges = 'twoChanges';
    case OtherBall = 'otherBall';
    case NotTheirBall = 'notTheirBall';
    case RangeBall = 'rangeBall';
    case OtherTee = 'otherTee';
    case OtherVisit = 'otherVisit';
    case OtherConditions = 'otherConditions';
    case WindTakenOut = 'windTakenOut';
    case WindLeftIn = 'windLeftIn';
    case PlayerCompensating = 'playerCompensating';
    case LabelAndDataDisagree = 'labelAndDataDisagree';
    case SpeedFalling = 'speedFalling';
    case SpeedRising = 'speedRising';
    case MixedSpeeds = 'mixedSpeeds';
    case MonitorDisagrees = 'monitorDisagrees';
    case NotMeasured = 'notMeasured';
    case CarryOff = 'carryOff';
    case ToldOff = 'toldOff';
}
