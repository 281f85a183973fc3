<?php

declare(strict_types=1);

namespace MintCarry\Cli;

use RuntimeException;

/** Whoever read the answers has stopped reading: there is nobody left to write for. */
final class ReaderGone extends RuntimeException
{
}
