<?php

declare(strict_types=1);

namespace MintCarry\Core\Units;

enum Dimension: string
{
    case Speed = 'speed';
    case Length = 'length';
    case Angle = 'angle';
    case SpinRate = 'spin';
    case Time = 'time';
    case Ratio = 'ratio';
    case Text = 'text';
}
