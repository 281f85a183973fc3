<?php

declare(strict_types=1);

namespace MintCarry\Core\Launch;

use MintCarry\Core\Units\Dimension;
use MintCarry\Core\Units\Unit;

/**
 * What a column of launch data can hold. The value is the stored field's name, with its unit.
 *
 * No `match` here has a default: a new measure must be answered for in each, or PHPStan and `MeasureTest` fail.
 */
enum Measure: string
{
    case ClubSpeed = 'clubSpeedMps';
    case BallSpeed = 'ballSpeedMps';
    case Smash = 'smash';
    case Attack = 'attackDeg';
    case Path = 'pathDeg';
    case Face = 'faceDeg';
    case FaceToPath = 'faceToPathDeg';
    case DynamicLoft = 'dynamicLoftDeg';
    case LaunchAngle = 'launchDeg';
    case Direction = 'directionDeg';
    case Spin = 'spinRpm';
    case BackSpin = 'backSpinRpm';
    case SideSpin = 'sideSpinRpm';
    case SpinAxis = 'spinAxisDeg';
    case Carry = 'carryM';
    case Total = 'totalM';
    case Side = 'sideM';
    case TotalSide = 'totalSideM';
    case Curve = 'curveM';
    case Apex = 'apexM';
    case Descent = 'descentDeg';
    case HangTime = 'hangTimeS';
    case StrikeToe = 'strikeToeMm';
    case StrikeHigh = 'strikeHighMm';
    case Time = 'hitAt';
    case SetupTag = 'setupTag';
    case Note = 'note';

    public function label(): string
    {
        return match ($this) {
            self::ClubSpeed => 'club speed', self::BallSpeed => 'ball speed', self::Smash => 'smash factor',
            self::Attack => 'attack angle', self::Path => 'club path', self::Face => 'face angle',
            self::FaceToPath => 'face to path', self::DynamicLoft => 'dynamic loft', self::LaunchAngle => 'launch angle',
            self::Direction => 'launch direction', self::Spin => 'spin rate', self::BackSpin => 'back spin',
            self::SideSpin => 'side spin', self::SpinAxis => 'spin axis', self::Carry => 'carry', self::Total => 'total',
            self::Side => 'side at carry', self::TotalSide => 'side at total', self::Curve => 'curve', self::Apex => 'apex',
            self::Descent => 'descent angle', self::HangTime => 'hang time', self::StrikeToe => 'strike toe/heel',
            self::StrikeHigh => 'strike high/low', self::Time => 'time', self::SetupTag => 'setup', self::Note => 'note',
        };
    }

    public function dimension(): Dimension
    {
        return match ($this) {
            self::ClubSpeed, self::BallSpeed => Dimension::Speed,
            self::Smash => Dimension::Ratio,
            self::Spin, self::BackSpin, self::SideSpin => Dimension::SpinRate,
            self::Carry, self::Total, self::Side, self::TotalSide, self::Curve, self::Apex, self::StrikeToe,
            self::StrikeHigh => Dimension::Length,
            self::HangTime => Dimension::Time,
            self::Time, self::SetupTag, self::Note => Dimension::Text,
            self::Attack, self::Path, self::Face, self::FaceToPath, self::DynamicLoft, self::LaunchAngle, self::Direction,
            self::SpinAxis, self::Descent => Dimension::Angle,
        };
    }

    /** The unit in which the value is kept. */
    public function unit(): ?Unit
    {
        return match ($this) {
            self::StrikeToe, self::StrikeHigh => Unit::Millimetres,
            default => match ($this->dimension()) {
                Dimension::Speed => Unit::MetresPerSecond,
                Dimension::Length => Unit::Metres,
                Dimension::Angle => Unit::Degrees,
                Dimension::SpinRate => Unit::RevolutionsPerMinute,
                Dimension::Time => Unit::Seconds,
                Dimension::Ratio => Unit::Ratio,
                Dimension::Text => null,
            },
        };
    }

    /**
     * Units that files use for this measure, likeliest first.
     *
     * @return list<Unit>
     */
    public function units(): array
    {
        return match ($this) {
            self::ClubSpeed, self::BallSpeed => [
                Unit::MilesPerHour, Unit::MetresPerSecond, Unit::KilometresPerHour, Unit::FeetPerSecond, Unit::Knots,
            ],
            self::Smash => [Unit::Ratio, Unit::Percent],
            self::Carry, self::Total => [Unit::Yards, Unit::Metres, Unit::Feet],
            self::Side, self::TotalSide, self::Curve => [Unit::Yards, Unit::Metres, Unit::Feet],
            self::Apex => [Unit::Feet, Unit::Metres, Unit::Yards],
            self::StrikeToe, self::StrikeHigh => [Unit::Millimetres, Unit::Centimetres, Unit::Inches],
            self::HangTime => [Unit::Seconds],
            self::Spin, self::BackSpin, self::SideSpin => [Unit::RevolutionsPerMinute],
            self::Time, self::SetupTag, self::Note => [],
            self::Attack, self::Path, self::Face, self::FaceToPath, self::DynamicLoft, self::LaunchAngle, self::Direction,
            self::SpinAxis, self::Descent => [Unit::Degrees, Unit::Radians],
        };
    }

