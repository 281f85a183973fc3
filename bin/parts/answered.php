<?php

declare(strict_types=1);

// Was every operation of docs/api.yaml answered by some test, whose answer was held against its schema? Usage: php
// bin/parts/answered.php FOLDER
$document = (string) file_get_contents(dirname(__DIR__, 2).'/docs/api.yaml');
preg_match_all('/^\s+operationId:\s*[\'"]?([\w.]+)/m', $document, $found);
$answered = array_unique(
    array_merge(
        ...array_map(static fn (string $f): array => (array) file($f, FILE_IGNORE_NEW_LINES), glob($argv[1].'/*') ?: []), ...[[]],
    ),
);
$missing = array_diff($found[1], $answered);
echo count($found[1]), ' operations, ', count($found[1]) - count($missing), " with an answer that was held against its schema\n";
foreach ($missing as $operation) {
    echo "no test has an answer of: {$operation}\n";
}
exit($missing === [] && $found[1] !== [] ? 0 : 1);
