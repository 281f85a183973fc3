<?php

declare(strict_types=1);

namespace MintCarry\Core\Report;

/** Whether a purchase does more than adjusting the own club. */
enum WorthVerdict: string
{
    case More = 'more';
    case Less = 'less';
    case Open = 'open';
}