    /**
     * What a plus can mean in a file. The first is what we keep (+ = right for the viewer; + = toe; + = high).
     *
     * @return list<string>
     */
    public function signs(): array
    {
        return match ($this) {
            self::Path, self::Face, self::FaceToPath, self::Direction, self::SpinAxis, self::SideSpin, self::Side, self::TotalSide,
            self::Curve => ['right', 'left', 'toe', 'heel'],
            self::StrikeToe => ['toe', 'heel'],
            self::StrikeHigh, self::Attack => ['up', 'down'],
            self::ClubSpeed, self::BallSpeed, self::Smash, self::DynamicLoft, self::LaunchAngle, self::Spin, self::BackSpin,
            self::Carry, self::Total, self::Apex, self::Descent, self::HangTime, self::Time, self::SetupTag, self::Note => [],
        };
    }

    /** Does a lone zero mean that the monitor read nothing? (Straight is a real reading; no speed is not.) */
    public function zeroMeansNoReading(): bool
    {
        return match ($this) {
            self::ClubSpeed, self::BallSpeed, self::Smash, self::DynamicLoft, self::Spin, self::BackSpin, self::Carry, self::Total,
            self::Apex, self::Descent, self::HangTime => true,
            self::Attack, self::Path, self::Face, self::FaceToPath, self::LaunchAngle, self::Direction, self::SideSpin, self::SpinAxis,
            self::Side, self::TotalSide, self::Curve, self::StrikeToe, self::StrikeHigh, self::Time, self::SetupTag, self::Note => false,
        };
    }

    /** Does wind move it? Then it is carried over to still air where a shot was hit outdoors (`LaunchShot`). */
    public function isOfFlight(): bool
    {
        return match ($this) {
            self::Carry, self::Total, self::Side, self::TotalSide, self::Curve, self::Apex, self::Descent, self::HangTime => true,
            self::ClubSpeed, self::BallSpeed, self::Smash, self::Attack, self::Path, self::Face, self::FaceToPath, self::DynamicLoft,
            self::LaunchAngle, self::Direction, self::Spin, self::BackSpin, self::SideSpin, self::SpinAxis, self::StrikeToe,
            self::StrikeHigh, self::Time, self::SetupTag, self::Note => false,
        };
    }

    /**
     * Where driver shots lie, in the kept unit, for guessing units and decimal marks.
     *
     * @return array{float, float}
     */
    public function plausible(): array
    {
        return match ($this) {
            self::ClubSpeed => [24.0, 62.0],
            self::BallSpeed => [35.0, 92.0],
            self::Smash => [1.1, 1.56],
            self::Spin, self::BackSpin => [700.0, 7000.0],
            self::SideSpin => [-2500.0, 2500.0],
            self::Carry => [90.0, 320.0],
            self::Total => [100.0, 350.0],
            self::Side, self::TotalSide, self::Curve => [-80.0, 80.0],
            self::Apex => [6.0, 60.0],
            self::LaunchAngle => [3.0, 25.0],
            self::DynamicLoft => [4.0, 30.0],
            self::Descent => [15.0, 60.0],
            self::HangTime => [2.5, 9.0],
            self::StrikeToe => [-40.0, 40.0],
            self::StrikeHigh => [-25.0, 25.0],
            self::Attack => [-12.0, 12.0],
            self::Path, self::Face, self::FaceToPath, self::Direction, self::SpinAxis, self::Time, self::SetupTag,
            self::Note => [-30.0, 30.0],
        };
    }

    /**
     * What no driver shot can have, in the kept unit: outside it a value is refused.
     *
     * @return array{float, float}
     */
    public function possible(): array
    {
        return match ($this) {
            self::ClubSpeed => [8.0, 75.0],
            self::BallSpeed => [10.0, 110.0],
            self::Smash => [0.4, 1.65],
            self::Spin, self::BackSpin => [1.0, 15000.0],
            self::SideSpin => [-10000.0, 10000.0],
            self::Carry, self::Total => [1.0, 450.0],
            self::Side, self::TotalSide, self::Curve => [-250.0, 250.0],
            self::Apex => [0.0, 110.0],
            self::LaunchAngle => [-20.0, 60.0],
            self::DynamicLoft => [-10.0, 45.0],
            self::Descent => [0.0, 89.0],
            self::HangTime => [0.1, 14.0],
            // Beyond a right angle it is topspin: a topped ball has it.
            self::SpinAxis => [-180.0, 180.0],
            self::StrikeToe => [-60.0, 60.0],
            self::StrikeHigh => [-35.0, 35.0],
            self::Attack => [-25.0, 25.0],
            self::Path, self::Face, self::FaceToPath, self::Direction, self::Time, self::SetupTag, self::Note => [-45.0, 45.0],
        };
    }

    /** @return list<self> the measures without which a shot cannot be judged */
    public static function required(): array
    {
        return [self::BallSpeed, self::LaunchAngle, self::Spin];
    }

    /** The measure that a column header names, or null. Units and punctuation have been taken out by the caller. */
    public static function fromHeader(string $words): ?self
    {
        $key = HeaderWords::folded($words);

        foreach (self::ALIASES as $pattern => $name) {
            if (preg_match('/^(?:'.$pattern.')$/', $key) === 1) {
                return self::from($name);
            }
        }

        return HeaderWords::measure($key);
    }

    /**
     * Header words, as a pattern over lower-case letters and single spaces. Order matters: the first that matches
     * wins.
     */
    private const ALIASES = [
        '(club|head|club head|clubhead|swing) (speed|velocity|spd|v)|chs|clubspeed|clubheadspeed|ch speed|club mps|schlaegerkopfgeschw\w*|clubspeedmps' => 'clubSpeedMps',
        'ball (speed|velocity|spd|v)|bs|ballspeed|ballspeedmps|initial (ball )?speed|v ball' => 'ballSpeedMps',
        'smash( factor| fac)?|smashfactor|efficiency|speed ratio' => 'smash',
        '(angle of attack|attack( angle| ang)?|aoa|attackangle|attackdeg|vertical path|a o a)' => 'attackDeg',
        '(club |swing )?path( angle)?|club ?path|horizontal path|in to out|pathdeg' => 'pathDeg',
        'face to path|ftp|face path|facetopath|face to path angle|facetopathdeg' => 'faceToPathDeg',
        '(club ?)?face( angle| to target| ang)?|face ?angle|facedeg|face target' => 'faceDeg',
        'dyn(amic)? loft|delivered loft|dynamicloft|dynloft|loft at impact|dynamicloftdeg' => 'dynamicLoftDeg',
        'launch dir(ection)?|(launch |start )?direction|start (line|dir|direction)|azimuth|horizontal (launch( angle)?|angle)|hla|side angle|directiondeg|launchdirection|h launch' => 'directionDeg',
        'launch( angle| ang)?|vertical (launch( angle)?|angle)|vla|launchangle|launchdeg|elevation|v launch|launch v' => 'launchDeg',
        'back ?spin( rate)?|backspinrpm' => 'backSpinRpm',
        'side ?spin( rate)?|sidespinrpm' => 'sideSpinRpm',
        '(spin )?axis( tilt)?|spin axis( angle)?|spinaxis|tilt( angle)?|axis angle|spinaxisdeg' => 'spinAxisDeg',
        '(total )?spin( rate| total)?|spinrate|spinrpm|backspin total' => 'spinRpm',
        'total side|side (at )?total|side total|offline total|total offline|totalsidem' => 'totalSideM',
        'side( at)?( carry| landing)?|carry side|lateral( carry)?|off ?line( carry)?|deviation|side carry|sidem|dispersion|carry offline|side dist(ance)?|side deviation' => 'sideM',
        'curve|curvature|shape|curvem' => 'curveM',
        'carry( distance| dist| length| flat)?|carrydistance|flight distance|carrym' => 'carryM',
        'total( distance| dist| length)?|totaldistance|distance|totalm' => 'totalM',
        'apex( height)?|(max |peak |maximum )?height|peak|max ht|apexm' => 'apexM',
        'descent( angle)?|landing angle|land angle|angle of descent|descentdeg|land ang|landing ang' => 'descentDeg',
        'hang( time)?|flight time|air time|hangtime|hangtimes' => 'hangTimeS',
        '(strike|impact|contact|hit|face)( location| point| position| pos| loc)? (toe|heel|toe heel|heel toe|x|h|horizontal|lateral|offset)|toe heel|heel toe|striketoemm|horizontal impact|impact offset|toe' => 'strikeToeMm',
        '(strike|impact|contact|hit|face)( location| point| position| pos| loc)? (high|low|high low|low high|y|v|vertical|height)|high low|strikehighmm|vertical impact|impact height|high' => 'strikeHighMm',
        'time|date|date time|timestamp|datetime|hit ?at|clock' => 'hitAt',
        'setup|set up|set|club( name| id)?|config(uration)?|tag|label|head|equipment|setting|setuptag' => 'setupTag',
        'note|notes|comment|comments|remark|remarks' => 'note',
    ];
}
